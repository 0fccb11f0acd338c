// What the current of a row rests on.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/finding/finding.h"

#include <vector>

namespace glimmet::core::lamps {

/// The current it is to have: somebody's, its maker's, or what is usual.
[[nodiscard]] Figure targetFigure(const LampGroup& group, const char* symbol);
/// The current of a row with all that it rests on.
[[nodiscard]] std::vector<Figure> rowFigures(const Job& job, const LampGroup& group,
                                             std::size_t row, const GroupState& state,
                                             const WorkshopRules& house);

}  // namespace glimmet::core::lamps
