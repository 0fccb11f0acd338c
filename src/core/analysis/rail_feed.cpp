#include "core/analysis/rail_feed.h"

#include "core/analysis/supply.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

constexpr Volts pastTheResistor{0.35};  // a Schottky diode gives back past the charge resistor

Bank bankOf(Farads capacitance, bool charge) {
    return {capacitance, charge ? pastTheResistor : Volts{0}, Ohms{1}};
}

/// Light of the dimmest load on a falling bus, of what it gives at the full one.
double lightAt(const RailFeed& feed, Volts bus) {
    double least = 1;
    for (const LampLoad& lamp : feed.loads.lamps) {
        const double full = (feed.bus - lamp.forward).value();
        const double left = std::max(0.0, (bus - lamp.forward).value());
        const bool bulb = !(lamp.forward > Volts{0});
        least = std::min(least, bulb ? std::pow(left / full, 3.4) : left / full);
    }
    return least;
}

std::optional<RailFeed> worked(const JobAnalysis& facts) {
    if (!turnsRound(facts.job)) return {};
    RailFeed feed;
    feed.bus = busVolts(facts.job, facts.house);
    feed.peak = feed.bus + crestVolts(facts.job) * facts.house.supplySpread;
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        if (facts.job.groups[g].output != supplyOutput || !facts.groups[g]) continue;
        if (oneWayOnly(facts.job, facts.job.groups[g])) continue;  // it is dark half of the way
        feed.total += facts.groups[g]->total;
        addLoads(facts.job, facts.job.groups[g], *facts.groups[g], feed.loads);
        for (const LampRow& row : facts.job.groups[g].rows) {
            if (row.resistor && chipNeeds(row)) feed.loads.current += chipDraws;
        }
    }
    if (!(feed.total > Amperes{0})) return {};
    if (const auto& smoothing = facts.job.supply.smoothing;
        smoothing && smoothing->bleed > Ohms{0}) {
        feed.loads.resistive.push_back(smoothing->bleed);
    }
    for (const LampLoad& lamp : feed.loads.lamps) {
        const bool bulb = !(lamp.forward > Volts{0});
        const double share = bulb ? std::pow(0.5, 1 / 3.4) : 0.5;
        feed.half = std::max(feed.half, lamp.forward + (feed.bus - lamp.forward) * share);
    }
    // Behind a driver they keep their light down to where it has no volts left.
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        const LampGroup& group = facts.job.groups[g];
        const ThroughDriver* driver = group.driver();
        if (!driver || group.output != supplyOutput || !facts.groups[g]) continue;
        if (oneWayOnly(facts.job, group)) continue;
        Volts across{0};
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            const RowState& row = facts.groups[g]->rows[r];
            if (!row.connected) continue;
            across = std::max(
                across, row.current * *group.rows[r].resistor + lampVolts(group.rows[r], row));
        }
        feed.half = std::max(feed.half, std::min(across + driver->dropout, feed.bus));
    }
    return feed;
}

struct RailFeedFact {
    using Value = std::optional<RailFeed>;
    using Read = ReadsOf<GroupStateReads, Reads<&Job::groups>>;
    static Value of(const JobAnalysis& facts) { return worked(facts); }
};

}  // namespace

const std::optional<RailFeed>& railFeed(const JobAnalysis& facts) {
    return facts.fact<RailFeedFact>();
}

Farads leastOf(const Smoothing& smoothing) {
    const double share = smoothing.kind == CapacitorKind::Ceramic ? ceramicAtVolts : 1;
    return smoothing.capacitance * (leastCapacitance * share);
}

std::optional<Seconds> carriedFor(const RailFeed& feed, Farads capacitance, bool charge,
                                  Volts above) {
    const auto hold = holdOf(bankOf(capacitance, charge), feed.bus, above, feed.loads);
    return hold ? hold->time : std::nullopt;
}

Farads capacitanceOver(const RailFeed& feed, Seconds gap, bool charge, Volts above) {
    const auto one = carriedFor(feed, Farads{1}, charge, above);
    if (!one) return Farads{0};
    return Farads{gap.value() / std::max(one->value(), 1e-12)};
}

double voltsMargin(const Smoothing& smoothing) {
    switch (smoothing.kind) {
        case CapacitorKind::Electrolytic:
            break;
        case CapacitorKind::Ceramic:
            return 1.5;
        case CapacitorKind::Tantalum:
            return smoothing.charge > Ohms{0} ? 1.5 : 2;
    }
    return 1.25;
}

std::optional<Smoothing> usualCapacitor(Farads least, Volts peak) {
    Smoothing made;
    const double wanted = std::max(least.value() / leastCapacitance, 1e-6);
    for (const double farads : {1e-6, 2.2e-6, 4.7e-6, 10e-6, 22e-6, 47e-6, 100e-6, 220e-6, 330e-6,
                                470e-6, 1e-3, 2.2e-3, 4.7e-3}) {
        if (farads < wanted) continue;
        made.capacitance = Farads{farads};
        break;
    }
    for (const double volts : {16.0, 25.0, 35.0, 50.0}) {
        if (volts < peak.value() * voltsMargin(made)) continue;
        made.rated = Volts{volts};
        break;
    }
    if (!(made.capacitance > Farads{0}) || !(made.rated > Volts{0})) return {};
    if (made.capacitance >= sparksFrom) made.charge = usualLimit;
    return made;
}

