// What the plot of a motor against its decoder shows: points, line, limits and how far the axes go.
#pragma once

#include "core/finding/state.h"
#include "core/record/job.h"

#include <optional>

namespace glimmet::core::measure {

struct MotorChart {
    Volts motorVolts{};        ///< what is left for the motor of the track's volts
    std::optional<Ohms> path;  ///< the stalled motor
    /// Of the path, by all stall tests, twice their scatter and what the meter may be off; as
    /// `path`.
    Ohms lowestPath{}, highestPath{};
    std::optional<Amperes> stall;             ///< at motorVolts
    std::optional<Amperes> continuous, peak;  ///< of the decoder, if there is one
    State state = State::Fine;                ///< of the stall current against the peak
    Volts voltsShown{};                       ///< end of the volts axis
    Amperes ampsShown{};                      ///< end of the current axis
};

/// Where a reading stands whose volts were not noted: by its throttle, else at all the volts.
[[nodiscard]] Volts shownAt(const TakenReading& reading, const MotorChart& chart);

[[nodiscard]] MotorChart motorChart(const Job& job, const WorkshopRules& house);

}  // namespace glimmet::core::measure
