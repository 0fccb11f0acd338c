#include "core/work/lamps/judge_part.h"

#include "core/analysis/lamps/row_names.h"
#include "core/finding/answer.h"
#include "core/led/led_body.h"
#include "core/quantity/format.h"
#include "core/work/lamps/less_current.h"

#include <algorithm>
#include <set>

namespace glimmet::core::lamps {
namespace {

constexpr double seenApart = 1.25;  // of two lamps side by side (docs/physics.md)

bool goesInto(const LampPart& part, const Bore& bore) {
    return part.body && holeFor(*part.body).across <= bore.across;
}

/// The same light in a smaller body.
std::vector<Option> smallerParts(const Catalogue& catalogue, const LampGroup& group,
                                 std::size_t row, const Bore& bore) {
    const LampPart& now = group.rows[row].lamps.front().part;
    std::vector<const LampPart*> all;
    for (const LampPart& part : catalogue.lamps) {
        if (part.family == now.family && part.tint == now.tint && !part.filament && !part.rated &&
            part.blink.has_value() == now.blink.has_value() && goesInto(part, bore)) {
            all.push_back(&part);
        }
    }
    // The largest that goes in is the easiest to wire.
    std::stable_sort(all.begin(), all.end(), [](const LampPart* a, const LampPart* b) {
        return holeFor(*a->body).across > holeFor(*b->body).across;
    });
    std::vector<Option> options;
    for (const LampPart* part : all) {
        Option option;
        option.what = verbatim(part->name);
        option.effect = text("wants a hole of %1", formatted(holeFor(*part->body).across, 2));
        option.state = State::Fine;
        option.jot = "lamp " + rowName(group, row) + " " + part->id;
        options.push_back(std::move(option));
    }
    return options;
}

bool isChip(LedBody body) {
    return body == LedBody::Chip0402 || body == LedBody::Chip0603 || body == LedBody::Chip0805 ||
           body == LedBody::Chip1206;
}

}  // namespace

void judgeBores(const JobAnalysis& facts, const LampGroup& group, Judging& judging) {
    for (std::size_t row = 0; row < group.rows.size(); ++row) {
        const auto& bore = group.rows[row].bore;
        const LampPart& part = group.rows[row].lamps.front().part;
        if (!bore || !part.body) continue;
        const HoleFor wants = holeFor(*part.body);
        // Behind a pipe or fibre its light goes through the hole, not it.
        if (group.rows[row].path.guide) continue;
        const bool wide = wants.across <= bore->across || bore->holds;
        // Its own diameter is a snug fit until it is tried; a chip may go in end-on.
        constexpr Millimetres drillError{0.01};
        const bool snug = !wide && snugHole(*part.body) <= bore->across + drillError;
        const bool deep = !bore->depth || wants.depth <= *bore->depth;
        if (wide && deep) continue;
        judging.say(
            "lamp.bore:" + rowId(group, row), subjectOf(group),
            wide || snug ? State::Close : State::Over,
            wide || snug ? Gravity::LooksUneven : Gravity::DoesNotWork, [&](Finding& finding) {
                const std::string called = atStart(rowName(group, row));
                const std::string drill = formatted(bore->across, 3);
                finding.sentence =
                    wide ? text("%1 stands %2 out of its hole: it is %3 long, the hole %4 deep.",
                                called, formatted(wants.depth - *bore->depth, 2),
                                formatted(wants.depth, 2), formatted(*bore->depth, 3))
                    : snug && isChip(*part.body)
                        ? text("%1 goes into its hole of %2 only end-on: try it.", called, drill)
                    : snug
                        ? text("%1 is a snug fit in its hole of %2: try it, or ream by 0.1 mm.",
                               called, drill)
                        : text(
                              "%1 does not go into its hole of %2: a %3 LED wants %4, painted and "
                              "with its leads.",
                              called, drill, std::string(name(*part.body)),
                              formatted(wants.across, 2));
                finding.action = wide   ? text("a shorter LED for %1", rowName(group, row))
                                 : snug ? text("try %1 in its hole", rowName(group, row))
                                        : text("a smaller LED for %1, or a hole of %2",
                                               rowName(group, row), formatted(wants.across, 2));
                finding.figures = {
                    figures::assumed(text("Hole that it wants"), "d_lamp", wants.across,
                                     text("usual for %1", std::string(name(*part.body)))),
                    figures::chosen(text("Hole"), "d_hole", bore->across,
                                    text("for %1", rowName(group, row)),
                                    "bore " + rowName(group, row) + " ")};
                if (!wide) {
                    const Millimetres reamed = bore->across + Millimetres{0.1};
                    const Millimetres to = snug && reamed >= wants.across ? reamed : wants.across;
                    Option ream;
                    ream.what = snug ? text("ream it to %1", formatted(to, 3))
                                     : text("a hole of %1", formatted(to, 3));
                    ream.effect = text("the LED goes in, painted");
                    ream.state = State::Fine;
                    ream.jot = "bore " + rowName(group, row) + " " +
                               formatted(to.value(), Dimension::Ratio, 3) + "mm";
                    finding.options.push_back(std::move(ream));
                }
                if (snug) {
                    finding.options.push_back(answer(text("It holds"), text("go on"), State::Fine,
                                                     "bore " + rowName(group, row) + " holds"));
                }
                for (Option& option : smallerParts(facts.catalogue, group, row, *bore)) {
                    if (option.jot != "lamp " + rowName(group, row) + " " + part.id)
                        finding.options.push_back(std::move(option));
                }
            });
    }
}

void judgeAcross(const LampGroup& group, const GroupState& state, Judging& judging) {
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const LampRow& row = group.rows[r];
        const RowState& made = state.rows[r];
        if (!made.connected || !(made.current > Amperes{0})) continue;
        for (std::size_t first = 0; first < row.lamps.size(); ++first) {
            const std::size_t count = standAcross(row, first);
            if (row.lamps[first].parallel || count < 2) continue;
            std::size_t least = first, most = first;
            for (std::size_t i = first; i < first + count; ++i) {
                if (made.share[i] < made.share[least]) least = i;
                if (made.share[i] > made.share[most]) most = i;
            }
            const bool dark = made.share[least] * made.current < darkBelow(made.current);
            // What one of the lowest volts in its batch takes of them.
            const double worst = worstShare(row, most, made.current).value_or(made.share[most]);
            const double others = (1 - worst) / static_cast<double>(count - 1);
            const bool uneven = worst > others * seenApart;
            if (!dark && !uneven) continue;
            judging.say(
                "lamp.across:" + rowId(group, r), subjectOf(group),
                dark ? State::Over : State::Close,
                dark ? Gravity::DoesNotWork : Gravity::LooksUneven, [&](Finding& finding) {
                    const std::string bright = row.lamps[most].part.name;
                    finding.sentence =
                        dark ? text(
                                   "%1 keeps %2 dark: it stands straight across it in %3 and takes "
                                   "the current at lower volts.",
                                   atStart(bright), row.lamps[least].part.name, rowName(group, r))
                             : text(
                                   "Of the %1 that stand straight across each other in %2 one may "
                                   "take %3 of the current: LEDs of one batch differ, and nothing "
                                   "evens them out.",
                                   std::to_string(count), rowName(group, r), percent(worst));
                    finding.action =
                        dark ? text("a row and a resistor of its own for %1",
                                    row.lamps[least].part.name)
                             : text("LEDs picked alike, or a row and a resistor for each");
                    finding.figures = {
                        figures::computed(text("Current of the row"), "I_row", made.current, "",
                                          {}),
                        figures::computed(text("Through the brightest"), "I_most",
                                          made.current * (dark ? made.share[most] : worst), "",
                                          {})};
                    // Each as a row by itself, where the volts allow it.
                    Option own;
                    own.what = text("a row and a resistor for each");
                    own.effect = text("each has its own current");
                    own.state = State::Fine;
                    own.jot = "own " + group.name;
                    if (made.ideal > Ohms{0}) finding.options.push_back(std::move(own));
                });
        }
    }
}

