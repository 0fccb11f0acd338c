#include "core/circuit/solver.h"
#include "core/circuit/spice.h"

#include <array>
#include <charconv>
#include <cmath>
#include <limits>
#include <map>
#include <set>

namespace glimmet::core::circuit {
namespace {

/// The shortest text that reads back as the same number.
std::string written(double value) {
    std::array<char, 32> buffer{};
    const auto end = std::to_chars(buffer.begin(), buffer.end(), value);
    return {buffer.data(), end.ptr};
}

/// Writes a netlist line by line. What the subset of cli.md has no element for is written as a
/// source of a current that depends on voltages (a B element), which general simulators share.
class Writer {
public:
    explicit Writer(const Netlist& netlist) : m_netlist(netlist), m_circuit(netlist.circuit) {
        if (const auto* span = std::get_if<TransientSpan>(&netlist.analysis)) m_stop = span->stop;
        for (Node node = 0; node < m_circuit.nodes.size(); ++node) {
            m_nodes.push_back(node == ground ? "0" : unlikeOthers(m_circuit.nodes[node], m_taken));
        }
    }

    std::string text() {
        // A title must not look like an element or hold a line break; an empty one still takes its
        // line.
        m_text = "* " + m_circuit.title.substr(0, m_circuit.title.find('\n')) + "\n";
        for (const DiodeModel& each : m_circuit.models) model(each);
        for (const Resistor& each : m_circuit.resistors)
            line(called('r', each.name), each.a, each.b, written(each.resistance.value()));
        for (const Capacitor& each : m_circuit.capacitors) capacitor(each);
        for (const VoltageSource& each : m_circuit.voltageSources)
            line(m_sources[each.name] = called('v', each.name), each.plus, each.minus,
                 source(each.volts, each.dc));
        for (const CurrentSource& each : m_circuit.currentSources)
            line(m_sources[each.name] = called('i', each.name), each.plus, each.minus,
                 source(each.amps, each.dc));
        for (const Diode& each : m_circuit.diodes) {
            const DiodeModel& its = m_circuit.models[each.model];
            std::string words = m_models[each.model];
            if (std::abs(its.temperature.value() - nominal) > 1e-9)
                words += " temp=" + written(its.temperature.value() - celsius);
            line(called('d', each.name), each.anode, each.cathode, words);
        }
        for (std::size_t k = 0; k < m_circuit.switches.size(); ++k) gate(k);
        for (const OnePort& each : m_circuit.onePorts)
            std::visit([&](const auto& law) { onePort(each, law); }, each.law);
        for (const Capacitor& each : m_circuit.capacitors) {
            if (each.initially && each.b == ground)
                m_text +=
                    ".ic v(" + m_nodes[each.a] + ")=" + written(each.initially->value()) + "\n";
        }
        return m_text +
               std::visit([&](const auto& each) { return analysis(each); }, m_netlist.analysis) +
               "\n.end\n";
    }

private:
    static constexpr double nominal = 300.15;  // K
    static constexpr double celsius = 273.15;  // K, of 0 °C

    /// A name of letters, digits and underscores that is not among those taken.
    static std::string unlikeOthers(const std::string& name, std::set<std::string>& taken) {
        std::string plain;
        for (const char c : name) {
            const bool fits = (c >= '0' && c <= '9') || (c >= 'a' && c <= 'z') ||
                              (c >= 'A' && c <= 'Z') || c == '_';
            plain += fits ? c : '_';
        }
        std::string made = plain;
        const auto lower = [](std::string words) {
            for (char& c : words) {
                if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
            }
            return words;
        };
        for (int number = 2; !taken.insert(lower(made)).second; ++number)
            made = plain + "_" + std::to_string(number);
        return made;
    }
    /// An element's name, which must begin with the letter of its kind.
    std::string called(char kind, const std::string& name) {
        const bool begins = !name.empty() && (name.front() == kind ||
                                              name.front() == static_cast<char>(kind - 'a' + 'A'));
        return unlikeOthers(begins ? name : std::string(1, kind) + "_" + name, m_elements);
    }
    void line(const std::string& name, Node a, Node b, const std::string& words) {
        m_text += name + " " + m_nodes[a] + " " + m_nodes[b] + " " + words + "\n";
    }
    void remark(const std::string& words) { m_text += "* " + words + "\n"; }

