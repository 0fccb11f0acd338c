// Checks of the stay-alive: does it hold, does it bear the volts, can it be charged.
#include "core/quantity/format.h"
#include "core/work/reserve/bank_state.h"
#include "core/work/reserve/reserve.h"
#include "core/work/seat.h"
#include "core/work/supply.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::reserve {
namespace {

/// What the rating should be above the volts that come (docs/physics.md).
double voltsMargin(BankKind kind, bool chargeLimited) {
    switch (kind) {
        case BankKind::Electrolytic:
            return 1.25;
        case BankKind::Tantalum:
            return chargeLimited ? 1.5 : 2.0;
        case BankKind::Supercapacitor:
            return 1 / 0.9;
        case BankKind::Module:
            break;
    }
    return 1.05;
}

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

Text capacitorCaution() {
    return text(
        "Discharge a bank through a resistor before you touch it. Plus goes to the common (blue) "
        "wire, minus to the decoder's ground, never to rail or frame: a reversed capacitor vents "
        "or "
        "burns.");
}

Text frogWords(const Job& job) {
    return text("an insulated frog of %1 at %2 km/h", formatted(frogLength(job), 3),
                formatted(usualSpeed.value(), Dimension::Ratio));
}

State holdState(const BankState& state) {
    if (!state.worst || *state.worst >= state.needed) return State::Fine;
    return !state.hold->time || *state.hold->time >= state.needed ? State::Close : State::Over;
}

State voltsState(const BankPart& part, const BankState& state) {
    if (state.highest > part.rated) return State::Over;
    const bool limited = state.bank.charge > Ohms{0};
    return state.highest * voltsMargin(part.kind, limited) > part.rated ? State::Close
                                                                        : State::Fine;
}

/// What a bank of the catalogue would be fitted with.
FittedBank asFitted(const BankPart& part, const Job& job) {
    FittedBank bank;
    bank.part = part;
    if (!(part.charge > Ohms{0})) {
        bank.charge = job.bank && job.bank->charge && *job.bank->charge > Ohms{0}
                          ? *job.bank->charge
                          : usualCharge;
    }
    if (!(part.diode > Volts{0})) bank.diode = usualDiode;
    return bank;
}

std::string jotOf(const FittedBank& bank) {
    std::string line = "bank " + bank.part.id;
    if (bank.charge) line += " charge " + formatted(bank.charge->value(), Dimension::Ratio) + "R";
    if (bank.diode) line += " diode " + formatted(bank.diode->value(), Dimension::Ratio) + "V";
    return line;
}

/// Banks of the catalogue, tried one by one: first what holds, bears the volts and finds room; of
/// those the smallest.
std::vector<Option> bankOptions(const Reckoned& facts, const Loads& loads) {
    struct Tried {
        FittedBank bank;
        BankState state;
        State worst{};
        bool room = false;
        std::string hollow;
        [[nodiscard]] double volume() const {
            return (bank.part.length * bank.part.width * bank.part.height).value();
        }
    };
    std::vector<Tried> all;
    for (const BankPart& part : facts.catalogue.banks) {
        const FittedBank fitted = asFitted(part, facts.job);
        Tried tried{fitted, bankState(facts, fitted, loads), {}, false, {}};
        if (!tried.state.hold) continue;
        tried.worst = worse(holdState(tried.state), voltsState(part, tried.state));
        const Box box{"bank", part.name, part.length, part.width, part.height, {}};
        const auto seated = seats(facts.job, &box);
        const Seat* seat = seatOf(seated, "bank");
        tried.room = seat && seat->fits;
        tried.hollow = seat ? seat->hollow : std::string();
        all.push_back(std::move(tried));
    }
    std::stable_sort(all.begin(), all.end(), [](const Tried& a, const Tried& b) {
        if (a.worst != b.worst) return a.worst < b.worst;
        if (a.room != b.room) return a.room;
        return a.worst == State::Over ? a.state.hold->time > b.state.hold->time
                                      : a.volume() < b.volume();
    });
    std::vector<Option> options;
    for (const Tried& tried : all) {
        Option option;
        option.inPlace = facts.job.bank && facts.job.bank->part.id == tried.bank.part.id;
        if (options.size() >= 4 && !option.inPlace) continue;
        option.what = verbatim(tried.bank.part.name);
        const Text holds = tried.state.hold->time
                               ? text("holds %1", formatted(*tried.state.hold->time, 2))
                               : text("holds as long as one likes");
        option.effect = voltsState(tried.bank.part, tried.state) == State::Over
                            ? text("%1, but bears only %2", holds, formatted(tried.bank.part.rated))
                        : tried.room ? text("%1, lies in the %2", holds, tried.hollow)
                                     : text("%1, no hollow holds it", holds);
        option.state = tried.worst;
        option.jot = jotOf(tried.bank);
        options.push_back(std::move(option));
    }
    return options;
}

Figure neededFigure(const Job& job, const BankState& state) {
    const auto frog = frogTime(job);
    return figures::assumed(
        text("Without power"), "t_dead", state.needed,
        frog && *frog >= dirt ? frogWords(job) : text("a stutter on dirty rails"));
}

void judgeNone(const Reckoned& facts, Judging& judging) {
    const auto frog = frogTime(facts.job);
    judging.say("reserve.none", {}, State::Fine, Gravity::CouldBeBetter, [&](Finding& finding) {
        const bool dies = frog && *frog > Seconds{0};
        finding.sentence =
            !frog  ? text("No stay-alive is fitted.")
            : dies ? text("No stay-alive: %1 leaves it without power for %2.", frogWords(facts.job),
                          formatted(*frog, 2))
                   : text("No stay-alive: its wheels bridge %1 by themselves, dirt they do not.",
                          frogWords(facts.job));
        if (frog) {
            finding.figures = {
                figures::assumed(text("Without power"), "t_dead", *frog, frogWords(facts.job))};
        }
        finding.options = bankOptions(facts, loadsOf(facts));
        if (!finding.options.empty()) finding.caution = capacitorCaution();
    });
}

void judgeHold(const Reckoned& facts, const Loads& loads, const BankState& state,
               Judging& judging) {
    const State verdict = holdState(state);
    judging.say("reserve.hold", {}, verdict, Gravity::WorksBadly, [&](Finding& finding) {
        const auto frog = frogTime(facts.job);
        const Text held = state.hold->time ? verbatim(formatted(*state.hold->time, 2))
                                           : text("as long as one likes");
        const Text dead =
            frog && *frog >= dirt
                ? text("%1 leaves it dead for %2", frogWords(facts.job), formatted(*frog, 2))
                : text("a stutter on dirty rails takes %1", formatted(dirt, 2));
        const bool slow = state.back > usualDiode * 4.0;
        finding.sentence = verdict == State::Fine ? text("Holds %1: %2.", held, dead)
                           : verdict == State::Close
                               ? text("Holds %1, and %2 in the worst case: %3.", held,
                                      formatted(state.worst.value_or(Seconds{0}), 2), dead)
                           : slow ? text(
                                        "Holds only %1 because it gives back through its charge "
                                        "resistor: %2.",
                                        held, dead)
                                  : text("Too short: holds %1, and %2.", held, dead);
        if (verdict == State::Over) {
            finding.action =
                slow ? text("put a diode across the charge resistor") : text("a larger bank");
        }
        const FittedBank& bank = *facts.job.bank;
        std::vector<Figure> inputs{
            bank.measured ? figures::measured(text("Capacitance"), "C", bank.measured->value,
                                              bank.measured->on, {}, "bank ")
                          : figures::catalogue(text("Capacitance"), "C", bank.part.capacitance,
                                               verbatim(bank.part.name)),
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
        finding.figures = {
            state.hold->time
                ? figures::computed(text("Holds without track"), "t_hold", *state.hold->time, "",
                                    std::move(inputs))
                : figures::computed(text("Volts where its loads stop drawing"), "V_stop",
                                    state.hold->stops, "", std::move(inputs)),
            neededFigure(facts.job, state)};
        if (state.worst) {
            std::vector<Figure> spread{assumedRatio(text("Spread of the supply"), "spread",
                                                    facts.house.supplySpread,
                                                    text("from place to place"))};
            if (!bank.measured) {
                spread.push_back(assumedRatio(text("Capacitance may be less by"), "short",
                                              capacitanceShort, text("usual for its kind")));
            }
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
        for (Option& option : bankOptions(facts, loads))
            finding.options.push_back(std::move(option));
        finding.caution = capacitorCaution();
    });
}

void judgeVolts(const Reckoned& facts, const Loads& loads, const BankState& state,
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
                              {trackFigure(facts.job),
                               assumedRatio(text("Spread of the supply"), "spread",
                                            facts.house.supplySpread, text("from place to place")),
                               rectifierFigure(facts.job, facts.house)});
        finding.figures = {
            std::move(highest),
            figures::catalogue(text("Rating"), "V_rated", part.rated, verbatim(part.name)),
            assumedRatio(text("Rating wanted, of those volts"), "margin", margin,
                         text("usual for its kind"))};
        if (verdict != State::Fine) finding.options = bankOptions(facts, loads);
        if (verdict == State::Over) finding.caution = capacitorCaution();
    });
}

