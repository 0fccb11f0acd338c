// Lamps of a decoder whose lead was found on the frame or a rail.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

/// Close where it flickers and ignores the stay-alive; over where it bypasses the output or feeds
/// current past the decoder's rectifier. Silent where nobody noted where the leads go.
void judgeReturns(const JobAnalysis& facts, Judging& judging);

}  // namespace glimmet::core::lamps
