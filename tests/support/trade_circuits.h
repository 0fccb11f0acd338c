// Circuits as they are met in the trade, built from Glimmet's own parts, for validation.
#pragma once

#include "core/circuit/spice.h"
#include "core/led/led.h"

#include <string>
#include <vector>

namespace glimmet::tests {

/// Builds circuits with few words.
class Build {
public:
    explicit Build(std::string title) { netlist.circuit.title = std::move(title); }

    core::circuit::Netlist netlist;

    Build& r(const char* a, const char* b, double ohms) {
        circuit().resistors.push_back({name('r'), node(a), node(b), core::Ohms{ohms}});
        return *this;
    }
    Build& c(const char* a, const char* b, double farads) {
        circuit().capacitors.push_back({name('c'), node(a), node(b), core::Farads{farads}});
        return *this;
    }
    Build& v(const char* plus, const char* minus, core::circuit::Waveform volts) {
        circuit().voltageSources.push_back(
            {name('v'), node(plus), node(minus), std::move(volts), {}});
        return *this;
    }
    Build& i(const char* plus, const char* minus, core::circuit::Waveform amps) {
        circuit().currentSources.push_back(
            {name('i'), node(plus), node(minus), std::move(amps), {}});
        return *this;
    }
    Build& led(const char* anode, const char* cathode, core::LedFamily family, double lower = 0) {
        const core::FamilyValues values = core::familyValues(family);
        const auto law =
            core::ledLawThrough({values.typical - core::Volts{lower}, core::Amperes{0.02}},
                                values.emission, values.series);
        return diode(anode, cathode, core::diodeModel(*law, ""));
    }
    Build& silicon(const char* anode, const char* cathode) {
        core::circuit::DiodeModel model;
        model.saturation = core::Amperes{2.5e-9};
        model.emission = 1.75;
        model.series = core::Ohms{0.6};
        return diode(anode, cathode, model);
    }
    Build& zener(const char* anode, const char* cathode, double volts) {
        core::circuit::DiodeModel model;
        model.saturation = core::Amperes{1e-14};
        model.emission = 1.1;
        model.series = core::Ohms{4};
        model.breakdown = core::Volts{volts};
        model.breakdownCurrent = core::Amperes{5e-3};
        return diode(anode, cathode, model);
    }
    Build& with(const char* anode, const char* cathode, core::circuit::DiodeModel model) {
        return diode(anode, cathode, std::move(model));
    }
    /// Four silicon diodes; what comes in at `a` and `b` leaves rectified between plus and minus.
    Build& bridgeWithTwoStrings(const char* a, const char* b) {
        return bridge(a, b, "p", "m")
            .r("p", "a", 680)
            .led("a", "m", core::LedFamily::White)
            .r("p", "b", 470)
            .led("b", "c", core::LedFamily::Red)
            .led("c", "m", core::LedFamily::Red);
    }
    Build& bridge(const char* a, const char* b, const char* plus, const char* minus) {
        // A megohm to ground, as any bench has: without it ngspice loses a bridge that floats.
        return silicon(a, plus).silicon(b, plus).silicon(minus, a).silicon(minus, b).r(minus, "0",
                                                                                       1e6);
    }
    core::circuit::Netlist op() { return netlist; }
    core::circuit::Netlist dc(double start, double stop, double step) {
        const auto& c = netlist.circuit;
        netlist.analysis =
            core::circuit::DcAnalysis{c.voltageSources.empty() ? c.currentSources.front().name
                                                               : c.voltageSources.front().name,
                                      {start, stop, step}};
        return netlist;
    }
    core::circuit::Netlist tran(double step, double stop) {
        netlist.analysis = core::circuit::TransientSpan{step, stop};
        return netlist;
    }

private:
    core::circuit::Circuit& circuit() { return netlist.circuit; }
    core::circuit::Node node(const char* called) {
        return core::circuit::nodeNamed(circuit(), called);
    }
    std::string name(char kind) { return kind + std::to_string(++m_count); }
    Build& diode(const char* anode, const char* cathode, core::circuit::DiodeModel model) {
        model.name = "m" + std::to_string(circuit().models.size() + 1);
        circuit().models.push_back(model);
        circuit().diodes.push_back(
            {name('d'), node(anode), node(cathode), circuit().models.size() - 1});
        return *this;
    }
    int m_count = 0;
};

inline std::vector<core::circuit::Netlist> tradeCircuits() {
    using namespace core::circuit;
    using core::LedFamily;
    std::vector<Netlist> all;
    const auto dc = [](double value) { return Constant{value}; };
    for (const auto& [family, word] : core::wordsOf(core::LedFamily())) {
        all.push_back(Build("one " + std::string(core::name(family)) + " LED and its resistor")
                          .v("in", "0", dc(13.2))
                          .r("in", "a", 2200)
                          .led("a", "0", family)
                          .op());
    }
    all.push_back(Build("LED straight on a stiff 3.3 V")
                      .v("in", "0", dc(3.3))
                      .led("in", "0", LedFamily::White)
                      .op());
    all.push_back(Build("LED with no resistor on the bus")
                      .v("in", "0", dc(13.2))
                      .led("in", "0", LedFamily::White)
                      .op());
    all.push_back(Build("two colours in plain parallel")
                      .v("in", "0", dc(12))
                      .r("in", "a", 1000)
                      .led("a", "0", LedFamily::Red)
                      .led("a", "0", LedFamily::White)
                      .op());
    all.push_back(Build("three whites on one resistor, one lower")
                      .v("in", "0", dc(12))
                      .r("in", "a", 305)
                      .led("a", "0", LedFamily::White)
                      .led("a", "0", LedFamily::White)
                      .led("a", "0", LedFamily::White, 0.1)
                      .op());
    const auto six = [&] {
        Build build("six on a shared resistor");
        build.v("in", "0", dc(13.2)).r("in", "a", 220);
        for (int k = 0; k < 6; ++k) build.led("a", "0", LedFamily::White, 0.02 * k);
        return build;
    };
    all.push_back(six().op());
    const auto row = [&](double volts, int count, bool reversed) {
        Build build("row of " + std::to_string(count) + " at " + std::to_string(volts) + " V");
        build.v("in", "0", dc(volts)).r("in", "n0", 330);
        for (int k = 0; k < count; ++k) {
            const std::string a = "n" + std::to_string(k);
            const std::string b = k + 1 == count ? "0" : "n" + std::to_string(k + 1);
            if (reversed)
                build.led(b.c_str(), a.c_str(), LedFamily::White);
            else
                build.led(a.c_str(), b.c_str(), LedFamily::White);
        }
        return build;
    };
    all.push_back(row(13.2, 4, false).op());
    all.push_back(row(5, 4, false).op());  // all below threshold: nanoamperes
    all.push_back(row(1.2, 1, false).op());
    all.push_back(row(13.2, 1, true).op());  // reversed lamps
    all.push_back(row(13.2, 3, true).op());
    for (const double volts : {12.0, -12.0}) {
        all.push_back(Build("antiparallel two-colour")
                          .v("in", "0", dc(volts))
                          .r("in", "a", 820)
                          .led("a", "0", LedFamily::Red)
                          .led("0", "a", LedFamily::Green)
                          .op());
        all.push_back(Build("bridge with two strings")
                          .v("in", "0", dc(volts))
                          .bridgeWithTwoStrings("in", "0")
                          .op());
    }
    all.push_back(Build("Zener at its knee")
                      .v("in", "0", dc(5.2))
                      .r("in", "k", 4700)
                      .zener("0", "k", 5.1)
                      .op());
    all.push_back(Build("Zener holding")
                      .v("in", "0", dc(12))
                      .r("in", "k", 470)
                      .zener("0", "k", 5.1)
                      .r("k", "0", 2200)
                      .op());
    all.push_back(Build("three Zeners across cells")
                      .v("in", "0", dc(18))
                      .r("in", "a", 220)
                      .zener("b", "a", 5.6)
                      .zener("c", "b", 5.6)
                      .zener("0", "c", 5.1)
                      .r("a", "b", 1e5)
                      .r("b", "c", 1.2e5)
                      .r("c", "0", 0.9e5)
                      .op());
    all.push_back(Build("one milliohm beside ten megohms")
                      .v("in", "0", dc(12))
                      .r("in", "a", 1e-3)
                      .r("a", "0", 22)
                      .r("a", "b", 10e6)
                      .led("b", "0", LedFamily::Amber)
                      .op());
    const auto ladder = [&](int lamps) {
        Build build("bus of " + std::to_string(lamps) + " lamps");
        build.v("n0", "0", dc(12));
        for (int k = 1; k <= lamps; ++k) {
            const std::string from = "n" + std::to_string(k - 1);
            const std::string to = "n" + std::to_string(k);
            const std::string lamp = "l" + std::to_string(k);
            build.r(from.c_str(), to.c_str(), 0.03)
                .r(to.c_str(), lamp.c_str(), 1000)
                .led(lamp.c_str(), "0", LedFamily::White);
        }
        return build;
    };
    all.push_back(ladder(20).op());
    all.push_back(ladder(200).op());
    all.push_back(Build("current driver through a row")
                      .i("0", "a", dc(0.012))
                      .led("a", "b", LedFamily::White)
                      .led("b", "c", LedFamily::White)
                      .led("c", "0", LedFamily::Red)
                      .op());
    all.push_back(Build("groups in series")
                      .v("in", "0", dc(12))
                      .r("in", "a", 390)
                      .led("a", "b", LedFamily::White)
                      .led("a", "b", LedFamily::White, 0.05)
                      .led("b", "0", LedFamily::Red)
                      .op());
    all.push_back(Build("bus fed from both ends")
                      .v("a", "0", dc(12))
                      .v("e", "0", dc(11.6))
                      .r("a", "b", 0.4)
                      .r("b", "c", 0.4)
                      .r("c", "d", 0.4)
                      .r("d", "e", 0.4)
                      .r("c", "l", 150)
                      .led("l", "0", LedFamily::White)
                      .r("b", "0", 47)
                      .op());

    all.push_back(Build("lamp over supply")
                      .v("in", "0", dc(0))
                      .r("in", "a", 1000)
                      .led("a", "0", LedFamily::White)
                      .dc(0, 15, 0.25));
    all.push_back(six().dc(0, 14, 0.5));
    all.push_back(Build("bridge over supply")
                      .v("in", "0", dc(0))
                      .bridge("in", "0", "p", "m")
                      .r("p", "a", 680)
                      .led("a", "m", LedFamily::Amber)
                      .dc(-16, 16, 0.5));
    all.push_back(Build("Zener over supply")
                      .v("in", "0", dc(0))
                      .r("in", "k", 470)
                      .zener("0", "k", 5.1)
                      .dc(-2, 12, 0.25));
    all.push_back(Build("two-colour over supply")
                      .v("in", "0", dc(0))
                      .r("in", "a", 330)
                      .led("a", "0", LedFamily::Red)
                      .led("0", "a", LedFamily::TrueGreen)
                      .dc(-6, 6, 0.25));
    all.push_back(Build("LED over its current")
                      .i("0", "a", dc(0))
                      .led("a", "0", LedFamily::Blue)
                      .dc(0, 0.02, 0.001));

    const Pulse step{0, 5, 1e-3, 1e-6, 1e-6, 3e-3, 6e-3};
    all.push_back(Build("RC on a pulse")
                      .v("in", "0", step)
                      .r("in", "a", 1000)
                      .c("a", "0", 1e-6)
                      .tran(5e-5, 12e-3));
    const Sine mains{0, 16 * 1.41421356, 50, 0, 0};
    all.push_back(Build("half-wave with capacitor and lamp")
                      .v("in", "0", mains)
                      .silicon("in", "p")
                      .c("p", "0", 220e-6)
                      .r("p", "a", 1500)
                      .led("a", "0", LedFamily::White)
                      .tran(1e-4, 60e-3));
    all.push_back(Build("bridge, capacitor and lamp on AC")
                      .v("in", "0", mains)
                      .r("in", "s", 2)
                      .bridge("s", "0", "p", "m")
                      .c("p", "m", 100e-6)
                      .r("p", "a", 1800)
                      .led("a", "m", LedFamily::White)
                      .tran(1e-4, 60e-3));
    const Pulse dcc{-14.5, 14.5, 0, 3e-6, 3e-6, 55e-6, 116e-6};
    {
        Build build("bridge, capacitor and five lamps on DCC");
        build.v("in", "0", dcc)
            .r("in", "s", 1)
            .bridge("s", "0", "p", "m")
            .r("p", "q", 22)
            .c("q", "m", 4.7e-6);
        for (const char* lamp : {"l1", "l2", "l3", "l4", "l5"})
            build.r("p", lamp, 2200).led(lamp, "m", LedFamily::White);
        all.push_back(build.tran(2e-6, 1e-3));
    }
    all.push_back(Build("bridge and lamp on DCC, no capacitor")
                      .v("in", "0", dcc)
                      .bridge("in", "0", "p", "m")
                      .r("p", "a", 2200)
                      .led("a", "m", LedFamily::Red)
                      .r("p", "m", 1e5)
                      .c("p", "m", 1e-9)
                      .tran(1e-6, 4e-4));
    const PiecewiseLinear gap{
        {{0, 13.2}, {0.05, 13.2}, {0.0501, 0}, {0.15, 0}, {0.1501, 13.2}, {0.4, 13.2}}};
    all.push_back(Build("stay-alive over a dead section")
                      .v("in", "0", gap)
                      .silicon("in", "bus")
                      .r("bus", "q", 100)
                      .silicon("q", "bus")
                      .c("q", "0", 1500e-6)
                      .r("bus", "0", 220)
                      .tran(1e-3, 0.4));
    all.push_back(Build("stay-alive charging")
                      .v("in", "0", Pulse{0, 13.2, 1e-3, 1e-5, 1e-5, 10, 0})
                      .silicon("in", "bus")
                      .r("bus", "q", 100)
                      .silicon("q", "bus")
                      .c("q", "0", 470e-6)
                      .r("bus", "a", 2200)
                      .led("a", "0", LedFamily::White)
                      .tran(5e-4, 0.3));
    all.push_back(Build("Zener clamp on AC")
                      .v("in", "0", Sine{0, 12, 50, 0, 0})
                      .r("in", "k", 470)
                      .zener("0", "k", 5.1)
                      .c("k", "0", 1e-7)
                      .tran(1e-4, 40e-3));
    all.push_back(Build("voltage doubler")
                      .v("in", "0", Sine{0, 8, 100, 0, 0})
                      .c("in", "x", 47e-6)
                      .silicon("0", "x")
                      .silicon("x", "o")
                      .c("o", "0", 47e-6)
                      .r("o", "0", 4700)
                      .tran(1e-4, 80e-3));
    return all;
}

}  // namespace glimmet::tests
