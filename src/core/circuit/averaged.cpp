#include "core/circuit/averaged.h"

#include "core/circuit/mean_rates.h"
#include "core/circuit/rhythm.h"
#include "core/circuit/topology.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cmath>
#include <optional>

namespace glimmet::core::circuit {
namespace {

constexpr std::size_t mostPhases = 4000;
constexpr double leastStepShare = 1e-10;  // of the whole: no step is shorter

/// Why means will not do, if so.
std::optional<Text> obstacle(const Circuit& circuit, const std::vector<Rhythm>& rhythms) {
    if (!circuit.fuses.empty() || !circuit.blinkers.empty())
        return text("a fuse or a blinking lamp decides by the instant");
    if (rhythms.empty()) return text("nothing in it repeats quickly");
    if (rhythms.size() > 2) return text("more than two rhythms beat against each other");
    std::size_t phases = 1;
    for (const Rhythm& each : rhythms) phases *= each.phases.size();
    if (phases > mostPhases) return text("its rhythm has too many turns");
    if (loopsOfCapacitors(circuit)) return text("a capacitor stands straight across a supply");
    return {};
}

struct Step {
    Eigen::VectorXd state;  ///< at its end
    double error = 0;       ///< over what is allowed
    double ripple = 0;      ///< at its beginning, the largest: share of a state's scale
};

/// One step of ROS2.
Step stepOf(MeanRates& rates, double time, double step, const Eigen::VectorXd& state,
            double accuracy) {
    const double share = 1 - 1 / std::sqrt(2.0);
    const Eigen::Index size = state.size();
    const Eigen::VectorXd scale = rates.scale(state);
    const Eigen::VectorXd before = rates.at(time, state);
    Step taken;
    if (size > 0) taken.ripple = rates.ripple(time, state, before).cwiseQuotient(scale).maxCoeff();
    Eigen::MatrixXd jacobian(size, size);
    for (Eigen::Index k = 0; k < size && rates.good(); ++k) {
        Eigen::VectorXd moved = state;
        const double nudge = 1e-5 * scale[k];
        moved[k] += nudge;
        jacobian.col(k) = (rates.at(time, moved) - before) / nudge;
    }
    const Eigen::PartialPivLU<Eigen::MatrixXd> factors(Eigen::MatrixXd::Identity(size, size) -
                                                       share * step * jacobian);
    const Eigen::VectorXd k1 = factors.solve(before);
    const Eigen::VectorXd k2 = factors.solve(rates.at(time + step, state + step * k1) - 2 * k1);
    const Eigen::VectorXd error = (step / 2 * (k1 + k2)).cwiseAbs().cwiseQuotient(scale);
    const double worst = size > 0 ? error.maxCoeff() : 0;
    taken.state = state + step * (1.5 * k1 + 0.5 * k2);
    // The embedded formula is of first order: the square root is what it says of the second.
    taken.error = worst * worst / accuracy;
    return taken;
}

void print(MeanRates& rates, const Solver& solver, double time, const Eigen::VectorXd& state,
           LongTransient& result) {
    result.time.push_back(time);
    for (auto& column : result.voltage) column.push_back(0);
    for (auto& column : result.diode) column.push_back(0);
    for (std::size_t k = 0; k < rates.warm(); ++k)
        result.temperature[k].push_back(state[static_cast<Eigen::Index>(rates.capacitors() + k)]);
    rates.atEveryPhase(time, state, [&](double weight) {
        for (Node node = 0; node < result.voltage.size(); ++node)
            result.voltage[node].back() += weight * solver.voltage(node);
        for (std::size_t k = 0; k < result.diode.size(); ++k)
            result.diode[k].back() += weight * solver.diodeCurrent(k);
    });
}

/// False where a solution did not settle, or the ripple (in the result) is larger than means allow.
bool integrate(const Circuit& circuit, const LongSpan& span, Solver& solver,
               const std::vector<Rhythm>& rhythms, LongTransient& result) {
    MeanRates rates(circuit, solver, rhythms);
    result.voltage.resize(circuit.nodes.size());
    result.diode.resize(circuit.diodes.size());
    result.temperature.resize(rates.warm());
    Eigen::VectorXd state = rates.beginning();
    if (!rates.good()) return false;
    double time = 0;
    double step = span.stop / 1000;
    print(rates, solver, time, state, result);
    const auto last = static_cast<long>(std::floor(span.stop / span.step + 1e-9));
    for (long printed = 1; printed <= last && rates.good();) {
        const double due = static_cast<double>(printed) * span.step;
        double corner = slowCorner(circuit, span.repetition, time);
        if (std::abs(corner - due) < leastStepShare * span.stop) corner = due;
        const double until = std::min(due, corner);
        const double left = until - time;
        const double tried = step >= left * 0.999 ? left : std::min(step, left / 2);
        const Step taken = stepOf(rates, time, tried, state, span.accuracy);
        result.ripple = std::max(result.ripple, taken.ripple);
        if (!rates.good() || result.ripple > span.ripple) return false;
        if (taken.error > 1) {
            step = tried * std::clamp(0.9 / std::sqrt(taken.error), 0.1, 0.9);
            if (step < leastStepShare * span.stop) return false;
            continue;
        }
        ++result.steps;
        state = taken.state;
        time = tried >= left ? until : time + tried;
        const double growth = taken.error > 0 ? std::min(4.0, 0.9 / std::sqrt(taken.error)) : 4.0;
        step = tried < left || growth < 1 ? tried * growth : std::max(step, tried * growth);
        if (time >= due - leastStepShare * span.stop) {
            print(rates, solver, due, state, result);
            ++printed;
        }
    }
    return rates.good();
}

}  // namespace

Result<LongTransient> longTransient(const Circuit& circuit, const LongSpan& span) {
    if (!(span.step > 0) || !(span.stop >= span.step) || !(span.stop / span.step <= mostPoints)) {
        return failure(ErrorCode::OutOfRange, "tran",
                       text("A transient takes a step above 0 and a stop of at least one and at "
                            "most a million steps."));
    }
    auto solver = solverFor(circuit);
    if (!solver) return tl::unexpected(solver.error());
    LongTransient result;
    const std::vector<Rhythm> rhythms = rhythmsOf(circuit, span.repetition);
    auto why = obstacle(circuit, rhythms);
    if (!why) {
        if (integrate(circuit, span, *solver, rhythms, result)) {
            result.averaged = true;
            result.why = text(
                "Means over each repetition: within it no capacitor moves by more "
                "than %1 % of its volts.",
                std::to_string(100 * result.ripple));
            return result;
        }
        why = text("a capacitor moves too much within a repetition");
    }
    const auto exact = transient(circuit, {span.step, span.stop, span.accuracy, false, {}});
    if (!exact) return tl::unexpected(exact.error());
    const double ripple = result.ripple;
    result = {};
    result.time = exact->time;
    result.voltage = exact->voltage;
    result.ripple = ripple;
    result.steps = exact->steps;
    result.why = text("Every edge was followed: %1.", *why);
    return result;
}

}  // namespace glimmet::core::circuit
