// The circuit engine and ngspice (as a library) in one process, on the same circuits. Ratios of
// pairs of rows are what counts: ours/NAME against ngspice/NAME.
#include "core/circuit/settling.h"
#include "core/circuit/spice.h"
#include "timed_circuits.h"

#include <benchmark/benchmark.h>

#include <cstdlib>

namespace {

using namespace glimmet::core::circuit;
using namespace glimmet::bench;
using glimmet::core::Volts;

/// Operating points of a circuit that is loaded once, as ngspice has it; `before` each.
template <class Before>
void points(benchmark::State& state, const Netlist& netlist, Before before) {
    Solver solver(netlist.circuit);
    solver.setTolerance(timedTolerance, 1e-12);
    OperatingPoint point;
    for (auto _ : state) {
        before(solver);
        if (!solver.settleFromAnywhere()) std::abort();
        read(solver, point);
        benchmark::DoNotOptimize(point.current.data());
    }
    state.counters["iterations"] = benchmark::Counter(static_cast<double>(solver.iterations()),
                                                      benchmark::Counter::kAvgIterations);
}
/// From nothing.
void ours(benchmark::State& state, const char* name) {
    const Netlist netlist = circuitNamed(name);
    if (const auto* given = std::get_if<TransientSpan>(&netlist.analysis)) {
        TransientSpan span = *given;
        span.accuracy = timedAccuracy(name);
        span.ownSteps = true;  // as ngspice's own
        Transient last;
        for (auto _ : state) last = transient(netlist.circuit, span).value();
        state.counters["steps"] = static_cast<double>(last.steps);
        state.counters["rejected"] = static_cast<double>(last.rejected);
        state.counters["iterations"] = static_cast<double>(last.iterations);
        return;
    }
    points(state, netlist, [&](Solver& solver) {
        solver.rest(netlist.circuit);
        solver.forget();
    });
}
/// Solved again after a small change of the supply, from the last solution: what a keystroke does.
void oursAgain(benchmark::State& state, const char* name) {
    double turn = 0;
    points(state, circuitNamed(name),
           [&](Solver& solver) { solver.excitation.volts[0] = 12 + 0.12 * (turn = 1 - turn); });
}
/// From nothing, and all values taken anew before: laws at their temperature, starting currents.
void oursUpdated(benchmark::State& state, const char* name) {
    const Netlist netlist = circuitNamed(name);
    points(state, netlist, [&](Solver& solver) {
        solver.update(netlist.circuit);
        solver.forget();
    });
}
void ngspice(benchmark::State& state, const char* name) {
    loadIntoNgspice(circuitNamed(name));
    std::string run = "run";
    std::string forget = "destroy all";
    for (auto _ : state) {
        ngSpice_Command(run.data());
        ngSpice_Command(forget.data());
    }
}
#define BOTH(name)                                                       \
    BENCHMARK_CAPTURE(ours, name, #name)->Unit(benchmark::kMicrosecond); \
    BENCHMARK_CAPTURE(ngspice, name, #name)->Unit(benchmark::kMicrosecond)
#define AGAIN(name)                                                           \
    BENCHMARK_CAPTURE(oursAgain, name, #name)->Unit(benchmark::kMicrosecond); \
    BENCHMARK_CAPTURE(oursUpdated, name, #name)->Unit(benchmark::kMicrosecond)
BOTH(one);
BOTH(six);
BOTH(bridge);
BOTH(bus200);
AGAIN(one);
AGAIN(six);
AGAIN(bridge);
AGAIN(bus200);
BOTH(dcc);
BOTH(stayAlive);

/// Time over size: the exponent is fitted by the benchmark library.
void busOfLamps(benchmark::State& state) {
    const Netlist netlist = bus(static_cast<int>(state.range(0)), 1e-5).op();
    for (auto _ : state)
        benchmark::DoNotOptimize(operatingPoint(netlist.circuit).value().voltage.data());
    state.SetComplexityN(state.range(0));
}
BENCHMARK(busOfLamps)
    ->RangeMultiplier(10)
    ->Range(10, 10000)
    ->Unit(benchmark::kMillisecond)
    ->Complexity();

}  // namespace
