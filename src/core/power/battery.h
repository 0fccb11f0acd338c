// What a battery gives: its volts, how long it lasts, what fuse guards it.
#pragma once

#include "core/power/pack.h"

#include <optional>

namespace glimmet::core {

/// Of a whole pack. Source: docs/physics.md (battery).
struct PackVolts {
    Volts full{};     ///< just charged
    Volts nominal{};  ///< most of the time
    Volts cutOff{};   ///< below it the cells are hurt
    Ohms inside{};    ///< internal resistance, usual
};
[[nodiscard]] PackVolts voltsOf(const BatteryPack& pack);

inline constexpr double usableCapacity = 0.8;  ///< of what is printed

/// How long it carries a steady current. Range: load > 0.
[[nodiscard]] Seconds runTime(const BatteryPack& pack, Amperes load);

/// The smallest fuse (IEC 60127 values, 0.2 … 10 A) that carries 1.5 times the largest current that
/// is drawn for long; nothing above 10 A.
[[nodiscard]] std::optional<Amperes> fuseFor(Amperes sustained);

/// A coin cell of 20 mm, the usual one for a lamp or two: 0.22 Ah at a milliampere.
[[nodiscard]] inline BatteryPack coinCell() { return {Chemistry::Coin, 1, AmpereHours{0.22}}; }
/// Whether what a meter reads on a battery can be one coin cell, worn or fresh.
[[nodiscard]] constexpr bool canBeCoinCell(Volts volts) {
    return volts >= Volts{2.4} && volts <= Volts{3.4};
}
/// A fresh 9 V block: six alkaline cells, 0.5 Ah at some tens of milliamperes.
[[nodiscard]] inline BatteryPack nineVoltBlock() {
    return {Chemistry::Alkaline, 6, AmpereHours{0.5}};
}

}  // namespace glimmet::core
