#include "core/work/lamps/lamp_verbs.h"

#include "core/analysis/lamp_groups.h"
#include "core/jot/names.h"
#include "core/led/preferred_value.h"
#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"
#include "core/work/lamps/feed_verbs.h"
#include "core/work/lamps/lamp_words.h"
#include "core/work/lamps/more_lamps.h"
#include "core/work/lamps/new_lamp.h"
#include "core/work/lamps/resistor_verbs.h"

#include <algorithm>

namespace glimmet::core::lamps {

using namespace jot;

namespace {

struct Share {
    const char* name;
    double of;
    std::initializer_list<const char*> also;
};
constexpr Share shares[] = {{"half", 0.5, {"half as bright"}},
                            {"third", 1.0 / 3, {"a third"}},
                            {"quarter", 0.25, {"a quarter"}},
                            {"twice", 2, {"double"}},
                            {"tenth", 0.1, {"a tenth"}}};

}  // namespace

std::vector<Named> shareNames(const Context&) {
    std::vector<Named> all;
    for (const Share& each : shares) {
        all.push_back({each.name, {each.also.begin(), each.also.end()}, "of another lamp's light"});
    }
    return all;
}

namespace {

/// A wish by another lamp: light follows current, so the share of its light is one of its current.
Result<JotResult> targetLike(const ParsedLine& said, std::size_t group) {
    const auto& share = said.name("SHARE");
    const auto& of = said.name("OF");
    const auto& like = said.name("LIKE");
    const auto& as = said.name("AS");  // as bright as, half as bright as
    const bool one = of.has_value() + like.has_value() + as.has_value() == 1;
    if (!one || (of && !share) || (share && like)) {
        return refuse(ErrorCode::Missing,
                      text("Half of which lamp? Write it like %1.", said.command.examples[1]));
    }
    const Job& job = said.context.job;
    const std::string& other = of ? *of : as ? *as : *like;
    const auto to = std::find_if(job.groups.begin(), job.groups.end(),
                                 [&](const LampGroup& each) { return each.name == other; });
    const LampGroup& own = job.groups[group];
    if (to->id == own.id) {
        return refuse(ErrorCode::NotUnderstood, text("%1 is that lamp itself.", own.name));
    }
    // What it takes as it stands; without a resistor yet what it is wished.
    static const WorkshopRules usual;
    const auto state =
        groupState(job, *to, said.context.workshop ? said.context.workshop->house : usual);
    const bool stands = state && !state->rows.empty() && state->rows[0].connected;
    const Amperes its = stands ? state->rows[0].current : to->wish.target;
    double part = 1;
    for (const Share& each : shares) {
        if (share && *share == each.name) part = each.of;
    }
    const Amperes value = its * part;
    if (value < Amperes{20e-6} || value > Amperes{0.3}) {
        return refuse(ErrorCode::OutOfRange,
                      text("That would be %1: no lamp is wished so.", formatted(value, 2)));
    }
    const bool alike = own.rows[0].lamps[0].part.family == to->rows[0].lamps[0].part.family;
    Text meaning =
        share ? text("%1: wished current %2, %3 of %4’s %5", own.name, formatted(value, 3), *share,
                     other, formatted(its, 3))
              : text("%1: wished current %2, like %3", own.name, formatted(value, 3), other);
    if (!alike) meaning = text("%1; of another colour, so only roughly as bright", meaning);
    JotResult result = jotted(said, std::move(meaning));
    result.subject = own.id;
    result.after.groups[group].wish.target = value;
    result.after.groups[group].usualTarget = false;
    return result;
}

}  // namespace

Result<JotResult> target(const ParsedLine& said) {
    const auto group = groupOf(said);
    if (!group) return tl::unexpected(group.error());
    const auto amps = said.one<Amperes>("AMPS");
    if (said.name("SHARE") || said.name("OF") || said.name("LIKE") || said.name("AS")) {
        if (!amps) return targetLike(said, *group);
        return refuse(ErrorCode::NotUnderstood,
                      text("%1, or as another lamp: only one of them can be.", formatted(*amps)));
    }
    if (!amps) {
        return refuse(ErrorCode::Missing, text("A wish is a current. Write it like %1.",
                                               said.command.examples.front()));
    }
    const Amperes value = *amps;
    const std::string& called = said.context.job.groups[*group].name;
    JotResult result = jotted(said, text("%1: wished current %2", called, formatted(value)));
    result.subject = said.context.job.groups[*group].id;
    result.after.groups[*group].wish.target = value;
    result.after.groups[*group].usualTarget = false;
    return result;
}

namespace {

/// "series kitchen": all rows of it become one, its resistor to be chosen again.
Result<JotResult> oneRowOf(const ParsedLine& said, std::size_t index) {
    const LampGroup& before = said.context.job.groups[index];
    if (before.rows.size() < 2) {
        return refuse(ErrorCode::Missing,
                      text("%1 is one row already. Which lamp comes behind it, or which series of "
                           "values? Write it like series %1 white, or series %1 E24.",
                           before.name));
    }
    if (before.isBulbs()) return oneKind(before);
    if (bothWays(before)) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("%1 has lamps of both ways round: in one row none would light.", before.name));
    }
    JotResult result = jotted(said, {});
    result.subject = before.id;
    LampGroup& group = result.after.groups[index];
    LampRow& row = group.rows.front();
    for (std::size_t i = 1; i < group.rows.size(); ++i)
        row.lamps.insert(row.lamps.end(), group.rows[i].lamps.begin(), group.rows[i].lamps.end());
    group.rows.resize(1);
    row.tested.reset();
    row.installed = {};
    const bool kept = group.driver() || keepsCurrent(result.after, group);
    row.resistor = kept ? std::optional(Ohms{0}) : std::nullopt;
    if (!group.driver()) group.connection = OwnResistors{};
    const std::string count = std::to_string(row.lamps.size());
    result.meaning = kept
                         ? text("%1: %2 lamps in one row", before.name, count)
                         : text("%1: %2 lamps in one row; choose its resistor", before.name, count);
    return result;
}

}  // namespace

