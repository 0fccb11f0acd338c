#include "core/circuit/averaged.h"

#include "core/circuit/settling.h"
#include "core/circuit/topology.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cmath>
#include <limits>
#include <optional>

namespace glimmet::core::circuit {
namespace {

constexpr int pointsOnASlope = 8;
constexpr int pointsOnASine = 64;
constexpr std::size_t mostPhases = 4000;
constexpr double leastStepShare = 1e-10;  // of the whole: no step is shorter

/// How long a waveform takes to repeat; infinite: it does not.
double periodOf(const Waveform& waveform) {
    if (const auto* pulse = std::get_if<Pulse>(&waveform); pulse && pulse->period > 0)
        return pulse->period;
    if (const auto* lines = std::get_if<PiecewiseLinear>(&waveform); lines && lines->period > 0)
        return lines->period;
    if (const auto* sine = std::get_if<Sine>(&waveform)) {
        const bool steady = !(std::abs(sine->damping) > 0) && !(sine->delay > 0);
        if (steady && sine->frequency > 0) return 1 / sine->frequency;
    }
    return never;
}

struct Phase {
    double time = 0;    ///< s, where a rhythm's waveforms are taken
    double weight = 0;  ///< share of its period
};
/// Waveforms that repeat together.
struct Rhythm {
    double period = 0;
    std::vector<const Waveform*> members;
    std::vector<Phase> phases;

    void findPhases() {
        // After the first few turns delays are over.
        double begin = 0;
        bool sine = false;
        for (const Waveform* each : members) {
            sine = sine || std::holds_alternative<Sine>(*each);
            if (const auto* pulse = std::get_if<Pulse>(each))
                begin = std::max(begin, std::ceil(pulse->delay / period) * period);
        }
        begin += period;
        const double end = begin + period;
        for (double from = begin; from < end - 1e-9 * period;) {
            double to = end;
            for (const Waveform* each : members) to = std::min(to, nextCorner(*each, from));
            bool level = !sine;
            for (const Waveform* each : members) {
                level = level && std::abs(valueAt(*each, from + 0.25 * (to - from)) -
                                          valueAt(*each, from + 0.75 * (to - from))) < 1e-12;
            }
            const int points = level ? 1 : sine ? pointsOnASine : pointsOnASlope;
            for (int i = 0; i < points; ++i) {
                phases.push_back(
                    {from + (i + 0.5) * (to - from) / points, (to - from) / points / period});
            }
            from = to;
        }
    }
};

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

class Averaged {
public:
    Averaged(const Circuit& circuit, const LongSpan& span, Solver& solver)
        : m_circuit(circuit), m_span(span), m_solver(solver) {
        for (std::size_t k = 0; k < circuit.onePorts.size(); ++k) {
            if (hasTemperature(circuit.onePorts[k].law)) m_warm.push_back(k);
        }
        m_size = static_cast<Eigen::Index>(circuit.capacitors.size() + m_warm.size());
        m_rates = Eigen::VectorXd::Zero(m_size);
    }

    /// Why means will not do, if so.
    std::optional<Text> obstacle() {
        if (!m_circuit.fuses.empty() || !m_circuit.blinkers.empty())
            return text("a fuse or a blinking lamp decides by the instant");
        const auto sort = [&](const Waveform& waveform) {
            const double period = periodOf(waveform);
            if (!(period <= m_span.repetition)) return;
            for (Rhythm& rhythm : m_rhythms) {
                if (std::abs(rhythm.period - period) > 1e-9 * period) continue;
                rhythm.members.push_back(&waveform);
                return;
            }
            m_rhythms.push_back({period, {&waveform}, {}});
        };
        for (const VoltageSource& each : m_circuit.voltageSources) sort(each.volts);
        for (const CurrentSource& each : m_circuit.currentSources) sort(each.amps);
        for (const Switch& each : m_circuit.switches) sort(each.gate);
        if (m_rhythms.empty()) return text("nothing in it repeats quickly");
        if (m_rhythms.size() > 2) return text("more than two rhythms beat against each other");
        // The quickest first: it turns within each phase of the slower one, as it does in time.
        std::sort(m_rhythms.begin(), m_rhythms.end(),
                  [](const Rhythm& a, const Rhythm& b) { return a.period < b.period; });
        std::size_t phases = 1;
        for (Rhythm& rhythm : m_rhythms) {
            rhythm.findPhases();
            phases *= rhythm.phases.size();
            m_longest = std::max(m_longest, rhythm.period);
        }
        if (phases > mostPhases) return text("its rhythm has too many turns");
        return {};
    }