// On the programming track more than this, after the first tenth of a second, trips its limit.
constexpr Amperes programmingLimit{0.1};
constexpr Seconds programmingTime{0.1};
constexpr Joules muchHeat{1.0};  // in one charge, for a quarter-watt resistor

Amperes chargeAt(const BankState& state, Seconds time) {
    const double tau = chargeTimeConstant(state.bank).value();
    return chargePeak(state.bank, state.bus) * std::exp(-time.value() / tau);
}
State chargeState(const BankState& state) {
    if (!(state.bank.charge > Ohms{0})) return State::Over;
    const bool trips = chargeAt(state, programmingTime) > programmingLimit;
    return trips || chargeEnergy(state.bank, state.bus) > muchHeat ? State::Close : State::Fine;
}

/// What was read of the bank, against what is printed on it.
void judgeCapacitance(const FittedBank& bank, Judging& judging) {
    constexpr double tooLittle = 0.7;  // electrolytics are sold to −20 %; then a meter's error
    if (!bank.measured || bank.measured->value >= bank.part.capacitance * tooLittle) return;
    judging.say(
        "reserve.capacitance", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
            finding.sentence = text(
                "The bank has %1, and %2 is printed on it: aged, dried out, or one of several is "
                "not joined.",
                formatted(bank.measured->value, 2), formatted(bank.part.capacitance));
            finding.action = text("look at the bank's joints");
            finding.figures = {figures::measured(text("Capacitance"), "C", bank.measured->value,
                                                 bank.measured->on, {}, "capacitance "),
                               figures::catalogue(text("Printed on it"), "C_printed",
                                                  bank.part.capacitance, verbatim(bank.part.name))};
            finding.caution = capacitorCaution();
        });
}

