#include "core/circuit/netlist_budget.h"
#include "core/circuit/spice.h"
#include "core/text.h"

#include <algorithm>
#include <cctype>
#include <charconv>
#include <cmath>
#include <optional>
#include <set>
#include <unordered_map>

namespace glimmet::core::circuit {
namespace {

/// A number with its suffix: "4.7k", "10meg", "100nF". Letters after the suffix say nothing.
std::optional<double> number(const std::string& word) {
    const char* first = word.c_str();
    const char* last = first + word.size();
    if (first != last && *first == '+') ++first;
    double value = 0;
    const auto end = std::from_chars(first, last, value);
    if (end.ec != std::errc{} || !std::isfinite(value)) return {};
    std::string rest(end.ptr, last);
    if (!std::all_of(rest.begin(), rest.end(),
                     [](unsigned char c) { return std::isalpha(c) != 0 || c >= 128; })) {
        return {};
    }
    int exponent = 0;
    if (rest.starts_with("meg")) {
        exponent = 6;
    } else if (!rest.empty()) {
        constexpr std::pair<char, int> suffixes[] = {{'t', 12}, {'g', 9},  {'k', 3},   {'m', -3},
                                                     {'u', -6}, {'n', -9}, {'p', -12}, {'f', -15}};
        for (const auto& [letter, power] : suffixes) {
            if (rest.front() == letter) exponent = power;
        }
    }
    if (exponent == 0) return value;
    // Read again with the suffix as an exponent, so that 50u is the double nearest to 5e-5.
    const std::string digits(first, end.ptr);
    if (digits.find('e') != std::string::npos) return value * std::pow(10.0, exponent);
    const std::string whole = digits + "e" + std::to_string(exponent);
    const auto again = std::from_chars(whole.data(), whole.data() + whole.size(), value);
    if (again.ec != std::errc{}) return {};
    return value;
}

struct Card {
    std::size_t line = 0;
    std::vector<std::string> words;  ///< lower case; parentheses, commas and = part words
};

std::vector<std::string> wordsOf(std::string_view line) {
    std::vector<std::string> words;
    std::string word;
    for (const char c : line) {
        const bool parts =
            c == ' ' || c == '\t' || c == '\r' || c == '(' || c == ')' || c == ',' || c == '=';
        if (!parts) {
            word += c;
            continue;
        }
        if (!word.empty()) words.push_back(std::exchange(word, {}));
    }
    if (!word.empty()) words.push_back(word);
    for (std::string& each : words) each = lowered(std::move(each));
    return words;
}

class Reader {
public:
    explicit Reader(std::string_view text) { cut(text); }

    ReadNetlist read() {
        // Models first: a diode may stand before its model.
        for (const Card& card : m_cards) {
            if (card.words.front() == ".model") model(card);
        }
        for (const Card& card : m_cards) element(card);
        if (m_analyses == 0) {
            fault(m_lastLine, "no analysis",
                  "one of .op, .dc SRC start stop step, .tran tstep tstop");
        }
        if (m_faults.empty() && m_netlist.circuit.nodes.size() == 1) {
            fault(m_lastLine, "no element", "at least one element between two nodes");
        }
        std::stable_sort(m_faults.begin(), m_faults.end(),
                         [](const auto& a, const auto& b) { return a.line < b.line; });
        if (!m_faults.empty()) return {{}, std::move(m_faults)};
        return {std::move(m_netlist), {}};
    }

private:
    void fault(std::size_t line, std::string found, std::string allowed) {
        m_faults.push_back({line, std::move(found), std::move(allowed)});
    }

