// Rows that were held to a tester: whether they showed what they should.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

/// Each row that was tested.
void judgeTested(const JobAnalysis& facts, Judging& judging);

}  // namespace glimmet::core::lamps
