#include "core/work/lamps/less_current.h"

#include "core/led/preferred_value.h"
#include "core/quantity/format.h"
#include "core/work/jot.h"

#include <algorithm>

namespace glimmet::core::lamps {

std::optional<Option> lessCurrent(const Job& job, const LampGroup& group, Amperes most,
                                  const WorkshopRules& house) {
    if (group.driver() || group.isBulbs() || group.shared() > Ohms{0}) return {};
    if (!std::all_of(group.rows.begin(), group.rows.end(),
                     [&](const LampRow& row) { return alike(row, group.rows.front()); })) {
        return {};
    }
    constexpr Ohms least{10}, largest{1e6};
    LampGroup made = group;
    Ohms value = std::max(group.rows.front().resistor.value_or(least), least);
    while (value < largest) {
        value = preferredValue(value * 1.01, group.wish.series, RoundingPolicy::Higher);
        for (LampRow& row : made.rows) row.resistor = value;
        const auto then = groupState(job, made, house);
        if (!then) return {};
        const bool burns = std::any_of(then->rows.begin(), then->rows.end(),
                                       [](const RowState& row) { return row.highest > row.limit; });
        if (then->total > most || burns) continue;
        Option option;
        option.what = group.rows.size() > 1 ? text("%1 for each", formatted(value))
                                            : verbatim(formatted(value));
        option.effect =
            text("%1 in all; %2", formatted(then->total, 3),
                 lightWords(made, then->rows.front().current * then->rows.front().duty));
        option.state = State::Fine;
        option.jot = "resistor " + group.name + " " + asJot(Dimension::Resistance, value.value());
        return option;
    }
    return {};
}

std::vector<Option> movesToFree(const Job& job, const LampGroup& group, Amperes current,
                                Text effect) {
    std::vector<Option> options;
    if (!job.decoder) return options;
    for (const DecoderOutput& other : job.decoder->part.outputs) {
        const bool taken =
            std::any_of(job.groups.begin(), job.groups.end(),
                        [&](const LampGroup& each) { return each.output == other.name; });
        if (other.kind != OutputKind::LowSide || taken) continue;
        if (other.limit && current > *other.limit * lampCloseAbove) continue;
        Option option;
        option.what = text("move it to output %1", other.name);
        option.effect = !effect.empty() ? effect
                        : other.limit   ? text("that one gives %1", formatted(*other.limit))
                                        : text("that one is free");
        option.state = State::Fine;
        option.jot = "lamp " + group.name + " on " + other.name;
        options.push_back(std::move(option));
    }
    return options;
}

}  // namespace glimmet::core::lamps
