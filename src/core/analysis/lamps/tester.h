// Testers of the bench, held to a lamp's leads: a 9 V block behind 1 kΩ, a coin cell, a meter's
// diode test, a supply that can be set. What should be seen, and what it means when something else
// is seen.
#pragma once

#include "core/analysis/lamp_groups.h"
#include "core/finding/finding.h"
#include "core/record/lamps.h"
#include "core/result.h"

namespace glimmet::core::lamps {

/// What a tester is behind its two points (docs/physics.md, "Testers").
struct TesterLaw {
    Volts open{};
    Ohms behind{};
    std::optional<Amperes> limit{};
};
[[nodiscard]] TesterLaw lawOf(const Tester& tester);
/// "the 9 V tester", "a supply at 5 V"
[[nodiscard]] Text called(const Tester& tester);
inline constexpr Volts usualSupply{5};  ///< where it is not said what it is set to

/// What flows through a row, the right way round: its lamps by themselves, or with its resistor,
/// and the one that it shares, or all rows of its group at once, held to its two wires; 0 where a
/// resistor is asked for and none is chosen, and of a row that stands the other way round there.
/// Errors: those of a lamp whose data are no LED's.
/// `backwards`: with the tester's plus at the minus.
[[nodiscard]] Result<Amperes> atTester(const LampGroup& group, std::size_t row,
                                       const Tester& tester, bool backwards = false);
/// How that looks on the bench: lit from 1 mA, dim from 0.1 mA, dark below.
[[nodiscard]] TesterLook expectedLook(Amperes current);

/// Whether what was seen is what should be: eyes part lit from dim and dim from dark at a current
/// that is good to a factor of two.
struct TesterVerdict {
    State state{};
    Gravity gravity{};
};
[[nodiscard]] TesterVerdict testerVerdict(TesterLook seen, Amperes current);

/// The line that enters what was seen: "tester rear lamp dim at cell".
[[nodiscard]] std::string testerJot(const std::string& row, std::string_view look,
                                    const Tester& tester);

/// What should be seen of a row at each tester.
struct TesterLine {
    std::string row;  ///< "headlamps/2"
    bool resistor = false;
    bool others = false;
    struct Cell {
        Tester with;
        Amperes current{};
        TesterLook look{};
        TesterLook backwards{};          ///< with the tester the other way round
        std::optional<TesterLook> seen;  ///< that is on record
        State state = State::Fine;       ///< of that
    };
    std::vector<Cell> cells;
};
/// A line for each row by itself, one with its resistor where that is chosen, one held to the wires
/// of the group where there are several rows (not behind a driver); the columns are
/// 9 V tester, cell, diode test, and a supply at those volts. Of bulbs none.
[[nodiscard]] std::vector<TesterLine> testerLines(const LampGroup& group, Volts supply);

}  // namespace glimmet::core::lamps
