#include "core/analysis/stay_alive/consequences.h"

#include "core/analysis/stay_alive/ageing.h"
#include "core/analysis/stay_alive/crossing_state.h"
#include "core/analysis/stay_alive/rolling.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"
#include "core/track/dirt.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {
namespace {

/// From when on it is charged to when the bus stands at `least`; nothing: for good.
std::optional<Seconds> lasts(const BankState& state, BusLoads loads, Volts least) {
    if (state.leak) loads.resistive.push_back(*state.leak);
    const auto hold = holdOf(state.bank, state.full, least, loads, 1);
    if (!hold) return {};
    return hold->time;
}

Consequence onProgrammingTrack(const BankState& state) {
    Consequence made;
    made.when = text("On the programming track");
    const Amperes then = chargeAfter(state, programmingTime);
    const Seconds seen = chargeBelow(state, acknowledgeCurrent);
    const bool trips = then > programmingLimit;
    const bool late = seen > programmingTime;
    made.state = trips || late ? State::Close : State::Fine;
    made.comes =
        trips
            ? text(
                  "it still charges with %1 after %2, where %3 are borne: the track switches off. "
                  "Take the bank off to program, or let the decoder switch it.",
                  formatted(then, 2), formatted(programmingTime), formatted(programmingLimit))
        : late ? text(
                     "answers of %1 for 6 ms are lost in its charge until %2 after the power came "
                     "on: wait so long before you read settings.",
                     formatted(acknowledgeCurrent), formatted(seen, 2))
               : text("answers of %1 for 6 ms are seen: its charge is over by then.",
                      formatted(acknowledgeCurrent));
    made.figure =
        figures::computed(text("Charging, %1 after power came on", formatted(programmingTime)),
                          "I_charge", then, "V_bus / R_charge · e^(−t / (R_charge · C))",
                          {figures::computed(text("Bus"), "V_bus", state.bus, "", {})});
    return made;
}

Consequence atPowerUp(const BankState& state) {
    Consequence made;
    made.when = text("When the power comes on");
    const Amperes peak = chargePeak(state.bank, state.bus);
    const double count = std::floor((usualBooster / peak).value());
    made.state = count < 4 ? State::Close : State::Fine;
    made.comes =
        count < 1 ? text("it alone takes more than a booster of %1 gives", formatted(usualBooster))
                  : text(
                        "%1 like it charge at once on a booster of %2; with more it may "
                        "switch off again",
                        formatted(count, Dimension::Ratio), formatted(usualBooster));
    made.figure =
        figures::computed(text("First charge current"), "I_charge", peak, "V_bus / R_charge", {});
    return made;
}

Consequence whenCut(const JobAnalysis& facts, const BankState& state) {
    Consequence made;
    made.when = text("When the power is cut");
    const std::string speed = formatted(creep(facts.job).kmh, Dimension::Ratio);
    if (!state.hold->time) {
        made.comes = text(
            "it runs on for as long as the bank has volts for the motor: stop it by "
            "command");
        made.figure = figures::computed(text("Volts where its loads stop drawing"), "V_stop",
                                        state.hold->stops, "", {});
        made.state = State::Close;
        return made;
    }
    const double driven = creepSpeed(facts.job).value() * state.hold->time->value();
    const Figure roll = rollFigure(facts.job);
    const double all = driven + *roll.value;
    made.comes = text(
        "it runs on for %1 at %2 km/h: what stops it at once is a command, not the "
        "switch",
        formattedWay(Metres{all}), speed);
    made.figure = figures::computed(
        text("Runs on without track"), "d_on", Metres{all}, "v · t_hold + d_roll",
        {figures::computed(text("Holds without track"), "t_hold", *state.hold->time, "", {}),
         roll});
    made.state = State::Fine;
    return made;
}

Consequence whenUnwanted(const BankState& state, const Loads& loads) {
    Consequence made;
    made.when = text("When it should be off");
    BusLoads processor;
    processor.current = loads.bus.current;
    const auto awake = lasts(state, processor, processorMinimum);
    const Seconds time = awake.value_or(Seconds{0});
    const bool minutes = time > Seconds{60};
    made.comes = minutes
                     ? text(
                           "its decoder keeps what it was told for %1: to make it forget, let it "
                           "stand so long",
                           formatted(time, 2))
                     : text("its decoder forgets what it was told after %1", formatted(time, 2));
    made.figure =
        figures::computed(text("Decoder awake, standing, its lamps out"), "t_awake", time, "",
                          {figures::assumed(text("Processor"), "I_cpu", processor.current,
                                            text("usual for a decoder"))});
    return made;
}

Consequence onPlainDc(const JobAnalysis& facts, const BankState& state) {
    Consequence made;
    made.when = text("On plain DC");
    const Volts drop = crestVolts(facts.job) - state.bus;
    Volts comes = throttleOpen - drop;
    if (const BankClamp* clamp = clampOf(*facts.job.bank))
        comes = std::min(comes, clamp->volts * (1 + clamp->tolerance));
    const Volts rated = facts.job.bank->part.rated;
    const bool over = comes > rated;
    made.state = over ? State::Close : State::Fine;
    made.comes =
        over ? text(
                   "a throttle with little on it may bring %1 to a bank rated %2: keep it off such "
                   "a layout, or clamp it",
                   formatted(comes, 3), formatted(rated, 3))
        : state.hold->time
            ? text("it runs on for %1 after the throttle is shut", formatted(*state.hold->time, 2))
            : text("it runs on after the throttle is shut");
    made.figure =
        figures::computed(text("Volts that may come"), "V_dc", comes, "",
                          {figures::assumed(text("A throttle with little on it"), "V_open",
                                            throttleOpen, text("usual of one of 12 V"))});
    return made;
}

Consequence ofSound(const BankState& state, const Loads& loads) {
    Consequence made;
    made.when = text("Its sound");
    const auto silent = lasts(state, loads.bus, silentBelow);
    made.comes = !silent ? text("goes on as long as its motor does")
                         : text("goes silent after %1 without track, before the motor stops",
                                formatted(*silent, 2));
    made.figure =
        figures::computed(text("Sound without track"), "t_sound", silent.value_or(Seconds{0}), "",
                          {figures::assumed(text("Its amplifier is silent below"), "V_silent",
                                            silentBelow, text("usual for a decoder"))});
    return made;
}

/// What its charge resistor gives off while contact comes and goes.
Consequence inItsResistor(const JobAnalysis& facts, const BankState& state, const Loads& loads) {
    Consequence made;
    made.when = text("On dirty rails");
    const double drawn = loads.bus.drawn(state.bus).value();
    const double farads = state.bank.capacitance.value();
    const auto& counted = facts.job.layout.dirt;
    const double perMetre = counted ? counted->stuttersPerMetre : usualStutters;
    // A stutter takes I·t out of it, ½·C·ΔV² stays in the resistor when that comes back; lengths
    // are random without memory, so the mean of t² is twice the square of its mean.
    const double speed = creepSpeed(facts.job).value();
    const double mean = Metres{stutterLength}.value() / speed;
    const double taken = std::min(drawn * mean / farads, state.bus.value());
    const Watts usual{perMetre * speed * farads * taken * taken};
    const Watts half = heatOffHalfOfTheTime(state, loads);
    made.state = stuttersMuch(facts.job) && half > resistorBears ? State::Close : State::Fine;
    made.comes =
        half > resistorBears
            ? text(
                  "its charge resistor gets %1; were it without power half of the time, %2: one "
                  "of a quarter of a watt cooks then",
                  formatted(usual, 2), formatted(half, 2))
            : text("its charge resistor gets %1; were it without power half of the time, %2",
                   formatted(usual, 2), formatted(half, 2));
    std::vector<Figure> inputs{
        figures::computed(text("Every load"), "I", Amperes{drawn}, "", {}),
        figures::computed(text("Charge resistor"), "R", state.bank.charge, "", {})};
    if (!counted) {
        inputs.push_back(figures::assumed(text("Stutters a metre"), "n", perMetre,
                                          text("nobody counted"), "dirt "));
    }
    made.figure = figures::computed(text("Its charge resistor, off half of the time"), "P_half",
                                    half, "I² · R / 2", std::move(inputs));
    return made;
}

/// What is left in it the next morning.
Consequence overNight(const JobAnalysis& facts, const BankState& state) {
    Consequence made;
    made.when = text("Put away for the night");
    const BankPart& part = facts.job.bank->part;
    const Seconds tau = losesItsVoltsWithin(part);
    const Volts left = leftInTheMorning(part, state);
    made.comes = left > Volts{0.5}
                     ? text(
                           "its decoder empties it to %1, and of those %2 are left in the morning: "
                           "a resistor across it before you solder",
                           formatted(processorMinimum), formatted(left, 2))
                     : text("nothing is left in it in the morning");
    made.figure = figures::computed(
        text("Left after %1 h", formatted(night.value() / 3600, Dimension::Ratio)), "V_left", left,
        "V_min · e^(−t / τ)",
        {figures::assumed(text("Loses its volts by itself within"), "τ", tau,
                          text("usual for its kind"))});
    return made;
}

/// What years of running leave of it.
Consequence whenOld(const JobAnalysis& facts, const BankState& state) {
    Consequence made;
    made.when = text("In ten years");
    const FittedBank& bank = *facts.job.bank;
    const Celsius warm = bank.warmth ? bank.warmth->value : usualWarmth;
    const double left = leftInTenYears(bank, state);
    made.figure = figures::computed(
        text("Farads left of it then"), "k_left", left, "",
        {bank.warmth
             ? figures::measured(text("Where it lies"), "T", warm, bank.warmth->on, {}, "warm ")
             : figures::assumed(text("Where it lies"), "T", warm, text("a closed body, running"),
                                "warm "),
         figures::assumed(text("It runs within them"), "t_on", tenYears, text("100 h a year"))});
    if (!state.hold->time) {
        made.comes =
            text("it has %1 of its farads and still holds as long as one likes", percent(left));
        return made;
    }
    const Seconds then = *state.hold->time * left;
    const bool shorter = *state.hold->time >= state.needed && then < state.needed;
    made.state = shorter ? State::Close : State::Fine;
    made.comes =
        shorter ? text("it has %1 of its farads: it holds %2 then, too short for what is needed",
                       percent(left), formatted(then, 2))
        : left > 0.98
            ? text("it is as good as new, with 100 hours of running a year")
            : text("it has %1 of its farads, with 100 hours of running a year: it holds %2",
                   percent(left), formatted(then, 2));
    return made;
}

}  // namespace

