#include "core/work/lamps/more_lamps.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamps/light_plan.h"
#include "core/led/preferred_value.h"
#include "core/led/resistor_choice.h"
#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"
#include "core/work/lamps/feed_verbs.h"
#include "core/work/lamps/lamp_verbs.h"
#include "core/work/lamps/lamp_words.h"
#include "core/work/lamps/new_lamp.h"
#include "core/work/lamps/resistor_verbs.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::lamps {

using namespace jot;

namespace {

/// "parallel kitchen 3": so many of them in all.
template <Beside how>
Result<JotResult> anotherUpTo(const ParsedLine& said, const std::string& number) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const auto present = [&](const Job& job) {
        const LampGroup& group = job.groups[address->group];
        return how == Beside::Row ? group.rows.size() : group.rows[address->row].lamps.size();
    };
    const std::size_t wanted = std::stoul(number);
    const std::string& called = said.context.job.groups[address->group].name;
    if (present(said.context.job) >= wanted) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 has %2 already. Take one out: remove %1/1.", called,
                           std::to_string(present(said.context.job))));
    }
    ParsedLine one = said;
    for (std::size_t i = 0; i < one.places.size(); ++i) {
        if (said.command.arguments[i].what == std::string_view("COUNT")) one.places[i] = {};
    }
    Result<JotResult> made = another<how>(one);
    while (made && present(made->after) < wanted) {
        const Context then{made->after, said.context.catalogue, said.context.today,
                           said.context.workshop, said.context.shelf};
        const Job before = made->after;
        made =
            another<how>(ParsedLine{one.command,
                                    {before, then.catalogue, then.today, then.workshop, then.shelf},
                                    one.places,
                                    one.rest});
    }
    if (made) {
        made->meaning = how == Beside::Row ? text("%1: %2 side by side", called, number)
                                           : text("%1: %2 in one row", called, number);
    }
    return made;
}

}  // namespace

template <Beside how>
Result<JotResult> another(const ParsedLine& said) {
    if (const auto& count = said.name("COUNT")) return anotherUpTo<how>(said, *count);
    const auto point = pointOf(said);
    if (!point) return tl::unexpected(point.error());
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const LampGroup& group = said.context.job.groups[address->group];
    if (group.isBulbs() && (said.name("COLOUR") || *point)) return oneKind(group);
    Lamp one = group.rows[address->row].lamps.back();  // like its neighbour where nothing is said
    const auto& colour = said.name("COLOUR");
    auto sized =
        said.name("SIZE")
            ? sizedPart(said, colour ? partNamed(said.context.catalogue, *colour) : one.part)
            : Result<LampPart>(colour ? partNamed(said.context.catalogue, *colour) : one.part);
    if (!sized) return tl::unexpected(sized.error());
    const auto part = withPoint(std::move(*sized), *point);
    if (!part) return tl::unexpected(part.error());
    if (colour || *point || said.name("SIZE")) {
        one.part = *part;
        one.measured = point->has_value();
    }
    one.fitted.pose.at.x +=
        one.fitted.pose.facing == Facing::Rear ? Millimetres{-2} : Millimetres{2};
    const Text what = described(one.part, *point);
    if (how == Beside::Across) {
        const LampPart& beside = group.rows[address->row].lamps.back().part;
        for (const LampPart* each : std::initializer_list<const LampPart*>{&one.part, &beside}) {
            if (each->filament || each->rated) {
                return refuse(ErrorCode::NotUnderstood,
                              text("Only bare LEDs stand across each other behind one resistor; "
                                   "%1 hangs beside the others: parallel %2.",
                                   each->name, group.name));
            }
        }
        one.parallel = true;
    } else {
        one.parallel = false;
    }
    JotResult result = jotted(
        said, how == Beside::Series   ? text("%1 in series with %2", what, rowOf(group, *address))
              : how == Beside::Across ? text("%1 straight across the last of %2, behind its "
                                             "resistor",
                                             what, rowOf(group, *address))
                                      : Text());
    result.subject = group.id;
    LampGroup& changed = result.after.groups[address->group];
    if (how != Beside::Row) {
        changed.rows[address->row].lamps.push_back(std::move(one));
    } else {
        const Text where = joined(said, result.after, changed, std::move(one), {});
        result.meaning = text("%1 parallel to %2%3", what, group.name, where);
    }
    return result;
}

