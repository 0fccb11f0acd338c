// What intake has to say: what to look at next, what is wrong, what it may be, what comes first.
#include "core/analysis/motor_evidence.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/intake/album.h"
#include "core/work/intake/intake.h"
#include "core/work/intake/look_list.h"
#include "core/work/intake/suspects.h"
#include "core/work/units.h"

#include <algorithm>

namespace glimmet::core::intake {
namespace {

/// A decoder that came along is read before anything else is done.
void judgeSettings(const Job& job, Judging& judging) {
    if (job.intake.arrival != Arrival::WithDecoder) return;
    const auto& saved = job.intake.settings;
    judging.say("intake.settings", {}, saved ? State::Fine : State::Ask, Gravity::PartDestroyed,
                [&](Finding& finding) {
                    if (saved) {
                        finding.sentence = saved->values.empty()
                                               ? text("Its settings are saved.")
                                               : text("Its settings are saved: %1 values.",
                                                      std::to_string(saved->values.size()));
                        return;
                    }
                    finding.sentence = text(
                        "It came with a decoder: read its settings and save them before anything "
                        "else. A reset wipes them.");
                    finding.action = text("save the decoder's settings");
                    finding.options = {answer(text("They are saved elsewhere"), text("go on"),
                                              State::Fine, "settings saved")};
                });
}

void judgeSpots(const Job& job, Judging& judging) {
    for (const Spot& spot : job.intake.spots) {
        if (!spot.mended.empty()) continue;
        const LookItem* item = lookItem(spot.item);
        const bool fatal = item && item->fatal;
        judging.say("intake.spot:" + spot.id, {spot.id, spot.words},
                    fatal ? State::Over : State::Close,
                    fatal ? Gravity::DoesNotWork : Gravity::WorksBadly, [&](Finding& finding) {
                        const std::string unit =
                            job.units.size() > 1 ? unitCalled(job, unitAt(job, spot.unit)) : "";
                        Text where = item ? text(item->title) : text("Seen");
                        if (!unit.empty()) where = text("%1, %2", std::move(where), unit);
                        finding.sentence =
                            fatal ? text("%1: %2. The work ends here until that is mended.",
                                         std::move(where), spot.words)
                                  : text("%1: %2. Still open.", std::move(where), spot.words);
                        finding.action = text("mend: %1", spot.words);
                        finding.options = {answer(text("It is mended"), text("the spot is closed"),
                                                  State::Fine, "mended " + spot.id)};
                    });
    }
}

void judgeFaults(const JobAnalysis& facts, Judging& judging) {
    for (const SuspectedFault& held : facts.job.intake.faults) {
        const KnownFault* fault = faultNamed(facts.catalogue, held.fault);
        if (!fault) continue;
        if (held.state == FaultState::Mended) {
            // A fault brings a check of its own: what showed it must show that it is gone.
            judging.say("intake.recheck:" + fault->id, {fault->id, fault->title}, State::Ask,
                        fault->fatal ? Gravity::DoesNotWork : Gravity::WorksBadly,
                        [&](Finding& finding) {
                            finding.sentence =
                                text("%1 was put right: look again. %2", fault->title, fault->look);
                            finding.action = text("look again: %1", fault->title);
                            finding.options = {
                                answer(text("It is gone"), text("go on"), State::Fine,
                                       "fault " + fault->id + " proved"),
                                answer(text("It is still there"), text("it is put right again"),
                                       fault->fatal ? State::Over : State::Close,
                                       "fault " + fault->id + " found")};
                        });
        }
        if (held.state != FaultState::Found) continue;
        judging.say(
            "intake.fault:" + fault->id, {fault->id, fault->title},
            fault->fatal ? State::Over : State::Close,
            fault->fatal ? Gravity::DoesNotWork : Gravity::WorksBadly, [&](Finding& finding) {
                finding.sentence = fault->fatal
                                       ? text("%1: the work ends here until it is mended. %2",
                                              fault->title, fault->cure)
                                       : text("%1. %2", fault->title, fault->cure);
                finding.action = text("put right: %1", fault->title);
                finding.options = {answer(text("It is mended"), text("then it is looked at again"),
                                          State::Ask, "fault " + fault->id + " mended")};
            });
    }
}

/// What owner and eye tell points to faults that are known.
void judgeSuspects(const JobAnalysis& facts, Judging& judging) {
    constexpr std::size_t most = 4;
    const auto all = suspects(facts.job, facts.catalogue);
    if (all.empty()) return;
    // Once something was found, the rest is a list to fall back on.
    const bool found =
        std::any_of(facts.job.intake.faults.begin(), facts.job.intake.faults.end(),
                    [](const SuspectedFault& each) { return each.state != FaultState::RuledOut; });
    judging.say(
        "intake.suspects", {}, found ? State::Fine : State::Ask, Gravity::WorksBadly,
        [&](Finding& finding) {
            const Suspect& first = all.front();
            finding.sentence =
                text("“%1” points to: %2. %3", first.sign, first.fault->title, first.fault->look);
            if (!found) finding.action = text("look for: %1", first.fault->title);
            for (const Suspect& each : all) {
                if (finding.options.size() >= most) break;
                finding.options.push_back(answer(text("It is that: %1", each.fault->title),
                                                 text("“%1”; %2", each.sign, each.fault->look),
                                                 each.fault->fatal ? State::Over : State::Close,
                                                 "fault " + each.fault->id + " found"));
            }
            finding.options.push_back(answer(text("It is not that: %1", first.fault->title),
                                             text("the next one is looked for"), State::Fine,
                                             "fault " + first.fault->id + " not"));
        });
}

void judgeLooking(const Job& job, Judging& judging) {
    const auto list = lookList(job);
    const auto next = nextToLook(job);
    const auto looked = std::count_if(list.begin(), list.end(), [&](const LookItem& item) {
        return lookedAt(job, item.id) != nullptr;
    });
    // What can end the job is asked for on an old model; the rest is there to be done.
    const bool asked = job.intake.age == Age::Old &&
                       std::any_of(list.begin(), list.end(), [&](const LookItem& item) {
                           return item.fatal && !lookedAt(job, item.id);
                       });
    judging.say(
        "intake.look", {}, asked ? State::Ask : State::Fine, Gravity::DoesNotWork,
        [&](Finding& finding) {
            const std::string count = std::to_string(looked);
            const std::string all = std::to_string(list.size());
            if (!next) {
                finding.sentence = text("Looked over: all %1.", all);
                return;
            }
            finding.sentence = text("Looked at %1 of %2. Next, %3: %4.", count, all,
                                    text(next->title), text(next->look));
            if (asked) finding.action = text("look at: %1", text(next->title));
            const std::string id = next->id;
            finding.options = {
                answer(text("It is good"), text("the next one is asked for"), State::Fine,
                       "good " + id),
                answer(text("It is bad"), text("marked on the picture; say what is wrong"),
                       next->fatal ? State::Over : State::Close, "bad " + id + " to be mended")};
        });
}

/// The running current before and after oiling, like with like.
void judgeOiling(const Job& job, Judging& judging) {
    if (job.intake.oiled.empty()) return;
    const std::string& on = job.intake.oiled.back().on;
    for (const MotorAt& at : motorsOf(job)) {
        const MotorReading *before = nullptr, *after = nullptr;
        const std::vector<MotorReading> readings = motorEvidence(*at.motor).readings;
        for (const MotorReading& reading : readings) {
            if (reading.condition != MotorCondition::Light || reading.taken.empty()) continue;
            if (reading.taken < on)
                before = &reading;
            else
                after = &reading;
        }
        if (!before || !after || on.empty()) continue;
        const bool alike = before->volts > Volts{0} && after->volts > Volts{0} &&
                           before->volts <= after->volts * 1.1 &&
                           after->volts <= before->volts * 1.1;
        if (!alike) continue;
        judging.say("intake.oiled:" + at.motor->id, {at.motor->id, "motor"}, State::Fine,
                    Gravity::CouldBeBetter, [&](Finding& finding) {
                        finding.sentence =
                            after->amps < before->amps
                                ? text(
                                      "Oiled on %1: running light it took %2 before and takes %3 "
                                      "since.",
                                      on, formatted(before->amps, 3), formatted(after->amps, 3))
                                : text(
                                      "Oiled on %1, and running light it still takes %2: oil was "
                                      "not what it wanted.",
                                      on, formatted(after->amps, 3));
                        finding.figures = {
                            figures::measured(text("Running light before"), "I_before",
                                              before->amps, before->taken, {}, "light "),
                            figures::measured(text("Running light since"), "I_since", after->amps,
                                              after->taken, {}, "light ")};
                    });
    }
}

/// What was taken apart goes together backwards.
void judgeApart(const Job& job, Judging& judging) {
    const auto next = nextBackOn(job);
    if (!next) return;
    const auto& steps = job.intake.takenOff;
    const auto off = std::count_if(steps.begin(), steps.end(),
                                   [](const TakenOff& step) { return step.back.empty(); });
    judging.say("intake.apart", {}, State::Fine, Gravity::CouldBeBetter, [&](Finding& finding) {
        finding.sentence =
            off == 1 ? text("One thing is off: %1.", steps[*next].what)
                     : text("%1 things are off. First back on: step %2, %3.", std::to_string(off),
                            std::to_string(*next + 1), steps[*next].what);
        finding.options = {answer(text("It is back on"), text("the one before it is next"),
                                  State::Fine, "refitted")};
    });
}

void judgeComplaints(const Job& job, Judging& judging) {
    for (const Complaint& complaint : job.intake.complaints) {
        if (!complaint.answer.empty()) continue;
        judging.say(
            "intake.complaint:" + complaint.id, {complaint.id, complaint.words}, State::Fine,
            Gravity::CouldBeBetter, [&](Finding& finding) {
                finding.sentence =
                    text("The owner says: %1. To be answered at hand-over.", complaint.words);
                finding.options = {answer(text("Answer it"), text("told at hand-over"), State::Fine,
                                          "answer " + complaint.id + " looked at and mended")};
            });
    }
}

}  // namespace

bool applies(const Job&) { return true; }

Idle idle(const Job& job) {
    const auto open = std::count_if(job.intake.spots.begin(), job.intake.spots.end(),
                                    [](const Spot& spot) { return spot.mended.empty(); });
    if (open == 1) return {text("one spot open"), true};
    if (open > 1) return {text("%1 spots open", std::to_string(open)), true};
    if (!nextToLook(job)) return {text("looked over"), true};
    return {job.intake.looked.empty()
                ? text("not looked over")
                : text("%1 of %2 looked at", std::to_string(job.intake.looked.size()),
                       std::to_string(lookList(job).size())),
            true};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    judgeSettings(facts.job, judging);
    judgeFaults(facts, judging);
    judgeSpots(facts.job, judging);
    judgeSuspects(facts, judging);
    judgeLooking(facts.job, judging);
    judgeOiling(facts.job, judging);
    judgeApart(facts.job, judging);
    judgeComplaints(facts.job, judging);
}

}  // namespace glimmet::core::intake
