#include "core/work/lamps/judge_board_output.h"

#include "core/analysis/lamps/row_names.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/lamps/resistor_options.h"
#include "core/work/lamps/row_verdict.h"

#include <algorithm>

namespace glimmet::core::lamps {

std::vector<BoardCase> boardCases(const JobAnalysis& facts, const LampGroup& group) {
    std::vector<BoardCase> all;
    for (const Ohms board : likelyOnBoard) {
        auto state = groupState(facts.job, group, facts.house, board);
        if (!state) return {};
        BoardCase made{board, std::move(*state), {}};
        for (const RowState& row : made.state.rows) {
            made.rows.push_back(rowVerdict(row, group));
        }
        all.push_back(std::move(made));
    }
    return all;
}

bool sameOnEveryBoard(const std::vector<BoardCase>& cases, std::size_t row) {
    return std::all_of(cases.begin(), cases.end(), [&](const BoardCase& one) {
        return one.rows[row].trouble == cases.front().rows[row].trouble &&
               one.rows[row].trouble != RowTrouble::NoResistor;  // which one hangs on it
    });
}

Text anywayWords(const LampGroup& group, const std::vector<BoardCase>& cases, std::size_t row) {
    const RowState& bare = cases.front().state.rows[row];
    const RowState& most = cases.back().state.rows[row];
    const std::string called = atStart(rowName(group, row));
    const std::string low = formatted(most.current, 3);
    const std::string high = formatted(bare.current, 3);
    switch (cases.front().rows[row].state) {
        case State::Over:
            return text(
                "%1 fails whatever output %2 has on its board: it takes %3 to %4, its limit "
                "is %5.",
                called, group.output, low, high, formatted(bare.limit, 3));
        case State::Close:
            return group.hasTarget()
                       ? text(
                             "%1 works, but not well, whatever output %2 has on its board: %3 to "
                             "%4 where %5 was wished.",
                             called, group.output, low, high, formatted(group.atFull(), 3))
                       : text(
                             "%1 works, but not well, whatever output %2 has on its board: %3 to "
                             "%4.",
                             called, group.output, low, high);
        case State::Ask:
        case State::Fine:
            break;
    }
    return text("%1 works whatever output %2 has on its board: %3 to %4 of its %5.", called,
                group.output, low, high, formatted(bare.limit, 3));
}

void judgeOutput(const LampGroup& group, const std::vector<BoardCase>& cases, std::size_t row,
                 Judging& judging) {
    // A question is as grave as the gravest thing that an answer could bring.
    Gravity gravity{};
    for (const BoardCase& one : cases) gravity = std::max(gravity, one.rows[row].gravity);
    judging.say(
        "lamp.output:" + group.id, subjectOf(group), State::Ask, gravity, [&](Finding& finding) {
            const auto follows = [&](const BoardCase& one) -> Text {
                const RowState& made = one.state.rows[row];
                switch (one.rows[row].trouble) {
                    case RowTrouble::Burns:
                        return text("%1, it burns", formatted(made.current, 3));
                    case RowTrouble::MayBurn:
                        return text("up to %1, it can burn", formatted(made.highest, 3));
                    case RowTrouble::NoResistor:
                        return text("%1 is wanted beside it",
                                    formatted(std::max(made.ideal, Ohms{0}), 2));
                    default:
                        break;
                }
                return effectWords(group, made.current);
            };
            finding.sentence = text(
                "Look whether output %1 has a resistor on the board. For %2: none, then %3; 470 Ω, "
                "then %4; 1.5 kΩ, then %5.",
                group.output, rowName(group, row), follows(cases[0]), follows(cases[1]),
                follows(cases[2]));
            finding.action = text("look at output %1 for a resistor", group.output);
            finding.figures = {figures::missing(
                text("Resistance of output %1", group.output), "R_out", Dimension::Resistance,
                text("read the board or measure it, power off"), "output " + group.output + " ")};
            for (const BoardCase& one : cases) {
                const bool bare = !(one.board > Ohms{0});
                finding.options.push_back(
                    answer(bare ? text("It is bare") : text("It carries %1", formatted(one.board)),
                           follows(one), one.rows[row].state,
                           "output " + group.output + " " + (bare ? "bare" : jotOhms(one.board))));
            }
        });
}

}  // namespace glimmet::core::lamps
