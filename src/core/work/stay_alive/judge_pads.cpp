#include "core/work/stay_alive/judge_pads.h"

#include "core/analysis/supply.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/stay_alive/bank_options.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {
namespace {

constexpr double asBus = 0.85, aboveBus = 1.15;  // of the bus: meters, and drops of the board
constexpr Volts hardlyAny{0.5};
constexpr Volts logicLeast{2.5}, logicMost{6};
constexpr Volts turnsRound{2};
constexpr Ohms joined{2};
constexpr Ohms limitsFrom{10}, limitsTo{2000};  // of a resistor that charges a bank

std::string line(const EmptyPads& pads, const std::string& what) {
    return "pads " + pads.name + " " + what;
}

Text plusPad(const EmptyPads& pads) {
    return *pads.direct > Volts{0} ? text("the marked pad of %1", pads.name)
                                   : text("the other pad of %1", pads.name);
}

void askVolts(const EmptyPads& pads, Volts bus, Finding& finding) {
    finding.sentence = text(
        "Two empty pads at %1. On the track, before anything is joined there: meter on DC volts, "
        "its red lead at the marked (square, or +) pad; then on AC volts.",
        pads.name);
    finding.action = text("read the volts at %1", pads.name);
    finding.figures = {figures::missing(text("Volts across them"), "V_pads", Dimension::Voltage,
                                        text("red lead at the marked pad"), line(pads, ""))};
    finding.options = {
        answer(text("About %1", formatted(bus, 3)), text("a bank goes there"), State::Ask,
               line(pads, formatted(bus.value(), Dimension::Ratio, 3) + "V")),
        answer(text("About −%1", formatted(bus, 3)), text("the same, plus at the other pad"),
               State::Ask, line(pads, "-" + formatted(bus.value(), Dimension::Ratio, 3) + "V")),
        answer(text("5 V or 3.3 V"), text("they feed the processor"), State::Fine,
               line(pads, "5V")),
        answer(text("Volts on AC only"), text("the track or the motor"), State::Fine,
               line(pads, "ac " + formatted(bus.value(), Dimension::Ratio, 3) + "V")),
        answer(text("Nothing"), text("a link, or nothing at all"), State::Ask, line(pads, "0V"))};
}

/// Where a bank goes: what limits its charge there.
void sayBank(const Job& job, const EmptyPads& pads, Volts bus, Finding& finding) {
    if (!pads.toCommon) {
        finding.sentence = text(
            "%1 takes a bank: its plus to %2, its minus to the other. Whether the board limits "
            "its charge: power off, ohms from its plus pad to the blue wire.",
            pads.name, plusPad(pads));
        finding.action = text("read the ohms at %1", pads.name);
        finding.options = {
            answer(text("About none"), text("nothing limits the charge: a resistor into the lead"),
                   State::Fine, line(pads, "0R")),
            answer(text("About 100 Ω"), text("the board limits its charge"), State::Fine,
                   line(pads, "100R"))};
        return;
    }
    const Ohms own = *pads.toCommon;
    const std::string ohms = formatted(own, 3);
    if (own >= limitsFrom && own <= limitsTo) {
        finding.sentence = text(
            "%1 takes a bank: its plus to %2, its minus to the other. The board's own %3 limit "
            "its charge.",
            pads.name, plusPad(pads), ohms);
        const auto& bank = job.bank;
        if (bank && !bank->charge && !(bank->part.charge > Ohms{0})) {
            Option charge;
            charge.what = text("its charge goes through those %1", ohms);
            charge.effect = text("peak %1", formatted(Amperes{bus / own}, 2));
            charge.state = State::Fine;
            charge.jot = "charge " + formatted(own.value(), Dimension::Ratio, 4) + "R";
            finding.options = {std::move(charge)};
        }
        return;
    }
    finding.sentence =
        own <= joined
            ? text(
                  "%1 takes a bank: its plus to %2, its minus to the other. Nothing on the board "
                  "limits its charge: some %3 and a diode go into its plus lead.",
                  pads.name, plusPad(pads), formatted(usualCharge))
            : text(
                  "%1 has the bus between its pads, but %3 from its plus to the blue wire: the "
                  "plus comes through a part, a diode or a switch. A bank there gives back only "
                  "if that lets it: try one of a few hundred µF first, plus to %2.",
                  pads.name, plusPad(pads), ohms);
}

void sayLink(const EmptyPads& pads, Finding& finding) {
    if (!pads.bridged) {
        finding.sentence = text(
            "%1 has no volts across it: a link perhaps, that lets the board's own path for a bank "
            "work. Power off: ohms from each pad to either rail, and where one leads to a rail "
            "leave it alone. Else join them with a wire, and see what changes.",
            pads.name);
        finding.action = text("join %1 for a trial", pads.name);
        finding.options = {
            answer(text("Joined, nothing changes"), text("it stays open"), State::Fine,
                   line(pads, "bridged nothing")),
            answer(text("Joined, it rides over dirt"), text("the link stays"), State::Fine,
                   line(pads, "bridged holds")),
            answer(text("Joined, it stops or starts anew"), text("off with the wire"), State::Over,
                   line(pads, "bridged stops"))};
        return;
    }
    switch (*pads.bridged) {
        case BridgeDid::Nothing:
            finding.sentence = text("%1 stays open: joined, nothing changed.", pads.name);
            return;
        case BridgeDid::Holds:
            finding.sentence =
                text("%1 stays joined: with it the model rides over what it did not.", pads.name);
            return;
        case BridgeDid::Stops: {
            finding.sentence = text(
                "Take the wire off %1: with it the model stops, for it joins what must stay "
                "apart.",
                pads.name);
            finding.action = text("the wire off %1", pads.name);
            finding.options = {answer(text("It is off, and the model runs"), text("it stays open"),
                                      State::Fine, line(pads, "bridged off"))};
            return;
        }
        case BridgeDid::StopsOff:
            finding.sentence = text("%1 stays open: joined, the model stopped.", pads.name);
            return;
    }
}

State stateOf(const EmptyPads& pads, PadsUse use) {
    if (pads.bridged == BridgeDid::Stops) return State::Over;
    switch (use) {
        case PadsUse::Unread:
        case PadsUse::Between:
            return State::Ask;
        case PadsUse::Bank:
            return pads.toCommon ? State::Fine : State::Ask;
        case PadsUse::Link:
            return pads.bridged ? State::Fine : State::Ask;
        case PadsUse::Logic:
        case PadsUse::Rails:
            break;
    }
    return State::Fine;
}

void judgeOne(const Job& job, const EmptyPads& pads, Volts bus, Judging& judging) {
    const PadsUse use = useOf(pads, bus);
    const State state = stateOf(pads, use);
    const Gravity gravity = state == State::Over ? Gravity::PartDestroyed : Gravity::CouldBeBetter;
    judging.say("reserve.pads:" + pads.name, {}, state, gravity, [&](Finding& finding) {
        finding.caution = capacitorCaution();
        if (use == PadsUse::Unread) {
            askVolts(pads, bus, finding);
            return;
        }
        if (pads.direct) {
            finding.figures.push_back(
                figures::measured(text("Volts across them"), "V_pads", *pads.direct, pads.on,
                                  text("red lead at the marked pad"), line(pads, "")));
        }
        if (pads.alternating) {
            finding.figures.push_back(figures::measured(text("The same on AC volts"), "V_ac",
                                                        *pads.alternating, pads.on, {},
                                                        line(pads, "ac ")));
        }
        finding.figures.push_back(figures::computed(text("Its bus has"), "V_bus", bus, "", {}));
        if (pads.bridged == BridgeDid::Stops) {
            sayLink(pads, finding);
            return;
        }
        switch (use) {
            case PadsUse::Bank:
                sayBank(job, pads, bus, finding);
                return;
            case PadsUse::Logic:
                finding.sentence = text(
                    "%1 is no place for a bank: %2 stand there, which feed the processor alone. "
                    "The motor gets nothing of it.",
                    pads.name, formatted(Volts{std::abs(pads.direct->value())}, 3));
                return;
            case PadsUse::Rails:
                finding.sentence = text(
                    "Nothing with a plus and a minus at %1: its volts turn round, it hangs on the "
                    "track or the motor. At most a small ceramic one sat there.",
                    pads.name);
                return;
            case PadsUse::Link:
                sayLink(pads, finding);
                return;
            case PadsUse::Unread:
            case PadsUse::Between:
                break;
        }
        finding.sentence = text(
            "%1 at %2 is neither the bus of %3 nor what a processor gets: read it again, on the "
            "track, with the model standing.",
            formatted(Volts{std::abs(pads.direct->value())}, 3), pads.name, formatted(bus, 3));
        finding.action = text("read the volts at %1 again", pads.name);
    });
}

}  // namespace

