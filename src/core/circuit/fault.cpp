#include "core/circuit/fault.h"

#include "core/circuit/parts.h"

#include <utility>

namespace glimmet::core::circuit {
namespace {

constexpr Ohms openContact{1e12};
constexpr Ohms solderBridge{1e-3};

DiodeModel reversedElectrolytic() {
    DiodeModel model;
    model.name = "reversed electrolytic";
    model.saturation = Amperes{1e-7};
    model.emission = 4;
    model.series = Ohms{10};
    return model;
}

/// A diode's place taken by a resistance; the diode itself stays, across nothing, so that the
/// others keep their numbers.
void replaced(Circuit& circuit, std::size_t diode, Ohms resistance) {
    Diode& each = circuit.diodes[diode];
    addResistor(circuit, each.name, each.anode, each.cathode, resistance);
    each.anode = each.cathode = ground;
}

}  // namespace

std::vector<Fault> singleFaults(const Circuit& circuit) {
    using Kind = Fault::Kind;
    std::vector<Fault> all;
    for (std::size_t k = 0; k < circuit.diodes.size(); ++k) {
        for (const Kind kind : {Kind::DiodeOpen, Kind::DiodeShort, Kind::DiodeReversed})
            all.push_back({kind, k, circuit.diodes[k].name});
    }
    for (std::size_t k = 0; k < circuit.capacitors.size(); ++k) {
        if (circuit.capacitors[k].polarised)
            all.push_back({Kind::CapacitorReversed, k, circuit.capacitors[k].name});
    }
    for (std::size_t k = 0; k < circuit.resistors.size(); ++k) {
        if (circuit.resistors[k].wire) all.push_back({Kind::WireOff, k, circuit.resistors[k].name});
    }
    return all;
}

Circuit withFault(const Circuit& circuit, const Fault& fault) {
    Circuit faulty = circuit;
    switch (fault.kind) {
        case Fault::Kind::DiodeOpen:
            replaced(faulty, fault.element, openContact);
            break;
        case Fault::Kind::DiodeShort:
            replaced(faulty, fault.element, solderBridge);
            break;
        case Fault::Kind::DiodeReversed:
            std::swap(faulty.diodes[fault.element].anode, faulty.diodes[fault.element].cathode);
            break;
        case Fault::Kind::CapacitorReversed: {
            Capacitor& each = faulty.capacitors[fault.element];
            std::swap(each.a, each.b);
            if (each.initially) each.initially = -*each.initially;
            // Now its negative lead, b, is where plus was: current passes from b to a.
            addDiode(faulty, each.name + ".reversed", each.b, each.a, reversedElectrolytic());
            break;
        }
        case Fault::Kind::WireOff:
            faulty.resistors[fault.element].resistance = openContact;
            break;
    }
    return faulty;
}

std::vector<FaultOutcome> oneFaultAtATime(const Circuit& circuit) {
    std::vector<FaultOutcome> all;
    for (Fault& fault : singleFaults(circuit)) {
        auto point = operatingPoint(withFault(circuit, fault));
        all.push_back({std::move(fault), std::move(point)});
    }
    return all;
}

}  // namespace glimmet::core::circuit
