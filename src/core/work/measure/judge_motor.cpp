// Checks of the motor against the decoder, and of the motor against itself.
#include "core/quantity/format.h"
#include "core/work/measure/measure.h"
#include "core/work/motor_evidence.h"
#include "core/work/supply.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::measure {
namespace {

Text conditionWords(MotorCondition condition) {
    switch (condition) {
        case MotorCondition::Light:
            return text("running light");
        case MotorCondition::Hauling:
            return text("hauling");
        case MotorCondition::Slipping:
            return text("wheels slipping");
        case MotorCondition::Stalled:
            break;
    }
    return text("stalled");
}

/// The largest (stalled: of lowest ohms) reading of a condition as it was taken.
const MotorReading* decisive(const std::vector<MotorReading>& readings, MotorCondition condition) {
    const MotorReading* best = nullptr;
    for (const MotorReading& reading : readings) {
        if (reading.condition != condition) continue;
        const bool better = !best || (condition == MotorCondition::Stalled
                                          ? reading.volts / reading.amps < best->volts / best->amps
                                          : reading.amps > best->amps);
        if (better) best = &reading;
    }
    return best;
}

Figure readingFigure(Text name, const char* symbol, const MotorReading& reading, const char* jot) {
    Text how = conditionWords(reading.condition);
    if (reading.volts > Volts{0}) how = text("%1 at %2", how, formatted(reading.volts));
    return figures::measured(std::move(name), symbol, reading.amps, reading.taken, how, jot);
}

Figure pathFigure(const Motor& motor, const std::vector<MotorReading>& readings) {
    if (const MotorReading* stalled = decisive(readings, MotorCondition::Stalled)) {
        const Text how = text("stalled, lowest ohms counts");
        return figures::computed(text("Motor path"), "R_path", stalled->volts / stalled->amps,
                                 "V_test / I_test",
                                 {figures::measured(text("Volts at the stall test"), "V_test",
                                                    stalled->volts, stalled->taken, how, "stall "),
                                  figures::measured(text("Current at the stall test"), "I_test",
                                                    stalled->amps, stalled->taken, how, "stall ")});
    }
    if (const auto winding = smallestWinding(motor)) {
        return figures::measured(text("Motor winding"), "R_path", winding->value, winding->on,
                                 text("smallest of the rotor positions"), "ohms ");
    }
    return figures::missing(text("Motor path"), "R_path", Dimension::Resistance,
                            text("a stall test or the winding's ohms"), "stall ");
}

/// The path through all motors that the decoder drives.
Figure drivePathFigure(const Job& job) {
    const std::vector<MotorAt> motors = motorsOf(job);
    std::vector<Figure> paths;
    for (std::size_t i = 0; i < motors.size(); ++i) {
        const Motor& motor = *motors[i].motor;
        Figure path = pathFigure(motor, motorEvidence(motor).readings);
        if (motors.size() == 1 || !path.value) return path;
        path.symbol += std::to_string(i + 1);
        paths.push_back(std::move(path));
    }
    return figures::computed(text("All motors side by side"), "R_path", *driveEvidence(job).winding,
                             "", std::move(paths));
}

/// A current of every motor together; what is missing of one is missing of all.
template <class OfOne>
Figure driveFigure(const Job& job, const char* symbol, OfOne ofOne) {
    const std::vector<MotorAt> motors = motorsOf(job);
    if (motors.size() == 1) return ofOne(motorEvidence(*motors.front().motor).readings);
    std::vector<Figure> each;
    std::string formula;
    Amperes sum{0};
    for (std::size_t i = 0; i < motors.size(); ++i) {
        Figure one = ofOne(motorEvidence(*motors[i].motor).readings);
        if (!one.value) return one;
        one.name = text("%1, %2", one.name, motorCalled(job, *motors[i].motor));
        one.symbol += std::to_string(i + 1);
        formula += (formula.empty() ? "" : " + ") + one.symbol;
        sum += Amperes{*one.value};
        each.push_back(std::move(one));
    }
    return figures::computed(text("All motors together"), symbol, sum, formula, std::move(each));
}

Figure stallFigure(const Job& job, const House& house) {
    Figure path = drivePathFigure(job);
    Text name = text("Stall current at track volts");
    if (!path.value) {
        return figures::missing(std::move(name), "I_stall", Dimension::Current,
                                text("needs a stall test (volts and amps) or the winding's ohms"),
                                "stall ");
    }
    const Amperes stall = stallCurrent(motorSupply(job, house), Ohms{*path.value});
    return figures::computed(
        std::move(name), "I_stall", stall, "(V_track − V_rect − V_bridge) / R_path",
        {trackFigure(job), rectifierFigure(job, house), bridgeFigure(job, house), std::move(path)});
}

Figure slipFigure(const Job& job) {
    return driveFigure(job, "I_slip", [](const std::vector<MotorReading>& readings) {
        if (const MotorReading* slip = decisive(readings, MotorCondition::Slipping)) {
            return readingFigure(text("Current with wheels slipping"), "I_slip", *slip, "slip ");
        }
        return figures::missing(text("Current with wheels slipping"), "I_slip", Dimension::Current,
                                text("press the model down until its wheels slip"), "slip ");
    });
}

Figure runningFigure(const Job& job) {
    return driveFigure(job, "I_run", [](const std::vector<MotorReading>& readings) {
        const MotorReading* light = decisive(readings, MotorCondition::Light);
        const MotorReading* hauling = decisive(readings, MotorCondition::Hauling);
        const MotorReading* largest =
            hauling && (!light || hauling->amps > light->amps) ? hauling : light;
        if (largest) return readingFigure(text("Running current"), "I_run", *largest, "light ");
        return figures::missing(text("Running current"), "I_run", Dimension::Current,
                                text("let it run at medium speed"), "light ");
    });
}

Text stallCaution(const Job& job) {
    for (const MotorAt& at : motorsOf(job)) {
        if (at.motor->kind == MotorKind::Can) continue;
        return text(
            "A stall test hurts old open-frame and tiny coreless motors: a second at the most, "
            "or measure the winding's ohms instead.");
    }
    return text(
        "Hold a stall for a second or two, no longer. Hot motor or decoder: power off and let it "
        "cool.");
}

Text demandWords(const MotorDemand& demand) {
    if (!demand.demand) return text("not known");
    const std::string amps = formatted(*demand.demand, 3);
    switch (demand.what) {
        case MotorDemand::What::Stall:
            return text("stalled it would draw %1", amps);
        case MotorDemand::What::Slip:
            return text("slipping it draws %1", amps);
        case MotorDemand::What::Running:
            break;
    }
    return text("running with a quarter in hand it asks for %1", amps);
}

Text limitWords(const MotorDemand& demand) {
    const std::string amps = formatted(demand.limit, 3);
    return demand.againstPeak ? text("%1 peak", amps) : text("%1 continuous", amps);
}

/// The demand that decides: the gravest, and of equals the one nearest its limit.
const MotorDemand& deciding(const MotorVerdict& verdict) {
    return *std::max_element(verdict.demands.begin(), verdict.demands.end(),
                             [](const MotorDemand& a, const MotorDemand& b) {
                                 if (a.state != b.state) return a.state < b.state;
                                 const auto share = [](const MotorDemand& d) {
                                     return d.demand ? d.demand->value() / d.limit.value() : 0.0;
                                 };
                                 return share(a) < share(b);
                             });
}

Text verdictSentence(const MotorVerdict& verdict) {
    const MotorDemand& lead = deciding(verdict);
    switch (verdict.state) {
        case State::Fine:
            return text("Fits: %1 of the decoder's %2.", demandWords(lead), limitWords(lead));
        case State::Close:
            return text("Fits, but close: %1 of the decoder's %2.", demandWords(lead),
                        limitWords(lead));
        case State::Over:
            return text("Too small: %1, and the decoder gives %2.", demandWords(lead),
                        limitWords(lead));
        case State::Ask:
            break;
    }
    switch (lead.what) {
        case MotorDemand::What::Stall:
            return text(
                "Not known yet: a stall test, or the winding's ohms, decides whether this "
                "decoder carries the motor.");
        case MotorDemand::What::Slip:
            return text(
                "Not known yet: the current with wheels slipping decides whether this "
                "decoder carries the motor.");
        case MotorDemand::What::Running:
            break;
    }
    return text(
        "Not known yet: the running current decides whether this decoder carries the "
        "motor.");
}

/// The rule that the ratings were held by, with its margin: a workshop's choice, so it is named.
Figure ruleFigure(const House& house) {
    Text words;
    switch (house.rule) {
        case RatingRule::Strict:
            words = text("strict rule: continuous carries the stall");
            break;
        case RatingRule::Slip:
            words = text("slip rule: continuous carries slipping, peak carries the stall");
            break;
        case RatingRule::Running:
            words = text("running rule: continuous carries running with a quarter in hand");
            break;
    }
    return {text("Close within this share of a limit"),
            "margin",
            house.closeMargin,
            Dimension::Ratio,
            {Basis::Kind::Chosen, {}, std::move(words)},
            {},
            {},
            "rule "};
}

Text verdictAction(const MotorVerdict& verdict) {
    if (verdict.state == State::Over) return text("choose a larger decoder");
    if (verdict.state != State::Ask) return {};
    switch (deciding(verdict).what) {
        case MotorDemand::What::Stall:
            return text("measure the stall current");
        case MotorDemand::What::Slip:
            return text("measure the slip current");
        case MotorDemand::What::Running:
            break;
    }
    return text("measure the running current");
}

/// Catalogue decoders by how well they carry this motor: what fits first, the smallest of those
/// first, because a decoder larger than needed costs room and money.
std::vector<Option> decoderOptions(const Reckoned& facts, const MotorEvidence& drive) {
    const MotorSupply supply = motorSupply(facts.job, facts.house);
    struct Ranked {
        const Decoder* decoder;
        MotorVerdict verdict;
    };
    std::vector<Ranked> ranked;
    for (const Decoder& decoder : facts.catalogue.decoders) {
        ranked.push_back({&decoder, motorVerdict(drive.readings, drive.winding, supply,
                                                 {decoder.continuous, decoder.peak},
                                                 facts.house.rule, facts.house.closeMargin)});
    }
    std::stable_sort(ranked.begin(), ranked.end(), [](const Ranked& a, const Ranked& b) {
        if (a.verdict.state != b.verdict.state) return a.verdict.state < b.verdict.state;
        const bool rising = a.verdict.state != State::Over;
        return rising ? a.decoder->peak < b.decoder->peak : b.decoder->peak < a.decoder->peak;
    });
    std::vector<Option> options;
    for (const Ranked& entry : ranked) {
        Option option;
        option.inPlace = facts.job.decoder && facts.job.decoder->part.id == entry.decoder->id;
        if (options.size() >= 4 && !option.inPlace) continue;
        option.what = verbatim(entry.decoder->name);
        const MotorDemand& lead = deciding(entry.verdict);
        option.effect = lead.demand ? text("%1 of %2", demandWords(lead), limitWords(lead))
                                    : text("a reading is missing");
        option.state = entry.verdict.state;
        option.jot = "decoder " + entry.decoder->id;
        options.push_back(std::move(option));
    }
    return options;
}

void judgeRating(const Reckoned& facts, const MotorEvidence& drive, Judging& judging) {
    const Job& job = facts.job;
    const MotorSupply supply = motorSupply(job, facts.house);
    if (!job.decoder) {
        judging.say("motor.rating", {}, State::Ask, Gravity::PartDestroyed, [&](Finding& finding) {
            finding.options = decoderOptions(facts, drive);
            const Figure stall = stallFigure(job, facts.house);
            finding.sentence =
                stall.value
                    ? text("No decoder chosen: stalled this motor would draw %1.", shown(stall))
                    : text(
                          "Measure the motor first: how much it draws decides which decoder "
                          "it can have.");
            finding.action =
                stall.value ? text("choose a decoder") : text("measure the stall current");
            finding.figures = {stall, slipFigure(job), runningFigure(job)};
            if (!stall.value) finding.caution = stallCaution(job);
        });
        return;
    }
    const MotorVerdict verdict =
        motorVerdict(drive.readings, drive.winding, supply,
                     {job.decoder->part.continuous, job.decoder->part.peak}, facts.house.rule,
                     facts.house.closeMargin);
    judging.say("motor.rating", {}, verdict.state, Gravity::PartDestroyed, [&](Finding& finding) {
        finding.options = decoderOptions(facts, drive);
        finding.sentence = verdictSentence(verdict);
        finding.action = verdictAction(verdict);
        // What decides stands first.
        std::vector<MotorDemand> ordered{deciding(verdict)};
        for (const MotorDemand& demand : verdict.demands) {
            if (demand.what != ordered.front().what) ordered.push_back(demand);
        }
        for (const MotorDemand& demand : ordered) {
            switch (demand.what) {
                case MotorDemand::What::Stall:
                    finding.figures.push_back(stallFigure(job, facts.house));
                    break;
                case MotorDemand::What::Slip:
                    finding.figures.push_back(slipFigure(job));
                    break;
                case MotorDemand::What::Running:
                    finding.figures.push_back(runningFigure(job));
                    break;
            }
            const Text part = verbatim(job.decoder->part.name);
            finding.figures.push_back(demand.againstPeak
                                          ? figures::catalogue(text("Decoder's peak"), "I_peak",
                                                               job.decoder->part.peak, part)
                                          : figures::catalogue(text("Decoder's continuous rating"),
                                                               "I_cont",
                                                               job.decoder->part.continuous, part));
        }
        finding.figures.push_back(ruleFigure(facts.house));
        if (verdict.state == State::Ask) finding.caution = stallCaution(job);
    });
}

/// The track's volts and the motor with all lamps together against the decoder.
void judgeDecoder(const Reckoned& facts, const MotorEvidence& drive, Judging& judging) {
    const Job& job = facts.job;
    const Decoder& decoder = job.decoder->part;
    const Figure track = trackFigure(job);
    const Volts largest = decoder.largestTrack;
    const State state =
        stateAgainst(*track.value, largest.value(), 1.0 - facts.house.closeMargin / 3);
    judging.say("motor.track-volts", {}, state, Gravity::PartDestroyed, [&](Finding& finding) {
        finding.figures = {track, figures::catalogue(text("Decoder's largest track volts"), "V_max",
                                                     largest, verbatim(decoder.name))};
        finding.sentence = state == State::Over
                               ? text("Too high: the track stands at %1, the decoder bears %2.",
                                      shown(track), formatted(largest))
                               : text("The decoder bears the track's %1: it is made for up to %2.",
                                      shown(track), formatted(largest));
        if (state == State::Over) finding.action = text("lower the track volts");
    });

    const auto slip = largestReading(drive.readings, MotorCondition::Slipping);
    if (!slip) return;
    const Amperes lamps = facts.outputsOn();
    const Amperes sum = *slip + lamps;
    const State total =
        stateAgainst(sum.value(), decoder.overall.value(), 1.0 - facts.house.closeMargin);
    judging.say("motor.total", {}, total, Gravity::PartDestroyed, [&](Finding& finding) {
        finding.figures = {
            figures::computed(text("Motor and lamps together"), "I_all", sum, "I_slip + I_lamps",
                              {slipFigure(job),
                               figures::computed(text("All lamps lit"), "I_lamps", lamps, "", {})}),
            figures::catalogue(text("Decoder's overall rating"), "I_total", decoder.overall,
                               verbatim(decoder.name))};
        finding.sentence =
            total == State::Over
                ? text(
                      "Too much together: slipping with every lamp lit it draws %1, the "
                      "decoder gives %2 in all.",
                      formatted(sum, 3), formatted(decoder.overall, 3))
                : text("Slipping with every lamp lit it draws %1 of the decoder's %2 in all.",
                       formatted(sum, 3), formatted(decoder.overall, 3));
        if (total == State::Over) finding.action = text("choose a larger decoder");
    });
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
        if (reading.condition == MotorCondition::Light) light.push_back(&reading);
    }
    if (light.size() >= 2 && light.back()->amps > light.front()->amps * (4.0 / 3.0)) {
        judging.say("motor.tightening" + of, subject, State::Close, Gravity::WorksBadly,
                    [&](Finding& finding) {
                        finding.sentence = about(text(
                            "Running light it takes %1 now and took %2 before: look for dry "
                            "bearings or a tight gear.",
                            formatted(light.back()->amps, 3), formatted(light.front()->amps, 3)));
                        finding.action = text("clean and oil, then read it again");
                        finding.figures = {readingFigure(text("Running light, last"), "I_now",
                                                         *light.back(), "light "),
                                           readingFigure(text("Running light, first"), "I_before",
                                                         *light.front(), "light ")};
                    });
    }
    const MotorReading* slip = decisive(readings, MotorCondition::Slipping);
    if (slip && !light.empty() && light.back()->amps > slip->amps * 0.8) {
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

}  // namespace

bool applies(const Job&) { return true; }

Idle idle(const Job& job) {
    if (!motorsOf(job).empty()) return {};
    return {text("no motor to measure"), true};
}

void judge(const Reckoned& facts, Judging& judging) {
    const std::vector<MotorAt> motors = motorsOf(facts.job);
    if (motors.empty()) return;
    const MotorEvidence drive = driveEvidence(facts.job);
    judgeRating(facts, drive, judging);
    if (facts.job.decoder) judgeDecoder(facts, drive, judging);
    for (const MotorAt& at : motors) judgeHealth(facts.job, *at.motor, judging);
}

void boxes(const Job& job, std::vector<Box>& all) {
    if (!job.decoder) return;
    const Decoder& part = job.decoder->part;
    all.push_back({"decoder", part.name, part.length, part.width, part.height, job.decoder->seat});
}

}  // namespace glimmet::core::measure
