// Lamp circuits as they are wired in models: strings of LEDs in parallel, each with its own
// resistor, all behind one shared resistor and the switching output's own resistance.
//
//            shared      string 1:  R₁ ── LED ── LED
//   bus ──── + output ──┤string 2:  R₂ ── LED          ├── switch ── −
//            resistance  …
#pragma once

#include "core/lamp/led.h"

#include <vector>

namespace glimmet::core {

struct LampString {
    std::vector<LedLaw> leds;  ///< in series; at least one
    Ohms resistor{};           ///< the string's own, >= 0
};

struct LampCircuit {
    Ohms common{};                    ///< shared resistor + output's own resistance, >= 0
    std::vector<LampString> strings;  ///< in parallel; at least one
};

struct LampSolution {
    std::vector<Amperes> current;         ///< per string
    std::vector<std::vector<Volts>> led;  ///< per string and LED
    std::vector<Watts> resistorPower;     ///< per string, in its own resistor
    Amperes total{};
    Watts commonPower{};  ///< in shared resistor and output resistance together
};

/// Solves V = I_total·common + I_k·R_k + ΣV_LED(I_k) for every string k.
/// `drive` is what is left of the supply for the circuit: bus − switch drop. Zero or less: dark.
/// Method: each string's current is convex and rising in the voltage across it, so a Newton
/// iteration from above converges without overshoot; the inner current is found the same way in
/// its logarithm. Iterations are bounded; the residual is below 1e-12 of the drive.
/// Preconditions (asserted): as stated in the structs; drive finite.
[[nodiscard]] LampSolution solved(const LampCircuit& circuit, Volts drive);

/// The drive at which the first LED of the circuit carries `current`: the glow threshold for a
/// small current. Exact: at that point the string with the lowest own voltage carries it, and all
/// others what the same node voltage gives them. Range: current > 0.
[[nodiscard]] Volts driveForFirst(const LampCircuit& circuit, Amperes current);

}  // namespace glimmet::core
