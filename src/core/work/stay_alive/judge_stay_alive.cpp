// Checks of the stay-alive: does it hold, does it bear the volts, can it be charged.
#include "core/analysis/placement/making_room.h"
#include "core/analysis/stay_alive/consequences.h"
#include "core/analysis/stay_alive/rolling.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"
#include "core/track/dirt.h"
#include "core/work/stay_alive/bank_options.h"
#include "core/work/stay_alive/dead_bank.h"
#include "core/work/stay_alive/judge_crossing.h"
#include "core/work/stay_alive/judge_fitting.h"
#include "core/work/stay_alive/judge_found.h"
#include "core/work/stay_alive/judge_pads.h"
#include "core/work/stay_alive/own_bank.h"
#include "core/work/stay_alive/stay_alive.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {
namespace {

Figure assumedRatio(Text name, std::string symbol, double value, Text detail) {
    return {std::move(name),
            std::move(symbol),
            value,
            Dimension::Ratio,
            {Basis::Kind::Assumed, {}, std::move(detail)},
            {},
            {},
            {}};
}

Text deadWords(const Job& job, const LongestDead& dead) {
    return text("%1 at %2 km/h", dead.place.words, formatted(creep(job).kmh, Dimension::Ratio));
}
/// Wheels, a length by the ruler and a speed that was said make it; else it is assumed.
Basis deadBasis(const Job& job, const LongestDead& dead) {
    const bool known = dead.place.measured && !creep(job).assumed;
    return {known ? Basis::Kind::Computed : Basis::Kind::Assumed, {}, deadWords(job, dead)};
}

Figure neededFigure(const Job& job, const BankState& state) {
    const auto dead = longestDead(job);
    if (!dead || !(dead->time > Seconds{0}) || dead->time < dirtTime(job)) {
        return job.layout.dirt
                   ? figures::made(text("Without power"), "t_dead", state.needed,
                                   Basis{Basis::Kind::Computed,
                                         {},
                                         text("all but one stutter in 10 m, of those counted")},
                                   "dirt ")
                   : figures::assumed(text("Without power"), "t_dead", state.needed,
                                      text("a stutter on dirty rails"), "dirt ");
    }
    return figures::made(text("Without power"), "t_dead", state.needed, deadBasis(job, *dead),
                         "points ");
}

void judgeNone(const JobAnalysis& facts, OfferedBanks& banks, Judging& judging) {
    const auto dead = longestDead(facts.job);
    judging.say("reserve.none", {}, State::Fine, Gravity::CouldBeBetter, [&](Finding& finding) {
        const bool dies = dead && dead->time > Seconds{0};
        const bool looked =
            std::any_of(facts.job.units.begin(), facts.job.units.end(), [](const Unit& unit) {
                return std::any_of(unit.body.axles.begin(), unit.body.axles.end(),
                                   [](const Axle& axle) { return axle.looked; });
            });
        finding.sentence =
            !dead    ? text("No stay-alive is fitted.")
            : dies   ? text("No stay-alive: %1 leaves it without power for %2.",
                            deadWords(facts.job, *dead), formatted(dead->time, 2))
            : looked ? text("No stay-alive: the wheels bridge %1; they do not help on dirty track.",
                            dead->place.words)
                     : text(
                           "No stay-alive: with pickups as drawn the wheels bridge %1; they do not "
                           "help on dirty track.",
                           dead->place.words);
        if (dead) {
            finding.figures = {figures::made(text("Without power"), "t_dead", dead->time,
                                             deadBasis(facts.job, *dead), "points ")};
        }
        finding.options = banks.options();
        if (!finding.options.empty()) finding.caution = capacitorCaution();
    });
}

void judgeHold(const JobAnalysis& facts, const Loads& loads, const BankState& state,
               OfferedBanks& banks, Judging& judging) {
    const State verdict = holdState(state);
    const bool tooShort = holdsTooShort(state);
    judging.say("reserve.hold", {}, verdict, Gravity::WorksBadly, [&](Finding& finding) {
        const auto longest = longestDead(facts.job);
        const Text held = state.hold->time ? verbatim(formatted(*state.hold->time, 2))
                                           : text("as long as one likes");
        const Seconds dirty = dirtTime(facts.job);
        const Text dead =
            longest && longest->time > Seconds{0} && longest->time >= dirty
                ? text("%1 leaves it dead for %2", deadWords(facts.job, *longest),
                       formatted(longest->time, 2))
            : facts.job.layout.dirt && !(dirty > Seconds{0})
                ? text("its wheels bridge what is dead, and it stutters seldom")
            : facts.job.layout.dirt
                ? text("%1 carry it over all but one stutter in 10 m", formatted(dirty, 2))
                : text("a stutter on dirty rails takes %1", formatted(dirt, 2));
        const bool slow = state.back > usualDiode * 4.0;
        finding.sentence = verdict == State::Fine ? text("Holds %1: %2.", held, dead)
                           : !tooShort ? text("Holds %1, and %2 in the worst case: %3.", held,
                                              formatted(state.worst.value_or(Seconds{0}), 2), dead)
                           : slow      ? text(
                                             "Holds only %1 because it gives back through its charge "
                                                  "resistor: %2.",
                                             held, dead)
                                  : text("Too short: holds %1, and %2.", held, dead);
        if (tooShort) {
            finding.action =
                slow ? text("put a diode across the charge resistor") : text("a larger bank");
        }
        const FittedBank& bank = *facts.job.bank;
        std::vector<Figure> inputs{
            bank.measured
                ? figures::measured(text("Capacitance"), "C", bank.measured->value,
                                    bank.measured->on, {}, "bank ")
                : printedFigure(text("Capacitance"), "C", bank.part.capacitance, bank.part),
            busFigure(facts.job, facts.house),
            figures::made(text("Drop on the way back"), "V_back", state.back,
                          bank.diode ? Basis{Basis::Kind::Chosen, {}, text("diode")}
                          : bank.part.diode > Volts{0}
                              ? Basis{Basis::Kind::Catalogue, {}, verbatim(bank.part.name)}
                              : Basis{Basis::Kind::Computed, {}, text("no diode")},
                          "diode "),
            figures::assumed(text("Processor starts anew below"), "V_min", processorMinimum,
                             text("usual for a decoder"))};
        inputs.insert(inputs.end(), loads.figures.begin(), loads.figures.end());
        if (state.leak) {
            inputs.push_back(
                figures::computed(text("Charged to, for it leaks"), "V_full", state.full, "", {}));
            inputs.push_back(
                figures::computed(text("Path of its leak"), "R_leak", *state.leak, "", {}));
        }
        finding.figures = {
            state.hold->time
                ? figures::computed(text("Holds without track"), "t_hold", *state.hold->time, "",
                                    std::move(inputs))
                : figures::computed(text("Volts where its loads stop drawing"), "V_stop",
                                    state.hold->stops, "", std::move(inputs)),
            neededFigure(facts.job, state)};
        // What is seen of it with the model in the hand.
        const Loads still = standingStill(loads);
        if (!still.bus.lamps.empty()) {
            const BankState fades = bankState(facts, bank, still);
            if (fades.hold && fades.hold->time) {
                finding.figures.push_back(
                    figures::computed(text("Its lamps go on, lifted off while it stands"), "t_fade",
                                      *fades.hold->time, "", {}));
            }
        }
        if (state.worst) {
            std::vector<Figure> spread{spreadFigure(facts.job, facts.house)};
            spread.push_back(assumedRatio(
                text("Capacitance may be less by"), "short", lessBy(bank),
                bank.measured ? text("as surely as it was read") : text("usual for its kind")));
            finding.figures.insert(finding.figures.begin() + 1,
                                   figures::computed(text("Holds in the worst case"), "t_least",
                                                     *state.worst, "", std::move(spread)));
        }
        if (slow) {
            finding.options.push_back(
                {text("a Schottky diode across the charge resistor"),
                 text("gives back with %1 less", formatted(usualDiode)), State::Fine,
                 "diode " + formatted(usualDiode.value(), Dimension::Ratio) + "V"});
        }
        // Wheels come before any bank where it is the track that asks for one.
        if (verdict != State::Fine && longest && longest->time > Seconds{0} &&
            longest->time >= dirty) {
            for (Option& option : collectorOptions(facts, longest->place))
                finding.options.push_back(std::move(option));
        }
        const std::vector<Option>& offered = banks.options();
        finding.options.insert(finding.options.end(), offered.begin(), offered.end());
        finding.caution = capacitorCaution();
    });
}

/// "one stutter every 1.2 m", of so many a metre.
Text stutterWords(double perMetre) {
    return text("one stutter every %1", formattedWay(Metres{1 / perMetre}));
}

/// Of the stutters that were counted, what the bank leaves.
void judgeDirt(const JobAnalysis& facts, const BankState* state, OfferedBanks& banks,
               Judging& judging) {
    const Job& job = facts.job;
    if (!job.layout.dirt) return;
    const double counted = job.layout.dirt->stuttersPerMetre;
    const auto held = state ? state->hold->time : std::optional(Seconds{0});
    const double left = *stuttersWith(job, held);
    const State verdict = dirtState(job, held);
    judging.say("reserve.dirt", {}, verdict, Gravity::WorksBadly, [&](Finding& finding) {
        if (!(counted > 0)) {
            finding.sentence = text("Its rails and wheels are clean: no stutters were counted.");
        } else if (!state) {
            finding.sentence =
                verdict == State::Fine
                    ? text("It stutters so seldom that no bank is needed: %1.",
                           stutterWords(counted))
                    : text(
                          "Without a bank %1: clean its rails and wheels first; what is left wants "
                          "a bank that "
                          "holds %2.",
                          stutterWords(counted), formatted(dirtTime(job, bearable), 2));
        } else if (left < 1e-4) {
            finding.sentence = text("The bank carries it over dirt: %1 before, none with it.",
                                    stutterWords(counted));
        } else {
            finding.sentence =
                verdict == State::Fine
                    ? text("The bank carries it over dirt: %1 before, %2 with it.",
                           stutterWords(counted), stutterWords(left))
                    : text("The bank is too small for this dirt: %1 before, %2 with it.",
                           stutterWords(counted), stutterWords(left));
        }
        if (verdict != State::Fine) {
            finding.action = text("clean rails and wheels");
            finding.options = banks.options();
            if (!finding.options.empty()) finding.caution = capacitorCaution();
        }
        Figure before = figures::measured(text("Stutters a metre"), "n", counted,
                                          job.layout.dirt->on, text("without a bank"), "dirt ");
        if (!state) {
            finding.figures = {std::move(before)};
            return;
        }
        finding.figures = {figures::computed(
            text("Left of them"), "n_left", left < 1e-6 ? 0 : left, "n · e^(−v · t_hold / l)",
            {std::move(before), figures::assumed(text("Length of a stutter, on the average"), "l",
                                                 stutterLength, text("random, without memory"))})};
    });
}

void judgeVolts(const JobAnalysis& facts, const BankState& state, OfferedBanks& banks,
                Judging& judging) {
    const BankPart& part = facts.job.bank->part;
    const State verdict = voltsState(part, state);
    judging.say("reserve.volts", {}, verdict, Gravity::FirePeople, [&](Finding& finding) {
        const double margin = voltsMargin(part.kind, state.bank.charge > Ohms{0});
        const std::string comes = formatted(state.highest, 3);
        const std::string rated = formatted(part.rated, 3);
        finding.sentence =
            verdict == State::Over
                ? text("Not on this track: up to %1 come to a bank rated %2. It vents or burns.",
                       comes, rated)
            : verdict == State::Close
                ? text(
                      "Bears the volts, but close: up to %1 on a bank rated %2, and %3 should be "
                      "in hand.",
                      comes, rated, formatted(state.highest * margin, 3))
                : text("Bears the volts: up to %1 on a bank rated %2.", comes, rated);
        if (verdict == State::Over) finding.action = text("a bank of higher rating");
        Figure highest =
            figures::computed(text("Highest volts at the bank"), "V_top", state.highest,
                              "V_track · (1 + spread) − V_rect",
                              {trackFigure(facts.job), spreadFigure(facts.job, facts.house),
                               rectifierFigure(facts.job, facts.house)});
        finding.figures = {std::move(highest),
                           printedFigure(text("Rating"), "V_rated", part.rated, part),
                           assumedRatio(text("Rating wanted, of those volts"), "margin", margin,
                                        text("usual for its kind"))};
        if (verdict != State::Fine) finding.options = banks.options();
        if (verdict == State::Over) finding.caution = capacitorCaution();
    });
}

/// The rating that a resistor is sold with and that bears so much.
Watts soldRating(Watts heat) {
    for (const double rating : {0.5, 1.0, 2.0, 3.0, 5.0}) {
        if (heat <= Watts{rating}) return Watts{rating};
    }
    return Watts{10};
}

void judgeCharge(const JobAnalysis& facts, const BankState& state, Judging& judging) {
    const Bank through = throughLeads(state.bank);
    const State verdict = chargeState(*facts.job.bank, state);
    const bool limited = state.bank.charge > Ohms{0};
    judging.say("reserve.charge", {}, verdict, Gravity::DoesNotWork, [&](Finding& finding) {
        const auto withCharge = [&](Ohms value) {
            BankState tried = state;
            tried.bank.charge = value;
            FittedBank with = *facts.job.bank;
            with.charge = value;
            Option option;
            // Without a diode past it the bank would give back through the resistor: held up by it.
            const bool diode = state.bank.diode > Volts{0};
            option.what = diode ? verbatim(formatted(value))
                                : text("%1, and a Schottky diode past it", formatted(value));
            option.effect =
                text("%1 at first, full after %2", formatted(chargePeak(tried.bank, tried.bus), 2),
                     formatted(rechargeTime(tried.bank, tried.full, Volts{0}), 2));
            option.state = chargeState(with, tried);
            option.jot = "charge " + formatted(value.value(), Dimension::Ratio) + "R";
            if (!diode) {
                option.jot += " diode " + formatted(usualDiode.value(), Dimension::Ratio) + "V";
            }
            option.inPlace = facts.job.bank->charge && *facts.job.bank->charge == value;
            finding.options.push_back(std::move(option));
        };
        const Amperes peak = chargePeak(through, state.bus);
        const Seconds above = chargeBelow(state, boosterTrips);
        const Seconds full = rechargeTime(through, state.full, Volts{0});
        const Joules heat = chargeEnergy(state.bank, state.bus);
        const bool sparks = peak > boosterTrips;
        finding.sentence =
            verdict == State::Over
                ? text(
                      "Charging draws more than %1 for %2: the booster trips when the model is put "
                      "on the track.",
                      formatted(boosterTrips), formatted(above, 2))
            : sparks ? text(
                           "Charging draws a %1 spike for %2: wheels spark, but no booster trips "
                           "so soon.",
                           formatted(peak, 2), formatted(above, 2))
            : verdict == State::Close
                ? text(
                      "Charges with %1; %2 go into the charge resistor each time: one of %3, not "
                      "less.",
                      formatted(peak, 2), formatted(heat, 2),
                      formatted(soldRating(chargeHeat(state))))
                : text("Charges with %1 and is full after %2.", formatted(peak, 2),
                       formatted(full, 2));
        if (verdict == State::Over || sparks)
            finding.action = text("a resistor in the charge path");
        const FittedBank& bank = *facts.job.bank;
        finding.figures = {
            figures::computed(
                text("First charge current"), "I_charge", peak, "V_bus / R_charge",
                {busFigure(facts.job, facts.house),
                 !limited      ? figures::assumed(text("Leads and bridge"), "R_charge", leads,
                                                  text("no charge resistor"), "charge ")
                 : bank.charge ? figures::chosen(text("Charge resistor"), "R_charge",
                                                 state.bank.charge, {}, "charge ")
                               : figures::catalogue(text("Charge resistor"), "R_charge",
                                                    state.bank.charge, verbatim(bank.part.name))}),
            figures::computed(text("Full after"), "t_full", full, "", {}),
            figures::computed(text("Heat of one charge"), "E_charge", heat, "", {})};
        if (verdict == State::Over || sparks) {
            for (const double value : {100.0, 220.0, 47.0}) withCharge(Ohms{value});
        } else if (verdict == State::Close) {
            for (const double value : {100.0, 220.0, 470.0}) withCharge(Ohms{value});
        }
    });
}

/// On the programming track: whether it switches off, and how long an acknowledge is masked.
void judgeProgramming(const JobAnalysis& facts, const BankState& state, Judging& judging) {
    const Job& job = facts.job;
    if (!job.decoder) return;
    // A plug-in reserve on its terminals disconnects itself, as long as no read-back fails.
    const bool managed = job.bank->part.kind == BankKind::Module &&
                         job.decoder->part.stayAlive == StayAliveTerminals::Managed;
    const Amperes then = chargeAfter(state, programmingTime);
    const Seconds masked = chargeBelow(state, acknowledgeCurrent);
    const bool trips = then > programmingLimit;
    constexpr Seconds noticed{1};
    const bool late = masked > noticed;
    if (managed) {
        judging.say("reserve.programming", {}, State::Fine, Gravity::WorksBadly,
                    [&](Finding& finding) {
                        finding.sentence = text(
                            "On the programming track its decoder usually disconnects it; that "
                            "holds until a read-back fails.");
                        finding.figures = {};
                    });
        return;
    }
    if (!trips && !late) return;
    judging.say(
        "reserve.programming", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
            finding.sentence =
                trips ? text(
                            "The programming track switches off: charging still draws %1 "
                            "after %2, and %3 is allowed. Take the stay-alive off to "
                            "program.",
                            formatted(then, 2), formatted(programmingTime),
                            formatted(programmingLimit))
                      : text(
                            "Reading settings may fail for %1: charging hides the %2 of "
                            "an acknowledge. Wait so long, or take the stay-alive off.",
                            formatted(masked, 2), formatted(acknowledgeCurrent));
            finding.action = text("take the stay-alive off to program");
            finding.figures = {
                figures::computed(
                    text("Charging, %1 after power came on", formatted(programmingTime)),
                    "I_charge", then, "V_bus / R_charge · e^(−t / (R_charge · C))",
                    {busFigure(facts.job, facts.house)}),
                figures::computed(text("Hides an acknowledge for"), "t_mask", masked, "", {})};
        });
}

