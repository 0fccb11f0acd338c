// A chip in a lamp that makes it blink or flicker: a plain value, as records keep it.
#pragma once

#include "core/quantity/quantities.h"

namespace glimmet::core {

struct BlinkChip {
    double perSecond = 1;  ///< flashes, > 0; of a flickering one about how often it changes
    bool flickers = false;
    Volts resets{1.8};  ///< below them for more than a moment the chip begins anew, > 0
    bool operator==(const BlinkChip&) const = default;
};

/// On a screen nothing flashes faster, whatever the chip does: 3 to 30 a second can hurt people.
inline constexpr double mostShownPerSecond = 2;

/// Share of its light that a lamp with the chip gives at a time, 0 … 1, as a screen may show it:
/// half of each period on, or as a flame.
[[nodiscard]] double shines(const BlinkChip& chip, Seconds time);

}  // namespace glimmet::core
