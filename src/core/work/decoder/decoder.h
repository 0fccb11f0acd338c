// The room of the choice: which decoder carries the job, and what each wins and loses.
#pragma once

#include "core/work/decoder/decided_by.h"
#include "core/work/job_stages.h"

namespace glimmet::core::decoder {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr JobStage stage{"choose", "Choose", applies, judge, commands, idle, decidedBy};

}  // namespace glimmet::core::decoder
