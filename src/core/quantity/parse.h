// Quantities as people at a bench write them, read generously and refused with an example.
#pragma once

#include "core/quantity/dimension.h"
#include "core/result.h"

#include <string_view>

namespace glimmet::core {

/// Reads a quantity of the given dimension; the value comes in SI base units.
///
/// Understood: `4.7k` `4k7` `0R47` `R47` `470 mA` `.47A` `220u` `2,2k` `1e-3 A` `3/32"` `1 1/2 in`
/// `250 mm` `25 min` `12` (the unit may be left out; a bare length is millimetres).
/// A comma is a decimal comma, except where it could as well group thousands (`1,000`): refused.
/// Case matters where it must (m milli, M mega); k and K are both kilo; u, µ and μ are all micro.
/// Errors: NotUnderstood, with what was found and an example; OutOfRange for what no double holds.
/// Precision: correctly rounded, so parsing formattedExactly() gives the identical double.
[[nodiscard]] Result<double> parsedSi(std::string_view words, Dimension dimension);

/// A wire gauge: `28 AWG`, `AWG 28`, `28awg`, `28`. Whole, 10…50. Errors as above.
[[nodiscard]] Result<int> parsedGauge(std::string_view words);

template <class Quantity>
[[nodiscard]] Result<Quantity> parsed(std::string_view words) {
    return parsedSi(words, dimensionOf<Quantity>).map([](double value) {
        if constexpr (dimensionOf<Quantity> == Dimension::Length)
            return Quantity{Metres{value}};
        else
            return Quantity{value};
    });
}

/// If the words end in a unit of a known dimension ("1.15A", "9.8 ohms"), that dimension.
/// For lines in which the unit tells what was measured.
[[nodiscard]] Result<Dimension> dimensionNamed(std::string_view words);

}  // namespace glimmet::core
