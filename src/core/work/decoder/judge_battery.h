// A model that carries its supply along: run time, fuse, cut-off, and pickups that must be open.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/motor_evidence.h"
#include "core/work/stage.h"

namespace glimmet::core::decoder {

void judgeBattery(const JobAnalysis& facts, const MotorEvidence& drive, Judging& judging);

}  // namespace glimmet::core::decoder
