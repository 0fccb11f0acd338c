#include "core/work/stay_alive/judge_fitting.h"

#include "core/analysis/stay_alive/ageing.h"
#include "core/analysis/supply.h"
#include "core/finding/answer.h"
#include "core/led/preferred_value.h"
#include "core/quantity/format.h"
#include "core/stay_alive/cells.h"
#include "core/work/jot.h"
#include "core/work/stay_alive/bank_options.h"
#include "core/work/stay_alive/own_bank.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {
namespace {

constexpr Watts clampBears{0.25};     // of one of half a watt, in a closed model
constexpr double nearlyTooWarm = 10;  // degrees below what it bears
constexpr double seldom = 0.01, mostly = 0.5;

/// As many of the same cells as take what comes with a margin, a resistor across each.
std::optional<Option> moreCells(const BankPart& part, const BankState& state) {
    const double cell = part.rated.value() / part.inSeries;
    const double wanted =
        state.highest.value() * voltsMargin(part.kind, state.bank.charge > Ohms{0});
    const int count = static_cast<int>(std::ceil(wanted / cell - 1e-9));
    if (count > 12) return {};
    const Farads each = part.capacitance * static_cast<double>(part.inSeries);
    Option option;
    option.what = text("%1 such cells in series, a resistor across each", std::to_string(count));
    option.effect = text("%1 at up to %2", formatted(each / static_cast<double>(count), 3),
                         formatted(Volts{cell * count}, 3));
    option.state = State::Fine;
    option.jot = "bank " + std::to_string(count) + " x " +
                 asJot(Dimension::Capacitance, each.value()) + " " +
                 asJot(Dimension::Voltage, cell) + " in series balanced";
    if (state.bank.charge > Ohms{0})
        option.jot += " charge " + asJot(Dimension::Resistance, state.bank.charge.value());
    return option;
}

void judgeCells(const JobAnalysis& facts, const BankState& state, Judging& judging) {
    const BankPart& part = facts.job.bank->part;
    const double share = overloadedCells(part, state);
    const State verdict = cellsState(share);
    if (verdict == State::Fine) return;
    const Volts bears = part.rated / static_cast<double>(part.inSeries);
    const Volts even = state.highest / static_cast<double>(part.inSeries);
    judging.say("reserve.cells", {}, verdict, Gravity::PartDestroyed, [&](Finding& finding) {
        const std::string cells = std::to_string(part.inSeries);
        finding.sentence =
            even > bears
                ? text(
                      "Too few cells: up to %1 on %2 in series is %3 each, even when they share "
                      "it evenly; each is rated for %4.",
                      formatted(state.highest, 3), cells, formatted(even, 3), formatted(bears))
                : text(
                      "In %1 of such banks one of the %2 cells gets more than the %3 it bears, %4 "
                      "at the most: nothing shares the volts among them.",
                      percent(share), cells, formatted(bears),
                      formatted(highestCell(state.highest, part.inSeries), 3));
        finding.action =
            even > bears ? text("more cells in series") : text("a resistor across each cell");
        finding.figures = {
            figures::computed(text("Highest volts at the bank"), "V_top", state.highest, "",
                              {trackFigure(facts.job), spreadFigure(facts.job, facts.house)}),
            figures::computed(text("Most that a cell can get"), "V_cell",
                              highestCell(state.highest, part.inSeries), "",
                              {figures::assumed(text("Cells within ±"), "spread_C", cellSpread,
                                                text("usual of one bag"))}),
            printedFigure(text("A cell bears"), "V_bears", bears, part)};
        finding.caution = capacitorCaution();
        if (even > bears) {
            if (auto more = moreCells(part, state)) finding.options.push_back(std::move(*more));
            return;
        }
        Option option;
        option.what = text("a resistor across each cell, some 10 kΩ");
        option.effect = text("they share the volts evenly; the bank runs empty in hours");
        option.state = State::Fine;
        option.jot = "balance cells";
        finding.options = {std::move(option)};
    });
}

void judgeTerminals(const Job& job, OfferedBanks& banks, Judging& judging) {
    if (!job.decoder) return;
    const bool module = job.bank->part.kind == BankKind::Module;
    const StayAliveTerminals there = job.decoder->part.stayAlive;
    const auto say = [&](State state, Text sentence, Text action) {
        judging.say("reserve.terminals", {}, state, Gravity::DoesNotWork, [&](Finding& finding) {
            finding.sentence = std::move(sentence);
            finding.action = std::move(action);
            finding.figures = {};
            finding.caution = capacitorCaution();
            if (module) finding.options = banks.options();
        });
    };
    const std::string decoder = job.decoder->part.name;
    switch (there) {
        case StayAliveTerminals::Managed:
            return;
        case StayAliveTerminals::TwoWire:
        case StayAliveTerminals::Pads:
            if (!module) return;
            say(State::Close,
                text("%1 has no third wire for a plug-in reserve: it does as a plain bank, always "
                     "on, "
                     "also on the programming track.",
                     decoder),
                text("a decoder that switches its reserve, or a plain bank"));
            return;
        case StayAliveTerminals::None:
            say(module ? State::Over : State::Close,
                module
                    ? text("%1 has nowhere to join a plug-in reserve.", decoder)
                    : text("%1 has no pads for a bank: it has to be soldered to the plus and minus "
                           "of its rectifier, work for a practised hand.",
                           decoder),
                text("a decoder with terminals for a reserve"));
            return;
        case StayAliveTerminals::Unknown:
            if (!module) return;
            say(State::Ask,
                text("Look whether %1 has three terminals for a plug-in reserve.", decoder),
                text("look at the decoder's leaflet"));
            return;
    }
}

/// Across the bus nothing stands between the clamp and all that the booster gives.
void judgeClampBefore(const FittedBank& bank, const BankState& state, const ClampState& made,
                      Judging& judging) {
    const bool conducts = state.top > made.lowest;
    const std::string volts = formatted(bank.clamp->volts);
    judging.say(
        "reserve.clamp", {}, conducts ? State::Over : State::Close,
        conducts ? Gravity::FirePeople : Gravity::WorksBadly, [&](Finding& finding) {
            const std::string low = formatted(made.lowest, 3), top = formatted(state.top, 3);
            finding.sentence =
                conducts
                    ? text(
                          "The clamp of %1 stands on the wrong side: before the charge resistor "
                          "nothing limits it, from %2 on it shorts the bus, and %3 come. Track off "
                          "until it sits behind the resistor, across the bank.",
                          volts, low, top)
                    : text(
                          "The clamp of %1 stands on the wrong side: before the charge resistor it "
                          "is dark up to %2, and what comes above goes through it without limit. "
                          "It belongs behind the resistor, across the bank.",
                          volts, top);
            finding.action = text("the clamp behind the charge resistor");
            finding.figures = {
                figures::chosen(text("Clamp, as printed"), "V_z", bank.clamp->volts, {}, "clamp "),
                figures::computed(text("Bus at the most"), "V_top", state.top, "", {})};
            Option behind;
            behind.what = text("the same behind the resistor");
            behind.effect = text("the resistor limits what flows through it");
            behind.state = made.state;
            behind.jot = clampLine(*bank.clamp);
            finding.options = {std::move(behind)};
            finding.caution = capacitorCaution();
        });
}

/// What the decoder's leaflet allows on it.
void judgeAllowed(const Job& job, OfferedBanks& banks, Judging& judging) {
    if (!job.decoder || !job.decoder->part.mostBank || job.bank->part.kind == BankKind::Module)
        return;
    const State verdict = allowedState(job, job.bank->part);
    judging.say("reserve.allowed", {}, verdict, Gravity::PartDestroyed, [&](Finding& finding) {
        const Farads most = *job.decoder->part.mostBank;
        const std::string has = formatted(job.bank->part.capacitance), may = formatted(most);
        finding.sentence =
            verdict == State::Over
                ? text(
                      "More than the decoder allows: %1 on %2, whose leaflet allows %3. What "
                      "charges it there was not made for it: a smaller bank, or another decoder.",
                      has, job.decoder->part.name, may)
                : text("Within what the decoder allows: %1 of %2.", has, may);
        if (verdict == State::Over) {
            finding.action = text("a smaller bank");
            finding.options = banks.options();
        }
        finding.figures = {
            printedFigure(text("Capacitance"), "C", job.bank->part.capacitance, job.bank->part),
            figures::catalogue(text("The decoder allows"), "C_most", most,
                               verbatim(job.decoder->part.name))};
        if (verdict == State::Over) finding.caution = capacitorCaution();
    });
}

void judgeClamp(const JobAnalysis& facts, const BankState& state, Judging& judging) {
    const auto& clamp = facts.job.bank->clamp;
    if (!clamp || letsMoreCome(*facts.job.bank)) return;
    const BankPart& part = facts.job.bank->part;
    const ClampState made = clampState(*clamp, part, state);
    if (clamp->before) return judgeClampBefore(*facts.job.bank, state, made, judging);
    const bool limited = state.bank.charge > Ohms{0};
    const bool lets = made.highest > part.rated;
    const Gravity gravity = !limited || made.heat > clampBears ? Gravity::FirePeople
                            : lets                             ? Gravity::PartDestroyed
                                                               : Gravity::WorksBadly;
    judging.say("reserve.clamp", {}, made.state, gravity, [&](Finding& finding) {
        const std::string volts = formatted(clamp->volts);
        const std::string low = formatted(made.lowest, 3);
        const std::string high = formatted(made.highest, 3);
        const std::string top = formatted(state.top, 3);
        finding.sentence =
            !limited && made.heat > Watts{0}
                ? text("Nothing limits what flows through the clamp: from %1 on it shorts the bus.",
                       low)
            : !(made.heat > Watts{0}) && lets
                ? text(
                      "The clamp of %1 never conducts: no more than %2 come. It does nothing here.",
                      volts, top)
            : lets
                ? text("The clamp of %1 may let %2 come to a bank rated %3: it protects nothing.",
                       volts, high, formatted(part.rated, 3))
            : made.heat > clampBears
                ? text("The clamp of %1 conducts all the time: up to %2 come, and it gives off %3.",
                       volts, top, formatted(made.heat, 2))
            : made.heat > Watts{0}
                ? text(
                      "The clamp of %1 may conduct from %2 on, and up to %3 come: it gets warm, "
                      "%4.",
                      volts, low, top, formatted(made.heat, 2))
                : text(
                      "The clamp of %1 is dark up to %2 and lets no more than %3 come to the bank.",
                      volts, top, high);
        finding.figures = {
            figures::chosen(text("Clamp, as printed"), "V_z", clamp->volts, {}, "clamp "),
            figures::computed(text("Bus at the most"), "V_top", state.top, "",
                              {trackFigure(facts.job), spreadFigure(facts.job, facts.house)}),
            printedFigure(text("Rating"), "V_rated", part.rated, part)};
        if (made.heat > Watts{0}) {
            finding.figures.push_back(figures::computed(text("Heat in the clamp"), "P_z", made.heat,
                                                        "(V_top − V_z) / R_charge · V_z", {}));
        }
        if (made.state == State::Fine) return;
        const auto fitting = clampsThatFit(part, state);
        finding.action =
            fitting.empty() ? text("no clamp, and a bank of higher rating") : text("another clamp");
        for (const Volts fits : fitting) {
            Option option;
            option.what = text("a Zener of %1 within 5 %", formatted(fits));
            option.effect =
                text("dark up to %1, lets at most %2 come", top, formatted(fits * 1.05, 3));
            option.state = State::Fine;
            option.jot = "clamp " + formatted(fits.value(), Dimension::Ratio) + "V";
            finding.options.push_back(std::move(option));
        }
        if (limited && !lets && made.heat > clampBears) {
            // So much resistance as leaves it half of what it can take.
            const Ohms more = (state.top - made.lowest) * clamp->volts / (clampBears * 0.5);
            const Ohms value = preferredValue(more, Series::E6, RoundingPolicy::Higher);
            if (value <= Ohms{10000}) {
                Option option;
                option.what = text("%1 in the charge path", formatted(value));
                option.effect =
                    text("the clamp then gives off %1",
                         formatted((state.top - made.lowest) / value * clamp->volts, 2));
                option.state = State::Fine;
                option.jot = "charge " + asJot(Dimension::Resistance, value.value());
                finding.options.push_back(std::move(option));
            }
        }
        if (fitting.empty()) {
            Option option;
            option.what = text("no clamp");
            option.effect = text("the bank gets what the bus has");
            option.state = State::Close;
            option.jot = "clamp none";
            finding.options.push_back(std::move(option));
        }
        finding.caution = capacitorCaution();
    });
}

/// Where it lies, by the thermometer: too warm for its kind, or so cold that it holds less.
void judgeWarmth(const FittedBank& bank, const BankState& state, OfferedBanks& banks,
                 Judging& judging) {
    if (!bank.warmth) return;
    const BankKind kind = bank.part.kind;
    const Celsius warm = bank.warmth->value, most = bearsUpTo(kind);
    const double frost = shareInFrost(kind, warm);
    const bool over = warm > most;
    const bool close = warm.value() > most.value() - nearlyTooWarm;
    // Its time goes with its farads.
    const bool shorter = frost < 1 && state.hold->time && *state.hold->time >= state.needed &&
                         *state.hold->time * frost < state.needed;
    judging.say(
        "reserve.warmth", {},
        over               ? State::Over
        : close || shorter ? State::Close
                           : State::Fine,
        over || close ? Gravity::PartDestroyed : Gravity::WorksBadly, [&](Finding& finding) {
            const std::string lies = formatted(warm, 3), bears = formatted(most, 3);
            const Text mean = text("what it is of: a %1", std::string(name(kind)));
            finding.sentence =
                over ? text(
                           "Too warm for it: %1 where it lies, and it bears %2. Away from motor "
                           "and decoder, or another kind.",
                           lies, bears)
                : close ? text(
                              "Warm for it: %1 where it lies, of %2 that it bears: it ages fast. "
                              "Better away from motor and decoder.",
                              lies, bears)
                : shorter ? text("In frost it holds too short: at %1 it has %2 of its farads.",
                                 lies, percent(frost))
                : frost < 1
                    ? text("At %1 it has %2 of its farads, and bears that.", lies, percent(frost))
                    : text("It lies at %1 and bears %2.", lies, bears);
            if (over || close) {
                finding.action = text("the bank to a cooler place");
                finding.options = banks.options();
            }
            finding.figures = {
                figures::measured(text("Where it lies"), "T", warm, bank.warmth->on, {}, "warm "),
                figures::assumed(text("It bears"), "T_most", most, mean)};
            if (over || close) finding.caution = capacitorCaution();
        });
}

}  // namespace

