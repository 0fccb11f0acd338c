#include "core/circuit/integration.h"

#include "core/circuit/settling.h"
#include "core/circuit/topology.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace glimmet::core::circuit {
namespace {

const double gamma = 2 - std::sqrt(2.0);
/// Error constant of TR-BDF2 (Bank et al. 1985, eq. 48).
const double errorConstant = (-3 * gamma * gamma + 4 * gamma - 2) / (12 * (2 - gamma));

/// Local error of a step from the rates at its beginning, middle and end.
double localError(double step, double begin, double middle, double end) {
    return 2 * errorConstant * step *
           (begin / gamma - middle / (gamma * (1 - gamma)) + end / (1 - gamma));
}

}  // namespace

Integration::Integration(const Circuit& circuit, Solver& solver, double accuracy)
    : m_circuit(circuit),
      m_solver(solver),
      m_accuracy(accuracy),
      m_stirred(loopsOfCapacitors(circuit)) {
    for (const Capacitor& each : circuit.capacitors) m_farads.push_back(each.capacitance.value());
    m_volts.assign(m_farads.size(), 0);
    m_rate = m_middle = m_middleRate = m_nextVolts = m_nextRate = m_volts;
    for (std::size_t k = 0; k < circuit.onePorts.size(); ++k) {
        if (hasTemperature(circuit.onePorts[k].law)) m_warm.push_back(k);
    }
    m_kelvins.assign(m_warm.size(), ambient);
    m_warming.assign(m_warm.size(), 0);
    m_middleKelvins = m_nextKelvins = m_kelvins;
    m_middleWarming = m_nextWarming = m_warming;
    m_fuseHeat.assign(circuit.fuses.size(), 0);
    m_fuseCurrent = m_fuseHeat;
    m_melted.assign(circuit.fuses.size(), 0);
    m_flashers.resize(circuit.blinkers.size());
    m_supply.assign(circuit.blinkers.size(), 0);
}

void Integration::setSources(double time) {
    Excitation& excitation = m_solver.excitation;
    for (std::size_t k = 0; k < m_circuit.voltageSources.size(); ++k)
        excitation.volts[k] = valueAt(m_circuit.voltageSources[k].volts, time);
    for (std::size_t k = 0; k < m_circuit.currentSources.size(); ++k)
        excitation.amps[k] = valueAt(m_circuit.currentSources[k].amps, time);
    for (std::size_t k = 0; k < m_circuit.switches.size(); ++k)
        excitation.gates[k] = valueAt(m_circuit.switches[k].gate, time);
    for (std::size_t k = 0; k < m_flashers.size(); ++k) {
        excitation.gates[m_circuit.blinkers[k].turns] =
            m_flashers[k].state == Flasher::State::Lit ? 1 : 0;
    }
    for (std::size_t k = 0; k < m_melted.size(); ++k) {
        if (m_melted[k]) excitation.gates[m_circuit.fuses[k].opens] = 0;
    }
}

bool Integration::begin() {
    m_time = 0;
    for (std::size_t k = 0; k < m_flashers.size(); ++k)
        m_flashers[k] = {Flasher::State::Lit, m_circuit.blinkers[k].on.value(), never};
    const bool held = std::any_of(m_circuit.capacitors.begin(), m_circuit.capacitors.end(),
                                  [](const Capacitor& each) { return each.initially.has_value(); });
    if (!settleAtBeginning(m_circuit, m_solver)) return false;
    for (std::size_t k = 0; k < m_volts.size(); ++k) {
        const auto& initially = m_circuit.capacitors[k].initially;
        m_volts[k] = initially ? initially->value() : m_solver.capacitorVolts(k);
        m_rate[k] = 0;
    }
    for (std::size_t k = 0; k < m_warm.size(); ++k) {
        m_kelvins[k] = m_solver.temperature(m_warm[k]);
        m_warming[k] = 0;
    }
    for (std::size_t k = 0; k < m_flashers.size(); ++k) {
        m_supply[k] = blinkerVolts(k);
        if (m_supply[k] < m_circuit.blinkers[k].resetBelow.value())
            m_flashers[k] = {Flasher::State::Stopped, never, never};
    }
    for (std::size_t k = 0; k < m_fuseHeat.size(); ++k) {
        // A fuse that has long carried its current is as warm as that makes it.
        const Fuse& fuse = m_circuit.fuses[k];
        m_fuseCurrent[k] = fuseCurrent(k);
        const double ratio = m_fuseCurrent[k] / fuse.rated.value();
        m_fuseHeat[k] = held ? 0 : fuse.melting * std::min(ratio * ratio, 1.0);
        m_melted[k] = 0;
    }
    return true;
}

