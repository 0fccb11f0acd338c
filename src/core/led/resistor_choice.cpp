#include "core/led/resistor_choice.h"

#include <cmath>

namespace glimmet::core {

Ohms idealResistor(const LampString& lamps, Volts drive, Ohms common, std::size_t stringCount,
                   Amperes target) {
    const Volts left = drive - static_cast<double>(stringCount) * target * common;
    return (left - voltageOf(lamps, target)) / target;
}
Ohms idealResistor(const std::vector<LampLaw>& lamps, Volts drive, Ohms common,
                   std::size_t stringCount, Amperes target) {
    return idealResistor(LampString{lamps, Ohms{0}}, drive, common, stringCount, target);
}

std::optional<Ohms> fittedResistor(Ohms ideal, const ResistorWish& wish) {
    if (!(ideal > Ohms{0}) || !std::isfinite(ideal.value())) return {};
    return preferredValue(ideal, wish.series, wish.policy);
}

}  // namespace glimmet::core
