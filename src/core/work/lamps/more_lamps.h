// Lines that put lamps beside lamps: parallel, in line, the other way round, strips, plans.
#pragma once

#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"

namespace glimmet::core::lamps {

/// "parallel front red", "inline front red", "twin front": another lamp beside or behind those of
/// a group, or straight across the last of a row.
enum class Beside { Row, Series, Across };

template <Beside how>
[[nodiscard]] Result<JotResult> another(const jot::ParsedLine& said);

/// "antiparallel nose red": a lamp the other way round across those of a row, behind its resistor.
[[nodiscard]] Result<JotResult> antiparallelTo(const jot::ParsedLine& said);

/// "turned nose/2": how lamps stand was found out.
[[nodiscard]] Result<JotResult> backwards(const jot::ParsedLine& said);

/// "plan headlamp, two ditch lamps half as bright, tail red": all of it as one change, each lamp
/// with its output and its resistor.
[[nodiscard]] Result<JotResult> plan(const jot::ParsedLine& said);

/// "strip saloon 150mm": sections of a strip side by side along the body, cut where it may be.
[[nodiscard]] Result<JotResult> strip(const jot::ParsedLine& said);

}  // namespace glimmet::core::lamps