double Integration::nextCorner() const {
    double corner = never;
    const auto consider = [&](const Waveform& waveform) {
        corner = std::min(corner, circuit::nextCorner(waveform, m_time));
    };
    for (const VoltageSource& each : m_circuit.voltageSources) consider(each.volts);
    for (const CurrentSource& each : m_circuit.currentSources) consider(each.amps);
    for (const Switch& each : m_circuit.switches) consider(each.gate);
    for (const Flasher& each : m_flashers) corner = std::min({corner, each.turnsAt, each.stopsAt});
    return corner;
}

bool Integration::eulerStep(double step) {
    setSources(m_time + step);
    Excitation& excitation = m_solver.excitation;
    for (std::size_t k = 0; k < m_volts.size(); ++k) {
        excitation.capacitorConductance[k] = m_farads[k] / step;
        excitation.capacitorEmf[k] = m_volts[k];
    }
    for (std::size_t k = 0; k < m_warm.size(); ++k)
        excitation.thermal[m_warm[k]] = {false, m_kelvins[k], step};
    if (!m_solver.settle()) return false;
    for (std::size_t k = 0; k < m_volts.size(); ++k) {
        m_nextVolts[k] = m_solver.capacitorVolts(k);
        m_nextRate[k] = m_solver.capacitorDrop(k) / step;
    }
    for (std::size_t k = 0; k < m_warm.size(); ++k) {
        m_nextKelvins[k] = m_solver.temperature(m_warm[k]);
        m_nextWarming[k] = (m_nextKelvins[k] - m_kelvins[k]) / step;
    }
    accept(step);
    return true;
}

std::optional<double> Integration::tryStep(double step) {
    // Trapezoidal rule over γ·h.
    setSources(m_time + gamma * step);
    Excitation& excitation = m_solver.excitation;
    const double half = gamma * step / 2;
    for (std::size_t k = 0; k < m_volts.size(); ++k) {
        excitation.capacitorConductance[k] = m_farads[k] / half;
        excitation.capacitorEmf[k] = m_volts[k] + half * m_rate[k];
    }
    for (std::size_t k = 0; k < m_warm.size(); ++k)
        excitation.thermal[m_warm[k]] = {false, m_kelvins[k] + half * m_warming[k], half};
    if (!m_solver.settle()) return {};
    for (std::size_t k = 0; k < m_volts.size(); ++k) {
        m_middle[k] = m_solver.capacitorVolts(k);
        m_middleRate[k] = m_solver.capacitorDrop(k) / half;
    }
    for (std::size_t k = 0; k < m_warm.size(); ++k) {
        m_middleKelvins[k] = m_solver.temperature(m_warm[k]);
        m_middleWarming[k] = (m_middleKelvins[k] - m_kelvins[k]) / half - m_warming[k];
    }
    // BDF2 over the whole step; with γ = 2 − √2 both stages have the same conductance.
    setSources(m_time + step);
    for (std::size_t k = 0; k < m_volts.size(); ++k) {
        excitation.capacitorEmf[k] = m_volts[k] + (m_middle[k] - m_volts[k]) / (2 * (1 - gamma));
    }
    for (std::size_t k = 0; k < m_warm.size(); ++k) {
        excitation.thermal[m_warm[k]].base =
            (m_middleKelvins[k] - (1 - gamma) * (1 - gamma) * m_kelvins[k]) / (gamma * (2 - gamma));
    }
    if (!m_solver.settle()) return {};
    double worst = 0;
    for (std::size_t k = 0; k < m_volts.size(); ++k) {
        const double before = m_volts[k];
        const double next = m_solver.capacitorVolts(k);
        m_nextVolts[k] = next;
        m_nextRate[k] = m_solver.capacitorDrop(k) / half;
        const double error = localError(step, m_rate[k], m_middleRate[k], m_nextRate[k]);
        worst =
            std::max(worst, std::abs(error) / std::max({std::abs(before), std::abs(next), 1.0}));
    }
    for (std::size_t k = 0; k < m_warm.size(); ++k) {
        m_nextKelvins[k] = m_solver.temperature(m_warm[k]);
        m_nextWarming[k] = (m_nextKelvins[k] - excitation.thermal[m_warm[k]].base) / half;
        const double error = localError(step, m_warming[k], m_middleWarming[k], m_nextWarming[k]);
        worst = std::max(worst, std::abs(error) / m_nextKelvins[k]);
    }
    return worst / m_accuracy;
}