void judgeCharge(const Reckoned& facts, const BankState& state, Judging& judging) {
    const State verdict = chargeState(state);
    judging.say("reserve.charge", {}, verdict, Gravity::DoesNotWork, [&](Finding& finding) {
        const auto withCharge = [&](Ohms value) {
            BankState tried = state;
            tried.bank.charge = value;
            Option option;
            // Without a diode past it the bank would give back through the resistor: held up by it.
            const bool diode = state.bank.diode > Volts{0};
            option.what = diode ? verbatim(formatted(value))
                                : text("%1, and a Schottky diode past it", formatted(value));
            option.effect =
                text("%1 at first, full after %2", formatted(chargePeak(tried.bank, tried.bus), 2),
                     formatted(chargeTimeConstant(tried.bank) * 5.0, 2));
            option.state = chargeState(tried);
            option.jot = "charge " + formatted(value.value(), Dimension::Ratio) + "R";
            if (!diode) {
                option.jot += " diode " + formatted(usualDiode.value(), Dimension::Ratio) + "V";
            }
            option.inPlace = facts.job.bank->charge && *facts.job.bank->charge == value;
            finding.options.push_back(std::move(option));
        };
        if (verdict == State::Over) {
            finding.sentence = text(
                "Nothing limits the charge: it trips the booster when the model is put on the "
                "track, and programming fails.");
            finding.action = text("a resistor in the charge path");
            for (const double value : {100.0, 220.0, 47.0}) withCharge(Ohms{value});
            finding.figures = {figures::chosen(text("Charge resistor"), "R_charge",
                                               state.bank.charge, text("none"), "charge ")};
            return;
        }
        const Amperes peak = chargePeak(state.bank, state.bus);
        const Seconds full = chargeTimeConstant(state.bank) * 5.0;
        const Joules heat = chargeEnergy(state.bank, state.bus);
        const bool trips = chargeAt(state, programmingTime) > programmingLimit;
        if (trips) finding.action = text("take the bank off to program");
        finding.sentence =
            trips ? text(
                        "Charges with %1 and is full after %2: longer than the programming track "
                        "bears. Take the bank off to program, or fit more ohms.",
                        formatted(peak, 2), formatted(full, 2))
            : verdict == State::Close
                ? text(
                      "Charges with %1; %2 go into the charge resistor each time: one of 1 W, not "
                      "less.",
                      formatted(peak, 2), formatted(heat, 2))
                : text("Charges with %1 and is full after %2.", formatted(peak, 2),
                       formatted(full, 2));
        const FittedBank& bank = *facts.job.bank;
        finding.figures = {
            figures::computed(
                text("First charge current"), "I_charge", peak, "V_bus / R_charge",
                {busFigure(facts.job, facts.house),
                 bank.charge ? figures::chosen(text("Charge resistor"), "R_charge",
                                               state.bank.charge, {}, "charge ")
                             : figures::catalogue(text("Charge resistor"), "R_charge",
                                                  state.bank.charge, verbatim(bank.part.name))}),
            figures::computed(text("Full after"), "t_full", full, "", {}),
            figures::computed(text("Heat of one charge"), "E_charge", heat, "", {})};
        if (verdict == State::Close) {
            for (const double value : {100.0, 220.0, 470.0}) withCharge(Ohms{value});
        }
    });
}

}  // namespace

