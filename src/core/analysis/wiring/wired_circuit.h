// A wiring as a circuit of the engine: what is one point, and what lies between points.
#pragma once

#include "core/analysis/wiring/wiring.h"
#include "core/circuit/circuit.h"
#include "core/result.h"

#include <map>
#include <optional>
#include <string>
#include <vector>

namespace glimmet::core::wiring {

/// A number for each terminal, in the order of the wiring: the same for what is one point.
[[nodiscard]] std::vector<std::size_t> points(const Wiring& wiring);
/// False where one of them is not there.
[[nodiscard]] bool joined(const Wiring& wiring, const TerminalId& one, const TerminalId& other);

/// What a meter or a source is held to.
struct WiredCircuit {
    circuit::Circuit circuit;
    std::map<TerminalId, circuit::Node> at;
    /// Of lamps, by what they are: "L3/1/2": the index among diodes, of bulbs among one-ports.
    std::map<std::string, std::size_t> leds, bulbs;
    /// Of resistors: the index among the circuit's.
    std::map<std::string, std::size_t> resistors;
};

/// Windings as their resistance where that is told, else open; capacitors open; parts pass nothing
/// without power. Each island of it is tied to ground at one point through a gigaohm.
/// Errors: those of a lamp whose data are no LED's.
[[nodiscard]] Result<WiredCircuit> circuitOf(const Wiring& wiring);

/// What gives the lamps of one output or supply their power, at rest.
struct Feeding {
    Volts bus{};                 ///< of the common above decoder ground, or of the supply
    std::string output{};        ///< that is on; empty: straight on the supply
    Volts outputSwitch{};        ///< that it keeps
    Ohms series{};               ///< its own resistor; 0: none
    TerminalId plus{}, minus{};  ///< that the supply is held to, where there is no output
};
/// The same with the decoder expanded into its bus and that output, or the supply in its place.
[[nodiscard]] Result<WiredCircuit> poweredCircuit(Wiring wiring, const Feeding& feeding);

/// What an ohmmeter reads between two terminals at its test voltage, red at the first; nothing for
/// an open circuit, that is more than 100 MΩ, or where a terminal is not there.
/// Errors: those of circuitOf and of the engine.
[[nodiscard]] Result<std::optional<Ohms>> ohmsBetween(const Wiring& wiring, const TerminalId& red,
                                                      const TerminalId& black,
                                                      Volts test = Volts{0.3});

}  // namespace glimmet::core::wiring
