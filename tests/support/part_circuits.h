// Circuits made of the trade's parts by the builders of core/circuit/parts.h, for validation.
#pragma once

#include "core/circuit/parts.h"
#include "core/circuit/spice.h"
#include "core/led/led.h"

#include <string>
#include <vector>

namespace glimmet::tests {

/// A circuit under construction whose nodes are asked for by name.
struct Parts {
    core::circuit::Netlist netlist;

    explicit Parts(std::string title) { netlist.circuit.title = std::move(title); }
    core::circuit::Circuit& circuit() { return netlist.circuit; }
    core::circuit::Node node(const char* name) {
        return core::circuit::nodeNamed(netlist.circuit, name);
    }
    Parts& supply(const char* plus, core::circuit::Waveform volts) {
        core::circuit::addSupply(circuit(), "v" + std::string(plus), node(plus), 0,
                                 std::move(volts));
        return *this;
    }
    Parts& resistor(const char* a, const char* b, double ohms) {
        core::circuit::addResistor(circuit(), "r" + std::to_string(circuit().resistors.size() + 1),
                                   node(a), node(b), core::Ohms{ohms});
        return *this;
    }
    Parts& led(const char* a, const char* b, core::LedFamily family, double celsius = 27) {
        auto model = core::diodeModel(core::typicalLaw(family), "");
        model.temperature = core::Kelvins{273.15 + celsius};
        core::circuit::addDiode(circuit(), "lamp" + std::to_string(circuit().diodes.size() + 1),
                                node(a), node(b), model);
        return *this;
    }
    Parts& bridge(const char* a, const char* b, const char* plus, const char* minus) {
        core::circuit::addBridge(circuit(), "bridge", node(a), node(b), node(plus), node(minus),
                                 core::circuit::siliconDiode());
        // ngspice loses a bridge that floats.
        return resistor(minus, "0", 1e6);
    }
    template <class Part>
    Parts& port(const char* name, const char* a, const char* b, const Part& law) {
        core::circuit::addOnePort(circuit(), name, node(a), node(b), law);
        return *this;
    }
    Parts& capacitor(const char* a, const char* b, const core::circuit::RealCapacitor& part) {
        core::circuit::addCapacitor(circuit(),
                                    "c" + std::to_string(circuit().capacitors.size() + 1), node(a),
                                    node(b), part);
        return *this;
    }
    core::circuit::Netlist op() { return netlist; }
    core::circuit::Netlist dc(const char* source, double start, double stop, double step) {
        netlist.analysis = core::circuit::DcAnalysis{source, {start, stop, step}};
        return netlist;
    }
    core::circuit::Netlist tran(double step, double stop) {
        netlist.analysis = core::circuit::TransientSpan{step, stop};
        return netlist;
    }
};

inline core::circuit::TrackSignal packet(double dead = 0) {
    core::circuit::TrackSignal signal;
    signal.bits = {true, true, false, true, false, false, true};
    signal.edge = 3e-6;
    signal.dead = dead;
    return signal;
}

inline std::vector<core::circuit::Netlist> partCircuits() {
    using namespace core;
    using namespace core::circuit;
    std::vector<Netlist> all;
    const auto output = [](const char* title, const LowSideOutput& part, double ohms) {
        Parts made(title);
        made.supply("bus", Constant{13.2})
            .resistor("bus", "a", ohms)
            .led("a", "out", LedFamily::White);
        addLowSideOutput(made.circuit(), "output", made.node("out"), 0, part);
        return made;
    };
    all.push_back(output("bare output", {}, 2200).op());
    all.push_back(output("output with a resistor on the board", {Ohms{1}, Ohms{470}}, 1800).op());
    all.push_back(output("output that limits", {Ohms{1}, Ohms{0}, Amperes{0.02}}, 100).op());
    all.push_back(output("output switched off", {Ohms{1}, Ohms{0}, {}, Constant{0}}, 1000).op());
    all.push_back(
        output("output dimmed to a third", {Ohms{2}, Ohms{0}, {}, dimmed(1.0 / 3, 150)}, 1500)
            .tran(2e-5, 0.02));
    for (const double volts : {5.0, 9.0, 14.0}) {
        Parts made("driver and three lamps at " + std::to_string(volts) + " V");
        made.supply("in", Constant{volts});
        addDriver(made.circuit(), "driver", made.node("in"), made.node("a"), {Amperes{0.012}});
        made.led("a", "b", LedFamily::Red)
            .led("b", "c", LedFamily::Red)
            .led("c", "0", LedFamily::Red);
        all.push_back(made.op());
    }
    {
        Parts made("driver over supply");
        made.supply("in", Constant{0});
        addDriver(made.circuit(), "driver", made.node("in"), made.node("a"), {Amperes{0.015}});
        made.led("a", "0", LedFamily::White).resistor("in", "0", 1e6);
        all.push_back(made.dc("vin", -3, 12, 0.25));
    }
    {
        Parts made("decoder on a sagging supply");
        made.supply("in", Constant{0}).resistor("in", "bus", 3);
        addLoad(made.circuit(), "decoder", made.node("bus"), 0,
                {Watts{0.6}, Amperes{0.02}, Ohms{2000}, Volts{2}});
        all.push_back(made.dc("vin", 16, 8, -0.25));
    }
    {
        Parts made("load below its fold");
        made.supply("in", Constant{0.8}).resistor("in", "bus", 1);
        addLoad(made.circuit(), "decoder", made.node("bus"), 0,
                {Watts{0.3}, Amperes{0.02}, {}, Volts{2}});
        all.push_back(made.op());
    }
    {
        Parts made("motor at a held speed");
        made.supply("in", Constant{12}).resistor("in", "a", 0.7);
        addMotor(made.circuit(), "motor", made.node("a"), 0, {Ohms{22}, Volts{7.5}});
        all.push_back(made.op());
    }
    {
        Parts made("motor starting");
        made.supply("in", Pulse{0, 12, 2e-3, 1e-4, 1e-4, 10, 0}).resistor("in", "a", 1);
        addMotor(made.circuit(), "motor", made.node("a"), 0,
                 {Ohms{18}, Volts{0}, Farads{2e-3}, Amperes{0.06}});
        all.push_back(made.tran(1e-3, 0.2));
    }
    const Filament bulb{Volts{12}, Amperes{0.05}, 0.1, Seconds{0.03}};
    for (const double volts : {1.5, 6.0, 12.0, 16.0}) {
        all.push_back(Parts("bulb at " + std::to_string(volts) + " V")
                          .supply("in", Constant{volts})
                          .resistor("in", "a", 10)
                          .port("bulb", "a", "0", bulb)
                          .op());
    }
    all.push_back(Parts("bulb over supply")
                      .supply("in", Constant{0})
                      .resistor("in", "a", 5)
                      .port("bulb", "a", "0", bulb)
                      .dc("vin", 0, 16, 1));
    all.push_back(Parts("bulb's inrush")
                      .supply("in", Pulse{0, 12, 5e-3, 1e-4, 1e-4, 10, 0})
                      .resistor("in", "a", 5)
                      .port("bulb", "a", "0", bulb)
                      .tran(1e-3, 0.2));
    const Polyfuse heals{Ohms{0.5}, Amperes{0.5}, Seconds{0.2}};
    all.push_back(Parts("polyfuse that holds")
                      .supply("in", Constant{12})
                      .port("fuse", "in", "a", heals)
                      .resistor("a", "0", 30)
                      .op());
    all.push_back(Parts("polyfuse that trips")
                      .supply("in", Pulse{0, 12, 5e-3, 1e-3, 1e-3, 10, 0})
                      .port("fuse", "in", "a", heals)
                      .resistor("a", "0", 4)
                      .tran(2e-3, 0.6));
    for (const double dead : {0.0, 2e-6}) {
        Parts made("lamps and a real capacitor on a track of " + std::to_string(dead) + " s dead");
        made.supply("rail", trackWave(packet(dead)))
            .resistor("rail", "s", 1)
            .bridge("s", "0", "p", "m");
        made.capacitor("p", "m", {Farads{10e-6}, Ohms{1.5}, Ohms{47000}, true});
        made.resistor("p", "a", 1500).led("a", "m", LedFamily::White);
        made.resistor("p", "b", 2200).led("b", "m", LedFamily::Red);
        all.push_back(made.tran(1e-6, 1.5e-3));
    }
    for (const double celsius : {-10.0, 60.0, 85.0}) {
        all.push_back(Parts("white lamp at " + std::to_string(celsius) + " °C")
                          .supply("in", Constant{12})
                          .resistor("in", "a", 1800)
                          .led("a", "0", LedFamily::White, celsius)
                          .op());
    }
    {
        Parts made("Schottky bridge, battery and wires");
        addBattery(made.circuit(), "battery", made.node("in"), 0, {Volts{9}, Ohms{2}});
        addWire(made.circuit(), "lead", made.node("in"), made.node("s"), Ohms{0.34});
        addBridge(made.circuit(), "bridge", made.node("s"), 0, made.node("p"), made.node("m"),
                  schottkyDiode());
        made.resistor("m", "0", 1e6).resistor("p", "a", 470).led("a", "m", LedFamily::Yellow);
        all.push_back(made.op());
    }
    {
        Parts made("fuse that holds");
        made.supply("in", Constant{12});
        addFuse(made.circuit(), "fuse", made.node("in"), made.node("a"),
                {Ohms{0.1}, Amperes{1}, 0.5});
        made.resistor("a", "0", 24);
        all.push_back(made.op());
    }
    {
        Parts made("blinking lamp");
        made.supply("in", Constant{9}).resistor("in", "a", 470);
        addBlinkingLed(made.circuit(), "blinker", made.node("a"), 0,
                       diodeModel(typicalLaw(LedFamily::Red), ""), {Seconds{0.02}, Seconds{0.03}});
        all.push_back(made.tran(1e-3, 0.2));
    }
    {
        Parts made("stay-alive with the mixed load of a decoder");
        made.capacitor("q", "0", {Farads{1500e-6}, {}, {}, true, Volts{13.2}});
        addDiode(made.circuit(), "bypass", made.node("q"), made.node("bus"), schottkyDiode());
        addLoad(made.circuit(), "decoder", made.node("bus"), 0,
                {Watts{0.66}, Amperes{0.02}, Ohms{5000}, Volts{1}});
        made.resistor("bus", "l", 2200).led("l", "0", LedFamily::White);
        all.push_back(made.tran(1e-3, 0.15));
    }
    return all;
}

}  // namespace glimmet::tests
