#include "core/wire/bus.h"

#include "core/circuit/analysis.h"
#include "core/circuit/parts.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

using circuit::Node;

/// Which points hang together with the start.
std::vector<bool> reached(const LightingBus& bus) {
    std::vector<std::vector<std::size_t>> beside(bus.points);
    for (const BusRun& run : bus.runs) {
        beside[run.from].push_back(run.to);
        beside[run.to].push_back(run.from);
    }
    std::vector<bool> seen(bus.points, false);
    std::vector<std::size_t> open{bus.start};
    seen[bus.start] = true;
    while (!open.empty()) {
        const std::size_t at = open.back();
        open.pop_back();
        for (const std::size_t next : beside[at]) {
            if (seen[next]) continue;
            seen[next] = true;
            open.push_back(next);
        }
    }
    return seen;
}

/// So many equal LEDs side by side are one of as many times the current.
LedLaw sideBySide(LedLaw law, double count) {
    law.saturation *= count;
    law.series /= count;
    return law;
}

Ohms ohmsOf(const BusRun& run) {
    return resistance(
        {.gauge = run.gauge, .length = run.length, .thereAndBack = true, .current = {}});
}

}  // namespace

std::vector<std::size_t> unreached(const LightingBus& bus) {
    const std::vector<bool> seen = reached(bus);
    std::vector<std::size_t> all;
    for (std::size_t i = 0; i < seen.size(); ++i) {
        if (!seen[i]) all.push_back(i);
    }
    return all;
}

Result<BusSolution> solved(const LightingBus& bus) {
    // Both conductors of a run carry the same current, so its two resistances are one in the plus
    // lead, and every point has the common minus.
    circuit::Circuit all;
    const auto node = [&](std::size_t point) {
        return circuit::nodeNamed(all, "p" + std::to_string(point));
    };
    const Node plus = bus.source > Ohms{0} ? circuit::nodeNamed(all, "supply") : node(bus.start);
    circuit::addSupply(all, "supply", plus, circuit::ground, circuit::Constant{bus.supply.value()});
    if (bus.source > Ohms{0})
        circuit::addResistor(all, "source", plus, node(bus.start), bus.source);
    const std::vector<bool> seen = reached(bus);
    for (std::size_t i = 0; i < bus.runs.size(); ++i) {
        const BusRun& run = bus.runs[i];
        if (!seen[run.from]) continue;  // a run by itself carries nothing
        circuit::addWire(all, "run" + std::to_string(i), node(run.from), node(run.to), ohmsOf(run));
    }
    std::vector<std::size_t> diodes;  // the first of each lamp's
    for (std::size_t i = 0; i < bus.lamps.size(); ++i) {
        const BusLamps& lamps = bus.lamps[i];
        const std::string name = "lamp" + std::to_string(i);
        Node at = node(lamps.at);
        diodes.push_back(all.diodes.size());
        if (lamps.leds.empty()) {
            circuit::addResistor(all, name, at, circuit::ground, lamps.resistor / lamps.count);
            continue;
        }
        if (lamps.resistor > Ohms{0}) {
            const Node behind = circuit::nodeNamed(all, name);
            circuit::addResistor(all, name, at, behind, lamps.resistor / lamps.count);
            at = behind;
        }
        for (std::size_t k = 0; k < lamps.leds.size(); ++k) {
            const Node next = k + 1 == lamps.leds.size()
                                  ? circuit::ground
                                  : circuit::nodeNamed(all, name + "/" + std::to_string(k));
            circuit::addDiode(all, name + "." + std::to_string(k), at, next,
                              diodeModel(sideBySide(lamps.leds[k], lamps.count), {}));
            at = next;
        }
    }
    const auto point = circuit::operatingPoint(all);
    if (!point) return tl::unexpected(point.error());

    BusSolution solution;
    for (std::size_t i = 0; i < bus.points; ++i) {
        solution.at.emplace_back(seen[i] ? point->voltage[node(i)] : 0);
    }
    solution.supply = Amperes{-point->current[0]};
    const auto hold = [&](Amperes value, Amperes limit) {
        solution.state = worse(solution.state,
                               stateAgainst(std::abs(value.value()), limit.value(), busCloseAbove));
    };
    hold(solution.supply, bus.limit);
    for (const BusRun& run : bus.runs) {
        solution.run.push_back((solution.at[run.from] - solution.at[run.to]) / ohmsOf(run));
        hold(solution.run.back(), run.gauge.limit);
    }
    for (std::size_t i = 0; i < bus.lamps.size(); ++i) {
        const BusLamps& lamps = bus.lamps[i];
        const Amperes one = lamps.leds.empty()
                                ? solution.at[lamps.at] / lamps.resistor
                                : Amperes{std::max(0.0, point->diode[diodes[i]]) / lamps.count};
        solution.lamp.push_back(one);
        if (!lamps.leds.empty()) hold(one, lamps.limit);
        const double drop = 1 - (solution.at[lamps.at] / bus.supply).value();
        solution.worstDrop = std::max(solution.worstDrop, drop);
        if (drop > mostBusDrop) solution.state = worse(solution.state, State::Close);
    }
    return solution;
}

}  // namespace glimmet::core
