// A motor and what was read of it.
#pragma once

#include "core/motor/condition.h"
#include "core/quantity/quantities.h"
#include "core/record/measured.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core {

/// How the frame is wired; it decides what must be isolated from what.
enum class FrameKind { Insulated, FrameReturn, SplitFrame };
[[nodiscard]] std::string_view name(FrameKind kind);
[[nodiscard]] std::optional<FrameKind> frameKindNamed(std::string_view name);
enum class MotorKind { Can, Coreless, OpenFrame };
[[nodiscard]] std::string_view name(MotorKind kind);
[[nodiscard]] std::optional<MotorKind> motorKindNamed(std::string_view name);

/// A reading as it was taken. Volts may be unknown except for a stalled motor, where the path's
/// resistance comes from them.
struct TakenReading {
    MotorCondition condition{};
    std::optional<Volts> volts;
    Amperes amps{};
    std::string on;
    bool operator==(const TakenReading&) const = default;
};

struct Motor {
    MotorKind kind = MotorKind::Can;
    FrameKind frame = FrameKind::Insulated;
    std::vector<TakenReading> readings;    ///< in the order they were taken
    std::vector<Measured<Ohms>> windings;  ///< at several rotor positions; the smallest counts
    bool operator==(const Motor&) const = default;
};

}  // namespace glimmet::core
