// Preferred resistor values: the E series of IEC 60063.
#pragma once

#include "core/led/series.h"
#include "core/quantity/quantities.h"

#include <optional>
#include <string_view>
#include <vector>

namespace glimmet::core {

/// The usual tolerance of the series' resistors: E6 20 %, E12 10 %, E24 5 %, E96 1 %. Today's
/// E12 values are sold as 5 % parts or better; tolerance here is what spread is computed with.
[[nodiscard]] double tolerance(Series series);

/// The preferred value for an ideal one, over all decades.
/// An ideal within 1e-6 (relative) of a preferred value counts as that value.
/// Range: ideal finite and > 0 (asserted).
[[nodiscard]] Ohms preferredValue(Ohms ideal, Series series, RoundingPolicy policy);

/// Whether it is one of the series' values itself. Range: value finite and > 0 (asserted).
[[nodiscard]] inline bool isPreferred(Ohms value, Series series) {
    const double up = (preferredValue(value, series, RoundingPolicy::Higher) / value).value();
    return up < 1 + 1e-6;
}

/// `count` preferred values on each side of the ideal, rising; the ideal itself, if it is one, is
/// among the upper ones. Range: ideal finite and > 0 (asserted), count >= 1.
[[nodiscard]] std::vector<Ohms> preferredAround(Ohms ideal, Series series, int count);

/// The next preferred value above or below one that may be preferred itself. Range: value finite
/// and > 0 (asserted).
[[nodiscard]] Ohms steppedFrom(Ohms value, Series series, bool up);

}  // namespace glimmet::core