    /// Lines into cards: the title off, comments out, continuations joined.
    void cut(std::string_view text) {
        std::size_t line = 0;
        bool ended = false;
        while (!text.empty() && !ended) {
            const auto end = std::min(text.find('\n'), text.size());
            const std::string_view whole = text.substr(0, end);
            text.remove_prefix(std::min(end + 1, text.size()));
            ++line;
            m_lastLine = line;
            if (firstNotUtf8(whole) != whole.size()) {
                fault(line, "a byte that is no UTF-8", "text in UTF-8");
                continue;
            }
            if (line == 1) {
                m_netlist.circuit.title = std::string(whole.substr(0, whole.find('\r')));
                continue;
            }
            const auto first = whole.find_first_not_of(" \t\r");
            if (first == std::string_view::npos || whole[first] == '*') continue;
            if (whole[first] == '+') {
                if (m_cards.empty()) {
                    fault(line, "a continuation of nothing", "+ after the line it continues");
                    continue;
                }
                for (std::string& word : wordsOf(whole.substr(first + 1))) {
                    m_cards.back().words.push_back(std::move(word));
                }
                continue;
            }
            Card card{line, wordsOf(whole)};
            if (card.words.empty()) {
                fault(line, "only signs", "an element, a dot command or a comment");
                continue;
            }
            if (card.words.front() == ".end")
                ended = true;
            else
                m_cards.push_back(std::move(card));
        }
        if (line == 0) fault(1, "an empty netlist", "a title line, elements, one analysis, .end");
    }

    std::optional<double> value(const Card& card, std::size_t at, const char* what, bool positive) {
        const std::string allowed =
            std::string(what) + (positive ? ", a number above 0" : ", a number") + " like 4.7k";
        if (at >= card.words.size()) {
            fault(card.line, "nothing", allowed);
            return {};
        }
        const auto read = number(card.words[at]);
        if (!read || (positive && !(*read > 0))) {
            fault(card.line, card.words[at], allowed);
            return {};
        }
        return read;
    }
    bool length(const Card& card, std::size_t least, std::size_t most, const char* form) {
        if (card.words.size() >= least && card.words.size() <= most) return true;
        std::string found;
        for (const std::string& word : card.words) found += (found.empty() ? "" : " ") + word;
        fault(card.line, found.substr(0, 80), form);
        return false;
    }

    void model(const Card& card) {
        if (!length(card, 3, 1000, ".model NAME D(IS=… N=… RS=… BV=… IBV=…)")) return;
        if (card.words[2] != "d") {
            fault(card.line, card.words[2], "a model of kind D");
            return;
        }
        DiodeModel made;
        made.name = card.words[1];
        if (!m_models.try_emplace(made.name, m_netlist.circuit.models.size()).second)
            fault(card.line, "model " + made.name + " twice", "each name once");
        for (std::size_t at = 3; at < card.words.size(); at += 2) {
            const std::string& key = card.words[at];
            const bool series = key == "rs";
            const auto read = value(card, at + 1, key.c_str(), !series);
            if (!read) continue;
            if (key == "is")
                made.saturation = Amperes{*read};
            else if (key == "n")
                made.emission = *read;
            else if (series && *read >= 0)
                made.series = Ohms{*read};
            else if (series)
                fault(card.line, card.words[at + 1], "rs, a number, 0 or more");
            else if (key == "bv")
                made.breakdown = Volts{*read};
            else if (key == "ibv")
                made.breakdownCurrent = Amperes{*read};
            else
                fault(card.line, key, "IS, N, RS, BV or IBV");
        }
        m_netlist.circuit.models.push_back(made);
    }

