#include "core/work/stay_alive/judge_found.h"

#include "core/analysis/stay_alive/hold_test.h"
#include "core/analysis/stay_alive/leak.h"
#include "core/analysis/supply.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/stay_alive/judge_fitting.h"
#include "core/work/stay_alive/own_bank.h"

#include <algorithm>

namespace glimmet::core::stay_alive {
namespace {

constexpr Watts leakHeats{0.25};  ///< from which a small can gets hot

/// Banks instead of one that is worn: the first is the same again, new, which has its place.
std::vector<Option> replacements(OfferedBanks& banks) {
    std::vector<Option> all = banks.options();
    const auto same =
        std::find_if(all.begin(), all.end(), [](const Option& each) { return each.inPlace; });
    if (same == all.end()) return all;
    same->what = text("a new one of the same");
    same->jot = "bank right";
    same->inPlace = false;
    std::rotate(all.begin(), same, same + 1);
    return all;
}

Option clampPutRight(const BankClamp& clamp) {
    Option option;
    option.what = text("its joints put right, or a new one of %1", formatted(clamp.volts));
    option.effect = text("read the volts across the bank again");
    option.state = State::Fine;
    option.jot = clampLine(clamp);
    return option;
}

/// Its volts as they were read on the track, against those that belong there.
void judgeLeak(const JobAnalysis& facts, const BankState& state, OfferedBanks& banks,
               Judging& judging) {
    const FittedBank& bank = *facts.job.bank;
    if (!bank.across) return;
    const Volts value = bank.across->value, belongs = belonged(facts, bank);
    const Stands stands = standsAt(facts, bank);
    const bool above = value > bank.part.rated;
    const auto leak = leakOf(facts, bank);
    const Watts heat = leak ? value * leak->current : Watts{0};
    const bool over = above || heat > leakHeats;
    const bool faulty = stands == Stands::Leaks || stands == Stands::Unclamped;
    const State verdict = over                      ? State::Over
                          : faulty                  ? State::Close
                          : stands == Stands::Right ? State::Fine
                                                    : State::Ask;
    judging.say(
        "reserve.leak", {}, verdict, over ? Gravity::FirePeople : Gravity::WorksBadly,
        [&](Finding& finding) {
            const std::string read = formatted(value, 3), right = formatted(belongs, 3);
            finding.figures = {figures::measured(text("Across the bank"), "V_bank", value,
                                                 bank.across->on, text("on the track"), "across "),
                               figures::computed(text("Belonged across it"), "V_full", belongs, "",
                                                 {busFigure(facts.job, facts.house)})};
            if (verdict != State::Fine) finding.caution = capacitorCaution();
            if (above) {
                finding.sentence = text(
                    "Off the track with it: the bank stands at %1 and bears %2. It vents or burns.",
                    read, formatted(bank.part.rated, 3));
                finding.action = text("a bank of higher rating");
                finding.options = banks.options();
                return;
            }
            switch (stands) {
                case Stands::Right:
                    finding.sentence = text(
                        "The bank stands at %1 on the track: nothing leaks that could be seen.",
                        read);
                    return;
                case Stands::Higher:
                    finding.sentence = text(
                        "The bank stands at %1 and only %2 could come to it: the track has more "
                        "volts than are noted.",
                        read, right);
                    finding.action = text("read the volts of the track");
                    return;
                case Stands::Unclamped:
                    finding.sentence = text(
                        "The bank stands at %1: its clamp of %2 lets more come than it should. It "
                        "is open, or a joint of it is.",
                        read, formatted(bank.clamp->volts));
                    finding.action = text("look at the clamp's joints");
                    finding.options = {clampPutRight(*bank.clamp)};
                    return;
                case Stands::Low:
                    finding.sentence =
                        facts.job.supply.volts
                            ? text(
                                  "The bank stands at %1 where %2 belong, and nothing lies before "
                                  "it that a leak could cost volts in.",
                                  read, right)
                            : text(
                                  "The bank stands at %1. Whether it leaks is seen when the track "
                                  "was read too: of %2 assumed there, %3 would come to it.",
                                  read, formatted(trackVolts(facts.job), 3), right);
                    finding.action = text("read the volts of the track");
                    return;
                case Stands::Leaks:
                    break;
            }
            const Seconds full = rechargeTime(state.bank, belongAcross(bank, state.bus), Volts{0});
            finding.sentence =
                over ? text(
                           "%1 leak through the bank as long as there is track, and heat it with "
                           "%2: it stands at %3 where %4 belong. Take it off the track.",
                           formatted(leak->current, 2), formatted(heat, 2), read, right)
                     : text(
                           "%1 leak through the bank or past it as long as there is track: it "
                           "stands at %2 where %3 belong, and holds so much shorter.",
                           formatted(leak->current, 2), read, right);
            finding.action = text("see that it stands the right way round; else another bank");
            finding.figures.push_back(figures::computed(text("Leaks"), "I_leak", leak->current,
                                                        "(V_full − V_bank) / R_charge", {}));
            finding.figures.push_back(
                figures::computed(text("Heat in it"), "P_leak", heat, "V_bank · I_leak", {}));
            finding.options = {
                answer(text("Its plus lies where minus belongs"), text("that is why it leaks"),
                       State::Over, "bank turned"),
                answer(text("After %1 more it stands near %2", formatted(full, 2), right),
                       text("it only was not full"), State::Fine, acrossLine(belongs))};
            for (Option& option : replacements(banks)) finding.options.push_back(std::move(option));
        });
}

/// What was read of the bank, against what is printed on it.
void judgeCapacitance(const JobAnalysis& facts, Volts full, OfferedBanks& banks, Judging& judging) {
    const FittedBank& bank = *facts.job.bank;
    // Known to leak, or known not to: then that is no question any more.
    const bool leaks = leakOf(facts, bank).has_value();
    const bool module = bank.part.kind == BankKind::Module;  // no meter tells of it
    const bool tight = module || (bank.across && standsAt(facts, bank) == Stands::Right);
    const AgainstPrint against = againstPrint(bank);
    if (against == AgainstPrint::Fits) return;
    judging.say(
        "reserve.capacitance", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
            const bool less = against == AgainstPrint::Less;
            const Text found = text("%1, give or take %2,", formatted(bank.measured->value, 2),
                                    percent(bank.measured->within));
            const std::string printed = formatted(bank.part.capacitance);
            const bool cells = bank.part.inSeries > 1;
            if (!less) {
                finding.sentence = text(
                    "The bank would have %1 and %2 is printed on it: no bank has so much "
                    "more. What it feeds draws less than is reckoned here, or it was not "
                    "off the rails.",
                    found, printed);
                finding.action = text("read the motor running, then lift it once more");
            } else if (leaks) {
                finding.sentence = text(
                    "The bank has %1 and %2 is printed on it, its leak counted: it is worn as "
                    "well.",
                    found, printed);
                finding.action = text("another bank");
                finding.options = replacements(banks);
            } else if (cells) {
                if (tight) finding.options = replacements(banks);
                finding.sentence =
                    tight
                        ? text("The bank has %1 and %2 is printed on it: one of its cells is worn.",
                               found, printed)
                        : text(
                              "The bank has %1 and %2 is printed on it: one of its cells is worn, "
                              "or it leaks.",
                              found, printed);
                finding.action =
                    tight ? text("read the volts of each cell on the track: one that lags is worn")
                          : text(
                                "read the volts of each cell on the track: one that lags is worn, "
                                "all too low leak");
            } else {
                finding.sentence =
                    tight ? text(
                                "The bank has %1 and %2 is printed on it: aged, dried out, or one "
                                "of several is not joined.",
                                found, printed)
                          : text(
                                "The bank has %1 and %2 is printed on it: aged, dried out, it "
                                "leaks, or one of several is not joined.",
                                found, printed);
                if (tight) finding.options = replacements(banks);
                // A meter across it tells them apart: through the charge resistor a leak costs
                // volts.
                finding.action =
                    module  ? text("another module")
                    : tight ? text("look at its joints; else another bank")
                            : text(
                                  "read the volts across it on the track: below %1 it leaks, else "
                                  "look at its joints",
                                  formatted(full * leaksBelow, 2));
            }
            if (less && !tight && !leaks) {
                finding.options = {answer(text("It stands near %1", formatted(full, 3)),
                                          text("then it does not leak"), State::Close,
                                          acrossLine(full))};
            }
            finding.figures = {
                figures::measured(text("Capacitance"), "C", bank.measured->value, bank.measured->on,
                                  text("within %1", percent(bank.measured->within)),
                                  "capacitance "),
                printedFigure(text("Printed on it"), "C_printed", bank.part.capacitance,
                              bank.part)};
            finding.caution = capacitorCaution();
        });
}

}  // namespace

void judgeFound(const JobAnalysis& facts, const BankState& state, OfferedBanks& banks,
                Judging& judging) {
    judgeLeak(facts, state, banks, judging);
    judgeCapacitance(facts, state.full, banks, judging);
}

}  // namespace glimmet::core::stay_alive