namespace {

/// "antiparallel nose": two rows that stand both ways round hang behind one resistor, the larger of
/// those that they have.
Result<JotResult> acrossEachOther(const ParsedLine& said, std::size_t index) {
    const LampGroup& before = said.context.job.groups[index];
    if (before.driver() || before.rows.size() != 2 || !bothWays(before)) {
        return refuse(ErrorCode::Missing,
                      text("Which lamp comes the other way round? Write it like %1.",
                           said.command.examples.front()));
    }
    Ohms one = before.shared();
    for (const LampRow& row : before.rows) one = std::max(one, *row.resistor);
    if (!(one > Ohms{0})) {
        return refuse(
            ErrorCode::Missing,
            text("Both hang behind one resistor. Choose it first: shared %1 1k.", before.name));
    }
    JotResult result = jotted(said, text("The two of %1 straight across each other, both behind %2",
                                         before.name, formatted(one)));
    result.subject = before.id;
    LampGroup& group = result.after.groups[index];
    group.connection = SharedResistor{one};
    for (LampRow& row : group.rows) row.resistor = Ohms{0};
    return result;
}

}  // namespace

Result<JotResult> antiparallelTo(const ParsedLine& said) {
    const auto point = pointOf(said);
    if (!point) return tl::unexpected(point.error());
    const auto index = groupOf(said);
    if (!index) return tl::unexpected(index.error());
    const LampGroup& before = said.context.job.groups[*index];
    if (before.isBulbs()) return oneKind(before);
    if (!said.name("COLOUR") && !*point) return acrossEachOther(said, *index);
    if (!said.name("COLOUR")) {
        return refuse(ErrorCode::Missing,
                      text("Which lamp comes the other way round? Write it like %1.",
                           said.command.examples.front()));
    }
    if (before.driver() || before.rows.size() != 1) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Antiparallel are two rows behind one resistor; %1 is not one row of "
                           "its own.",
                           before.name));
    }
    // Where it is not chosen yet the usual one for the wish is.
    Ohms resistor = before.shared() + before.rows.front().resistor.value_or(Ohms{0});
    if (!before.rows.front().resistor) {
        const WorkshopRules house = houseFor(said, said.context.job);
        if (const auto state = groupState(said.context.job, before, house)) {
            resistor = fittedResistor(state->rows.front().ideal, before.wish).value_or(Ohms{0});
        }
    }
    if (!(resistor > Ohms{0})) {
        return refuse(
            ErrorCode::Missing,
            text("Both hang behind one resistor. Choose it first: resistor %1 1k.", before.name));
    }
    const auto part = withPoint(partNamed(said.context.catalogue, *said.name("COLOUR")), *point);
    if (!part) return tl::unexpected(part.error());
    if (part->filament) return oneKind(before);
    for (const LampPart* each : {&*part, &before.rows.front().lamps.front().part}) {
        if (!each->rated) continue;
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 has its resistor in it, and keeps no volts from what lies across "
                           "it.",
                           each->name));
    }
    JotResult result =
        jotted(said, text("%1 the other way round across %2, both behind %3",
                          described(*part, *point), before.name, formatted(resistor)));
    result.subject = before.id;
    LampGroup& group = result.after.groups[*index];
    group.connection = SharedResistor{resistor};
    group.rows.front().resistor = Ohms{0};
    LampRow other = group.rows.front();
    other.backwards = !other.backwards;
    other.tested.reset();
    other.installed = {};
    other.lamps.resize(1);
    other.lamps.front().part = *part;
    other.lamps.front().measured = point->has_value();
    group.rows.push_back(std::move(other));
    return result;
}

