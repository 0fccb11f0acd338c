// Checks of the motor's readings against each other and against its history.
#include "core/analysis/motor/contradictions.h"
#include "core/analysis/motor/health.h"
#include "core/analysis/motor/same_type_alike.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/motor_figures.h"
#include "core/analysis/rating.h"
#include "core/analysis/supply.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/measure/judge_board.h"
#include "core/work/measure/judge_isolation.h"
#include "core/work/measure/judge_pickups.h"
#include "core/work/measure/measure.h"
#include "core/work/measure/wire_map.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::measure {
namespace {

bool alike(const MotorReading& a, const MotorReading& b) { return atLikeVolts(a.volts, b.volts); }

/// A motor whose readings are held against each other, and what is said of that.
struct Contradicting {
    const Job& job;
    const Motor& motor;
    Judging& judging;
    std::string called = motorCalled(job, motor);

    [[nodiscard]] std::string ofCalled() const { return called.empty() ? "" : " of " + called; }

    void say(const std::string& id, Text sentence, Text action, std::vector<Figure> figures,
             std::vector<Option> ways) const {
        const std::string of = called.empty() ? "" : ":" + motor.id;
        judging.say("motor.contradiction-" + id + of,
                    called.empty() ? Subject{} : Subject{motor.id, called}, State::Ask,
                    Gravity::WorksBadly, [&](Finding& finding) {
                        finding.sentence = called.empty()
                                               ? std::move(sentence)
                                               : text("%1: %2", called, std::move(sentence));
                        finding.action = std::move(action);
                        finding.figures = std::move(figures);
                        finding.options = std::move(ways);
                    });
    }
    /// Nothing for one in the middle of several: it has no name to be taken back by.
    [[nodiscard]] std::optional<Option> strike(const MotorReading& reading) const {
        // As the line counts them: neither what was struck nor a bound.
        const auto counts = [&](const TakenReading& each) {
            return !each.struck && !each.atLeast && each.condition == reading.condition;
        };
        const auto same = [&](const TakenReading& each) {
            return each.amps == reading.amps && each.on == reading.taken &&
                   each.volts.value_or(Volts{0}) == reading.volts;
        };
        const auto& taken = motor.readings;
        const bool last = same(*std::find_if(taken.rbegin(), taken.rend(), counts));
        const bool first = same(*std::find_if(taken.begin(), taken.end(), counts));
        if (!first && !last) return {};
        const std::string order = last ? "last" : "first";
        const std::string word = reading.condition == MotorCondition::Stalled    ? "stall"
                                 : reading.condition == MotorCondition::Slipping ? "slip"
                                 : reading.condition == MotorCondition::Hauling  ? "haul"
                                                                                 : "light";
        const auto witnesses = speaksFor(motor, reading);
        return answer(text("Strike the %1 %2 reading, %3", order, word, formatted(reading.amps)),
                      witnesses.empty()
                          ? text("it is reckoned with no more; nothing else speaks for it")
                      : witnesses.size() == 1
                          ? text("it is reckoned with no more; %1 speaks for it", witnesses[0])
                          : text("it is reckoned with no more; %1 and %2 speak for it",
                                 witnesses[0], witnesses[1]),
                      State::Fine, "remove " + order + " " + word + ofCalled());
    }
    /// What is taken back is said with what speaks for it.
    [[nodiscard]] std::vector<Option> strikes(std::initializer_list<MotorReading> those) const {
        std::vector<Option> all;
        for (const MotorReading& reading : those) {
            if (auto one = strike(reading)) all.push_back(std::move(*one));
        }
        std::stable_sort(all.begin(), all.end(), [](const Option& a, const Option& b) {
            return a.jot.starts_with("remove first") && !b.jot.starts_with("remove first");
        });
        return all;
    }
};

void sayOfStalls(const Contradicting& of, const MotorReading& a, const MotorReading& b) {
    of.say("stall",
           text("Two stall tests contradict each other: %1 and %2 at %3 and %4. The larger is "
                "reckoned with; take it again.",
                formatted(a.amps), formatted(b.amps), formatted(a.volts), formatted(b.volts)),
           text("take the stall test again"),
           {readingFigure(text("Stall test of lowest ohms"), "I_1", a, "stall "),
            readingFigure(text("Stall test of highest ohms"), "I_2", b, "stall ")},
           of.strikes({a, b}));
}

void sayOfWinding(const Contradicting& of) {
    const std::vector<MotorReading> readings = motorEvidence(of.motor).readings;
    const auto winding = smallestWinding(of.motor);
    const MotorReading* stall = decisive(readings, MotorCondition::Stalled);
    if (!winding || !stall) return;
    const Ohms path = stall->volts / stall->amps;
    if (winding->value >= path * leastOfStall && winding->value <= path * mostOfStall) return;
    std::vector<Option> ways = of.strikes({*stall});
    ways.insert(ways.begin(),
                answer(text("Strike the last winding reading"), text("it is reckoned with no more"),
                       State::Fine, "remove last ohms" + of.ofCalled()));
    of.say("winding",
           text("The winding reads %1, the stall test comes to %2: one of them is wrong. The stall "
                "test is reckoned with.",
                formatted(winding->value, 3), formatted(path, 3)),
           text("read the winding again, motor disconnected"),
           {figures::measured(text("Winding"), "R_w", winding->value, winding->on, {}, "ohms "),
            readingFigure(text("Stall test"), "I_test", *stall, "stall ")},
           std::move(ways));
}

void sayOfSlip(const Contradicting& of, const MotorReading& a, const MotorReading& b) {
    const Amperes most = a.volts / (b.volts / b.amps);
    of.say("slip",
           text("Slipping it took %1 at %2, and stalled it could take %3 there at the most: one of "
                "the two was misread.",
                formatted(a.amps), formatted(a.volts), formatted(most, 3)),
           text("take both readings again"),
           {readingFigure(text("Wheels slipping"), "I_slip", a, "slip "),
            readingFigure(text("Stall test"), "I_test", b, "stall ")},
           of.strikes({a, b}));
}

void sayOfLight(const Contradicting& of, const MotorReading& a, const MotorReading& b) {
    of.say("light",
           text("Running light it took %1, hauling only %2 at like volts: one of the two was "
                "misread.",
                formatted(a.amps), formatted(b.amps)),
           text("take both readings again"),
           {readingFigure(text("Running light"), "I_light", a, "light "),
            readingFigure(text("Hauling"), "I_haul", b, "haul ")},
           of.strikes({a, b}));
}

/// Hauling, or running light, it took more than slipping.
void sayAboveSlip(const Contradicting& of, bool hauls, const MotorReading& a,
                  const MotorReading& b) {
    of.say(hauls ? "haul" : "light-slip",
           hauls ? text("Conflicting readings: hauling it took %1, with its wheels slipping only "
                        "%2. Nothing it pulls takes more than slipping.",
                        formatted(a.amps), formatted(b.amps))
                 : text("Conflicting readings: running light it took %1, with its wheels slipping "
                        "only %2.",
                        formatted(a.amps), formatted(b.amps)),
           text("take both readings again"),
           {readingFigure(hauls ? text("Hauling") : text("Running light"), "I_run", a,
                          hauls ? "haul " : "light "),
            readingFigure(text("Wheels slipping"), "I_slip", b, "slip ")},
           of.strikes({a, b}));
}

void sayOfBound(const Contradicting& of, const MotorReading& a, const MotorReading& b) {
    const Amperes most = a.volts / (b.volts / b.amps);
    std::vector<Option> ways = of.strikes({b});
    ways.insert(ways.begin(), answer(text("Strike the reading of more than %1", formatted(a.amps)),
                                     text("the stall test counts alone"), State::Fine,
                                     "remove over" + of.ofCalled()));
    of.say("bound",
           text("Conflicting readings: running it took more than %1, and by its stall test it "
                "takes %2 at the most at %3. The larger counts until one is taken again.",
                formatted(a.amps), formatted(most, 3), formatted(a.volts)),
           text("take the stall test again"),
           {figures::measured(text("Running, at least"), "I_least", a.amps, a.taken,
                              text("the reading was broken off there"), "light "),
            readingFigure(text("Stall test"), "I_test", b, "stall ")},
           std::move(ways));
}

/// Readings that cannot both be true. What is reckoned with is the more dangerous one.
void judgeContradictions(const Job& job, const Motor& motor, Judging& judging) {
    const Contradicting of{job, motor, judging};
    const auto all = contradictions(motor, trackVolts(job));
    for (const auto& [what, a, b] : all) {
        if (what == "stall") sayOfStalls(of, a, b);
    }
    sayOfWinding(of);
    for (const auto& [what, a, b] : all) {
        if (what == "slip")
            sayOfSlip(of, a, b);
        else if (what == "light")
            sayOfLight(of, a, b);
        else if (what == "haul" || what == "light-slip")
            sayAboveSlip(of, what == "haul", a, b);
        else if (what == "bound")
            sayOfBound(of, a, b);
    }
}

/// Health, from the model's own history (docs/physics.md, motor).
void judgeHealth(const Job& job, const Motor& motor, Judging& judging) {
    const std::vector<MotorReading> readings = motorEvidence(motor).readings;
    const std::string called = motorCalled(job, motor);
    const std::string of = called.empty() ? "" : ":" + motor.id;
    const Subject subject = called.empty() ? Subject{} : Subject{motor.id, called};
    const auto about = [&](Text sentence) {
        return called.empty() ? sentence : text("%1: %2", called, std::move(sentence));
    };
    std::vector<const MotorReading*> light;
    for (const MotorReading& reading : readings) {
        // One whose volts nobody noted can be compared with nothing.
        if (reading.condition == MotorCondition::Light && reading.volts > Volts{0}) {
            light.push_back(&reading);
        }
    }
    // Like is compared with like: the first that was read at the same volts as the last.
    const MotorReading* before = nullptr;
    for (const MotorReading* reading : light) {
        if (!before && reading != light.back() && alike(*reading, *light.back())) before = reading;
    }
    if (before && light.back()->amps > before->amps * tightened) {
        judging.say(
            "motor.tightening" + of, subject, State::Close, Gravity::WorksBadly,
            [&](Finding& finding) {
                finding.sentence =
                    about(text("Running light it takes %1 now and took %2 before: look for dry "
                               "bearings or a tight gear.",
                               formatted(light.back()->amps, 3), formatted(before->amps, 3)));
                finding.action = text("clean and oil, then read it again");
                finding.figures = {
                    readingFigure(text("Running light, last"), "I_now", *light.back(), "light "),
                    readingFigure(text("Running light, first"), "I_before", *before, "light ")};
            });
    }
    const MotorReading* slip = decisive(readings, MotorCondition::Slipping);
    if (slip && !light.empty() && alike(*light.back(), *slip) &&
        light.back()->amps > slip->amps * 0.8) {
        judging.say(
            "motor.drag" + of, subject, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
                finding.sentence =
                    about(text("Running light it takes nearly as much as slipping: the drive drags "
                               "or the magnet is weak."));
                finding.action = text("look for drag in the drive");
                finding.figures = {
                    readingFigure(text("Running light"), "I_light", *light.back(), "light "),
                    readingFigure(text("Current with wheels slipping"), "I_slip", *slip, "slip ")};
            });
    }
    if (motor.windings.size() < 2) return;
    const auto extremes =
        std::minmax_element(motor.windings.begin(), motor.windings.end(),
                            [](const auto& a, const auto& b) { return a.value < b.value; });
    const auto low = extremes.first;
    const auto high = extremes.second;
    if (!(high->value > low->value * 1.2)) return;
    judging.say(
        "motor.commutator" + of, subject, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
            finding.sentence =
                about(text("The winding reads %1 to %2 round the rotor: clean the "
                           "commutator and look at the brushes.",
                           formatted(low->value, 3), formatted(high->value, 3)));
            finding.action = text("clean the commutator");
            finding.figures = {
                figures::measured(text("Smallest ohms"), "R_low", low->value, low->on, {}, "ohms "),
                figures::measured(text("Largest ohms"), "R_high", high->value, high->on, {},
                                  "ohms ")};
        });
}

