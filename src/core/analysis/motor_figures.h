// What was read of the motors of a job, as figures: readings, their path, stall at track volts.
#pragma once

#include "core/finding/figure.h"
#include "core/motor/motor.h"
#include "core/record/job.h"

#include <vector>

namespace glimmet::core {

/// The largest (stalled: of lowest ohms) reading of a condition as it was taken; nullptr: none.
[[nodiscard]] const MotorReading* decisive(const std::vector<MotorReading>& readings,
                                           MotorCondition condition);
[[nodiscard]] Figure readingFigure(Text name, const char* symbol, const MotorReading& reading,
                                   const char* jot);

/// Of all motors together; missing where one of them lacks it.
[[nodiscard]] Figure stallFigure(const Job& job,
                                 const WorkshopRules& house);  ///< I_stall at track volts
[[nodiscard]] Figure slipFigure(const Job& job);               ///< I_slip
[[nodiscard]] Figure runningFigure(const Job& job);            ///< I_run

/// What a stall does to a motor of its kind.
[[nodiscard]] Text stallCaution(const Job& job);

}  // namespace glimmet::core
