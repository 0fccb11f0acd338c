#include "core/circuit/analysis.h"
#include "core/circuit/newton.h"
#include "core/circuit/settling.h"
#include "core/circuit/topology.h"

#include <algorithm>
#include <cctype>
#include <cmath>

namespace glimmet::core::circuit {

Excitation atRest(const Circuit& circuit) {
    Excitation excitation;
    for (const VoltageSource& source : circuit.voltageSources) {
        excitation.volts.push_back(source.dc.value_or(valueAt(source.volts, 0)));
    }
    for (const CurrentSource& source : circuit.currentSources) {
        excitation.amps.push_back(source.dc.value_or(valueAt(source.amps, 0)));
    }
    excitation.capacitorConductance.assign(circuit.capacitors.size(), 0);
    excitation.capacitorCurrent.assign(circuit.capacitors.size(), 0);
    return excitation;
}

bool settledFromAnywhere(Newton& newton, Eigen::VectorXd& x, const Excitation& excitation) {
    if (newton.settle(x, excitation)) return true;
    // gmin stepping: first every junction is bridged by a conductance, which is then taken away.
    x.setZero(newton.size());
    Excitation eased = excitation;
    bool good = true;
    for (double extra = 1e-2; good && extra > 1e-14; extra /= 10) {
        eased.junctionExtra = extra;
        good = newton.settle(x, eased);
    }
    if (good && newton.settle(x, excitation)) return true;
    // Source stepping: from nothing up to the full sources, in steps that shrink where they must.
    x.setZero(newton.size());
    Eigen::VectorXd last = x;
    double reached = 0;
    double step = 0.1;
    while (reached < 1 && step > 1e-6) {
        const double share = std::min(1.0, reached + step);
        eased = excitation;
        for (double& volts : eased.volts) volts *= share;
        for (double& amps : eased.amps) amps *= share;
        if (newton.settle(x, eased)) {
            reached = share;
            last = x;
            step *= 2;
        } else {
            x = last;
            step /= 4;
        }
    }
    return reached >= 1;
}

Error didNotSettle(const Circuit& circuit) {
    const std::string around = circuit.diodes.empty() ? circuit.title : circuit.diodes.front().name;
    return Error{ErrorCode::OutOfRange, around,
                 text("The circuit did not settle around %1: its equations have no steady "
                      "solution within reach.",
                      around)};
}

namespace {

OperatingPoint pointOf(const Circuit& circuit, const Newton& newton, const Eigen::VectorXd& x) {
    OperatingPoint point;
    for (Node node = 0; node < circuit.nodes.size(); ++node) {
        point.voltage.push_back(newton.voltage(x, node));
    }
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        point.current.push_back(newton.sourceCurrent(x, k));
    }
    return point;
}

std::string lowered(std::string_view words) {
    std::string lower(words);
    std::transform(lower.begin(), lower.end(), lower.begin(), [](unsigned char c) {
        return static_cast<char>(c < 128 ? std::tolower(c) : c);
    });
    return lower;
}

}  // namespace

Result<OperatingPoint> operatingPoint(const Circuit& circuit) {
    if (const auto possible = solvable(circuit); !possible) return tl::unexpected(possible.error());
    Newton newton(circuit);
    Eigen::VectorXd x = Eigen::VectorXd::Zero(newton.size());
    if (!settledFromAnywhere(newton, x, atRest(circuit)))
        return tl::unexpected(didNotSettle(circuit));
    return pointOf(circuit, newton, x);
}

Result<Sweep> swept(const Circuit& circuit, std::string_view source, const SweepRange& range) {
    if (const auto possible = solvable(circuit); !possible) return tl::unexpected(possible.error());
    Excitation excitation = atRest(circuit);
    double* value = nullptr;
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        if (lowered(circuit.voltageSources[k].name) == lowered(source))
            value = &excitation.volts[k];
    }
    for (std::size_t k = 0; k < circuit.currentSources.size(); ++k) {
        if (lowered(circuit.currentSources[k].name) == lowered(source)) value = &excitation.amps[k];
    }
    if (!value) {
        return failure(ErrorCode::Unknown, std::string(source),
                       text("There is no source called %1.", std::string(source)));
    }
    const double steps = (range.stop - range.start) / range.step;
    if (!std::isfinite(steps) || steps < 0 || steps > mostPoints) {
        return failure(
            ErrorCode::OutOfRange, "step",
            text("The step must lead from start towards stop in at most a million steps."));
    }
    const auto count = static_cast<long>(std::floor(steps + 1e-9)) + 1;
    Newton newton(circuit);
    Eigen::VectorXd x = Eigen::VectorXd::Zero(newton.size());
    Sweep sweep;
    for (long i = 0; i < count; ++i) {
        *value = range.start + static_cast<double>(i) * range.step;
        if (!settledFromAnywhere(newton, x, excitation))
            return tl::unexpected(didNotSettle(circuit));
        sweep.value.push_back(*value);
        sweep.points.push_back(pointOf(circuit, newton, x));
    }
    return sweep;
}

}  // namespace glimmet::core::circuit