void Integration::accept(double step) {
    for (std::size_t k = 0; k < m_fuseHeat.size(); ++k) {
        m_fuseHeat[k] = heatAfter(k, step);
        m_fuseCurrent[k] = fuseCurrent(k);
    }
    for (std::size_t k = 0; k < m_supply.size(); ++k) m_supply[k] = blinkerVolts(k);
    m_volts.swap(m_nextVolts);
    m_rate.swap(m_nextRate);
    m_kelvins.swap(m_nextKelvins);
    m_warming.swap(m_nextWarming);
    m_time += step;
}

double Integration::fuseCurrent(std::size_t fuse) const {
    return m_solver.switchCurrent(m_circuit.fuses[fuse].opens);
}
/// Exact for a current whose square runs straight over the step.
double Integration::heatAfter(std::size_t fuse, double step) const {
    const Fuse& each = m_circuit.fuses[fuse];
    const double loss = each.rated.value() * each.rated.value() / each.melting;  // 1/s
    const double now = fuseCurrent(fuse);
    const double mean = (m_fuseCurrent[fuse] * m_fuseCurrent[fuse] + now * now) / 2;
    return m_fuseHeat[fuse] * std::exp(-loss * step) - mean * std::expm1(-loss * step) / loss;
}
double Integration::blinkerVolts(std::size_t blinker) const {
    const Blinker& each = m_circuit.blinkers[blinker];
    return m_solver.across(each.plus, each.minus);
}

// Guards, in order: fuses, blinkers, warm one-ports.
std::size_t Integration::guardCount() const {
    return m_fuseHeat.size() + m_flashers.size() + m_warm.size();
}
double Integration::guardNow(std::size_t guard) const {
    if (guard < m_fuseHeat.size())
        return m_melted[guard] ? -1 : m_fuseHeat[guard] - m_circuit.fuses[guard].melting;
    guard -= m_fuseHeat.size();
    if (guard < m_flashers.size())
        return m_supply[guard] - m_circuit.blinkers[guard].resetBelow.value();
    return m_kelvins[guard - m_flashers.size()] - polyfuseTrips;
}
double Integration::guardAfter(std::size_t guard, double step) const {
    if (guard < m_fuseHeat.size())
        return m_melted[guard] ? -1 : heatAfter(guard, step) - m_circuit.fuses[guard].melting;
    guard -= m_fuseHeat.size();
    if (guard < m_flashers.size())
        return blinkerVolts(guard) - m_circuit.blinkers[guard].resetBelow.value();
    return m_nextKelvins[guard - m_flashers.size()] - polyfuseTrips;
}

bool Integration::cross(std::size_t guard, bool rising, std::vector<Transient::Event>& events) {
    using What = Transient::Event::What;
    if (guard < m_fuseHeat.size()) {
        m_melted[guard] = 1;
        events.push_back({m_time, What::Melted, m_circuit.fuses[guard].name});
        return true;
    }
    guard -= m_fuseHeat.size();
    if (guard < m_flashers.size()) {
        const Blinker& blinker = m_circuit.blinkers[guard];
        Flasher& flasher = m_flashers[guard];
        if (!rising) {
            if (flasher.state != Flasher::State::Stopped)
                flasher.stopsAt = m_time + blinker.resetAfter.value();
            return false;
        }
        flasher.stopsAt = never;
        if (flasher.state != Flasher::State::Stopped) return false;
        flasher.state = Flasher::State::Lit;
        flasher.turnsAt = m_time + blinker.on.value();
        events.push_back({m_time, What::Began, blinker.name});
        return true;
    }
    const OnePort& warm = m_circuit.onePorts[m_warm[guard - m_flashers.size()]];
    if (rising && std::holds_alternative<Polyfuse>(warm.law))
        events.push_back({m_time, What::Tripped, warm.name});
    return false;
}

bool Integration::turnBlinkers(std::vector<Transient::Event>& events) {
    bool jumped = false;
    for (std::size_t k = 0; k < m_flashers.size(); ++k) {
        const Blinker& blinker = m_circuit.blinkers[k];
        Flasher& flasher = m_flashers[k];
        const double now = m_time * (1 + 1e-12);
        if (flasher.stopsAt <= now) {
            flasher = {Flasher::State::Stopped, never, never};
            events.push_back({m_time, Transient::Event::What::Stopped, blinker.name});
            jumped = true;
        } else if (flasher.turnsAt <= now) {
            const bool lit = flasher.state == Flasher::State::Lit;
            flasher.state = lit ? Flasher::State::Dark : Flasher::State::Lit;
            flasher.turnsAt = m_time + (lit ? blinker.off : blinker.on).value();
            jumped = true;
        }
    }
    return jumped;
}

}  // namespace glimmet::core::circuit
