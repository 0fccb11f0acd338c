#include "core/circuit/junction_block.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::circuit {
namespace {

constexpr double noCurrent = 1e-22;    // A
constexpr double leastSeries = 1e-14;  // Ω, of what has none
constexpr double ruling = 4;           // N·Vt across Rs up to which the junction rules

}  // namespace

void put(JunctionState& state, std::size_t lane, const JunctionBranch& branch) {
    state.junction[lane] = branch.junction;
    state.volts[lane] = branch.volts;
    state.current[lane] = branch.current;
    state.conductance[lane] = branch.conductance;
    state.omega[lane] = state.share[lane] = state.omegaVolts[lane] = 0;
}

void stand(JunctionBlock& block, std::size_t lane, const JunctionPlace& place) {
    for (; lane < laneCount; ++lane) {
        block.slot[lane] = place.slot;
        block.a[lane] = place.a;
        block.b[lane] = place.b;
        block.from[lane] = place.from;
        block.to[lane] = place.to;
    }
    block.isOnePlace = std::all_of(block.slot.begin(), block.slot.end(),
                                   [&](std::uint32_t slot) { return slot == block.slot[0]; }) &&
                       std::all_of(block.a.begin(), block.a.end(),
                                   [&](std::uint32_t a) { return a == block.a[0]; });
}

void setLaw(JunctionBlock& block, std::size_t lane, const Junction& law, bool iterated) {
    const double series = std::max(law.series, leastSeries);
    const double behind = 1 / (1 + series * junctionLeak);
    const double omegaSlope = behind / law.slope;
    const double share = series * omegaSlope;  // of N·Vt, for an ampere
    block.saturation[lane] = law.saturation;
    block.logSaturation[lane] = law.logSaturation;
    block.slope[lane] = law.slope;
    block.inverseSlope[lane] = 1 / law.slope;
    block.series[lane] = series;
    block.behind[lane] = behind;
    block.omegaSlope[lane] = omegaSlope;
    block.omegaShift[lane] = law.saturation * share + law.logSaturation + std::log(share);
    block.omegaScale[lane] = 1 / share;
    block.omegaStart[lane] = std::max(std::log(noCurrent * share), -700.0);
    block.lowest[lane] = law.lowest;
    block.ruling[lane] = iterated ? ruling * law.slope : 0;
    block.given[lane] = iterated ? 0 : -1;
    block.empty[lane] = 0;
    block.bare[lane] = law.series > 0 ? 0 : -1;
    put(block.state, lane, law.atJunction(block.state.junction[lane], 0));
}

GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
void setKnown(std::vector<JunctionBlock>& blocks, const double* known) {
    static_assert(laneCount == 4);
    for (JunctionBlock& each : blocks) {
        const auto& a = each.from;
        const auto& b = each.to;
        each.known = Lanes{known[a[0]], known[a[1]], known[a[2]], known[a[3]]} -
                     Lanes{known[b[0]], known[b[1]], known[b[2]], known[b[3]]};
    }
}

GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
void stamp(const std::vector<JunctionBlock>& blocks, double* conductances, double* amps) {
    for (const JunctionBlock& block : blocks) {
        const JunctionState& state = block.state;
        const Lanes atNone = state.current + state.conductance * (block.known - state.volts);
        if (block.isOnePlace) {
            conductances[block.slot[0]] += sum(state.conductance);
            const double all = sum(atNone);
            amps[block.a[0]] -= all;
            amps[block.b[0]] += all;
            continue;
        }
        for (std::size_t lane = 0; lane < laneCount; ++lane) {
            conductances[block.slot[lane]] += state.conductance[lane];
            amps[block.a[lane]] -= atNone[lane];
            amps[block.b[lane]] += atNone[lane];
        }
    }
}

}  // namespace glimmet::core::circuit
