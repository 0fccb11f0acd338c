#include "core/work/reserve/crossing_state.h"

#include "core/quantity/format.h"
#include "core/work/supply.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::reserve {
namespace {

// What is assumed; sources in docs/physics.md.
constexpr Farads decoderBulk{47e-6};
constexpr Seconds decoderRestart{0.3};
constexpr double gearSlowing = 0.4;  // m/s², a worm without a flywheel

/// m/s², of the model with its motor off. Friction slows it evenly: a = v²/2d.
double slowing(const Job& job) {
    if (!job.layout.coast) return gearSlowing;
    const double speed =
        modelSpeed(KilometresPerHour{job.layout.coast->kmh}, job.scale.ratio).value();
    return speed * speed / (2 * Metres{job.layout.coast->distance}.value());
}

std::vector<DeadLength> deadOn(const Place& place, Rails rail) {
    return {DeadLength{rail, Millimetres{0}, place.length}};
}

std::optional<std::vector<Outage>> outagesOn(const Job& job, const Place& place, Rails rail) {
    auto found = outages(collectingAxles(job), deadOn(place, rail));
    if (!found) return {};
    return std::move(*found);
}

CrossingRun runOf(const Reckoned& facts, const Loads& loads, std::vector<Outage> outages,
                  const std::optional<Bank>& bank, Volts bus, double kmh, bool traced = false) {
    CrossingRun run;
    run.traced = traced;
    run.outages = std::move(outages);
    run.speed = modelSpeed(KilometresPerHour{kmh}, facts.job.scale.ratio);
    run.bus = bus;
    run.bulk = decoderBulk;
    run.bank = bank;
    run.minimum = processorMinimum;
    run.restart = decoderRestart;
    run.slowing = slowing(facts.job);
    run.motor = loads.drive;
    run.motor.emf *= kmh / creep(facts.job).kmh;
    run.others = loads.bus;
    run.others.power = Watts{0};  // that is the motor
    return run;
}

/// The bank as it would be fitted; nothing: none.
std::optional<Bank> bankOf(const Reckoned& facts, const Loads& loads,
                           const std::optional<FittedBank>& fitted) {
    if (!fitted) return {};
    return onBus(facts, *fitted, loads);
}

/// From the fastest down; `visit` returns whether slower ones are wanted.
template <class Visit>
void sweepDown(const Reckoned& facts, const Loads& loads, const CrossingState& at,
               const std::optional<FittedBank>& fitted, Visit visit) {
    const auto found = outagesOn(facts.job, at.place, at.rail);
    if (!found) return;
    const auto bank = bankOf(facts, loads, fitted);
    const Volts bus = busVolts(facts.job, facts.house);
    for (double kmh = fastestSwept; kmh >= slowestSwept; kmh -= sweptBy) {
        if (!visit(AtSpeed{kmh, crossed(runOf(facts, loads, *found, bank, bus, kmh)).how})) return;
    }
}

}  // namespace

State stateOf(Crossed how) {
    return how == Crossed::Stops ? State::Over : how >= Crossed::Slows ? State::Close : State::Fine;
}

Figure rollFigure(const Job& job) {
    const double speed = modelSpeed(KilometresPerHour{creep(job).kmh}, job.scale.ratio).value();
    const Millimetres rolls = Metres{speed * speed / (2 * slowing(job))};
    if (!job.layout.coast) {
        return figures::assumed(text("Rolls without power"), "d_roll", rolls,
                                text("a worm gear without a flywheel"), "coast ");
    }
    const Coast& read = *job.layout.coast;
    return figures::measured(
        text("Rolls without power"), "d_roll", rolls, read.on,
        text("%1 from %2 km/h", formatted(read.distance, 3), formatted(read.kmh, Dimension::Ratio)),
        "coast ");
}

std::optional<CrossingState> crossingOver(const Reckoned& facts, const Loads& loads,
                                          const Place& place,
                                          const std::optional<FittedBank>& fitted, bool traced) {
    const Volts bus = busVolts(facts.job, facts.house);
    if (!(bus > processorMinimum)) return {};
    const auto bank = bankOf(facts, loads, fitted);
    const double kmh = creep(facts.job).kmh;
    std::optional<CrossingState> worst;
    for (const Rails rail : place.ways) {
        auto found = outagesOn(facts.job, place, rail);
        if (!found) return {};
        Crossing crossing = crossed(runOf(facts, loads, std::move(*found), bank, bus, kmh, traced));
        if (worst && (crossing.how < worst->crossing.how ||
                      (crossing.how == worst->crossing.how &&
                       crossing.lowestBus >= worst->crossing.lowestBus))) {
            continue;
        }
        worst = CrossingState{place, rail, std::move(crossing), {}, {}};
    }
    if (!worst) return {};
    const Volts lowest = bus - trackVolts(facts.job) * facts.house.supplySpread;
    auto least = bank;
    if (least && !fitted->measured) least->capacitance *= 1 - capacitanceShort;
    worst->inTheWorst = lowest > processorMinimum
                            ? crossed(runOf(facts, loads, *outagesOn(facts.job, place, worst->rail),
                                            least, lowest, kmh))
                                  .how
                            : Crossed::Stops;
    worst->state = stateOf(worst->crossing.how);
    if (worst->state == State::Fine && worst->inTheWorst >= Crossed::Resets) {
        worst->state = State::Close;
    }
    return worst;
}

