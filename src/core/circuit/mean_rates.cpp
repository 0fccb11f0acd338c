#include "core/circuit/mean_rates.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::circuit {
namespace {

Eigen::Index index(std::size_t k) { return static_cast<Eigen::Index>(k); }

/// How far sums go to either side while they are added up.
class Excursion {
public:
    explicit Excursion(Eigen::Index size)
        : m_sum(Eigen::VectorXd::Zero(size)), m_low(m_sum), m_high(m_sum) {}
    void add(const Eigen::VectorXd& part) {
        m_sum += part;
        m_low = m_low.cwiseMin(m_sum);
        m_high = m_high.cwiseMax(m_sum);
    }
    [[nodiscard]] Eigen::VectorXd size() const { return m_high - m_low; }

private:
    Eigen::VectorXd m_sum, m_low, m_high;
};

}  // namespace

MeanRates::MeanRates(const Circuit& circuit, Solver& solver, const std::vector<Rhythm>& rhythms)
    : m_circuit(circuit), m_solver(solver), m_rhythms(rhythms) {
    for (std::size_t k = 0; k < circuit.onePorts.size(); ++k) {
        if (hasTemperature(circuit.onePorts[k].law)) m_warm.push_back(k);
    }
    m_now = Eigen::VectorXd::Zero(index(capacitors() + m_warm.size()));
}

Eigen::VectorXd MeanRates::beginning() {
    m_good = settleAtBeginning(m_circuit, m_solver);
    Eigen::VectorXd state(m_now.size());
    for (std::size_t k = 0; k < capacitors(); ++k) state[index(k)] = m_solver.capacitorVolts(k);
    for (std::size_t k = 0; k < m_warm.size(); ++k)
        state[index(capacitors() + k)] = m_solver.temperature(m_warm[k]);
    return state;
}

Eigen::VectorXd MeanRates::scale(const Eigen::VectorXd& state) const {
    Eigen::VectorXd scale = state;
    for (std::size_t k = 0; k < capacitors(); ++k)
        scale[index(k)] = std::max(1.0, std::abs(state[index(k)]));
    return scale;
}

void MeanRates::hold(const Eigen::VectorXd& state) {
    Excitation& excitation = m_solver.excitation;
    for (std::size_t k = 0; k < capacitors(); ++k) {
        excitation.capacitorConductance[k] = holding;
        excitation.capacitorEmf[k] = state[index(k)];
    }
    for (std::size_t k = 0; k < m_warm.size(); ++k)
        excitation.thermal[m_warm[k]] = {false, state[index(capacitors() + k)], 0};
}

/// Sources and gates at a time; those that repeat at their rhythm's phase.
void MeanRates::setSources(double time, const std::vector<std::size_t>& phase) {
    const auto value = [&](const Waveform& waveform) {
        for (std::size_t r = 0; r < m_rhythms.size(); ++r) {
            if (m_rhythms[r].has(waveform))
                return valueAt(waveform, m_rhythms[r].phases[phase[r]].time);
        }
        return valueAt(waveform, time);
    };
    Excitation& excitation = m_solver.excitation;
    for (std::size_t k = 0; k < m_circuit.voltageSources.size(); ++k)
        excitation.volts[k] = value(m_circuit.voltageSources[k].volts);
    for (std::size_t k = 0; k < m_circuit.currentSources.size(); ++k)
        excitation.amps[k] = value(m_circuit.currentSources[k].amps);
    for (std::size_t k = 0; k < m_circuit.switches.size(); ++k)
        excitation.gates[k] = value(m_circuit.switches[k].gate);
}

/// At the solver's solution.
const Eigen::VectorXd& MeanRates::now(const Eigen::VectorXd& state) {
    for (std::size_t k = 0; k < capacitors(); ++k)
        m_now[index(k)] =
            m_solver.capacitorCurrent(k) / m_circuit.capacitors[k].capacitance.value();
    for (std::size_t k = 0; k < m_warm.size(); ++k) {
        const std::size_t n = capacitors() + k;
        m_now[index(n)] = heating(m_circuit.onePorts[m_warm[k]].law,
                                  m_solver.onePortVolts(m_warm[k]), state[index(n)]);
    }
    return m_now;
}

Eigen::VectorXd MeanRates::at(double time, const Eigen::VectorXd& state) {
    Eigen::VectorXd sum = Eigen::VectorXd::Zero(state.size());
    atEveryPhase(time, state, [&](double weight) { sum += weight * now(state); });
    return sum;
}

Eigen::VectorXd MeanRates::ripple(double time, const Eigen::VectorXd& state,
                                  const Eigen::VectorXd& mean) {
    const Rhythm& quick = m_rhythms.front();
    Excursion slow(state.size());
    Eigen::VectorXd quickMost = Eigen::VectorXd::Zero(state.size());
    std::vector<Eigen::VectorXd> turn;  // rates at each phase of one turn of the quick rhythm
    double share = 0;                   // of the slow rhythm's turn
    atEveryPhase(time, state, [&](double weight) {
        turn.push_back(now(state));
        share += weight;
        if (turn.size() < quick.phases.size()) return;
        Eigen::VectorXd ofTurn = Eigen::VectorXd::Zero(state.size());
        for (std::size_t i = 0; i < turn.size(); ++i) ofTurn += quick.phases[i].weight * turn[i];
        Excursion within(state.size());
        for (std::size_t i = 0; i < turn.size(); ++i)
            within.add(quick.phases[i].weight * quick.period * (turn[i] - ofTurn));
        quickMost = quickMost.cwiseMax(within.size());
        if (m_rhythms.size() > 1) slow.add(share * m_rhythms.back().period * (ofTurn - mean));
        turn.clear();
        share = 0;
    });
    return quickMost + slow.size();
}

}  // namespace glimmet::core::circuit
