#include "core/circuit/newton.h"

#include <Eigen/SparseLU>

#include <algorithm>
#include <cmath>

namespace glimmet::core::circuit {
namespace {

constexpr Eigen::Index mostDense = 32;  // unknowns up to which a dense factorisation is quicker
constexpr double relativeTolerance = 1e-7;
constexpr int plainIterations = 16;
constexpr double junctionTolerance = 1e-7;   // V
constexpr double absoluteTolerance = 1e-13;  // A

}  // namespace

namespace {

/// Solves A·x = b in place by Gaussian elimination with partial pivoting (Golub, Van Loan, Matrix
/// Computations, alg. 3.4.1); A is square, column by column, and is overwritten; b becomes x. For
/// the few unknowns of a lamp circuit this is several times quicker than a blocked factorisation.
/// False where A is singular.
bool eliminated(double* a, double* b, Eigen::Index n) {
    for (Eigen::Index k = 0; k < n; ++k) {
        Eigen::Index pivot = k;
        for (Eigen::Index i = k + 1; i < n; ++i) {
            if (std::abs(a[k * n + i]) > std::abs(a[k * n + pivot])) pivot = i;
        }
        if (!(std::abs(a[k * n + pivot]) > 0)) return false;
        if (pivot != k) {
            for (Eigen::Index j = k; j < n; ++j) std::swap(a[j * n + k], a[j * n + pivot]);
            std::swap(b[k], b[pivot]);
        }
        const double inverse = 1 / a[k * n + k];
        for (Eigen::Index i = k + 1; i < n; ++i) {
            const double factor = a[k * n + i] * inverse;
            if (!(std::abs(factor) > 0)) continue;
            for (Eigen::Index j = k + 1; j < n; ++j) a[j * n + i] -= factor * a[j * n + k];
            b[i] -= factor * b[k];
        }
    }
    for (Eigen::Index k = n; k-- > 0;) {
        for (Eigen::Index j = k + 1; j < n; ++j) b[k] -= a[j * n + k] * b[j];
        b[k] /= a[k * n + k];
    }
    return true;
}

}  // namespace

struct Newton::Linear {
    bool dense = true;
    Eigen::MatrixXd full;
    Eigen::SparseMatrix<double> sparse;
    Eigen::SparseLU<Eigen::SparseMatrix<double>> sparseFactors;
    std::vector<Eigen::Triplet<double>> pattern;

    [[nodiscard]] double* values() { return dense ? full.data() : sparse.valuePtr(); }
    [[nodiscard]] std::size_t count() const {
        return static_cast<std::size_t>(dense ? full.size() : sparse.nonZeros());
    }
    [[nodiscard]] std::ptrdiff_t slot(Eigen::Index r, Eigen::Index c) const {
        if (r < 0 || c < 0) return -1;
        if (dense) return c * full.rows() + r;
        const int* first = sparse.innerIndexPtr() + sparse.outerIndexPtr()[c];
        const int* last = sparse.innerIndexPtr() + sparse.outerIndexPtr()[c + 1];
        return std::lower_bound(first, last, static_cast<int>(r)) - sparse.innerIndexPtr();
    }
    [[nodiscard]] bool solve(const Eigen::VectorXd& right, Eigen::VectorXd& x) {
        if (dense) {
            x = right;
            if (!eliminated(full.data(), x.data(), full.rows())) return false;
        } else {
            sparseFactors.factorize(sparse);
            if (sparseFactors.info() != Eigen::Success) return false;
            x = sparseFactors.solve(right);
        }
        return x.allFinite();
    }
};

Newton::Newton(const Circuit& circuit) : m_circuit(circuit), m_linear(std::make_unique<Linear>()) {
    for (const DiodeModel& model : circuit.models) m_junctions.emplace_back(model);
    m_firstSource = static_cast<Eigen::Index>(circuit.nodes.size()) - 1;
    m_size = m_firstSource + static_cast<Eigen::Index>(circuit.voltageSources.size());
    m_branches.resize(circuit.diodes.size());
    m_right.resize(m_size);
    m_next.resize(m_size);

    // Every place of the matrix that an element writes to, then the slots of those that change.
    std::vector<std::pair<Eigen::Index, Eigen::Index>> places;
    const auto pair = [&](Eigen::Index a, Eigen::Index b) {
        for (const auto& [r, c] : {std::pair{a, a}, {a, b}, {b, a}, {b, b}}) {
            if (r >= 0 && c >= 0) places.emplace_back(r, c);
        }
    };
    for (const Resistor& each : circuit.resistors) pair(row(each.a), row(each.b));
    for (const Capacitor& each : circuit.capacitors) pair(row(each.a), row(each.b));
    for (const Diode& each : circuit.diodes) pair(row(each.anode), row(each.cathode));
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        const Eigen::Index branch = m_firstSource + static_cast<Eigen::Index>(k);
        for (const Node node : {circuit.voltageSources[k].plus, circuit.voltageSources[k].minus}) {
            if (node == ground) continue;
            places.emplace_back(row(node), branch);
            places.emplace_back(branch, row(node));
        }
    }
    m_linear->dense = m_size <= mostDense;
    if (m_linear->dense) {
        m_linear->full = Eigen::MatrixXd::Zero(m_size, m_size);
    } else {
        for (const auto& [r, c] : places) {
            m_linear->pattern.emplace_back(static_cast<int>(r), static_cast<int>(c), 0.0);
        }
        m_linear->sparse.resize(m_size, m_size);
        m_linear->sparse.setFromTriplets(m_linear->pattern.begin(), m_linear->pattern.end());
        m_linear->sparseFactors.analyzePattern(m_linear->sparse);
    }
    const auto slots = [&](Eigen::Index a, Eigen::Index b) {
        return Slots{m_linear->slot(a, a), m_linear->slot(a, b), m_linear->slot(b, a),
                     m_linear->slot(b, b)};
    };
    for (const Capacitor& each : circuit.capacitors) {
        m_capacitorSlots.push_back(slots(row(each.a), row(each.b)));
    }
    for (const Diode& each : circuit.diodes) {
        m_junctionSlots.push_back(slots(row(each.anode), row(each.cathode)));
    }
    // What never changes is written once.
    m_constant.assign(m_linear->count(), 0);
    const auto put = [&](std::ptrdiff_t slot, double value) {
        if (slot >= 0) m_constant[static_cast<std::size_t>(slot)] += value;
    };
    const auto putConductance = [&](const Slots& at, double g) {
        put(at.aa, g);
        put(at.bb, g);
        put(at.ab, -g);
        put(at.ba, -g);
    };
    for (const Resistor& each : circuit.resistors) {
        putConductance(slots(row(each.a), row(each.b)), 1 / each.resistance.value());
    }
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        const VoltageSource& source = circuit.voltageSources[k];
        const Eigen::Index branch = m_firstSource + static_cast<Eigen::Index>(k);
        put(m_linear->slot(row(source.plus), branch), 1);
        put(m_linear->slot(branch, row(source.plus)), 1);
        put(m_linear->slot(row(source.minus), branch), -1);
        put(m_linear->slot(branch, row(source.minus)), -1);
    }
}

