#include "core/analysis/stay_alive/crossing_state.h"

#include "core/analysis/stay_alive/leak.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::stay_alive {
namespace {

// What is assumed; sources in docs/physics.md.
constexpr Farads decoderBulk{47e-6};
constexpr Seconds decoderRestart{0.3};
/// A bank as it is or would be fitted, and what it is charged to.
struct Charged {
    std::optional<Bank> bank;
    std::optional<BankClamp> clamp;
    std::optional<Leak> leak;

    [[nodiscard]] Volts full(Volts bus) const {
        return (clamp ? std::min(bus, clamp->volts) : bus) * (leak ? leak->left : 1.0);
    }
};

CrossingRun runOf(const JobAnalysis& facts, const Loads& loads, std::vector<Outage> outages,
                  const Charged& charged, Volts bus, double kmh, bool traced = false) {
    CrossingRun run;
    run.traced = traced;
    run.outages = std::move(outages);
    run.speed = modelSpeed(KilometresPerHour{kmh}, facts.job.scale.ratio);
    run.bus = bus;
    run.bulk = decoderBulk;
    run.bank = charged.bank;
    run.full = charged.full(bus);
    run.minimum = processorMinimum;
    run.restart = decoderRestart;
    run.slowing = loads.slowing;
    run.motor = loads.drive;
    run.motor.emf *= kmh / creep(facts.job).kmh;
    run.others = loads.bus;
    run.others.power = loads.sound;  // what else is the motor
    if (charged.leak) run.others.resistive.push_back(charged.leak->path);
    return run;
}

/// The same lengths the same way apart: what becomes of it is the same.
bool sameRhythm(const std::vector<Outage>& a, const std::vector<Outage>& b) {
    constexpr Millimetres hair{1e-9};
    const auto alike = [&](const Outage& one, const Outage& other) {
        const Millimetres from = (one.from - a.front().from) - (other.from - b.front().from);
        const Millimetres to = (one.to - a.front().from) - (other.to - b.front().from);
        return std::max({from, -from, to, -to}) < hair;
    };
    return std::equal(a.begin(), a.end(), b.begin(), b.end(), alike);
}

Charged bankOf(const JobAnalysis& facts, const Loads& loads,
               const std::optional<FittedBank>& fitted) {
    if (!fitted) return {};
    const BankClamp* clamp = clampOf(*fitted);
    return {onBus(facts, *fitted, loads), clamp ? std::optional(*clamp) : std::nullopt,
            leakOf(facts, *fitted)};
}

/// From the fastest down; `visit` returns whether slower ones are wanted.
template <class Visit>
void sweepDown(const JobAnalysis& facts, const Loads& loads, const Passage& passage,
               const std::optional<FittedBank>& fitted, Visit visit) {
    const auto found = outagesOn(collectingAxles(facts.job), passage);
    if (!found) return;
    const auto bank = bankOf(facts, loads, fitted);
    const Volts bus = busVolts(facts.job, facts.house);
    for (double kmh = fastestSwept; kmh >= slowestSwept; kmh -= sweptBy) {
        const Crossing crossing = crossed(runOf(facts, loads, *found, bank, bus, kmh));
        if (!visit(AtSpeed{kmh, crossing.how, crossing.wentOn})) return;
    }
}

}  // namespace

State stateOf(Crossed how) {
    return how == Crossed::Stops ? State::Over : how >= Crossed::Slows ? State::Close : State::Fine;
}

