#include "core/work/lamps/resistor_verbs.h"

#include "core/analysis/lamp_groups.h"
#include "core/jot/names.h"
#include "core/led/preferred_value.h"
#include "core/led/resistor_choice.h"
#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"
#include "core/work/lamps/feed_verbs.h"
#include "core/work/lamps/lamp_verbs.h"
#include "core/work/lamps/lamp_words.h"
#include "core/work/lamps/more_lamps.h"
#include "core/work/lamps/new_lamp.h"

#include <algorithm>
#include <cmath>
#include <sstream>

namespace glimmet::core::lamps {

using namespace jot;

std::optional<Error> chipCode(const ParsedLine& said, Ohms value) {
    const double ohms = value.value();
    // Up to 100 kΩ, as lamps have them.
    const bool three = ohms >= 100 && ohms < 1000 && !(ohms > std::floor(ohms));
    if (!three || isPreferred(value, Series::E24)) return {};
    const auto whole = static_cast<int>(ohms);
    const std::string digits = std::to_string(whole);
    // Only as a bare number: with a unit or R it is meant as it stands.
    std::istringstream words(said.rest);
    bool bare = false;
    for (std::string word; words >> word;) bare = bare || word == digits;
    if (!bare) return {};
    const double coded = (whole / 10) * std::pow(10.0, whole % 10);
    if (!(coded > 0) || coded > 1e5 || !isPreferred(Ohms{coded}, Series::E24)) return {};
    return Error{ErrorCode::NotUnderstood, "jot",
                 text("“%1” printed on a chip is %2. Write %3 for that, or %1R for %1 Ω.", digits,
                      formatted(Ohms{coded}), asJot(Dimension::Resistance, coded, 3))};
}

Result<std::optional<Ohms>> ohmsOr(const ParsedLine& said, std::string_view word) {
    const auto value = said.one<Ohms>("OHMS");
    const auto& instead = said.name(word);
    if (value) {
        if (auto code = chipCode(said, *value)) return tl::unexpected(std::move(*code));
    }
    if (value && instead) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 and %2: only one of them can be.", formatted(*value), *instead));
    }
    if (!value && !instead) {
        return refuse(ErrorCode::Missing,
                      text("How many ohms? Write it like %1.", said.command.examples.front()));
    }
    if (instead == "open" || instead == "unknown") return std::optional<Ohms>{};
    return value ? value : std::optional(Ohms{0});
}

Result<JotResult> resistor(const ParsedLine& said) {
    const auto value = ohmsOr(said, "none");
    if (!value) return tl::unexpected(value.error());
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const LampGroup& group = said.context.job.groups[address->group];
    if (address->wholeCircuit && antiparallel(group)) {
        return refuse(ErrorCode::NotUnderstood,
                      text("The rows of %1 hang behind one resistor: shared %1 %2.", group.name,
                           *value ? formatted(**value) : std::string("1k")));
    }
    const std::string called = rowOf(group, *address);
    const auto body = said.name("PACKAGE") ? named<ResistorPackage>(*said.name("PACKAGE"))
                                           : std::optional<ResistorPackage>();
    JotResult result =
        jotted(said, !*value             ? text("%1: resistor not chosen", called)
                     : **value > Ohms{0} ? text("%1: resistor %2", called, formatted(**value))
                                         : text("%1: no resistor", called));
    if (body) result.meaning = text("%1, %2", result.meaning, shown(*body));
    result.subject = group.id;
    std::vector<LampRow>& rows = result.after.groups[address->group].rows;
    for (std::size_t i = 0; i < rows.size(); ++i) {
        if (!address->wholeCircuit && i != address->row) continue;
        rows[i].resistor = *value;
        if (body) rows[i].package = body;
    }
    return result;
}

