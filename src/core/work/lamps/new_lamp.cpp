#include "core/work/lamps/new_lamp.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamp_sites.h"
#include "core/jot/names.h"
#include "core/led/preferred_value.h"
#include "core/work/jotted.h"
#include "core/work/lamps/lamp_verbs.h"
#include "core/work/lamps/lamp_words.h"
#include "core/work/lamps/more_lamps.h"
#include "core/work/lamps/resistor_verbs.h"
#include "core/work/units.h"

#include <algorithm>

namespace glimmet::core::lamps {

using namespace jot;

namespace {

/// A lamp that is there already, being described: what comes of it, and what is told of that.
struct LampAgain {
    const ParsedLine& said;
    std::size_t index;
    JotResult result;
    std::size_t told = 0;

    [[nodiscard]] const LampGroup& before() const { return said.context.job.groups[index]; }
    [[nodiscard]] LampGroup& group() { return result.after.groups[index]; }
    [[nodiscard]] std::size_t row() const { return said.at("PLACE").row; }  ///< from 1; 0: all
    [[nodiscard]] bool means(std::size_t i) const { return row() == 0 || row() == i + 1; }
    void tell(Text more) {
        result.meaning = ++told == 1 ? text("%1: %2", result.meaning, std::move(more))
                                     : text("%1; %2", result.meaning, std::move(more));
    }
};

/// The lamps that the line means.
/// Errors: OutOfRange where there is no such row, NotUnderstood where one of several is meant.
Result<std::vector<Lamp*>> lampsMeant(LampAgain& again, bool pointRead) {
    const LampGroup& before = again.before();
    const std::string rows = std::to_string(before.rows.size());
    std::vector<Lamp*> lamps;
    for (std::size_t i = 0; i < again.group().rows.size(); ++i) {
        if (!again.means(i)) continue;
        for (Lamp& lamp : again.group().rows[i].lamps) lamps.push_back(&lamp);
    }
    if (lamps.empty())
        return refuse(ErrorCode::OutOfRange, text("%1 has %2 rows.", before.name, rows));
    // What was read was read on one of them; and of several kinds one is meant.
    const bool alike = std::all_of(lamps.begin(), lamps.end(), [&](const Lamp* lamp) {
        return lamp->part == lamps.front()->part;
    });
    if (again.row() == 0 && before.rows.size() > 1 && (pointRead || !alike)) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 has %2 rows. Say which: lamp %1/2 red.", before.name, rows));
    }
    return lamps;
}

/// The part that it is now, as far as the line says.
/// Errors: Missing where only the size of what was a bulb is said; those of the part.
Result<LampPart> partSaid(const LampAgain& again, const LampPart& old, bool same,
                          const std::optional<ForwardPoint>& point) {
    const ParsedLine& said = again.said;
    LampPart made =
        said.name("COLOUR") ? partNamed(said.context.catalogue, *said.name("COLOUR")) : old;
    if (old.filament) {
        if (!said.name("COLOUR")) {
            return refuse(ErrorCode::Missing,
                          text("%1 is a bulb: bulb %1 16V 50mA. Of an LED say the colour too.",
                               again.before().name));
        }
        if (again.before().rows.size() > 1) return oneKind(again.before());
    } else if (same) {
        made = old;
    }
    auto sized = sizedPart(said, std::move(made));
    if (!sized) return tl::unexpected(sized.error());
    return withPoint(std::move(*sized), point);
}

/// Whether a line says no more of a part than is known: then what was measured on it stays.
bool sameAs(const ParsedLine& said, const LampPart& old) {
    if (said.name("SIZE") || old.filament) return false;
    if (!said.name("COLOUR")) return true;
    const LampPart made = partNamed(said.context.catalogue, *said.name("COLOUR"));
    return made.id.empty()
               ? made.family == old.family && (made.tint.empty() || made.tint == old.tint)
               : made.id == old.id;
}

/// Another part in the place of what was there: its resistor, its target, what was seen of it.
void exchange(LampAgain& again, const LampPart& part, const LampPart& old) {
    LampGroup& group = again.group();
    if (part.rated) {
        const auto none = resistorOf(again.said, part);
        for (std::size_t i = 0; i < group.rows.size(); ++i) {
            if (again.means(i)) group.rows[i].resistor = none;
        }
        group.wish.target = part.forward->current;
        group.usualTarget = false;
        again.tell(none ? text("made for %1: no resistor", formatted(*part.rated))
                        : text("made for %1: choose its resistor", formatted(*part.rated)));
    }
    for (std::size_t i = 0; i < group.rows.size(); ++i) {
        if (!again.means(i)) continue;
        // What was seen and read was of the one before.
        group.rows[i].tested.reset();
        group.rows[i].installed = {};
    }
    if (!old.filament) return;
    for (LampRow& each : group.rows) each.resistor.reset();
    again.tell(text("an LED where a bulb was: choose its resistor"));
}

/// What it is. Nothing but an error where it cannot be that; a bulb is a change of its own.
Result<std::optional<JotResult>> describePart(LampAgain& again,
                                              const std::optional<ForwardPoint>& point) {
    auto lamps = lampsMeant(again, point.has_value());
    if (!lamps) return tl::unexpected(lamps.error());
    const LampPart old = lamps->front()->part;
    const bool wasMeasured = lamps->front()->measured;
    const bool same = sameAs(again.said, old);
    const auto part = partSaid(again, old, same, point);
    if (!part) return tl::unexpected(part.error());
    if (part->filament) {
        if (again.said.one<Amperes>("WISH")) return noWish(*part);
        auto made = bulbInPlace(again.said, again.index, *part);
        if (!made) return tl::unexpected(made.error());
        return std::optional(std::move(*made));
    }
    if (!same) exchange(again, *part, old);
    for (Lamp* lamp : *lamps) {
        lamp->part = *part;
        lamp->measured = point.has_value() || (same && wasMeasured);
    }
    again.tell(described(*part, point));
    if (!same && !point && wasMeasured && old.forward)
        again.tell(text("the %1 read on the one before no longer count", shown(*old.forward)));
    return std::optional<JotResult>();
}

/// Errors: NotUnderstood where that output feeds another.
Result<void> moveTo(LampAgain& again, const std::string& output) {
    LampGroup& group = again.group();
    if (output == group.output) {
        again.tell(text("on output %1", output));
        return {};
    }
    if (const LampGroup* other = fedBy(again.result.after, output)) {
        return refuse(ErrorCode::NotUnderstood,
                      text("Output %1 already feeds %2. Move that first, or put a lamp beside it: "
                           "parallel %2.",
                           output, other->name));
    }
    again.tell(text("on output %1, not on %2 any more", output, group.output));
    const bool kept = keepsCurrent(again.result.after, group);
    group.output = output;
    // What needed none because its output kept the current needs one here.
    if (kept && !keepsCurrent(again.result.after, group)) {
        for (LampRow& each : group.rows) each.resistor.reset();
        again.tell(text("choose its resistor"));
    }
    return {};
}

/// A lamp that is there already: what it is, what it is wished, which output it is on.
Result<JotResult> describedAnew(const ParsedLine& said, std::size_t index,
                                const std::optional<ForwardPoint>& point) {
    const LampGroup& before = said.context.job.groups[index];
    const std::size_t row = said.at("PLACE").row;
    LampAgain again{
        said, index,
        jotted(said, verbatim(row == 0 ? before.name : before.name + "/" + std::to_string(row)))};
    again.result.subject = before.id;
    if (said.name("COLOUR") || said.name("SIZE") || point) {
        auto bulb = describePart(again, point);
        if (!bulb) return tl::unexpected(bulb.error());
        if (*bulb) return std::move(**bulb);
    }
    if (row != 0 && (said.one<Amperes>("WISH") || said.name("OUTPUT"))) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("Wish and output hold for the whole of %1, not for one row.", before.name));
    }
    if (const auto wish = said.one<Amperes>("WISH")) {
        again.group().wish.target = *wish;
        again.group().usualTarget = false;
        again.tell(text("wished %1", formatted(*wish)));
    }
    if (const auto& output = said.name("OUTPUT")) {
        if (const auto moved = moveTo(again, *output); !moved) return tl::unexpected(moved.error());
    }
    if (!said.at("WORDS").words.empty()) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is there already and has its name.", before.name));
    }
    if (again.told == 0) {
        return refuse(
            ErrorCode::Missing,
            text("%1 is there already. Say what it is, like: lamp %1 red 2.0V 20mA.", before.name));
    }
    return std::move(again.result);
}

