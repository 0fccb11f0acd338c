// The factory's lighting board: asked for one thing at a time, each with how the meter tells it.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core::measure {

void judgeBoard(const Job& job, Judging& judging);

}  // namespace glimmet::core::measure
