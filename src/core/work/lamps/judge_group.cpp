#include "core/work/lamps/judge_group.h"

#include "core/analysis/lamps/row_names.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/lamps/judge_row.h"
#include "core/work/lamps/resistor_options.h"
#include "core/work/lamps/row_verdict.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::lamps {
namespace {

/// Rows whose failing is worth trying: each of a few; of many the two that carry most, because what
/// a row carried is what it leaves to the others.
std::vector<std::size_t> thoseThatLeaveMost(const GroupState& state) {
    constexpr std::size_t few = 12;
    std::vector<std::size_t> all;
    for (std::size_t r = 0; r < state.rows.size(); ++r) {
        if (state.rows[r].connected) all.push_back(r);
    }
    if (all.size() <= few) return all;
    std::partial_sort(all.begin(), all.begin() + 2, all.end(), [&](std::size_t a, std::size_t b) {
        return state.rows[a].current > state.rows[b].current;
    });
    all.resize(2);
    return all;
}

/// The dimmest and the brightest row of those that light together.
std::optional<std::pair<std::size_t, std::size_t>> extremesOf(const LampGroup& group,
                                                              const GroupState& state) {
    std::optional<std::pair<std::size_t, std::size_t>> extremes;
    for (std::size_t r = 0; r < state.rows.size(); ++r) {
        // Rows of the other way round do not light beside these.
        if (!state.rows[r].connected || group.rows[r].backwards != group.rows.front().backwards)
            continue;
        if (!extremes) extremes = {r, r};
        if (state.rows[r].current < state.rows[extremes->first].current) extremes->first = r;
        if (state.rows[r].current > state.rows[extremes->second].current) extremes->second = r;
    }
    return extremes;
}

/// Uneven rows: the lamp with the lower voltage takes what the others are short of.
void judgeUneven(const LampGroup& group, const GroupState& state, Judging& judging) {
    const auto extremes = extremesOf(group, state);
    if (!extremes || group.rows.size() < 2) return;
    const std::size_t dim = extremes->first;
    const std::size_t bright = extremes->second;
    const Amperes low = state.rows[dim].current;
    const Amperes high = state.rows[bright].current;
    const bool dark = low < darkBelow(group.atFull());
    const bool mixed =
        group.rows[dim].lamps.front().part.family != group.rows[bright].lamps.front().part.family;
    const bool bare = !(group.rows[dim].resistor->value() > 0);  // nothing but the shared one
    const bool ownOnly = !bare && !(group.shared() > Ohms{0});
    const double builds = unevenBuilds(group, state);
    const std::vector<Figure> both{figures::computed(text("Brightest row"), "I_high", high, "", {}),
                                   figures::computed(text("Dimmest row"), "I_low", low, "", {})};
    const auto say = [&](State verdict, Gravity gravity, Text sentence) {
        judging.say("lamp.uneven:" + group.id, subjectOf(group), verdict, gravity,
                    [&](Finding& finding) {
                        finding.sentence = std::move(sentence);
                        finding.action = ownOnly ? text("choose the resistors of %1", group.name)
                                                 : text("own resistors for %1", group.name);
                        finding.figures = both;
                        if (!ownOnly || high > low * 1.25) {
                            finding.options = {ownOption(group)};
                        }
                    });
    };
    if (dark && high > low * 2.0) {
        say(State::Over, Gravity::DoesNotWork,
            mixed && bare
                ? text("Two colours on one resistor: %1 takes %2 and leaves %3 dark with %4. "
                       "Each needs a resistor of its own.",
                       rowName(group, bright), formatted(high, 3), rowName(group, dim),
                       formatted(low, 2))
                : text("%1 stays dark with %2 while %3 takes %4. %5", atStart(rowName(group, dim)),
                       formatted(low, 2), rowName(group, bright), formatted(high, 3),
                       ownOnly ? text("Its own resistor is too large.")
                               : text("Each needs a resistor of its own.")));
    } else if (high > low * 1.25 && (bare || !mixed)) {
        say(State::Close, Gravity::LooksUneven,
            text("Uneven: %1 takes %2, %3 takes %4. %5", rowName(group, bright), formatted(high, 3),
                 rowName(group, dim), formatted(low, 3),
                 ownOnly ? text("Choose the resistor of each for the same current.")
                         : text("A resistor of its own for each lamp evens them out.")));
    } else if (builds > seenUneven) {
        say(State::Close, Gravity::LooksUneven,
            text("In %1 of builds lamps of %2 would look uneven: LEDs of one batch differ. "
                 "%3",
                 percent(std::round(builds * 20) / 20), group.name,
                 bare ? text("A resistor of its own for each lamp evens them out.")
                      : text("Pick lamps that match, or give them more resistance.")));
    }
}

void judgeSharedHeat(const LampGroup& group, const GroupState& state, Judging& judging) {
    if (state.sharedPower > mostHeat) {
        judging.say(
            "lamp.shared-heat:" + group.id, subjectOf(group), State::Over, Gravity::FirePeople,
            [&](Finding& finding) {
                finding.sentence = text(
                    "The shared resistor of %1 would have to give off %2: in a model that "
                    "melts what is near.",
                    group.name, formatted(state.sharedPower, 2));
                finding.action = text("own resistors for %1", group.name);
                finding.figures = {figures::computed(text("Heat in the shared resistor"),
                                                     "P_shared", state.sharedPower, "", {})};
                finding.options = {ownOption(group)};
            });
    }
}

/// Warm and cool white in one group.
void judgeWhites(const LampGroup& group, Judging& judging) {
    std::string tint;
    bool mixed = false;
    for (const LampRow& row : group.rows) {
        for (const Lamp& lamp : row.lamps) {
            if (lamp.part.family != LedFamily::White || lamp.part.tint.empty()) continue;
            mixed = mixed || (!tint.empty() && tint != lamp.part.tint);
            tint = lamp.part.tint;
        }
    }
    if (mixed) {
        judging.say("lamp.whites:" + group.id, subjectOf(group), State::Close, Gravity::LooksUneven,
                    [&](Finding& finding) {
                        finding.sentence = text(
                            "%1 mixes warm and cool white lamps: side by side the eye sees it.",
                            atStart(group.name));
                        finding.action = text("lamps of one white for %1", group.name);
                    });
    }
}

}  // namespace

