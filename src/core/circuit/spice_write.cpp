#include "core/circuit/spice.h"

#include <array>
#include <charconv>

namespace glimmet::core::circuit {
namespace {

/// The shortest text that reads back as the same number.
std::string written(double value) {
    std::array<char, 32> buffer{};
    const auto end = std::to_chars(buffer.begin(), buffer.end(), value);
    return {buffer.data(), end.ptr};
}

std::string written(const Constant& constant) { return written(constant.value); }
std::string written(const Pulse& p) {
    std::string text = "PULSE(" + written(p.first) + " " + written(p.second) + " " +
                       written(p.delay) + " " + written(p.rise) + " " + written(p.fall) + " " +
                       written(p.width);
    if (p.period > 0) text += " " + written(p.period);
    return text + ")";
}
std::string written(const Sine& s) {
    return "SIN(" + written(s.offset) + " " + written(s.amplitude) + " " + written(s.frequency) +
           " " + written(s.delay) + " " + written(s.damping) + ")";
}
std::string written(const PiecewiseLinear& lines) {
    std::string text = "PWL(";
    for (const auto& [time, value] : lines.points) {
        text += (text.back() == '(' ? "" : " ") + written(time) + " " + written(value);
    }
    return text + ")";
}
std::string written(const Waveform& waveform, const std::optional<double>& dc) {
    const std::string form = std::visit([](const auto& each) { return written(each); }, waveform);
    if (std::holds_alternative<Constant>(waveform)) return "DC " + (dc ? written(*dc) : form);
    return (dc ? "DC " + written(*dc) + " " : "") + form;
}

std::string written(const OpAnalysis&) { return ".op"; }
std::string written(const DcAnalysis& dc) {
    return ".dc " + dc.source + " " + written(dc.range.start) + " " + written(dc.range.stop) + " " +
           written(dc.range.step);
}
std::string written(const TransientSpan& span) {
    return ".tran " + written(span.step) + " " + written(span.stop);
}

}  // namespace

std::string writtenNetlist(const Netlist& netlist) {
    const Circuit& circuit = netlist.circuit;
    const auto node = [&](Node at) { return circuit.nodes[at]; };
    // A title must not look like an element or hold a line break; an empty one still takes its
    // line.
    std::string text = "* " + circuit.title.substr(0, circuit.title.find('\n')) + "\n";
    for (const DiodeModel& model : circuit.models) {
        text += ".model " + model.name + " D(IS=" + written(model.saturation.value()) +
                " N=" + written(model.emission) + " RS=" + written(model.series.value());
        if (model.breakdown.value() < std::numeric_limits<double>::infinity()) {
            text += " BV=" + written(model.breakdown.value()) +
                    " IBV=" + written(model.breakdownCurrent.value());
        }
        text += ")\n";
    }
    for (const Resistor& each : circuit.resistors) {
        text += each.name + " " + node(each.a) + " " + node(each.b) + " " +
                written(each.resistance.value()) + "\n";
    }
    for (const Capacitor& each : circuit.capacitors) {
        text += each.name + " " + node(each.a) + " " + node(each.b) + " " +
                written(each.capacitance.value()) + "\n";
    }
    for (const VoltageSource& each : circuit.voltageSources) {
        text += each.name + " " + node(each.plus) + " " + node(each.minus) + " " +
                written(each.volts, each.dc) + "\n";
    }
    for (const CurrentSource& each : circuit.currentSources) {
        text += each.name + " " + node(each.plus) + " " + node(each.minus) + " " +
                written(each.amps, each.dc) + "\n";
    }
    for (const Diode& each : circuit.diodes) {
        text += each.name + " " + node(each.anode) + " " + node(each.cathode) + " " +
                circuit.models[each.model].name + "\n";
    }
    text +=
        std::visit([](const auto& each) { return written(each); }, netlist.analysis) + "\n.end\n";
    return text;
}

}  // namespace glimmet::core::circuit