Result<JotResult> shared(const ParsedLine& said) {
    const auto value = ohmsOr(said, "none");
    if (!value) return tl::unexpected(value.error());
    const auto group = groupOf(said);
    if (!group) return tl::unexpected(group.error());
    const std::string& called = said.context.job.groups[*group].name;
    JotResult result =
        jotted(said, **value > Ohms{0} ? text("%1: shared resistor %2", called, formatted(**value))
                                       : text("%1: no shared resistor", called));
    result.subject = said.context.job.groups[*group].id;
    LampGroup& changed = result.after.groups[*group];
    const bool one = **value > Ohms{0};
    // One for all takes the place of those that were not chosen; without it they are to be chosen.
    // Where a row has one of its own, the others are to get theirs too.
    const bool owns = std::any_of(changed.rows.begin(), changed.rows.end(), [](const LampRow& row) {
        return row.resistor.value_or(Ohms{0}) > Ohms{0};
    });
    bool filled = false;
    for (LampRow& row : changed.rows) {
        if (one && !owns && !row.resistor) {
            row.resistor = Ohms{0};
            filled = true;
        } else if (!one && changed.shared() > Ohms{0} && row.resistor == Ohms{0}) {
            row.resistor.reset();
        }
    }
    if (filled) result.meaning = text("%1, none of its own for a row", result.meaning);
    if (one)
        changed.connection = SharedResistor{**value};
    else
        changed.connection = OwnResistors{};
    return result;
}

namespace {

/// A lamp that stands across another becomes a row by itself.
void splitAcross(LampGroup& group) {
    std::vector<LampRow> rows;
    for (const LampRow& row : group.rows) {
        LampRow rest = row;
        rest.lamps.clear();
        std::vector<LampRow> alone;
        for (const Lamp& lamp : row.lamps) {
            if (!lamp.parallel) {
                rest.lamps.push_back(lamp);
                continue;
            }
            LampRow one = row;
            one.lamps = {lamp};
            one.lamps.front().parallel = false;
            alone.push_back(std::move(one));
        }
        const bool changed = !alone.empty();
        rows.push_back(std::move(rest));
        std::ranges::move(alone, std::back_inserter(rows));
        for (std::size_t r = rows.size() - alone.size() - 1; changed && r < rows.size(); ++r) {
            rows[r].tested.reset();
            rows[r].installed = {};
        }
    }
    group.rows = std::move(rows);
}

/// "own front": each row its own resistor, chosen for the wish, and none shared; a lamp across
/// another becomes a row.
Result<JotResult> ownResistors(const ParsedLine& said, std::size_t index, JotResult result) {
    LampGroup& group = result.after.groups[index];
    group.connection = OwnResistors{};
    const WorkshopRules house = houseFor(said, result.after);
    const auto state = groupState(result.after, group, house);
    if (!state) return tl::unexpected(state.error());
    std::string all;
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const auto value = fittedResistor(state->rows[r].ideal, group.wish);
        if (!value || !(state->rows[r].ideal > Ohms{0})) {
            return refuse(ErrorCode::OutOfRange,
                          text("%1 is too little for the LEDs of %2: put fewer in a row.",
                               formatted(state->bus), group.name));
        }
        group.rows[r].resistor = *value;
        all += (all.empty() ? "" : ", ") + formatted(*value);
    }
    result.meaning = text("%1: a resistor of its own for each, %2", group.name, all);
    result.subject = group.id;
    return result;
}

}  // namespace

Result<JotResult> own(const ParsedLine& said) {
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    JotResult result = jotted(said, {});
    splitAcross(result.after.groups[*index]);
    return ownResistors(said, *index, std::move(result));
}

Result<JotResult> split(const ParsedLine& said) {
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    JotResult result = jotted(said, {});
    LampGroup& group = result.after.groups[*index];
    if (group.isBulbs()) return oneKind(group);
    std::vector<LampRow> rows;
    for (const LampRow& row : group.rows) {
        for (const Lamp& lamp : row.lamps) {
            LampRow one = row;
            one.lamps = {lamp};
            one.lamps.front().parallel = false;
            if (row.lamps.size() > 1) {
                one.tested.reset();
                one.installed = {};
            }
            rows.push_back(std::move(one));
        }
    }
    if (rows.size() == group.rows.size()) {
        result.meaning = text("%1: one LED in each row already", group.name);
        result.subject = group.id;
        return result;
    }
    constexpr std::size_t most = 200;  // as of a strip
    if (rows.size() > most) {
        return refuse(ErrorCode::OutOfRange,
                      text("That would be %1 rows; up to %2 are kept.", std::to_string(rows.size()),
                           std::to_string(most)));
    }
    group.rows = std::move(rows);
    return ownResistors(said, *index, std::move(result));
}

}  // namespace glimmet::core::lamps
