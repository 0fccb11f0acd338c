// Readings of a motor that cannot both be true, and what else is known that agrees with either.
#pragma once

#include "core/motor/motor.h"
#include "core/record/motor.h"
#include "core/text.h"

#include <string_view>
#include <vector>

namespace glimmet::core::measure {

struct Contradiction {
    /// "stall": two stall tests; "slip": above the stall; "light": above hauling; "haul" and
    /// "light-slip": above slipping; "bound": broken off above the stall.
    std::string_view what;
    MotorReading a, b;  ///< of two stall tests that of the lower ohms first
};
/// Stall tests further apart than 25 % in ohms; slip above what a stall takes at its volts; light
/// running above hauling at the same volts; either above slipping; more than a stall takes at those
/// volts, or at `most`, the highest of its supply, where nobody noted them.
[[nodiscard]] std::vector<Contradiction> contradictions(const Motor& motor, Volts most);

/// What agrees with a reading: "the winding's 9.4 Ω", "2 other readings". Empty: nothing does.
[[nodiscard]] std::vector<Text> speaksFor(const Motor& motor, const MotorReading& reading);

/// Winding ohms agree with a stall test between these of its own (brush film, warmth).
inline constexpr double leastOfStall = 0.7, mostOfStall = 1.6;

}  // namespace glimmet::core::measure
