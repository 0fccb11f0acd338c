// What the models of a workshop's power districts take.
#pragma once

#include "core/analysis/job_summary.h"
#include "store/workshop.h"

#include <vector>

namespace glimmet::store {

/// Of every job that stands in a district, read anew; a job that is gone or cannot be read is left
/// out.
[[nodiscard]] std::vector<core::JobSummary> districtLoads(const Workshop& workshop,
                                                          const core::WorkshopRecord& record,
                                                          const core::Catalogue& catalogue);

}  // namespace glimmet::store