std::optional<CrossingState> crossingOver(const JobAnalysis& facts, const Loads& loads,
                                          const Place& place,
                                          const std::optional<FittedBank>& fitted, bool traced) {
    const Volts bus = busVolts(facts.job, facts.house);
    if (!(bus > processorMinimum)) return {};
    const auto bank = bankOf(facts, loads, fitted);
    const double kmh = creep(facts.job).kmh;
    const std::vector<CollectingAxle> axles = collectingAxles(facts.job);
    CrossingState worst{place, 0, {}, {}, {}, {}, {}, {}};
    std::vector<std::vector<Outage>> met;  // on each passage, from the first on
    for (const Passage& passage : place.passages) {
        auto found = outagesOn(axles, passage);
        if (!found) return {};
        const auto same = std::find_if(
            met.begin(), met.end(), [&](const auto& before) { return sameRhythm(before, *found); });
        const auto alike = static_cast<std::size_t>(same - met.begin());
        met.push_back(*found);
        if (alike + 1 < met.size()) {
            worst.ways.push_back(worst.ways[alike]);
            continue;
        }
        Crossing crossing = crossed(runOf(facts, loads, std::move(*found), bank, bus, kmh, traced));
        worst.ways.push_back(crossing.how);
        const bool first = worst.ways.size() == 1;
        if (!first && (crossing.how < worst.crossing.how ||
                       (crossing.how == worst.crossing.how &&
                        crossing.lowestBus >= worst.crossing.lowestBus))) {
            continue;
        }
        worst.passage = worst.ways.size() - 1;
        worst.crossing = std::move(crossing);
    }
    worst.state = stateOf(worst.crossing.how);
    worst.inTheWorst = worst.crossing.how;
    if (worst.state == State::Over) return worst;  // there is nothing graver
    if (bank.bank && worst.crossing.how != Crossed::Untouched) {
        worst.full = bank.full(bus);
        worst.fullAgain = rechargeTime(*bank.bank, worst.full, worst.crossing.bankLeft);
    }
    const Volts lowest = bus - trackVolts(facts.job) * facts.house.supplySpread;
    Charged least = bank;
    if (least.bank) least.bank->capacitance *= 1 - lessBy(*fitted);
    if (least.clamp) least.clamp->volts *= 1 - least.clamp->tolerance;
    worst.inTheWorst =
        lowest > processorMinimum
            ? crossed(runOf(facts, loud(loads), std::move(met[worst.passage]), least, lowest, kmh))
                  .how
            : Crossed::Stops;
    if (worst.state == State::Fine && worst.inTheWorst >= Crossed::Resets) {
        worst.state = State::Close;
    }
    return worst;
}

Text onlyWays(const CrossingState& at) {
    const std::vector<Passage>& all = at.place.passages;
    const Crossed worst = at.ways[at.passage];
    // The state of any passage with that way, or that direction.
    const auto allBad = [&](const auto& isMeant) {
        for (std::size_t i = 0; i < all.size(); ++i) {
            if (isMeant(all[i]) && at.ways[i] != worst) return false;
        }
        return true;
    };
    std::vector<Text> said;
    const auto say = [&](const Text& one) {
        if (std::find(said.begin(), said.end(), one) == said.end()) said.push_back(one);
    };
    if (allBad([](const Passage&) { return true; })) return {};
    for (std::size_t i = 0; i < all.size(); ++i) {
        if (at.ways[i] != worst) continue;
        const Passage& passage = all[i];
        if (allBad([&](const Passage& each) { return each.way == passage.way; }))
            say(passage.way);
        else if (allBad([&](const Passage& each) { return each.backwards == passage.backwards; }))
            say(passage.backwards ? text("backwards") : text("forwards"));
        else
            say(words(passage));
    }
    Text joined = said.front();
    for (std::size_t i = 1; i < said.size(); ++i) joined = text("%1; %2", joined, said[i]);
    return joined;
}

