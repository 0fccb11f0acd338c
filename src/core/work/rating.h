// Whether a decoder carries the motors of a job, judged as a fitter would: the worst credible case,
// what a bound or the motor's kind already settles, and only then a question.
#pragma once

#include "core/motor/motor.h"
#include "core/work/motor_evidence.h"
#include "core/work/reckoned.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// What motors of a kind usually take; assumed where nobody read this one. Source: docs/physics.md.
struct UsualCurrents {
    Amperes running{}, slip{}, stall{};  ///< the most of the usual range
};
/// All motors of the job together. Nothing in scales where the range says little (below N, above
/// 0).
[[nodiscard]] std::optional<UsualCurrents> usualCurrents(const Job& job);

struct RatedDemand {
    enum class From {
        Reading,  ///< what was read, or comes of it
        Bound,    ///< slip is not known, but never above the stall
        Kind,     ///< usual for its kind
        AtLeast,  ///< a reading that was broken off
        Missing,
    };
    MotorDemand::What what{};
    From from = From::Missing;
    Amperes typical{}, worst{};  ///< worst: at the top of the supply's range
    Amperes limit{};
    bool againstPeak = false;
    State state{};
};

struct Rating {
    std::vector<RatedDemand> demands;  ///< at least one
    State state{};                     ///< the worst of them
    /// The gravest demand; of equals the one nearest its limit.
    [[nodiscard]] const RatedDemand& deciding() const;
};
[[nodiscard]] Rating rated(const Reckoned& facts, const MotorEvidence& drive,
                           const MotorRating& rating);

}  // namespace glimmet::core
