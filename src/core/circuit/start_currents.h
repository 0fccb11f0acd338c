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
    static constexpr std::size_t none = static_cast<std::size_t>(-1);
    struct Range {
        std::size_t first = 0, last = 0;
        [[nodiscard]] bool isEmpty() const { return first == last; }
    };
    /// Diodes and resistors in series, as ranges of m_diodes and m_resistors.
    struct String {
        Range diodes, resistors;
        std::array<Node, 2> ends{};
        std::size_t shares = 1;                        ///< strings alike that the resistor feeds
        std::array<std::size_t, 2> feeds{none, none};  ///< per end: index into m_feeds
        bool isRectifier = false;                      ///< it leads to others
    };
    void walk(const Circuit& circuit, const std::vector<Meeting>& meetings);
    void share(const Circuit& circuit, const std::vector<Meeting>& meetings);
    void lead(const Circuit& circuit, std::vector<char> given);
    [[nodiscard]] double volts(const Circuit& circuit, const JunctionRow& diodes,
                               const String& string, double amps) const;

    std::vector<String> m_strings;
    std::vector<std::size_t> m_diodes, m_resistors;
    /// Per node that rectifiers lead to from a supply: them, as a range of m_rectifiers, which are
    /// strings.
    std::vector<Range> m_feeds;
    std::vector<std::size_t> m_rectifiers;
    // Workspace of guess().
    std::vector<double> m_amps, m_next;  ///< per string
    std::vector<double> m_fed;           ///< per feed: what it leads to
};

}  // namespace glimmet::core::circuit
