#include "core/analysis/stay_alive/bank_state.h"

#include "core/analysis/motor_evidence.h"
#include "core/analysis/stay_alive/hold_test.h"
#include "core/analysis/stay_alive/leak.h"
#include "core/analysis/stay_alive/rolling.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"
#include "core/track/dirt.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {
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
    const MotorReading* hauling = largestWithVolts(evidence, MotorCondition::Hauling);
    const MotorReading* chosen =
        hauling ? hauling : largestWithVolts(evidence, MotorCondition::Light);
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
}  // namespace

Path pathOf(const FittedBank& bank) {
    return {bank.charge.value_or(bank.part.charge), bank.diode.value_or(bank.part.diode)};
}

bool letsMoreCome(const FittedBank& bank) {
    constexpr double meterOff = 0.05;  // and its own, as it gets warm
    return bank.clamp && !bank.clamp->before && bank.across &&
           bank.across->value > bank.clamp->volts * (1 + bank.clamp->tolerance + meterOff);
}

const BankClamp* clampOf(const FittedBank& bank) {
    return bank.clamp && !bank.clamp->before && !letsMoreCome(bank) ? &*bank.clamp : nullptr;
}

const std::optional<FittedBank>& working(const Job& job) {
    static const std::optional<FittedBank> none;
    return job.bank && (job.bank->dead || job.bank->backwards) ? none : job.bank;
}

namespace {
/// What was found, unless no bank can have so much more than is printed: then it was misread.
const FoundCapacitance* believed(const FittedBank& bank) {
    const bool impossible = againstPrint(bank) == AgainstPrint::More;
    return bank.measured && !impossible ? &*bank.measured : nullptr;
}
}  // namespace

Farads capacitanceOf(const FittedBank& bank) {
    const FoundCapacitance* found = believed(bank);
    return found ? found->value : bank.part.capacitance;
}

double lessBy(const FittedBank& bank) {
    const FoundCapacitance* found = believed(bank);
    return found ? found->within : capacitanceShort;
}

namespace {

Loads allLoads(const JobAnalysis& facts) {
    Loads loads;
    const double kmh = creep(facts.job).kmh;
    for (const MotorAt& at : motorsOf(facts.job)) {
        Crawling one = crawling(*at.motor, kmh);
        loads.motor += Watts{*one.power.value};
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
    loads.bus.power = loads.motor;
    Amperes lamps{0};
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        if (facts.job.groups[g].output == supplyOutput || !facts.groups[g]) continue;
        lamps += facts.groups[g]->total;
        addLoads(facts.job, facts.job.groups[g], *facts.groups[g], loads.bus);
    }
    if (lamps > Amperes{0}) {
        loads.figures.push_back(
            figures::computed(text("Every lamp lit, at full volts"), "I_lamps", lamps, "", {}));
    }
    if (facts.job.decoder && facts.job.decoder->part.sound) {
        loads.sound = usualSound;
        loads.bus.power += usualSound;
        loads.figures.push_back(
            figures::assumed(text("Its sound"), "P_sound", usualSound,
                             text("usual; up to %1 where it is loud", formatted(loudSound))));
    }
    const auto dead = longestDead(facts.job);
    loads.needed = std::max(dead ? dead->time : Seconds{0}, dirtTime(facts.job));
    loads.slowing = slowing(facts.job);
    loads.bus.current = processorCurrent;
    loads.figures.push_back(figures::assumed(text("Processor"), "I_cpu", processorCurrent,
                                             text("usual for a decoder")));
    return loads;
}

struct LoadsFact {
    using Value = Loads;
    using Read =
        ReadsOf<GroupStateReads,
                Reads<&Job::units, &Job::couplings, &Job::bank, &Job::layout, &Job::groups>>;
    static Value of(const JobAnalysis& facts) { return allLoads(facts); }
};
struct BankStateFact {
    using Value = BankState;
    using Read = LoadsFact::Read;
    static Value of(const JobAnalysis& facts) {
        return bankState(facts, *facts.job.bank, loadsOf(facts));
    }
};

}  // namespace

const Loads& loadsOf(const JobAnalysis& facts) { return facts.fact<LoadsFact>(); }
const BankState& bankState(const JobAnalysis& facts) { return facts.fact<BankStateFact>(); }

Loads loud(Loads loads) {
    if (!(loads.sound > Watts{0})) return loads;
    loads.bus.power += loudSound - loads.sound;
    loads.sound = loudSound;
    return loads;
}

Loads standingStill(Loads loads) {
    loads.bus.power = loads.sound;
    loads.motor = {};
    loads.drive = {};
    loads.motorAssumed = false;
    return loads;
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

Bank onBus(const JobAnalysis& facts, const FittedBank& fitted, const Loads& loads) {
    const Path path = pathOf(fitted);
    const Volts bus = std::max(busVolts(facts.job, facts.house), Volts{0.1});
    const Volts back = path.diode > Volts{0} || !(path.charge > Ohms{0})
                           ? path.diode
                           : loads.bus.drawn(bus) * path.charge;
    return {capacitanceOf(fitted), back, path.charge};
}

BankState bankState(const JobAnalysis& facts, const FittedBank& fitted, const Loads& loads,
                    std::size_t steps) {
    const Volts bus = busVolts(facts.job, facts.house);
    const Volts spread = trackVolts(facts.job) * facts.house.supplySpread;
    const Volts top =
        std::max(bus + spread, peakVolts(facts.job, facts.house) - (crestVolts(facts.job) - bus));
    BankState state{bus, bus, top, top, {}, {}, Hold{}, {}, {}, {}};
    Volts lowest = bus - spread;
    if (const BankClamp* clamp = clampOf(fitted)) {
        state.full = std::min(bus, clamp->volts);
        state.highest = std::min(state.top, clamp->volts * (1 + clamp->tolerance));
        lowest = std::min(lowest, clamp->volts * (1 - clamp->tolerance));
    }
    Loads drawing = loads;
    if (const auto leak = leakOf(facts, fitted)) {
        state.full *= leak->left;
        lowest *= leak->left;
        state.leak = leak->path;
        drawing.bus.resistive.push_back(leak->path);
    }
    state.bank = onBus(facts, fitted, loads);
    state.back = state.bank.diode;
    state.hold = state.full > Volts{0}
                     ? holdOf(state.bank, state.full, processorMinimum, drawing.bus, steps)
                     : Result<Hold>(Hold{Seconds{0}, {}, {}});
    // The worst credible case: the track at its lowest, a bank that was not read at its least.
    Bank least = state.bank;
    least.capacitance *= 1 - lessBy(fitted);
    if (lowest > Volts{0}) {
        const auto worst = holdOf(least, lowest, processorMinimum, loud(drawing).bus, 1);
        if (worst) state.worst = worst->time;
    } else {
        state.worst = Seconds{0};
    }
    state.needed = loads.needed;
    return state;
}

std::optional<HoldChart> holdChart(const JobAnalysis& facts) {
    const auto& bank = working(facts.job);
    if (!bank) return {};
    const BankState state = bankState(facts, *bank, loadsOf(facts), 100);
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

}  // namespace glimmet::core::stay_alive
