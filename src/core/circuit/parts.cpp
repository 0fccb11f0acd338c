#include "core/circuit/parts.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::circuit {
namespace {

Node inside(Circuit& circuit, const std::string& name, const char* what) {
    return nodeNamed(circuit, name + "." + what);
}
bool same(double a, double b) { return !(a < b) && !(b < a); }
bool sameValues(const DiodeModel& a, const DiodeModel& b) {
    return same(a.saturation.value(), b.saturation.value()) && same(a.emission, b.emission) &&
           same(a.series.value(), b.series.value()) &&
           same(a.breakdown.value(), b.breakdown.value()) &&
           same(a.breakdownCurrent.value(), b.breakdownCurrent.value()) &&
           same(a.temperature.value(), b.temperature.value()) && same(a.bandGap, b.bandGap);
}

}  // namespace

DiodeModel siliconDiode() {
    DiodeModel model;
    model.saturation = Amperes{2.5e-9};
    model.emission = 1.75;
    model.series = Ohms{0.3};
    return model;
}
DiodeModel schottkyDiode() {
    DiodeModel model;
    model.saturation = Amperes{3e-7};
    model.emission = 1.05;
    model.series = Ohms{0.25};
    model.bandGap = 0.69;
    return model;
}
DiodeModel zenerDiode(Volts volts) {
    DiodeModel model;
    model.emission = 1.1;
    model.series = Ohms{4};
    model.breakdown = volts;
    model.breakdownCurrent = Amperes{5e-3};
    return model;
}

void addResistor(Circuit& circuit, const std::string& name, Node a, Node b, Ohms resistance) {
    circuit.resistors.push_back({name, a, b, resistance});
}
void addWire(Circuit& circuit, const std::string& name, Node a, Node b, Ohms resistance) {
    circuit.resistors.push_back({name, a, b, resistance, true});
}
void addDiode(Circuit& circuit, const std::string& name, Node anode, Node cathode,
              DiodeModel model) {
    const auto known = std::find_if(circuit.models.begin(), circuit.models.end(),
                                    [&](const auto& each) { return sameValues(each, model); });
    const auto at = static_cast<std::size_t>(known - circuit.models.begin());
    if (known == circuit.models.end()) {
        if (model.name.empty()) model.name = "model" + std::to_string(at + 1);
        circuit.models.push_back(std::move(model));
    }
    circuit.diodes.push_back({name, anode, cathode, at});
}
void addSupply(Circuit& circuit, const std::string& name, Node plus, Node minus, Waveform volts) {
    circuit.voltageSources.push_back({name, plus, minus, std::move(volts), {}});
}

void addCapacitor(Circuit& circuit, const std::string& name, Node plus, Node minus,
                  const RealCapacitor& part) {
    Node top = plus;
    if (part.seriesResistance > Ohms{0}) {
        top = inside(circuit, name, "esr");
        addResistor(circuit, name + ".esr", plus, top, part.seriesResistance);
    }
    circuit.capacitors.push_back(
        {name, top, minus, part.capacitance, part.polarised, part.initially});
    if (part.leakage) addResistor(circuit, name + ".leak", top, minus, *part.leakage);
}

void addBridge(Circuit& circuit, const std::string& name, Node railA, Node railB, Node plus,
               Node minus, const DiodeModel& diode) {
    addDiode(circuit, name + ".1", railA, plus, diode);
    addDiode(circuit, name + ".2", railB, plus, diode);
    addDiode(circuit, name + ".3", minus, railA, diode);
    addDiode(circuit, name + ".4", minus, railB, diode);
}

void addLowSideOutput(Circuit& circuit, const std::string& name, Node output, Node minus,
                      const LowSideOutput& part) {
    Node at = output;
    if (part.boardResistor > Ohms{0}) {
        const Node drain = inside(circuit, name, "drain");
        addResistor(circuit, name + ".board", at, drain, part.boardResistor);
        at = drain;
    }
    Node source = minus;
    if (part.limit) {
        source = inside(circuit, name, "limit");
        addOnePort(circuit, name + ".limit", source, minus,
                   CurrentLimiter{part.onResistance / 2.0, *part.limit, true});
    }
    const Ohms on = part.limit ? part.onResistance / 2.0 : part.onResistance;
    circuit.switches.push_back({name, at, source, on, Ohms{1e9}, part.gate});
}

void addDriver(Circuit& circuit, const std::string& name, Node plus, Node minus,
               const CurrentDriver& part) {
    const double drop = part.dropout.value() / (part.current.value() * std::atanh(0.99));
    addOnePort(circuit, name, plus, minus, CurrentLimiter{Ohms{drop}, part.current, false});
}

void addLoad(Circuit& circuit, const std::string& name, Node plus, Node minus,
             const MixedLoad& part) {
    if (part.power > Watts{0} || part.current > Amperes{0})
        addOnePort(circuit, name, plus, minus, Load{part.power, part.current, part.fold});
    if (part.resistance) addResistor(circuit, name + ".r", plus, minus, *part.resistance);
}

void addMotor(Circuit& circuit, const std::string& name, Node plus, Node minus, const Motor& part) {
    const Node emf = inside(circuit, name, "emf");
    addResistor(circuit, name + ".winding", plus, emf, part.winding);
    if (!part.inertia) {
        addSupply(circuit, name + ".emf", emf, minus, Constant{part.backEmf.value()});
        return;
    }
    circuit.capacitors.push_back({name, emf, minus, *part.inertia, false, part.backEmf});
    // Friction has no torque at rest: it folds back below a tenth of a volt of back-EMF.
    if (part.friction > Amperes{0})
        addOnePort(circuit, name + ".friction", emf, minus,
                   Load{Watts{0}, part.friction, Volts{0.1}});
}

void addBattery(Circuit& circuit, const std::string& name, Node plus, Node minus,
                const Battery& part) {
    const Node cell = inside(circuit, name, "cell");
    addSupply(circuit, name, cell, minus, Constant{part.voltage.value()});
    addResistor(circuit, name + ".r", cell, plus, part.internalResistance);
}

void addSwitch(Circuit& circuit, const std::string& name, Node a, Node b, Waveform gate) {
    circuit.switches.push_back({name, a, b, Ohms{0.01}, Ohms{1e9}, std::move(gate)});
}

void addFuse(Circuit& circuit, const std::string& name, Node a, Node b, const MeltingFuse& part) {
    circuit.switches.push_back({name, a, b, part.resistance, Ohms{1e9}, Constant{1}});
    circuit.fuses.push_back({name, circuit.switches.size() - 1, part.rated, part.melting});
}

void addOnePort(Circuit& circuit, const std::string& name, Node a, Node b, OnePortLaw law) {
    circuit.onePorts.push_back({name, a, b, std::move(law)});
}

void addBlinkingLed(Circuit& circuit, const std::string& name, Node plus, Node minus,
                    const DiodeModel& led, const BlinkChip& chip) {
    const Node cathode = inside(circuit, name, "chip");
    addDiode(circuit, name, plus, cathode, led);
    // The dark chip still takes a few microamperes.
    circuit.switches.push_back({name + ".chip", cathode, minus, Ohms{1}, Ohms{1e6}, Constant{1}});
    circuit.blinkers.push_back({name, plus, minus, circuit.switches.size() - 1, chip.on, chip.off,
                                chip.resetBelow, chip.resetAfter});
}

}  // namespace glimmet::core::circuit