    Waveform pulse(const Card& card, std::size_t at) {
        double given[7] = {0, 0, 0, 0, 0, 0, 0};
        const std::size_t count = std::min<std::size_t>(card.words.size() - at, 7);
        if (count < 2)
            fault(card.line, "PULSE of " + std::to_string(count) + " values",
                  "PULSE(v1 v2 td tr tf pw per)");
        if (card.words.size() - at > 7)
            fault(card.line, card.words[at + 7], "PULSE(v1 v2 td tr tf pw per)");
        for (std::size_t i = 0; i < count; ++i)
            given[i] = value(card, at + i, "PULSE", false).value_or(0);
        Pulse made;
        made.first = given[0];
        made.second = given[1];
        made.delay = given[2];
        made.rise = given[3];
        made.fall = given[4];
        made.width = given[5];
        made.period = given[6];
        for (const double time : {made.delay, made.rise, made.fall, made.width, made.period}) {
            if (time < 0) fault(card.line, "a negative time", "times of 0 or more");
        }
        return made;
    }
    Waveform sine(const Card& card, std::size_t at) {
        double given[5] = {0, 0, 0, 0, 0};
        const std::size_t count = std::min<std::size_t>(card.words.size() - at, 5);
        if (count < 3 || card.words.size() - at > 5) {
            fault(card.line, "SIN of " + std::to_string(card.words.size() - at) + " values",
                  "SIN(vo va freq td theta)");
        }
        for (std::size_t i = 0; i < count; ++i)
            given[i] = value(card, at + i, "SIN", false).value_or(0);
        if (!(given[2] > 0))
            fault(card.line, "a frequency of " + std::to_string(given[2]), "a frequency above 0");
        return Sine{given[0], given[1], given[2], given[3], given[4]};
    }
    Waveform lines(const Card& card, std::size_t at) {
        PiecewiseLinear made;
        if (card.words.size() - at < 2 || (card.words.size() - at) % 2 != 0) {
            fault(card.line, "PWL of " + std::to_string(card.words.size() - at) + " values",
                  "PWL(t1 v1 t2 v2 …)");
            return Constant{};
        }
        for (; at + 1 < card.words.size(); at += 2) {
            const double time = value(card, at, "PWL", false).value_or(0);
            const double level = value(card, at + 1, "PWL", false).value_or(0);
            if (time < 0 || (!made.points.empty() && time <= made.points.back().first)) {
                fault(card.line, card.words[at], "times that rise, from 0");
            }
            made.points.emplace_back(time, level);
        }
        return made;
    }

    /// [DC] value, then a waveform; either may be left out.
    void source(const Card& card, Waveform& waveform, std::optional<double>& dc) {
        std::size_t at = 3;
        if (at < card.words.size() && card.words[at] == "dc") ++at;
        if (at < card.words.size() && number(card.words[at]))
            dc = number(card.words[at++]);
        else if (at > 3)
            value(card, at++, "DC", false);
        if (at >= card.words.size()) {
            if (!dc) fault(card.line, "no value", "a value, PULSE, SIN or PWL");
            waveform = Constant{dc.value_or(0)};
            return;
        }
        const std::string kind = card.words[at++];
        if (kind == "pulse")
            waveform = pulse(card, at);
        else if (kind == "sin")
            waveform = sine(card, at);
        else if (kind == "pwl")
            waveform = lines(card, at);
        else
            fault(card.line, kind, "a value, PULSE, SIN or PWL");
    }

    void element(const Card& card) {
        const std::string& name = card.words.front();
        Circuit& circuit = m_netlist.circuit;
        if (name.front() == '.') {
            command(card);
            return;
        }
        if (!m_names.insert(name).second) fault(card.line, name + " twice", "each name once");
        switch (name.front()) {
            case 'r':
            case 'c': {
                const bool resistor = name.front() == 'r';
                if (!length(card, 4, 4,
                            resistor ? "Rname node node ohms" : "Cname node node farads"))
                    return;
                const auto read = value(card, 3, resistor ? "ohms" : "farads", true);
                if (!read) return;
                const Node a = nodeNamed(circuit, card.words[1]);
                const Node b = nodeNamed(circuit, card.words[2]);
                if (resistor)
                    circuit.resistors.push_back({name, a, b, Ohms{*read}});
                else
                    circuit.capacitors.push_back({name, a, b, Farads{*read}});
                return;
            }
            case 'v':
            case 'i': {
                if (!length(card, 4, 100000, "Vname node node value|PULSE(…)|SIN(…)|PWL(…)"))
                    return;
                Waveform waveform;
                std::optional<double> dc;
                source(card, waveform, dc);
                const Node plus = nodeNamed(circuit, card.words[1]);
                const Node minus = nodeNamed(circuit, card.words[2]);
                if (name.front() == 'v')
                    circuit.voltageSources.push_back({name, plus, minus, waveform, dc});
                else
                    circuit.currentSources.push_back({name, plus, minus, waveform, dc});
                return;
            }
            case 'd': {
                if (!length(card, 4, 4, "Dname anode cathode MODEL")) return;
                const auto model = m_models.find(card.words[3]);
                if (model == m_models.end()) {
                    fault(card.line, card.words[3], "the name of a .model of kind D");
                    return;
                }
                const Node anode = nodeNamed(circuit, card.words[1]);
                const Node cathode = nodeNamed(circuit, card.words[2]);
                circuit.diodes.push_back({name, anode, cathode, model->second});
                return;
            }
            default:
                fault(card.line, name, "an element R, C, V, I or D, or a dot command");
                return;
        }
    }

