// Whether the model can go home, and what is unanswered.
#include "core/analysis/unanswered.h"
#include "core/finding/answer.h"
#include "core/work/hand_over/hand_over.h"

#include <algorithm>

namespace glimmet::core::hand_over {
namespace {

void judgeOpen(const Unanswered& each, Judging& judging) {
    judging.say(
        "hand-over.unanswered:" + each.id, {}, State::Ask, Gravity::CouldBeBetter,
        [&](Finding& finding) {
            finding.sentence = each.asked
                                   ? text("%1. Answer it, or waive it with a reason.", each.words)
                                   : text("%1. Do it, or waive it with a reason.", each.words);
            finding.action = each.words;
            if (each.id.starts_with("complaint:"))
                finding.options.push_back(answer(text("Answer it"), text("it goes on the sheet"),
                                                 State::Fine, "answer " + each.name + " "));
            finding.options.push_back(answer(text("Waive it"), text("the sheet says why"),
                                             State::Fine, "waive " + each.name + " "));
        });
}

}  // namespace

bool applies(const Job&) { return true; }

Idle idle(const Job& job) {
    if (!hasWork(job)) return {text("nothing to hand over yet")};
    return {};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    if (!hasWork(job)) return;
    const auto open = stillOpen(facts);
    const bool gone = !job.handOver.on.empty();
    const bool workLeft =
        std::any_of(open.begin(), open.end(), [](const Unanswered& each) { return !each.asked; });
    if (gone || !workLeft) {
        for (const Unanswered& each : open) judgeOpen(each, judging);
    }
    judging.say("hand-over.next", {}, State::Fine, Gravity::CouldBeBetter, [&](Finding& finding) {
        if (gone) {
            finding.sentence =
                open.empty() ? text("Handed over on %1, everything answered.", job.handOver.on)
                             : text("Handed over on %1, with %2 things unanswered.",
                                    job.handOver.on, std::to_string(open.size()));
            return;
        }
        finding.open = true;
        if (open.empty()) {
            finding.sentence = text("Everything is answered. Print the sheets, and hand it over.");
            finding.action = text("hand it over");
            finding.options.push_back(
                answer(text("It went home"), text("dated today"), State::Fine, "handed over"));
        } else {
            finding.sentence = open.size() == 1
                                   ? text("One thing is unanswered: %1.", open.front().words)
                                   : text("%1 things are unanswered. The first: %2.",
                                          std::to_string(open.size()), open.front().words);
            finding.action = open.size() == 1
                                 ? text("one thing is unanswered")
                                 : text("%1 things are unanswered", std::to_string(open.size()));
        }
    });
}

}  // namespace glimmet::core::hand_over
