#include "core/work/stay_alive/dead_bank.h"

#include "core/analysis/stay_alive/leak.h"
#include "core/analysis/supply.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core::stay_alive {
namespace {

// Of the volts that belong there: above it is charged, below nothingBelow it is not; between
// something drains it.
constexpr double charged = 0.8;

enum class Side { Charged, Drained, Empty };
Side sideOf(Volts across, Volts belongs) {
    if (across >= belongs * charged) return Side::Charged;
    return across <= belongs * nothingBelow ? Side::Empty : Side::Drained;
}

bool managed(const Job& job) {
    return job.bank->part.kind == BankKind::Module ||
           (job.decoder && job.decoder->part.stayAlive == StayAliveTerminals::Managed);
}

Text causeWords(DeadCause cause) {
    switch (cause) {
        case DeadCause::Joint:
            return text("a joint");
        case DeadCause::Turned:
            return text("plus and minus");
        case DeadCause::Link:
            return text("its way to the decoder's ground");
        case DeadCause::Resistor:
            return text("the charge resistor");
        case DeadCause::Diode:
            return text("the diode");
        case DeadCause::Setting:
            break;
    }
    return text("the decoder's setting");
}

Text testOf(DeadCause cause, const FittedBank& bank) {
    switch (cause) {
        case DeadCause::Joint:
            return text(
                "Track off, the bank discharged: pull at each lead with tweezers, and the "
                "meter reads below 1 Ω from each lead to its pad.");
        case DeadCause::Turned:
            if (bank.part.kind == BankKind::Module) {
                return text("Its plug can sit a contact off: hold each wire against its sheet.");
            }
            return bank.part.kind == BankKind::Tantalum
                       ? text(
                             "The bar on it is its plus, and that goes to the blue wire. One that "
                             "stood the wrong way round under power is not used again.")
                       : text(
                             "The stripe on it is its minus, and that goes to the decoder's "
                             "ground. One that stood the wrong way round under power is not used "
                             "again.");
        case DeadCause::Link:
            return text(
                "Track off, the bank discharged: the meter reads below 1 Ω from its minus "
                "to the decoder's ground, and nothing to either rail and to the frame.");
        case DeadCause::Resistor:
            return text("Track off, the bank discharged: the meter reads %1 across it.",
                        formatted(pathOf(bank).charge));
        case DeadCause::Diode:
            return text(
                "Track off, the bank discharged: the diode test reads one way only across "
                "it, and its bar looks to the blue wire.");
        case DeadCause::Setting:
            break;
    }
    return text(
        "Its sheet names the setting for the hold-up; many come with it off, or with a "
        "time of nothing.");
}

}  // namespace

std::vector<DeadCause> causesOf(const Job& job, Volts bus) {
    const FittedBank& bank = *job.bank;
    const DeadBank& dead = *bank.dead;
    const Path path = pathOf(bank);
    std::vector<DeadCause> all;
    switch (sideOf(dead.across.value_or(Volts{0}), belongAcross(bank, bus))) {
        case Side::Charged:
            if (managed(job)) all.push_back(DeadCause::Setting);
            if (path.diode > Volts{0}) all.push_back(DeadCause::Diode);
            all.push_back(DeadCause::Link);
            all.push_back(DeadCause::Joint);
            break;
        case Side::Drained:
            all = {DeadCause::Turned};
            if (path.charge > Ohms{0}) all.push_back(DeadCause::Resistor);
            all.push_back(DeadCause::Link);
            break;
        case Side::Empty:
            all = {DeadCause::Joint, DeadCause::Link};
            if (path.charge > Ohms{0}) all.push_back(DeadCause::Resistor);
            all.push_back(DeadCause::Turned);
            if (managed(job)) all.push_back(DeadCause::Setting);
            break;
    }
    std::erase_if(all, [&](DeadCause cause) {
        return std::any_of(dead.ruledOut.begin(), dead.ruledOut.end(),
                           [&](const RuledOut& out) { return out.cause == cause; });
    });
    return all;
}

void judgeDead(const JobAnalysis& facts, const BankState& state, OfferedBanks& banks,
               Judging& judging) {
    judging.say("reserve.dead", {}, State::Over, Gravity::DoesNotWork, [&](Finding& finding) {
        const FittedBank& bank = *facts.job.bank;
        const DeadBank& dead = *bank.dead;
        const Volts right = belongAcross(bank, state.bus);
        const Seconds full = rechargeTime(state.bank, state.full, Volts{0});
        finding.caution = capacitorCaution();
        const Figure belongs = figures::computed(text("Belongs across it"), "V_full", right, "",
                                                 {busFigure(facts.job, facts.house)});
        if (!dead.across) {
            // What is full before the probes sit needs no waiting for.
            const Text when =
                full > Seconds{1} ? text("after %1", formatted(full, 2)) : text("at once");
            finding.sentence = text(
                "Lifted off it stops at once: the bank gives nothing. On the track again, meter "
                "from its plus to its minus: %1 belong there %2.",
                formatted(right, 3), when);
            finding.action = text("read the volts across the bank, on the track");
            finding.figures = {belongs,
                               figures::computed(text("Full after"), "t_full", full, "", {})};
            finding.options = {answer(text("It stands near %1", formatted(right, 3)),
                                      text("it is charged and does not give back"), State::Over,
                                      acrossLine(right)),
                               answer(text("It stays near nothing"), text("nothing charges it"),
                                      State::Over, acrossLine(Volts{0})),
                               answer(text("It stays in between"), text("something drains it"),
                                      State::Over, acrossLine(right * 0.5))};
            return;
        }
        const Side side = sideOf(*dead.across, right);
        const std::string read = formatted(*dead.across, 3);
        const Text why =
            side == Side::Charged
                ? text("The bank stands at %1: it is charged, and does not give back.", read)
            : side == Side::Empty ? text("The bank stands at %1: nothing charges it.", read)
                                  : text("The bank stays at %1 of %2: something drains it.", read,
                                         formatted(right, 3));
        finding.figures = {figures::measured(text("Across the bank"), "V_bank", *dead.across,
                                             dead.on, text("on the track"), "across "),
                           belongs};
        const std::vector<DeadCause> left = causesOf(facts.job, state.bus);
        if (left.empty()) {
            finding.sentence = text("%1 All around it was looked at: it is the bank itself.", why);
            finding.action = text("another bank");
            finding.options = banks.options();
            return;
        }
        finding.sentence = text("%1 Look at %2 next. %3", why, causeWords(left.front()),
                                testOf(left.front(), bank));
        finding.action = text("look at %1", causeWords(left.front()));
        const std::string cause = "cause " + std::string(name(left.front()));
        finding.options = {answer(text("That was it, and it is put right"),
                                  text("lift it once more"), State::Fine, cause + " found"),
                           answer(text("That is as it should be"),
                                  left.size() > 1 ? text("next is %1", causeWords(left[1]))
                                                  : text("then it is the bank itself"),
                                  State::Over, cause + " right")};
    });
}

}  // namespace glimmet::core::stay_alive
