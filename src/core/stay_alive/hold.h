// How long a bank of capacitors carries a model across dead track.
#pragma once

#include "core/quantity/quantities.h"
#include "core/result.h"

#include <optional>
#include <vector>

namespace glimmet::core {

/// A bank behind a decoder: charged through a resistor, given back through a diode.
struct Bank {
    Farads capacitance{};  ///< > 0
    Volts diode{};         ///< drop of the path back to the bus, >= 0
    Ohms charge{};         ///< charging resistor, > 0
};

/// Lamps on the bus, each with its own resistor: max(0, (V − forward)/resistance) for each.
struct LampLoad {
    Volts forward{};    ///< >= 0
    Ohms resistance{};  ///< > 0
    double count = 1;   ///< >= 0
};

/// What hangs on the bus; all draw at the volts that are there.
struct BusLoads {
    Watts power{};                  ///< the same watts at any volts: a regulator, a chopped motor
    Amperes current{};              ///< the same amperes at any volts
    std::vector<Ohms> resistive{};  ///< each > 0
    std::vector<LampLoad> lamps{};

    /// Range: bus > 0 where there is a power load.
    [[nodiscard]] Amperes drawn(Volts bus) const;
    /// Nothing that could ever draw.
    [[nodiscard]] bool none() const;
};

struct BusMoment {
    Seconds time{};
    Volts bus{};
};

struct Hold {
    /// Until the bus stands at the minimum; nothing where the loads stop drawing before that.
    std::optional<Seconds> time;
    Volts stops{};  ///< where they stop drawing, if they do
    /// Falling bus volts in equal steps, from the loss of track to the minimum; empty where that is
    /// never reached.
    std::vector<BusMoment> trace;
};

/// The capacitor starts at `charged`; the bus stands the diode's drop below it.
/// Source: C dV/dt = −I(V), so t = C ∫ dV / I(V), taken between the corners where lamps go out by
/// adaptive Gauss–Kronrod quadrature, to a relative 1e-12.
/// Range: charged > 0, minimum >= 0, steps >= 1. 0 s where the bus begins at or below the minimum.
/// Errors: Missing where nothing draws.
[[nodiscard]] Result<Hold> holdOf(const Bank& bank, Volts charged, Volts minimum,
                                  const BusLoads& loads, std::size_t steps = 100);

/// What charging asks for: I = V/R at the first moment, tau = R·C, W = ½·C·V².
[[nodiscard]] Amperes chargePeak(const Bank& bank, Volts bus);
[[nodiscard]] Seconds chargeTimeConstant(const Bank& bank);
/// Until it is full but for e⁻⁵ (0.7 %) of the volts it is charged to, from what was left in it:
/// t = R·C·(5 + ln((V_full − V_left)/V_full)). Range: full > 0, 0 <= left. 0 s where it stands that
/// high already.
[[nodiscard]] Seconds rechargeTime(const Bank& bank, Volts full, Volts left);
[[nodiscard]] Joules chargeEnergy(const Bank& bank, Volts bus);

}  // namespace glimmet::core