std::vector<AtSpeed> sweepOver(const Reckoned& facts, const Loads& loads, const CrossingState& at,
                               const std::optional<FittedBank>& fitted) {
    std::vector<AtSpeed> sweep;
    sweepDown(facts, loads, at, fitted, [&](const AtSpeed& one) {
        sweep.push_back(one);
        return true;
    });
    std::reverse(sweep.begin(), sweep.end());
    return sweep;
}

std::optional<double> sureFrom(const std::vector<AtSpeed>& sweep) {
    std::optional<double> from;
    for (auto one = sweep.rbegin(); one != sweep.rend() && one->how < Crossed::Resets; ++one) {
        from = one->kmh;
    }
    return from;
}

std::optional<double> sureFrom(const Reckoned& facts, const Loads& loads, const CrossingState& at,
                               const std::optional<FittedBank>& fitted) {
    std::optional<double> from;
    sweepDown(facts, loads, at, fitted, [&](const AtSpeed& one) {
        if (one.how >= Crossed::Resets) return false;
        from = one.kmh;
        return true;
    });
    return from;
}

std::optional<Farads> capacitanceFor(const Reckoned& facts, const Loads& loads,
                                     const CrossingState& at) {
    const auto found = outagesOn(facts.job, at.place, at.rail);
    if (!found || found->empty()) return {};
    const Volts bus = busVolts(facts.job, facts.house);
    const auto carried = [&](double farads) {
        const Bank bank{Farads{farads}, usualDiode, usualCharge};
        return crossed(runOf(facts, loads, *found, bank, bus, creep(facts.job).kmh)).how <=
               Crossed::Dims;
    };
    double least = 1e-6;
    double enough = 10;
    if (carried(least) || !carried(enough)) return {};
    // More capacitance never carries it less far: halved by ratio, to one per cent.
    while (enough / least > 1.01) {
        const double middle = std::sqrt(least * enough);
        (carried(middle) ? enough : least) = middle;
    }
    return Farads{enough};
}

Millimetres CrossingChart::end() const { return stands ? at.crossing.trace.back().travel : to; }
double CrossingChart::kmhAt(const CrossingMoment& moment) const {
    return (moment.speed / speed).value() * kmh;
}

CrossingMoment CrossingChart::momentAt(Millimetres travel) const {
    const std::vector<CrossingMoment>& trace = at.crossing.trace;
    const auto behind =
        std::upper_bound(trace.begin(), trace.end(), travel,
                         [](Millimetres t, const CrossingMoment& m) { return t < m.travel; });
    CrossingMoment moment = behind == trace.begin() ? trace.front() : *(behind - 1);
    if (behind != trace.begin() && behind != trace.end()) {
        const CrossingMoment& one = *(behind - 1);
        const double share = ((travel - one.travel) / (behind->travel - one.travel)).value();
        moment.bus += (behind->bus - one.bus) * share;
        moment.speed += (behind->speed - one.speed) * share;
        moment.light += (behind->light - one.light) * share;
    }
    moment.travel = travel;
    moment.power = std::none_of(outages.begin(), outages.end(), [&](const Outage& outage) {
        return travel >= outage.from && travel < outage.to;
    });
    return moment;
}

std::optional<CrossingChart> crossingChart(const Reckoned& facts, std::string_view place) {
    const Loads loads = loadsOf(facts);
    std::optional<CrossingState> shown;
    for (const Place& one : places(facts.job)) {
        auto state = crossingOver(facts, loads, one, facts.job.bank);
        if (!state) continue;
        const bool asked = one.name == place;
        if (shown && !asked && state->crossing.how <= shown->crossing.how) continue;
        shown = std::move(state);
        if (asked) break;
    }
    if (!shown) return {};
    CrossingChart chart;
    chart.dead = deadOn(shown->place, shown->rail);
    chart.outages = *outagesOn(facts.job, shown->place, shown->rail);
    int number = axlesBefore(facts.job);
    for (const CollectingAxle& axle : collectingAxles(facts.job)) {
        ++number;
        const Millimetres from = axle.x, to = axle.x + shown->place.length;
        for (const Rails rail : {Rails::Left, Rails::Right}) {
            if (shown->rail != Rails::Both && shown->rail != rail) continue;
            if (!(rail == Rails::Left ? axle.left : axle.right)) continue;
            chart.from = chart.wheels.empty() ? from : std::min(chart.from, from);
            chart.to = chart.wheels.empty() ? to : std::max(chart.to, to);
            chart.wheels.push_back({number, rail, from, to});
        }
    }
    chart.from -= Millimetres{6};
    chart.to += Millimetres{12};
    chart.stands = shown->crossing.how == Crossed::Stops;
    chart.sweep = sweepOver(facts, loads, *shown, facts.job.bank);
    chart.kmh = creep(facts.job).kmh;
    chart.bus = busVolts(facts.job, facts.house);
    chart.minimum = processorMinimum;
    chart.speed = modelSpeed(KilometresPerHour{chart.kmh}, facts.job.scale.ratio);
    chart.at = std::move(*shown);
    return chart;
}

}  // namespace glimmet::core::reserve
