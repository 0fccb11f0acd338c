// Lamps on a battery of their own: how long it lasts.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

/// A battery is judged by how long it lights the lamps.
void judgeBattery(const JobAnalysis& facts, Judging& judging);

}  // namespace glimmet::core::lamps
