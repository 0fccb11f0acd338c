// What a motor's record says about its current.
#pragma once

#include "core/motor/motor.h"
#include "core/record/motor.h"

#include <optional>
#include <vector>

namespace glimmet::core {

/// The winding reading that counts: of all rotor positions the smallest.
[[nodiscard]] std::optional<Measured<Ohms>> smallestWinding(const Motor& motor);

/// Readings that can be reckoned with (a stalled one without volts cannot) and the smallest
/// winding resistance.
struct MotorEvidence {
    std::vector<MotorReading> readings;
    std::optional<Ohms> winding;
};
[[nodiscard]] MotorEvidence motorEvidence(const Motor& motor);

/// Resistance of the path through the motor at rest, if it is known (core/motor/motor.h).
[[nodiscard]] std::optional<Ohms> motorPath(const Motor& motor);

}  // namespace glimmet::core
