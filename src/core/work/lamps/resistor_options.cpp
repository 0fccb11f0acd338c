#include "core/work/lamps/resistor_options.h"

#include "core/analysis/lamps/row_names.h"
#include "core/led/preferred_value.h"
#include "core/led/resistor_choice.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::lamps {

std::string jotOhms(Ohms resistance) {
    std::string words = formattedExactly(resistance);
    words.erase(words.find(' '), 1);
    words.erase(words.find("Ω"));
    return words.back() >= '0' && words.back() <= '9' ? words + "R" : words;
}

bool allAlike(const LampGroup& group) {
    return std::all_of(group.rows.begin(), group.rows.end(),
                       [&](const LampRow& row) { return alike(row, group.rows.front()); });
}

Text effectWords(const LampGroup& group, Amperes mean) {
    return text("%1, %2", formatted(mean, 3), lightWords(group, mean));
}

std::vector<Option> resistorOptions(const Job& job, const LampGroup& group, std::size_t row,
                                    const RowState& state, const WorkshopRules& house, bool every,
                                    bool board) {
    std::vector<Option> options;
    // A wish beyond what the lamp bears is met as far as it bears it.
    ResistorWish wish = group.wish;
    wish.target = group.atFull() / state.duty;  // at the peak
    Ohms ideal = state.ideal;
    if (wish.target > state.limit * 0.8 && ideal > Ohms{0}) {
        const double share = wish.target / (state.limit * 0.8);
        wish.target = state.limit * 0.8;
        ideal *= share;  // the volts across it stay nearly the same
    }
    const bool wired = group.rows[row].lamps.front().part.rated.has_value();  // its own is in it
    // Its own resistor beside the board's: the board's alone may do.
    const bool besideBoard = state.connected && *group.rows[row].resistor > Ohms{0} && board;
    if (!(ideal > Ohms{0}) && !wired && !besideBoard) return options;
    struct Candidate {
        Ohms value{};
        Amperes current{};
        double away{};
        bool thumb = false;
    };
    std::vector<Candidate> candidates;
    const auto add = [&](Ohms value, bool thumb) {
        if (value > Ohms{0} && value < Ohms{1}) return;  // no line takes it, no drawer has it
        const bool known = std::any_of(candidates.begin(), candidates.end(),
                                       [&](const Candidate& c) { return c.value == value; });
        if (known) return;
        const auto current = every ? currentWith(job, group, row, value, house, true)
                                   : currentWith(job, group, state, row, value, house);
        if (!current) return;
        candidates.push_back(
            {value, *current,
             std::abs(std::log(std::max(relativeLight(*current, wish.target), 1e-12))), thumb});
    };
    if (ideal > Ohms{0}) {
        for (const Ohms value : preferredAround(ideal, group.wish.series, 2)) add(value, false);
    }
    if (group.rows[row].resistor) add(*group.rows[row].resistor, false);
    // What the trade knows by heart is for bare LEDs.
    if (ideal > Ohms{0} && !wired) {
        add(Ohms{1000}, true);
        add(Ohms{2200}, true);
    }
    if (wired || besideBoard) add(Ohms{0}, false);
    // None at all is no remedy where it would burn.
    std::erase_if(candidates, [&](const Candidate& each) {
        return !(each.value > Ohms{0}) && each.current > state.limit &&
               !(group.rows[row].resistor && *group.rows[row].resistor == each.value);
    });
    const auto policy = fittedResistor(ideal, wish);
    std::stable_sort(
        candidates.begin(), candidates.end(), [&](const Candidate& a, const Candidate& b) {
            const auto burns = [&](const Candidate& c) { return c.current > state.limit; };
            if (burns(a) != burns(b)) return burns(b);
            const bool aFirst = policy && a.value == *policy;
            const bool bFirst = policy && b.value == *policy;
            return aFirst != bFirst ? aFirst : a.away < b.away;
        });
    for (const Candidate& candidate : candidates) {
        Option option;
        const bool none = !(candidate.value > Ohms{0});
        option.what = none              ? text("no resistor")
                      : every           ? text("%1 for each", formatted(candidate.value))
                      : candidate.thumb ? text("%1, the rule of thumb", formatted(candidate.value))
                                        : verbatim(formatted(candidate.value));
        option.effect = effectWords(group, candidate.current * state.duty);
        option.state = stateAgainst(candidate.current.value(), state.limit.value(), lampCloseAbove);
        option.jot = "resistor " + (every ? group.name : rowName(group, row)) + " " +
                     (none ? "none" : jotOhms(candidate.value));
        option.inPlace = group.rows[row].resistor && *group.rows[row].resistor == candidate.value;
        options.push_back(std::move(option));
    }
    return options;
}

Option withoutResistor(const std::string& called, Text effect) {
    Option none;
    none.what = text("no resistor");
    none.effect = std::move(effect);
    none.state = State::Fine;
    none.jot = "resistor " + called + " none";
    return none;
}

Option ownOption(const LampGroup& group) {
    Option option;
    option.what = text("a resistor of its own for each");
    option.effect = text("chosen for the wish of %1, nothing shared", formatted(group.atFull()));
    option.state = State::Fine;
    option.jot = "own " + group.name;
    return option;
}

std::optional<Option> splitOption(const JobAnalysis& facts, const LampGroup& group) {
    LampGroup changed = group;
    changed.connection = OwnResistors{};
    changed.rows.clear();
    for (const LampRow& row : group.rows) {
        for (const Lamp& lamp : row.lamps) {
            changed.rows.push_back({{lamp}, Ohms{0}});
            changed.rows.back().lamps.front().parallel = false;
        }
    }
    if (changed.rows.size() == group.rows.size() || changed.rows.size() > 12) return {};
    const auto then = groupState(facts.job, changed, facts.house);
    if (!then || !std::all_of(then->rows.begin(), then->rows.end(),
                              [](const RowState& row) { return row.ideal > Ohms{0}; })) {
        return {};
    }
    Option option;
    option.what = text("each LED in a row by itself");
    option.effect = text("%1 in all instead of %2",
                         formatted(group.atFull() * static_cast<double>(changed.rows.size()), 2),
                         formatted(group.atFull() * static_cast<double>(group.rows.size()), 2));
    option.state = State::Fine;
    option.jot = "split " + group.name;
    return option;
}

std::vector<Option> pairOptions(const Job& job, const LampGroup& group, const RowState& state,
                                const WorkshopRules& house) {
    std::vector<Option> options;
    const auto value = fittedResistor(state.ideal, group.wish);
    if (!value) return options;
    LampGroup changed = group;
    changed.connection = SharedResistor{*value};
    const auto made = groupState(job, changed, house);
    if (!made) return options;
    Option option;
    option.what = text("%1 for both", formatted(*value));
    option.state = State::Fine;
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const RowState& row = made->rows[r];
        const Text one = text("%1 %2", rowName(group, r), formatted(row.current, 3));
        option.effect = r == 0 ? one : text("%1, %2", option.effect, one);
        option.state = worse(option.state,
                             stateAgainst(row.current.value(), row.limit.value(), lampCloseAbove));
    }
    option.jot = "shared " + group.name + " " + jotOhms(*value);
    option.inPlace = group.shared() == *value;
    options.push_back(std::move(option));
    return options;
}

}  // namespace glimmet::core::lamps
