// What comes next at the bench, and what of the wires cannot stay as it is.
#include "core/analysis/steps.h"
#include "core/analysis/unanswered.h"
#include "core/analysis/wiring/wire_list.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/quantity/moment.h"
#include "core/wire/wire.h"
#include "core/work/wire/wire.h"

#include <algorithm>

namespace glimmet::core::wire {
namespace {

std::string counted(std::size_t n) { return std::to_string(n); }

/// "Next, 3 of 9 done: …"
Text nextWords(const StepNow& next, std::size_t over, std::size_t all) {
    if (next.step.proved.empty())
        return text("%1 of %2 steps done. Next: %3.", counted(over), counted(all), next.step.words);
    return text("%1 of %2 steps done. Next: %3. It cannot be undone. First prove: %4.",
                counted(over), counted(all), next.step.words, next.step.proved);
}

void judgeSteps(const std::vector<StepNow>& all, bool isWaived, Judging& judging) {
    if (all.empty()) return;
    const auto over = static_cast<std::size_t>(
        std::count_if(all.begin(), all.end(), [](const StepNow& each) { return each.over(); }));
    const StepNow* next = nextStep(all);
    const auto waiting = std::find_if(all.begin(), all.end(), [](const StepNow& each) {
        return each.record && each.record->fate == StepFate::Waiting;
    });
    judging.say("wire.steps", {}, State::Fine, Gravity::CouldBeBetter, [&](Finding& finding) {
        finding.open = (next || waiting != all.end()) && !isWaived;
        if (next) {
            finding.sentence = nextWords(*next, over, all.size());
            finding.action = next->step.words;
            finding.caution = cautionOf(next->step.kind);
            Option done =
                answer(text("Tick: %1", next->step.words),
                       next->step.test.empty() ? text("then the next one")
                                               : text("once it is tested: %1", next->step.test),
                       State::Fine, "step " + next->step.name + " done");
            finding.options.push_back(std::move(done));
        } else if (waiting != all.end()) {
            finding.sentence = text("Only waiting is left: %1, until %2.", waiting->step.name,
                                    clockOf(waiting->record->until));
            finding.action =
                text("wait: %1, until %2", waiting->step.name, clockOf(waiting->record->until));
        } else {
            finding.sentence = text("All %1 steps are done.", counted(all.size()));
        }
    });
}

/// Done although a step stands open that should come first.
void judgeOrder(const std::vector<StepNow>& all, Judging& judging) {
    for (std::size_t i = 0; i < all.size(); ++i) {
        const StepNow& step = all[i];
        const bool hides = cannotBeUndone(step.step) || step.step.id == "tuck";
        if (!hides || !step.record || step.record->fate != StepFate::Done) continue;
        // What comes before a cut is its own proof; closing hides all.
        const auto open = std::find_if(all.begin(), all.begin() + static_cast<std::ptrdiff_t>(i),
                                       [](const StepNow& each) { return !each.record; });
        if (open == all.begin() + static_cast<std::ptrdiff_t>(i)) continue;
        judging.say("wire.early:" + step.step.id, {}, State::Close, Gravity::WorksBadly,
                    [&](Finding& finding) {
                        finding.sentence = text(
                            "“%1” is done, but “%2” is still open. Do that first, or say why "
                            "it is skipped.",
                            step.step.name, open->step.name);
                        finding.action = open->step.words;
                    });
    }
}

void judgeWires(const JobAnalysis& facts, Judging& judging) {
    for (const ListedWire& wire : wireList(facts)) {
        if (wire.planned) continue;
        if (wire.provisional) {
            judging.say("wire.provisional:" + wire.id, {}, State::Close, Gravity::WorksBadly,
                        [&](Finding& finding) {
                            finding.sentence = text(
                                "The %1 wire %2 is provisional. Take it out, or make it for good, "
                                "before the body goes on.",
                                wire.colour, wire.id);
                            finding.action = text("replace the provisional wire %1", wire.id);
                        });
        }
        if (!wire.amps || !wire.awg || wire.state == State::Fine) continue;
        const Amperes limit = wireGauge(*wire.awg)->limit;
        judging.say(
            "wire.gauge:" + wire.id, {}, wire.state, Gravity::PartDestroyed, [&](Finding& finding) {
                const std::string gauge = counted(static_cast<std::size_t>(*wire.awg));
                finding.sentence = text(
                    "The %1 wire %2 is %3 AWG: it can take %4 for hours, and %5 flow.", wire.colour,
                    wire.id, gauge, formatted(limit, 3), formatted(*wire.amps, 3));
                finding.action = text("use a thicker wire for %1", wire.id);
                finding.figures = {
                    figures::computed(text("Current in the wire"), "I_wire", *wire.amps, "", {}),
                    figures::catalogue(text("What %1 AWG can take", gauge), "I_max", limit,
                                       text("docs/physics.md"))};
            });
    }
}

}  // namespace

bool applies(const Job&) { return true; }

Idle idle(const Job& job) {
    if (stepsOf(job, {}).empty()) return {text("nothing to wire yet")};
    return {};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    const std::vector<StepNow> all = stepsNow(facts.job, facts.house);
    judgeSteps(all, waivedAs(facts.job, "steps"), judging);
    judgeOrder(all, judging);
    judgeWires(facts, judging);
}

}  // namespace glimmet::core::wire
