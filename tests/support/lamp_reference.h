// Lamp circuits solved without the engine: a one-dimensional Newton iteration for each string and
// one for the node that they share. Shares no code with it, so each checks the other.
#pragma once

#include "core/led/lamp_circuit.h"
#include "core/quantity/thermal_voltage.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace glimmet::tests {

using namespace core;

/// It knows LEDs only.
inline std::vector<LedLaw> ledsOf(const LampString& string) {
    std::vector<LedLaw> leds;
    for (const LampLaw& lamp : string.lamps) leds.push_back(std::get<LedLaw>(lamp));
    return leds;
}

inline Volts stringVoltage(const LampString& string, Amperes current, Ohms extra) {
    Volts sum = current * (string.resistor + extra);
    for (const LedLaw& led : ledsOf(string)) sum += led.voltage(current);
    return sum;
}

inline double stringSlope(const LampString& string, Amperes current, Ohms extra) {
    double sum = string.resistor.value() + extra.value();
    for (const LedLaw& led : ledsOf(string)) sum += led.slope(current).value();
    return sum;
}

/// Current of one string (with `extra` ohms in series) at a voltage across it.
/// With z = ln I the voltage is convex and rising in z; Newton from above descends monotonically.
inline Amperes stringCurrent(const LampString& string, Volts across, Ohms extra) {
    const double v = across.value();
    if (!(v > 0)) return Amperes{0};
    // Upper bounds: each element alone would have to take the whole voltage.
    double upper = HUGE_VAL;
    double linear = string.resistor.value() + extra.value();
    for (const LedLaw& led : ledsOf(string)) linear += led.series.value();
    if (linear > 0) upper = v / linear;
    for (const LedLaw& led : ledsOf(string)) {
        const double exponent = v / (led.emission * thermalVoltage);
        if (exponent < 600) upper = std::min(upper, led.saturation.value() * std::expm1(exponent));
    }
    if (!std::isfinite(upper)) upper = 1e300;  // no resistance anywhere and absurd volts
    double z = std::log(upper);
    for (int step = 0; step < 400; ++step) {
        const Amperes current{std::exp(z)};
        const double excess = stringVoltage(string, current, extra).value() - v;
        if (std::abs(excess) <= 1e-13 * v) break;
        const double slope = stringSlope(string, current, extra) * current.value();
        const double next = z - excess / slope;
        if (!(std::abs(next - z) > 1e-15 * std::max(1.0, std::abs(z)))) break;
        z = next;
    }
    return Amperes{std::exp(z)};
}

inline LampSolution closedForm(const LampCircuit& circuit, Volts drive) {
    assert(!circuit.strings.empty() && std::isfinite(drive.value()));
    LampSolution solution;
    const double e = drive.value();
    if (circuit.strings.size() == 1) {
        solution.current = {stringCurrent(circuit.strings.front(), drive, circuit.common)};
    } else {
        // F(V) = ΣI_k(V) − (E − V)/R is convex and rising: Newton from V = E, where F >= 0.
        double v = std::max(e, 0.0);
        const double r = circuit.common.value();
        for (int step = 0; r > 0 && e > 0 && step < 400; ++step) {
            double total = 0;
            double conductance = 0;
            for (const LampString& string : circuit.strings) {
                const Amperes current = stringCurrent(string, Volts{v}, Ohms{0});
                total += current.value();
                conductance += 1.0 / stringSlope(string, current, Ohms{0});
            }
            const double change = (total * r - (e - v)) / (conductance * r + 1.0);
            v = std::clamp(v - change, 0.0, e);
            if (!(std::abs(change) > 1e-14 * e)) break;
        }
        for (const LampString& string : circuit.strings) {
            solution.current.push_back(stringCurrent(string, Volts{v}, Ohms{0}));
        }
    }
    for (std::size_t k = 0; k < circuit.strings.size(); ++k) {
        const LampString& string = circuit.strings[k];
        assert(!string.lamps.empty());
        const Amperes current = solution.current[k];
        solution.total += current;
        std::vector<Volts> leds;
        for (const LedLaw& led : ledsOf(string)) leds.push_back(led.voltage(current));
        solution.lamp.push_back(std::move(leds));
        solution.resistorPower.emplace_back(current * current * string.resistor);
    }
    solution.commonPower = solution.total * solution.total * circuit.common;
    return solution;
}

}  // namespace glimmet::tests
