// Elements of two terminals, other than diodes, whose current is no straight line over the voltage:
// what limits a current, what draws a power, what changes its resistance as it warms.
#pragma once

#include "core/quantity/quantities.h"

#include <variant>

namespace glimmet::core::circuit {

/// An output or a current source of limited ability: like `resistance` at low volts, never more
/// than `limit`: I = limit·tanh(V / (resistance·limit)).
/// Backwards it conducts the same (a transistor's channel), or blocks (a driver): 1 nS then.
struct CurrentLimiter {
    Ohms resistance{};  ///< > 0, at low volts
    Amperes limit{};    ///< > 0
    bool bothWays = true;
};

/// What draws a power and a current whatever the volts (a regulated motor, a processor), down to
/// where it gives up: above `fold` I = power/V + current. Below, the power's share folds back to
/// 2·power·fold²·V/(fold⁴ + V⁴) and the current's to current·x·(3 − x²)/2, x = V/fold: both join
/// without a kink and end at nothing for no volts. Odd in V.
struct Load {
    Watts power{};      ///< >= 0
    Amperes current{};  ///< >= 0
    Volts fold{1};      ///< > 0
};

/// A tungsten filament: R = R_cold·(T/T_a)^1.2, heated by V²/R, cooled by radiation ∝ T⁴ − T_a⁴,
/// with a heat capacity that gives `lag` for small changes when fully lit. T_a = 300.15 K.
/// Source of the exponent: resistivity of tungsten, H. A. Jones, I. Langmuir, Gen. Electr. Rev. 30
/// (1927); 1.2 fits it to 2 % from 300 to 3000 K.
struct Filament {
    Volts rated{};           ///< > 0
    Amperes ratedCurrent{};  ///< > 0, hot, at `rated`
    double coldShare = 0.1;  ///< cold resistance over hot, 0 … 1
    Seconds lag{0.05};       ///< > 0
};

/// A fuse that heals: ln R rises by ln 1e5 around 398 K (125 °C) over some 20 K; loses heat in
/// proportion to its rise above 300.15 K. The loss is such that `hold` warms it four fifths of the
/// way; the heat capacity such that five times `hold` takes `tripTime` to get there.
struct Polyfuse {
    Ohms resistance{};   ///< > 0, cold
    Amperes hold{};      ///< > 0
    Seconds tripTime{};  ///< > 0
};

using OnePortLaw = std::variant<CurrentLimiter, Load, Filament, Polyfuse>;

/// A temperature as an integration sees it at one instant: T = base + weight·dT/dt. At rest dT/dt
/// is 0 and the base does not count.
struct ThermalStage {
    bool atRest = true;
    double base = 300.15;  ///< K
    double weight = 0;     ///< s
};

struct OnePortPoint {
    double current = 0;      ///< A
    double conductance = 0;  ///< dI/dV, A/V, the temperature's change included
    double temperature = 0;  ///< K; 0 where the element has none
};

inline constexpr double ambient = 300.15;        ///< K
inline constexpr double polyfuseTrips = 398.15;  ///< K

[[nodiscard]] bool hasTemperature(const OnePortLaw& law);
/// Current and slope at a voltage. `near`: a temperature to begin from (K).
[[nodiscard]] OnePortPoint at(const OnePortLaw& law, double volts, const ThermalStage& stage,
                              double near);
/// dT/dt at a voltage and temperature, K/s; 0 where the element has no temperature.
[[nodiscard]] double heating(const OnePortLaw& law, double volts, double temperature);

/// R(T) and loss(T) of a warming element in the form C·dT/dt = V²/R − loss.
struct Thermal {
    double resistance = 0;       ///< Ω
    double resistanceSlope = 0;  ///< Ω/K
    double loss = 0;             ///< W
    double lossSlope = 0;        ///< W/K
    double capacity = 0;         ///< J/K
};
[[nodiscard]] Thermal thermal(const Filament& bulb, double temperature);
[[nodiscard]] Thermal thermal(const Polyfuse& fuse, double temperature);

}  // namespace glimmet::core::circuit
