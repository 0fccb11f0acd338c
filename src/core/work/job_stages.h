// The stages of the work on a job, in working order.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/stage.h"

namespace glimmet::core {

using JobStage = Stage<Job, JobAnalysis>;
[[nodiscard]] std::span<const JobStage> jobStages();

/// The commands of every stage, then those of the record: all that a job's line can begin with.
struct SpokenCommand {
    const jot::Command* command;
    std::string_view stage;  ///< empty: of the record, shown wherever one is
};
[[nodiscard]] const std::vector<SpokenCommand>& jobCommands();

}  // namespace glimmet::core
