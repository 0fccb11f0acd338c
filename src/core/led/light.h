// How much light an LED gives for its current.
#pragma once

#include "core/circuit/analysis.h"
#include "core/led/led.h"

#include <vector>

namespace glimmet::core {

/// Relative luminous intensity over current, as data sheets plot it. Between points along straight
/// lines; below the first and above the last in proportion to the current. Without points in
/// proportion everywhere, 1 at 20 mA: light follows current to first order.
struct LightLaw {
    struct Point {
        Amperes current{};     ///< > 0, rising
        double intensity = 0;  ///< >= 0
    };
    std::vector<Point> points{};
};
/// 0 for no current or a reversed one.
[[nodiscard]] double relativeIntensity(const LightLaw& law, Amperes current);

/// Light of every diode of a circuit over a source's value: what a lamp does as the track volts
/// rise.
struct Brightness {
    std::vector<double> value;               ///< of the source
    std::vector<std::vector<double>> light;  ///< per diode, as many as values
};
/// `laws`: per diode. Errors: those of swept().
[[nodiscard]] Result<Brightness> brightnessOver(const circuit::Circuit& circuit,
                                                std::string_view source,
                                                const circuit::SweepRange& range,
                                                const std::vector<LightLaw>& laws);

/// An LED of a law in a circuit.
void addLed(circuit::Circuit& circuit, const std::string& name, circuit::Node anode,
            circuit::Node cathode, const LedLaw& law);

}  // namespace glimmet::core