void judgeLots(const LampGroup& group, Judging& judging) {
    for (std::size_t a = 0; a < group.rows.size(); ++a) {
        const Lamp& one = group.rows[a].lamps.front();
        if (one.lot.empty()) continue;
        std::set<std::string> lots, lit;
        for (const LampRow& row : group.rows) {
            for (const Lamp& lamp : row.lamps) {
                if (lamp.lot.empty() || lamp.part.family != one.part.family) continue;
                lots.insert(lamp.lot);
                // One that was read or lit says how its lot is.
                if (lamp.measured || row.tested || row.installed.seen) lit.insert(lamp.lot);
            }
        }
        if (lots.size() < 2 || lit.size() == lots.size()) continue;
        judging.say("lamp.lots:" + group.id, subjectOf(group), State::Close, Gravity::LooksUneven,
                    [&](Finding& finding) {
                        std::string names;
                        for (const std::string& lot : lots) {
                            names += (names.empty() ? "" : ", ") + lot;
                        }
                        finding.sentence = text(
                            "%1 has lamps of the lots %2: their tint and volts may differ, "
                            "and one may have a resistor hidden in it. Light one of each side by "
                            "side before they go in.",
                            atStart(group.name), names);
                        finding.action = text("hold one of each lot to the tester");
                    });
        return;
    }
}

