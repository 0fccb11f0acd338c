// Whether a decoder carries the motors of a job, judged as a fitter would: the worst credible case,
// what a bound or the motor's kind already settles, and only then a question.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/motor_evidence.h"
#include "core/motor/motor.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// What motors of a kind and scale usually take; assumed where nobody read this one. Source:
/// docs/physics.md.
struct UsualCurrents {
    Amperes running{}, slip{}, stall{};                 ///< the most of the usual range
    Amperes leastRunning{}, leastSlip{}, leastStall{};  ///< the least of it
};
/// All motors of the job together; nothing without a motor.
[[nodiscard]] std::optional<UsualCurrents> usualCurrents(const Job& job);
/// The same, or nothing where it was read to take more than its kind usually does.
[[nodiscard]] std::optional<UsualCurrents> usualCurrents(const Job& job,
                                                         const MotorEvidence& drive);

struct RatedDemand {
    enum class From {
        Reading,  ///< what was read, or comes of it
        Bound,    ///< slip is not known, but never above the stall
        Kind,     ///< usual for its kind
        AtLeast,  ///< a reading that was broken off
        Some,     ///< the motors that were read, of several
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
    /// Of what it was read to take running, which every rule holds against the continuous rating.
    [[nodiscard]] State sustained() const;
};
[[nodiscard]] Rating rated(const JobAnalysis& facts, const MotorEvidence& drive,
                           const MotorRating& rating);

/// Usual of a sound decoder that plays; assumed. Source: docs/physics.md.
inline constexpr Amperes soundUsual{0.1};

/// Motor, every output and sound at once, against what a decoder gives in all.
struct Together {
    State state{};
    RatedDemand::From from{};  ///< what the motor's share rests on
    Amperes motor{};           ///< slipping; where nobody read that, the bound that decides
    Amperes outputs{}, sound{};
    [[nodiscard]] Amperes all() const { return motor + outputs + sound; }
};
[[nodiscard]] Together together(const JobAnalysis& facts, const MotorEvidence& drive,
                                const Decoder& decoder);

}  // namespace glimmet::core
