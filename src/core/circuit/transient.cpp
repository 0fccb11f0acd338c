#include "core/circuit/analysis.h"
#include "core/circuit/settling.h"
#include "core/circuit/topology.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <optional>

namespace glimmet::core::circuit {
namespace {

const double gamma = 2 - std::sqrt(2.0);
/// Error constant of TR-BDF2 (Bank et al. 1985, eq. 48).
const double errorConstant = (-3 * gamma * gamma + 4 * gamma - 2) / (12 * (2 - gamma));
constexpr double relativeTolerance = 1e-8;
constexpr double absoluteTolerance = 1e-9;  // V

/// The integration: the state between steps is the solution x and each capacitor's voltage and
/// rate of change.
class Integration {
public:
    Integration(const Circuit& circuit, Newton& newton)
        : m_circuit(circuit), m_newton(newton), m_excitation(atRest(circuit)) {}

    [[nodiscard]] bool begin() {
        setSources(0);
        x = Eigen::VectorXd::Zero(m_newton.size());
        if (!settledFromAnywhere(m_newton, x, m_excitation)) return false;
        m_volts = capacitorVolts(x);
        m_rate.assign(m_volts.size(), 0);
        return true;
    }

    /// One step of backward Euler: damps what a corner stirred up and gives the rates after it.
    [[nodiscard]] bool eulerStep(double from, double step) {
        setSources(from + step);
        for (std::size_t k = 0; k < m_volts.size(); ++k) {
            const double g = capacitance(k) / step;
            m_excitation.capacitorConductance[k] = g;
            m_excitation.capacitorCurrent[k] = -g * m_volts[k];
        }
        Eigen::VectorXd next = x;
        if (!m_newton.settle(next, m_excitation)) return false;
        const std::vector<double> volts = capacitorVolts(next);
        for (std::size_t k = 0; k < volts.size(); ++k) m_rate[k] = (volts[k] - m_volts[k]) / step;
        m_volts = volts;
        x = next;
        return true;
    }

    /// One TR-BDF2 step. The error is relative to the tolerance; nothing where it did not settle.
    /// The step counts only when it is accepted.
    [[nodiscard]] std::optional<double> tryStep(double from, double step) {
        // Trapezoidal rule over γ·h.
        setSources(from + gamma * step);
        for (std::size_t k = 0; k < m_volts.size(); ++k) {
            const double g = 2 * capacitance(k) / (gamma * step);
            m_excitation.capacitorConductance[k] = g;
            m_excitation.capacitorCurrent[k] = -g * m_volts[k] - capacitance(k) * m_rate[k];
        }
        m_next = x;
        if (!m_newton.settle(m_next, m_excitation)) return {};
        const std::vector<double> middle = capacitorVolts(m_next);
        // BDF2 over the whole step; with γ = 2 − √2 both stages have the same conductance.
        setSources(from + step);
        for (std::size_t k = 0; k < m_volts.size(); ++k) {
            const double c = capacitance(k) / step;
            m_excitation.capacitorCurrent[k] =
                c * ((1 - gamma) / gamma * m_volts[k] - middle[k] / (gamma * (1 - gamma)));
        }
        if (!m_newton.settle(m_next, m_excitation)) return {};
        m_nextVolts = capacitorVolts(m_next);
        m_nextRate.resize(m_volts.size());
        double worst = 0;
        for (std::size_t k = 0; k < m_volts.size(); ++k) {
            const double middleRate = 2 * (middle[k] - m_volts[k]) / (gamma * step) - m_rate[k];
            m_nextRate[k] = ((2 - gamma) / (1 - gamma) * m_nextVolts[k] -
                             middle[k] / (gamma * (1 - gamma)) + (1 - gamma) / gamma * m_volts[k]) /
                            step;
            const double error = 2 * errorConstant * step *
                                 (m_rate[k] / gamma - middleRate / (gamma * (1 - gamma)) +
                                  m_nextRate[k] / (1 - gamma));
            const double scale =
                relativeTolerance * std::max(std::abs(m_volts[k]), std::abs(m_nextVolts[k])) +
                absoluteTolerance;
            worst = std::max(worst, std::abs(error) / scale);
        }
        return worst;
    }
    void accept() {
        x = m_next;
        m_volts = m_nextVolts;
        m_rate = m_nextRate;
    }

