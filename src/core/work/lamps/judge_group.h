// What rows of one circuit do to each other.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/lamp_groups.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

void judgeGroup(const LampGroup& group, const GroupState& state, Judging& judging);
/// An output of which nobody knows what it bears: asked for where it carries nearly what usual ones
/// do.
void judgeUnmarked(const LampGroup& group, const GroupState& state, Judging& judging);
/// Where rows share a resistance, one that fails open leaves its current to the others.
void judgeOneFailed(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                    Judging& judging);

}  // namespace glimmet::core::lamps
