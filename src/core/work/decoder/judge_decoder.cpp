// Checks of the decoder against motor, track, lamps, room and wishes.
#include "core/analysis/decoder/ranking.h"
#include "core/analysis/function_map.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/motor_figures.h"
#include "core/analysis/placement/making_room.h"
#include "core/analysis/placement/placement.h"
#include "core/analysis/rating.h"
#include "core/analysis/supply.h"
#include "core/cv/configuration.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/decoder/decoder.h"
#include "core/work/decoder/judge_battery.h"
#include "core/work/decoder/judge_conductors.h"
#include "core/work/decoder/rating_words.h"

#include <algorithm>
#include <iterator>
#include <map>
#include <numbers>
#include <set>

namespace glimmet::core::decoder {
namespace {

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
Figure ruleFigure(const WorkshopRules& house) {
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
    return figures::chosen(text("Close within this share of a limit"), "margin", house.closeMargin,
                           std::move(words), "rule ");
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

/// The first of the ranked, and the one that is in place wherever it stands.
/// `about`: what the finding is about; an option tells of that first.
std::vector<Option> decoderOptions(const JobAnalysis& facts, const MotorEvidence& drive,
                                   Aspect about = Aspect::Motor) {
    std::vector<Option> options;
    const auto index = static_cast<std::size_t>(about);
    const bool better = about != Aspect::Motor && facts.job.decoder.has_value();
    const State now =
        better ? held(facts, drive, facts.job.decoder->part).cells[index].state : State::Over;
    for (const RankedDecoder& entry : rankedDecoders(facts, drive)) {
        // What is no better there is no remedy.
        if (better && entry.cells[index].state >= now) continue;
        Option option;
        option.inPlace = facts.job.decoder && facts.job.decoder->part.id == entry.decoder->id;
        if (options.size() >= 4 && !option.inPlace) continue;
        option.what = verbatim(entry.decoder->name);
        const RatedDemand& lead = entry.rating.deciding();
        const Cell& asked = entry.cells[index];
        const bool lacks = about != Aspect::Motor && asked.state > State::Fine;
        const Cell& cell = lacks ? asked : entry.cells[entry.deciding];
        option.effect = lacks || (cell.aspect != Aspect::Motor && cell.state > entry.rating.state)
                            ? cell.says
                        : entry.rating.state == State::Ask
                            ? text("a reading is missing")
                            : text("%1 of %2", demandWords(lead), limitWords(lead));
        option.state = entry.worst;
        option.jot = "decoder " + entry.decoder->id;
        options.push_back(std::move(option));
    }
    return options;
}

/// What a motor took when its reading was broken off, or what those took that were read.
Figure leastFigure(Amperes least, const Job& job, const char* symbol) {
    return figures::measured(text("Running, at least"), symbol, least, {},
                             motorsOf(job).size() > 1 ? text("what was read of the motors")
                                                      : text("the reading was broken off there"),
                             "light ");
}

/// What a demand rests on.
Figure figureOf(const RatedDemand& demand, const Job& job, const WorkshopRules& house) {
    if (demand.from == RatedDemand::From::AtLeast) return leastFigure(demand.worst, job, "I_least");
    if (demand.from == RatedDemand::From::Some) {
        return figures::computed(demand.what == MotorDemand::What::Stall
                                     ? text("Stalled, the motors that were read")
                                     : text("Slipping, the motors that were read"),
                                 "I_some", demand.worst, "", {});
    }
    switch (demand.what) {
        case MotorDemand::What::Stall:
            return stallFigure(job, house);
        case MotorDemand::What::Slip:
            return slipFigure(job);
        case MotorDemand::What::Running:
            break;
    }
    return runningFigure(job);
}

void judgeRating(const JobAnalysis& facts, const MotorEvidence& drive, Judging& judging) {
    const Job& job = facts.job;
    if (!job.decoder) {
        judging.say("motor.rating", {}, State::Ask, Gravity::PartDestroyed, [&](Finding& finding) {
            finding.options = decoderOptions(facts, drive);
            const Figure stall = stallFigure(job, facts.house);
            const auto usual = usualCurrents(job, drive);
            // A motor that nobody read is chosen for by its kind, where one of the options fits so.
            const bool byKind = !stall.value && usual && !finding.options.empty() &&
                                finding.options.front().state < State::Ask;
            finding.sentence =
                stall.value
                    ? text("No decoder chosen: stalled this motor would draw %1.", shown(stall))
                : byKind && !drive.readings.empty()
                    ? text(
                          "No decoder chosen. Nobody read its stall; what was read is usual for "
                          "its kind, and those stall at %1 at the most: that will do to choose by.",
                          formatted(usual->stall, 2))
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
        // What fits wants no advice; all are ranked beside it (ranking.h).
        if (verdict.state != State::Fine) finding.options = decoderOptions(facts, drive);
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
                finding.figures.push_back(figures::assumed(
                    demand.state == State::Over ? text("Usual for its kind, at least")
                                                : text("Usual for its kind, at the most"),
                    "I_usual", demand.worst, text("nobody has read this motor"), "stall "));
                continue;
            }
            finding.figures.push_back(figureOf(demand, job, facts.house));
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

/// The motor's share in what the decoder gives in all, and what it rests on.
Figure motorFigure(const Together& all, const JobAnalysis& facts) {
    using From = RatedDemand::From;
    switch (all.from) {
        case From::Bound:
            return figures::computed(text("Slipping, at the most as stalled"), "I_motor", all.motor,
                                     "", {stallFigure(facts.job, facts.house)});
        case From::Kind:
            return figures::assumed(text("Slipping, usual for its kind"), "I_motor", all.motor,
                                    text("nobody has read this motor"), "slip ");
        case From::AtLeast:
            return leastFigure(all.motor, facts.job, "I_motor");
        case From::Missing:
            return figures::missing(text("Current with wheels slipping"), "I_motor",
                                    Dimension::Current,
                                    text("press the model down until its wheels slip"), "slip ");
        case From::Some:
        case From::Reading:
            break;
    }
    const Figure slip = slipFigure(facts.job);
    return slip.value && Amperes{*slip.value} >= all.motor ? slip : runningFigure(facts.job);
}

/// The motor with every lamp and its sound together against the decoder.
void judgeTogether(const JobAnalysis& facts, const MotorEvidence& drive, Judging& judging) {
    const Decoder& decoder = facts.job.decoder->part;
    const Together all = together(facts, drive, decoder);
    const bool unread = all.from != RatedDemand::From::Reading;
    // The motor's own check asks for the same reading, and fits a usual one already.
    if (all.from == RatedDemand::From::Missing) return;
    judging.say("motor.total", {}, all.state, Gravity::PartDestroyed, [&](Finding& finding) {
        std::vector<Figure> parts{
            motorFigure(all, facts),
            figures::computed(text("All lamps lit"), "I_lamps", all.outputs, "", {})};
        std::string formula = parts.front().symbol + " + I_lamps";
        if (all.sound > Amperes{0}) {
            parts.push_back(figures::assumed(text("Sound"), "I_sound", all.sound,
                                             text("usual for a sound decoder"), {}));
            formula += " + I_sound";
        }
        finding.figures = {figures::computed(text("Motor, lamps and sound together"), "I_all",
                                             all.all(), formula, std::move(parts)),
                           figures::catalogue(text("Decoder's overall rating"), "I_total",
                                              decoder.overall, verbatim(decoder.name))};
        const std::string sum = formatted(all.all(), 3), limit = formatted(decoder.overall, 3);
        if (all.state == State::Over) {
            finding.sentence = text(
                "Too much together: motor, lamps and sound draw %1; the decoder gives %2 in all.",
                sum, limit);
            finding.action = text("choose a larger decoder");
            finding.options = decoderOptions(facts, drive, Aspect::Together);
        } else if (all.state == State::Ask) {
            finding.sentence =
                all.from == RatedDemand::From::AtLeast
                    ? text(
                          "Motor, lamps and sound together draw more than %1; the decoder gives "
                          "%2 in all. Measure the current with wheels slipping.",
                          sum, limit)
                    : text(
                          "Motor, lamps and sound together may draw %1; the decoder gives %2 in "
                          "all. Measure the current with wheels slipping.",
                          sum, limit);
            finding.action = text("measure the slip current");
            finding.options = decoderOptions(facts, drive, Aspect::Together);
        } else {
            finding.sentence =
                unread ? text("Motor, lamps and sound draw at most %1 of the decoder's %2 in all.",
                              sum, limit)
                       : text(
                             "Slipping with every lamp lit it draws %1 of the decoder's %2 in "
                             "all.",
                             sum, limit);
        }
    });
}

/// The track's volts and everything at once against the decoder.
void judgeDecoder(const JobAnalysis& facts, const MotorEvidence& drive, Judging& judging) {
    const Job& job = facts.job;
    const Decoder& decoder = job.decoder->part;
    const Figure track = trackFigure(job);
    const Volts largest = decoder.largestTrack;
    // A layout's volts differ from place to place: its highest counts.
    const Volts top = peakVolts(job, facts.house);
    const State state = stateAgainst(top.value(), largest.value(), 0.95);
    judging.say("motor.track-volts", {}, state, Gravity::PartDestroyed, [&](Finding& finding) {
        finding.figures = {
            figures::computed(text("Highest track volts"), "V_top", top, "V_track · (1 + spread)",
                              {track, spreadFigure(facts.job, facts.house)}),
            figures::catalogue(text("Decoder's largest track volts"), "V_max", largest,
                               verbatim(decoder.name))};
        const Text supply =
            job.feed == Feed::BatteryRadio ? text("the battery") : text("the track");
        finding.sentence =
            state == State::Over
                ? text(
                      "Too high: %1 stands at %2, up to %3 at times or in places, and the decoder "
                      "bears %4.",
                      supply, shown(track), formatted(top, 3), formatted(largest))
            : state == State::Close
                ? text(
                      "The decoder just bears the %1 of %2, up to %3 at times or in places: it is "
                      "made for up to %4.",
                      shown(track), supply, formatted(top, 3), formatted(largest))
                : text("The decoder bears the %1 of %2: it is made for up to %3.", shown(track),
                       supply, formatted(largest));
        if (state == State::Over) {
            finding.action = text("a decoder for higher volts, or lower the track's");
            finding.options = decoderOptions(facts, drive);
        }
    });

    judgeTogether(facts, drive, judging);
}

/// The reversing pulse of an analogue transformer is above what decoder and bank can take.
void judgePulse(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    if (job.feed != Feed::ThreeRailDigital || job.supply.pulse) return;
    constexpr Volts usual{24};
    const Volts crest = usual * std::numbers::sqrt2;
    // Asked before a decoder is chosen, for it decides which one can be.
    const bool decoder = !job.decoder || job.decoder->part.largestTrack < crest;
    const bool bank = job.bank && job.bank->part.rated < crest;
    if (!decoder && !bank) return;
    judging.say("supply.pulse", {}, State::Ask, Gravity::PartDestroyed, [&](Finding& finding) {
        constexpr Volts most{22};  // of a usual decoder
        Volts least = job.decoder ? job.decoder->part.largestTrack : most;
        if (bank) least = std::min(least, job.bank->part.rated);
        finding.sentence =
            job.decoder || bank
                ? text(
                      "Is it ever put on an analogue transformer? Its reversing pulse of %1 AC "
                      "peaks at %2; what is fitted can take %3.",
                      formatted(usual), formatted(crest, 2), formatted(least))
                : text(
                      "Is it ever put on an analogue transformer? Its reversing pulse of %1 AC "
                      "peaks at %2; usual decoders can take %3.",
                      formatted(usual), formatted(crest, 2), formatted(least));
        finding.action = text("say whether it meets a reversing pulse");
        finding.caution =
            text("Never reverse a digital model with an analogue transformer's pulse.");
        finding.options = {
            answer(text("Never, digital track only"), text("nothing above the track's voltage"),
                   State::Fine, "pulse none"),
            answer(text("It may be"), text("too high for what is fitted"), State::Over,
                   "pulse 24V")};
    });
}

/// Ways out where lamps want outputs that the decoder lacks: what is lost stands with each.
std::vector<Option> waysOut(const JobAnalysis& facts, const MotorEvidence& drive,
                            const LampGroup& lamps) {
    const Job& job = facts.job;
    std::vector<Option> ways;
    const auto way = [&](Text what, Text effect, std::string jot) {
        Option option;
        option.what = std::move(what);
        option.effect = std::move(effect);
        option.state = State::Close;
        option.jot = std::move(jot);
        ways.push_back(std::move(option));
    };
    const auto feeds = [&](const std::string& output) {
        return std::any_of(job.groups.begin(), job.groups.end(),
                           [&](const LampGroup& group) { return group.output == output; });
    };
    // Those that follow the direction come last.
    const auto follows = [&](const DecoderOutput& output) {
        return directionOf(job, output.name).has_value();
    };
    const DecoderOutput* free = nullptr;
    for (const DecoderOutput& output : job.decoder->part.outputs) {
        const bool switches =
            output.kind != OutputKind::LogicLevel && output.kind != OutputKind::LampSupply;
        if (!switches || feeds(output.name)) continue;
        if (!free || (follows(*free) && !follows(output))) free = &output;
    }
    if (free) {
        way(text("Move %1 to output %2", lamps.name, free->name),
            follows(*free)
                ? text("lost: it follows the direction until its key is mapped otherwise")
                : text("that one is free"),
            "lamp " + lamps.name + " on " + free->name);
    }
    const auto outputs = static_cast<std::size_t>(Aspect::Outputs);
    for (const RankedDecoder& entry : rankedDecoders(facts, drive)) {
        if (entry.cells[outputs].state != State::Fine) continue;
        way(verbatim(entry.decoder->name),
            text("has them all; %1 beside this one",
                 entry.decoder->price && job.decoder->part.price
                     ? text("costs %1 more",
                            formatted(
                                std::max(*entry.decoder->price - *job.decoder->part.price, 0.0),
                                Dimension::Ratio, 3))
                     : text("another decoder")),
            "decoder " + entry.decoder->id);
        break;
    }
    std::size_t beside = 0;
    for (const LampGroup& other : job.groups) {
        if (&other == &lamps || other.id == lamps.id || other.output == supplyOutput) continue;
        if (!outputNamed(job, other.output) || beside++ == 2) continue;
        way(text("Hang %1 beside %2", lamps.name, other.name),
            text("lost: they light together, on one key"), "join " + lamps.name + " " + other.name);
    }
    way(text("Hang %1 on the supply", lamps.name),
        text("lost: it is lit whenever there are volts, and no key turns it off"),
        "lamp " + lamps.name + " on supply");
    return ways;
}

void sayTooFewOutputs(const JobAnalysis& facts, const MotorEvidence& drive, Judging& judging) {
    const Job& job = facts.job;
    std::string missing;
    const LampGroup* first = nullptr;
    for (const LampGroup& group : job.groups) {
        if (group.output == supplyOutput || outputNamed(job, group.output)) continue;
        if (!first) first = &group;
        missing += (missing.empty() ? "" : ", ") + group.name;
    }
    if (!first) return;  // an output of the wrong kind or too weak: its lamps say so
    judging.say("decoder.outputs", {}, State::Over, Gravity::DoesNotWork, [&](Finding& finding) {
        finding.sentence = text("This decoder has no output for: %1.", missing);
        finding.action = text("find %1 another way", first->name);
        finding.options = waysOut(facts, drive, *first);
    });
}

/// Where it lies, what it is plugged into, what was wished for: what is fine is not told.
void judgeFit(const JobAnalysis& facts, const MotorEvidence& drive, Judging& judging) {
    const RankedDecoder fitted = held(facts, drive, facts.job.decoder->part);
    for (const Cell& cell : fitted.cells) {
        if (cell.state == State::Fine) continue;
        const auto say = [&](const char* id, Gravity gravity, Text sentence, Text action) {
            judging.say(id, {}, cell.state, gravity, [&](Finding& finding) {
                finding.sentence = std::move(sentence);
                finding.action = std::move(action);
                if (cell.aspect == Aspect::Stage) {
                    const Decoder& part = *fitted.decoder;
                    const Box box{"decoder",  part.name,   part.length,
                                  part.width, part.height, facts.job.decoder->placement};
                    finding.options = roomToMake(facts, box, text("the decoder lies there"));
                }
                if (!finding.options.empty())
                    finding.action = text("make room for it, or choose a smaller decoder");
                std::ranges::move(decoderOptions(facts, drive, cell.aspect),
                                  std::back_inserter(finding.options));
            });
        };
        const Decoder& part = *fitted.decoder;
        switch (cell.aspect) {
            case Aspect::Stage: {
                const bool drawn = cell.state == State::Close;
                // What came along lies in it, whatever the drawing says.
                if (drawn && facts.job.intake.arrival == Arrival::WithDecoder) break;
                say("decoder.room", Gravity::DoesNotWork,
                    drawn
                        ? text("No hollow holds this decoder as they are drawn: with wires and "
                               "sleeve it is %1 × %2 × %3. Measure the hollow.",
                               formatted(part.length, 3), formatted(part.width, 3),
                               formatted(part.height, 3))
                        : text("No hollow holds this decoder: with wires and sleeve it is %1 × %2 "
                               "× %3.",
                               formatted(part.length, 3), formatted(part.width, 3),
                               formatted(part.height, 3)),
                    drawn ? text("measure the hollow") : text("choose a smaller decoder"));
                break;
            }
            case Aspect::Outputs:
                sayTooFewOutputs(facts, drive, judging);
                break;
            case Aspect::Command:
                say("decoder.command", Gravity::DoesNotWork, text("This decoder %1.", cell.says),
                    part.radio ? text("choose a decoder for this feed")
                               : text("a receiver, or a decoder with radio"));
                break;
            case Aspect::Socket:
                say("decoder.socket", Gravity::CouldBeBetter,
                    text("This decoder does not plug in: %1.", cell.says),
                    text("wire it past the socket"));
                break;
            case Aspect::Sound:
                say("decoder.sound", Gravity::CouldBeBetter,
                    text("The owner wishes for sound, and this decoder makes none."),
                    text("a sound decoder, or say no and why"));
                break;
            case Aspect::StayAlive:
                // A bank too large for it, or one that has to be soldered to it, is told at the
                // bank.
                if (part.stayAlive != StayAliveTerminals::None || cell.state != State::Over) break;
                if (facts.job.feed == Feed::BatteryRadio) {
                    judging.say(
                        "decoder.stay-alive", {}, cell.state, Gravity::DoesNotWork,
                        [](Finding& finding) {
                            finding.sentence = text(
                                "Leave the stay-alive out: a battery does not lose contact, "
                                "and this decoder has nowhere to join one.");
                            finding.action = text("no stay-alive");
                            finding.options = {{text("no stay-alive"),
                                                text("the battery is always there"), State::Fine,
                                                "bank none"}};
                        });
                    break;
                }
                say("decoder.stay-alive", Gravity::DoesNotWork,
                    text("This decoder has no place for the stay-alive that is planned."),
                    text("a decoder that has one"));
                break;
            default:
                break;  // motor, volts, lamps have findings of their own
        }
    }
}

/// Each output that is used, and sound, wants a key of the owner's controller; front and rear one
/// together.
void judgeKeys(const Job& job, Judging& judging) {
    const auto& keys = job.controller.keys;
    if (!keys) return;
    std::set<std::string> functions;
    for (const LampGroup& group : job.groups) {
        if (group.output == supplyOutput) continue;
        const std::vector<int> its = keysOf(job, group.output);
        functions.insert(its.empty() ? group.output : "F" + std::to_string(its.front()));
    }
    if (job.decoder && job.decoder->part.sound) functions.insert("sound");
    const auto wanted = static_cast<int>(functions.size());
    if (wanted == 0) return;
    judging.say("controller.keys", {}, wanted > *keys ? State::Close : State::Fine,
                Gravity::WorksBadly, [&](Finding& finding) {
                    const std::string have = std::to_string(*keys), want = std::to_string(wanted);
                    finding.sentence =
                        wanted > *keys
                            ? text(
                                  "Its owner's controller has %1 keys, lamps and sound want %2: "
                                  "what is left over cannot be switched.",
                                  have, want)
                            : text("Its owner's controller has %1 keys; lamps and sound want %2.",
                                   have, want);
                    if (wanted > *keys) finding.action = text("put two of them on one key");
                });
}

/// The address that it came with, and what its owner reaches and reads.
void judgeController(const Job& job, Judging& judging) {
    const Controller& has = job.controller;
    if (has.readsBack == false) {
        judging.say("controller.reads-back", {}, State::Fine, Gravity::CouldBeBetter,
                    [&](Finding& finding) {
                        finding.sentence = text(
                            "Its owner's controller cannot read settings back: they go with it in "
                            "writing.");
                    });
    }
    if (!has.longestAddress || !job.intake.settings) return;
    std::map<int, std::uint8_t> values;
    for (const ConfigurationValue& each : job.intake.settings->values)
        values[each.number] = static_cast<std::uint8_t>(each.value);
    const auto address = addressIn(values);
    if (!address) return;
    const bool beyond = *address > *has.longestAddress;
    judging.say(
        "controller.address", {}, beyond ? State::Close : State::Fine, Gravity::DoesNotWork,
        [&](Finding& finding) {
            const std::string answers = std::to_string(*address),
                              reached = std::to_string(*has.longestAddress);
            finding.sentence =
                beyond ? text(
                             "It came with address %1, and its owner's controller reaches %2 at "
                             "the most: there it would not move.",
                             answers, reached)
                       : text("It came with address %1; its owner's controller reaches %2.",
                              answers, reached);
            if (beyond) finding.action = text("give it an address up to %1", reached);
        });
}

}  // namespace

bool applies(const Job& job) { return !isStructure(job); }

Idle idle(const Job& job) {
    if (!motorsOf(job).empty()) return {};
    return {text("no motor to carry"), true};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    judgeKeys(facts.job, judging);
    judgeController(facts.job, judging);
    judgeConductors(facts.job, judging);
    if (motorsOf(facts.job).empty()) return;
    const MotorEvidence& drive = driveEvidence(facts);
    judgeRating(facts, drive, judging);
    judgeBattery(facts, drive, judging);
    judgePulse(facts, judging);
    if (!facts.job.decoder) return;
    judgeDecoder(facts, drive, judging);
    judgeFit(facts, drive, judging);
}

}  // namespace glimmet::core::decoder
