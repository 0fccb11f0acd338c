// Lamps against the place that they go into, against those that they share a current with, and
// against others of their kind.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

/// What goes into no hole, or stands proud of it.
void judgeBores(const JobAnalysis& facts, const LampGroup& group, Judging& judging);
/// Lamps that stand straight across each other.
void judgeAcross(const LampGroup& group, const GroupState& state, Judging& judging);
/// Lamps of one kind that came from different lots.
void judgeLots(const LampGroup& group, Judging& judging);
/// What the decoder's setting leaves of its light.
void judgeDimmed(const LampGroup& group, const GroupState& state, Judging& judging);
/// The switch before a group.
void judgeContact(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                  Judging& judging);

}  // namespace glimmet::core::lamps
