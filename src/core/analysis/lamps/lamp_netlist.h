// A lamp circuit of a job as a circuit of the engine, so that it can be written as SPICE and
// checked by anyone.
#pragma once

#include "core/circuit/spice.h"
#include "core/record/job.h"

namespace glimmet::core::lamps {

/// The operating point of a lamp circuit at typical values: a source of the bus voltage, the rows
/// that have a resistor, what they share, and the drop of the output's switch. Its one voltage
/// source that carries the lamps' current is "vbus". A resistor of 0 Ω joins its nodes.
/// Errors: OutOfRange from a lamp whose data are no LED's; Missing where no row is connected.
[[nodiscard]] Result<circuit::Netlist> lampNetlist(const Job& job, const LampGroup& lamps,
                                                   const WorkshopRules& house);

}  // namespace glimmet::core::lamps
