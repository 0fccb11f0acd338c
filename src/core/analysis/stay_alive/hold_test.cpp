#include "core/analysis/stay_alive/hold_test.h"

#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {
namespace {

// Either way; sources in docs/physics.md.
constexpr Seconds hand{0.1};  ///< of start and stop together
constexpr double motorRead = 0.15, motorUnread = 0.5;
constexpr double lampsOff = 0.1, processorOff = 0.5, voltsRead = 0.02;
constexpr Volts givesUpOff{1};
constexpr double mostOff = 0.9;

/// All that the time hangs on.
struct Conditions {
    BusLoads loads;
    Volts full{}, minimum{};
};

std::optional<Seconds> heldUnder(const Bank& bank, const Conditions& at) {
    const auto hold = holdOf(bank, at.full, at.minimum, at.loads, 1);
    return hold ? hold->time : std::nullopt;
}

double fullOff(const JobAnalysis& facts, const FittedBank& bank, const BankState& state) {
    if (state.leak) return voltsRead;  // then it was read
    if (const BankClamp* clamp = clampOf(bank); clamp && state.full < state.bus)
        return clamp->tolerance;
    return facts.job.supply.volts ? voltsRead : facts.house.supplySpread;
}

}  // namespace

Result<HoldTest> holdTestOf(const JobAnalysis& facts, const FittedBank& bank, Seconds held,
                            bool still) {
    const Loads loads = still ? standingStill(loadsOf(facts)) : loadsOf(facts);
    if (still && loads.bus.lamps.empty()) {
        return failure(ErrorCode::Missing, {},
                       text("It has no lamps that could fade. Lift it while it runs, and write how "
                            "long it goes on: lift 2.1s."));
    }
    const BankState state = bankState(facts, bank, loads);
    Conditions usual{loads.bus, state.full, processorMinimum};
    if (state.leak) usual.loads.resistive.push_back(*state.leak);
    const auto reckonedTime = heldUnder(state.bank, usual);
    if (!reckonedTime || !(*reckonedTime > Seconds{0})) {
        return failure(ErrorCode::OutOfRange, {},
                       text("As it stands the bank's time cannot be reckoned, so the lift tells "
                            "nothing of its farads."));
    }
    HoldTest told;
    told.capacitance = state.bank.capacitance * (held / *reckonedTime).value();
    if (told.capacitance < Farads{1e-5} || told.capacitance > Farads{10}) {
        return failure(ErrorCode::OutOfRange, {},
                       text("That would be a bank of %1: read the time again.",
                            formatted(told.capacitance, 2)));
    }

    double squares = 0, most = -1;
    const auto doubt = [&](Text why, double share) {
        squares += share * share;
        if (share <= most) return;
        most = share;
        told.mostly = std::move(why);
    };
    const auto between = [&](Text why, const Conditions& less, const Conditions& more) {
        const auto longer = heldUnder(state.bank, less), shorter = heldUnder(state.bank, more);
        doubt(std::move(why), longer && shorter
                                  ? std::abs(((*longer - *shorter) / *reckonedTime).value()) / 2
                                  : 1.0);
    };
    doubt(text("the hand at the watch"), (hand / held).value());
    if (loads.motor > Watts{0}) {
        const double off = loads.motorAssumed ? motorUnread : motorRead;
        Conditions less = usual, more = usual;
        less.loads.power -= loads.motor * off;
        more.loads.power += loads.motor * off;
        between(loads.motorAssumed ? text("nobody read its motor") : text("what its motor takes"),
                less, more);
    }
    if (loads.sound > Watts{0}) {
        Conditions less = usual, more = usual;
        less.loads.power -= loads.sound;  // it may be silent just then
        more.loads.power += loudSound - loads.sound;
        between(text("its sound"), less, more);
    }
    const auto lamps = [&](double times) {
        Conditions at = usual;
        for (LampLoad& each : at.loads.lamps) each.count *= times;
        for (std::size_t i = 0; i < loads.bus.resistive.size(); ++i)
            at.loads.resistive[i] = at.loads.resistive[i] / times;
        return at;
    };
    between(text("what its lamps take"), lamps(1 - lampsOff), lamps(1 + lampsOff));
    const auto processor = [&](double times) {
        Conditions at = usual;
        at.loads.current = at.loads.current * times;
        return at;
    };
    between(text("what its processor takes"), processor(1 - processorOff),
            processor(1 + processorOff));
    Conditions later = usual, earlier = usual;
    later.minimum -= givesUpOff;
    earlier.minimum += givesUpOff;
    between(text("the volts at which its processor gives up"), later, earlier);
    const double off = fullOff(facts, bank, state);
    Conditions higher = usual, lower = usual;
    higher.full *= 1 + off;
    lower.full *= 1 - off;
    between(text("the volts it was charged to"), higher, lower);
    told.within = std::min(std::sqrt(squares), mostOff);
    return told;
}

AgainstPrint againstPrint(const FittedBank& bank) {
    if (!bank.measured) return AgainstPrint::Fits;
    const auto& [value, on, within] = *bank.measured;
    const Farads printed = bank.part.capacitance;
    if (value * (1 + within) < printed * (1 - soldShort)) return AgainstPrint::Less;
    if (value * (1 - within) > printed * (1 + soldOver)) return AgainstPrint::More;
    return AgainstPrint::Fits;
}

}  // namespace glimmet::core::stay_alive
