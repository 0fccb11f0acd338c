// For whoever opens the model next: every wire with both ends, what must be joined, what goes
// across couplings, and what nobody knows yet.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/finding/sheet.h"

namespace glimmet::core::wire {

[[nodiscard]] Sheet wiringSheet(const JobAnalysis& facts);

}  // namespace glimmet::core::wire
