// What the record of a model's motors says about their current.
#pragma once

#include "core/analysis/fact.h"
#include "core/motor/motor.h"
#include "core/record/job.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// The winding reading that counts: of all rotor positions the smallest.
[[nodiscard]] std::optional<Measured<Ohms>> smallestWinding(const Motor& motor);

/// Readings that can be reckoned with (a stalled one without volts cannot, one that was struck out
/// may not) and the smallest
/// winding resistance.
struct MotorEvidence {
    std::vector<MotorReading> readings;
    std::optional<Ohms> winding;
    Amperes atLeast{0};  ///< the most that a broken-off reading showed; no reading, a bound
    /// Of several motors, where not all were read: what those that were take alone.
    std::optional<Ohms> windingOfRead;
    Amperes slipOfRead{0};
};
[[nodiscard]] MotorEvidence motorEvidence(const Motor& motor);
/// The largest reading in a condition that was taken with its volts; nullptr: none. Into
/// `evidence`.
[[nodiscard]] const MotorReading* largestWithVolts(const MotorEvidence& evidence,
                                                   MotorCondition condition);

/// Resistance of the path through the motor at rest, if it is known (core/motor/motor.h).
[[nodiscard]] std::optional<Ohms> motorPath(const Motor& motor);

/// All motors of a job as the one decoder sees them, side by side: currents add, as far as each
/// motor was read in that condition; paths are parallel, where all are known (as `winding`).
/// Of one motor: its own evidence, and where nobody read it running, what it took on plain DC.
[[nodiscard]] MotorEvidence driveEvidence(const Job& job);
[[nodiscard]] const MotorEvidence& driveEvidence(const JobAnalysis& facts);

/// "" for the only motor, else its unit's name, with a number where that has several: "rear car",
/// "motor 2".
[[nodiscard]] std::string motorCalled(const Job& job, const Motor& motor);

}  // namespace glimmet::core
