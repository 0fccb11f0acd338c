#include "core/analysis/same_type.h"

namespace glimmet::core {

SameType sameTypeOf(int id, const Job& job) {
    SameType made{id, job.name, {}, job.decoder ? job.decoder->part.id : std::string()};
    const auto motors = motorsOf(job);
    if (motors.empty()) return made;
    for (const TakenReading& reading : motors.front().motor->readings) {
        if (reading.condition == MotorCondition::Light && !reading.struck && !reading.atLeast &&
            reading.volts) {
            made.light = reading;
        }
    }
    return made;
}

}  // namespace glimmet::core
