// What a motor draws, from readings at the bench, and whether a decoder carries it.
#pragma once

#include "core/finding/state.h"
#include "core/motor/condition.h"
#include "core/quantity/quantities.h"

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core {

struct MotorReading {
    MotorCondition condition{};
    Volts volts{};      ///< at the motor or the track at that moment, > 0
    Amperes amps{};     ///< > 0
    std::string taken;  ///< when, ISO 8601 (empty: not known)
    Amperes scatter{};  ///< standard deviation; 0: not known
    bool operator==(const MotorReading&) const = default;
};

/// What stands between the rails and the motor.
struct MotorSupply {
    Volts track{};      ///< DCC track or DC volts, >= 0
    Volts rectifier{};  ///< drop of the decoder's rectifier
    Volts bridge{};     ///< drop of the decoder's motor bridge
};

/// Resistance of the path through the motor when it does not turn: volts/amps of the stalled
/// reading with the lowest ohms (the worst case); without one, the winding's measured resistance.
/// Nothing when neither is known. Source: Ohm's law; a motor at rest has no back-EMF.
[[nodiscard]] std::optional<Ohms> pathResistance(std::span<const MotorReading> readings,
                                                 std::optional<Ohms> winding);

/// I_stall = (V_track − V_rect − V_bridge) / R_path; 0 where the drops eat the whole supply.
/// Range: path > 0.
[[nodiscard]] Amperes stallCurrent(const MotorSupply& supply, Ohms path);

/// The largest current read in a condition, if it was read. Slip current is set by adhesion, not
/// by volts, so it is taken as read.
[[nodiscard]] std::optional<Amperes> largestReading(std::span<const MotorReading> readings,
                                                    MotorCondition condition);

struct MotorRating {
    Amperes continuous{};  ///< > 0
    Amperes peak{};        ///< > 0
};

/// One thing the rule demands of the decoder.
struct MotorDemand {
    enum class What { Running, Slip, Stall } what{};
    bool againstPeak = false;       ///< held against the peak rating, else the continuous one
    std::optional<Amperes> demand;  ///< nothing: the reading it needs is missing (state Ask)
    Amperes limit{};
    State state{};
};
constexpr auto wordsOf(MotorDemand::What) {
    return std::to_array<Word<MotorDemand::What>>({{MotorDemand::What::Running, "running"},
                                                   {MotorDemand::What::Slip, "slip"},
                                                   {MotorDemand::What::Stall, "stall"}});
}

struct MotorVerdict {
    std::optional<Ohms> path;
    std::optional<Amperes> stall, slip, running;
    std::vector<MotorDemand> demands;  ///< one or two, in the rule's order
    State state{};                     ///< the worst of the demands
};

/// `closeMargin`: within this share of a limit the state is Close; 0 <= closeMargin < 1.
[[nodiscard]] MotorVerdict motorVerdict(std::span<const MotorReading> readings,
                                        std::optional<Ohms> winding, const MotorSupply& supply,
                                        const MotorRating& rating, RatingRule rule,
                                        double closeMargin);

}  // namespace glimmet::core
