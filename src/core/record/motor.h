// A motor and what was read of it.
#pragma once

#include "core/motor/condition.h"
#include "core/quantity/quantities.h"
#include "core/record/measured.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

enum class MotorKind { Can, Coreless, OpenFrame };
constexpr auto wordsOf(MotorKind) {
    return std::to_array<Word<MotorKind>>({{MotorKind::Can, "can"},
                                           {MotorKind::Coreless, "coreless"},
                                           {MotorKind::OpenFrame, "open-frame"}});
}

/// A reading as it was taken. Volts may be unknown except for a stalled motor, where the path's
/// resistance comes from them.
struct TakenReading {
    MotorCondition condition{};
    std::optional<Volts> volts;
    Amperes amps{};
    std::string on;
    bool atLeast = false;              ///< the meter was not waited for: at least so many amperes
    bool struck = false;               ///< taken back: shown, not reckoned with
    std::optional<double> throttle{};  ///< how far it was opened, 0 … 1, where that was noted
    std::optional<Amperes>
        scatter{};  ///< standard deviation of the meter's values, where it was held
    bool operator==(const TakenReading&) const = default;
};

struct Motor {
    std::string id;  ///< "M2"
    MotorKind kind = MotorKind::Can;
    std::vector<TakenReading> readings;    ///< in the order they were taken
    std::vector<Measured<Ohms>> windings;  ///< at several rotor positions; the smallest counts
    /// Both brushes were found, or made, free of frame and rails; false: one touches. Nothing:
    /// nobody said.
    std::optional<bool> isolated{};
    bool operator==(const Motor&) const = default;
};

}  // namespace glimmet::core
