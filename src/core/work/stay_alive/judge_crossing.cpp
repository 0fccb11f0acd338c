#include "core/work/stay_alive/judge_crossing.h"

#include "core/analysis/stay_alive/rolling.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"
#include "core/track/dirt.h"
#include "core/work/stay_alive/bank_options.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {
namespace {

/// A place that is dead may well follow within less than that; it is not told of one that is
/// nearer.
constexpr Metres worthTelling{0.2};

std::string kmhWords(double kmh) { return formatted(kmh, Dimension::Ratio) + " km/h"; }

Text crossingSentence(const Job& job, const CrossingState& at) {
    const std::string speed = kmhWords(creep(job).kmh);
    const Crossing& crossing = at.crossing;
    const std::string bus = formatted(crossing.lowestBus, 3);
    const auto share = [](double ratio) { return percent(ratio); };
    switch (crossing.how) {
        case Crossed::Stops:
            if (job.bank && !(pathOf(*job.bank).diode > Volts{0}) &&
                crossing.bankLeft > processorMinimum + usualDiode * 4.0) {
                return text(
                    "Stops on %1 at %2: its bank, still at %3, gives too little back through its "
                    "charge resistor.",
                    at.place.words, speed, formatted(crossing.bankLeft, 3));
            }
            return job.bank ? text("Stops on %1 at %2: its bank is spent after %3.", at.place.words,
                                   speed, formatted(crossing.wentOn, 2))
                            : text("Stops on %1 at %2: without power it rolls %3.", at.place.words,
                                   speed, formatted(crossing.wentOn, 2));
        case Crossed::Resets:
            return text("Rolls over %1 at %2, but its decoder starts anew there.", at.place.words,
                        speed);
        case Crossed::Slows:
            return text("Gets over %1 at %2, but slows down to %3 of that.", at.place.words, speed,
                        share((crossing.slowest /
                               modelSpeed(KilometresPerHour{creep(job).kmh}, job.scale.ratio))
                                  .value()));
        case Crossed::Dims:
            return text("Gets over %1 at %2; its lamps go down to %3.", at.place.words, speed,
                        share(crossing.dimmest));
        case Crossed::Carried:
            return text("Gets over %1 at %2: its bus falls to %3 for %4.", at.place.words, speed,
                        bus, formatted(crossing.dark, 2));
        case Crossed::Untouched:
            break;
    }
    return text("Its wheels bridge %1: it is never without power there.", at.place.words);
}

/// The worst that it does on ways that are not the worst.
Crossed onTheOtherWays(const CrossingState& at) {
    Crossed most = Crossed::Untouched;
    for (const Crossed how : at.ways) {
        if (how != at.crossing.how) most = std::max(most, how);
    }
    return most;
}

Text worstWords(const Job& job, const Loads& loads) {
    const Text least = job.bank ? text("least volts, least capacitance") : text("least volts");
    return loads.sound > Watts{0} ? text("%1, its sound loud", least) : least;
}

void judgeCrossing(const JobAnalysis& facts, const Loads& loads, const CrossingState& at,
                   OfferedBanks& banks, Judging& judging) {
    const Job& job = facts.job;
    judging.say(
        "reserve.crossing:" + at.place.name, {at.place.name, at.place.name}, at.state,
        Gravity::WorksBadly, [&](Finding& finding) {
            finding.sentence = crossingSentence(job, at);
            if (const Text only = onlyWays(at); !only.empty()) {
                const Crossed otherwise = onTheOtherWays(at);
                finding.sentence =
                    otherwise == Crossed::Resets
                        ? text("%1 That is so %2; else it starts anew.", finding.sentence, only)
                    : otherwise == Crossed::Slows
                        ? text("%1 That is so %2; else it slows down.", finding.sentence, only)
                        : text("%1 Only %2.", finding.sentence, only);
            }
            const bool worse =
                at.inTheWorst >= Crossed::Resets && at.crossing.how < Crossed::Resets;
            if (worse) {
                finding.sentence = text(
                    "%1 In the worst case (%2) it %3.", finding.sentence, worstWords(job, loads),
                    at.inTheWorst == Crossed::Stops ? text("stops") : text("starts anew"));
            }
            const auto from = sureFrom(facts, loads, at, job.bank);
            const double set = creep(job).kmh;
            if (from && *from > slowestSwept && *from <= set && !worse) {
                finding.sentence =
                    text("%1 Below %2 it does not.", finding.sentence, kmhWords(*from));
            } else if (from && *from > set) {
                finding.sentence =
                    text("%1 From %2 on it does.", finding.sentence, kmhWords(*from));
            }
            const MetresPerSecond speed = modelSpeed(KilometresPerHour{set}, job.scale.ratio);
            const Metres rolled = speed * at.fullAgain;
            // Of what it can give more is gone than is left: the same again would find too little.
            const Volts left = at.crossing.bankLeft;
            const bool most = at.full - left > left - processorMinimum;
            if (most && rolled >= worthTelling && at.crossing.how < Crossed::Resets) {
                finding.sentence = text(
                    "%1 Its bank is full again %2 further on: what is dead before that finds "
                    "less.",
                    finding.sentence, formattedWay(rolled));
            }
            const Basis dead{
                at.place.measured ? Basis::Kind::Measured : Basis::Kind::Assumed,
                {},
                at.place.measured ? text("by the ruler") : text("usual of such points")};
            std::vector<Figure> inputs{
                figures::made(text("Dead rail"), "d", at.place.length, dead, at.place.name + " "),
                figures::made(text("Speed over it"), "v", speed,
                              {creep(job).assumed ? Basis::Kind::Assumed : Basis::Kind::Chosen,
                               {},
                               text("%1 of the prototype", kmhWords(set))},
                              "creep "),
                rollFigure(job), busFigure(job, facts.house),
                figures::assumed(text("Processor starts anew below"), "V_min", processorMinimum,
                                 text("usual for a decoder"))};
            inputs.insert(inputs.end(), loads.figures.begin(), loads.figures.end());
            finding.figures = {figures::computed(text("Lowest volts of the bus"), "V_low",
                                                 at.crossing.lowestBus, "", std::move(inputs)),
                               figures::computed(at.crossing.how == Crossed::Stops
                                                     ? text("Without power until it stood")
                                                     : text("Without power"),
                                                 "t_dead", at.crossing.dark, "", {})};
            if (at.fullAgain > Seconds{0}) {
                finding.figures.push_back(
                    figures::computed(text("Full again after"), "t_again", at.fullAgain,
                                      "R_charge · C · (5 + ln((V_full − V_left) / V_full))",
                                      {figures::computed(text("Left in the bank"), "V_left",
                                                         at.crossing.bankLeft, "", {})}));
            }
            if (const auto needed = capacitanceFor(facts, loads, at)) {
                finding.figures.push_back(figures::computed(
                    text("Capacitance that carries it over"), "C_need", *needed, "", {}));
            }
            if (at.state == State::Fine) return;
            finding.action = job.bank ? text("more wheels that collect, or a larger bank")
                                      : text("more wheels that collect, or a bank");
            finding.options = collectorOptions(facts, at.place);
            const std::vector<Option>& offered = banks.options();
            finding.options.insert(finding.options.end(), offered.begin(), offered.end());
            finding.caution = capacitorCaution();
        });
}

constexpr double seldomThere = 0.1, mostlyThere = 0.5;  // of its crossings

/// Where it bridges a place on one wheel, dirt under that is enough.
void judgeOnOneWheel(const JobAnalysis& facts, const Place& place, OfferedBanks& banks,
                     Judging& judging) {
    const Job& job = facts.job;
    std::optional<Seconds> held = Seconds{0};
    if (job.bank) {
        const BankState& state = bankState(facts);
        if (!state.hold) return;
        held = state.hold->time;
    }
    const auto there = onOneWheel(job, place, held);
    if (!there) return;
    const double share = 1 - std::exp(-there->stutters);
    const State verdict = share > mostlyThere   ? State::Over
                          : share > seldomThere ? State::Close
                                                : State::Fine;
    judging.say(
        "reserve.one-wheel:" + place.name, {place.name, place.name}, verdict, Gravity::WorksBadly,
        [&](Finding& finding) {
            const std::string length = formatted(there->length, 2);
            finding.sentence = text(
                "Over %1 it hangs on one wheel for %2: with the dirt that was counted it stutters "
                "there "
                "on %3 of its crossings.",
                place.words, length, percent(share));
            finding.figures = {
                figures::computed(text("On one wheel"), "d_one", Metres{there->length}, "", {}),
                figures::computed(
                    text("Stutters at a crossing"), "n_there", there->stutters, "",
                    {figures::measured(text("Stutters a metre"), "n",
                                       job.layout.dirt->stuttersPerMetre, job.layout.dirt->on,
                                       text("without a bank"), "dirt "),
                     figures::assumed(text("Length of a stutter, on the average"), "l",
                                      Metres{stutterLength}, text("random, without memory"))})};
            if (verdict == State::Fine) return;
            finding.action = text("clean its wheels, more wheels that collect, or a bank");
            finding.options = secondWheelOptions(facts, place);
            const std::vector<Option>& offered = banks.options();
            finding.options.insert(finding.options.end(), offered.begin(), offered.end());
            if (!offered.empty()) finding.caution = capacitorCaution();
        });
}

}  // namespace

void judgeCrossings(const JobAnalysis& facts, const Loads& loads, OfferedBanks& banks,
                    Judging& judging) {
    if (facts.job.layout.spots.empty()) return;
    for (const Place& place : places(facts.job)) {
        if (const auto at = crossingOver(facts, loads, place, facts.job.bank, false)) {
            judgeCrossing(facts, loads, *at, banks, judging);
            judgeOnOneWheel(facts, place, banks, judging);
        } else if (facts.job.feed == Feed::ThreeRailDigital) {
            judging.say("reserve.crossing:" + place.name, {place.name, place.name}, State::Fine,
                        Gravity::CouldBeBetter, [&](Finding& finding) {
                            finding.sentence = text(
                                "Over %1 its slider decides, and nobody said where it has one.",
                                place.words);
                        });
        }
    }
}

}  // namespace glimmet::core::stay_alive
