#include "core/circuit/crossing.h"
#include "core/circuit/settling.h"
#include "core/circuit/topology.h"

#include <algorithm>
#include <cctype>
#include <cmath>

namespace glimmet::core::circuit {
namespace {

bool sameName(std::string_view a, std::string_view b) {
    return std::equal(a.begin(), a.end(), b.begin(), b.end(), [](unsigned char x, unsigned char y) {
        return x == y || (x < 128 && y < 128 && std::tolower(x) == std::tolower(y));
    });
}

}  // namespace

Result<void> checked(const Circuit& circuit) {
    if (const auto values = valuesInRange(circuit); !values) return values;
    return solvable(circuit);
}

Result<Solver> solverFor(const Circuit& circuit) {
    if (const auto possible = checked(circuit); !possible) return tl::unexpected(possible.error());
    Solver solver(circuit);
    if (!solver.fits()) {
        return failure(ErrorCode::OutOfRange, circuit.title,
                       text("The circuit joins too many nodes with too many others to be solved."));
    }
    return solver;
}

bool settleAtBeginning(const Circuit& circuit, Solver& solver) {
    solver.rest(circuit);
    Excitation& excitation = solver.excitation;
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k)
        excitation.volts[k] = valueAt(circuit.voltageSources[k].volts, 0);
    for (std::size_t k = 0; k < circuit.currentSources.size(); ++k)
        excitation.amps[k] = valueAt(circuit.currentSources[k].amps, 0);
    for (std::size_t k = 0; k < circuit.capacitors.size(); ++k) {
        const auto& initially = circuit.capacitors[k].initially;
        if (!initially) continue;
        excitation.capacitorConductance[k] = holding;
        excitation.capacitorEmf[k] = initially->value();
    }
    solver.forget();
    return solver.settleFromAnywhere();
}

void read(const Solver& solver, OperatingPoint& point) {
    solver.voltages(point.voltage);
    solver.sourceCurrents(point.current);
    solver.diodeCurrents(point.diode);
}

Result<OperatingPoint> pointOf(const Circuit& circuit, const Solver& solver) {
    OperatingPoint point;
    read(solver, point);
    for (std::size_t k = 0; k < point.current.size(); ++k) {
        if (std::isfinite(point.current[k])) continue;
        return failure(ErrorCode::OutOfRange, circuit.voltageSources[k].name,
                       text("The current of %1 is beyond any number: its volts are far too high "
                            "for what hangs on it.",
                            circuit.voltageSources[k].name));
    }
    return point;
}

Error didNotSettle(const Solver& solver) {
    const std::string around(solver.unsettled());
    return Error{ErrorCode::OutOfRange, around,
                 text("The circuit did not settle around %1: its equations have no steady "
                      "solution within reach.",
                      around)};
}

double* sourceValue(const Circuit& circuit, Solver& solver, std::string_view source) {
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        if (sameName(circuit.voltageSources[k].name, source)) return &solver.excitation.volts[k];
    }
    for (std::size_t k = 0; k < circuit.currentSources.size(); ++k) {
        if (sameName(circuit.currentSources[k].name, source)) return &solver.excitation.amps[k];
    }
    return nullptr;
}

namespace {

Error noSource(std::string_view source) {
    return Error{ErrorCode::Unknown, std::string(source),
                 text("There is no source called %1.", std::string(source))};
}

}  // namespace

Result<OperatingPoint> operatingPoint(const Circuit& circuit) {
    auto solver = solverFor(circuit);
    if (!solver) return tl::unexpected(solver.error());
    if (!solver->settleFromAnywhere()) return tl::unexpected(didNotSettle(*solver));
    return pointOf(circuit, *solver);
}

Result<Sweep> swept(const Circuit& circuit, std::string_view source, const SweepRange& range) {
    auto solver = solverFor(circuit);
    if (!solver) return tl::unexpected(solver.error());
    double* value = sourceValue(circuit, *solver, source);
    if (!value) return tl::unexpected(noSource(source));
    const double steps = (range.stop - range.start) / range.step;
    if (!std::isfinite(steps) || steps < 0 || steps > mostPoints) {
        return failure(
            ErrorCode::OutOfRange, "step",
            text("The step must lead from start towards stop in at most a million steps."));
    }
    const auto count = static_cast<long>(std::floor(steps + 1e-9)) + 1;
    Sweep sweep;
    for (long i = 0; i < count; ++i) {
        *value = range.start + static_cast<double>(i) * range.step;
        if (!solver->settleFromAnywhere()) return tl::unexpected(didNotSettle(*solver));
        auto point = pointOf(circuit, *solver);
        if (!point) return tl::unexpected(point.error());
        sweep.value.push_back(*value);
        sweep.points.push_back(std::move(*point));
    }
    return sweep;
}

Result<double> valueForDiodeCurrent(const Circuit& circuit, std::string_view source, double current,
                                    double low, double high) {
    auto solver = solverFor(circuit);
    if (!solver) return tl::unexpected(solver.error());
    double* value = sourceValue(circuit, *solver, source);
    if (!value) return tl::unexpected(noSource(source));
    bool settled = true;
    // The largest current at a value, as a logarithm: it rises almost straight below the knee.
    const auto excess = [&](double at) {
        *value = at;
        settled = settled && solver->settleFromAnywhere();
        double largest = 0;
        for (std::size_t k = 0; k < circuit.diodes.size(); ++k)
            largest = std::max(largest, solver->diodeCurrent(k));
        return std::log(std::max(largest, 1e-300) / current);
    };
    double at = low;
    double below = excess(low);
    if (settled && below >= 0) return low;
    constexpr int strides = 64;
    double reached = low;
    double beyond = below;
    for (int i = 1; i <= strides && settled && beyond < 0; ++i) {
        at = reached;
        below = beyond;
        reached = low + (high - low) * i / strides;
        beyond = excess(reached);
    }
    if (settled && beyond < 0) {
        return failure(ErrorCode::OutOfRange, std::string(source),
                       text("No lamp reaches that current up to the end of the range."));
    }
    reached = crossing({at, below, reached, beyond}, 1e-13 * std::abs(reached), excess);
    if (!settled) return tl::unexpected(didNotSettle(*solver));
    return reached;
}

}  // namespace glimmet::core::circuit
