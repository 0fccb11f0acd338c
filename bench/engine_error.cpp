// How far transients are from a tight reference: ours as they are timed, and ngspice at its
// defaults. Prints a table; docs/performance.md quotes it.
#include "timed_circuits.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

namespace {

using namespace glimmet::core::circuit;
using namespace glimmet::bench;

using Column = std::vector<double>;

double interpolated(const Column& x, const Column& y, double at) {
    const auto after = std::lower_bound(x.begin(), x.end(), at);
    if (after == x.begin()) return y.front();
    if (after == x.end()) return y.back();
    const auto i = static_cast<std::size_t>(after - x.begin());
    const double share = (at - x[i - 1]) / (x[i] - x[i - 1]);
    return y[i - 1] + share * (y[i] - y[i - 1]);
}

/// Root mean square over time of what the values at their own times are off, as a share of the
/// reference's swing.
double error(const Transient& reference, std::size_t node, const Column& time,
             const Column& volts) {
    const Column& truth = reference.voltage[node];
    const auto [low, high] = std::minmax_element(truth.begin(), truth.end());
    double sum = 0;
    double weight = 0;
    for (std::size_t i = 1; i < time.size(); ++i) {
        const double step = time[i] - time[i - 1];
        const double off = volts[i] - interpolated(reference.time, truth, time[i]);
        sum += step * off * off;
        weight += step;
    }
    return std::sqrt(sum / weight) / (*high - *low);
}

Column vectorOf(const std::string& name) {
    std::string called = name;
    const auto* info = ngGet_Vec_Info(called.data());
    if (!info || !info->v_realdata) return {};
    return {info->v_realdata, info->v_realdata + info->v_length};
}

void compare(const char* name) {
    const Netlist netlist = circuitNamed(name);
    const auto& span = std::get<TransientSpan>(netlist.analysis);
    TransientSpan tight = span;
    tight.accuracy = 1e-9;
    tight.step = span.step / 20;
    const Transient reference = transient(netlist.circuit, tight).value();
    TransientSpan timed = span;
    timed.accuracy = timedAccuracy(name);
    timed.ownSteps = true;
    const Transient ours = transient(netlist.circuit, timed).value();
    loadIntoNgspice(netlist);
    std::string run = "run";
    ngSpice_Command(run.data());
    const Column time = vectorOf("time");
    std::printf("%s: %zu points of ours, %zu of ngspice\n", name, ours.time.size(), time.size());
    for (Node node = 1; node < netlist.circuit.nodes.size(); ++node) {
        const Column theirs = vectorOf(netlist.circuit.nodes[node]);
        std::printf("  %-6s ours %.2e  ngspice %.2e\n", netlist.circuit.nodes[node].c_str(),
                    error(reference, node, ours.time, ours.voltage[node]),
                    error(reference, node, time, theirs));
    }
}

}  // namespace

int main() {
    compare("dcc");
    compare("stayAlive");
}