/// Where it lies; what has room is told by the picture.
void judgeRoom(const JobAnalysis& facts, OfferedBanks& banks, Judging& judging) {
    const Job& job = facts.job;
    const std::vector<Box> all = boxesOf(job);
    const Box& box =
        *std::find_if(all.begin(), all.end(), [](const Box& each) { return each.what == "bank"; });
    const auto& seated = placements(facts);
    const State verdict = roomState(job, placementOf(seated, box.what));
    if (verdict == State::Fine) return;
    const bool drawn = verdict == State::Close;
    if (drawn && job.intake.arrival == Arrival::WithDecoder) return;  // then it lies there already
    judging.say("reserve.room", {}, verdict, Gravity::DoesNotWork, [&](Finding& finding) {
        const std::string size = formatted(box.length, 3) + " × " + formatted(box.width, 3) +
                                 " × " + formatted(box.height, 3);
        finding.sentence =
            drawn ? text(
                        "No hollow holds this bank as they are drawn: it is %1. Measure the "
                        "hollow.",
                        size)
                  : text("No hollow holds this bank: it is %1.", size);
        finding.action = drawn ? text("measure the hollow") : text("a smaller bank");
        finding.options = roomToMake(facts, box, text("the bank lies there"));
        if (!finding.options.empty())
            finding.action = text("make room for it, or choose a smaller bank");
        const auto& offered = banks.options();
        finding.options.insert(finding.options.end(), offered.begin(), offered.end());
    });
}

}  // namespace

