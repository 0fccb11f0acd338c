#include "core/work/reserve/bank_state.h"

#include "core/track/crossing.h"
#include "core/work/motor_evidence.h"
#include "core/work/supply.h"

#include <algorithm>

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

/// At a crawl the motor still pulls what it takes running light, at the volts across its winding
/// and a quarter of what its turning makes at the reading: P = (I·R + (V − I·R)/4)·I.
std::optional<Figure> crawlFigure(const Motor& motor) {
    const MotorEvidence evidence = motorEvidence(motor);
    const auto path = pathResistance(evidence.readings, evidence.winding);
    const MotorReading* chosen = nullptr;
    for (const MotorReading& reading : evidence.readings) {
        const bool running = reading.condition == MotorCondition::Light ||
                             reading.condition == MotorCondition::Hauling;
        if (!running || !(reading.volts > Volts{0})) continue;
        if (!chosen || reading.condition == MotorCondition::Hauling) chosen = &reading;
    }
    if (!chosen || !path) return {};
    const Volts winding = std::min(chosen->amps * *path, chosen->volts);
    const Watts power = (winding + (chosen->volts - winding) / 4.0) * chosen->amps;
    const Text how =
        chosen->condition == MotorCondition::Hauling ? text("hauling") : text("running light");
    return figures::computed(text("Motor at a crawl"), "P_motor", power,
                             "(I_run · R_path + (V_run − I_run · R_path) / 4) · I_run",
                             {figures::measured(text("Current, running"), "I_run", chosen->amps,
                                                chosen->taken, how, "light "),
                              figures::measured(text("Volts, running"), "V_run", chosen->volts,
                                                chosen->taken, how, "light "),
                              figures::computed(text("Motor path"), "R_path", *path, "", {})});
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
    for (const MotorAt& at : motorsOf(facts.job)) {
        if (auto crawl = crawlFigure(*at.motor)) {
            loads.bus.power += Watts{*crawl->value};
            loads.figures.push_back(std::move(*crawl));
            continue;
        }
        const Watts usual = usualCrawl(at.motor->kind);
        loads.bus.power += usual;
        loads.motorAssumed = true;
        loads.figures.push_back(figures::assumed(text("Motor at a crawl"), "P_motor", usual,
                                                 text("usual for its kind"), "light "));
    }
    Amperes lamps{0};
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        if (facts.job.groups[g].output == supplyOutput || !facts.groups[g]) continue;
        const GroupState& state = *facts.groups[g];
        for (std::size_t r = 0; r < state.rows.size(); ++r) {
            const RowState& row = state.rows[r];
            if (!row.connected || !(row.current > Amperes{0})) continue;
            // Straight through what was solved: the row's own resistance, and of the shared one
            // as much as its share of the current makes of it.
            const LampGroup& group = facts.job.groups[g];
            const Ohms common = group.shared() + state.outputSeries;
            const Ohms resistance = std::max(
                *group.rows[r].resistor + common * (state.total / row.current).value(), Ohms{1});
            loads.bus.lamps.push_back(
                {std::max(state.bus - row.current * resistance, Volts{0}), resistance, 1});
            lamps += row.current;
        }
    }
    if (lamps > Amperes{0}) {
        loads.figures.push_back(
            figures::computed(text("Every lamp lit, at full volts"), "I_lamps", lamps, "", {}));
    }
    loads.bus.current = processorCurrent;
    loads.figures.push_back(figures::assumed(text("Processor"), "I_cpu", processorCurrent,
                                             text("usual for a decoder")));
    return loads;
}

Millimetres frogLength(const Job& job) { return usualFrog / job.scale.ratio; }

std::optional<Seconds> frogTime(const Job& job) {
    if (job.feed == Feed::ThreeRailDigital) return {};
    // The wheels of every unit that wires lead across to from where the decoder lies.
    const std::size_t home =
        job.decoder && job.decoder->seat ? unitAt(job, job.decoder->seat->unit) : 0;
    std::size_t first = home;
    std::size_t last = home;
    while (first > 0 && job.couplings[first - 1].contacts >= 2) --first;
    while (last < job.couplings.size() && job.couplings[last].contacts >= 2) ++last;
    std::vector<CollectingAxle> axles;
    for (std::size_t i = first; i <= last; ++i) {
        for (const Axle& axle : job.units[i].body.axles) {
            axles.push_back({startOf(job, i) + axle.x, axle.collectsLeft, axle.collectsRight});
        }
    }
    if (axles.empty()) return {};
    Millimetres longest{0};
    for (const Rails rail : {Rails::Left, Rails::Right}) {
        const auto dead = outages(axles, {DeadLength{rail, Millimetres{0}, frogLength(job)}});
        if (!dead) return {};
        for (const Outage& outage : *dead) longest = std::max(longest, outage.length());
    }
    return Seconds{Metres{longest} / modelSpeed(usualSpeed, job.scale.ratio)};
}

BankState bankState(const Reckoned& facts, const FittedBank& fitted, const Loads& loads,
                    std::size_t steps) {
    const Path path = pathOf(fitted);
    BankState state{busVolts(facts.job, facts.house), {}, {}, {}, Hold{}, {}, {}};
    state.highest = Volts{*trackFigure(facts.job).value} * (1 + facts.house.supplySpread) -
                    Volts{*rectifierFigure(facts.job, facts.house).value};
    state.back = path.diode > Volts{0} || !(path.charge > Ohms{0})
                     ? path.diode
                     : loads.bus.drawn(std::max(state.bus, Volts{0.1})) * path.charge;
    state.bank = {capacitanceOf(fitted), state.back, path.charge};
    state.hold = state.bus > Volts{0}
                     ? holdOf(state.bank, state.bus, processorMinimum, loads.bus, steps)
                     : Result<Hold>(Hold{Seconds{0}, {}, {}});
    // The worst credible case: the track at its lowest, a bank that was not read at its least.
    const Volts lowest =
        state.bus - Volts{*trackFigure(facts.job).value} * facts.house.supplySpread;
    Bank least = state.bank;
    if (!fitted.measured) least.capacitance *= 1 - capacitanceShort;
    if (lowest > Volts{0}) {
        const auto worst = holdOf(least, lowest, processorMinimum, loads.bus, 1);
        if (worst) state.worst = worst->time;
    } else {
        state.worst = Seconds{0};
    }
    state.needed = std::max(frogTime(facts.job).value_or(Seconds{0}), dirt);
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
