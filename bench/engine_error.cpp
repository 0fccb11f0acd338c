// How far answers are from a tight reference of ours: ours and ngspice's, as they are timed and
// over a range of tolerances. Prints lines "circuit,who,tolerance,points,error", the error that of
// the worst node that ngspice does not get exactly; error_plot.py draws them.
#include "core/circuit/settling.h"
#include "timed_circuits.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

namespace {

using namespace glimmet::core::circuit;
using namespace glimmet::bench;

using Column = std::vector<double>;
struct Columns {
    Column time;
    std::vector<Column> volts;  ///< per node
};

double interpolated(const Column& x, const Column& y, double at) {
    const auto after = std::lower_bound(x.begin(), x.end(), at);
    if (after == x.begin()) return y.front();
    if (after == x.end()) return y.back();
    const auto i = static_cast<std::size_t>(after - x.begin());
    const double share = (at - x[i - 1]) / (x[i] - x[i - 1]);
    return y[i - 1] + share * (y[i] - y[i - 1]);
}

/// Root mean square over time of what the values at their own times are off, as a share of the
/// reference's largest.
double error(const Column& referenceTime, const Column& truth, const Column& time,
             const Column& volts) {
    double largest = 0;
    for (const double each : truth) largest = std::max(largest, std::abs(each));
    double sum = 0;
    double weight = 0;
    for (std::size_t i = 1; i < time.size(); ++i) {
        const double step = time[i] - time[i - 1];
        const double off = volts[i] - interpolated(referenceTime, truth, time[i]);
        sum += step * off * off;
        weight += step;
    }
    return std::sqrt(sum / weight) / largest;
}

Column vectorOf(const std::string& name) {
    std::string called = name;
    const auto* info = ngGet_Vec_Info(called.data());
    if (!info || !info->v_realdata) return {};
    return {info->v_realdata, info->v_realdata + info->v_length};
}

void setReltol(double tolerance) {
    std::string command = "option reltol=" + std::to_string(tolerance);
    ngSpice_Command(command.data());
}
Columns ngspiceRun(const Netlist& netlist) {
    std::string run = "run";
    ngSpice_Command(run.data());
    Columns columns{vectorOf("time"), {}};
    const auto length = [&] { return std::max<std::size_t>(1, columns.time.size()); };
    for (const std::string& node : netlist.circuit.nodes)
        columns.volts.push_back(node == "0" ? Column(length(), 0) : vectorOf(node));
    std::string forget = "destroy all";
    ngSpice_Command(forget.data());
    return columns;
}
void print(const char* circuit, const char* who, double tolerance, std::size_t points,
           double worst) {
    std::printf("%s,%s,%g,%zu,%.3e\n", circuit, who, tolerance, points, worst);
}

void transients(const char* name) {
    const Netlist netlist = circuitNamed(name);
    const auto& span = std::get<TransientSpan>(netlist.analysis);
    TransientSpan tight = span;
    tight.accuracy = 1e-10;
    tight.step = span.stop / 500'000;  // corners of both circuits' sources are multiples of it
    const Transient reference = transient(netlist.circuit, tight).value();
    const auto worst = [&](const Column& time, const std::vector<Column>& volts) {
        double most = 0;
        const auto across = [&](const auto& element) {
            const auto between = [&](const std::vector<Column>& of) {
                Column column = of[element.a];
                for (std::size_t i = 0; i < column.size(); ++i) column[i] -= of[element.b][i];
                return column;
            };
            most = std::max(
                most, error(reference.time, between(reference.voltage), time, between(volts)));
        };
        for (const Resistor& each : netlist.circuit.resistors) across(each);
        for (const Capacitor& each : netlist.circuit.capacitors) across(each);
        return most;
    };
    const auto ours = [&](double accuracy, const char* who) {
        TransientSpan timed = span;
        timed.accuracy = accuracy;
        timed.ownSteps = true;
        const Transient result = transient(netlist.circuit, timed).value();
        print(name, who, accuracy, result.time.size(), worst(result.time, result.voltage));
    };
    ours(timedAccuracy(name), "ours timed");
    for (double accuracy = 1e-2; accuracy > 0.5e-7; accuracy /= 10) ours(accuracy, "ours");
    loadIntoNgspice(netlist);
    for (const double tolerance : {1e-3, 1e-2, 1e-4, 1e-5, 1e-6}) {
        setReltol(tolerance);
        const Columns theirs = ngspiceRun(netlist);
        const bool standard = tolerance > 0.5e-3 && tolerance < 2e-3;
        print(name, standard ? "ngspice timed" : "ngspice", tolerance, theirs.time.size(),
              worst(theirs.time, theirs.volts));
    }
    setReltol(1e-3);
}

/// Of an operating point: the largest relative error of a node's voltage.
void points(const char* name) {
    const Netlist netlist = circuitNamed(name);
    Solver solver(netlist.circuit);
    OperatingPoint reference, ours;
    solver.setTolerance(1e-15, 1e-20);
    if (!solver.settleFromAnywhere()) std::abort();
    read(solver, reference);
    Solver timed(netlist.circuit);
    timed.setTolerance(timedTolerance, 1e-12);
    if (!timed.settleFromAnywhere()) std::abort();
    read(timed, ours);
    loadIntoNgspice(netlist);
    const Columns theirs = ngspiceRun(netlist);
    double ourWorst = 0, theirWorst = 0;
    for (Node node = 1; node < netlist.circuit.nodes.size(); ++node) {
        const double truth = reference.voltage[node];
        ourWorst = std::max(ourWorst, std::abs(ours.voltage[node] / truth - 1));
        theirWorst = std::max(theirWorst, std::abs(theirs.volts[node].front() / truth - 1));
    }
    print(name, "ours timed", timedTolerance, 1, ourWorst);
    print(name, "ngspice timed", 1e-3, 1, theirWorst);
}

}  // namespace

int main() {
    for (const char* name : {"one", "six", "bridge", "bus200"}) points(name);
    for (const char* name : {"dcc", "stayAlive"}) transients(name);
}