void judgeDimmed(const LampGroup& group, const GroupState& state, Judging& judging) {
    if (!(group.dimmed < 1) || !(state.total > Amperes{0})) return;
    const RowState& made = state.rows.front();
    judging.say(
        "lamp.dimmed:" + group.id, subjectOf(group), State::Fine, Gravity::CouldBeBetter,
        [&](Finding& finding) {
            finding.sentence = text(
                "Dimmed to %1 by its decoder, %2 shines as at %3. After a reset of the decoder "
                "it has %4 until that is set again.",
                percent(group.dimmed), group.name, formatted(made.current * group.dimmed, 3),
                formatted(made.current, 3));
            finding.figures = {figures::computed(text("At full"), "I", made.current, "", {}),
                               figures::chosen(text("Dimmed to"), "share", group.dimmed,
                                               text("by the decoder"), "dim " + group.name + " ")};
        });
}

void judgeContact(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                  Judging& judging) {
    if (!group.contact || !(state.total > Amperes{0})) return;
    const State verdict = stateAgainst(state.total.value(), group.contact->limit.value(), 0.8);
    judging.say(
        "lamp.switch:" + group.id, subjectOf(group), verdict, Gravity::PartDestroyed,
        [&](Finding& finding) {
            const std::string amps = formatted(state.total, 3);
            const std::string bears = formatted(group.contact->limit);
            finding.sentence =
                verdict == State::Over
                    ? text(
                          "The switch before %1 carries %2, its contacts bear %3: they "
                          "burn or weld.",
                          group.name, amps, bears)
                    : text("The switch before %1 carries %2 of its %3.", group.name, amps, bears);
            if (verdict != State::Fine)
                finding.action = text("a switch of more amps before %1", group.name);
            if (verdict != State::Fine) {
                if (auto less =
                        lessCurrent(facts.job, group, group.contact->limit * 0.8, facts.house))
                    finding.options.push_back(std::move(*less));
            }
            finding.figures = {
                figures::computed(text("Current of %1", group.name), "I", state.total, "", {}),
                figures::chosen(text("Printed on the switch"), "I_switch", group.contact->limit, {},
                                "toggle " + group.name + " ")};
        });
}

}  // namespace glimmet::core::lamps
