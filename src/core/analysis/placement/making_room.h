// Whether a thing finds room in the model, and what would make some.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/placement/placement.h"
#include "core/finding/finding.h"

#include <vector>

namespace glimmet::core {

/// Every hollow was measured, and there is one: as a hollow is drawn is a guess.
[[nodiscard]] bool hollowsMeasured(const Job& job);
/// Fine where a hollow holds it; where none does close as they are drawn, over as they were
/// measured. nullptr: it is not there, which is fine.
[[nodiscard]] State roomState(const Job& job, const Placement* placement);
/// What lies in a hollow and whose room would hold the box; `lies` says that it then does: "the
/// decoder lies there".
[[nodiscard]] std::vector<Option> roomToMake(const JobAnalysis& facts, const Box& box,
                                             const Text& lies);

}  // namespace glimmet::core
