#include "core/analysis/circuits_across.h"

#include "core/analysis/wiring/wiring.h"

#include <algorithm>
#include <map>

namespace glimmet::core {
namespace {

using wiring::Net;
using wiring::Role;

/// What of a net lies on one side of a coupling.
struct Side {
    bool collects = false;  ///< pickups
    bool takes = false;     ///< anything else
    [[nodiscard]] bool any() const { return collects || takes; }
};

}  // namespace

std::size_t homeUnit(const Job& job) {
    if (job.decoder && job.decoder->placement) return unitAt(job, job.decoder->placement->unit);
    const std::vector<MotorAt> motors = motorsOf(job);
    return motors.empty() ? 0 : motors.front().unit;
}

CircuitsAcross circuitsAcross(const Job& job, std::size_t coupling) {
    return circuitsAcross(job, coupling, homeUnit(job));
}

CircuitsAcross circuitsAcross(const Job& job, std::size_t coupling, std::size_t home) {
    CircuitsAcross across;
    const bool behind = home <= coupling;  // what lies beyond is behind it
    const wiring::Wiring plan = wiring::required(job, ResistorLeg::Minus, home);
    std::map<TerminalId, const wiring::Terminal*> terminals;
    for (const wiring::Terminal& each : plan.terminals) terminals[each.id] = &each;
    for (const Net& net : plan.nets) {
        Side here, there;
        std::size_t brushesThere = 0;
        for (const TerminalId& id : net.joins) {
            const wiring::Terminal& each = *terminals.at(id);
            const std::size_t unit = each.unit.empty() ? home : unitAt(job, each.unit);
            const bool beyond = (unit > coupling) == behind;
            Side& side = beyond ? there : here;
            (each.role == Role::Pickup ? side.collects : side.takes) = true;
            if (beyond && each.role == Role::Brush) ++brushesThere;
        }
        if (net.kind == Net::Kind::Rail) across.collects = across.collects || there.collects;
        if (!here.any() || !there.any()) continue;
        switch (net.kind) {
            case Net::Kind::Motor:
                across.motors = std::max(across.motors, brushesThere);
                break;
            case Net::Kind::StayAlive:
                across.banks = 1;
                break;
            case Net::Kind::Common:
                across.common = true;
                break;
            case Net::Kind::Output:
                across.outputs.push_back(net.name.substr(std::string("output ").size()));
                break;
            case Net::Kind::Lamps:
            case Net::Kind::Supply:
                ++across.others;
                break;
            case Net::Kind::Rail:
                // What takes from a rail that it has no pickups of on its own side.
                across.railsWanted = across.railsWanted ||
                                     (here.takes && !here.collects && there.collects) ||
                                     (there.takes && !there.collects && here.collects);
        }
    }
    return across;
}

bool railsLed(const Job& job, std::size_t coupling) {
    const CircuitsAcross across = circuitsAcross(job, coupling);
    const std::size_t wires = across.railsWanted ? across.needed() : across.needed() + 2;
    return static_cast<std::size_t>(std::max(job.couplings[coupling].contacts, 0)) >= wires;
}

std::pair<std::size_t, std::size_t> ledTogether(const Job& job) {
    std::size_t first = homeUnit(job);
    std::size_t last = first;
    while (first > 0 && railsLed(job, first - 1)) --first;
    while (last < job.couplings.size() && railsLed(job, last)) ++last;
    return {first, last};
}

}  // namespace glimmet::core
