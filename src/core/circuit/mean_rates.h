// A circuit's slow states (volts of its capacitors, temperatures of its one-ports) and how fast
// they change, as a mean over what repeats quickly (averaged.h).
#pragma once

#include "core/circuit/rhythm.h"
#include "core/circuit/settling.h"

#include <Eigen/Dense>

#include <cstddef>
#include <vector>

namespace glimmet::core::circuit {

class MeanRates {
public:
    /// Of at least one rhythm and at most two, the quicker first: it turns within each phase of the
    /// slower one, as it does in time. What is handed over must outlive this.
    MeanRates(const Circuit& circuit, Solver& solver, const std::vector<Rhythm>& rhythms);

    [[nodiscard]] std::size_t capacitors() const { return m_circuit.capacitors.size(); }
    /// One-ports with a temperature; their states stand behind those of the capacitors.
    [[nodiscard]] std::size_t warm() const { return m_warm.size(); }
    /// False since a solution did not settle: what was returned then means nothing.
    [[nodiscard]] bool good() const { return m_good; }

    /// As transient() begins: the operating point at time 0. At rest under the mean of what repeats
    /// would not be a state of the circuit.
    [[nodiscard]] Eigen::VectorXd beginning();
    /// What a state's errors and moves are measured by: its volts, at least 1 V; its kelvins.
    [[nodiscard]] Eigen::VectorXd scale(const Eigen::VectorXd& state) const;
    /// Per second, at a time, the states held.
    [[nodiscard]] Eigen::VectorXd at(double time, const Eigen::VectorXd& state);
    /// Per state: what it gains and loses around its mean. Within one turn of the quick rhythm, at
    /// whatever phase of the slow one that is most, and on top of it along the slow one. `mean`:
    /// at(time, state).
    [[nodiscard]] Eigen::VectorXd ripple(double time, const Eigen::VectorXd& state,
                                         const Eigen::VectorXd& mean);
    /// Calls visit(weight) with the solver at every phase, the states held.
    template <class Visit>
    void atEveryPhase(double time, const Eigen::VectorXd& state, Visit visit) {
        hold(state);
        std::vector<std::size_t> phase(m_rhythms.size(), 0);
        while (m_good) {
            double weight = 1;
            for (std::size_t r = 0; r < m_rhythms.size(); ++r)
                weight *= m_rhythms[r].phases[phase[r]].weight;
            setSources(time, phase);
            m_good = m_solver.settleFromAnywhere();
            if (m_good) visit(weight);
            std::size_t r = 0;
            while (r < m_rhythms.size() && ++phase[r] == m_rhythms[r].phases.size()) phase[r++] = 0;
            if (r == m_rhythms.size()) return;
        }
    }

private:
    void hold(const Eigen::VectorXd& state);
    void setSources(double time, const std::vector<std::size_t>& phase);
    [[nodiscard]] const Eigen::VectorXd& now(const Eigen::VectorXd& state);

    const Circuit& m_circuit;
    Solver& m_solver;
    const std::vector<Rhythm>& m_rhythms;
    std::vector<std::size_t> m_warm;
    Eigen::VectorXd m_now;
    bool m_good = true;
};

}  // namespace glimmet::core::circuit