std::string smoothingLine(const Smoothing& smoothing) {
    std::string line = "smoothing " +
                       formatted(smoothing.capacitance.value() * 1e6, Dimension::Ratio) + "uF " +
                       formatted(smoothing.rated.value(), Dimension::Ratio) + "V";
    if (smoothing.kind != CapacitorKind::Electrolytic)
        line += " " + std::string(name(smoothing.kind));
    if (smoothing.charge > Ohms{0}) {
        line += " charge " + formatted(smoothing.charge.value(), Dimension::Ratio) + "R";
    }
    return line;
}

std::string shown(const Smoothing& smoothing) {
    std::string words = formatted(smoothing.capacitance) + " " + formatted(smoothing.rated) + " " +
                        std::string(name(smoothing.kind));
    if (smoothing.charge > Ohms{0}) words += ", charge resistor " + formatted(smoothing.charge);
    if (smoothing.bleed > Ohms{0}) words += ", bleed " + formatted(smoothing.bleed);
    return words;
}

std::optional<Volts> chipNeeds(const LampRow& row) {
    std::optional<Volts> needs;
    Volts others{0};
    constexpr Amperes asleep{10e-6};
    for (const Lamp& lamp : row.lamps) {
        if (const auto& chip = lamp.part.blink) {
            needs = std::max(needs.value_or(Volts{0}), chip->resets);
        } else if (const auto its = law(lamp.part)) {
            others += voltageOf(*its, asleep);
        }
    }
    if (!needs) return {};
    return *needs + others;
}

std::optional<Seconds> chipLasts(const JobAnalysis& facts, const RailFeed& feed, Volts needs) {
    const auto& smoothing = facts.job.supply.smoothing;
    if (!smoothing || reverses(facts.job)) return Seconds{0};
    return carriedFor(feed, leastOf(*smoothing), smoothing->charge > Ohms{0}, needs);
}

bool comesToBlink(const JobAnalysis& facts, const LampGroup& group, const LampRow& row) {
    const auto needs = chipNeeds(row);
    if (!needs) return false;
    if (oneWayOnly(facts.job, group)) return !alternates(facts.job.feed);
    const auto feed = group.output == supplyOutput ? railFeed(facts) : std::nullopt;
    if (!feed || !alternates(facts.job.feed)) return true;
    const auto lasts = chipLasts(facts, *feed, *needs);
    return !lasts || *lasts >= turnGap(facts.job.feed, facts.house.mains);
}

std::optional<GapChart> gapChart(const JobAnalysis& facts) {
    const auto& feed = railFeed(facts);
    // Over a sine without a capacitor there is nothing to fall.
    if (!feed || reverses(facts.job) || isWave(facts.job)) return {};
    GapChart chart;
    chart.feed = *feed;
    for (std::size_t g = 0; g < facts.job.groups.size(); ++g) {
        const LampGroup& group = facts.job.groups[g];
        if (group.output != supplyOutput || oneWayOnly(facts.job, group)) continue;
        for (const LampRow& row : group.rows) {
            if (const auto needs = chipNeeds(row)) {
                chart.chipResets = std::max(chart.chipResets.value_or(Volts{0}), *needs);
            }
        }
    }
    const auto& smoothing = facts.job.supply.smoothing;
    if (!smoothing) {
        chart.shown = dirtGap * 2;
        chart.dims = Seconds{0};
        if (chart.chipResets) chart.chipTime = Seconds{0};
        chart.trace = {
            {Seconds{0}, feed->bus, 1}, {Seconds{0}, Volts{0}, 0}, {chart.shown, Volts{0}, 0}};
        return chart;
    }
    const Farads capacitance = leastOf(*smoothing);
    const bool charge = smoothing->charge > Ohms{0};
    chart.dims = carriedFor(*feed, capacitance, charge, feed->half);
    if (chart.chipResets)
        chart.chipTime = carriedFor(*feed, capacitance, charge, *chart.chipResets);
    // Down to where nothing draws any more, or to nothing: well beyond what is looked at.
    Volts floor{0.05};
    if (!(feed->loads.current > Amperes{0})) {
        Volts stops = feed->bus;
        for (const LampLoad& lamp : feed->loads.lamps) stops = std::min(stops, lamp.forward);
        floor = std::max(floor, stops + (feed->bus - stops) * 0.02);
    }
    const auto hold = holdOf(bankOf(capacitance, charge), feed->bus, floor, feed->loads, 120);
    if (!hold) return {};
    chart.trace.push_back({Seconds{0}, feed->bus, 1});
    for (const BusMoment& moment : hold->trace) {
        chart.trace.push_back({moment.time, moment.bus, lightAt(*feed, moment.bus)});
    }
    Seconds far = std::max(dirtGap * 2, chart.dims.value_or(Seconds{0}) * 2);
    if (chart.chipTime) far = std::max(far, *chart.chipTime * 1.2);
    chart.shown = far;
    return chart;
}

}  // namespace glimmet::core
