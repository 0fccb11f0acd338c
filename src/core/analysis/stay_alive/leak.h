// What the volts across a bank tell, read on the track once it is full: through its charge resistor
// a leak costs some of them.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/stay_alive/bank_state.h"

namespace glimmet::core::stay_alive {

/// Of the volts that belong there: below it something takes current all the time.
inline constexpr double leaksBelow = 0.9;
/// Up to this nothing charges it.
inline constexpr double nothingBelow = 0.2;

/// The volts that belong across a bank: the bus, or what its clamp lets come.
[[nodiscard]] Volts belongAcross(const FittedBank& bank, Volts bus);
/// The same when its volts were read; by today's track where nobody had read that then. Range: its
/// volts were read.
[[nodiscard]] Volts belonged(const JobAnalysis& facts, const FittedBank& bank);

/// The line that notes them.
[[nodiscard]] std::string acrossLine(Volts volts);

enum class Stands {
    Right,
    Low,     ///< less than belongs there, and it is not known well enough what does
    Leaks,   ///< less by more than can be mistaken
    Higher,  ///< more than can come, as the track's volts are noted
    Unclamped
};
/// Range: its volts were read.
[[nodiscard]] Stands standsAt(const JobAnalysis& facts, const FittedBank& bank);

struct Leak {
    double left = 1;    ///< share of the volts that it leaves in the bank, 0 … 1
    Amperes current{};  ///< (V_full − V_read) / R_charge: through the bank or past it
    Ohms path{};        ///< V_read / current
};
/// Nothing where its volts were not read, where they are right or where they do not tell.
[[nodiscard]] std::optional<Leak> leakOf(const JobAnalysis& facts, const FittedBank& bank);

}  // namespace glimmet::core::stay_alive
