#include "core/led/lamp_law.h"

#include "core/circuit/one_port.h"

#include <cmath>

namespace glimmet::core {
namespace {

constexpr double coldShare = 0.1;

circuit::Filament filament(const FilamentRating& bulb) {
    return {bulb.rated, bulb.current, coldShare};
}

}  // namespace

Amperes currentAt(const FilamentRating& bulb, Volts volts) {
    return Amperes{circuit::at(filament(bulb), volts.value(), {}, circuit::ambient).current};
}

Volts voltageOf(const LampLaw& law, Amperes current) {
    if (const auto* led = std::get_if<LedLaw>(&law)) return led->voltage(current);
    const auto& bulb = std::get<FilamentRating>(law);
    if (!(current > Amperes{0})) return Volts{0};
    // Settled, I² = loss/R rises with the temperature: halved down to it, then V = I·R.
    const circuit::Filament wire = filament(bulb);
    double low = circuit::ambient, high = 1e5;
    for (int step = 0; step < 100 && high - low > 1e-12 * high; ++step) {
        const double middle = (low + high) / 2;
        const circuit::Thermal at = thermal(wire, middle);
        const bool hotter = at.loss / at.resistance > current.value() * current.value();
        (hotter ? high : low) = middle;
    }
    return current * Ohms{thermal(wire, low).resistance};
}

Ohms coldResistance(const FilamentRating& bulb) { return bulb.rated / bulb.current * coldShare; }

double filamentLight(const FilamentRating& bulb, Volts volts) {
    return std::pow((volts / bulb.rated).value(), 3.4);
}
double filamentLife(const FilamentRating& bulb, Volts volts) {
    return std::pow((volts / bulb.rated).value(), -13);
}

}  // namespace glimmet::core
