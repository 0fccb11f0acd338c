#include "core/circuit/start_currents.h"

#include <algorithm>
#include <map>
#include <utility>

namespace glimmet::core::circuit {
namespace {

constexpr double atFirst = 0.01;  // A, at which volts are taken to find the current
constexpr int rounds = 4;         // of this: an error falls to a twentieth in each
constexpr double least = 3e-4;    // A, a little below where lamps work: of what no guess is known
constexpr double most = 0.03;     // A, of a lamp
constexpr double wire = 10;       // Ω, up to which a resistor is taken for a wire
constexpr int mostWires = 4;      // one after the other that are followed, whatever their order
constexpr std::array<std::size_t, 2> sides{0, 1};  // of a string

}  // namespace

StartCurrents::StartCurrents(const Circuit& circuit, const std::vector<Meeting>& meetings,
                             std::vector<char> given) {
    walk(circuit, meetings);
    share(circuit, meetings);
    lead(circuit, std::move(given));
    m_amps.resize(m_strings.size());
    m_next.resize(m_strings.size());
    m_fed.resize(m_feeds.size());
}

/// From every diode in both directions, as far as elements are in series.
void StartCurrents::walk(const Circuit& circuit, const std::vector<Meeting>& meetings) {
    std::vector<char> isDiodeTaken(circuit.diodes.size(), 0);
    std::vector<char> isResistorTaken(circuit.resistors.size(), 0);
    // On over one of two elements that meet, if it is not of the string yet.
    const auto goOn = [](Node& node, const std::array<std::size_t, 2>& here, const auto& ends,
                         std::vector<char>& isTaken, std::vector<std::size_t>& members) {
        for (const std::size_t next : here) {
            if (next == Meeting::none || isTaken[next]) continue;
            isTaken[next] = 1;
            members.push_back(next);
            const auto [a, b] = ends(next);
            node = a == node ? b : a;
            return true;
        }
        return false;
    };
    const auto diodeEnds = [&](std::size_t k) {
        return std::pair(circuit.diodes[k].anode, circuit.diodes[k].cathode);
    };
    const auto resistorEnds = [&](std::size_t k) {
        return std::pair(circuit.resistors[k].a, circuit.resistors[k].b);
    };
    for (std::size_t k = 0; k < circuit.diodes.size(); ++k) {
        if (isDiodeTaken[k]) continue;
        String string{.diodes = {m_diodes.size(), 0}, .resistors = {m_resistors.size(), 0}};
        isDiodeTaken[k] = 1;
        m_diodes.push_back(k);
        for (const std::size_t side : sides) {
            Node node = side == 0 ? circuit.diodes[k].anode : circuit.diodes[k].cathode;
            while (
                meetings[node].isSeries() &&
                (goOn(node, meetings[node].diode, diodeEnds, isDiodeTaken, m_diodes) ||
                 goOn(node, meetings[node].resistor, resistorEnds, isResistorTaken, m_resistors))) {
            }
            string.ends[side] = node;
        }
        string.diodes.last = m_diodes.size();
        string.resistors.last = m_resistors.size();
        m_strings.push_back(string);
    }
}

/// Strings without a resistor, all between the same two nodes, of which one hangs on a resistor.
void StartCurrents::share(const Circuit& circuit, const std::vector<Meeting>& meetings) {
    std::map<std::pair<Node, Node>, std::size_t> alike;
    for (const String& each : m_strings) {
        if (each.resistors.isEmpty()) ++alike[std::minmax(each.ends[0], each.ends[1])];
    }
    for (String& each : m_strings) {
        if (!each.resistors.isEmpty()) continue;
        const std::size_t shares = alike[std::minmax(each.ends[0], each.ends[1])];
        for (Node& end : each.ends) {
            const Meeting& here = meetings[end];
            if (here.resistors != 1 || here.count != shares + 1) continue;
            const Resistor& resistor = circuit.resistors[here.resistor[0]];
            each.resistors = {m_resistors.size(), m_resistors.size() + 1};
            m_resistors.push_back(here.resistor[0]);
            each.shares = shares;
            end = resistor.a == end ? resistor.b : resistor.a;
            break;
        }
    }
}

/// Rectifiers between a supply, or what a wire joins to it, and the ends of strings with resistors.
void StartCurrents::lead(const Circuit& circuit, std::vector<char> given) {
    for (int wires = 0; wires < mostWires; ++wires) {
        for (const Resistor& each : circuit.resistors) {
            if (each.resistance.value() > wire) continue;
            given[each.a] = given[each.b] = given[each.a] | given[each.b];
        }
    }
    std::map<Node, std::vector<std::size_t>> rectifiersAt;
    for (std::size_t k = 0; k < m_strings.size(); ++k) {
        const String& each = m_strings[k];
        if (!each.resistors.isEmpty()) continue;
        for (const std::size_t side : sides) {
            if (!given[each.ends[side]] && given[each.ends[1 - side]])
                rectifiersAt[each.ends[side]].push_back(k);
        }
    }
    std::map<Node, std::size_t> feedAt;
    for (String& each : m_strings) {
        if (each.resistors.isEmpty()) continue;
        for (const std::size_t side : sides) {
            const auto found = rectifiersAt.find(each.ends[side]);
            if (found == rectifiersAt.end()) continue;
            const auto [at, isNew] = feedAt.try_emplace(each.ends[side], m_feeds.size());
            each.feeds[side] = at->second;
            if (!isNew) continue;
            m_feeds.push_back({m_rectifiers.size(), m_rectifiers.size() + found->second.size()});
            m_rectifiers.insert(m_rectifiers.end(), found->second.begin(), found->second.end());
        }
    }
    for (const std::size_t each : m_rectifiers) m_strings[each].isRectifier = true;
}

double StartCurrents::volts(const Circuit& circuit, const JunctionRow& diodes, const String& string,
                            double amps) const {
    double sum = 0;
    for (std::size_t k = string.diodes.first; k < string.diodes.last; ++k) {
        const std::size_t diode = m_diodes[k];
        const double own = circuit.models[circuit.diodes[diode].model].series.value();
        sum += diodes.law(diode).voltsFor(amps) + own * amps;
    }
    return sum;
}

void StartCurrents::guess(const Circuit& circuit, double highest, JunctionRow& diodes) {
    std::fill(m_amps.begin(), m_amps.end(), atFirst);
    for (int round = 0; round < rounds; ++round) {
        std::fill(m_next.begin(), m_next.end(), 0.0);
        std::fill(m_fed.begin(), m_fed.end(), 0.0);
        for (std::size_t at = 0; at < m_strings.size(); ++at) {
            const String& each = m_strings[at];
            double ohms = 0;
            for (std::size_t k = each.resistors.first; k < each.resistors.last; ++k)
                ohms += circuit.resistors[m_resistors[k]].resistance.value();
            if (!(ohms > 0)) continue;
            double left = highest - volts(circuit, diodes, each, m_amps[at]);
            for (const std::size_t feed : each.feeds) {
                if (feed == none) continue;
                const std::size_t first = m_rectifiers[m_feeds[feed].first];
                left -= volts(circuit, diodes, m_strings[first], m_amps[first]);
            }
            const double shares = static_cast<double>(each.shares);
            m_next[at] = std::clamp(left / (ohms * shares), least, most);
            for (const std::size_t feed : each.feeds) {
                if (feed != none) m_fed[feed] += m_next[at];
            }
        }
        for (std::size_t feed = 0; feed < m_feeds.size(); ++feed) {
            for (std::size_t k = m_feeds[feed].first; k < m_feeds[feed].last; ++k)
                m_next[m_rectifiers[k]] = m_fed[feed];
        }
        std::swap(m_amps, m_next);
    }
    for (std::size_t at = 0; at < m_strings.size(); ++at) {
        const String& each = m_strings[at];
        const bool waits = !each.resistors.isEmpty() && each.shares == 1;
        for (std::size_t k = each.diodes.first; k < each.diodes.last; ++k)
            diodes.setStart(m_diodes[k], std::max(m_amps[at], least), waits, each.isRectifier);
    }
}

}  // namespace glimmet::core::circuit
