// What running on plain direct current says.
#include "core/analysis/rating.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/dc_test/dc_test.h"

#include <algorithm>

namespace glimmet::core::dc_test {
namespace {

// From these on a fitter looks for the cause.
constexpr double lateShare = 0.35;  // of the volts usual for the scale on plain DC
constexpr double unlike = 1.25;

Volts usualThrottle(const Job& job) { return usualVolts(Feed::PlainDc, job.scale); }

const ProofReading* last(const Job& job, Direction direction, Pace pace) {
    const ProofReading* found = nullptr;
    for (const ProofReading& reading : job.proof.readings) {
        if (reading.direction == direction && reading.pace == pace) found = &reading;
    }
    return found;
}

Text directionWords(Direction direction) {
    return direction == Direction::Forward ? text("forward") : text("in reverse");
}

Figure voltsFigure(Text name, const char* symbol, const ProofReading& reading) {
    return figures::measured(std::move(name), symbol, reading.volts, reading.on,
                             directionWords(reading.direction), "starts ");
}
Figure ampsFigure(Text name, const char* symbol, const ProofReading& reading) {
    return figures::measured(
        std::move(name), symbol, *reading.amps, reading.on,
        text("%1 at %2", directionWords(reading.direction), formatted(reading.volts, 3)),
        std::string(glimmet::core::name(reading.pace)) + " ");
}

/// Tried or not, and how it ended.
void judgeTried(const Job& job, Judging& judging) {
    const Proof& proof = job.proof;
    if (proof.runs == false) {
        const bool goesOn = !proof.goOn.empty();
        judging.say(
            "prove.failed", {}, goesOn ? State::Close : State::Over, Gravity::DoesNotWork,
            [&](Finding& finding) {
                finding.sentence =
                    goesOn ? text("It failed on plain DC (%1); the work goes on: %2.", proof.failed,
                                  proof.goOn)
                           : text(
                                 "It failed on plain DC: %1. Put that right first: a decoder never "
                                 "cures it.",
                                 proof.failed);
                if (!goesOn) finding.action = text("put right what stops it on plain DC");
                finding.options.push_back(
                    answer(text("It runs now"), text("the work goes on"), State::Fine, "proved"));
            });
        return;
    }
    const bool tried = proof.runs == true;
    // A model that has seen use is tried before anything is fitted; a new one may be taken as it
    // is.
    const bool asked = !tried && proof.readings.empty() && job.intake.age == Age::Old &&
                       job.intake.arrival != Arrival::WithDecoder;
    judging.say(
        "prove.tried", {}, asked ? State::Ask : State::Fine, Gravity::WorksBadly,
        [&](Finding& finding) {
            if (tried) {
                finding.sentence = text("It runs on plain DC, both ways.");
                return;
            }
            const auto read = [&](Direction direction) {
                return std::ranges::any_of(proof.readings, [&](const ProofReading& each) {
                    return each.direction == direction;
                });
            };
            const bool forward = read(Direction::Forward), reverse = read(Direction::Reverse);
            finding.sentence =
                forward && reverse
                    ? text("Read on plain DC, both ways. Say whether it runs as it should.")
                : forward ? text("Read on plain DC, forward only. Run it in reverse too.")
                : reverse ? text("Read on plain DC, in reverse only. Run it forward too.")
                : asked   ? text(
                                "Run it on plain DC before anything is done to it: both ways, "
                                  "slowly and fast.")
                        : text("Not tried on plain DC.");
            if (asked) finding.action = text("run it on plain DC");
            finding.options = {
                answer(text("It runs, both ways"), text("the work goes on"), State::Fine, "proved"),
                answer(text("It does not run well"), text("it is put right first"), State::Over,
                       "fails on plain dc")};
        });
}

void judgeStarts(const Job& job, Judging& judging) {
    // With a decoder in it nothing moves below 5 to 7 V: that is no friction.
    if (job.intake.arrival == Arrival::WithDecoder) return;
    const Volts late = usualThrottle(job) * lateShare;
    const ProofReading* forward = last(job, Direction::Forward, Pace::Starts);
    const ProofReading* reverse = last(job, Direction::Reverse, Pace::Starts);
    for (const ProofReading* reading : {forward, reverse}) {
        if (!reading || reading->volts <= late) continue;
        judging.say("prove.late", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
            finding.sentence = text(
                "It starts late: %1 at %2. Dry bearings, dirty brushes or tight rods; look before "
                "anything is fitted.",
                directionWords(reading->direction), formatted(reading->volts, 3));
            finding.action = text("find why it starts late");
            finding.figures = {
                voltsFigure(text("Starts at"), "V_start", *reading),
                figures::assumed(text("Late from"), "V_late", late,
                                 text("a third of the throttle's usual volts and a little"))};
        });
        break;
    }
    if (!forward || !reverse) return;
    const Volts low = std::min(forward->volts, reverse->volts);
    const Volts high = std::max(forward->volts, reverse->volts);
    if (high <= low * unlike) return;
    judging.say("prove.uneven-start", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
        finding.sentence = text(
            "It starts at %1 forward and at %2 in reverse: end play of the worm, or brushes "
            "that seat one way only.",
            formatted(forward->volts, 3), formatted(reverse->volts, 3));
        finding.action = text("look at worm and brushes");
        finding.figures = {voltsFigure(text("Starts forward"), "V_fwd", *forward),
                           voltsFigure(text("Starts in reverse"), "V_rev", *reverse)};
    });
}