double overloadedCells(const BankPart& part, const BankState& state) {
    if (part.inSeries < 2 || part.kind != BankKind::Supercapacitor) return 0;
    const Volts bears = part.rated / static_cast<double>(part.inSeries);
    if (part.balanced) return state.highest > part.rated ? 1 : 0;
    // Where none can, nothing is drawn.
    if (highestCell(state.highest, part.inSeries) <= bears) return 0;
    return overloadedShare(state.highest, part.inSeries, bears);
}
State cellsState(double share) {
    return share > mostly ? State::Over : share > seldom ? State::Close : State::Fine;
}

std::string clampLine(const BankClamp& clamp) {
    return "clamp " + formatted(clamp.volts.value(), Dimension::Ratio) + "V " +
           formatted(clamp.tolerance * 100, Dimension::Ratio) + "%";
}

ClampState clampState(const BankClamp& clamp, const BankPart& part, const BankState& state) {
    ClampState made;
    made.lowest = clamp.volts * (1 - clamp.tolerance);
    made.highest = clamp.volts * (1 + clamp.tolerance);
    const bool limited = state.bank.charge > Ohms{0};
    if (state.top > made.lowest) {
        made.heat = limited ? Watts{(state.top - made.lowest).value() / state.bank.charge.value() *
                                    made.lowest.value()}
                            : Watts{1000};
    }
    // One that never conducts does nothing, for good or ill.
    const bool dark = !(made.heat > Watts{0});
    made.state = dark                                                  ? State::Fine
                 : made.highest > part.rated || made.heat > clampBears ? State::Over
                                                                       : State::Close;
    return made;
}