    std::string analysis(const OpAnalysis&) const { return ".op"; }
    std::string analysis(const DcAnalysis& dc) const {
        const auto known = m_sources.find(dc.source);
        return ".dc " + (known == m_sources.end() ? dc.source : known->second) + " " +
               written(dc.range.start) + " " + written(dc.range.stop) + " " +
               written(dc.range.step);
    }
    std::string analysis(const TransientSpan& span) const {
        return ".tran " + written(span.step) + " " + written(span.stop);
    }

    void model(const DiodeModel& each) {
        m_models.push_back(unlikeOthers(each.name, m_modelNames));
        m_text += ".model " + m_models.back() + " D(IS=" + written(each.saturation.value()) +
                  " N=" + written(each.emission) + " RS=" + written(each.series.value());
        if (each.breakdown.value() < std::numeric_limits<double>::infinity()) {
            m_text += " BV=" + written(each.breakdown.value()) +
                      " IBV=" + written(each.breakdownCurrent.value());
        }
        if (std::abs(each.temperature.value() - nominal) > 1e-9)
            m_text += " EG=" + written(each.bandGap) + " XTI=3";
        m_text += ")\n";
    }

    void capacitor(const Capacitor& each) {
        std::string words = written(each.capacitance.value());
        if (each.initially) words += " ic=" + written(each.initially->value());
        line(called('c', each.name), each.a, each.b, words);
    }

    // ---- sources
    std::string form(const Constant& constant) const { return written(constant.value); }
    std::string form(const Pulse& p) const {
        std::string words = "PULSE(" + written(p.first) + " " + written(p.second) + " " +
                            written(p.delay) + " " + written(p.rise) + " " + written(p.fall) + " " +
                            written(p.width);
        if (p.period > 0) words += " " + written(p.period);
        return words + ")";
    }
    std::string form(const Sine& s) const {
        return "SIN(" + written(s.offset) + " " + written(s.amplitude) + " " +
               written(s.frequency) + " " + written(s.delay) + " " + written(s.damping) + ")";
    }
    std::string form(const PiecewiseLinear& lines) const {
        std::string words = "PWL(";
        std::size_t count = 0;
        // A wave that repeats is written out as far as the transient goes.
        for (double turn = 0; count < 1'000'000; turn += lines.period) {
            for (const auto& [time, value] : lines.points) {
                words += words.back() == '(' ? "" : ++count % 8 == 0 ? "\n+ " : " ";
                words += written(turn + time) + " " + written(value);
            }
            if (!(lines.period > 0) || turn + lines.period > m_stop) break;
        }
        return words + ")";
    }
    std::string source(const Waveform& waveform, const std::optional<double>& dc) const {
        const std::string words =
            std::visit([&](const auto& each) { return form(each); }, waveform);
        if (std::holds_alternative<Constant>(waveform)) return "DC " + (dc ? written(*dc) : words);
        return (dc ? "DC " + written(*dc) + " " : "") + words;
    }

    // ---- elements of voltage-dependent current
    std::string volts(Node a, Node b) const {
        if (b == ground) return "V(" + m_nodes[a] + ")";
        if (a == ground) return "(-V(" + m_nodes[b] + "))";
        return "V(" + m_nodes[a] + "," + m_nodes[b] + ")";
    }
    std::string freshNode(const std::string& name) { return unlikeOthers(name, m_taken); }

