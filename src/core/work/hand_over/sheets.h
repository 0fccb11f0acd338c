// What goes home with a model: a sheet for its owner, one for the next who opens it.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/finding/sheet.h"

namespace glimmet::core::hand_over {

[[nodiscard]] Sheet ownerSheet(const JobAnalysis& facts);
[[nodiscard]] Sheet nextSheet(const JobAnalysis& facts);

}  // namespace glimmet::core::hand_over
