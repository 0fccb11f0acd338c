#include "core/circuit/topology.h"

#include <algorithm>
#include <numeric>

namespace glimmet::core::circuit {
namespace {

/// Disjoint sets of nodes (Tarjan's union-find with path halving).
class Islands {
public:
    explicit Islands(std::size_t nodes) : m_parent(nodes) {
        std::iota(m_parent.begin(), m_parent.end(), std::size_t{0});
    }
    std::size_t of(std::size_t node) {
        while (m_parent[node] != node) {
            m_parent[node] = m_parent[m_parent[node]];
            node = m_parent[node];
        }
        return node;
    }
    /// False when the two were joined already.
    bool join(std::size_t a, std::size_t b) {
        const std::size_t first = of(a);
        const std::size_t second = of(b);
        m_parent[first] = second;
        return first != second;
    }

private:
    std::vector<std::size_t> m_parent;
};

}  // namespace

Result<void> solvable(const Circuit& circuit) {
    Islands sources(circuit.nodes.size());
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        const VoltageSource& source = circuit.voltageSources[k];
        if (sources.join(source.plus, source.minus)) continue;
        if (source.plus == source.minus) {
            return failure(ErrorCode::OutOfRange, source.name,
                           text("%1 is short-circuited: its current has no limit.", source.name));
        }
        for (std::size_t other = 0; other < k; ++other) {
            const VoltageSource& each = circuit.voltageSources[other];
            if (std::minmax(each.plus, each.minus) != std::minmax(source.plus, source.minus))
                continue;
            return failure(ErrorCode::OutOfRange, source.name,
                           text("Two supplies in parallel: %1 and %2. The current between them "
                                "has no limit.",
                                each.name, source.name));
        }
        return failure(
            ErrorCode::OutOfRange, source.name,
            text("%1 closes a ring of supplies: the current in it has no limit.", source.name));
    }
    Islands conducting(circuit.nodes.size());
    for (const VoltageSource& source : circuit.voltageSources)
        conducting.join(source.plus, source.minus);
    for (const Resistor& resistor : circuit.resistors) conducting.join(resistor.a, resistor.b);
    for (const Diode& diode : circuit.diodes) conducting.join(diode.anode, diode.cathode);
    for (const Switch& each : circuit.switches) conducting.join(each.a, each.b);
    for (const OnePort& each : circuit.onePorts) conducting.join(each.a, each.b);
    for (Node node = 1; node < circuit.nodes.size(); ++node) {
        if (conducting.of(node) == conducting.of(ground)) continue;
        return failure(ErrorCode::Missing, circuit.nodes[node],
                       text("Nothing connects node %1 to ground: its voltage could be anything.",
                            circuit.nodes[node]));
    }
    return {};
}

bool loopsOfCapacitors(const Circuit& circuit) {
    Islands joined(circuit.nodes.size());
    for (const VoltageSource& each : circuit.voltageSources) joined.join(each.plus, each.minus);
    bool loops = false;
    for (const Capacitor& each : circuit.capacitors) loops = !joined.join(each.a, each.b) || loops;
    return loops;
}

}  // namespace glimmet::core::circuit