bool liesIn(const LampGroup& group, const std::string& unit) {
    return std::any_of(group.rows.begin(), group.rows.end(), [&](const LampRow& row) {
        return std::any_of(row.lamps.begin(), row.lamps.end(),
                           [&](const Lamp& lamp) { return lamp.fitted.unit == unit; });
    });
}

}  // namespace

Result<Where> whereOf(const ParsedLine& said) {
    const Job& job = said.context.job;
    const auto& name = said.name("PLACE");
    Where where{{}, {}, said.at("WORDS").words};
    if (!name) return where;
    std::optional<std::size_t> unit;
    if (said.name("UNIT")) {
        const auto meant = unitOf(said);
        if (!meant) return tl::unexpected(meant.error());
        unit = *meant;
    }
    for (std::size_t i = 0; i < job.groups.size(); ++i) {
        const LampGroup& group = job.groups[i];
        if (group.name == *name && (!unit || liesIn(group, job.units[*unit].id))) where.group = i;
    }
    if (where.group) return where;
    int several = 0;
    std::string there;
    for (NamedSite& each : namedSites(job)) {
        if (unit && each.unit == *unit) there += (there.empty() ? "" : ", ") + each.site->name;
        if (each.called != *name && each.site->name != *name) continue;
        ++several;
        if (unit ? each.unit == *unit : each.called == *name) where.site = std::move(each);
    }
    if (!where.site && unit && (several > 0 || groupNamed(job, *name))) {
        return refuse(ErrorCode::Unknown,
                      text("%1 has no %2. It has: %3. Elsewhere a lamp gets a name: lamp white "
                           "called %2.",
                           unitCalled(job, *unit), *name, there));
    }
    if (!where.site && several > 0) return tl::unexpected(unitOf(said).error());
    if (where.called.empty()) where.called = where.site ? where.site->called : *name;
    return where;
}