Seconds selfDischarge(BankKind kind) {
    switch (kind) {
        case BankKind::Electrolytic:
            return Seconds{1000};
        case BankKind::Tantalum:
            return Seconds{2000};
        case BankKind::Supercapacitor:
        case BankKind::Module:
            break;
    }
    return Seconds{2e5};
}

bool stuttersMuch(const Job& job) {
    return job.layout.dirt && job.layout.dirt->stuttersPerMetre >= 3;
}
Seconds losesItsVoltsWithin(const BankPart& part) {
    return part.kind == BankKind::Supercapacitor && part.balanced
               ? Seconds{balanceOhms.value() * part.capacitance.value() * part.inSeries}
               : selfDischarge(part.kind);
}
Volts leftInTheMorning(const BankPart& part, const BankState& state) {
    return std::min(state.full, processorMinimum) *
           std::exp(-(night / losesItsVoltsWithin(part)).value());
}
Watts heatOffHalfOfTheTime(const BankState& state, const Loads& loads) {
    // All of it comes through the resistor in the other half, as far as the volts reach for that.
    const double ohms = state.bank.charge.value();
    const double through =
        std::min(loads.bus.drawn(state.bus).value(), (state.bus - processorMinimum).value() / ohms);
    return Watts{through * through * ohms / 2};
}
double leftInTenYears(const FittedBank& bank, const BankState& state) {
    const BankPart& part = bank.part;
    const double cells = part.inSeries;
    return shareLeft(part.kind, tenYears, bank.warmth ? bank.warmth->value : usualWarmth,
                     state.full / cells, part.rated / cells);
}