    /// False where a solution did not settle; enough() then says nothing.
    bool run(LongTransient& result) {
        result.voltage.resize(m_circuit.nodes.size());
        result.diode.resize(m_circuit.diodes.size());
        result.temperature.resize(m_warm.size());
        Eigen::VectorXd state = beginning();
        if (!m_good) return false;
        double time = 0;
        double step = m_span.stop / 1000;
        print(time, state, result);
        const auto last = static_cast<long>(std::floor(m_span.stop / m_span.step + 1e-9));
        for (long printed = 1; printed <= last && m_good && enough();) {
            const double due = static_cast<double>(printed) * m_span.step;
            double corner = slowCorner(time);
            if (std::abs(corner - due) < leastStepShare * m_span.stop) corner = due;
            const double until = std::min(due, corner);
            const double left = until - time;
            const double taken = step >= left * 0.999 ? left : std::min(step, left / 2);
            Eigen::VectorXd next = state;
            const double error = tryStep(time, taken, next);
            if (!m_good) return false;
            if (error > 1) {
                step = taken * std::clamp(0.9 / std::sqrt(error), 0.1, 0.9);
                if (step < leastStepShare * m_span.stop) return false;
                continue;
            }
            ++result.steps;
            state = next;
            time = taken >= left ? until : time + taken;
            const double growth = error > 0 ? std::min(4.0, 0.9 / std::sqrt(error)) : 4.0;
            step = taken < left || growth < 1 ? taken * growth : std::max(step, taken * growth);
            if (time >= due - leastStepShare * m_span.stop) {
                print(due, state, result);
                ++printed;
            }
        }
        result.ripple = m_ripple;
        return m_good;
    }
    [[nodiscard]] bool enough() const { return m_ripple <= m_span.ripple; }
    [[nodiscard]] double longestRepetition() const { return m_longest; }

private:
    [[nodiscard]] std::size_t capacitors() const { return m_circuit.capacitors.size(); }
    static Eigen::Index at(std::size_t k) { return static_cast<Eigen::Index>(k); }
    [[nodiscard]] double scale(std::size_t k, const Eigen::VectorXd& state) const {
        return k < capacitors() ? std::max(1.0, std::abs(state[at(k)])) : state[at(k)];
    }