std::vector<Volts> clampsThatFit(const BankPart& part, const BankState& state) {
    std::vector<Volts> all;
    for (const double volts :
         {10.0, 11.0, 12.0, 13.0, 15.0, 16.0, 18.0, 20.0, 22.0, 24.0, 27.0, 30.0, 33.0}) {
        const bool dark = Volts{volts * 0.95} >= state.top;
        if (dark && Volts{volts * 1.05} <= part.rated) all.emplace_back(volts);
    }
    return all;
}

void judgeTurned(const FittedBank& bank, Judging& judging) {
    judging.say("reserve.turned", {}, State::Over, Gravity::FirePeople, [&](Finding& finding) {
        const Text what =
            bank.part.kind == BankKind::Module
                ? text(
                      "Its plug stands the wrong way round: track off. What is in it may have "
                      "suffered; it goes in again only if its maker says so.")
            : bank.part.kind == BankKind::Tantalum
                ? text(
                      "The bank stands the wrong way round: track off. A tantalum catches fire "
                      "that way. Take it out and throw it away; a new one with its bar to plus.")
                : text(
                      "The bank stands the wrong way round: track off. On power it gets hot, "
                      "vents and can burst. Take it out and throw it away; a new one the right "
                      "way round.");
        finding.sentence = what;
        finding.action = text("take the bank out");
        finding.figures = {};
        Option fresh;
        fresh.what = text("a new one, the right way round");
        fresh.effect = text("by its mark, and metered before it gets power");
        fresh.state = State::Fine;
        fresh.jot = "bank right";
        Option out;
        out.what = text("no bank");
        out.effect = text("it runs as it came");
        out.state = State::Fine;
        out.jot = "bank none";
        finding.options = {std::move(fresh), std::move(out)};
        finding.caution = capacitorCaution();
    });
}

void judgeFitting(const JobAnalysis& facts, const BankState& state, OfferedBanks& banks,
                  Judging& judging) {
    judgeCells(facts, state, judging);
    judgeTerminals(facts.job, banks, judging);
    judgeAllowed(facts.job, banks, judging);
    judgeClamp(facts, state, judging);
    judgeWarmth(*facts.job.bank, state, banks, judging);
}

}  // namespace glimmet::core::stay_alive
