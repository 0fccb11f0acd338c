// Copper wire by American wire gauge: resistance, drop and what it may carry inside a model.
#pragma once

#include "core/circuit/circuit.h"
#include "core/finding/state.h"
#include "core/quantity/quantities.h"

#include <optional>
#include <span>
#include <string>

namespace glimmet::core {

struct WireGauge {
    int awg{};
    OhmsPerMetre perMetre{};  ///< copper at 20 °C
    Amperes limit{};          ///< short internal wiring, bundled, continuous; conservative
};

/// The gauges Glimmet knows, thickest first. Source: docs/physics.md.
[[nodiscard]] std::span<const WireGauge> wireGauges();
[[nodiscard]] std::optional<WireGauge> wireGauge(int awg);

struct WireRun {
    WireGauge gauge{};
    Millimetres length{};       ///< >= 0, one way
    bool thereAndBack = false;  ///< the return conductor counts too
    Amperes current{};          ///< >= 0
    Kelvins temperature{293.15};
};

inline constexpr double wireCloseAbove = 0.85;  ///< of the limit

/// Copper gains 0.39 % for each kelvin above 20 °C.
[[nodiscard]] Ohms resistance(const WireRun& run);
[[nodiscard]] Volts drop(const WireRun& run);
[[nodiscard]] State loadState(const WireRun& run);

/// The run as a wire of a circuit: something that can come off.
void addWireRun(circuit::Circuit& circuit, const std::string& name, circuit::Node a,
                circuit::Node b, const WireRun& run);

}  // namespace glimmet::core
