// Jots of hollows and of what lies in them from the factory.
#pragma once

#include "core/jot/command.h"
#include "core/work/jot.h"

namespace glimmet::core::measure {

/// "cavity hood 52x14x11": a hollow of that name. "cavity smokebox 20x10x9 at 5x12": one that is
/// not drawn, or where it really is, from the front and above the rails; "… at 5x12 left 3": its
/// middle beside the centre line.
[[nodiscard]] Result<JotResult> cavityCommand(const jot::ParsedLine& said);

/// "weight hood 30x12x8": in a hollow, at its rear end; "… at 44x14": where it is. "weight hood may
/// go", "stays", "gone": what becomes of it.
[[nodiscard]] Result<JotResult> weightCommand(const jot::ParsedLine& said);
[[nodiscard]] Result<JotResult> speakerCommand(const jot::ParsedLine& said);

}  // namespace glimmet::core::measure
