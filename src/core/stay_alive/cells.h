// Cells one behind another: nothing shares the volts among them but their own capacitance.
#pragma once

#include "core/quantity/quantities.h"

#include <cstdint>

namespace glimmet::core {

/// How far cells of one bag differ from what is printed, a share each way (docs/physics.md).
inline constexpr double cellSpread = 0.1;

/// The most that one of so many cells can get: it has the least capacitance and they the most. The
/// same charge flows through all, so V_i = Q/C_i. Range: cells >= 1, spread 0 … below 1 (asserted).
[[nodiscard]] Volts highestCell(Volts bank, int cells, double spread = cellSpread);

/// The share of banks in which a cell gets more than it bears, of `draws` whose cells are drawn
/// evenly over the spread. The same seed draws the same. Range: as above, draws >= 1.
[[nodiscard]] double overloadedShare(Volts bank, int cells, Volts bears, double spread = cellSpread,
                                     int draws = 500, std::uint64_t seed = 1);

}  // namespace glimmet::core