Result<JotResult> putIn(const ParsedLine& said, Lamp one, const Where& where, const Text& what,
                        std::optional<Ohms> resistor, std::optional<Amperes> wish) {
    const Job& job = said.context.job;
    const std::string& called = where.called;
    for (const LampGroup& group : job.groups) {
        if (lowered(group.name) == lowered(called)) {
            return refuse(
                ErrorCode::NotUnderstood,
                text("There is a lamp called %1 already. Give this one another name.", group.name));
        }
    }
    // Without a place of the body: in its middle, to be moved where it belongs.
    one.fitted.place = called;
    if (where.site) {
        const LampSite& at = *where.site->site;
        one.fitted = {job.units[where.site->unit].id, at.name, {at.at, {}, at.facing}};
    } else {
        const auto unit = unitOf(said);
        if (!unit) return tl::unexpected(unit.error());
        const Body& body = job.units[*unit].body;
        one.fitted.unit = job.units[*unit].id;
        one.fitted.pose.at = {body.length / 2.0, body.height / 2.0};
    }
    JotResult result = jotted(said, {});
    if (const auto& output = said.name("OUTPUT")) {
        for (LampGroup& group : result.after.groups) {
            if (!feeds(group, *output)) continue;
            if (group.isBulbs() != one.part.filament.has_value()) return oneKind(group);
            if (wish) {
                return refuse(ErrorCode::NotUnderstood,
                              text("Output %1 already feeds %2, and lamps of one output share "
                                   "one wish. Leave the wish out, or change it: target %2 %3.",
                                   *output, group.name, formatted(*wish)));
            }
            result.subject = group.id;
            const Text how = joined(said, result.after, group, std::move(one), resistor);
            result.meaning = text("New lamp: %1, %2, beside %3 on output %4%5", called, what,
                                  group.name, *output, how);
            return result;
        }
    }
    const auto output =
        said.name("OUTPUT") ? said.name("OUTPUT") : usualOutput(job, one.fitted.pose.facing);
    if (!output) {
        std::string free;
        for (const Named& each : outputs(said.context)) {
            if (!fedBy(job, each.name)) free += (free.empty() ? "" : ", ") + each.name;
        }
        return refuse(ErrorCode::Missing,
                      free.empty()
                          ? text("On which output? None is free for %1. To put it beside another "
                                 "lamp say so: lamp … on front.",
                                 called)
                          : text("On which output? The one that goes with the place of %1 feeds "
                                 "another lamp; free are: %2. Say so: lamp … on %3.",
                                 called, free, free.substr(0, free.find(','))));
    }
    LampGroup group;
    group.id = newId(result.after, 'L');
    group.wish.series = houseFor(said, said.context.job).drawers;
    group.name = called;
    group.output = *output;
    // What is made for its volts is wished as it is made.
    if (one.part.rated && one.part.forward) group.wish.target = one.part.forward->current;
    group.usualTarget = !wish && !one.part.rated;
    if (wish) group.wish.target = *wish;
    group.rows.push_back({{std::move(one)}, resistor});
    const bool kept = !resistor && keepsCurrent(result.after, group);
    if (kept) group.rows.back().resistor = Ohms{0};
    result.meaning = *output == supplyOutput
                         ? text("New lamp: %1, %2, on the supply", called, what)
                         : text("New lamp: %1, %2, on output %3", called, what, *output);
    if (wish) result.meaning = text("%1, wished %2", result.meaning, formatted(*wish));
    if (kept)
        result.meaning = text("%1, no resistor: the output keeps its current", result.meaning);
    result.subject = group.id;
    result.after.groups.push_back(std::move(group));
    return result;
}

