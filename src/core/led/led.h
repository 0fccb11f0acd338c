// Light-emitting diodes: the large-signal law with series resistance, and what a family of them
// is like when no data sheet is at hand.
#pragma once

#include "core/circuit/circuit.h"
#include "core/led/family.h"
#include "core/quantity/quantities.h"
#include "core/quantity/thermal_voltage.h"
#include "core/result.h"

#include <optional>
#include <span>
#include <string_view>

namespace glimmet::core {

/// Typical values of a family, for lamps of which nothing better is known. Source: docs/physics.md,
/// after common 3 mm and 5 mm data sheets; forward voltages at 20 mA.
struct FamilyValues {
    Volts lowest{}, typical{}, highest{};  ///< forward voltage at 20 mA across a batch
    double emission{};                     ///< N of the law
    Ohms series{};                         ///< Rs of the law
    Amperes limit{};                       ///< largest continuous current
};
[[nodiscard]] FamilyValues familyValues(LedFamily family);
inline constexpr double familyTestCurrent = 0.020;  ///< A, where the family's voltages hold

/// V(I) = N·Vt·ln(1 + I/Is) + I·Rs. Valid for I >= 0, at 300.15 K.
struct LedLaw {
    double emission = 2.0;  ///< N, > 0
    Amperes saturation{};   ///< Is, > 0
    Ohms series{};          ///< Rs, >= 0

    /// Voltage across the LED. Range: current >= 0.
    [[nodiscard]] Volts voltage(Amperes current) const;
    /// dV/dI at a current. Range: current >= 0.
    [[nodiscard]] Ohms slope(Amperes current) const;
};

/// How fast an LED's voltage falls as it warms, V/K: typical of all families in data sheets
/// (1.5 … 3 mV/K).
inline constexpr double ledFallPerKelvin = 2e-3;

/// The law as a diode of the circuit engine, without breakdown, with its fall over temperature.
[[nodiscard]] circuit::DiodeModel diodeModel(const LedLaw& law, std::string name);

/// The law through one point, with N and Rs given. Source: the law solved for Is.
/// Errors: OutOfRange when N or the point is not positive, Rs negative, or the point lies at or
/// below the drop I·Rs, so that nothing is left for the junction.
[[nodiscard]] Result<LedLaw> ledLawThrough(ForwardPoint point, double emission, Ohms series);

/// The law through two points at a known Rs: N and Is are solved exactly for I >> Is (the law
/// without its "1 +", good to 1e-9 above a microampere for any LED).
/// Errors: OutOfRange when the points do not rise, or do not leave a positive N.
[[nodiscard]] Result<LedLaw> ledLawThrough(ForwardPoint lower, ForwardPoint upper, Ohms series);

/// The law through what is known of a lamp, as a data sheet or a bench gives it (docs/physics.md):
/// one point takes N and Rs of the family and solves Is; two points solve N and Is at the family's
/// Rs; three or more are fitted by linear least squares of V = a·ln I + b + Rs·I, where a = N·Vt
/// and b = −a·ln Is (the law for I >> Is). Where the best Rs would be negative it is 0.
/// Errors: Missing without a point; OutOfRange, as above, where no LED law comes near the points.
[[nodiscard]] Result<LedLaw> ledLawFitted(std::span<const ForwardPoint> points, LedFamily family);

/// The typical law of a family.
[[nodiscard]] LedLaw typicalLaw(LedFamily family);
/// The same with its forward voltage at 20 mA moved to the lowest or highest of the batch.
[[nodiscard]] LedLaw lowestLaw(LedFamily family);
[[nodiscard]] LedLaw highestLaw(LedFamily family);

}  // namespace glimmet::core