/// A reading is asked for only where it decides something: the decoder that is fitted, or which one
/// to fit where the kind of motor does not tell.
void judgeWanted(const JobAnalysis& facts, const MotorEvidence& drive, Judging& judging) {
    const Job& job = facts.job;
    std::optional<MotorDemand::What> wanted;
    if (job.decoder) {
        const Rating rating =
            rated(facts, drive, {job.decoder->part.continuous, job.decoder->part.peak});
        if (rating.state == State::Ask) wanted = rating.deciding().what;
    } else if (!pathResistance(drive.readings, drive.winding)) {
        // Where its kind is enough for some decoder, the motor need not be read to choose.
        const auto& decoders = facts.catalogue.decoders;
        const bool some =
            std::any_of(decoders.begin(), decoders.end(), [&](const Decoder& decoder) {
                return rated(facts, drive, {decoder.continuous, decoder.peak}).state < State::Ask;
            });
        if (!some) wanted = MotorDemand::What::Stall;
    }
    judging.say(
        "motor.reading", {}, wanted ? State::Ask : State::Fine, Gravity::PartDestroyed,
        [&](Finding& finding) {
            finding.figures = {stallFigure(job, facts.house), slipFigure(job), runningFigure(job)};
            if (!wanted) {
                const Figure& stall = finding.figures[0];
                const bool read = !drive.readings.empty() || drive.winding || drive.windingOfRead ||
                                  drive.slipOfRead > Amperes{0} || drive.atLeast > Amperes{0};
                finding.sentence =
                    stall.value ? text("Enough was read: stalled it would draw %1 at track volts.",
                                       formatted(Amperes{*stall.value}, 3))
                    : read      ? text("What was read of the motor is enough to judge by.")
                                : text(
                                      "Nobody has read this motor, and nothing hangs on it: its kind is "
                                           "enough to judge by.");
                return;
            }
            switch (*wanted) {
                case MotorDemand::What::Stall:
                    finding.sentence =
                        job.decoder
                            ? text(
                                  "Measure the stall current or the winding resistance: whether "
                                  "the decoder fits depends on it.")
                            : text(
                                  "Measure the stall current or the winding resistance: it "
                                  "decides which decoder fits.");
                    finding.action = text("measure the stall current");
                    finding.caution = stallCaution(job);
                    break;
                case MotorDemand::What::Slip:
                    std::swap(finding.figures[0], finding.figures[1]);
                    finding.sentence =
                        job.decoder ? text(
                                          "Measure the current with wheels slipping: whether the "
                                          "decoder fits depends on it.")
                                    : text(
                                          "Measure the current with wheels slipping: it decides "
                                          "which decoder fits.");
                    finding.action = text("measure the slip current");
                    break;
                case MotorDemand::What::Running:
                    std::swap(finding.figures[0], finding.figures[2]);
                    finding.sentence =
                        job.decoder ? text(
                                          "Measure the running current: whether the decoder fits "
                                          "depends on it.")
                                    : text(
                                          "Measure the running current: it decides which decoder "
                                          "fits.");
                    finding.action = text("measure the running current");
                    break;
            }
        });
}