void judgeCurrents(const Job& job, Judging& judging) {
    for (const Pace pace : {Pace::Crawl, Pace::Medium, Pace::Full}) {
        const ProofReading* forward = last(job, Direction::Forward, pace);
        const ProofReading* reverse = last(job, Direction::Reverse, pace);
        const auto usual = usualCurrents(job);
        for (const ProofReading* reading : {forward, reverse}) {
            if (!reading || !reading->amps || !usual || *reading->amps <= usual->running) continue;
            judging.say("prove.hungry", {}, State::Close, Gravity::WorksBadly,
                        [&](Finding& finding) {
                            finding.sentence = text(
                                "Running alone it takes %1, and motors of its kind take %2 at the "
                                "most: something drags, or drives along.",
                                formatted(*reading->amps, 3), formatted(usual->running, 2));
                            finding.action = text("look for what drags");
                            finding.figures = {
                                ampsFigure(text("Running alone"), "I_run", *reading),
                                figures::assumed(text("Usual for its kind, at the most"), "I_usual",
                                                 usual->running, text("not measured on this one"))};
                        });
            return;  // said once
        }
        if (!forward || !reverse || !forward->amps || !reverse->amps) continue;
        const bool alike =
            forward->volts <= reverse->volts * 1.1 && reverse->volts <= forward->volts * 1.1;
        const Amperes low = std::min(*forward->amps, *reverse->amps);
        const Amperes high = std::max(*forward->amps, *reverse->amps);
        if (!alike || high <= low * unlike) continue;
        judging.say("prove.uneven", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
            finding.sentence = text(
                "It takes %1 forward and %2 in reverse at like volts: brushes or mesh differ by "
                "direction.",
                formatted(*forward->amps, 3), formatted(*reverse->amps, 3));
            finding.action = text("look at brushes and mesh");
            finding.figures = {ampsFigure(text("Forward"), "I_fwd", *forward),
                               ampsFigure(text("In reverse"), "I_rev", *reverse)};
        });
        return;
    }
}

/// Running alone the same way at like volts; nullptr: not read.
const ProofReading* runningLike(const Job& job, const ProofReading& reading) {
    const ProofReading* found = nullptr;
    for (const ProofReading& each : job.proof.readings) {
        const bool runs =
            each.pace == Pace::Crawl || each.pace == Pace::Medium || each.pace == Pace::Full;
        const bool alike = each.volts <= reading.volts * 1.1 && reading.volts <= each.volts * 1.1;
        if (runs && alike && each.amps && each.direction == reading.direction) found = &each;
    }
    return found;
}

/// A reading under more load than running alone at like volts, with the one that it is held
/// against.
struct MoreThanAlone {
    const ProofReading* loaded = nullptr;
    const ProofReading* alone = nullptr;
};
MoreThanAlone moreThanAlone(const Job& job, Pace pace) {
    for (const Direction direction : {Direction::Forward, Direction::Reverse}) {
        const ProofReading* reading = last(job, direction, pace);
        if (!reading || !reading->amps) continue;
        const ProofReading* alone = runningLike(job, *reading);
        if (alone && *reading->amps > *alone->amps * unlike) return {reading, alone};
    }
    return {};
}