    Eigen::VectorXd x;

private:
    [[nodiscard]] double capacitance(std::size_t k) const {
        return m_circuit.capacitors[k].capacitance.value();
    }
    [[nodiscard]] std::vector<double> capacitorVolts(const Eigen::VectorXd& at) const {
        std::vector<double> volts;
        for (const Capacitor& each : m_circuit.capacitors) {
            volts.push_back(m_newton.voltage(at, each.a) - m_newton.voltage(at, each.b));
        }
        return volts;
    }
    void setSources(double time) {
        for (std::size_t k = 0; k < m_circuit.voltageSources.size(); ++k) {
            m_excitation.volts[k] = valueAt(m_circuit.voltageSources[k].volts, time);
        }
        for (std::size_t k = 0; k < m_circuit.currentSources.size(); ++k) {
            m_excitation.amps[k] = valueAt(m_circuit.currentSources[k].amps, time);
        }
    }

    const Circuit& m_circuit;
    Newton& m_newton;
    Excitation m_excitation;
    std::vector<double> m_volts, m_rate, m_nextVolts, m_nextRate;
    Eigen::VectorXd m_next;
};

double nextCornerOf(const Circuit& circuit, double time) {
    double corner = std::numeric_limits<double>::infinity();
    for (const VoltageSource& each : circuit.voltageSources) {
        corner = std::min(corner, nextCorner(each.volts, time));
    }
    for (const CurrentSource& each : circuit.currentSources) {
        corner = std::min(corner, nextCorner(each.amps, time));
    }
    return corner;
}

}  // namespace

Result<Transient> transient(const Circuit& circuit, const TransientSpan& span) {
    if (const auto possible = solvable(circuit); !possible) return tl::unexpected(possible.error());
    if (!(span.step > 0) || !(span.stop >= span.step) || !(span.stop / span.step <= mostPoints)) {
        return failure(ErrorCode::OutOfRange, "tran",
                       text("A transient takes a step above 0 and a stop of at least one and at "
                            "most a million steps."));
    }
    const auto last = static_cast<long>(std::floor(span.stop / span.step + 1e-9));
    Newton newton(circuit);
    Integration integration(circuit, newton);
    if (!integration.begin()) return tl::unexpected(didNotSettle(circuit));

    Transient result;
    result.voltage.resize(circuit.nodes.size());
    const auto print = [&](double time) {
        result.time.push_back(time);
        for (Node node = 0; node < circuit.nodes.size(); ++node) {
            result.voltage[node].push_back(newton.voltage(integration.x, node));
        }
    };
    print(0);
    double time = 0;
    double step = span.step / 100;
    bool afterCorner = true;
    double corner = nextCornerOf(circuit, 0);
    const double least = span.step * 1e-9;
    for (long printed = 1; printed <= last;) {
        const double due = static_cast<double>(printed) * span.step;
        double until = std::min(due, corner);
        if (due - until < least) until = due;  // a corner on a printed time, but for rounding
        const double left = until - time;
        const double taken = step >= left * 0.999 ? left : std::min(step, left / 2);
        if (afterCorner) {
            // A sliver of the step: it costs no accuracy and settles the rates.
            const double sliver = std::min(taken, span.step) * 1e-2;
            if (!integration.eulerStep(time, sliver)) return tl::unexpected(didNotSettle(circuit));
            time += sliver;
            afterCorner = false;
            continue;
        }
        const auto error = integration.tryStep(time, taken);
        const bool good = error && *error <= 1;
        if (!good) {
            ++result.rejected;
            step = taken * (error ? std::max(0.1, 0.9 * std::cbrt(1 / *error)) : 0.125);
            if (step < least) return tl::unexpected(didNotSettle(circuit));
            continue;
        }
        integration.accept();
        ++result.steps;
        const bool arrived = taken >= left;
        time = arrived ? until : time + taken;
        const double growth = *error > 0 ? std::min(3.0, 0.9 * std::cbrt(1 / *error)) : 3.0;
        // A step that was cut short to arrive somewhere says little about the next one.
        if (!arrived || growth < 1)
            step = taken * growth;
        else
            step = std::max(step, taken * growth);
        if (!arrived) continue;
        if (until >= corner - least) {
            corner = nextCornerOf(circuit, std::max(until, corner));
            step = std::min(step, span.step / 100);
            afterCorner = true;
        }
        if (until >= due) {
            print(due);
            ++printed;
        }
    }
    return result;
}

}  // namespace glimmet::core::circuit
