// Whether the wheels that collect bridge what the track leaves dead.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core::measure {

void judgePickups(const JobAnalysis& facts, Judging& judging);

}  // namespace glimmet::core::measure