/// Others of its type, at like volts: what two and more of them take, this one should take too.
void judgeSameType(const JobAnalysis& facts, Judging& judging) {
    const auto seen = sameTypeAlike(facts);
    if (!seen) return;
    const State verdict = seen->sameType.size() >= 2 && seen->own > seen->middle * sistersApart
                              ? State::Close
                              : State::Fine;
    judging.say("motor.sisters", {}, verdict, Gravity::WorksBadly, [&](Finding& finding) {
        const std::string own = formatted(seen->own, 3);
        if (seen->sameType.size() == 1) {
            finding.sentence = text("Running light it takes %1; its sister %2 takes %3.", own,
                                    seen->sameType[0].name, formatted(seen->middle, 3));
        } else {
            finding.sentence =
                verdict == State::Fine
                    ? text("Running light it takes %1; %2 sisters take %3 in the middle.", own,
                           std::to_string(seen->sameType.size()), formatted(seen->middle, 3))
                    : text(
                          "Running light it takes %1, and %2 sisters take %3 in the middle: look "
                          "what drags.",
                          own, std::to_string(seen->sameType.size()), formatted(seen->middle, 3));
        }
        if (verdict != State::Fine) finding.action = text("look what drags");
        for (const SisterCurrent& each : seen->sameType) {
            finding.figures.push_back(figures::measured(text("Running light, %1", each.name),
                                                        "I_sister", each.amps, each.on, {}, {}));
        }
    });
}

}  // namespace

bool applies(const Job& job) { return !isStructure(job); }

Idle idle(const Job& job) {
    if (!motorsOf(job).empty()) return {};
    return {text("no motor to measure"), true};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    judgeWires(facts, judging);
    judgeBoard(facts.job, judging);
    const std::vector<MotorAt> motors = motorsOf(facts.job);
    if (motors.empty()) return;
    const MotorEvidence& drive = driveEvidence(facts);
    judgeIsolation(facts.job, judging);
    judgeWanted(facts, drive, judging);
    for (const MotorAt& at : motors) {
        judgeContradictions(facts.job, *at.motor, judging);
        judgeHealth(facts.job, *at.motor, judging);
    }
    judgeSameType(facts, judging);
    judgePickups(facts, judging);
}

}  // namespace glimmet::core::measure