bool applies(const Job& job) {
    // A battery has no dead track, a building does not roll; lamps on the rails have a capacitor of
    // their own (lamps).
    if (!job.decoder && motorsOf(job).empty()) return false;
    return !isStructure(job) && job.feed != Feed::BatteryRadio && job.feed != Feed::FixedDc &&
           job.feed != Feed::Ac;
}

Idle idle(const Job& job) { return {job.bank ? Text{} : text("none fitted"), true}; }

void judge(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    const Loads& loads = loadsOf(facts);
    OfferedBanks banks(facts, loads);
    judgePads(facts, judging);
    // What a bank that gives nothing would do on paper says nothing.
    if (job.bank && job.bank->backwards) return judgeTurned(*job.bank, judging);
    const bool dead = job.bank && job.bank->dead;
    if (!dead) judgeCrossings(facts, loads, banks, judging);
    if (!job.bank) {
        judgeNone(facts, banks, judging);
        judgeDirt(facts, nullptr, banks, judging);
        return;
    }
    if (!job.decoder) {
        judging.say("reserve.decoder", {}, State::Ask, Gravity::DoesNotWork, [&](Finding& finding) {
            finding.sentence = text("The bank waits for a decoder: it hangs on its common wire.");
            finding.action = text("choose a decoder");
        });
    }
    const BankState& state = bankState(facts);
    if (!state.hold) return;  // nothing draws: there is a processor, so it does
    if (dead)
        judgeDead(facts, state, banks, judging);
    else
        judgeHold(facts, loads, state, banks, judging);
    if (!dead) judgeDirt(facts, &state, banks, judging);
    judgeRoom(facts, banks, judging);
    judgeVolts(facts, state, banks, judging);
    judgeFound(facts, state, banks, judging);
    judgeCharge(facts, state, judging);
    judgeProgramming(facts, state, judging);
    judgeFitting(facts, state, banks, judging);
}

}  // namespace glimmet::core::stay_alive
