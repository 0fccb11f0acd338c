// Whether power was given that the meter allows, and whether it showed what it should.
#include "core/analysis/meter/words.h"
#include "core/analysis/power_steps.h"
#include "core/analysis/unanswered.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/first_power/first_power.h"

#include <algorithm>

namespace glimmet::core::first_power {
namespace {

using meter::Matrix;

/// Lines that put it right, the house's way first.
std::vector<Option> waysOut(const Job& job, const WorkshopRules& house, const PowerStep& step,
                            Seen seen) {
    std::vector<Option> all;
    const auto add = [&](Text what, Text effect, std::string jot) {
        all.push_back(answer(std::move(what), std::move(effect), State::Fine, std::move(jot)));
    };
    if (seen == Seen::Backwards) {
        const auto leads = [&] {
            add(text("Motor leads swapped"), text("then run it forward again"), "swap motor leads");
        };
        const auto bit = [&] {
            add(text("Direction bit changed"), text("then run it forward again"),
                "swap direction bit");
        };
        if (!job.decoder) return all;
        if (house.directionBy == DirectionBy::Leads) leads();
        bit();
        if (house.directionBy == DirectionBy::Bit) leads();
    }
    if (seen == Seen::WrongEnd)
        add(text("Leads of front and rear swapped"), text("then press the key again"),
            "swap outputs");
    if (seen == Seen::Nothing && step.id.starts_with("lamp:"))
        add(text("LED leads swapped"), text("then press the key again"), "swap led " + step.name);
    if (seen != Seen::Smoke)
        add(text("Seen again: as it should be"), text("it is put right"),
            "power " + step.name + " ok");
    return all;
}

void judgeUnproved(const JobAnalysis& facts, const std::vector<PowerStep>& steps,
                   const Matrix& matrix, Judging& judging) {
    const auto beyond = std::find_if(steps.begin(), steps.end(), [&](const PowerStep& step) {
        return seenOf(facts.job, step.id) && step.needs > matrix.allows;
    });
    if (beyond == steps.end()) return;
    const auto failed = std::find_if(matrix.rows.begin(), matrix.rows.end(),
                                     [](const auto& row) { return row.state == State::Over; });
    const bool fails = failed != matrix.rows.end();
    judging.say("power.unproved", {}, fails ? State::Over : State::Ask, Gravity::PartDestroyed,
                [&](Finding& finding) {
                    finding.sentence =
                        fails ? text(
                                    "It had power (%1) although %2 fails by meter. Power off "
                                    "until that is mended.",
                                    beyond->name, failed->words)
                              : text(
                                    "It had power (%1), and so far the meter allows: %2. Read the "
                                    "pairs that are still asked for.",
                                    beyond->name, meter::allowed(matrix.allows));
                    finding.action = fails ? text("power off; mend %1", failed->words)
                                           : text("prove it by meter before more power");
                    finding.caution =
                        text("Isolation is not proved: a decoder dies in milliseconds.");
                });
}

void judgeSeen(const JobAnalysis& facts, const PowerStep& step, const PowerSeen& seen,
               Judging& judging) {
    if (seen.seen == Seen::AsItShould) return;
    const bool danger = seen.seen == Seen::Smoke || seen.seen == Seen::TooMuchCurrent;
    judging.say("power.seen:" + step.id, {}, State::Over,
                danger ? Gravity::PartDestroyed : Gravity::DoesNotWork, [&](Finding& finding) {
                    finding.sentence = text("%1: %2. Most likely %3.", step.words,
                                            seenWords(seen.seen), meaningOf(step, seen.seen));
                    finding.action =
                        danger ? text("power off") : text("put it right: %1", seenWords(seen.seen));
                    finding.options = waysOut(facts.job, facts.house, step, seen.seen);
                    if (danger)
                        finding.caution = text(
                            "Take the power off now. Let it cool before you "
                            "touch it.");
                });
}

void judgeCurrent(const JobAnalysis& facts, Judging& judging) {
    const PowerSeen* seen = seenOf(facts.job, "programming");
    if (!seen || !seen->current) return;
    const Amperes most =
        facts.job.decoder && facts.job.decoder->part.sound ? restWithSound : restUsual;
    if (*seen->current <= most) return;
    const State state = *seen->current > programmingLimit ? State::Over : State::Close;
    judging.say("power.current", {}, state, Gravity::WorksBadly, [&](Finding& finding) {
        finding.sentence = text(
            "At rest on the programming track it takes %1; up to %2 is usual. A stay-alive "
            "that charges, or lamps straight on the rails, take that.",
            formatted(*seen->current, 3), formatted(most, 2));
        finding.action = text("find what takes the current at rest");
        finding.figures.push_back(figures::measured(text("Current at rest"), "I_rest",
                                                    *seen->current, seen->on, text("by meter"),
                                                    "power programming ok "));
    });
}

void judgeNext(const JobAnalysis& facts, const std::vector<PowerStep>& steps, const Matrix& matrix,
               Judging& judging) {
    const PowerStep* next = nextOf(facts.job, steps);
    judging.say("power.next", {}, State::Fine, Gravity::PartDestroyed, [&](Finding& finding) {
        finding.open = next && !waivedAs(facts.job, "power");
        if (!next) {
            finding.sentence = text("All %1 steps of power were seen as they should be.",
                                    std::to_string(steps.size()));
            return;
        }
        const bool allowed = next->needs <= matrix.allows;
        finding.sentence = allowed ? text("Next: %1. Look for: %2.", next->words, next->look)
                                   : text("Next: %1. So far the meter allows: %2.", next->words,
                                          meter::allowed(matrix.allows));
        finding.action = allowed ? next->words : text("prove it by meter first");
        finding.caution =
            allowed ? text(
                          "Hand on the switch. A model with a stay-alive stays live after it is "
                          "lifted off.")
                    : text("Isolation is not proved: no power that the meter does not allow.");
        if (allowed) {
            Option seen;
            seen.kind = Option::Kind::Answer;
            seen.what = text("Seen: %1", next->look);
            seen.effect = text("then the next step");
            seen.jot = "power " + next->name + " ok";
            finding.options.push_back(std::move(seen));
        }
    });
}

}  // namespace

bool applies(const Job&) { return true; }

Idle idle(const Job& job) {
    if (powerSteps(job, {}).empty() || (!job.decoder && job.groups.empty()))
        return {text("nothing that gets power yet")};
    return {};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    if (!idle(facts.job).why.empty() && facts.job.powered.empty()) return;
    const std::vector<PowerStep> steps = powerSteps(facts.job, facts.house);
    const Matrix& matrix = meter::matrixOf(facts);
    judgeUnproved(facts, steps, matrix, judging);
    for (const PowerStep& step : steps) {
        if (const PowerSeen* seen = seenOf(facts.job, step.id))
            judgeSeen(facts, step, *seen, judging);
    }
    judgeCurrent(facts, judging);
    judgeNext(facts, steps, matrix, judging);
}

}  // namespace glimmet::core::first_power