    void gate(std::size_t k) {
        const Switch& each = m_circuit.switches[k];
        Waveform wave = each.gate;
        for (const Fuse& fuse : m_circuit.fuses) {
            if (fuse.opens != k) continue;
            remark("fuse " + fuse.name + ": written whole; it melts at " + written(fuse.melting) +
                   " A2s");
        }
        for (const Blinker& blinker : m_circuit.blinkers) {
            if (blinker.turns != k) continue;
            remark("blinker " + blinker.name + ": written without its reset below " +
                   written(blinker.resetBelow.value()) + " V");
            const double on = blinker.on.value();
            const double off = blinker.off.value();
            const double edge = 1e-6 * std::min(on, off);
            wave = Pulse{1, 0, on, edge, edge, off - edge, on + off};
        }
        const double ratio = std::log(each.off.value() / each.on.value());
        if (const auto* constant = std::get_if<Constant>(&wave)) {
            line(called('r', each.name), each.a, each.b,
                 written(1 / gateConductance(each, constant->value)));
            return;
        }
        const std::string node = freshNode(each.name + "_gate");
        m_text += called('v', each.name + "_gate") + " " + node + " 0 " + source(wave, {}) + "\n";
        line(called('b', each.name), each.a, each.b,
             "I=" + volts(each.a, each.b) + "*exp(" + written(ratio) + "*V(" + node + "))/" +
                 written(each.off.value()));
    }
    void onePort(const OnePort& each, const CurrentLimiter& law) {
        const std::string v = volts(each.a, each.b);
        const std::string both = written(law.limit.value()) + "*tanh(" + v + "/" +
                                 written(law.resistance.value() * law.limit.value()) + ")+1e-9*" +
                                 v;
        line(called('b', each.name), each.a, each.b,
             "I=" + (law.bothWays ? both : v + " < 0 ? 1e-9*" + v + " : " + both));
    }
    void onePort(const OnePort& each, const Load& law) {
        const std::string v = volts(each.a, each.b);
        const std::string fold = written(law.fold.value());
        const double square = law.fold.value() * law.fold.value();
        line(called('b', each.name), each.a, each.b,
             "I=abs(" + v + ") >= " + fold + " ? sgn(" + v + ")*(" + written(law.power.value()) +
                 "/max(abs(" + v + ")," + fold + ")+" + written(law.current.value()) +
                 ") : " + written(2 * law.power.value() * square) + "*" + v + "/(" +
                 written(square * square) + "+" + v + "*" + v + "*" + v + "*" + v + ")+" +
                 written(law.current.value() / law.fold.value() / 2) + "*" + v + "*(3-" + v + "*" +
                 v + "/" + written(square) + ")");
    }
    /// A node whose voltage is the rise above 300.15 K: heat flows in, loss flows out.
    template <class Law>
    void warming(const OnePort& each, const Law& law, const std::string& resistance,
                 const std::string& loss, const std::string& node) {
        const std::string v = volts(each.a, each.b);
        line(called('b', each.name), each.a, each.b, "I=" + v + "/(" + resistance + ")");
        m_text += called('c', each.name + "_heat") + " " + node + " 0 " +
                  written(thermal(law, ambient).capacity) + "\n";
        m_text += called('b', each.name + "_heat") + " 0 " + node + " I=" + v + "*" + v + "/(" +
                  resistance + ")-" + loss + "\n";
    }
    void onePort(const OnePort& each, const Filament& law) {
        const std::string node = freshNode(each.name + "_rise");
        const std::string share = "(1+max(V(" + node + "),0)/" + written(ambient) + ")";
        const Thermal cold = thermal(law, ambient);
        const double perFourth = thermal(law, 2 * ambient).loss / 15;  // (2⁴ − 1)·T_a⁴
        warming(each, law, written(cold.resistance) + "*exp(1.2*log(" + share + "))",
                written(perFourth) + "*(" + share + "*" + share + "*" + share + "*" + share + "-1)",
                node);
    }
    void onePort(const OnePort& each, const Polyfuse& law) {
        const std::string node = freshNode(each.name + "_rise");
        const Thermal cold = thermal(law, ambient);
        warming(each, law,
                written(law.resistance.value()) + "*exp(" + written(std::log(1e5)) +
                    "/(1+exp(-(V(" + node + ")-" + written(polyfuseTrips - ambient) + ")/4)))",
                written(cold.lossSlope) + "*V(" + node + ")", node);
    }

    const Netlist& m_netlist;
    const Circuit& m_circuit;
    double m_stop = 1;
    std::vector<std::string> m_nodes, m_models;
    std::map<std::string, std::string> m_sources;  ///< as written
    std::set<std::string> m_taken, m_elements, m_modelNames;
    std::string m_text;
};

}  // namespace

std::string writtenNetlist(const Netlist& netlist) { return Writer(netlist).text(); }

}  // namespace glimmet::core::circuit
