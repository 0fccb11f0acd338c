// Which kind of quantity a bare number is, for figures and parsing, where the kind is only known
// when the program runs.
#pragma once

#include "core/quantity/quantities.h"

#include <string_view>

namespace glimmet::core {

enum class Dimension {
    Voltage,
    Current,
    Resistance,
    Capacitance,
    Power,
    Energy,
    Charge,  ///< of a battery, in ampere-hours
    Time,
    Length,
    Speed,
    Temperature,  ///< in degrees Celsius
    Ratio,        ///< a plain number, shown as it is
};

/// "V", "A", "Ω", "Ah" …; "mm" for lengths (this is a trade of millimetres); "" for ratios.
[[nodiscard]] std::string_view symbol(Dimension dimension);

/// The key ending used in JSON: "_V", "_A", "_ohm", "_F", "_W", "_J", "_s", "_mm", "_m_s", "_C",
/// "".
[[nodiscard]] std::string_view jsonSuffix(Dimension dimension);

template <class Quantity>
struct DimensionOf;
template <>
struct DimensionOf<Volts> {
    static constexpr Dimension value = Dimension::Voltage;
};
template <>
struct DimensionOf<Amperes> {
    static constexpr Dimension value = Dimension::Current;
};
template <>
struct DimensionOf<Ohms> {
    static constexpr Dimension value = Dimension::Resistance;
};
template <>
struct DimensionOf<Farads> {
    static constexpr Dimension value = Dimension::Capacitance;
};
template <>
struct DimensionOf<Watts> {
    static constexpr Dimension value = Dimension::Power;
};
template <>
struct DimensionOf<Joules> {
    static constexpr Dimension value = Dimension::Energy;
};
template <>
struct DimensionOf<AmpereHours> {
    static constexpr Dimension value = Dimension::Charge;
};
template <>
struct DimensionOf<Seconds> {
    static constexpr Dimension value = Dimension::Time;
};
template <>
struct DimensionOf<Metres> {
    static constexpr Dimension value = Dimension::Length;
};
template <>
struct DimensionOf<Millimetres> {
    static constexpr Dimension value = Dimension::Length;
};

template <>
struct DimensionOf<MetresPerSecond> {
    static constexpr Dimension value = Dimension::Speed;
};

template <>
struct DimensionOf<Celsius> {
    static constexpr Dimension value = Dimension::Temperature;
};

template <>
struct DimensionOf<double> {
    static constexpr Dimension value = Dimension::Ratio;
};

template <class Quantity>
inline constexpr Dimension dimensionOf = DimensionOf<Quantity>::value;

}  // namespace glimmet::core