    void command(const Card& card) {
        const std::string& name = card.words.front();
        if (name == ".model") return;
        if (name != ".op" && name != ".dc" && name != ".tran") {
            fault(card.line, name, ".model, .op, .dc, .tran or .end");
            return;
        }
        if (++m_analyses > 1) fault(card.line, "a second analysis", "one analysis");
        m_netlist.analysisLine = card.line;
        if (name == ".op") {
            if (length(card, 1, 1, ".op")) m_netlist.analysis = OpAnalysis{};
        } else if (name == ".dc") {
            if (!length(card, 5, 5, ".dc SRC start stop step")) return;
            DcAnalysis made{card.words[1], {}};
            made.range.start = value(card, 2, "start", false).value_or(0);
            made.range.stop = value(card, 3, "stop", false).value_or(0);
            made.range.step = value(card, 4, "step", false).value_or(0);
            const double steps = (made.range.stop - made.range.start) / made.range.step;
            if (!(std::abs(made.range.step) > 0) || steps < 0 || !(steps <= mostPoints)) {
                fault(card.line, "step " + card.words[4],
                      "a step from start towards stop, at most a million of them");
            }
            m_netlist.analysis = made;
        } else {
            if (!length(card, 3, 3, ".tran tstep tstop")) return;
            TransientSpan span;
            span.step = value(card, 1, "tstep", true).value_or(1);
            span.stop = value(card, 2, "tstop", true).value_or(1);
            if (span.stop < span.step || !(span.stop / span.step <= mostPoints)) {
                fault(card.line, card.words[2], "a tstop of one to a million tsteps");
            }
            m_netlist.analysis = span;
        }
    }

    Netlist m_netlist;
    std::vector<Card> m_cards;
    std::vector<NetlistFault> m_faults;
    std::set<std::string> m_names;
    std::unordered_map<std::string, std::size_t> m_models;
    std::size_t m_lastLine = 1;
    int m_analyses = 0;
};

/// Edges of a pulse that were left out or are 0 take the transient's step, as in SPICE; the width
/// and period that were left out take its stop.
void fillPulse(Waveform& waveform, const Analysis& analysis) {
    auto* pulse = std::get_if<Pulse>(&waveform);
    if (!pulse) return;
    const auto* span = std::get_if<TransientSpan>(&analysis);
    const double step = span ? span->step : 1e-9;
    const double stop = span ? span->stop : 1;
    if (!(pulse->rise > 0)) pulse->rise = step;
    if (!(pulse->fall > 0)) pulse->fall = step;
    if (!(pulse->width > 0)) pulse->width = stop;
    if (pulse->period > 0) {
        pulse->period = std::max(pulse->period, pulse->rise + pulse->width + pulse->fall);
    }
}

}  // namespace

ReadNetlist readNetlist(std::string_view text) {
    ReadNetlist read = Reader(text).read();
    for (auto& source : read.netlist.circuit.voltageSources)
        fillPulse(source.volts, read.netlist.analysis);
    for (auto& source : read.netlist.circuit.currentSources)
        fillPulse(source.amps, read.netlist.analysis);
    if (read.faults.empty()) {
        if (const auto* dc = std::get_if<DcAnalysis>(&read.netlist.analysis)) {
            const Circuit& circuit = read.netlist.circuit;
            const auto named = [&](const auto& source) { return source.name == dc->source; };
            if (std::none_of(circuit.voltageSources.begin(), circuit.voltageSources.end(), named) &&
                std::none_of(circuit.currentSources.begin(), circuit.currentSources.end(), named)) {
                return {{},
                        {{read.netlist.analysisLine, dc->source, "the name of a V or I source"}}};
            }
        }
        if (auto fault = overBudget(read.netlist)) return {{}, {std::move(*fault)}};
    }
    return read;
}

}  // namespace glimmet::core::circuit
