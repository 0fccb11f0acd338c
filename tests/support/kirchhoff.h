// Kirchhoff's current law at the nodes of a solved circuit, with the currents worked out anew from
// the elements' own laws.
#pragma once

#include "core/circuit/analysis.h"
#include "core/circuit/solver.h"
#include "core/quantity/thermal_voltage.h"

#include <algorithm>
#include <cmath>
#include <string>
#include <vector>

namespace glimmet::tests {

/// The law of circuit.h with its series resistance, by bisection on the junction's voltage.
inline double diodeCurrent(const core::circuit::DiodeModel& model, double volts) {
    const double warmth = model.temperature.value() / 300.15;
    const double slope = model.emission * core::thermalVoltage * warmth;
    const double saturation =
        model.saturation.value() * std::pow(warmth, 3 / model.emission) *
        std::exp((warmth - 1) * model.bandGap / (model.emission * core::thermalVoltage * warmth));
    // Beyond a mega-ampere the exponential goes on as its tangent.
    const auto exponential = [](double scale, double x) {
        const double last = std::log(1e6 / scale);
        return x < last ? scale * std::exp(x) : 1e6 * (1 + x - last);
    };
    const auto amps = [&](double v) {
        double i = exponential(saturation, v / slope) - saturation + 1e-12 * v;
        if (std::isfinite(model.breakdown.value())) {
            i -=
                exponential(model.breakdownCurrent.value(), -(v + model.breakdown.value()) / slope);
        }
        return i;
    };
    double low = -std::abs(volts) - 1, high = std::abs(volts) + 1;
    for (int step = 0; step < 200; ++step) {
        const double middle = (low + high) / 2;
        (middle + model.series.value() * amps(middle) < volts ? low : high) = middle;
    }
    return amps((low + high) / 2);
}

/// Where an operating point breaks the law; empty: nowhere. Nodes of polyfuses are left out: a
/// voltage alone does not tell whether they have tripped. So are circuits with 10 kV or 10 kA in
/// them (a current that nothing takes, a junction straight across a source): the digits end there.
inline std::string brokenLaw(const core::circuit::Circuit& circuit,
                             const core::circuit::OperatingPoint& point) {
    using namespace core::circuit;
    const std::size_t nodes = circuit.nodes.size();
    std::vector<double> sum(nodes, 0), allowed(nodes, 1e-11);
    // A current is known as well as the voltages that it follows from: to their last digits; of
    // diodes and one-ports to a nanovolt, where the iteration rests.
    for (const auto* values : {&point.voltage, &point.current, &point.diode}) {
        for (const double each : *values) {
            if (std::abs(each) > 1e4) return {};
        }
    }
    const auto flow = [&](Node a, Node b, double amps, double conductance, double still = 0) {
        const double digits =
            still + 4e-16 * (std::abs(point.voltage[a]) + std::abs(point.voltage[b]));
        for (const Node each : {a, b}) {
            sum[each] += each == a ? -amps : amps;
            allowed[each] += 1e-8 * std::abs(amps) + conductance * digits;
        }
    };
    const auto across = [&](const auto& e) { return point.voltage[e.a] - point.voltage[e.b]; };
    for (const Resistor& each : circuit.resistors)
        flow(each.a, each.b, across(each) / each.resistance.value(), 1 / each.resistance.value());
    for (std::size_t k = 0; k < circuit.switches.size(); ++k) {
        const Switch& each = circuit.switches[k];
        double gate = valueAt(each.gate, 0);
        for (const Blinker& blinker : circuit.blinkers) gate = blinker.turns == k ? 1 : gate;
        const double conductance = gateConductance(each, gate);
        flow(each.a, each.b, conductance * across(each), conductance);
    }
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k)
        flow(circuit.voltageSources[k].plus, circuit.voltageSources[k].minus, point.current[k], 0);
    for (const CurrentSource& each : circuit.currentSources)
        flow(each.plus, each.minus, valueAt(each.amps, 0), 0);
    for (const Diode& each : circuit.diodes) {
        const DiodeModel& model = circuit.models[each.model];
        const double volts = point.voltage[each.anode] - point.voltage[each.cathode];
        const double amps = diodeCurrent(model, volts);
        const double moved = diodeCurrent(model, volts + 1e-9) - amps;
        flow(each.anode, each.cathode, amps, std::abs(moved) / 1e-9, 1e-9);
    }
    for (const OnePort& each : circuit.onePorts) {
        const OnePortPoint there = at(each.law, across(each), {}, ambient);
        double moved = 0;
        for (const double by : {-1e-9, 1e-9}) {
            const double amps = at(each.law, across(each) + by, {}, ambient).current;
            moved = std::max(moved, std::abs(amps - there.current));
        }
        flow(each.a, each.b, there.current, moved / 1e-9, 1e-9);
        if (std::holds_alternative<Polyfuse>(each.law))
            allowed[each.a] = allowed[each.b] = std::numeric_limits<double>::infinity();
    }
    // A source's current is what the law leaves for it: errors travel through sources.
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        for (const VoltageSource& each : circuit.voltageSources)
            allowed[each.plus] = allowed[each.minus] = allowed[each.plus] + allowed[each.minus];
    }
    for (Node node = 1; node < nodes; ++node) {
        if (!(std::abs(sum[node]) <= allowed[node])) {
            return circuit.nodes[node] + ": " + std::to_string(sum[node] * 1e9) + " nA beyond " +
                   std::to_string(allowed[node] * 1e9);
        }
    }
    return {};
}

}  // namespace glimmet::tests
