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

}  // namespace glimmet::core
