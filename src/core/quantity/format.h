// Quantities in words: one consistent engineering form everywhere.
#pragma once

#include "core/quantity/dimension.h"

#include <string>

namespace glimmet::core {

/// Engineering form, four significant digits unless told otherwise, no trailing zeros:
///   4700 Ω  -> "4.7 kΩ"     0.00022 F -> "220 µF"    0.4 A -> "400 mA"    -1.25 V -> "-1.25 V"
///   0.0282 m -> "28.2 mm" (lengths are always in mm)  0 -> "0 V"          1e20 V -> "1e20 V"
/// Prefixes p n µ m k M G; beyond them an exponent. NaN and infinities read "not a number",
/// "infinite": they never come out of core, but a display must not lie if they do.
/// `significant`: 1…17.
[[nodiscard]] std::string formatted(double siValue, Dimension dimension, int significant = 4);

/// The same form with every digit that the number needs: parsing it gives the identical double.
[[nodiscard]] std::string formattedExactly(double siValue, Dimension dimension);

template <class Quantity>
[[nodiscard]] std::string formatted(Quantity quantity, int significant = 4) {
    return formatted(si(quantity), dimensionOf<Quantity>, significant);
}
template <class Quantity>
[[nodiscard]] std::string formattedExactly(Quantity quantity) {
    return formattedExactly(si(quantity), dimensionOf<Quantity>);
}

/// A ratio in per cent without decimals above 10 %, one below: 0.153 -> "15 %", 0.034 -> "3.4 %".
[[nodiscard]] std::string percent(double ratio);

}  // namespace glimmet::core
