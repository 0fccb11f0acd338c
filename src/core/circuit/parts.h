// The parts of a model's electrics as circuits: each function puts one part between nodes that are
// there. What a part is made of inside gets nodes of its own, named after it.
#pragma once

#include "core/circuit/circuit.h"

#include <optional>
#include <string>

namespace glimmet::core::circuit {

/// Typical rectifier diodes. Silicon: 0.75 V at 20 mA, 0.9 V at 200 mA; Schottky: 0.3 V at 20 mA,
/// 0.4 V at 200 mA (as small rectifiers of 1 A are; docs/engine.md).
[[nodiscard]] DiodeModel siliconDiode();
[[nodiscard]] DiodeModel schottkyDiode();
/// A Zener of `volts` at 5 mA, 4 Ω beyond.
[[nodiscard]] DiodeModel zenerDiode(Volts volts);

void addResistor(Circuit& circuit, const std::string& name, Node a, Node b, Ohms resistance);
/// Something that can come off: a wire, a plug's contact.
void addWire(Circuit& circuit, const std::string& name, Node a, Node b, Ohms resistance);
/// A diode of a model; a model of the same values that is there already is shared.
void addDiode(Circuit& circuit, const std::string& name, Node anode, Node cathode,
              DiodeModel model);
void addSupply(Circuit& circuit, const std::string& name, Node plus, Node minus, Waveform volts);

struct RealCapacitor {
    Farads capacitance{};              ///< > 0
    Ohms seriesResistance{};           ///< ESR, >= 0
    std::optional<Ohms> leakage{};     ///< across the capacitance, > 0
    bool polarised = false;            ///< plus is its positive lead then
    std::optional<Volts> initially{};  ///< when a transient begins
};
void addCapacitor(Circuit& circuit, const std::string& name, Node plus, Node minus,
                  const RealCapacitor& part);

/// Four diodes: what comes in at the rails leaves rectified between plus and minus.
void addBridge(Circuit& circuit, const std::string& name, Node railA, Node railB, Node plus,
               Node minus, const DiodeModel& diode);

/// A decoder's function output: it switches what hangs on it to decoder ground.
struct LowSideOutput {
    Ohms onResistance{0.5};          ///< of the transistor, > 0
    Ohms boardResistor{};            ///< what the board carries in series, >= 0
    std::optional<Amperes> limit{};  ///< where the transistor lets no more through
    Waveform gate{Constant{1}};      ///< 0 off … 1 on; dimmed() for a brightness step
};
void addLowSideOutput(Circuit& circuit, const std::string& name, Node output, Node minus,
                      const LowSideOutput& part);

/// Keeps a current as long as `dropout` is left for it; at that voltage it still gives 99 %.
/// Backwards it blocks.
struct CurrentDriver {
    Amperes current{};  ///< > 0
    Volts dropout{2};   ///< > 0
};
void addDriver(Circuit& circuit, const std::string& name, Node plus, Node minus,
               const CurrentDriver& part);

/// What a decoder's bus feeds beside its lamps: shares that draw a power, a current, or like a
/// resistor. All fold back below `fold`.
struct MixedLoad {
    Watts power{};                     ///< >= 0
    Amperes current{};                 ///< >= 0
    std::optional<Ohms> resistance{};  ///< > 0
    Volts fold{1};                     ///< > 0
};
void addLoad(Circuit& circuit, const std::string& name, Node plus, Node minus,
             const MixedLoad& part);

/// A brushed motor: winding and back-EMF. At a held speed the back-EMF is a given voltage. With
/// inertia the speed follows: the back-EMF k·ω then stands on a capacitor of J/k², which the
/// winding charges with k·ω' = I·k²/J, and friction draws the current friction torque/k from it
/// (electromechanical analogy; docs/engine.md).
struct Motor {
    Ohms winding{};                   ///< > 0
    Volts backEmf{};                  ///< at a held speed, or when a transient begins
    std::optional<Farads> inertia{};  ///< J/k², > 0: none: speed is held
    Amperes friction{};               ///< of a turning motor, with inertia; >= 0
};
void addMotor(Circuit& circuit, const std::string& name, Node plus, Node minus, const Motor& part);

struct Battery {
    Volts voltage{};            ///< without load
    Ohms internalResistance{};  ///< > 0
};
void addBattery(Circuit& circuit, const std::string& name, Node plus, Node minus,
                const Battery& part);

/// A switch that never moves during an analysis, or by its gate.
void addSwitch(Circuit& circuit, const std::string& name, Node a, Node b, Waveform gate);

struct MeltingFuse {
    Ohms resistance{};  ///< cold, > 0
    Amperes rated{};    ///< > 0
    double melting{};   ///< A²s, > 0
};
void addFuse(Circuit& circuit, const std::string& name, Node a, Node b, const MeltingFuse& part);
void addOnePort(Circuit& circuit, const std::string& name, Node a, Node b, OnePortLaw law);

/// An LED with a blinking chip inside.
struct BlinkChip {
    Seconds on{0.25}, off{0.25};  ///< > 0
    Volts resetBelow{1.8};
    Seconds resetAfter{1e-6};  ///< > 0
};
void addBlinkingLed(Circuit& circuit, const std::string& name, Node plus, Node minus,
                    const DiodeModel& led, const BlinkChip& chip);

}  // namespace glimmet::core::circuit
