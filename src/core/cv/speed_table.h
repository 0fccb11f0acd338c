// The speed table of a decoder, CV67 to CV94: the throttle's 28 steps as motor volts, 0 to 255.
#pragma once

#include "core/result.h"

#include <array>
#include <span>

namespace glimmet::core {

inline constexpr int speedSteps = 28;
inline constexpr int firstSpeedTableVariable = 67;
using SpeedTable = std::array<int, speedSteps>;

struct SpeedPoint {
    int step{};   ///< 1 … 28
    int value{};  ///< 0 … 255
};

/// Straight from start to middle over steps 1 … 14, straight on to the top over 14 … 28; halves are
/// rounded up. Range: 0 … 255 each.
[[nodiscard]] SpeedTable speedTable(int start, int middle, int top);

/// Straight between points.
/// Errors: OutOfRange unless steps ascend from 1 to 28 and values lie in 0 … 255.
[[nodiscard]] Result<SpeedTable> speedTable(std::span<const SpeedPoint> points);

}  // namespace glimmet::core
