// The stations of the workshop itself, in their order.
#pragma once

#include "core/analysis/job_summary.h"
#include "core/record/job.h"
#include "core/record/workshop.h"
#include "core/work/stage.h"

namespace glimmet::core {

/// What the workshop's judges read. What it refers to must outlive it.
struct WorkshopFacts {
    const WorkshopRecord& workshop;
    const Catalogue& catalogue;
    const Job* example = nullptr;  ///< a job on which what a rule changes is shown; may be none
    std::span<const JobSummary> loads = {};  ///< of the jobs that stand in a district
};

using WorkshopStage = Stage<WorkshopRecord, WorkshopFacts>;
[[nodiscard]] std::span<const WorkshopStage> workshopStages();

[[nodiscard]] std::vector<Finding> findings(const WorkshopFacts& facts);

}  // namespace glimmet::core
