#include "core/circuit/star_mesh.h"

#include <Eigen/OrderingMethods>
#include <Eigen/SparseCore>

#include <algorithm>
#include <cmath>

namespace glimmet::core::circuit {
namespace {

constexpr std::size_t mostMeshes = 50'000'000;

/// Per node its place in an order of elimination that keeps meshes small. First what hangs on one
/// neighbour only, which makes none, from all ends in turn: so the processor works at several
/// branches at a time, none of which has to wait for another. Then the rest by approximate minimum
/// degree (P. Amestoy, T. Davis, I. Duff, SIAM J. Matrix Anal. Appl. 17 (1996) 886).
std::vector<std::size_t> eliminationPlaces(
    std::size_t nodes, const std::vector<std::pair<std::size_t, std::size_t>>& edges) {
    std::vector<std::vector<std::size_t>> neighbours(nodes);
    for (const auto& [a, b] : edges) {
        neighbours[a].push_back(b);
        neighbours[b].push_back(a);
    }
    for (std::vector<std::size_t>& each : neighbours) {
        std::sort(each.begin(), each.end());
        each.erase(std::unique(each.begin(), each.end()), each.end());
    }
    std::vector<std::size_t> left(nodes), order;
    std::vector<char> taken(nodes, 0);
    order.reserve(nodes);
    const auto take = [&](std::size_t node) {
        if (taken[node] || left[node] > 1) return;
        taken[node] = 1;
        order.push_back(node);
    };
    for (std::size_t node = 0; node < nodes; ++node) {
        left[node] = neighbours[node].size();
        take(node);
    }
    for (std::size_t at = 0; at < order.size(); ++at) {
        for (const std::size_t other : neighbours[order[at]]) {
            if (taken[other]) continue;
            --left[other];
            take(other);
        }
    }

    std::vector<std::size_t> rest, restAt(nodes, 0);
    for (std::size_t node = 0; node < nodes; ++node) {
        if (taken[node]) continue;
        restAt[node] = rest.size();
        rest.push_back(node);
    }
    if (!rest.empty()) {
        std::vector<Eigen::Triplet<double>> pattern;
        for (const std::size_t node : rest) {
            for (const std::size_t other : neighbours[node]) {
                if (!taken[other]) {
                    pattern.emplace_back(static_cast<int>(restAt[node]),
                                         static_cast<int>(restAt[other]), 1.0);
                }
            }
        }
        const auto size = static_cast<Eigen::Index>(rest.size());
        Eigen::SparseMatrix<double> matrix(size, size);
        matrix.setFromTriplets(pattern.begin(), pattern.end());
        Eigen::PermutationMatrix<Eigen::Dynamic, Eigen::Dynamic, int> found;
        Eigen::AMDOrdering<int>()(matrix, found);
        for (Eigen::Index at = 0; at < size; ++at)
            order.push_back(rest[static_cast<std::size_t>(found.indices()[at])]);
    }
    std::vector<std::size_t> place(nodes);
    for (std::size_t at = 0; at < nodes; ++at) place[order[at]] = at;
    return place;
}

}  // namespace

StarMesh::StarMesh(std::size_t nodes, const std::vector<std::pair<std::size_t, std::size_t>>& edges)
    : m_place(eliminationPlaces(nodes, edges)), m_first(nodes + 1, 0) {
    // Later neighbours of each place. When a place goes, those that it had become each other's;
    // it is enough to hand them to the earliest of them (the elimination tree, Liu 1990).
    std::vector<std::vector<std::uint32_t>> later(nodes);
    for (const auto& [a, b] : edges) {
        const auto [low, high] = std::minmax(m_place[a], m_place[b]);
        later[low].push_back(static_cast<std::uint32_t>(high));
    }
    std::size_t meshes = 0;
    for (std::size_t k = 0; k < nodes; ++k) {
        std::vector<std::uint32_t>& mine = later[k];
        std::sort(mine.begin(), mine.end());
        mine.erase(std::unique(mine.begin(), mine.end()), mine.end());
        meshes += mine.size() * mine.size() / 2;
        if (meshes > mostMeshes) {
            m_fits = false;
            return;
        }
        if (mine.size() > 1) {
            std::vector<std::uint32_t>& heir = later[mine.front()];
            heir.insert(heir.end(), mine.begin() + 1, mine.end());
        }
        m_first[k + 1] = m_first[k] + mine.size();
    }
    m_other.reserve(m_first.back());
    for (const auto& mine : later) m_other.insert(m_other.end(), mine.begin(), mine.end());
    m_update.reserve(meshes);
    for (std::size_t k = 0; k < nodes; ++k) {
        for (std::size_t p = m_first[k]; p < m_first[k + 1]; ++p) {
            // Both lists rise, and all that k has after p is found at p's place.
            std::size_t at = m_first[m_other[p]];
            for (std::size_t q = p + 1; q < m_first[k + 1]; ++q) {
                while (m_other[at] != m_other[q]) ++at;
                m_update.push_back(static_cast<std::uint32_t>(at));
            }
        }
    }
}

std::size_t StarMesh::edgeSlot(std::size_t placeA, std::size_t placeB) const {
    const auto [low, high] = std::minmax(placeA, placeB);
    const auto first = m_other.begin() + static_cast<std::ptrdiff_t>(m_first[low]);
    const auto last = m_other.begin() + static_cast<std::ptrdiff_t>(m_first[low + 1]);
    return static_cast<std::size_t>(std::lower_bound(first, last, high) - m_other.begin());
}

bool StarMesh::solve(std::span<double> values, std::span<double> currents) const {
    const std::size_t nodes = size();
    double* const edge = values.data();
    double* const leak = edge + m_other.size();
    const std::uint32_t* update = m_update.data();
    // A node that goes hands its current on to its neighbours, each its share of the star.
    for (std::size_t k = 0; k < nodes; ++k) {
        const std::size_t first = m_first[k];
        const std::size_t last = m_first[k + 1];
        const double toGround = leak[k];
        const double current = currents[k];
        double sum = toGround;
        for (std::size_t p = first; p < last; ++p) sum += edge[p];
        const double inverse = 1 / sum;
        if (!std::isfinite(inverse)) return false;
        for (std::size_t p = first; p < last; ++p) {
            const double share = edge[p] * inverse;
            leak[m_other[p]] += share * toGround;
            currents[m_other[p]] += share * current;
            for (std::size_t q = p + 1; q < last; ++q) edge[*update++] += share * edge[q];
            edge[p] = share;
        }
        currents[k] = current * inverse;
    }
    // Its voltage is what its own current makes, and the same shares of its neighbours' voltages.
    for (std::size_t k = nodes; k-- > 0;) {
        double volts = currents[k];
        for (std::size_t p = m_first[k]; p < m_first[k + 1]; ++p)
            volts += edge[p] * currents[m_other[p]];
        currents[k] = volts;
    }
    return true;
}

}  // namespace glimmet::core::circuit
