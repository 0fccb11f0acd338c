// The equations of a circuit by modified nodal analysis (Ho, Ruehli, Brennan 1975), and Newton's
// method on them.
//
// Unknowns, in order: the voltages of all nodes but ground; the currents of the voltage sources. A
// diode's series resistance makes no node of its own: junction and resistance are solved together
// as one branch, which keeps nanoampere circuits well conditioned. Topology is analysed once; each
// iteration only writes values, dense for small circuits and sparse for large ones.
#pragma once

#include "core/circuit/circuit.h"
#include "core/circuit/junction.h"

#include <Eigen/Dense>

#include <memory>
#include <vector>

namespace glimmet::core::circuit {

/// What drives the circuit at one instant, and what capacitors look like in it.
struct Excitation {
    std::vector<double> volts;  ///< per voltage source
    std::vector<double> amps;   ///< per current source
    /// Per capacitor: current a → b = conductance·V + current. All zero: open (operating point).
    std::vector<double> capacitorConductance, capacitorCurrent;
    double junctionExtra = 0;  ///< A/V across every junction on top of its leak: gmin stepping
};

class Newton {
public:
    explicit Newton(const Circuit& circuit);  ///< the circuit must outlive it
    ~Newton();
    Newton(const Newton&) = delete;
    Newton& operator=(const Newton&) = delete;

    [[nodiscard]] Eigen::Index size() const { return m_size; }
    [[nodiscard]] double voltage(const Eigen::VectorXd& x, Node node) const {
        return node == ground ? 0.0 : x(static_cast<Eigen::Index>(node) - 1);
    }
    [[nodiscard]] double sourceCurrent(const Eigen::VectorXd& x, std::size_t source) const {
        return x(m_firstSource + static_cast<Eigen::Index>(source));
    }

    /// Iterates from x to the solution under the excitation; x is then the solution. False where it
    /// did not settle in `most` iterations or the equations are singular; x is then of no use.
    /// Settled: every junction either moved by at most 1e-7 V in the last step, or carries its
    /// linearised current to 1e-7 of itself (and 0.1 pA). The second alone would not do where all
    /// currents are tiny, the first not where a stiff capacitor drowns a floating node in rounding.
    [[nodiscard]] bool settle(Eigen::VectorXd& x, const Excitation& excitation, int most = 100);

    [[nodiscard]] long iterations() const { return m_iterations; }

private:
    struct Slots {  ///< where an element of two nodes stands in the matrix; −1: ground
        std::ptrdiff_t aa = -1, ab = -1, ba = -1, bb = -1;
    };
    struct Linear;  ///< the matrix and its factorisation, dense or sparse
    [[nodiscard]] Eigen::Index row(Node node) const { return static_cast<Eigen::Index>(node) - 1; }
    void add(const Slots& slots, double conductance);
    void inject(Eigen::Index a, Eigen::Index b, double current);

    const Circuit& m_circuit;
    Eigen::Index m_size = 0, m_firstSource = 0;
    std::vector<Junction> m_junctions;         ///< per model
    std::vector<Junction::Branch> m_branches;  ///< per diode, where it is linearised
    std::vector<Slots> m_capacitorSlots, m_junctionSlots;
    std::vector<double> m_constant;  ///< matrix values of what never changes
    std::unique_ptr<Linear> m_linear;
    Eigen::VectorXd m_right, m_next;
    long m_iterations = 0;
};

}  // namespace glimmet::core::circuit