Bank throughLeads(Bank bank) {
    bank.charge = std::max(bank.charge, leads);
    return bank;
}

Amperes chargeAfter(const BankState& state, Seconds time) {
    const Bank bank = throughLeads(state.bank);
    const double tau = chargeTimeConstant(bank).value();
    return chargePeak(bank, state.bus) * std::exp(-time.value() / tau);
}

Seconds chargeBelow(const BankState& state, Amperes current) {
    const Bank bank = throughLeads(state.bank);
    const double ratio = (chargePeak(bank, state.bus) / current).value();
    return ratio > 1 ? chargeTimeConstant(bank) * std::log(ratio) : Seconds{0};
}

std::vector<Consequence> consequencesOf(const JobAnalysis& facts) {
    std::vector<Consequence> all;
    const auto& bank = working(facts.job);
    if (!bank) return all;
    const Loads& loads = loadsOf(facts);
    const BankState& state = bankState(facts);
    if (!state.hold || !(state.bus > processorMinimum)) return all;
    if (state.bank.charge > Ohms{0}) {
        all.push_back(onProgrammingTrack(state));
        all.push_back(atPowerUp(state));
    }
    if (state.bank.charge > Ohms{0}) all.push_back(inItsResistor(facts, state, loads));
    all.push_back(whenCut(facts, state));
    all.push_back(whenUnwanted(state, loads));
    if (facts.job.decoder && facts.job.decoder->part.sound) all.push_back(ofSound(state, loads));
    all.push_back(onPlainDc(facts, state));
    all.push_back(overNight(facts, state));
    all.push_back(whenOld(facts, state));
    return all;
}

}  // namespace glimmet::core::stay_alive
