// The circuit engine and ngspice (as a library) in one process, on the same circuits. Ratios of
// pairs of rows are what counts: ours/NAME against ngspice/NAME.
#include "core/circuit/settling.h"
#include "core/circuit/spice.h"
#include "support/trade_circuits.h"

#include <benchmark/benchmark.h>
#include <ngspice/sharedspice.h>

#include <cstdlib>
#include <cstring>
#include <map>
#include <sstream>

namespace {

using namespace glimmet::core::circuit;
using glimmet::core::LedFamily;
using glimmet::tests::Build;

// ---- ngspice's callbacks: nothing is to be heard or shown
// ----------------------------------------
int quiet(char*, int, void*) { return 0; }
int ended(int, NG_BOOL, NG_BOOL, int, void*) { return 0; }

void loadIntoNgspice(const Netlist& netlist) {
    static const bool started =
        ngSpice_Init(quiet, quiet, ended, nullptr, nullptr, nullptr, nullptr) == 0;
    if (!started) std::abort();
    static std::string command = "remcirc";
    static bool loaded = false;
    if (loaded) ngSpice_Command(command.data());
    std::vector<std::string> lines;
    std::istringstream text(writtenNetlist(netlist));
    for (std::string line; std::getline(text, line);) lines.push_back(line);
    std::vector<char*> pointers;
    for (std::string& line : lines) pointers.push_back(line.data());
    pointers.push_back(nullptr);
    ngSpice_Circ(pointers.data());
    loaded = true;
}

Build bridgeWithTwoStrings() {
    Build build("bridge with two strings");
    build.v("in", "0", Constant{12})
        .bridge("in", "0", "p", "m")
        .r("p", "a", 680)
        .led("a", "m", LedFamily::White)
        .r("p", "b", 470)
        .led("b", "c", LedFamily::Red)
        .led("c", "m", LedFamily::Red);
    return build;
}
Build bus(int lamps, double section) {
    Build build("bus");
    build.v("n0", "0", Constant{12});
    for (int k = 1; k <= lamps; ++k) {
        const std::string from = "n" + std::to_string(k - 1), to = "n" + std::to_string(k),
                          lamp = "l" + std::to_string(k);
        build.r(from.c_str(), to.c_str(), section)
            .r(to.c_str(), lamp.c_str(), 1000)
            .led(lamp.c_str(), "0", LedFamily::White);
    }
    return build;
}
Netlist circuitNamed(const std::string& name) {
    if (name == "one")
        return Build("one")
            .v("in", "0", Constant{13.2})
            .r("in", "a", 2200)
            .led("a", "0", LedFamily::White)
            .op();
    if (name == "six") {
        Build build("six");
        build.v("in", "0", Constant{13.2}).r("in", "a", 220);
        for (int k = 0; k < 6; ++k) build.led("a", "0", LedFamily::White, 0.02 * k);
        return build.op();
    }
    if (name == "bridge") return bridgeWithTwoStrings().op();
    if (name == "bus200") return bus(200, 0.03).op();
    for (const Netlist& netlist : glimmet::tests::tradeCircuits()) {
        if (name == "dcc" && netlist.circuit.title == "bridge, capacitor and five lamps on DCC") {
            Netlist longer = netlist;
            longer.analysis = TransientSpan{2e-6, 5e-3};
            return longer;
        }
        if (name == "stayAlive" && netlist.circuit.title == "stay-alive over a dead section") {
            Netlist longer = netlist;
            longer.analysis = TransientSpan{1e-3, 2.0};
            return longer;
        }
    }
    std::abort();
}

/// Accuracy at which our transients are timed: their error against a tight reference is below that
/// of ngspice at its defaults (bench/engine_error.cpp).
constexpr double looseAccuracy = 1e-4;

/// The circuit is loaded once, as ngspice has it; each run begins from nothing.
void ours(benchmark::State& state, const char* name) {
    const Netlist netlist = circuitNamed(name);
    if (const auto* given = std::get_if<TransientSpan>(&netlist.analysis)) {
        TransientSpan span = *given;
        span.accuracy = looseAccuracy;
        span.ownSteps = true;  // as ngspice's own
        long steps = 0;
        for (auto _ : state) steps = transient(netlist.circuit, span).value().steps;
        state.counters["steps"] = static_cast<double>(steps);
        return;
    }
    Solver solver(netlist.circuit);
    OperatingPoint point;
    for (auto _ : state) {
        solver.rest(netlist.circuit);
        solver.forget();
        if (!solver.settleFromAnywhere()) std::abort();
        read(netlist.circuit, solver, point);
        benchmark::DoNotOptimize(point.current.data());
    }
    state.counters["iterations"] = benchmark::Counter(static_cast<double>(solver.iterations()),
                                                      benchmark::Counter::kAvgIterations);
}
/// Solved again after a small change of the supply, from the last solution: what a keystroke does.
void oursAgain(benchmark::State& state, const char* name) {
    const Netlist netlist = circuitNamed(name);
    Solver solver(netlist.circuit);
    OperatingPoint point;
    double turn = 0;
    for (auto _ : state) {
        solver.excitation.volts[0] = 12 + 0.12 * (turn = 1 - turn);
        if (!solver.settleFromAnywhere()) std::abort();
        read(netlist.circuit, solver, point);
        benchmark::DoNotOptimize(point.current.data());
    }
    state.counters["iterations"] = benchmark::Counter(static_cast<double>(solver.iterations()),
                                                      benchmark::Counter::kAvgIterations);
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
#define AGAIN(name) BENCHMARK_CAPTURE(oursAgain, name, #name)->Unit(benchmark::kMicrosecond)
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
