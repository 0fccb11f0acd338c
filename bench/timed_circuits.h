// The circuits that are timed, and ngspice as a library beside our engine.
#pragma once

#include "support/trade_circuits.h"

#include <ngspice/sharedspice.h>

#include <cstdlib>
#include <sstream>
#include <string>
#include <vector>

namespace glimmet::bench {

using namespace core::circuit;
using core::LedFamily;
using tests::Build;

/// Accuracy at which our transients are timed: their error against a tight reference is then below
/// that of ngspice at its defaults (engine_error.cpp).
inline constexpr double timedTolerance = 1e-5;  // of operating points likewise
inline double timedAccuracy(const std::string& name) { return name == "dcc" ? 1e-2 : 1e-5; }

// ngspice's callbacks: nothing is to be heard or shown.
inline int quiet(char*, int, void*) { return 0; }
inline int ended(int, NG_BOOL, NG_BOOL, int, void*) { return 0; }

inline void loadIntoNgspice(const Netlist& netlist) {
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

inline Build bus(int lamps, double section) {
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
inline Netlist circuitNamed(const std::string& name) {
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
    if (name == "bridge")
        return Build("bridge with two strings")
            .v("in", "0", Constant{12})
            .bridgeWithTwoStrings("in", "0")
            .op();
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

}  // namespace glimmet::bench
