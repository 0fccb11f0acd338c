// What an output of the decoder is made for, and what all of them carry.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

/// Outputs that do not switch to ground are no place for what is worked out for those. True where
/// the rows are not to be judged as if they were.
[[nodiscard]] bool judgeOutputKind(const JobAnalysis& facts, const LampGroup& group,
                                   const GroupState&, Judging& judging);
/// What an output carries of what it bears, and whether there is one at all.
void judgeOutputLoad(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                     Judging& judging);

/// All outputs together against what the decoder gives for them. Between `least` and `most`: by
/// what boards carry that nobody looked at.
void judgeOutputsTotal(const JobAnalysis& facts, Amperes least, Amperes most, Judging& judging);

}  // namespace glimmet::core::lamps
