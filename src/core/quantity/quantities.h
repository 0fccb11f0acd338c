// The quantities of Glimmet as types, so that the compiler refuses volts where amperes belong.
// The only file that includes the units library (it is core's precompiled header).
#pragma once

#include <units.h>

namespace glimmet::core {

using Volts = units::voltage::volt_t;
using Amperes = units::current::ampere_t;
using Ohms = units::impedance::ohm_t;
using Farads = units::capacitance::farad_t;
using Watts = units::power::watt_t;
using Joules = units::energy::joule_t;
using AmpereHours = units::charge::ampere_hour_t;
using Seconds = units::time::second_t;
using Metres = units::length::meter_t;
using Millimetres = units::length::millimeter_t;
using Celsius = units::temperature::celsius_t;
using Kelvins = units::temperature::kelvin_t;
using MetresPerSecond = units::velocity::meters_per_second_t;
using KilometresPerHour = units::velocity::kilometers_per_hour_t;
/// Resistance of a wire for each metre of it.
using OhmsPerMetre = units::unit_t<
    units::compound_unit<units::impedance::ohm, units::inverse<units::length::meter>>>;

/// The value in the SI base unit of its dimension (millimetres come out as metres).
[[nodiscard]] constexpr double si(double ratio) { return ratio; }
[[nodiscard]] constexpr double si(Volts v) { return v.value(); }
[[nodiscard]] constexpr double si(Amperes a) { return a.value(); }
[[nodiscard]] constexpr double si(Ohms r) { return r.value(); }
[[nodiscard]] constexpr double si(Farads c) { return c.value(); }
[[nodiscard]] constexpr double si(Watts p) { return p.value(); }
[[nodiscard]] constexpr double si(Joules e) { return e.value(); }
/// Of a battery's capacity the ampere-hour is the unit that everybody reads and types.
[[nodiscard]] constexpr double si(AmpereHours q) { return q.value(); }
/// Degrees Celsius are what thermometers show and sheets print.
[[nodiscard]] constexpr double si(Celsius t) { return t.value(); }
[[nodiscard]] constexpr double si(Seconds t) { return t.value(); }
[[nodiscard]] constexpr double si(MetresPerSecond v) { return v.value(); }
[[nodiscard]] constexpr double si(Metres l) { return l.value(); }
[[nodiscard]] constexpr double si(Millimetres l) { return l.value() / 1000.0; }

}  // namespace glimmet::core
