// What a netlist may ask of a machine: a file of three lines can ask for terabytes or for years.
#pragma once

#include "core/circuit/spice.h"

#include <optional>

namespace glimmet::core::circuit {

/// Voltages (and currents) that an analysis prints: some 200 MB with their text.
inline constexpr double mostPrinted = 4e6;
/// Points and corners of sources, times elements: some seconds.
inline constexpr double mostWork = 1e7;

/// Why the analysis is beyond that, with its line; else nothing, and the netlist's transient is
/// bounded in what else it may come to need.
[[nodiscard]] std::optional<NetlistFault> overBudget(Netlist& netlist);

}  // namespace glimmet::core::circuit
