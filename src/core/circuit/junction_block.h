// Four diodes side by side in memory: where they stand in the equations, what they are made of, and
// where they are linearised.
#pragma once

#include "core/circuit/junction.h"
#include "core/circuit/lanes.h"

#include <array>
#include <cstdint>
#include <vector>

namespace glimmet::core::circuit {

/// Where a diode stands in the equations: its conductance among those of the network, and what
/// the voltages at its ends are made of: V = x[a] − x[b] + known[from] − known[to].
struct JunctionPlace {
    std::uint32_t slot = 0, a = 0, b = 0, from = 0, to = 0;
};
/// Where diodes are linearised: I = current + conductance·(V − volts).
struct alignas(sizeof(Lanes)) JunctionState {
    Lanes junction{}, volts{}, current{}, conductance{};
    /// ω (0: not known) and 1/(1 + ω) of wright_omega.h at some volts: from there a small step
    /// goes on.
    Lanes omega{}, share{}, omegaVolts{};
};
struct alignas(sizeof(Lanes)) JunctionBlock {
    // z = omegaSlope·V + omegaShift; I = omegaScale·ω(z) − Is, below omegaStart −Is.
    // A lane that no diode fills is worked out like the others; all of it is zero.
    Lanes saturation{}, logSaturation{}, slope{}, inverseSlope{}, series{};
    Lanes behind{};  ///< share of the volts that Rs and the leak leave: 1/(1 + Rs·leak)
    Lanes omegaSlope{}, omegaShift{}, omegaScale{}, omegaStart{};
    Lanes lowest = allOf(-1e300);
    Lanes ruling{};         ///< V across Rs up to which the junction has the larger say
    Mask bare{};            ///< without resistance in series: its steps may have to be cut
    Mask waits{}, leads{};  ///< in the first step: see setStart()
    Mask given{};           ///< not iterated: its volts are given; ruling is 0
    Mask empty = ~Mask{};   ///< no diode
    std::array<std::uint32_t, laneCount> slot{}, a{}, b{}, from{}, to{};
    bool isOnePlace = false;  ///< that of all four
    Lanes known{};
    JunctionState state, start;
    Lanes now{}, before{}, linear{};
    Lanes wrong{};  ///< A that the new linearisation carries above the one before; 0: still
    Mask apart{};   ///< to be looked at one by one
};

void put(JunctionState& state, std::size_t lane, const JunctionBranch& branch);
/// Lanes from this one on stand there: those that no diode fills carry nothing, wherever that is.
void stand(JunctionBlock& block, std::size_t lane, const JunctionPlace& place);
/// What the diode last carried stays. `iterated`: false where its volts are given.
void setLaw(JunctionBlock& block, std::size_t lane, const Junction& law, bool iterated);
/// `known`: volts per node, of what the unknowns are counted from.
void setKnown(std::vector<JunctionBlock>& blocks, const double* known);
/// Adds all, as they are linearised, to the conductances of the network and to the currents into
/// its nodes.
void stamp(const std::vector<JunctionBlock>& blocks, double* conductances, double* amps);

}  // namespace glimmet::core::circuit
