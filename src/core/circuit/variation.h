// How far parts may be off, and a circuit whose parts are.
#pragma once

#include "core/circuit/analysis.h"

#include <vector>

namespace glimmet::core::circuit {

/// What a diode's forward voltage may differ by from its model's.
struct ForwardSpread {
    Volts below{}, above{};  ///< >= 0
};
/// Per part of a circuit: what its value may be off by.
struct Spread {
    std::vector<double> supply;          ///< per voltage source, share of its value, 0 … 1
    std::vector<double> resistance;      ///< per resistor, share of its value, 0 … below 1
    std::vector<ForwardSpread> forward;  ///< per diode
};
/// The same for all parts of a kind. Wires are as given.
[[nodiscard]] Spread evenSpread(const Circuit& circuit, double supply, double resistance,
                                ForwardSpread forward);

/// The model with its forward voltage moved at every current: Is·exp(−shift/(N·Vt)).
[[nodiscard]] DiodeModel shifted(DiodeModel model, Volts shift);

/// The circuit with a model for each diode, in their order, so that each can vary by itself.
[[nodiscard]] Circuit separated(Circuit circuit);

/// Where in its spread each part stands: −1 lowest … 0 typical … 1 highest. Forward voltages take
/// `below` for negative places and `above` for positive ones.
struct Places {
    std::vector<double> supply, resistance, forward;
};
/// Writes the values of `typical`, moved to their places, into `varied`: a copy of it.
/// Precondition: typical is separated(); the vectors have the circuit's lengths.
void place(const Circuit& typical, const Spread& spread, const Places& places, Circuit& varied);

/// A diode's current over the corners: supply, forward voltages and resistances each together at
/// their lowest, typical and highest (27 corners).
struct Extremes {
    double lowest = 0, typical = 0, highest = 0;  ///< A
};
struct CornerCurrents {
    std::vector<Extremes> diode;  ///< per diode
};
/// Errors: those of an operating point.
[[nodiscard]] Result<CornerCurrents> overCorners(const Circuit& circuit, const Spread& spread);

/// How a diode's current moves with each part, at the operating point.
struct Sensitivities {
    std::vector<double> supply;      ///< A/V, per voltage source
    std::vector<double> resistance;  ///< A/Ω, per resistor
    std::vector<double> forward;     ///< A/V, per diode's forward voltage
};
/// By central differences of a ten-thousandth of each value (a tenth of a millivolt for forward
/// voltages); good to about 1e-5 of themselves. Range: diode is one of the circuit's (asserted).
/// Errors: those of an operating point.
[[nodiscard]] Result<Sensitivities> sensitivities(const Circuit& circuit, std::size_t diode);

}  // namespace glimmet::core::circuit
