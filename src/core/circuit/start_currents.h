// What diodes may carry before anything is solved, so that Newton's method begins near.
//
// A lamp's current is set by the resistor of its string. What else stands in its way are the lamps
// of the string and the rectifiers that lead to it, and their volts hardly depend on the current.
// It is a guess: where it is wrong, a solution takes some iterations more.
#pragma once

#include "core/circuit/junction_row.h"
#include "core/circuit/meetings.h"

#include <array>
#include <vector>

namespace glimmet::core::circuit {

class StartCurrents {
public:
    StartCurrents() = default;
    /// `given`: per node, whether its voltage is that of a supply.
    StartCurrents(const Circuit& circuit, const std::vector<Meeting>& meetings,
                  std::vector<char> given);

    /// Gives every diode of the row the current to begin with, its law being set, where the highest
    /// supply of the circuit has `highest` volts.
    void guess(const Circuit& circuit, double highest, JunctionRow& diodes);

private:
    /// Diodes and resistors in series. A range of indices is of m_diodes, m_resistors or m_leads.
    struct Range {
        std::size_t first = 0, last = 0;
    };
    struct String {
        Range diodes, resistors;
        std::array<Node, 2> ends{};
        std::size_t shares = 1;        ///< strings alike that the resistor feeds
        std::array<Range, 2> leads{};  ///< strings of rectifiers from a supply to an end
        bool leadsToOthers = false;
    };
    void walk(const Circuit& circuit, const std::vector<Meeting>& meetings);
    void share(const Circuit& circuit, const std::vector<Meeting>& meetings);
    void lead(const Circuit& circuit, std::vector<char> given);
    [[nodiscard]] double volts(const Circuit& circuit, const JunctionRow& diodes,
                               const String& string, double amps) const;

    std::vector<String> m_strings;
    std::vector<std::size_t> m_diodes, m_resistors, m_leads;
    std::vector<double> m_amps, m_next;  ///< per string: workspace of guess()
};

}  // namespace glimmet::core::circuit
