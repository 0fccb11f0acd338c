#include "core/circuit/solver_layout.h"

#include <algorithm>

namespace glimmet::core::circuit {
namespace {

constexpr std::size_t none = SolverLayout::none;

/// A node where only one resistor and one diode meet is inside the diode's branch.
void takeResistorsIn(const Circuit& circuit, const std::vector<Meeting>& meetings,
                     SolverLayout& layout) {
    layout.inner.assign(circuit.nodes.size(), {});
    layout.takenBy.assign(circuit.resistors.size(), none);
    for (const Diode& each : circuit.diodes)
        layout.branches.push_back({each.anode, each.cathode, none, none});
    for (Node node = 1; node < circuit.nodes.size(); ++node) {
        const Meeting& here = meetings[node];
        const std::size_t resistor = here.resistor[0];
        const std::size_t diode = here.diode[0];
        if (!here.isSeries() || here.resistors != 1 || layout.takenBy[resistor] != none) continue;
        const Resistor& r = circuit.resistors[resistor];
        const Node far = r.a == node ? r.b : r.a;
        const bool atAnode = circuit.diodes[diode].anode == node;
        layout.takenBy[resistor] = diode;
        SolverLayout::Branch& branch = layout.branches[diode];
        (atAnode ? branch.atAnode : branch.atCathode) = resistor;
        (atAnode ? branch.from : branch.to) = far;
        layout.inner[node] = {diode, resistor, far, atAnode ? 1.0 : -1.0};
        layout.innerNodes.push_back(node);
    }
}

/// Where the trees of the forest begin to grow. Of a tree that floats, the node with the most
/// conductance is the root: what an offset drives through a conductance is rounded, and should be
/// small beside what else flows.
std::vector<Node> rootsOf(const Circuit& circuit) {
    std::vector<double> conductance(circuit.nodes.size(), 0);
    for (const Resistor& each : circuit.resistors) {
        for (const Node end : {each.a, each.b}) conductance[end] += 1 / each.resistance.value();
    }
    std::vector<Node> roots{ground};
    for (const VoltageSource& each : circuit.voltageSources)
        roots.insert(roots.end(), {each.plus, each.minus});
    std::stable_sort(roots.begin() + 1, roots.end(),
                     [&](Node a, Node b) { return conductance[a] > conductance[b]; });
    for (Node node = 1; node < circuit.nodes.size(); ++node) roots.push_back(node);
    return roots;
}

/// Trees of voltage sources, each one unknown, and of capacitors' EMFs between such trees.
void growForest(const Circuit& circuit, SolverLayout& layout) {
    const std::size_t nodes = circuit.nodes.size();
    std::vector<std::vector<std::size_t>> sourcesAt(nodes), capacitorsAt(nodes);
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        sourcesAt[circuit.voltageSources[k].plus].push_back(k);
        sourcesAt[circuit.voltageSources[k].minus].push_back(k);
    }
    for (std::size_t k = 0; k < circuit.capacitors.size(); ++k) {
        capacitorsAt[circuit.capacitors[k].a].push_back(k);
        capacitorsAt[circuit.capacitors[k].b].push_back(k);
    }
    layout.onForest.assign(nodes, 0);
    layout.isLimb.assign(circuit.capacitors.size(), 0);
    layout.unknown.assign(nodes, none);
    std::vector<char> reached(nodes, 0);
    std::vector<char> used(circuit.voltageSources.size(), 0);
    std::vector<Node> found;  // nodes of a tree, whose capacitors may lead further
    const auto grow = [&](Node root) {
        reached[root] = 1;
        if (root != ground) layout.unknown[root] = layout.unknowns++;
        const std::size_t first = found.size();
        found.push_back(root);
        for (std::size_t at = first; at < found.size(); ++at) {
            const Node known = found[at];
            for (const std::size_t k : sourcesAt[known]) {
                if (used[k]) continue;
                used[k] = 1;
                const VoltageSource& source = circuit.voltageSources[k];
                const bool rising = source.minus == known;
                const Node next = rising ? source.plus : source.minus;
                layout.limbs.push_back({known, next, k, false, rising ? 1.0 : -1.0});
                layout.onForest[next] = 1;
                layout.unknown[next] = layout.unknown[root];
                reached[next] = 1;
                found.push_back(next);
            }
        }
    };
    for (const Node root : rootsOf(circuit)) {
        if (reached[root] || layout.inner[root].diode != none) continue;
        found.clear();
        grow(root);
        for (std::size_t at = 0; at < found.size(); ++at) {
            const Node known = found[at];
            for (const std::size_t k : capacitorsAt[known]) {
                const Capacitor& each = circuit.capacitors[k];
                const Node next = each.a == known ? each.b : each.a;
                if (reached[next]) continue;
                layout.limbs.push_back({known, next, k, true, each.b == known ? 1.0 : -1.0});
                layout.onForest[next] = 1;
                layout.isLimb[k] = 1;
                grow(next);
            }
        }
    }
}

}  // namespace

SolverLayout layoutOf(const Circuit& circuit, const std::vector<Meeting>& met) {
    SolverLayout layout;
    takeResistorsIn(circuit, met, layout);
    growForest(circuit, layout);
    return layout;
}

std::vector<char> givenNodes(const SolverLayout& layout) {
    std::vector<char> given(layout.unknown.size());
    for (Node node = 0; node < given.size(); ++node) given[node] = layout.isGiven(node);
    return given;
}

std::vector<std::pair<std::size_t, std::size_t>> joinedUnknowns(const Circuit& circuit,
                                                                const SolverLayout& layout) {
    std::vector<std::pair<std::size_t, std::size_t>> joined;
    const auto join = [&](Node a, Node b) {
        const std::size_t first = layout.unknown[a];
        const std::size_t second = layout.unknown[b];
        if (first != none && second != none && first != second) joined.emplace_back(first, second);
    };
    for (std::size_t k = 0; k < circuit.resistors.size(); ++k) {
        if (layout.takenBy[k] == none) join(circuit.resistors[k].a, circuit.resistors[k].b);
    }
    for (const Capacitor& each : circuit.capacitors) join(each.a, each.b);
    for (const Switch& each : circuit.switches) join(each.a, each.b);
    for (const OnePort& each : circuit.onePorts) join(each.a, each.b);
    for (const SolverLayout::Branch& each : layout.branches) join(each.from, each.to);
    return joined;
}

}  // namespace glimmet::core::circuit
