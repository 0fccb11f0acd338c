#include "core/work/reserve/bank_state.h"

#include "core/quantity/format.h"
#include "core/track/crossing.h"
#include "core/track/dirt.h"
#include "core/track/points.h"
#include "core/work/motor_evidence.h"
#include "core/work/supply.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::reserve {
namespace {

/// Watts of a motor that nobody has read, at a crawl: usual for its kind (docs/physics.md).
Watts usualCrawl(MotorKind kind) {
    switch (kind) {
        case MotorKind::Coreless:
            return Watts{0.12};
        case MotorKind::OpenFrame:
            return Watts{1.5};
        case MotorKind::Can:
            break;
    }
    return Watts{0.36};
}

/// A motor while it is driven slowly.
struct Crawling {
    Amperes current{};
    Volts winding{}, emf{};
    Figure power;
    bool assumed = false;
};

/// At a crawl the motor still pulls what it takes running light, at the volts across its winding
/// and a share of what its turning makes at the reading: the share of its speed there.
Crawling crawling(const Motor& motor, double kmh) {
    const MotorEvidence evidence = motorEvidence(motor);
    const auto path = pathResistance(evidence.readings, evidence.winding);
    const MotorReading* chosen = nullptr;
    for (const MotorReading& reading : evidence.readings) {
        const bool running = reading.condition == MotorCondition::Light ||
                             reading.condition == MotorCondition::Hauling;
        if (!running || !(reading.volts > Volts{0})) continue;
        if (!chosen || reading.condition == MotorCondition::Hauling) chosen = &reading;
    }
    if (!chosen || !path) {
        // Half of four volts for its winding, half for its turning.
        const Watts usual = usualCrawl(motor.kind);
        const Amperes current = usual / Volts{4};
        const Volts emf = Volts{2} * (kmh / usualKmh);
        return {current, Volts{2}, emf,
                figures::assumed(text("Motor at a crawl"), "P_motor", current * (Volts{2} + emf),
                                 text("usual for its kind"), "light "),
                true};
    }
    const Volts winding = std::min(chosen->amps * *path, chosen->volts);
    const Volts emf = (chosen->volts - winding) * (kmh / readingKmh);
    const Text how =
        chosen->condition == MotorCondition::Hauling ? text("hauling") : text("running light");
    const bool usual = std::abs(kmh - usualKmh) < 1e-9;
    std::vector<Figure> inputs{figures::measured(text("Current, running"), "I_run", chosen->amps,
                                                 chosen->taken, how, "light "),
                               figures::measured(text("Volts, running"), "V_run", chosen->volts,
                                                 chosen->taken, how, "light "),
                               figures::computed(text("Motor path"), "R_path", *path, "", {})};
    return {chosen->amps, winding, emf,
            figures::computed(
                text("Motor at a crawl"), "P_motor", (winding + emf) * chosen->amps,
                usual ? "(I_run · R_path + (V_run − I_run · R_path) / 4) · I_run"
                      : "(I_run · R_path + (V_run − I_run · R_path) · v / 80 km/h) · I_run",
                std::move(inputs)),
            false};
}

/// The first and the last unit that wires join to the one where the decoder lies.
std::pair<std::size_t, std::size_t> wiredTogether(const Job& job) {
    const std::size_t home =
        job.decoder && job.decoder->seat ? unitAt(job, job.decoder->seat->unit) : 0;
    std::size_t first = home;
    std::size_t last = home;
    while (first > 0 && job.couplings[first - 1].contacts >= 2) --first;
    while (last < job.couplings.size() && job.couplings[last].contacts >= 2) ++last;
    return {first, last};
}

}  // namespace

Path pathOf(const FittedBank& bank) {
    return {bank.charge.value_or(bank.part.charge), bank.diode.value_or(bank.part.diode)};
}

Farads capacitanceOf(const FittedBank& bank) {
    return bank.measured ? bank.measured->value : bank.part.capacitance;
}

