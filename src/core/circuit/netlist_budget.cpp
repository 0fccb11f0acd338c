#include "core/circuit/netlist_budget.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

namespace glimmet::core::circuit {
namespace {

/// How often a waveform turns a corner until `stop`.
double corners(const Waveform& waveform, double stop) {
    if (const auto* pulse = std::get_if<Pulse>(&waveform)) {
        return pulse->period > 0 ? 4 * std::max(0.0, stop - pulse->delay) / pulse->period : 4;
    }
    if (const auto* sine = std::get_if<Sine>(&waveform)) {
        return 50 * stop * sine->frequency;  // no corner, but as many steps as its shape takes
    }
    if (const auto* lines = std::get_if<PiecewiseLinear>(&waveform)) {
        return static_cast<double>(lines->points.size());
    }
    return 0;
}

std::string rounded(double count) {
    char words[32];
    std::snprintf(words, sizeof words, "%.3g", count);
    return words;
}

}  // namespace

std::optional<NetlistFault> overBudget(Netlist& netlist) {
    const Circuit& circuit = netlist.circuit;
    const double elements = static_cast<double>(std::max<std::size_t>(
        1, circuit.resistors.size() + circuit.capacitors.size() + circuit.voltageSources.size() +
               circuit.currentSources.size() + circuit.diodes.size()));
    double printed = static_cast<double>(circuit.nodes.size() - 1);
    double points = 1;
    double turns = 0;
    auto* span = std::get_if<TransientSpan>(&netlist.analysis);
    if (span) {
        points = std::floor(span->stop / span->step + 1e-9) + 1;
        for (const VoltageSource& each : circuit.voltageSources) {
            turns += corners(each.volts, span->stop);
        }
        for (const CurrentSource& each : circuit.currentSources) {
            turns += corners(each.amps, span->stop);
        }
        span->mostSteps = static_cast<long>(std::max(1e4, 4 * mostWork / elements));
    } else if (const auto* dc = std::get_if<DcAnalysis>(&netlist.analysis)) {
        points = std::floor((dc->range.stop - dc->range.start) / dc->range.step + 1e-9) + 1;
        printed += static_cast<double>(circuit.voltageSources.size());
    } else {
        return {};
    }
    if (points * printed > mostPrinted) {
        return NetlistFault{netlist.analysisLine,
                            rounded(points) + " points of " + rounded(printed) + " values each",
                            "at most " + rounded(mostPrinted) + " values in all: fewer points"};
    }
    if ((points + turns) * elements > mostWork) {
        return NetlistFault{
            netlist.analysisLine,
            rounded(points) + " points and " + rounded(turns) + " corners of sources, each of " +
                rounded(elements) + " elements",
            "at most " + rounded(mostWork) + " steps times elements: a shorter time"};
    }
    return {};
}

}  // namespace glimmet::core::circuit