    /// Sources and gates at a time; those that repeat at their rhythm's phase.
    void setSources(double time, const std::vector<std::size_t>& phase) {
        const auto value = [&](const Waveform& waveform) {
            for (std::size_t r = 0; r < m_rhythms.size(); ++r) {
                const auto& members = m_rhythms[r].members;
                if (std::find(members.begin(), members.end(), &waveform) != members.end())
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
    /// Calls visit(weight) with the solver at every phase, the states held.
    template <class Visit>
    void atEveryPhase(double time, const Eigen::VectorXd& state, Visit visit) {
        Excitation& excitation = m_solver.excitation;
        for (std::size_t k = 0; k < capacitors(); ++k) {
            excitation.capacitorConductance[k] = holding;
            excitation.capacitorEmf[k] = state[at(k)];
        }
        for (std::size_t k = 0; k < m_warm.size(); ++k)
            excitation.thermal[m_warm[k]] = {false, state[at(capacitors() + k)], 0};
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
    /// Rates of change of the states at the solver's solution.
    void ratesNow(const Eigen::VectorXd& state) {
        for (std::size_t k = 0; k < capacitors(); ++k)
            m_rates[at(k)] =
                m_solver.capacitorCurrent(k) / m_circuit.capacitors[k].capacitance.value();
        for (std::size_t k = 0; k < m_warm.size(); ++k) {
            const std::size_t n = capacitors() + k;
            m_rates[at(n)] = heating(m_circuit.onePorts[m_warm[k]].law,
                                     m_solver.onePortVolts(m_warm[k]), state[at(n)]);
        }
    }
    Eigen::VectorXd mean(double time, const Eigen::VectorXd& state) {
        Eigen::VectorXd sum = Eigen::VectorXd::Zero(m_size);
        atEveryPhase(time, state, [&](double weight) {
            ratesNow(state);
            sum += weight * m_rates;
        });
        return sum;
    }
    /// What the states gain and lose around their mean: within one turn of the quick rhythm, at
    /// whatever phase of the slow one that is most, and on top of it along the slow one.
    void noteRipple(double time, const Eigen::VectorXd& state, const Eigen::VectorXd& drift) {
        const std::size_t quickPhases = m_rhythms.front().phases.size();
        const double quickPeriod = m_rhythms.front().period;
        Excursion slow(m_size);
        Eigen::VectorXd quickMost = Eigen::VectorXd::Zero(m_size);
        std::vector<Eigen::VectorXd> turn;  // rates at each phase of one turn of the quick rhythm
        double share = 0;                   // of the slow rhythm's turn
        atEveryPhase(time, state, [&](double weight) {
            ratesNow(state);
            turn.push_back(m_rates);
            share += weight;
            if (turn.size() < quickPhases) return;
            Eigen::VectorXd mean = Eigen::VectorXd::Zero(m_size);
            for (std::size_t i = 0; i < turn.size(); ++i)
                mean += m_rhythms.front().phases[i].weight * turn[i];
            Excursion quick(m_size);
            for (std::size_t i = 0; i < turn.size(); ++i)
                quick.add(m_rhythms.front().phases[i].weight * quickPeriod * (turn[i] - mean));
            quickMost = quickMost.cwiseMax(quick.size());
            if (m_rhythms.size() > 1) slow.add(share * m_longest * (mean - drift));
            turn.clear();
            share = 0;
        });
        const Eigen::VectorXd most = quickMost + slow.size();
        for (std::size_t k = 0; k < static_cast<std::size_t>(m_size); ++k)
            m_ripple = std::max(m_ripple, most[at(k)] / scale(k, state));
    }

    Eigen::VectorXd beginning() {
        // At rest under the mean of what repeats would not be a state of the circuit: begin as
        // transient() does, from the operating point at time 0.
        m_good = settleAtBeginning(m_circuit, m_solver);
        Eigen::VectorXd state(m_size);
        for (std::size_t k = 0; k < capacitors(); ++k) state[at(k)] = m_solver.capacitorVolts(k);
        for (std::size_t k = 0; k < m_warm.size(); ++k)
            state[at(capacitors() + k)] = m_solver.temperature(m_warm[k]);
        return state;
    }

    /// A step of ROS2 from `state`, which becomes its end; its error over what is allowed.
    double tryStep(double time, double step, Eigen::VectorXd& state) {
        const double share = 1 - 1 / std::sqrt(2.0);
        const Eigen::VectorXd before = mean(time, state);
        noteRipple(time, state, before);
        Eigen::MatrixXd jacobian(m_size, m_size);
        for (Eigen::Index k = 0; k < m_size && m_good; ++k) {
            Eigen::VectorXd moved = state;
            const double nudge = 1e-5 * scale(static_cast<std::size_t>(k), state);
            moved[k] += nudge;
            jacobian.col(k) = (mean(time, moved) - before) / nudge;
        }
        const Eigen::PartialPivLU<Eigen::MatrixXd> factors(
            Eigen::MatrixXd::Identity(m_size, m_size) - share * step * jacobian);
        const Eigen::VectorXd k1 = factors.solve(before);
        const Eigen::VectorXd k2 = factors.solve(mean(time + step, state + step * k1) - 2 * k1);
        const Eigen::VectorXd error = step / 2 * (k1 + k2);
        double worst = 0;
        for (std::size_t k = 0; k < static_cast<std::size_t>(m_size); ++k)
            worst = std::max(worst, std::abs(error[at(k)]) / scale(k, state));
        state += step * (1.5 * k1 + 0.5 * k2);
        // The embedded formula is of first order: the square root is what it says of the second.
        return worst * worst / m_span.accuracy;
    }

    [[nodiscard]] double slowCorner(double time) const {
        double corner = never;
        const auto consider = [&](const Waveform& waveform) {
            if (!(periodOf(waveform) <= m_span.repetition))
                corner = std::min(corner, nextCorner(waveform, time));
        };
        for (const VoltageSource& each : m_circuit.voltageSources) consider(each.volts);
        for (const CurrentSource& each : m_circuit.currentSources) consider(each.amps);
        for (const Switch& each : m_circuit.switches) consider(each.gate);
        return corner;
    }

    void print(double time, const Eigen::VectorXd& state, LongTransient& result) {
        result.time.push_back(time);
        for (auto& column : result.voltage) column.push_back(0);
        for (auto& column : result.diode) column.push_back(0);
        for (std::size_t k = 0; k < m_warm.size(); ++k)
            result.temperature[k].push_back(state[at(capacitors() + k)]);
        atEveryPhase(time, state, [&](double weight) {
            for (Node node = 0; node < result.voltage.size(); ++node)
                result.voltage[node].back() += weight * m_solver.voltage(node);
            for (std::size_t k = 0; k < result.diode.size(); ++k)
                result.diode[k].back() += weight * m_solver.diodeCurrent(k);
        });
    }

    const Circuit& m_circuit;
    const LongSpan& m_span;
    Solver& m_solver;
    std::vector<std::size_t> m_warm;  ///< one-ports with a temperature
    std::vector<Rhythm> m_rhythms;
    Eigen::Index m_size = 0;
    Eigen::VectorXd m_rates;
    double m_longest = 0;  ///< s, period
    double m_ripple = 0;
    bool m_good = true;
};

}  // namespace

Result<LongTransient> longTransient(const Circuit& circuit, const LongSpan& span) {
    if (!(span.step > 0) || !(span.stop >= span.step) || !(span.stop / span.step <= mostPoints)) {
        return failure(ErrorCode::OutOfRange, "tran",
                       text("A transient takes a step above 0 and a stop of at least one and at "
                            "most a million steps."));
    }
    auto solver = solverFor(circuit);
    if (!solver) return tl::unexpected(solver.error());
    Averaged averaged(circuit, span, *solver);
    LongTransient result;
    auto obstacle = averaged.obstacle();
    if (!obstacle && loopsOfCapacitors(circuit))
        obstacle = text("a capacitor stands straight across a supply");
    if (!obstacle) {
        if (averaged.run(result) && averaged.enough()) {
            result.averaged = true;
            result.why = text(
                "Means over each repetition: within it no capacitor moves by more "
                "than %1 % of its volts.",
                std::to_string(100 * result.ripple));
            return result;
        }
        obstacle = text("a capacitor moves too much within a repetition");
    }
    const auto exact = transient(circuit, {span.step, span.stop, span.accuracy, false, {}});
    if (!exact) return tl::unexpected(exact.error());
    const double ripple = result.ripple;
    result = {};
    result.time = exact->time;
    result.voltage = exact->voltage;
    result.ripple = ripple;
    result.steps = exact->steps;
    result.why = text("Every edge was followed: %1.", *obstacle);
    return result;
}

}  // namespace glimmet::core::circuit
