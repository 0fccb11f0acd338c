// Whether it ran in, whether its current fell, when it wants oil.
#include "core/analysis/run_in_state.h"
#include "core/analysis/unanswered.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/quantity/moment.h"
#include "core/work/run_in/run_in.h"

namespace glimmet::core::run_in {
namespace {

Text waysWords(Direction direction) {
    return direction == Direction::Forward ? text("forward") : text("in reverse");
}

void judgeCurrent(const RunInState& state, Judging& judging) {
    if (state.state == State::Fine) return;
    const std::string id = "run-in.current:" + std::string(name(state.direction));
    judging.say(id, {}, state.state, Gravity::WorksBadly, [&](Finding& finding) {
        if (state.state == State::Over) {
            finding.sentence = text(
                "Running %1, its current rose from %2 to %3. Something binds: stop, let it cool, "
                "look for a tight bearing, a rod or dry gears.",
                waysWords(state.direction), formatted(*state.least, 3), formatted(*state.last, 3));
            finding.action = text("find what binds");
        } else {
            finding.sentence = text(
                "Running %1, its current stayed at %2 from start to end. It should fall as it "
                "beds in: look at gears and oil.",
                waysWords(state.direction), formatted(*state.last, 3));
            finding.action = text("look at gears and oil");
        }
        const auto read = [&](const char* words, const char* symbol, Amperes amps) {
            finding.figures.push_back(
                figures::measured(text(words), symbol, amps, {}, text("by meter"), {}));
        };
        read("Current at the start", "I_start", *state.first);
        read("Lowest current", "I_least", *state.least);
        read("Last current", "I_last", *state.last);
    });
}

/// "run-in forward 30min "
std::string lineOf(const RunInState& state) {
    return "run-in " + std::string(name(state.direction)) + " " +
           formatted(state.wanted.value() / 60, Dimension::Ratio, 4) + "min ";
}

void judgeNext(const Job& job, const RunInState& forward, const RunInState& reverse,
               Judging& judging) {
    judging.say("run-in.next", {}, State::Fine, Gravity::CouldBeBetter, [&](Finding& finding) {
        const RunInState& next = forward.done() ? reverse : forward;
        if (next.done()) {
            finding.sentence = text("Run in: %1 forward, %2 in reverse.", formatted(forward.ran, 3),
                                    formatted(reverse.ran, 3));
            return;
        }
        finding.open = !waivedAs(job, "run-in");
        if (job.runIn.running) {
            finding.sentence = text(
                "Running %1 since %2. Read its current at the start, in the middle and at "
                "the end.",
                waysWords(job.runIn.running->direction), clockOf(job.runIn.running->since));
        } else if (next.ran > Seconds{0}) {
            finding.sentence =
                text("It ran %1 for %2 of %3. Read its current at the end.",
                     waysWords(next.direction), formatted(next.ran, 3), formatted(next.wanted, 3));
        } else {
            finding.sentence = text(
                "Run it %1 for %2 at medium speed, and read its current at the start, in the "
                "middle and at the end.",
                waysWords(next.direction), formatted(next.wanted, 3));
        }
        finding.action = text("run it in, %1", waysWords(next.direction));
        finding.caution = text("Stay beside it. Motor or decoder too hot to touch: power off.");
        if (!job.runIn.running) {
            const std::string way(name(next.direction));
            finding.options.push_back(answer(text("It runs now, %1", waysWords(next.direction)),
                                             text("the clock counts"), State::Fine,
                                             "run-in " + way + " begins"));
        }
        finding.options.push_back(
            answer(text("It ran %1, %2", formatted(next.wanted, 3), waysWords(next.direction)),
                   text("without a reading"), State::Fine,
                   lineOf(next).substr(0, lineOf(next).size() - 1)));
    });
}

void judgeOil(const Job& job, Judging& judging) {
    if (job.runIn.since < oilEvery) return;
    judging.say("run-in.oil", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
        finding.sentence = text("It has run %1 since it was oiled; %2 is usual.",
                                formatted(job.runIn.since, 3), formatted(oilEvery, 3));
        finding.action = text("oil it");
        finding.options.push_back(answer(text("Oiled: count again from here"),
                                         text("its hours begin at 0"), State::Fine, "hours 0h"));
    });
}

}  // namespace

bool applies(const Job& job) { return hasMotor(job); }

Idle idle(const Job& job) {
    if (job.runIn.readings.empty() && !job.decoder) return {text("nothing to run in yet")};
    return {};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    judgeOil(job, judging);
    if (!idle(job).why.empty()) return;
    if (facts.house.runIn <= Seconds{0}) {
        judging.say("run-in.next", {}, State::Fine, Gravity::CouldBeBetter, [&](Finding& finding) {
            finding.sentence = text("By the house's rule nothing is run in.");
        });
        return;
    }
    const RunInState forward = runInState(job, facts.house, Direction::Forward);
    const RunInState reverse = runInState(job, facts.house, Direction::Reverse);
    judgeCurrent(forward, judging);
    judgeCurrent(reverse, judging);
    judgeNext(job, forward, reverse, judging);
}

}  // namespace glimmet::core::run_in