void judgeGroup(const LampGroup& group, const GroupState& state, Judging& judging) {
    judgeUneven(group, state, judging);
    judgeSharedHeat(group, state, judging);
    judgeWhites(group, judging);
}

void judgeUnmarked(const LampGroup& group, const GroupState& state, Judging& judging) {
    if (stateAgainst(state.total.value(), usualOutputLimit.value(), lampCloseAbove) == State::Fine)
        return;
    judging.say(
        "lamp.output-current:" + group.id, subjectOf(group), State::Ask, Gravity::PartDestroyed,
        [&](Finding& finding) {
            finding.sentence =
                text("Look up what output %1 bears: it would carry %2, and most bear %3.",
                     group.output, formatted(state.total, 3), formatted(usualOutputLimit));
            finding.action = text("what output %1 bears", group.output);
            finding.figures = {
                figures::computed(text("All rows together"), "I_out", state.total, "", {}),
                figures::missing(text("Output's limit"), "I_limit", Dimension::Current,
                                 text("in the decoder's leaflet"), "output " + group.output + " ")};
        });
}

void judgeOneFailed(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                    Judging& judging) {
    const Ohms common = group.shared() + state.outputSeries + state.inside;
    if (group.rows.size() < 2 || !(common > Ohms{0})) return;
    Amperes most{0};
    Amperes limit{1};
    double rise = 1;
    std::size_t gone = 0;
    for (const RowState& row : state.rows) {
        // A lamp that is over its limit anyway says so itself.
        if (row.connected && row.current > row.limit) return;
    }
    LampGroup without = group;
    for (const std::size_t r : thoseThatLeaveMost(state)) {
        without.rows[r].resistor.reset();
        const auto then = groupCurrents(facts.job, without, facts.house);
        without.rows[r].resistor = group.rows[r].resistor;
        if (!then) return;
        for (std::size_t k = 0; k < group.rows.size(); ++k) {
            const RowState& now = state.rows[k];
            if (k == r || !now.connected || !(now.current > Amperes{0})) continue;
            if (then->rows[k] / now.limit > most / limit) {
                most = then->rows[k];
                limit = now.limit;
                gone = r;
            }
            rise = std::max(rise, (then->rows[k] / now.current).value());
        }
    }
    const bool burns = most > limit;
    if (!burns && rise <= 2) return;
    judging.say("lamp.one-failed:" + group.id, subjectOf(group), burns ? State::Over : State::Close,
                burns ? Gravity::PartDestroyed : Gravity::LooksUneven, [&](Finding& finding) {
                    finding.sentence =
                        burns
                            ? text(
                                  "When %1 fails the others get up to %2 and burn after it: "
                                  "their limit is %3.",
                                  rowName(group, gone), formatted(most, 3), formatted(limit, 3))
                            : text("When one of %1 fails the others are more than twice as bright.",
                                   group.name);
                    finding.action = text("own resistors for %1", group.name);
                    finding.figures = {
                        figures::computed(text("Then, at the most"), "I_then", most, "", {})};
                    finding.options = {ownOption(group)};
                });
}

}  // namespace glimmet::core::lamps
