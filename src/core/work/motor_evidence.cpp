#include "core/work/motor_evidence.h"

namespace glimmet::core {

std::optional<Measured<Ohms>> smallestWinding(const Motor& motor) {
    std::optional<Measured<Ohms>> smallest;
    for (const Measured<Ohms>& winding : motor.windings) {
        if (!smallest || winding.value < smallest->value) smallest = winding;
    }
    return smallest;
}

MotorEvidence motorEvidence(const Motor& motor) {
    MotorEvidence evidence;
    for (const TakenReading& taken : motor.readings) {
        if (taken.condition == MotorCondition::Stalled && !taken.volts) continue;
        evidence.readings.push_back(
            {taken.condition, taken.volts.value_or(Volts{0}), taken.amps, taken.on});
    }
    if (const auto smallest = smallestWinding(motor)) evidence.winding = smallest->value;
    return evidence;
}

std::optional<Ohms> motorPath(const Motor& motor) {
    const MotorEvidence evidence = motorEvidence(motor);
    return pathResistance(evidence.readings, evidence.winding);
}

}  // namespace glimmet::core
