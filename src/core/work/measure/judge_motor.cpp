// Checks of the motor against the decoder, and of the motor against itself.
#include "core/quantity/format.h"
#include "core/work/measure/measure.h"
#include "core/work/measure/rating.h"
#include "core/work/motor_evidence.h"
#include "core/work/seat.h"
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

Text demandWords(const RatedDemand& demand) {
    using From = RatedDemand::From;
    const std::string amps =
        formatted(demand.from == From::Reading ? demand.typical : demand.worst, 3);
    // Where the top of the supply's range decides, it is said.
    const bool reaches = demand.from == From::Reading && demand.worst > demand.typical * 1.001 &&
                         demand.state != State::Fine;
    const Text all =
        reaches ? text("%1 (up to %2 where the track is highest)", amps, formatted(demand.worst, 3))
                : verbatim(amps);
    switch (demand.from) {
        case From::Missing:
            return text("not known");
        case From::Bound:
            return demand.what == MotorDemand::What::Slip
                       ? text("slipping it never draws more than stalled, %1", amps)
                       : text("running it never draws more than slipping, %1", amps);
        case From::Kind:
            switch (demand.what) {
                case MotorDemand::What::Stall:
                    return text("motors of its kind stall at %1 at the most", amps);
                case MotorDemand::What::Slip:
                    return text("motors of its kind slip at %1 at the most", amps);
                case MotorDemand::What::Running:
                    break;
            }
            return text("motors of its kind run at %1 at the most", amps);
        case From::Reading:
            break;
    }
    switch (demand.what) {
        case MotorDemand::What::Stall:
            return text("stalled it would draw %1", all);
        case MotorDemand::What::Slip:
            return text("slipping it draws %1", all);
        case MotorDemand::What::Running:
            break;
    }
    return text("running it asks for %1", all);
}

Text limitWords(const RatedDemand& demand) {
    const std::string amps = formatted(demand.limit, 3);
    return demand.againstPeak ? text("%1 peak", amps) : text("%1 continuous", amps);
}

Text ruleWords(RatingRule rule) {
    switch (rule) {
        case RatingRule::Strict:
            return text("the strict rule");
        case RatingRule::Slip:
            return text("the slip rule");
        case RatingRule::Running:
            break;
    }
    return text("the running rule");
}

