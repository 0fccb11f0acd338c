// What a bank does on a job as it stands: loads, time it holds, what it has to get across.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/stay_alive/places.h"
#include "core/finding/figure.h"
#include "core/stay_alive/crossing_run.h"
#include "core/stay_alive/hold.h"

#include <optional>

namespace glimmet::core::stay_alive {

// What is assumed; sources in docs/physics.md.
inline constexpr double readingKmh = 80;  ///< of a model at the volts of its running reading
inline constexpr Seconds dirt{0.05};      ///< a stutter on dirty rails, where nobody counted
/// Stutters a metre: one in a hundred metres is bearable, one in ten is seen on every round.
inline constexpr double bearable = 0.01, often = 0.1;
inline constexpr Volts processorMinimum{5};  ///< below it a decoder starts anew
inline constexpr Amperes processorCurrent{0.02};
inline constexpr Watts usualSound{0.3}, loudSound{1.0};  ///< of a decoder that makes sound
inline constexpr Volts usualDiode{0.35};                 ///< Schottky, at these currents
inline constexpr Ohms usualCharge{100};
inline constexpr double capacitanceShort = 0.2;  ///< of what is printed, at the worst

/// A bank with its charge path, as it is or would be fitted.
struct Path {
    Ohms charge{};  ///< 0: nothing limits the charge
    Volts diode{};  ///< 0: it gives back through the charge resistor
};
[[nodiscard]] Path pathOf(const FittedBank& bank);
/// Its volts were read above its clamp: that is open.
[[nodiscard]] bool letsMoreCome(const FittedBank& bank);
/// The clamp that keeps its volts down: none where it stands before the charge resistor or is open.
[[nodiscard]] const BankClamp* clampOf(const FittedBank& bank);
/// The bank that does its work: nothing where there is none, where it is known to give nothing or
/// to stand the wrong way round.
[[nodiscard]] const std::optional<FittedBank>& working(const Job& job);
/// The capacitance that counts: read, else printed.
[[nodiscard]] Farads capacitanceOf(const FittedBank& bank);
/// The share of that which it may lack, in the worst credible case.
[[nodiscard]] double lessBy(const FittedBank& bank);

/// What draws on the bus while the track is dead: the motor at a crawl, every lamp, the processor.
struct Loads {
    BusLoads bus;
    Drive drive;                  ///< all motors as one, at the job's speed; in bus.power
    double slowing = 0;           ///< m/s², with the motor off (rolling.h)
    Watts motor{};                ///< of all of them; in bus.power
    Watts sound{};                ///< of its decoder, as usual; in bus.power
    std::vector<Figure> figures;  ///< what each is and rests on
    bool motorAssumed = false;    ///< no reading says what the motor takes
    Seconds needed{};             ///< the longest dead place, or dirt where its wheels bridge all
};
[[nodiscard]] const Loads& loadsOf(const JobAnalysis& facts);
/// The same with its sound loud: the worst case.
[[nodiscard]] Loads loud(Loads loads);
/// The same without the motor: its lamps, its sound and its processor.
[[nodiscard]] Loads standingStill(Loads loads);

/// What dirt asks a bank to hold so that no more than `left` of the stutters a metre that were
/// counted outlast it; where nobody counted one that is usual.
[[nodiscard]] Seconds dirtTime(const Job& job, double left = often);
/// Stutters a metre that outlast a time, at its speed; 0 for as long as one likes. Nothing where
/// nobody counted.
[[nodiscard]] std::optional<double> stuttersWith(const Job& job, std::optional<Seconds> carried);

/// A bank on the job's bus, on its way back through its diode or its charge resistor.
[[nodiscard]] Bank onBus(const JobAnalysis& facts, const FittedBank& bank, const Loads& loads);

struct BankState {
    Volts bus{};        ///< that it hangs on
    Volts full{};       ///< what it is charged to: the bus, what its clamp or a leak lets come
    Volts top{};        ///< of the bus, at the top of the supply's range
    Volts highest{};    ///< at the bank then
    Bank bank;          ///< charge 0 where nothing limits it
    Volts back{};       ///< drop of the way back at the first moment: diode, or charge resistor
    Result<Hold> hold;  ///< at typical values
    std::optional<Seconds> worst;  ///< with the supply at its lowest and the bank at its least
    Seconds needed{};              ///< as of the loads
    std::optional<Ohms> leak;      ///< that empties it besides the loads (leak.h)
};
/// Of the bank that the job has, with all its loads. Precondition: it has one.
[[nodiscard]] const BankState& bankState(const JobAnalysis& facts);
/// Of another bank, or with other loads. `steps`: points of the trace; the time needs none.
[[nodiscard]] BankState bankState(const JobAnalysis& facts, const FittedBank& bank,
                                  const Loads& loads, std::size_t steps = 1);

/// What the panel shows: bus volts from the loss of track on.
struct HoldChart {
    std::vector<BusMoment> trace;
    Volts minimum{}, bus{};
    Seconds needed{}, shown{};
    bool holds = false;  ///< long enough
};
/// Nothing without a bank, or where nothing draws.
[[nodiscard]] std::optional<HoldChart> holdChart(const JobAnalysis& facts);

}  // namespace glimmet::core::stay_alive