std::vector<AtSpeed> sweepOver(const JobAnalysis& facts, const Loads& loads, const Passage& passage,
                               const std::optional<FittedBank>& fitted) {
    std::vector<AtSpeed> sweep;
    sweepDown(facts, loads, passage, fitted, [&](const AtSpeed& one) {
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

std::optional<double> sureFrom(const JobAnalysis& facts, const Loads& loads,
                               const CrossingState& at, const std::optional<FittedBank>& fitted) {
    std::optional<double> from;
    sweepDown(facts, loads, at.way(), fitted, [&](const AtSpeed& one) {
        if (one.how >= Crossed::Resets) return false;
        from = one.kmh;
        return true;
    });
    return from;
}

std::optional<Farads> capacitanceFor(const JobAnalysis& facts, const Loads& loads,
                                     const CrossingState& at) {
    const auto found = outagesOn(collectingAxles(facts.job), at.way());
    if (!found || found->empty()) return {};
    const Volts bus = busVolts(facts.job, facts.house);
    const auto carried = [&](double farads) {
        const Charged bank{Bank{Farads{farads}, usualDiode, usualCharge}, {}, {}};
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

Millimetres CrossingChart::end() const {
    return way().stands() ? way().crossing.trace.back().travel : way().to;
}
double CrossingChart::kmhAt(const CrossingMoment& moment) const {
    return (moment.speed / speed).value() * kmh;
}

CrossingMoment CrossingChart::momentAt(Millimetres travel) const {
    const std::vector<CrossingMoment>& trace = way().crossing.trace;
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
    const std::vector<Outage>& dark = way().outages;
    moment.power = std::none_of(dark.begin(), dark.end(), [&](const Outage& outage) {
        return travel >= outage.from && travel < outage.to;
    });
    return moment;
}

TrackUnder CrossingChart::under(Millimetres travel) const {
    if (!passage().backwards) return {passage().dead, travel};
    // What comes from behind, as seen from the front: it travels the other way.
    Millimetres last{0};
    for (const CollectingAxle& axle : axles) last = std::max(last, axle.x);
    TrackUnder made{{}, last - travel};
    for (const DeadLength& dead : passage().dead) {
        made.dead.push_back({dead.rail, -dead.to, -dead.from});
    }
    return made;
}

namespace {

/// Its collecting wheels on dead rail, and the travel that shows all of them.
void putWheels(CrossingWay& way, const Passage& passage, const std::vector<CollectingAxle>& axles,
               int before) {
    const auto leading = passage.backwards ? rearFirst(axles) : axles;
    int number = before, sliders = 0;
    for (const CollectingAxle& axle : leading) {
        const int called = axle.touches > Millimetres{0} ? --sliders : ++number;
        const Millimetres half = axle.touches / 2.0;
        for (const DeadLength& dead : passage.dead) {
            const Millimetres from = axle.x + dead.from + half, to = axle.x + dead.to - half;
            if (!(from < to)) continue;
            for (const Rails rail : {Rails::Left, Rails::Right}) {
                if (dead.rail != Rails::Both && dead.rail != rail) continue;
                if (!(rail == Rails::Left ? axle.left : axle.right)) continue;
                way.from = way.wheels.empty() ? from : std::min(way.from, from);
                way.to = way.wheels.empty() ? to : std::max(way.to, to);
                way.wheels.push_back({called, rail, from, to});
            }
        }
    }
    way.from -= Millimetres{6};
    way.to += Millimetres{12};
}

/// How bad it is over all speeds.
double trouble(const CrossingWay& way) {
    double sum = 0;
    for (const AtSpeed& each : way.sweep) sum += static_cast<double>(each.how);
    return sum;
}

}  // namespace

std::optional<CrossingChart> crossingChart(const JobAnalysis& facts, std::string_view place) {
    const Loads& loads = loadsOf(facts);
    std::optional<CrossingState> shown;
    for (const Place& one : places(facts.job)) {
        auto state = crossingOver(facts, loads, one, working(facts.job), false);
        if (!state) continue;
        const bool asked = one.name == place;
        if (shown && !asked && state->crossing.how <= shown->crossing.how) continue;
        shown = std::move(state);
        if (asked) break;
    }
    if (!shown) return {};
    CrossingChart chart;
    chart.axles = collectingAxles(facts.job);
    chart.kmh = creep(facts.job).kmh;
    chart.bus = busVolts(facts.job, facts.house);
    chart.minimum = processorMinimum;
    chart.speed = modelSpeed(KilometresPerHour{chart.kmh}, facts.job.scale.ratio);
    const auto bank = bankOf(facts, loads, working(facts.job));
    for (std::size_t i = 0; i < shown->place.passages.size(); ++i) {
        const Passage& passage = shown->place.passages[i];
        CrossingWay way{{i}, {}, {}, {}, *outagesOn(chart.axles, passage), {}, {}};
        // What is without power for the same lengths is alike at every speed.
        const auto same = std::find_if(
            chart.ways.begin(), chart.ways.end(),
            [&](const CrossingWay& each) { return sameRhythm(each.outages, way.outages); });
        if (same != chart.ways.end()) {
            same->passages.push_back(i);
            continue;
        }
        way.sweep = sweepOver(facts, loads, passage, working(facts.job));
        way.crossing = crossed(runOf(facts, loads, way.outages, bank, chart.bus, chart.kmh, true));
        putWheels(way, passage, chart.axles, axlesBefore(facts.job));
        chart.ways.push_back(std::move(way));
    }
    std::stable_sort(
        chart.ways.begin(), chart.ways.end(),
        [](const CrossingWay& a, const CrossingWay& b) { return trouble(a) > trouble(b); });
    chart.at = std::move(*shown);
    return chart;
}

}  // namespace glimmet::core::stay_alive