Text verdictSentence(const Rating& verdict, RatingRule rule) {
    const RatedDemand& lead = verdict.deciding();
    switch (verdict.state) {
        case State::Fine:
            return text("Fits by %1: %2 of the decoder's %3.", ruleWords(rule), demandWords(lead),
                        limitWords(lead));
        case State::Close:
            return text("Fits by %1, but close: %2 of the decoder's %3.", ruleWords(rule),
                        demandWords(lead), limitWords(lead));
        case State::Over:
            return text("Too small by %1: %2; the decoder gives %3.", ruleWords(rule),
                        demandWords(lead), limitWords(lead));
        case State::Ask:
            break;
    }
    switch (lead.what) {
        case MotorDemand::What::Stall:
            return text(
                "Not known yet: a stall test, or the winding's ohms, decides by %1 whether this "
                "decoder carries the motor.",
                ruleWords(rule));
        case MotorDemand::What::Slip:
            return text(
                "Not known yet: the current with wheels slipping decides by %1 whether this "
                "decoder carries the motor.",
                ruleWords(rule));
        case MotorDemand::What::Running:
            break;
    }
    return text(
        "Not known yet: the running current decides by %1 whether this decoder carries the motor.",
        ruleWords(rule));
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

Text verdictAction(const Rating& verdict) {
    if (verdict.state == State::Over) return text("choose a larger decoder");
    if (verdict.state != State::Ask) return {};
    switch (verdict.deciding().what) {
        case MotorDemand::What::Stall:
            return text("measure the stall current");
        case MotorDemand::What::Slip:
            return text("measure the slip current");
        case MotorDemand::What::Running:
            break;
    }
    return text("measure the running current");
}

/// Catalogue decoders by everything the job asks of them at once: what carries motor, volts,
/// outputs and lamps first, and finds room; of those the smallest, because a decoder larger than
/// needed costs room and money.
std::vector<Option> decoderOptions(const Reckoned& facts, const MotorEvidence& drive) {
    struct Ranked {
        const Decoder* decoder;
        Rating rating;
        DecoderFit fit;
        State worst{};
        bool room = false;
    };
    std::vector<Ranked> ranked;
    for (const Decoder& decoder : facts.catalogue.decoders) {
        Ranked made{&decoder,
                    rated(facts, drive, {decoder.continuous, decoder.peak}),
                    fitOf(facts, drive, decoder),
                    {},
                    false};
        made.worst = worse(made.rating.state, made.fit.state);
        const Box box{"decoder",      decoder.name,
                      decoder.length, decoder.width,
                      decoder.height, facts.job.decoder ? facts.job.decoder->seat : std::nullopt};
        const auto seated = seats(facts.job, &box);
        const Seat* seat = seatOf(seated, "decoder");
        made.room = seat && seat->fits;
        ranked.push_back(std::move(made));
    }
    std::stable_sort(ranked.begin(), ranked.end(), [](const Ranked& a, const Ranked& b) {
        if (a.worst != b.worst) return a.worst < b.worst;
        if (a.room != b.room) return a.room;
        const bool rising = a.worst != State::Over;
        return rising ? a.decoder->peak < b.decoder->peak : b.decoder->peak < a.decoder->peak;
    });
    std::vector<Option> options;
    for (const Ranked& entry : ranked) {
        Option option;
        option.inPlace = facts.job.decoder && facts.job.decoder->part.id == entry.decoder->id;
        if (options.size() >= 4 && !option.inPlace) continue;
        option.what = verbatim(entry.decoder->name);
        const RatedDemand& lead = entry.rating.deciding();
        option.effect = entry.fit.state > entry.rating.state ? entry.fit.why
                        : entry.rating.state == State::Ask
                            ? text("a reading is missing")
                            : text("%1 of %2", demandWords(lead), limitWords(lead));
        if (!entry.room) option.effect = text("%1; no hollow holds it", option.effect);
        option.state = entry.worst;
        option.jot = "decoder " + entry.decoder->id;
        options.push_back(std::move(option));
    }
    return options;
}

void judgeRating(const Reckoned& facts, const MotorEvidence& drive, Judging& judging) {
    const Job& job = facts.job;
    if (!job.decoder) {
        judging.say("motor.rating", {}, State::Ask, Gravity::PartDestroyed, [&](Finding& finding) {
            finding.options = decoderOptions(facts, drive);
            const Figure stall = stallFigure(job, facts.house);
            const auto usual = usualCurrents(job);
            // A motor that nobody read is chosen for by its kind, where one of the options fits so.
            const bool byKind = !stall.value && usual && !finding.options.empty() &&
                                finding.options.front().state == State::Fine;
            finding.sentence =
                stall.value
                    ? text("No decoder chosen: stalled this motor would draw %1.", shown(stall))
                : byKind
                    ? text(
                          "No decoder chosen. Nobody has read this motor; those of its kind stall "
                          "at %1 at the most, and that will do to choose by.",
                          formatted(usual->stall, 2))
                    : text(
                          "Measure the motor first: how much it draws decides which decoder "
                          "it can have.");
            finding.action = stall.value || byKind ? text("choose a decoder")
                                                   : text("measure the stall current");
            finding.figures = {stall, slipFigure(job), runningFigure(job)};
            if (!stall.value && !byKind) finding.caution = stallCaution(job);
        });
        return;
    }
    const Rating verdict =
        rated(facts, drive, {job.decoder->part.continuous, job.decoder->part.peak});
    judging.say("motor.rating", {}, verdict.state, Gravity::PartDestroyed, [&](Finding& finding) {
        finding.options = decoderOptions(facts, drive);
        finding.sentence = verdictSentence(verdict, facts.house.rule);
        const bool none = verdict.state == State::Over &&
                          std::all_of(finding.options.begin(), finding.options.end(),
                                      [](const Option& o) { return o.state == State::Over; });
        if (none) finding.sentence = text("%1 None of the catalogue carries it.", finding.sentence);
        finding.action = verdictAction(verdict);
        // What decides stands first.
        std::vector<RatedDemand> ordered{verdict.deciding()};
        for (const RatedDemand& demand : verdict.demands) {
            if (demand.what != ordered.front().what) ordered.push_back(demand);
        }
        for (const RatedDemand& demand : ordered) {
            if (demand.from == RatedDemand::From::Kind) {
                finding.figures.push_back(
                    figures::assumed(text("Usual for its kind, at the most"), "I_usual",
                                     demand.worst, text("nobody has read this motor"), "stall "));
                continue;
            }
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
    // A layout's volts differ from place to place: its highest counts.
    const Volts top = Volts{*track.value} * (1 + facts.house.supplySpread);
    const State state = stateAgainst(top.value(), largest.value(), 0.95);
    judging.say("motor.track-volts", {}, state, Gravity::PartDestroyed, [&](Finding& finding) {
        finding.figures = {
            figures::computed(
                text("Highest track volts"), "V_top", top, "V_track · (1 + spread)",
                {track, Figure{text("Spread of the supply"),
                               "spread",
                               facts.house.supplySpread,
                               Dimension::Ratio,
                               {Basis::Kind::Assumed, {}, text("from place to place")},
                               {},
                               {},
                               {}}}),
            figures::catalogue(text("Decoder's largest track volts"), "V_max", largest,
                               verbatim(decoder.name))};
        finding.sentence =
            state == State::Over
                ? text(
                      "Too high: the track stands at %1, up to %2 in places, and the decoder bears "
                      "%3.",
                      shown(track), formatted(top, 3), formatted(largest))
            : state == State::Close
                ? text(
                      "The decoder just bears the track's %1, up to %2 in places: it is made for "
                      "up to %3.",
                      shown(track), formatted(top, 3), formatted(largest))
                : text("The decoder bears the track's %1: it is made for up to %2.", shown(track),
                       formatted(largest));
        if (state == State::Over) {
            finding.action = text("a decoder for higher volts, or lower the track's");
            finding.options = decoderOptions(facts, drive);
        }
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

/// Volts that let two readings be compared: both known and within a tenth of each other.
bool alike(const MotorReading& a, const MotorReading& b) {
    return a.volts > Volts{0} && b.volts > Volts{0} && a.volts <= b.volts * 1.1 &&
           b.volts <= a.volts * 1.1;
}

/// Readings that cannot both be true. What is reckoned with is the more dangerous one.
void judgeContradictions(const Job& job, const Motor& motor, Judging& judging) {
    const std::vector<MotorReading> readings = motorEvidence(motor).readings;
    const std::string called = motorCalled(job, motor);
    const std::string of = called.empty() ? "" : ":" + motor.id;
    const Subject subject = called.empty() ? Subject{} : Subject{motor.id, called};
    const std::string ofCalled = called.empty() ? "" : " of " + called;
    const auto say = [&](const char* id, Text sentence, Text action, std::vector<Figure> figures,
                         std::vector<std::pair<Text, std::string>> strikes) {
        judging.say(std::string("motor.contradiction-") + id + of, subject, State::Ask,
                    Gravity::WorksBadly, [&](Finding& finding) {
                        finding.sentence = called.empty()
                                               ? std::move(sentence)
                                               : text("%1: %2", called, std::move(sentence));
                        finding.action = std::move(action);
                        finding.figures = std::move(figures);
                        for (auto& [what, jot] : strikes) {
                            Option option;
                            option.what = std::move(what);
                            option.effect = text("it is reckoned with no more");
                            option.state = State::Fine;
                            option.jot = std::move(jot);
                            option.kind = Option::Kind::Answer;
                            finding.options.push_back(std::move(option));
                        }
                    });
    };
    std::vector<const MotorReading*> stalls;
    for (const MotorReading& reading : readings) {
        if (reading.condition == MotorCondition::Stalled) stalls.push_back(&reading);
    }
    const auto ohms = [](const MotorReading& reading) { return reading.volts / reading.amps; };
    if (stalls.size() >= 2) {
        const auto [low, high] =
            std::minmax_element(stalls.begin(), stalls.end(),
                                [&](const auto* a, const auto* b) { return ohms(*a) < ohms(*b); });
        if (ohms(**high) > ohms(**low) * 1.25) {
            std::vector<std::pair<Text, std::string>> strikes;
            if (stalls.size() == 2) {
                strikes = {{text("Strike the first, %1", formatted(stalls[0]->amps)),
                            "remove first stall" + ofCalled},
                           {text("Strike the last, %1", formatted(stalls[1]->amps)),
                            "remove last stall" + ofCalled}};
            }
            say("stall",
                text("Two stall tests contradict each other: %1 and %2 at %3 and %4. The larger is "
                     "reckoned with; take it again.",
                     formatted((*low)->amps), formatted((*high)->amps), formatted((*low)->volts),
                     formatted((*high)->volts)),
                text("take the stall test again"),
                {readingFigure(text("Stall test of lowest ohms"), "I_1", **low, "stall "),
                 readingFigure(text("Stall test of highest ohms"), "I_2", **high, "stall ")},
                std::move(strikes));
        }
    }
    const auto winding = smallestWinding(motor);
    const MotorReading* stall = decisive(readings, MotorCondition::Stalled);
    if (winding && stall &&
        (winding->value < ohms(*stall) * 0.7 || winding->value > ohms(*stall) * 1.6)) {
        say("winding",
            text(
                "The winding reads %1, the stall test comes to %2: one of them is wrong. The stall "
                "test is reckoned with.",
                formatted(winding->value, 3), formatted(ohms(*stall), 3)),
            text("read the winding again, motor disconnected"),
            {figures::measured(text("Winding"), "R_w", winding->value, winding->on, {}, "ohms "),
             readingFigure(text("Stall test"), "I_test", *stall, "stall ")},
            {{text("Strike the last winding reading"), "remove last ohms" + ofCalled},
             {text("Strike the last stall test"), "remove last stall" + ofCalled}});
    }
    const MotorReading* slip = decisive(readings, MotorCondition::Slipping);
    if (slip && stall && slip->volts > Volts{0} && slip->amps > slip->volts / ohms(*stall) * 1.05) {
        say("slip",
            text(
                "Slipping it took %1 at %2, and stalled it could take %3 there at the most: one of "
                "the two was misread.",
                formatted(slip->amps), formatted(slip->volts),
                formatted(slip->volts / ohms(*stall), 3)),
            text("take both readings again"),
            {readingFigure(text("Wheels slipping"), "I_slip", *slip, "slip "),
             readingFigure(text("Stall test"), "I_test", *stall, "stall ")},
            {{text("Strike the last slip reading"), "remove last slip" + ofCalled},
             {text("Strike the last stall test"), "remove last stall" + ofCalled}});
    }
    const MotorReading* light = decisive(readings, MotorCondition::Light);
    const MotorReading* hauling = decisive(readings, MotorCondition::Hauling);
    if (light && hauling && alike(*light, *hauling) && light->amps > hauling->amps * 1.05) {
        say("light",
            text("Running light it took %1, hauling only %2 at like volts: one of the two was "
                 "misread.",
                 formatted(light->amps), formatted(hauling->amps)),
            text("take both readings again"),
            {readingFigure(text("Running light"), "I_light", *light, "light "),
             readingFigure(text("Hauling"), "I_haul", *hauling, "haul ")},
            {{text("Strike the last light reading"), "remove last light" + ofCalled},
             {text("Strike the last hauling reading"), "remove last haul" + ofCalled}});
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
        if (reading.condition == MotorCondition::Light) light.push_back(&reading);
    }
    // Like is compared with like: the first that was read at the same volts as the last.
    const MotorReading* before = nullptr;
    for (const MotorReading* reading : light) {
        if (!before && reading != light.back() && alike(*reading, *light.back())) before = reading;
    }
    if (before && light.back()->amps > before->amps * (4.0 / 3.0)) {
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
    for (const MotorAt& at : motors) {
        judgeContradictions(facts.job, *at.motor, judging);
        judgeHealth(facts.job, *at.motor, judging);
    }
}

void boxes(const Job& job, std::vector<Box>& all) {
    if (!job.decoder) return;
    const Decoder& part = job.decoder->part;
    all.push_back({"decoder", part.name, part.length, part.width, part.height, job.decoder->seat});
}

}  // namespace glimmet::core::measure