bool applies(const Job& job) {
    // A battery has no dead track, a building does not roll.
    return !isStructure(job) && job.feed != Feed::BatteryRadio && job.feed != Feed::FixedDc;
}

Idle idle(const Job& job) { return {job.bank ? Text{} : text("none fitted"), true}; }

void judge(const Reckoned& facts, Judging& judging) {
    const Job& job = facts.job;
    if (!job.bank) {
        judgeNone(facts, judging);
        return;
    }
    if (!job.decoder) {
        judging.say("reserve.decoder", {}, State::Ask, Gravity::DoesNotWork, [&](Finding& finding) {
            finding.sentence = text("The bank waits for a decoder: it hangs on its common wire.");
            finding.action = text("choose a decoder");
        });
    }
    const Loads loads = loadsOf(facts);
    const BankState state = bankState(facts, *job.bank, loads);
    if (!state.hold) return;  // nothing draws: there is a processor, so it does
    judgeHold(facts, loads, state, judging);
    judgeVolts(facts, loads, state, judging);
    judgeCapacitance(*facts.job.bank, judging);
    judgeCharge(facts, state, judging);
}

void boxes(const Job& job, std::vector<Box>& all) {
    if (!job.bank) return;
    const BankPart& part = job.bank->part;
    all.push_back({"bank", part.name, part.length, part.width, part.height, job.bank->seat});
}

}  // namespace glimmet::core::reserve
