// Lamps that are in the model: whether what was read and seen of them is what was worked out, and
// how far their joints are.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

void judgeInstalled(const JobAnalysis& facts, Judging& judging);

}  // namespace glimmet::core::lamps