Result<JotResult> backwards(const ParsedLine& said) {
    const auto address = addressed(said, "LAMP");
    if (!address) return tl::unexpected(address.error());
    const LampGroup& before = said.context.job.groups[address->group];
    if (before.isBulbs()) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is a filament bulb: it lights either way round.", before.name));
    }
    const bool none = said.name("none").has_value();
    const std::string called = rowOf(before, *address);
    JotResult result = jotted(said, none ? text("%1: the usual way round", called)
                                         : text("%1: the other way round", called));
    result.subject = before.id;
    std::vector<LampRow>& rows = result.after.groups[address->group].rows;
    for (std::size_t i = 0; i < rows.size(); ++i) {
        if (address->wholeCircuit || i == address->row) rows[i].backwards = !none;
    }
    return result;
}

Result<JotResult> plan(const ParsedLine& said) {
    const auto lights = lightPlan(said.rest, said.context.job);
    if (!lights) return tl::unexpected(lights.error());
    static const WorkshopRecord usual;
    const WorkshopRecord& workshop = said.context.workshop ? *said.context.workshop : usual;
    JotResult all = jotted(said, {});
    for (const PlannedLight& light : *lights) {
        if (groupNamed(all.after, light.name)) {
            return refuse(
                ErrorCode::NotUnderstood,
                text("%1 is there already. Leave it out, or take it out first: remove %1.",
                     light.name));
        }
        const auto made = applyLine(linesOf(light, all.after), all.after, said.context.catalogue,
                                    said.context.today, workshop);
        if (!made) return tl::unexpected(made.error());
        all.after = made->after;
        const LampGroup& group = *groupNamed(all.after, light.name);
        if (all.subject.empty()) all.subject = group.id;
        const Text one = text("%1%2, %3, wished %4, %5 on output %6",
                              light.count > 1 ? std::to_string(light.count) + " × " : std::string(),
                              light.name, light.colour, formatted(light.wish),
                              formatted(*group.rows.front().resistor), group.output);
        all.meaning = all.meaning.empty() ? one : text("%1; %2", std::move(all.meaning), one);
    }
    return all;
}

Result<JotResult> strip(const ParsedLine& said) {
    const auto meant = stripMeant(said);
    if (!meant) return tl::unexpected(meant.error());
    const LampPart& part = *meant;
    const Millimetres length = *said.one<Millimetres>("LENGTH");
    const Millimetres section = *part.section;
    // A tenth of a millimetre of play, so that 150 mm are three times 50.
    const int sections =
        static_cast<int>(std::floor(((length + Millimetres{0.1}) / section).value()));
    if (sections < 1) {
        return refuse(ErrorCode::OutOfRange,
                      text("That strip is cut only at every %1.", formatted(section)));
    }
    if (sections > 200) {
        return refuse(ErrorCode::OutOfRange, text("That would be %1 sections: no model is so long.",
                                                  std::to_string(sections)));
    }
    auto where = whereOf(said);
    if (!where) return tl::unexpected(where.error());
    if (where->group) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is there already. Take it out first: remove %1.",
                           said.context.job.groups[*where->group].name));
    }
    if (where->called.empty()) where->called = "light strip";
    auto result =
        putIn(said, {{}, part, false}, *where, verbatim(part.name), resistorOf(said, part), {});
    if (!result) return result;
    const auto group =
        std::find_if(result->after.groups.begin(), result->after.groups.end(),
                     [&](const LampGroup& each) { return each.id == result->subject; });
    const LampRow first = group->rows.back();
    group->rows.pop_back();
    for (int i = 0; i < sections; ++i) {
        LampRow row = first;
        row.lamps.front().fitted.pose.at.x += section * (i - (sections - 1) / 2.0);
        group->rows.push_back(std::move(row));
    }
    result->meaning = text("%1; sections: %2, cut at %3", result->meaning, std::to_string(sections),
                           formatted(section * sections));
    return result;
}

template Result<JotResult> another<Beside::Row>(const ParsedLine&);
template Result<JotResult> another<Beside::Series>(const ParsedLine&);
template Result<JotResult> another<Beside::Across>(const ParsedLine&);

}  // namespace glimmet::core::lamps
