// The node equations of a network of conductances, solved by taking one node out after another.
//
// A network of positive conductances is its own matrix: the entry of two nodes is the conductance
// between them, the diagonal is their sum and what leaks to ground. Taking a node out replaces the
// star of conductances around it by a mesh among its neighbours (the star-mesh transformation;
// A. Rosen, J. IEE 62 (1924), 916). That is Gaussian elimination, but as long as all conductances
// are positive it adds and multiplies only positive numbers, so that a milliohm beside a leak of a
// picosiemens costs no digits (cf. W. Grassmann, M. Taksar, D. Heyman, Oper. Res. 33 (1985), 1107).
// The order of elimination is found once, and with it every place that will be written; after that
// nothing is allocated.
#pragma once

#include <cstddef>
#include <cstdint>
#include <span>
#include <utility>
#include <vector>

namespace glimmet::core::circuit {

class StarMesh {
public:
    /// The network of `nodes` unknown nodes (ground is none of them) joined by `edges`.
    /// Range: a, b < nodes, a != b; pairs may repeat.
    StarMesh(std::size_t nodes, const std::vector<std::pair<std::size_t, std::size_t>>& edges);

    /// False where the network is so densely meshed that the elimination would not fit in memory
    /// (more than 5e7 meshes: about 650 nodes each joined to each). Nothing else may be called
    /// then.
    [[nodiscard]] bool fits() const { return m_fits; }
    [[nodiscard]] std::size_t size() const { return m_first.size() - 1; }
    /// Where a node stands in the order of elimination: its index in solve()'s vector.
    [[nodiscard]] std::size_t place(std::size_t node) const { return m_place[node]; }

    /// The values to fill: conductances between pairs, leaks to ground, and one at the end that is
    /// never read, for elements that do not count.
    [[nodiscard]] std::size_t valueCount() const { return m_other.size() + size() + 1; }
    [[nodiscard]] std::size_t edgeSlot(std::size_t placeA, std::size_t placeB) const;
    [[nodiscard]] std::size_t leakSlot(std::size_t place) const { return m_other.size() + place; }
    [[nodiscard]] std::size_t unusedSlot() const { return valueCount() - 1; }

    /// Currents into the nodes become their voltages; `values` are used up. False where a node
    /// hangs on nothing.
    [[nodiscard]] bool solve(std::span<double> values, std::span<double> currents) const;

private:
    std::vector<std::size_t> m_place;     ///< per node
    std::vector<std::size_t> m_first;     ///< per place: where its later neighbours begin
    std::vector<std::uint32_t> m_other;   ///< later neighbours, rising
    std::vector<std::uint32_t> m_update;  ///< slots of the meshes, in the order they are met
    bool m_fits = true;
};

}  // namespace glimmet::core::circuit