PadsUse useOf(const EmptyPads& pads, Volts bus) {
    if (!pads.direct && !pads.alternating) return PadsUse::Unread;
    const Volts direct{std::abs(pads.direct.value_or(Volts{0}).value())};
    // Meters show some AC beside DC: only what outweighs it turns round.
    if (pads.alternating && *pads.alternating > turnsRound && *pads.alternating > direct)
        return PadsUse::Rails;
    if (!pads.direct) return PadsUse::Unread;
    if (direct < hardlyAny) return PadsUse::Link;
    if (direct >= bus * asBus && direct <= bus * aboveBus) return PadsUse::Bank;
    return direct >= logicLeast && direct <= logicMost ? PadsUse::Logic : PadsUse::Between;
}

const EmptyPads* padsForBank(const Job& job, Volts bus) {
    const auto found = std::find_if(job.pads.begin(), job.pads.end(), [&](const EmptyPads& pads) {
        return useOf(pads, bus) == PadsUse::Bank && pads.bridged != BridgeDid::Stops;
    });
    return found == job.pads.end() ? nullptr : &*found;
}

void judgePads(const JobAnalysis& facts, Judging& judging) {
    const Volts bus = busVolts(facts.job, facts.house);
    for (const EmptyPads& pads : facts.job.pads) judgeOne(facts.job, pads, bus, judging);
}

}  // namespace glimmet::core::stay_alive
