// Ready-wired lamps, whose resistor is inside: what two readings tell of them.
#pragma once

#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"

namespace glimmet::core::lamps {

/// A lamp with a resistor hidden in it becomes a part by what was read at its leads.
[[nodiscard]] Result<JotResult> wired(const jot::ParsedLine& said);

}  // namespace glimmet::core::lamps