Loads loadsOf(const Reckoned& facts) {
    Loads loads;
    const double kmh = creep(facts.job).kmh;
    for (const MotorAt& at : motorsOf(facts.job)) {
        Crawling one = crawling(*at.motor, kmh);
        loads.bus.power += Watts{*one.power.value};
        loads.motorAssumed = loads.motorAssumed || one.assumed;
        loads.figures.push_back(std::move(one.power));
        // Several as one that takes their current and their power.
        const Amperes current = loads.drive.current + one.current;
        if (current > Amperes{0}) {
            const double before = loads.drive.current / current;
            const double mine = one.current / current;
            loads.drive.winding = loads.drive.winding * before + one.winding * mine;
            loads.drive.emf = loads.drive.emf * before + one.emf * mine;
        }
        loads.drive.current = current;
    }
    Amperes lamps{0};
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        if (facts.job.groups[g].output == supplyOutput || !facts.groups[g]) continue;
        lamps += facts.groups[g]->total;
        addLoads(facts.job.groups[g], *facts.groups[g], loads.bus);
    }
    if (lamps > Amperes{0}) {
        loads.figures.push_back(
            figures::computed(text("Every lamp lit, at full volts"), "I_lamps", lamps, "", {}));
    }
    const auto dead = longestDead(facts.job);
    loads.needed = std::max(dead ? dead->time : Seconds{0}, dirtTime(facts.job));
    loads.bus.current = processorCurrent;
    loads.figures.push_back(figures::assumed(text("Processor"), "I_cpu", processorCurrent,
                                             text("usual for a decoder")));
    return loads;
}

Loads standingStill(Loads loads) {
    loads.bus.power = Watts{0};
    loads.drive = {};
    loads.motorAssumed = false;
    return loads;
}

Creep creep(const Job& job) { return {job.layout.kmh.value_or(usualKmh), !job.layout.kmh}; }

MetresPerSecond creepSpeed(const Job& job) {
    return modelSpeed(KilometresPerHour{creep(job).kmh}, job.scale.ratio);
}

Seconds dirtTime(const Job& job, double left) {
    if (!job.layout.dirt) return dirt;
    return timeToCarry(job.layout.dirt->stuttersPerMetre, creepSpeed(job), left);
}

std::optional<double> stuttersWith(const Job& job, std::optional<Seconds> carried) {
    if (!job.layout.dirt) return {};
    if (!carried) return 0.0;
    return stuttersLeft(job.layout.dirt->stuttersPerMetre, creepSpeed(job), *carried);
}

std::vector<Place> places(const Job& job) {
    std::vector<Place> all;
    for (const DeadSpot& spot : job.layout.spots) {
        Place place;
        place.measured = spot.length.has_value();
        if (spot.number > 0) {
            const std::string number = formatted(spot.number, Dimension::Ratio);
            place.name = "points 1:" + number;
            place.length = spot.length.value_or(usualFrog(spot.number, job.scale.ratio));
            place.words = text("the dead %1 of points 1:%2", formatted(place.length, 3), number);
            place.ways = {Rails::Left, Rails::Right};
        } else {
            const std::string rail(core::name(spot.rail));
            place.length = *spot.length;
            place.name = "gap " + rail + " " + formatted(place.length, 3);
            place.words =
                spot.rail == Rails::Both
                    ? text("a gap of %1 in both rails", formatted(place.length, 3))
                    : text("a gap of %1 in the %2 rail", formatted(place.length, 3), rail);
            place.ways = {spot.rail};
        }
        all.push_back(std::move(place));
    }
    std::stable_sort(all.begin(), all.end(),
                     [](const Place& a, const Place& b) { return a.length > b.length; });
    if (all.empty()) {
        const Millimetres length = usualFrog(usualNumber, job.scale.ratio);
        all.push_back({"points",
                       text("an insulated frog of %1", formatted(length, 3)),
                       length,
                       false,
                       {Rails::Left, Rails::Right}});
    }
    return all;
}

int axlesBefore(const Job& job) {
    int count = 0;
    for (std::size_t i = 0; i < wiredTogether(job).first; ++i) {
        count += static_cast<int>(job.units[i].body.axles.size());
    }
    return count;
}

std::vector<CollectingAxle> collectingAxles(const Job& job, int added) {
    std::vector<CollectingAxle> axles;
    if (job.feed == Feed::ThreeRailDigital) return axles;
    const auto [first, last] = wiredTogether(job);
    int number = axlesBefore(job);
    for (std::size_t i = first; i <= last; ++i) {
        for (const Axle& axle : job.units[i].body.axles) {
            const bool both = ++number == added;
            axles.push_back(
                {startOf(job, i) + axle.x, axle.collectsLeft || both, axle.collectsRight || both});
        }
    }
    return axles;
}

