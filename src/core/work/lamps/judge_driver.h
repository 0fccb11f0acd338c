// Checks of lamps behind a driver that keeps their current.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/lamp_groups.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

/// Precondition: the group has a driver, `state` as it was solved.
void judgeDriver(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                 Judging& judging);

}  // namespace glimmet::core::lamps
