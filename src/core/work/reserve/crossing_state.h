// What becomes of a model on the dead places of its layout: over each of them, at any speed.
#pragma once

#include "core/finding/state.h"
#include "core/reserve/crossing_run.h"
#include "core/work/reserve/bank_state.h"

#include <optional>
#include <vector>

namespace glimmet::core::reserve {

/// How far it rolls without power from the speed that is set: as it was read, else as a worm
/// without a flywheel lets it.
[[nodiscard]] Figure rollFigure(const Job& job);

/// What a crossing is worth: over where it stops, close where it starts anew or slows.
[[nodiscard]] State stateOf(Crossed how);

/// How a speed of the prototype gets over.
struct AtSpeed {
    double kmh = 0;
    Crossed how{};
};

struct CrossingState {
    Place place;
    Rails rail{};          ///< that is dead on the worse way through
    Crossing crossing;     ///< on that way, at the job's speed and typical values
    Crossed inTheWorst{};  ///< with the supply at its lowest and the bank at its least
    State state{};
};
/// Over one place with a bank or none. Nothing where it cannot be told from wheels. `traced`: with
/// every moment, not only the last one.
[[nodiscard]] std::optional<CrossingState> crossingOver(const Reckoned& facts, const Loads& loads,
                                                        const Place& place,
                                                        const std::optional<FittedBank>& fitted,
                                                        bool traced = true);

/// The speeds of interest, km/h of the prototype.
inline constexpr double slowestSwept = 2, fastestSwept = 60, sweptBy = 2;
/// How each of them gets over a place on its worse way, rising.
[[nodiscard]] std::vector<AtSpeed> sweepOver(const Reckoned& facts, const Loads& loads,
                                             const CrossingState& at,
                                             const std::optional<FittedBank>& fitted);
/// The lowest of them from which on it neither stops nor starts anew; nothing: at none. The second
/// sweeps no further down than that.
[[nodiscard]] std::optional<double> sureFrom(const std::vector<AtSpeed>& sweep);
[[nodiscard]] std::optional<double> sureFrom(const Reckoned& facts, const Loads& loads,
                                             const CrossingState& at,
                                             const std::optional<FittedBank>& fitted);

/// The least capacitance behind a diode that carries it over without more than dimmed lamps.
/// Nothing where none does (the volts are too low for the motor), or where it needs none.
[[nodiscard]] std::optional<Farads> capacitanceFor(const Reckoned& facts, const Loads& loads,
                                                   const CrossingState& at);

/// Where a wheel that collects stands on dead rail.
struct WheelOnDead {
    int axle = 0;  ///< from 1, from the front of the train, as lines name it
    Rails rail{};
    Millimetres from{}, to{};  ///< travel of the train's front
};

/// What the strip shows of one place: everything over the travel of the train's front.
struct CrossingChart {
    CrossingState at;
    std::vector<DeadLength> dead;
    std::vector<WheelOnDead> wheels;
    std::vector<Outage> outages;
    Millimetres from{}, to{};  ///< travel of the train's front, while those wheels come over it
    std::vector<AtSpeed> sweep;
    double kmh = 0;  ///< that is set
    Volts bus{}, minimum{};
    MetresPerSecond speed{};
    bool stands = false;  ///< it goes no further than its trace

    /// Where it stands, or the last that is shown.
    [[nodiscard]] Millimetres end() const;
    /// Its speed as the prototype goes.
    [[nodiscard]] double kmhAt(const CrossingMoment& moment) const;
    /// Between two moments along a straight line; before the first and behind the last as there.
    [[nodiscard]] CrossingMoment momentAt(Millimetres travel) const;
};
/// Of the place with that name, else of the worst. Nothing where it cannot be told from wheels.
[[nodiscard]] std::optional<CrossingChart> crossingChart(const Reckoned& facts,
                                                         std::string_view place);

}  // namespace glimmet::core::reserve
