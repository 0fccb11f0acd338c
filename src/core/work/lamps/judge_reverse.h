// LEDs that get what comes backwards, and pairs of which one lights each way.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

/// LEDs bear little the wrong way round; bare track and plain DC turn them round.
void judgeReverse(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                  Judging& judging);
/// What is seen of lamps that light in turn.
void judgePair(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
               Judging& judging);

}  // namespace glimmet::core::lamps