std::optional<LongestDead> longestDead(const Job& job) {
    const std::vector<CollectingAxle> axles = collectingAxles(job);
    if (axles.empty()) return {};
    const MetresPerSecond speed = creepSpeed(job);
    std::optional<LongestDead> longest;
    for (const Place& place : places(job)) {
        Millimetres most{0};
        for (const Rails rail : place.ways) {
            const auto found = outages(axles, {DeadLength{rail, Millimetres{0}, place.length}});
            if (!found) return {};
            for (const Outage& outage : *found) most = std::max(most, outage.length());
        }
        const Seconds time{Metres{most} / speed};
        if (!longest || time > longest->time) longest = LongestDead{time, place};
    }
    return longest;
}

std::optional<OnOneWheel> onOneWheel(const Job& job, const Place& place,
                                     std::optional<Seconds> carried) {
    if (!job.layout.dirt || !(job.layout.dirt->stuttersPerMetre > 0)) return {};
    const std::vector<CollectingAxle> axles = collectingAxles(job);
    int left = 0, right = 0;
    for (const CollectingAxle& axle : axles) {
        left += axle.left ? 1 : 0;
        right += axle.right ? 1 : 0;
    }
    if (left == 0 || right == 0) return {};
    OnOneWheel made;
    for (const Rails way : place.ways) {
        const std::vector<DeadLength> dead{{way, Millimetres{0}, place.length}};
        const auto without = outages(axles, dead);
        if (!without || !without->empty()) return {};
        for (const Rails side : {Rails::Left, Rails::Right}) {
            if (way == side || way == Rails::Both)
                made.length = std::max(made.length, core::onOneWheel(axles, dead, side));
        }
    }
    if (!(made.length > Millimetres{0})) return {};
    const double off = wheelOff(job.layout.dirt->stuttersPerMetre, left, right);
    const double all = stuttersOnOneWheel(off, made.length);
    made.stutters = carried ? stuttersLeft(all, creepSpeed(job), *carried) : 0;
    return made;
}

Bank onBus(const Reckoned& facts, const FittedBank& fitted, const Loads& loads) {
    const Path path = pathOf(fitted);
    const Volts bus = std::max(busVolts(facts.job, facts.house), Volts{0.1});
    const Volts back = path.diode > Volts{0} || !(path.charge > Ohms{0})
                           ? path.diode
                           : loads.bus.drawn(bus) * path.charge;
    return {capacitanceOf(fitted), back, path.charge};
}

BankState bankState(const Reckoned& facts, const FittedBank& fitted, const Loads& loads,
                    std::size_t steps) {
    const Volts bus = busVolts(facts.job, facts.house);
    const Volts spread = trackVolts(facts.job) * facts.house.supplySpread;
    BankState state{bus, bus, bus + spread, bus + spread, {}, {}, Hold{}, {}, {}};
    Volts lowest = bus - spread;
    if (const auto& clamp = fitted.clamp) {
        state.full = std::min(bus, clamp->volts);
        state.highest = std::min(state.top, clamp->volts * (1 + clamp->tolerance));
        lowest = std::min(lowest, clamp->volts * (1 - clamp->tolerance));
    }
    state.bank = onBus(facts, fitted, loads);
    state.back = state.bank.diode;
    state.hold = state.full > Volts{0}
                     ? holdOf(state.bank, state.full, processorMinimum, loads.bus, steps)
                     : Result<Hold>(Hold{Seconds{0}, {}, {}});
    // The worst credible case: the track at its lowest, a bank that was not read at its least.
    Bank least = state.bank;
    if (!fitted.measured) least.capacitance *= 1 - capacitanceShort;
    if (lowest > Volts{0}) {
        const auto worst = holdOf(least, lowest, processorMinimum, loads.bus, 1);
        if (worst) state.worst = worst->time;
    } else {
        state.worst = Seconds{0};
    }
    state.needed = loads.needed;
    return state;
}

std::optional<HoldChart> holdChart(const Reckoned& facts) {
    if (!facts.job.bank) return {};
    const BankState state = bankState(facts, *facts.job.bank, loadsOf(facts), 100);
    if (!state.hold) return {};
    HoldChart chart;
    chart.trace = state.hold->trace;
    if (chart.trace.empty()) chart.trace = {{Seconds{0}, state.bus - state.back}};
    chart.minimum = processorMinimum;
    chart.bus = state.bus;
    chart.needed = state.needed;
    const Seconds held = state.hold->time.value_or(chart.trace.back().time);
    chart.holds = !state.hold->time || held >= state.needed;
    chart.shown = std::max({held * 1.35, std::min(state.needed * 1.15, held * 8.0), dirt * 2.0});
    return chart;
}

}  // namespace glimmet::core::reserve
