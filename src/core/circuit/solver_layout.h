// How the equations of a circuit are laid out, found once from what is joined to what.
//
// Nodes that voltage sources join move together and share one unknown; so do those that the EMF of
// a capacitor's step joins (solver.h). They are trees, kept as limbs with the roots first. A
// resistor alone between a node and a diode is taken into the diode's branch.
#pragma once

#include "core/circuit/circuit.h"
#include "core/circuit/meetings.h"

#include <cstddef>
#include <utility>
#include <vector>

namespace glimmet::core::circuit {

struct SolverLayout {
    static constexpr std::size_t none = static_cast<std::size_t>(-1);

    /// A source or a capacitor's EMF as a branch of the forest that they make.
    struct Limb {
        Node known = ground, next = ground;
        std::size_t which = 0;
        bool isCapacitor = false;
        double sign = 1;  ///< of the volts from known to next
    };
    struct Inner {  ///< a node inside a diode's branch: between it and a resistor taken in
        std::size_t diode = none;
        std::size_t resistor = none;
        Node far = ground;  ///< the resistor's other end
        double sign = 1;    ///< of the drop from far to the node for the diode's current
    };
    struct Branch {  ///< a diode with the resistors that it took in, or none
        Node from = ground, to = ground;
        std::size_t atAnode = none, atCathode = none;
    };

    std::size_t unknowns = 0;
    std::vector<std::size_t> unknown;  ///< per node, before the order of elimination; none: known
    std::vector<Limb> limbs;           ///< roots first
    std::vector<char> onForest;        ///< per node: a limb leads to it
    std::vector<char> isLimb;          ///< per capacitor
    std::vector<Inner> inner;          ///< per node
    std::vector<Node> innerNodes;      ///< those of them; what is far of them is none
    std::vector<std::size_t> takenBy;  ///< per resistor: the diode that took it in, or none
    std::vector<Branch> branches;      ///< per diode

    [[nodiscard]] bool isGiven(Node node) const {
        return unknown[node] == none && inner[node].diode == none;
    }
};

/// Precondition: solvable(circuit); `met` is meetings(circuit).
[[nodiscard]] SolverLayout layoutOf(const Circuit& circuit, const std::vector<Meeting>& met);
/// Per node, whether its voltage is that of a supply.
[[nodiscard]] std::vector<char> givenNodes(const SolverLayout& layout);
/// Pairs of different unknowns with an element between them.
[[nodiscard]] std::vector<std::pair<std::size_t, std::size_t>> joinedUnknowns(
    const Circuit& circuit, const SolverLayout& layout);

}  // namespace glimmet::core::circuit