namespace {

/// "lamp called post warm white": all behind "called" is the name, so its end may be the colour.
tl::unexpected<Error> noColour(const ParsedLine& said, const std::string& called) {
    const std::string all = lowered(called);
    std::string longest;
    for (const Named& each : colours(said.context)) {
        const auto ends = [&](const std::string& word) {
            return word.size() > longest.size() && all.size() > word.size() + 1 &&
                   all.ends_with(" " + lowered(word));
        };
        if (ends(each.name)) longest = each.name;
        for (const std::string& also : each.also) {
            if (ends(also)) longest = also;
        }
    }
    if (longest.empty())
        return refuse(ErrorCode::Missing,
                      text("Which colour? Write it like lamp rear red 2.0V 20mA."));
    return refuse(ErrorCode::Missing,
                  text("Which colour? All behind “called” is its name. Say the colour before it: "
                       "lamp %1 called %2.",
                       longest, called.substr(0, called.size() - longest.size() - 1)));
}

/// "blinker", "bulb" alone: a kind of lamp, of which one has to be said.
std::optional<Error> kindOnly(const ParsedLine& said) {
    const auto& colour = said.name("COLOUR");
    const bool bulb = colour == kindBulb, flicker = colour == kindFlicker;
    if (!bulb && !flicker && colour != kindBlinker) return {};
    std::string all;
    for (const LampPart& part : said.context.catalogue.lamps) {
        if (bulb ? !part.filament : !part.blink || part.blink->flickers != flicker) continue;
        all += (all.empty() ? "" : ", ") + part.id;
    }
    const Text which =
        bulb      ? text("Which bulb? Say what is printed on it: bulb cab 12V 60mA.")
        : flicker ? text("Which flickering LED? Write it like lamp cab flicker-amber-0603.")
                  : text("Which blinker? Write it like lamp rear red blinker.");
    return Error{ErrorCode::Missing, "jot",
                 all.empty() ? which : text("%1 The catalogue has: %2.", which, all)};
}

/// The same line with a place emptied.
ParsedLine withoutPlaces(const ParsedLine& said, std::initializer_list<std::string_view> what) {
    ParsedLine made = said;
    for (std::size_t i = 0; i < made.places.size(); ++i) {
        for (const std::string_view each : what) {
            if (said.command.arguments[i].what == each) made.places[i] = {};
        }
    }
    return made;
}

/// What follows on a line once its first lamp is in: read against the job with it.
template <class Next>
Result<JotResult> andThen(const ParsedLine& said, Result<JotResult> first, Next next) {
    if (!first) return first;
    const Job before = first->after;
    const Context& now = said.context;
    static const WorkshopRecord usual;
    const WorkshopRecord& workshop = now.workshop ? *now.workshop : usual;
    const LampGroup* group = nullptr;
    for (const LampGroup& each : before.groups) {
        if (each.id == first->subject) group = &each;
    }
    if (!group) return first;
    auto then = applyLine(next(*group), before, now.catalogue, now.today, workshop);
    if (!then) return tl::unexpected(then.error());
    const bool only = plain(first->meaning) == group->name;
    if (!only) then->meaning = text("%1; %2", first->meaning, then->meaning);
    then->subject = first->subject;
    return then;
}

/// The lamp that a line names, as it is.
Result<JotResult> nothingNew(const ParsedLine& said) {
    const auto where = whereOf(said);
    if (!where) return tl::unexpected(where.error());
    if (!where->group) return noColour(said, where->called);
    JotResult same = jotted(said, verbatim(said.context.job.groups[*where->group].name));
    same.subject = said.context.job.groups[*where->group].id;
    return same;
}

/// "front lamp 1k", "1k on front lamp", "lamp rear red 1k".
Result<JotResult> withResistor(const ParsedLine& said, Ohms ohms) {
    ParsedLine one = withoutPlaces(said, {"OHMS"});
    if (auto code = chipCode(said, ohms)) return tl::unexpected(std::move(*code));
    // "1k on front": the lamp that output feeds.
    if (!one.at("PLACE").name && one.at("WORDS").words.empty()) {
        const auto& output = one.name("OUTPUT");
        const LampGroup* group = output ? fedBy(said.context.job, *output) : nullptr;
        if (!group) {
            return refuse(
                ErrorCode::Missing,
                text("Which lamp has %1? Write it like resistor front 2k2.", formatted(ohms)));
        }
        const std::string& called = group->name;
        for (std::size_t i = 0; i < one.places.size(); ++i) {
            const std::string_view what = one.command.arguments[i].what;
            if (what == "OUTPUT") one.places[i] = {};
            if (what == "PLACE") one.places[i].name = called;
        }
    }
    const bool only = !one.name("COLOUR") && !one.name("SIZE") && !one.name("OUTPUT") &&
                      one.at("VOLTS").quantities.empty() && one.at("AMPS").quantities.empty() &&
                      one.at("WISH").quantities.empty();
    const std::size_t row = one.at("PLACE").row;
    const auto resistorOf = [&](const LampGroup& group) {
        return "resistor " + group.name + (row > 0 ? "/" + std::to_string(row) : "") + " " +
               asJot(Dimension::Resistance, ohms.value());
    };
    if (only) {
        auto same = nothingNew(one);
        if (!same) return same;
        auto made = andThen(said, std::move(same), resistorOf);
        return made;
    }
    return andThen(said, lamp(one), resistorOf);
}

/// "lamp on front": what stands behind "on" is a lamp, not an output.
Result<JotResult> lampOn(const ParsedLine& typed, const std::string& on) {
    if (typed.name("PLACE") || typed.name("COLOUR") || typed.name("OUTPUT") || typed.name("TO")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is a lamp, not an output. There are: %2.", on,
                           jot::listed(outputsAndSupply(typed.context), true)));
    }
    ParsedLine meant = withoutPlaces(typed, {"ON"});
    for (std::size_t i = 0; i < meant.places.size(); ++i) {
        if (meant.command.arguments[i].what == std::string_view("PLACE"))
            meant.places[i] = typed.at("ON");
    }
    return lamp(meant);
}