Result<JotResult> series(const ParsedLine& said) {
    const auto group = groupOf(said);
    if (!group) return tl::unexpected(group.error());
    if (said.name("COLOUR") && said.name("NAME")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("A lamp in its row, or a series of values: one line for each."));
    }
    if (said.name("COLOUR")) return another<Beside::Series>(said);
    if (!said.name("NAME")) return oneRowOf(said, *group);
    const std::string& wanted = *said.name("NAME");
    const std::string& called = said.context.job.groups[*group].name;
    JotResult result = jotted(said, text("%1: resistors of series %2", called, wanted));
    result.subject = said.context.job.groups[*group].id;
    result.after.groups[*group].wish.series = *named<Series>(wanted);
    return result;
}

namespace {

/// What an output does, as it was found or told; LEDs want one that switches to ground.
Result<JotResult> outputKind(const ParsedLine& said) {
    const std::string& called = *said.name("OUTPUT");
    const std::string& word = *said.name("KIND");
    const OutputKind kind = named<OutputKind>(word).value_or(OutputKind::Unknown);
    if (said.one<Ohms>("OHMS") || said.name("bare")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Its kind, or what its board carries: one line for each."));
    }
    const auto amps = said.one<Amperes>("AMPS");
    JotResult result = jotted(said, amps ? text("Output %1: %2, %3", called, word, formatted(*amps))
                                         : text("Output %1: %2", called, word));
    for (DecoderOutput& each : result.after.decoder->part.outputs) {
        if (each.name != called) continue;
        each.kind = kind;
        if (amps) each.limit = amps;
    }
    if (const LampGroup* group = fedBy(said.context.job, called)) result.subject = group->id;
    return result;
}

/// "output front 100mA": what it bears; "unmarked": nobody knows.
Result<JotResult> outputLimit(const ParsedLine& said, std::optional<Amperes> amps) {
    if (said.one<Ohms>("OHMS") || said.name("bare") || (amps && said.name("unmarked"))) {
        return refuse(ErrorCode::NotUnderstood,
                      text("What an output bears is said by itself. Write it like output %1 100mA.",
                           *said.name("OUTPUT")));
    }
    const std::string& called = *said.name("OUTPUT");
    JotResult result = jotted(said, amps ? text("Output %1 bears %2", called, formatted(*amps))
                                         : text("Nobody knows what output %1 bears", called));
    for (DecoderOutput& each : result.after.decoder->part.outputs) {
        if (each.name == called) each.limit = amps;
    }
    if (const LampGroup* group = fedBy(said.context.job, called)) result.subject = group->id;
    return result;
}

}  // namespace

Result<JotResult> output(const ParsedLine& said) {
    if (said.name("KIND")) return outputKind(said);
    const auto amps = said.one<Amperes>("AMPS");
    if (amps || said.name("unmarked")) return outputLimit(said, amps);
    const auto value = ohmsOr(said, "bare");
    if (!value) return tl::unexpected(value.error());
    const std::string& called = *said.name("OUTPUT");
    JotResult result = jotted(said, !*value             ? text("Output %1: not looked at", called)
                                    : **value > Ohms{0} ? text("Output %1 carries %2 on the board",
                                                               called, formatted(**value))
                                                        : text("Output %1 is bare", called));
    for (DecoderOutput& each : result.after.decoder->part.outputs) {
        if (each.name != called) continue;
        each.series = *value;
        each.seriesMeasured = *value ? said.context.today : "";
    }
    if (const LampGroup* group = fedBy(said.context.job, called)) result.subject = group->id;
    return result;
}

