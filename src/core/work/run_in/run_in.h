// The stage of running in: each way for a while, and what the current does meanwhile.
#pragma once

#include "core/work/job_stages.h"
#include "core/work/run_in/decided_by.h"

namespace glimmet::core::run_in {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr const char* also[] = {"running-in", "run in"};
inline constexpr JobStage stage{"run-in", "Run-in", applies,   judge,
                                commands, idle,     decidedBy, also};

}  // namespace glimmet::core::run_in