/// "lamp kitchen 3 white in series": the lamp first, then how many.
Result<JotResult> counted(const ParsedLine& said) {
    const auto& count = said.name("COUNT");
    const auto& how = said.name("HOW");
    if (!count || !how) {
        return refuse(ErrorCode::Missing,
                      text("How many, and how: in series or in parallel? Write it like lamp cab 3 "
                           "white in series."));
    }
    const std::string arranged = how == "in series" ? "inline " : "parallel ";
    ParsedLine one = withoutPlaces(said, {"COUNT", "HOW"});
    one.unsaid = false;  // the count says what is meant
    const bool described =
        one.name("COLOUR") || one.name("SIZE") || !one.at("VOLTS").quantities.empty();
    auto first = described || !one.at("PLACE").name ? lamp(one) : nothingNew(one);
    return andThen(said, std::move(first),
                   [&](const LampGroup& group) { return arranged + group.name + " " + *count; });
}

/// A lamp that is not there yet.
Result<JotResult> newLamp(const ParsedLine& said, const Where& where,
                          const std::optional<ForwardPoint>& point) {
    // "0603 on front": the lamp that output feeds.
    if (where.called.empty() && said.name("SIZE") && !said.name("COLOUR")) {
        if (const LampGroup* fed =
                said.name("OUTPUT") ? fedBy(said.context.job, *said.name("OUTPUT")) : nullptr) {
            return applyLine("lamp " + fed->name + " " + *said.name("SIZE"), said.context.job,
                             said.context.catalogue, said.context.today,
                             said.context.workshop ? *said.context.workshop : WorkshopRecord{});
        }
    }
    if (where.called.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Which lamp? Name its place, like lamp rear red 2.0V 20mA, or give it "
                           "a name: lamp amber called fire glow."));
    }
    if (said.at("PLACE").row != 0)
        return refuse(ErrorCode::Unknown, text("%1 has no rows yet.", where.called));
    if (!said.name("COLOUR")) return noColour(said, where.called);
    auto sized = sizedPart(said, partNamed(said.context.catalogue, *said.name("COLOUR")));
    if (!sized) return tl::unexpected(sized.error());
    const auto part = withPoint(std::move(*sized), point);
    if (!part) return tl::unexpected(part.error());
    const auto wish = said.one<Amperes>("WISH");
    if (wish && part->filament) return noWish(*part);
    return putIn(said, {{}, *part, point.has_value()}, where, described(*part, point),
                 resistorOf(said, *part), wish);
}

}  // namespace

