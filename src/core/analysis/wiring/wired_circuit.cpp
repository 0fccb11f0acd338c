#include "core/analysis/wiring/wired_circuit.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/wiring/terminals.h"
#include "core/circuit/analysis.h"
#include "core/circuit/parts.h"
#include "core/circuit/settling.h"

#include <algorithm>
#include <numeric>

namespace glimmet::core::wiring {
namespace {

using circuit::Node;
using Kind = Element::Kind;

constexpr Ohms air{1e9};       // what floats, for the engine
constexpr Ohms openFrom{1e8};  // more is no circuit to a meter

class Sets {
public:
    explicit Sets(std::size_t count) : m_up(count) { std::iota(m_up.begin(), m_up.end(), 0U); }
    std::size_t of(std::size_t each) {
        while (m_up[each] != each) each = m_up[each] = m_up[m_up[each]];
        return each;
    }
    void join(std::size_t one, std::size_t other) {
        const std::size_t a = of(one), b = of(other);
        m_up[std::max(a, b)] = std::min(a, b);
    }

private:
    std::vector<std::size_t> m_up;
};

std::map<TerminalId, std::size_t> indices(const Wiring& wiring) {
    std::map<TerminalId, std::size_t> all;
    for (std::size_t i = 0; i < wiring.terminals.size(); ++i) all[wiring.terminals[i].id] = i;
    return all;
}

/// Whether anything was added: without a value it passes nothing.
Result<bool> addElement(WiredCircuit& made, const Element& element) {
    circuit::Circuit& all = made.circuit;
    const Node a = made.at.at(element.a), b = made.at.at(element.b);
    if (element.lamp) {
        const auto lampLaw = law(element.lamp.value());
        if (!lampLaw) return tl::unexpected(lampLaw.error());
        if (const auto* led = std::get_if<LedLaw>(&*lampLaw)) {
            made.leds[element.of] = all.diodes.size();
            circuit::addDiode(all, "d" + std::to_string(all.diodes.size() + 1), a, b,
                              diodeModel(*led, {}));
        } else {
            const auto& bulb = std::get<FilamentRating>(*lampLaw);
            made.bulbs[element.of] = all.onePorts.size();
            circuit::addOnePort(all, "b" + std::to_string(all.onePorts.size() + 1), a, b,
                                circuit::Filament{bulb.rated, bulb.current});
        }
    } else if (element.kind == Kind::Diode) {
        circuit::addDiode(all, "d" + std::to_string(all.diodes.size() + 1), a, b,
                          circuit::siliconDiode());
    } else if (element.kind == Kind::Source && element.volts) {
        circuit::addSupply(all, "v" + std::to_string(all.voltageSources.size() + 1), a, b,
                           circuit::Constant{element.volts->value()});
    } else if (element.resistance) {
        made.resistors[element.of] = all.resistors.size();
        circuit::addResistor(all, "r" + std::to_string(all.resistors.size() + 1), a, b,
                             *element.resistance);
    } else {
        return false;
    }
    return true;
}

}  // namespace

std::vector<std::size_t> points(const Wiring& wiring) {
    const auto index = indices(wiring);
    Sets sets(wiring.terminals.size());
    for (const Conductor& each : wiring.conductors) {
        sets.join(index.at(each.from), index.at(each.to));
    }
    for (const Element& each : wiring.elements) {
        if (joins(each.kind)) sets.join(index.at(each.a), index.at(each.b));
    }
    std::vector<std::size_t> all(wiring.terminals.size());
    for (std::size_t i = 0; i < all.size(); ++i) all[i] = sets.of(i);
    return all;
}

bool joined(const Wiring& wiring, const TerminalId& one, const TerminalId& other) {
    const auto index = indices(wiring);
    const auto a = index.find(one), b = index.find(other);
    if (a == index.end() || b == index.end()) return false;
    const auto point = points(wiring);
    return point[a->second] == point[b->second];
}

Result<WiredCircuit> circuitOf(const Wiring& wiring) {
    WiredCircuit made;
    const auto point = points(wiring);
    for (std::size_t i = 0; i < point.size(); ++i) {
        made.at[wiring.terminals[i].id] =
            circuit::nodeNamed(made.circuit, "n" + std::to_string(point[i]));
    }
    Sets islands(made.circuit.nodes.size());
    for (const Element& element : wiring.elements) {
        if (joins(element.kind)) continue;
        const auto added = addElement(made, element);
        if (!added) return tl::unexpected(added.error());
        if (*added) islands.join(made.at.at(element.a), made.at.at(element.b));
    }
    for (Node node = 1; node < made.circuit.nodes.size(); ++node) {
        if (islands.of(node) != node) continue;
        circuit::addResistor(made.circuit, "air" + std::to_string(node), node, circuit::ground,
                             air);
    }
    return made;
}

Result<WiredCircuit> poweredCircuit(Wiring wiring, const Feeding& feeding) {
    const auto source = [&](const TerminalId& a, const TerminalId& b, Volts volts) {
        wiring.elements.push_back({Kind::Source, a, b, {}, {}, {}, volts});
    };
    if (feeding.output.empty()) {
        source(feeding.plus, feeding.minus, feeding.bus);
        return circuitOf(wiring);
    }
    const TerminalId ground{decoderOwner, "ground"}, pin{decoderOwner, feeding.output};
    const TerminalId inside{decoderOwner, "inside"};
    wiring.terminals.push_back({inside, {}, Role::Decoder, Reach::BodyOff, {}});
    source({decoderOwner, "blue"}, ground, feeding.bus);
    source(inside, ground, feeding.outputSwitch);
    if (feeding.series > Ohms{0}) {
        wiring.elements.push_back(
            {Kind::Resistor, pin, inside, decoderOwner, feeding.series, {}, {}});
    } else {
        wiring.conductors.push_back({pin, inside, {}});
    }
    return circuitOf(wiring);
}

Result<std::optional<Ohms>> ohmsBetween(const Wiring& wiring, const TerminalId& red,
                                        const TerminalId& black, Volts test) {
    auto made = circuitOf(wiring);
    if (!made) return tl::unexpected(made.error());
    const auto plus = made->at.find(red), minus = made->at.find(black);
    if (plus == made->at.end() || minus == made->at.end()) return std::optional<Ohms>();
    if (plus->second == minus->second) return std::optional(Ohms{0});
    circuit::addSupply(made->circuit, "meter", plus->second, minus->second,
                       circuit::Constant{test.value()});
    const auto point = circuit::operatingPoint(made->circuit);
    if (!point) return tl::unexpected(point.error());
    const double amps = -point->current.back();
    if (!(amps > test.value() / openFrom.value())) return std::optional<Ohms>();
    return std::optional(Ohms{test.value() / amps});
}

}  // namespace glimmet::core::wiring
