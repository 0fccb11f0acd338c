// The lamps of a job as a table for other programs.
#pragma once

#include "core/analysis/job_analysis.h"

#include <string>

namespace glimmet::core::lamps {

/// CSV after RFC 4180, a line for each row of each group, SI units in the heads; what is not known
/// or not connected is empty. A name that a spreadsheet would take for a formula has a ' before it.
[[nodiscard]] std::string lampList(const JobAnalysis& facts);

}  // namespace glimmet::core::lamps
