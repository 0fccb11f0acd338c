#include "core/led/resistor_choice.h"

#include <cmath>

namespace glimmet::core {

Ohms idealResistor(const std::vector<LampLaw>& lamps, Volts drive, Ohms common,
                   std::size_t stringCount, Amperes target) {
    Volts left = drive - static_cast<double>(stringCount) * target * common;
    for (const LampLaw& lamp : lamps) left -= voltageOf(lamp, target);
    return left / target;
}

std::optional<Ohms> fittedResistor(Ohms ideal, const ResistorWish& wish) {
    if (!(ideal > Ohms{0}) || !std::isfinite(ideal.value())) return {};
    return preferredValue(ideal, wish.series, wish.policy);
}

const char* resistorBody(Watts power) {
    const double twice = 2.0 * power.value();
    if (twice <= 0.050) return "1/8 W or 0402";
    if (twice <= 0.080) return "1/8 W or 0603";
    if (twice <= 0.100) return "1/8 W or 0805";
    if (twice <= 0.125) return "1/8 W or 1206";
    if (twice <= 0.200) return "1/4 W or 1206";
    if (twice <= 0.250) return "1/4 W";
    if (twice <= 0.5) return "1/2 W";
    if (twice <= 1.0) return "1 W";
    return "2 W or more";
}

}  // namespace glimmet::core
