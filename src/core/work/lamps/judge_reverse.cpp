#include "core/work/lamps/judge_reverse.h"

#include "core/analysis/lamps/row_names.h"
#include "core/analysis/supply.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/lamps/judge_feed.h"

#include <algorithm>

namespace glimmet::core::lamps {

void judgeReverse(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                  Judging& judging) {
    constexpr Volts bears{5};
    if (!lightsTurned(facts.job, group)) return;
    Volts top = crestVolts(facts.job) * (1 + facts.house.supplySpread);
    if (antiparallel(group)) {
        // What lights the other way round leaves no more than it takes itself.
        top = Volts{0};
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            top = std::max(top, state.rows[r].current * group.rows[r].resistor.value_or(Ohms{0}) +
                                    lampVolts(group.rows[r], state.rows[r]));
        }
    }
    if (top <= bears) return;
    judging.say(
        "lamp.reverse:" + group.id, subjectOf(group), State::Over, Gravity::PartDestroyed,
        [&](Finding& finding) {
            finding.sentence =
                isDigital(facts.job.feed)
                    ? text(
                          "%1 gets up to %2 backwards at every turn of the digital track; "
                          "an LED bears %3. It wants a bridge rectifier before it.",
                          atStart(group.name), formatted(top, 3), formatted(bears))
                : facts.job.feed == Feed::Ac
                    ? text(
                          "%1 gets up to %2 backwards in every other half of the AC; an "
                          "LED bears %3. Some live so for years, none is made for it.",
                          atStart(group.name), formatted(top, 3), formatted(bears))
                    : text(
                          "%1 gets up to %2 backwards when the direction is reversed; an "
                          "LED bears %3. It wants a bridge rectifier before it.",
                          atStart(group.name), formatted(top, 3), formatted(bears));
            finding.action = text("a bridge rectifier before %1", group.name);
            finding.figures = {
                figures::computed(text("Backwards, at the most"), "V_rev", top,
                                  crestFigure(facts.job).symbol + " · (1 + spread)",
                                  {crestFigure(facts.job), spreadFigure(facts.job, facts.house)}),
                figures::assumed(text("An LED bears backwards"), "V_rev_max", bears,
                                 text("usual for LEDs"))};
            // Lamps of both ways round want each other, not a bridge that keeps half dark.
            if (bothWays(group)) {
                finding.sentence = text(
                    "%1 gets up to %2 backwards, an LED bears %3: what lights the "
                    "other way round has a resistor of its own and keeps nothing "
                    "from it.",
                    atStart(group.name), formatted(top, 3), formatted(bears));
                finding.action = text("one resistor for both ways of %1", group.name);
                if (group.rows.size() != 2) return;
                Option one;
                one.what = text("straight across each other, behind one resistor");
                one.effect = text("each keeps the volts backwards from the other");
                one.state = State::Fine;
                one.jot = "antiparallel " + group.name;
                finding.options = {std::move(one)};
                return;
            }
            finding.options = {
                bridgeOption(facts.job.feed == Feed::Ac
                                 ? text("they light in both halves of the AC, with %1 less",
                                        formatted(facts.house.rectifier))
                                 : text("they light in both directions, with %1 less",
                                        formatted(facts.house.rectifier)))};
            // On digital track it would flicker at half its light.
            if (isDigital(facts.job.feed)) return;
            Option diode;
            diode.what = text("a diode before %1", group.name);
            diode.effect =
                facts.job.feed == Feed::Ac
                    ? text(
                          "the diode bears the other half; it lights as before, with %1 "
                          "less",
                          formatted(oneWayDrop))
                    : text("it lights in one direction only, with %1 less", formatted(oneWayDrop));
            diode.state = State::Fine;
            diode.jot = "oneway " + group.name;
            finding.options.push_back(std::move(diode));
        });
}

void judgePair(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
               Judging& judging) {
    if (!antiparallel(group) || !lightsTurned(facts.job, group)) return;
    const auto kindOf = [&](bool backwards) -> const LampPart& {
        return std::find_if(group.rows.begin(), group.rows.end(),
                            [&](const LampRow& row) { return row.backwards == backwards; })
            ->lamps.front()
            .part;
    };
    const LampPart& ahead = kindOf(false);
    const LampPart& back = kindOf(true);
    const bool onAc = facts.job.feed == Feed::Ac;
    const bool mixed = alternates(facts.job.feed) && ahead.family != back.family;
    judging.say(
        "lamp.pair:" + group.id, subjectOf(group), mixed ? State::Close : State::Fine,
        mixed ? Gravity::WorksBadly : Gravity::CouldBeBetter, [&](Finding& finding) {
            finding.figures = {
                figures::chosen(text("Shared resistor"), "R_shared", group.shared(),
                                text("for %1", group.name), "shared " + group.name + " "),
                figures::computed(
                    onAc ? text("Through both ways") : text("Through the way that takes more"), "I",
                    state.total, "", {})};
            if (mixed && onAc) {
                finding.sentence = text(
                    "%1 shows %2 and %3 mixed: the AC turns its volts round all the time. Two "
                    "colours one after the other take DC that a switch turns round.",
                    atStart(group.name), ahead.name, back.name);
                finding.action = text("DC and a reversing switch for %1", group.name);
            } else if (mixed) {
                finding.sentence = text(
                    "%1 shows %2 and %3 mixed, whichever way it runs: digital track turns its "
                    "volts round thousands of times a second. Two colours that follow the "
                    "direction take two outputs of a decoder.",
                    atStart(group.name), ahead.name, back.name);
                finding.action = text("outputs of a decoder for %1", group.name);
            } else if (onAc) {
                finding.sentence = text(
                    "The lamps of %1 light in turn, one in each half of the AC: the eye sees both.",
                    group.name);
            } else if (isDigital(facts.job.feed)) {
                finding.sentence = text(
                    "The lamps of %1 light in turn at every turn of the "
                    "digital track: the eye sees both, each at half its light.",
                    group.name);
            } else {
                finding.sentence = text("%1 shows %2 one way and %3 the other.",
                                        atStart(group.name), ahead.name, back.name);
            }
        });
}

}  // namespace glimmet::core::lamps
