// The factory's wires as the meter found them, and where their colours promise something else.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

#include <string_view>

namespace glimmet::core::measure {

/// What a wire can be found to join, as lines name it.
[[nodiscard]] std::span<const std::string_view> wireEnds();

void judgeWires(const JobAnalysis& facts, Judging& judging);

}  // namespace glimmet::core::measure