Newton::~Newton() = default;

void Newton::add(const Slots& slots, double conductance) {
    double* values = m_linear->values();
    if (slots.aa >= 0) values[slots.aa] += conductance;
    if (slots.bb >= 0) values[slots.bb] += conductance;
    if (slots.ab >= 0) values[slots.ab] -= conductance;
    if (slots.ba >= 0) values[slots.ba] -= conductance;
}

/// A current from a to b through an element: it leaves node a.
void Newton::inject(Eigen::Index a, Eigen::Index b, double current) {
    if (a >= 0) m_right(a) -= current;
    if (b >= 0) m_right(b) += current;
}

bool Newton::settle(Eigen::VectorXd& x, const Excitation& excitation, int most) {
    const auto across = [this](const Eigen::VectorXd& at, const Diode& diode) {
        return voltage(at, diode.anode) - voltage(at, diode.cathode);
    };
    const double extra = excitation.junctionExtra;
    for (std::size_t i = 0; i < m_circuit.diodes.size(); ++i) {
        const Diode& diode = m_circuit.diodes[i];
        m_branches[i] =
            m_junctions[diode.model].across(across(x, diode), m_branches[i].junction, extra);
    }
    for (int iteration = 0; iteration < most; ++iteration) {
        ++m_iterations;
        std::copy(m_constant.begin(), m_constant.end(), m_linear->values());
        m_right.setZero();
        for (std::size_t k = 0; k < excitation.volts.size(); ++k) {
            m_right(m_firstSource + static_cast<Eigen::Index>(k)) = excitation.volts[k];
        }
        for (std::size_t k = 0; k < excitation.amps.size(); ++k) {
            const CurrentSource& source = m_circuit.currentSources[k];
            inject(row(source.plus), row(source.minus), excitation.amps[k]);
        }
        for (std::size_t k = 0; k < m_capacitorSlots.size(); ++k) {
            const Capacitor& capacitor = m_circuit.capacitors[k];
            add(m_capacitorSlots[k], excitation.capacitorConductance[k]);
            inject(row(capacitor.a), row(capacitor.b), excitation.capacitorCurrent[k]);
        }
        for (std::size_t i = 0; i < m_circuit.diodes.size(); ++i) {
            const Diode& diode = m_circuit.diodes[i];
            const Junction::Branch& branch = m_branches[i];
            add(m_junctionSlots[i], branch.conductance);
            inject(row(diode.anode), row(diode.cathode),
                   branch.current - branch.conductance * branch.volts);
        }
        if (!m_linear->solve(m_right, m_next)) return false;

        // x now solves the linearised equations; it solves the true ones as far as every junction's
        // true current is its linearised one.
        bool settled = true;
        for (std::size_t i = 0; i < m_circuit.diodes.size(); ++i) {
            const Diode& diode = m_circuit.diodes[i];
            const Junction& junction = m_junctions[diode.model];
            const Junction::Branch& before = m_branches[i];
            const double volts = across(m_next, diode);
            const Junction::Branch after = junction.across(volts, before.junction, extra);
            const double linear = before.current + before.conductance * (volts - before.volts);
            const bool still = std::abs(after.junction - before.junction) <= junctionTolerance;
            const bool balanced = std::abs(after.current - linear) <=
                                  relativeTolerance * std::abs(after.current) + absoluteTolerance;
            settled = settled && (still || balanced);
            // A series resistance bounds the current by itself; steps are cut only where there is
            // none, or where the plain iteration has not come to rest.
            const bool cutting = !junction.hasSeries() || iteration >= plainIterations;
            const double taken =
                cutting ? junction.limited(after.junction, before.junction) : after.junction;
            const bool cut = std::abs(taken - after.junction) > 0;
            m_branches[i] = cut ? junction.atJunction(taken, extra) : after;
        }
        x = m_next;
        if (settled) return true;
    }
    return false;
}

}  // namespace glimmet::core::circuit
