// What becomes of a model on the dead places of its layout: over each of them, at any speed.
#pragma once

#include "core/analysis/stay_alive/bank_state.h"
#include "core/finding/state.h"
#include "core/stay_alive/crossing_run.h"

#include <optional>
#include <vector>

namespace glimmet::core::stay_alive {

/// What a crossing is worth: over where it stops, close where it starts anew or slows.
[[nodiscard]] State stateOf(Crossed how);

/// How a speed of the prototype gets over.
struct AtSpeed {
    double kmh = 0;
    Crossed how{};
    Millimetres wentOn{};  ///< from where power was lost first to where it stands or runs on
};

struct CrossingState {
    Place place;
    std::size_t passage = 0;    ///< the worst one, of the place's
    std::vector<Crossed> ways;  ///< how it gets over on each of them
    Crossing crossing;          ///< on the worst, at the job's speed and typical values
    Crossed inTheWorst{};       ///< with the supply at its lowest and the bank at its least
    State state{};
    Volts full{};         ///< that its bank begins with; 0: none
    Seconds fullAgain{};  ///< its bank, from where power is back for good; 0: none, or it stands

    [[nodiscard]] const Passage& way() const { return place.passages[passage]; }
};
/// Where not every way is as bad as the worst: those that are, "backwards", "with the frog on its
/// left". Empty where all are alike.
[[nodiscard]] Text onlyWays(const CrossingState& at);
/// Over one place with a bank or none. Nothing where it cannot be told from wheels. `traced`: with
/// every moment, not only the last one.
[[nodiscard]] std::optional<CrossingState> crossingOver(const JobAnalysis& facts,
                                                        const Loads& loads, const Place& place,
                                                        const std::optional<FittedBank>& fitted,
                                                        bool traced = true);

/// The speeds of interest, km/h of the prototype.
inline constexpr double slowestSwept = 2, fastestSwept = 60, sweptBy = 2;
/// How each of them gets over on a passage, rising.
[[nodiscard]] std::vector<AtSpeed> sweepOver(const JobAnalysis& facts, const Loads& loads,
                                             const Passage& passage,
                                             const std::optional<FittedBank>& fitted);
/// The lowest of them from which on it neither stops nor starts anew; nothing: at none. The second
/// sweeps no further down than that.
[[nodiscard]] std::optional<double> sureFrom(const std::vector<AtSpeed>& sweep);
[[nodiscard]] std::optional<double> sureFrom(const JobAnalysis& facts, const Loads& loads,
                                             const CrossingState& at,
                                             const std::optional<FittedBank>& fitted);

/// The least capacitance behind a diode that carries it over without more than dimmed lamps.
/// Nothing where none does (the volts are too low for the motor), or where it needs none.
[[nodiscard]] std::optional<Farads> capacitanceFor(const JobAnalysis& facts, const Loads& loads,
                                                   const CrossingState& at);

/// Where a wheel that collects stands on dead rail.
struct WheelOnDead {
    int axle =
        0;  ///< from 1, from the front of the train, as lines name it; below 0: a slider, from −1
    Rails rail{};
    Millimetres from{}, to{};  ///< travel of the leading end
};

/// Passages of a place that are alike, over the travel of the leading end.
struct CrossingWay {
    std::vector<std::size_t> passages;  ///< of the place; the first one is what the rest shows
    std::vector<AtSpeed> sweep;         ///< rising
    Crossing crossing;                  ///< at the speed that is set
    std::vector<WheelOnDead> wheels;
    std::vector<Outage> outages;
    Millimetres from{}, to{};  ///< while those wheels come over it

    /// It goes no further than its trace.
    [[nodiscard]] bool stands() const { return crossing.how == Crossed::Stops; }
};

/// What the panel shows of one place.
struct CrossingChart {
    CrossingState at;
    std::vector<CollectingAxle> axles;
    std::vector<CrossingWay> ways;  ///< the worst first
    std::size_t shown = 0;          ///< of the ways; whoever shows it may turn to another
    double kmh = 0;                 ///< that is set
    Volts bus{}, minimum{};
    MetresPerSecond speed{};

    [[nodiscard]] const CrossingWay& way() const { return ways[shown]; }
    [[nodiscard]] const Passage& passage() const {
        return at.place.passages[way().passages.front()];
    }
    /// Where it stands, or the last that is shown.
    [[nodiscard]] Millimetres end() const;
    /// Its speed as the prototype goes.
    [[nodiscard]] double kmhAt(const CrossingMoment& moment) const;
    /// Between two moments along a straight line; before the first and behind the last as there.
    [[nodiscard]] CrossingMoment momentAt(Millimetres travel) const;
    /// The track under the train, whose front is drawn first.
    [[nodiscard]] TrackUnder under(Millimetres travel) const;
};
/// Of the place with that name, else of the worst. Nothing where it cannot be told from wheels.
[[nodiscard]] std::optional<CrossingChart> crossingChart(const JobAnalysis& facts,
                                                         std::string_view place);

}  // namespace glimmet::core::stay_alive
