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

}  // namespace glimmet::core
