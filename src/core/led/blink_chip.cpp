#include "core/led/blink_chip.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {

double shines(const BlinkChip& chip, Seconds time) {
    const double t = time.value() * std::min(chip.perSecond, mostShownPerSecond);
    if (!chip.flickers) return t - std::floor(t) < 0.5 ? 1 : 0;
    // A few waves that never meet again in the same way: a flame, not a pattern.
    constexpr double pi = 3.14159265358979323846;
    const double waves = std::sin(2 * pi * t) + 0.6 * std::sin(2 * pi * t * 0.618 + 1) +
                         0.4 * std::sin(2 * pi * t * 0.271 + 2);
    return 0.65 + 0.35 * waves / 2;
}

}  // namespace glimmet::core