Result<JotResult> place(const ParsedLine& said) {
    const auto lengths = said.all<Millimetres>("BACK UP");
    std::optional<Facing> facing;
    if (const auto& direction = said.name("DIRECTION")) facing = named<Facing>(*direction);
    if (lengths.size() != 2 && !(facing && lengths.empty())) {
        return refuse(ErrorCode::Missing,
                      text("Give the way back from the front and the height over "
                           "the rail. Write it like place front 3mm 41mm."));
    }
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const LampGroup& group = said.context.job.groups[address->group];
    const bool all = lengths.empty() && address->wholeCircuit;
    const std::string called = all ? group.name : rowOf(group, *address);
    JotResult result =
        jotted(said, lengths.empty() ? text("%1", called)
                                     : text("%1: %2 from the front, %3 up", called,
                                            formatted(lengths[0]), formatted(lengths[1])));
    if (facing) {
        result.meaning = lengths.empty() ? text("%1 faces %2", called, std::string(name(*facing)))
                                         : text("%1, facing %2", std::move(result.meaning),
                                                std::string(name(*facing)));
    }
    result.subject = group.id;
    std::vector<LampRow>& rows = result.after.groups[address->group].rows;
    for (std::size_t i = 0; facing && i < rows.size(); ++i) {
        if (!all && i != address->row) continue;
        for (Lamp& each : rows[i].lamps) each.fitted.pose.facing = *facing;
    }
    if (lengths.empty()) return result;
    LampRow& row = rows[address->row];
    const Point from = row.lamps.front().fitted.pose.at;
    for (Lamp& each : row.lamps) {
        each.fitted.pose.at.x += lengths[0] - from.x;
        each.fitted.pose.at.z += lengths[1] - from.z;
    }
    return result;
}

Result<JotResult> removeLamp(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const std::string called = said.context.job.groups[address->group].name;
    JotResult result = jotted(said, {});
    auto& groups = result.after.groups;
    auto& rows = groups[address->group].rows;
    if (address->wholeCircuit || rows.size() == 1) {
        groups.erase(groups.begin() + static_cast<std::ptrdiff_t>(address->group));
        result.meaning = text("%1 removed", called);
    } else {
        rows.erase(rows.begin() + static_cast<std::ptrdiff_t>(address->row));
        result.meaning = text("Row %1 of %2 removed", std::to_string(address->row + 1), called);
        result.subject = groups[address->group].id;
    }
    return result;
}

Result<JotResult> join(const ParsedLine& said) {
    const Job& job = said.context.job;
    const LampGroup* kept = groupNamed(job, *said.name("LAMP"));
    const LampGroup* moved = groupNamed(job, *said.name("BESIDE"));
    if (!moved || !kept || moved == kept) {
        return refuse(ErrorCode::NotUnderstood, text("Which lamp is hung beside which other?"));
    }
    const auto rank = [&](const LampGroup* group) {
        return std::pair(!outputNamed(job, group->output), group - job.groups.data());
    };
    if (rank(moved) < rank(kept)) std::swap(moved, kept);
    if (moved->isBulbs() != kept->isBulbs()) return oneKind(*kept);
    if (moved->shared() > Ohms{0} || kept->shared() > Ohms{0}) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Rows behind a shared resistor cannot be joined to others as they are. "
                           "Give them their own first: own %1.",
                           moved->shared() > Ohms{0} ? moved->name : kept->name));
    }
    JotResult result =
        jotted(said, text("%1 hangs beside %2 on output %3: they light together, wished "
                          "%4",
                          moved->name, kept->name, kept->output, formatted(kept->wish.target)));
    std::vector<LampGroup>& groups = result.after.groups;
    const auto at = [&](const LampGroup* group) {
        return groups.begin() + (group - job.groups.data());
    };
    std::vector<LampRow> rows = moved->rows;
    for (LampRow& row : rows) {
        // A driver wants no resistors; without one they are to be chosen.
        if (kept->driver())
            row.resistor = Ohms{0};
        else if (moved->driver())
            row.resistor.reset();
    }
    at(kept)->rows.insert(at(kept)->rows.end(), rows.begin(), rows.end());
    result.subject = kept->id;
    groups.erase(at(moved));
    return result;
}

}  // namespace glimmet::core::lamps
