// What a time off the rail tells of a bank's farads, and how surely.
#pragma once

#include "core/analysis/stay_alive/bank_state.h"

namespace glimmet::core::stay_alive {

/// Of a new bank, what sheets allow it to lack or to have more than is printed.
inline constexpr double soldShort = 0.2, soldOver = 0.3;

struct HoldTest {
    Farads capacitance{};
    double within = 0;  ///< share that it may be off either way, at most 0.9
    Text mostly;        ///< what most of that comes from: "nobody read its motor"
};
/// Lifted off the rail at a crawl with its lamps lit, or (`still`) while it stands, it went on for
/// `held`, > 0. C = C_reckoned · t / t_reckoned, for the time is in proportion to the farads.
/// Uncertainty: of the hand, of each load, of the volts it was charged to and of those at which its
/// processor gives up, each by itself and then as the root of the sum of their squares
/// (docs/physics.md).
/// Errors: Missing where it has no lamps and stands still; OutOfRange where its time cannot be
/// reckoned or no bank has so many farads.
[[nodiscard]] Result<HoldTest> holdTestOf(const JobAnalysis& facts, const FittedBank& bank,
                                          Seconds held, bool still);

/// Against what is printed: less or more than a good one can have, even at the far end of what was
/// found. Not read: neither.
enum class AgainstPrint { Fits, Less, More };
[[nodiscard]] AgainstPrint againstPrint(const FittedBank& bank);

}  // namespace glimmet::core::stay_alive
