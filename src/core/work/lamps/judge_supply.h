// What feeds the lamps of a building or a battery model: whether it can give their current, which
// lead is plus, where a pack is joined, and lamps that hang on the rails beside a decoder.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

void judgeSupply(const JobAnalysis& facts, Judging& judging);

}  // namespace glimmet::core::lamps