Result<JotResult> lamp(const ParsedLine& typed) {
    // "move front to 2" is "lamp front on 2".
    ParsedLine said = typed;
    if (typed.name("OUTPUT") && typed.name("TO")) {
        return refuse(ErrorCode::NotUnderstood,
                      text("An output is said twice: %1 and %2. Write one of them.",
                           *typed.name("OUTPUT"), *typed.name("TO")));
    }
    for (std::size_t i = 0; i < said.places.size(); ++i) {
        if (said.command.arguments[i].what != std::string_view("OUTPUT")) continue;
        if (!said.places[i].name) said.places[i].name = typed.name("TO");
    }
    if (const auto& on = typed.name("ON")) return lampOn(typed, *on);
    if (auto only = kindOnly(said)) return tl::unexpected(std::move(*only));
    if (said.name("COUNT") || said.name("HOW")) return counted(said);
    // "lamp front 1k": the lamp first, then its resistor.
    if (const auto ohms = said.one<Ohms>("OHMS")) return withResistor(said, *ohms);
    const auto point = pointOf(said);
    if (!point) return tl::unexpected(point.error());
    const auto where = whereOf(said);
    if (!where) return tl::unexpected(where.error());
    if (!where->group) return newLamp(said, *where, *point);
    const auto& colour = said.name("COLOUR");
    if (said.unsaid && colour && !lampNamed(said.context.catalogue, *colour)) {
        const std::string& there = said.context.job.groups[*where->group].name;
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 is there already. Begin with what you mean: lamp, parallel, "
                           "inline or antiparallel %1 %2.",
                           there, *colour));
    }
    return describedAnew(said, *where->group, *point);
}

Result<JotResult> bulb(const ParsedLine& said) {
    const auto volts = said.one<Volts>("VOLTS");
    const auto amps = said.one<Amperes>("AMPS");
    if (!volts || !amps) {
        return refuse(ErrorCode::Missing,
                      text("A bulb is known by its volts and what it takes at them: read it, or "
                           "take what is printed on it. Write it like %1.",
                           said.command.examples.front()));
    }
    const FilamentRating rating{*volts, *amps};
    const LampPart part = bulbPart(rating);
    const auto where = whereOf(said);
    if (!where) return tl::unexpected(where.error());
    if (where->group) return bulbInPlace(said, *where->group, part);
    if (where->called.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Which lamp? Name its place, like %1.", said.command.examples.front()));
    }
    return putIn(said, {{}, part, false}, *where, text("%1 bulb", shown(rating)), Ohms{0}, {});
}

}  // namespace glimmet::core::lamps
