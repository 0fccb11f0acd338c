// Checks of filament bulbs: their volts, their heat, the current when they are cold.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/lamp_groups.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

/// Precondition: the group is of bulbs, `state` as it was solved.
void judgeBulbs(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                Judging& judging);

}  // namespace glimmet::core::lamps