/// Rocked, and with what its motor drives besides.
void judgeLoaded(const Job& job, Judging& judging) {
    const MoreThanAlone rocked = moreThanAlone(job, Pace::Rocking);
    if (rocked.loaded) {
        judging.say("prove.rocking", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
            finding.sentence = text(
                "Rocked to and fro it takes %1, running at like volts %2: it binds at one place of "
                "a turn. Rods, a gear, or a wheel out of quarter.",
                formatted(*rocked.loaded->amps, 3), formatted(*rocked.alone->amps, 3));
            finding.action = text("find where it binds");
            finding.figures = {ampsFigure(text("Rocked"), "I_rock", *rocked.loaded),
                               ampsFigure(text("Running"), "I_run", *rocked.alone)};
        });
    }
    const MoreThanAlone driven = moreThanAlone(job, Pace::Auxiliary);
    if (driven.loaded) {
        judging.say(
            "prove.auxiliary", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
                finding.sentence = text(
                    "Its auxiliary drive loads the motor: %1 with it, %2 without. The decoder "
                    "carries both together; take the running and slipping readings with it on.",
                    formatted(*driven.loaded->amps, 3), formatted(*driven.alone->amps, 3));
                finding.action = text("read the motor with its auxiliary drive on, or uncouple it");
                finding.figures = {ampsFigure(text("With it"), "I_aux", *driven.loaded),
                                   ampsFigure(text("Without"), "I_run", *driven.alone)};
            });
    }
}

void judgeSeen(const Job& job, Judging& judging) {
    // Until they are freed: the board goes out, they share another path, or all is proved open.
    // Bare wires hang on the rails until then.
    const auto& fate = job.board.fate;
    const bool freed = job.board.open || fate == BoardFate::Replaced ||
                       (fate && job.board.common && *job.board.common != LampCommon::Track);
    // A bridging plug, or a decoder, lights them by design; on plain DC they are as they were made.
    const bool decoderToCome = isDigital(job.feed) || job.decoder;
    const auto& plug = job.board.plug;
    const bool wired =
        plug == SocketPlug::None || job.wanted.socket == "none" || fate == BoardFate::None;
    if (job.proof.lamps && decoderToCome && !freed && (!plug || wired)) {
        const State state = wired ? State::Close : State::Ask;
        judging.say("prove.lamps", {}, state, Gravity::PartDestroyed, [&](Finding& finding) {
            finding.sentence =
                wired ? text(
                            "Its lamps light on plain DC: they are wired to the track. With a "
                            "decoder they stay lit or short it; free them first.")
                      : text(
                            "Its lamps light on plain DC. Which plug is in its socket? A bridging "
                            "plug lights them by design; without one, free them from the track "
                            "before a decoder goes in.");
            finding.action = wired ? text("free the lamps from the track")
                                   : text("look which plug is in the socket");
            if (!wired) {
                finding.options = {
                    answer(text("The factory's bridging plug"),
                           text("it comes out when the decoder goes in"), State::Fine,
                           "board plug bridging"),
                    answer(text("A decoder"), text("it lights them"), State::Fine,
                           "board plug decoder"),
                    answer(text("None, or it has no socket"), text("then free the lamps first"),
                           State::Close, "board plug none")};
            }
            finding.options.push_back(
                answer(text("They are cut free, and proved open to both rails"), text("go on"),
                       State::Fine, "board open"));
        });
    }
    if (job.proof.remarks.empty()) return;
    judging.say("prove.remarks", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
        std::string all;
        for (const std::string& remark : job.proof.remarks) {
            all += (all.empty() ? "" : ", ") + remark;
            if (finding.options.size() >= 4) continue;
            finding.options.push_back(answer(text("“%1” is gone, tried again", remark),
                                             text("go on"), State::Fine, "remark gone " + remark));
        }
        finding.sentence = text("Heard, seen or smelt: %1.", all);
        finding.action = text("find where it comes from");
    });
}

}  // namespace

bool applies(const Job& job) {
    return !motorsOf(job).empty() && job.intake.arrival != Arrival::Kit;
}

Idle idle(const Job& job) {
    if (job.proof.runs == true) return {text("runs on plain DC"), true};
    if (job.proof.runs || !job.proof.readings.empty()) return {};
    return {text("not tried"), true};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    judgeTried(facts.job, judging);
    judgeStarts(facts.job, judging);
    judgeCurrents(facts.job, judging);
    judgeLoaded(facts.job, judging);
    judgeSeen(facts.job, judging);
}

}  // namespace glimmet::core::dc_test
