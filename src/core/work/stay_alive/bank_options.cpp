#include "core/work/stay_alive/bank_options.h"

#include "core/analysis/bank_allowed.h"
#include "core/analysis/circuits_across.h"
#include "core/analysis/placement/making_room.h"
#include "core/analysis/stay_alive/consequences.h"
#include "core/quantity/format.h"
#include "core/work/stay_alive/judge_fitting.h"

#include <algorithm>

namespace glimmet::core::stay_alive {
namespace {

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

constexpr Joules muchHeat{1.0};     // in one charge, for a quarter-watt resistor …
constexpr Watts quarterWatt{0.25};  // … that it gets faster than it gives it off
bool cooksItsResistor(const BankState& state) {
    return chargeEnergy(state.bank, state.bus) > muchHeat && chargeHeat(state) > quarterWatt;
}

}  // namespace

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

State holdState(const BankState& state) {
    // Too short is still better than none.
    return !state.worst || *state.worst >= state.needed ? State::Fine : State::Close;
}

bool holdsTooShort(const BankState& state) {
    return state.hold->time && *state.hold->time < state.needed;
}

State allowedState(const Job& job, const BankPart& part) {
    return job.decoder && !allowsBank(job.decoder->part, part) ? State::Over : State::Fine;
}

State voltsState(const BankPart& part, const BankState& state) {
    if (state.highest > part.rated) return State::Over;
    const bool limited = state.bank.charge > Ohms{0};
    return state.highest * voltsMargin(part.kind, limited) > part.rated ? State::Close
                                                                        : State::Fine;
}

Watts chargeHeat(const BankState& state) {
    const Amperes peak = chargePeak(state.bank, state.bus);
    return peak * peak * state.bank.charge;
}
State chargeState(const FittedBank& fitted, const BankState& state) {
    // A booster looks how long it lasts, not how high it is.
    if (chargeBelow(state, boosterTrips) > boosterLooks) return State::Over;
    // What limits a plug-in reserve is made for it.
    if (fitted.part.kind == BankKind::Module && !fitted.charge) return State::Fine;
    const bool sparks = chargePeak(throughLeads(state.bank), state.bus) > boosterTrips;
    return sparks || cooksItsResistor(state) ? State::Close : State::Fine;
}
State dirtState(const Job& job, std::optional<Seconds> carried) {
    const double left = stuttersWith(job, carried).value_or(0);
    return left > often ? State::Over : left > bearable ? State::Close : State::Fine;
}

State crossingState(const JobAnalysis& facts, const Loads& loads, const std::vector<Place>& places,
                    const std::optional<FittedBank>& fitted) {
    State state = State::Fine;
    for (const Place& place : places) {
        if (const auto over = crossingOver(facts, loads, place, fitted, false)) {
            state = worse(state, over->state);
        }
    }
    return state;
}

std::vector<RankedBank> rankedBanks(const JobAnalysis& facts, const Loads& loads) {
    std::vector<RankedBank> all;
    const std::vector<Place> dead =
        facts.job.layout.spots.empty() ? std::vector<Place>() : places(facts.job);
    for (const BankPart& part : facts.catalogue.banks) {
        RankedBank tried{asFitted(part, facts.job), {}, {}, false, {}, {}, false, {}};
        tried.state = bankState(facts, tried.bank, loads);
        if (!tried.state.hold) continue;
        tried.worst = worse(worse(holdState(tried.state), voltsState(part, tried.state)),
                            worse(crossingState(facts, loads, dead, tried.bank),
                                  dirtState(facts.job, tried.state.hold->time)));
        // A cell that gets too much is destroyed, whatever the bank holds.
        tried.worst = worse(tried.worst, cellsState(overloadedCells(part, tried.state)));
        tried.worst = worse(tried.worst, allowedState(facts.job, part));
        const Box box{"bank", part.name, part.length, part.width, part.height, {}};
        const auto seated = placements(facts.job, &box);
        const Placement* placement = placementOf(seated, "bank");
        tried.room = placement && placement->fits;
        tried.hollow = placement ? placement->hollow : std::string();
        // Where no hollow holds it somebody has to make room, however long it lasts.
        tried.worst = worse(tried.worst, roomState(facts.job, placement));
        tried.orientation = placement ? placement->orientation : Orientation::Flat;
        tried.inPlace = facts.job.bank && facts.job.bank->part.id == part.id;
        tried.jot = jotOf(tried.bank);
        all.push_back(std::move(tried));
    }
    const auto volume = [](const RankedBank& one) {
        const BankPart& part = one.bank.part;
        return (part.length * part.width * part.height).value();
    };
    std::stable_sort(all.begin(), all.end(), [&](const RankedBank& a, const RankedBank& b) {
        if (a.worst != b.worst) return a.worst < b.worst;
        if (holdsTooShort(a.state) != holdsTooShort(b.state)) return holdsTooShort(b.state);
        if (a.room != b.room) return a.room;
        return a.worst == State::Over || holdsTooShort(a.state)
                   ? a.state.hold->time > b.state.hold->time
                   : volume(a) < volume(b);
    });
    return all;
}

std::vector<Option> bankOptions(const JobAnalysis& facts, const Loads& loads) {
    std::vector<Option> options;
    for (const RankedBank& tried : rankedBanks(facts, loads)) {
        Option option;
        option.inPlace = tried.inPlace;
        if (options.size() >= 4 && !option.inPlace) continue;
        option.what = verbatim(tried.bank.part.name);
        const Text holds = tried.state.hold->time
                               ? text("holds %1", formatted(*tried.state.hold->time, 2))
                               : text("holds as long as one likes");
        option.effect =
            voltsState(tried.bank.part, tried.state) == State::Over
                ? text("%1, but bears only %2", holds, formatted(tried.bank.part.rated))
            : allowedState(facts.job, tried.bank.part) == State::Over
                ? text("%1, but the decoder allows only %2", holds,
                       formatted(*facts.job.decoder->part.mostBank))
            : tried.room ? text("%1, lies in %2", holds, inHollow(tried.hollow, tried.orientation))
            : tried.hollow.empty() ? text("%1, its room is not known", holds)
                                   : text("%1, no hollow holds it", holds);
        if (const auto& price = tried.bank.part.price) {
            option.effect = text("%1; costs %2", std::move(option.effect),
                                 formatted(*price, Dimension::Ratio, 4));
        }
        option.state = tried.worst;
        option.jot = tried.jot;
        options.push_back(std::move(option));
    }
    return options;
}

namespace {

/// Those axles never leave it without power on any way over the place.
bool bridges(const std::vector<CollectingAxle>& axles, const Place& place) {
    return std::all_of(place.passages.begin(), place.passages.end(), [&](const Passage& passage) {
        const auto found = outagesOn(axles, passage);
        return found && found->empty();
    });
}

}  // namespace

namespace {

/// `enough`: whether the wheels that would collect then do; what comes of it, of a neighbour's
/// wheels and of its own.
template <class Enough>
std::vector<Option> wheelOptions(const JobAnalysis& facts, Enough enough, const Text& neighbours,
                                 const Text& own) {
    std::vector<Option> options;
    // What a neighbour collects costs two wires.
    const Job& job = facts.job;
    for (std::size_t i = 0; i < job.couplings.size(); ++i) {
        if (railsLed(job, i)) continue;
        const int has = std::max(job.couplings[i].contacts, 0);
        // Those that it has are for its motor and lamps.
        const int wires = static_cast<int>(circuitsAcross(job, i).withRails());
        Job shared = job;
        shared.couplings[i].contacts = wires;
        if (!railsLed(shared, i) || !enough(collectingAxles(shared))) continue;
        Option option;
        option.what = has == 0
                          ? text("%1 wires across the coupling behind %2", std::to_string(wires),
                                 unitCalled(job, i))
                          : text("%1 wires instead of %2 across the coupling behind %3",
                                 std::to_string(wires), std::to_string(has), unitCalled(job, i));
        option.effect = neighbours;
        option.state = State::Fine;
        option.jot = "contacts " + std::to_string(wires) +
                     (job.couplings.size() > 1 ? " behind " + unitCalled(job, i) : std::string());
        options.push_back(std::move(option));
    }
    int number = 0;
    for (std::size_t unit = 0; unit < facts.job.units.size(); ++unit) {
        for (std::size_t axle = 0; axle < facts.job.units[unit].body.axles.size(); ++axle) {
            ++number;
            const Axle& now = facts.job.units[unit].body.axles[axle];
            if (now.collectsLeft && now.collectsRight) continue;
            if (!enough(collectingAxles(facts.job, number))) continue;
            Option option;
            option.what = text("collectors on both wheels of axle %1", std::to_string(number));
            option.effect = own;
            option.state = State::Fine;
            option.jot = "axle " + std::to_string(number) + " both";
            options.push_back(std::move(option));
        }
    }
    return options;
}

}  // namespace

std::vector<Option> collectorOptions(const JobAnalysis& facts, const Place& place) {
    return wheelOptions(
        facts, [&](const std::vector<CollectingAxle>& axles) { return bridges(axles, place); },
        text("its neighbour's wheels bridge it, no bank needed"),
        text("its wheels bridge it, no bank needed"));
}

std::vector<Option> secondWheelOptions(const JobAnalysis& facts, const Place& place) {
    const auto two = [&](const std::vector<CollectingAxle>& axles) {
        const auto length = lengthOnOneWheel(axles, place);
        return length && !(*length > Millimetres{0});
    };
    return wheelOptions(facts, two, text("two wheels of each side carry it there, no bank needed"),
                        text("two wheels of each side carry it there, no bank needed"));
}

Text capacitorCaution() {
    return text(
        "Discharge a bank through a resistor before you touch it. Plus goes to the common (blue) "
        "wire, minus to the decoder's ground, never to rail or frame: a reversed capacitor vents "
        "or "
        "burns.");
}

}  // namespace glimmet::core::stay_alive
