// What the lamps of a job do electrically, as it stands: the numbers behind the findings, the
// schematic and the dark-room picture.
#pragma once

#include "core/analysis/fact.h"
#include "core/finding/figure.h"
#include "core/led/lamp_drive.h"
#include "core/led/lamp_law.h"
#include "core/record/job.h"
#include "core/result.h"
#include "core/stay_alive/hold.h"

namespace glimmet::core {

/// The law of a lamp part: of an LED its own point and values where given, its family's elsewhere.
/// Errors: those of ledLawThrough; OutOfRange for a bulb that is rated nothing.
[[nodiscard]] Result<LampLaw> law(const LampPart& part);
/// The limit that counts: the part's, else the family's; of a bulb what it takes a tenth above its
/// rated volts, of a lamp with its own resistor half more than at them.
[[nodiscard]] Amperes currentLimit(const LampPart& part);

/// How many lamps one of a row stands across, itself counted: 1 where it is alone in the chain.
[[nodiscard]] std::size_t standAcross(const LampRow& row, std::size_t lamp);
/// A row without one of its lamps; `all`: without those that stand across it either.
[[nodiscard]] LampRow without(LampRow row, std::size_t lamp, bool all);
/// The share of a row's current that a lamp takes of those that stand across each other where it
/// has the lowest forward volts of its batch and they the highest: 1 where it is alone in the
/// chain. Errors and range: as below.
[[nodiscard]] Result<double> worstShare(const LampRow& row, std::size_t lamp, Amperes current);
/// The current of a row at which the first of its lamps is at its limit. Of lamps that stand across
/// each other the one of the lowest forward volts in its batch takes more than its share.
/// Errors: those of law() and of the solver. Range: current > 0, at which they share.
[[nodiscard]] Result<Amperes> rowLimit(const LampRow& row, Amperes current);

/// What a constant-current output or a driver needs for itself; assumed (docs/physics.md).
inline constexpr Volts outputDropout{2};
/// The output that keeps a group's current by itself, whatever resistor there is; nullptr: none, or
/// nobody knows at what it is set, or a driver does.
[[nodiscard]] const DecoderOutput* keepsCurrent(const Job& job, const LampGroup& group);
/// The group with such an output entered as the driver that it is, kept in `made`; else itself.
[[nodiscard]] const LampGroup& asDriven(const Job& job, const LampGroup& group,
                                        std::optional<LampGroup>& made);

/// Parts of today are 5 % or better, whatever series their value is from; E96 is 1 %.
[[nodiscard]] double resistorTolerance(const LampGroup& group);

/// Whether a diode lets it light in one direction of the supply only: not on an output, nor where
/// the volts never turn round. It hangs before a bridge that others may have.
[[nodiscard]] bool oneWayOnly(const Job& job, const LampGroup& group);
/// Whether rows that stand the other way round ever light: on rails whose volts turn round.
[[nodiscard]] bool lightsTurned(const Job& job, const LampGroup& group);
/// Whether rows of both ways round are connected.
[[nodiscard]] bool bothWays(const LampGroup& group);
/// Rows of both ways round straight across each other, behind the resistor that they share: each
/// keeps the volts backwards from the other.
[[nodiscard]] bool antiparallel(const LampGroup& group);
inline constexpr Volts oneWayDrop{0.7};  ///< of a silicon diode at these currents

/// The volts that a group hangs on: the lamp bus, or the rails.
[[nodiscard]] Figure feedFigure(const Job& job, const LampGroup& group, const WorkshopRules& house);

/// Whether nothing tells two rows apart but where they sit.
[[nodiscard]] bool alike(const LampRow& one, const LampRow& other);

/// What a row sees of a group that it shares a resistance or a driver with.
struct SeenByRow {
    struct Source {  ///< volts behind a resistance
        Volts open{};
        Ohms behind{};
    };
    Source supply;
    std::optional<Source> driver;  ///< where it keeps the sum; the smaller current is true
};

struct RowState {
    bool connected = false;       ///< its resistor is chosen (0 Ω deliberately none counts)
    Amperes current{};            ///< at typical values; 0 when not connected
    double duty = 1;              ///< the share of the time that it flows: 0.5 on raw digital track
    Amperes lowest{}, highest{};  ///< over the spread of supply, forward voltage and resistor
    std::vector<Volts> led;       ///< across each lamp
    std::vector<double> share;    ///< of the row's current through each: 1 where none stands across
    double light = 0;             ///< of a lamp, on the average, of what an LED gives at 20 mA
    double arrives = 1;           ///< of that at the eye, past what stands before the lamp
    Watts resistorPower{};
    Ohms ideal{};     ///< for the wished current, of an antiparallel pair the one that they share;
                      ///< not positive: supply too low
    Amperes limit{};  ///< of the row's current (rowLimit)
    std::optional<SeenByRow> sees;  ///< at typical values, where many rows feel each other
};

/// Across all of a row's lamps, those that stand across others counted once.
[[nodiscard]] Volts lampVolts(const LampRow& row, const RowState& state);

struct GroupState {
    Volts bus{};
    Volts drive{};  ///< bus − output switch; of a sine at its crest, of bulbs on it what heats
    Wave wave =
        Wave::Steady;     ///< over a sine currents, light and heat are means, volts the crest's
    Ohms outputSeries{};  ///< assumed 0 where not known
    bool outputSeriesKnown = true;
    Ohms inside{};      ///< of the battery that it hangs on straight
    bool pair = false;  ///< antiparallel()
    std::vector<RowState> rows;
    Amperes total{};      ///< of the rows of one way round, of the way that takes more; over a sine
                          ///< of both
    Watts sharedPower{};  ///< in the shared resistor
    Volts glowFrom{};     ///< track or supply volts at which the first lamp carries 0.1 mA
};

inline constexpr double lampCloseAbove = 0.85;  ///< of an LED's limit it is close (4-judgement)
inline constexpr Amperes glowCurrent{0.0001};
inline constexpr Amperes usualOutputLimit{0.1};  ///< of a decoder's output, where nobody knows
inline constexpr Volts lampSupplyVolts{1.5};     ///< of an output that is made for bulbs

/// What the state of a group rests on besides the group.
using GroupStateReads = Reads<&Job::feed, &Job::scale, &Job::supply, &Job::decoder, &hasMotor>;
/// `board`: the output's own resistor, where it is to be taken for something else than is known.
/// Errors: OutOfRange from a lamp whose data are no LED's.
[[nodiscard]] Result<GroupState> groupState(const Job& job, const LampGroup& group,
                                            const WorkshopRules& house,
                                            std::optional<Ohms> board = std::nullopt);

/// What a board may carry where nobody has looked (docs/physics.md).
inline constexpr Ohms likelyOnBoard[] = {Ohms{0}, Ohms{470}, Ohms{1500}};

/// The current row `row` would carry with `resistor`, all else as it stands; `inEveryRow`: with it
/// in each of them.
/// The same of one row, from what was solved.
[[nodiscard]] Result<Amperes> currentWith(const Job& job, const LampGroup& group,
                                          const RowState& state, std::size_t row, Ohms resistor,
                                          const WorkshopRules& house);
[[nodiscard]] Result<Amperes> currentWith(const Job& job, const LampGroup& group, std::size_t row,
                                          Ohms resistor, const WorkshopRules& house,
                                          bool inEveryRow = false);

/// What each row carries at typical values, also where rows have lost lamps: one without any is its
/// resistor alone.
struct GroupCurrents {
    std::vector<Amperes> rows;  ///< 0: not connected
    Amperes total{};
    bool shorted = false;  ///< a row is a wire, and nothing limits what flows
};
[[nodiscard]] Result<GroupCurrents> groupCurrents(const Job& job, const LampGroup& group,
                                                  const WorkshopRules& house);

/// What a group draws on a falling bus, straight through what was solved: LEDs fall to nothing at
/// their forward volts, bulbs are about resistors, a driver keeps its current.
void addLoads(const Job& job, const LampGroup& group, const GroupState& state, BusLoads& loads);

/// A lamp as the eye finds it in a dark room.
struct LitLamp {
    std::string group;  ///< id
    std::string name;   ///< group and row: "headlamps A/2"
    std::string output;
    const Lamp* lamp = nullptr;  ///< in the job it was made from
    Amperes current{};
    bool connected = false;
    double brightness = 0;               ///< to the eye: 0 dark … 1 an LED at 20 mA
    Seconds soft{0};                     ///< in which it comes on and goes
    std::optional<FilterColour> filter;  ///< what it shines through
    std::optional<LightGuide> guide;     ///< that carries its light
    std::optional<Obstacle> obstacle;    ///< that throws its shadow
    std::optional<double> leak;          ///< of its brightness, through the wall that was told
    std::optional<Seam> seam;            ///< where its wall gapes
    double atSeam = 0;                   ///< of its brightness, straight out there
    bool blinks = false;  ///< its chip does its work; where it begins anew all the time it is lit
};
/// Where its LED lies: at its place, or at the inner end of its guide, as far as the body goes.
[[nodiscard]] Point ledOf(const LitLamp& lit, const Body& body);
/// The colour its light has: a bulb's is white.
[[nodiscard]] LedFamily lightFamily(const LampPart& part);

/// Every lamp of a job with every output on; `groups` are its groups as they were solved, in its
/// order. The job must outlive the result.
[[nodiscard]] std::vector<LitLamp> litLamps(const Job& job,
                                            const std::vector<Result<GroupState>>& groups);

/// How bright a current looks: the cube root of light relative to 20 mA (docs/physics.md: perceived
/// brightness follows roughly the cube root of luminance), at most 1.
[[nodiscard]] double perceivedBrightness(Amperes current);
/// The same of light as RowState has it.
[[nodiscard]] double perceivedBrightness(double light);

/// Below these a lamp is dark, or glimmers only (4-judgement numbers, docs/physics.md).
[[nodiscard]] Amperes darkBelow(Amperes wished);
[[nodiscard]] Amperes glimmersBelow(Amperes wished);

/// The share of builds in which two rows of a group differ in light by more than a quarter: forward
/// volts normal with two sigma of 0.1 V (none where the lamp itself was read), resistors uniform
/// over their tolerance, by derivatives at the solved point. The worst pair of rows of one kind.
[[nodiscard]] double unevenBuilds(const LampGroup& group, const GroupState& state);

/// Light of a row relative to its wish: intensity follows current to first order.
[[nodiscard]] double relativeLight(Amperes current, Amperes wished);

/// What a group takes for long: a row above its limit counts with that, it burns out at more.
[[nodiscard]] Amperes lastingTotal(const GroupState& state);
/// "as bright as wanted", "a little dimmer than wanted", "clearly brighter than wanted" …
/// Steps at 25 %, 2:1 and 4:1: the eye's, for lamps in one scene (docs/physics.md).
[[nodiscard]] Text lightWords(double relative);
/// How a lamp of `group` shines at this mean current: against its target where it has one, else by
/// itself: "a faint glow", "a gentle glow", "bright", "very bright".
[[nodiscard]] Text lightWords(const LampGroup& group, Amperes mean);

}  // namespace glimmet::core
