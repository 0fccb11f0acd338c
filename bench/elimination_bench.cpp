// Ways of solving a network's node equations again and again with other conductances: star-mesh
// elimination, KLU of SuiteSparse, Eigen's SparseLU and LDLT. The counter `wrong` is the relative
// error for a chain of milliohms that leaks a picosiemens at its end.
#include "core/circuit/star_mesh.h"

#include <Eigen/SparseCholesky>
#include <Eigen/SparseLU>
#include <benchmark/benchmark.h>
#include <suitesparse/klu.h>

#include <cmath>
#include <string>
#include <utility>
#include <vector>

namespace {

using glimmet::core::circuit::StarMesh;

struct Network {
    std::size_t nodes = 0;
    std::vector<std::pair<std::size_t, std::size_t>> edges;
    std::vector<double> conductance, leak;
};
/// A bus: sections in a row, a lamp's node on each.
Network bus(std::size_t lamps) {
    Network made{2 * lamps, {}, {}, std::vector<double>(2 * lamps, 1e-9)};
    for (std::size_t k = 0; k < lamps; ++k) {
        if (k > 0) {
            made.edges.emplace_back(2 * (k - 1), 2 * k);
            made.conductance.push_back(30);
        }
        made.edges.emplace_back(2 * k, 2 * k + 1);
        made.conductance.push_back(1e-3);
        made.leak[2 * k + 1] = 1e-4 * static_cast<double>(1 + k % 7);
    }
    made.leak[0] = 100;
    return made;
}
/// A square mesh: more than any model has of it.
Network square(std::size_t side) {
    Network made{side * side, {}, {}, std::vector<double>(side * side, 1e-9)};
    for (std::size_t k = 0; k < side * side; ++k) {
        if (k % side + 1 < side) made.edges.emplace_back(k, k + 1);
        if (k + side < side * side) made.edges.emplace_back(k, k + side);
    }
    made.conductance.assign(made.edges.size(), 1e-2);
    made.leak[0] = 1;
    return made;
}
Network chain(std::size_t nodes) {
    Network made{nodes, {}, {}, std::vector<double>(nodes, 0)};
    for (std::size_t k = 1; k < nodes; ++k) made.edges.emplace_back(k - 1, k);
    made.conductance.assign(made.edges.size(), 1e3);
    made.leak.back() = 1e-12;
    return made;
}
Network network(const std::string& name, std::size_t size) {
    if (name == "bus") return bus(size);
    return name == "square" ? square(size) : chain(size);
}

Eigen::SparseMatrix<double> matrixOf(const Network& network) {
    std::vector<Eigen::Triplet<double>> entries;
    const auto put = [&](std::size_t a, std::size_t b, double value) {
        entries.emplace_back(static_cast<int>(a), static_cast<int>(b), value);
    };
    for (std::size_t k = 0; k < network.nodes; ++k) put(k, k, network.leak[k]);
    for (std::size_t e = 0; e < network.edges.size(); ++e) {
        const auto [a, b] = network.edges[e];
        const double g = network.conductance[e];
        put(a, a, g);
        put(b, b, g);
        put(a, b, -g);
        put(b, a, -g);
    }
    const auto size = static_cast<Eigen::Index>(network.nodes);
    Eigen::SparseMatrix<double> matrix(size, size);
    matrix.setFromTriplets(entries.begin(), entries.end());
    return matrix;
}

/// A current into the first node; its volts there.
struct Star {
    explicit Star(const Network& of)
        : network(of), mesh(of.nodes, of.edges), values(mesh.valueCount()), x(of.nodes) {
        for (const auto& [a, b] : of.edges)
            slots.push_back(mesh.edgeSlot(mesh.place(a), mesh.place(b)));
    }
    double operator()(double amps) {
        std::fill(values.begin(), values.end(), 0.0);
        for (std::size_t e = 0; e < slots.size(); ++e) values[slots[e]] = network.conductance[e];
        for (std::size_t k = 0; k < network.nodes; ++k)
            values[mesh.leakSlot(mesh.place(k))] = network.leak[k];
        std::fill(x.begin(), x.end(), 0.0);
        x[mesh.place(0)] = amps;
        return mesh.solve(values, x) ? x[mesh.place(0)] : std::nan("");
    }
    const Network& network;
    StarMesh mesh;
    std::vector<std::size_t> slots;
    std::vector<double> values, x;
};
struct Klu {
    explicit Klu(const Network& of) : matrix(matrixOf(of)), x(of.nodes) {
        klu_defaults(&common);
        symbolic = klu_analyze(static_cast<int>(matrix.rows()), matrix.outerIndexPtr(),
                               matrix.innerIndexPtr(), &common);
        numeric = klu_factor(matrix.outerIndexPtr(), matrix.innerIndexPtr(), matrix.valuePtr(),
                             symbolic, &common);
    }
    Klu(const Klu&) = delete;
    Klu& operator=(const Klu&) = delete;
    ~Klu() {
        klu_free_numeric(&numeric, &common);
        klu_free_symbolic(&symbolic, &common);
    }
    double operator()(double amps) {
        klu_refactor(matrix.outerIndexPtr(), matrix.innerIndexPtr(), matrix.valuePtr(), symbolic,
                     numeric, &common);
        std::fill(x.begin(), x.end(), 0.0);
        x[0] = amps;
        klu_solve(symbolic, numeric, static_cast<int>(x.size()), 1, x.data(), &common);
        return x[0];
    }
    Eigen::SparseMatrix<double> matrix;
    std::vector<double> x;
    klu_common common{};
    klu_symbolic* symbolic = nullptr;
    klu_numeric* numeric = nullptr;
};
template <class Factors>
struct OfEigen {
    explicit OfEigen(const Network& of) : matrix(matrixOf(of)) {
        factors.analyzePattern(matrix);
        right = Eigen::VectorXd::Zero(matrix.rows());
    }
    double operator()(double amps) {
        factors.factorize(matrix);
        right[0] = amps;
        return factors.solve(right)[0];
    }
    Eigen::SparseMatrix<double> matrix;
    Factors factors;
    Eigen::VectorXd right;
};
using SparseLu = OfEigen<Eigen::SparseLU<Eigen::SparseMatrix<double>, Eigen::COLAMDOrdering<int>>>;
using Ldlt = OfEigen<Eigen::SimplicialLDLT<Eigen::SparseMatrix<double>>>;

template <class Way>
void eliminated(benchmark::State& state, const std::string& name, std::size_t size) {
    const Network on = network(name, size);
    Way way(on);
    double amps = 1;
    for (auto _ : state) benchmark::DoNotOptimize(way(amps = 3 - amps));
    const Network leaking = chain(100);
    state.counters["wrong"] = std::abs(Way(leaking)(1e-12) - 1);
}
[[maybe_unused]] const bool registered = [] {
    const auto add = [](const char* way, auto function) {
        for (const auto& [name, size] : {std::pair<std::string, std::size_t>{"bus", 6},
                                         {"bus", 200},
                                         {"bus", 10000},
                                         {"square", 30}}) {
            const std::string title = way + ("/" + name) + "/" + std::to_string(size);
            benchmark::RegisterBenchmark(title.c_str(), function, name, size)
                ->Unit(benchmark::kMicrosecond);
        }
    };
    add("starMesh", eliminated<Star>);
    add("klu", eliminated<Klu>);
    add("sparseLu", eliminated<SparseLu>);
    add("ldlt", eliminated<Ldlt>);
    return true;
}();

}  // namespace
