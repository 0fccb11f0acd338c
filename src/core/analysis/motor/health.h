// How readings of one motor are compared over time (docs/physics.md, motor).
#pragma once

#include "core/quantity/quantities.h"

#include <optional>

namespace glimmet::core::measure {

/// A light current so many times the first one says that the drive has tightened.
inline constexpr double tightened = 4.0 / 3.0;

/// Volts that let two readings be compared: both known and within a tenth of each other.
[[nodiscard]] inline bool atLikeVolts(std::optional<Volts> a, std::optional<Volts> b) {
    return a && b && *a > Volts{0} && *b > Volts{0} && *a <= *b * 1.1 && *b <= *a * 1.1;
}

}  // namespace glimmet::core::measure
