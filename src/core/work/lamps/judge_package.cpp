#include "core/work/lamps/judge_package.h"

#include "core/analysis/lamps/row_names.h"
#include "core/quantity/format.h"

namespace glimmet::core::lamps {

void judgePackages(const LampGroup& group, const GroupState& state, Judging& judging) {
    for (std::size_t row = 0; row < group.rows.size(); ++row) {
        const auto& package = group.rows[row].package;
        const RowState& made = state.rows[row];
        if (!package || !made.connected) continue;
        const Watts bears = rating(*package);
        const State verdict = stateAgainst(made.resistorPower.value(), bears.value(), 0.5);
        if (verdict == State::Fine) continue;
        judging.say(
            "lamp.package:" + rowId(group, row), subjectOf(group), verdict, Gravity::PartDestroyed,
            [&](Finding& finding) {
                const std::string heat = formatted(made.resistorPower, 2);
                finding.sentence =
                    verdict == State::Over
                        ? text("The resistor of %1 chars: it gives off %2, one of %3 bears %4.",
                               rowName(group, row), heat, shown(*package), formatted(bears, 3))
                        : text("The resistor of %1 gets hot: %2 of the %4 that one of %3 bears.",
                               rowName(group, row), heat, shown(*package), formatted(bears, 3));
                finding.action = text("a larger body for the resistor of %1", rowName(group, row));
                finding.figures = {figures::computed(text("Heat in the resistor"), "P",
                                                     made.resistorPower, "I · I · R", {}),
                                   figures::catalogue(text("It bears"), "P_rated", bears,
                                                      text("usual for %1", shown(*package)))};
                for (const auto& [body, word] : wordsOf(ResistorPackage())) {
                    if (made.resistorPower > rating(body) / 2.0) continue;
                    Option option;
                    option.what = verbatim(shown(body));
                    option.effect = text("bears %1", formatted(rating(body), 3));
                    option.state = State::Fine;
                    option.jot = "package " + rowName(group, row) + " " + std::string(word);
                    finding.options.push_back(std::move(option));
                }
            });
    }
}

}  // namespace glimmet::core::lamps
