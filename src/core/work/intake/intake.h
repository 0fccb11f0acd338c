// The stage of intake: what the model looks like when it arrives, what its owner says of it, what
// is known of faults of its kind.
#pragma once

#include "core/work/intake/decided_by.h"
#include "core/work/job_stages.h"

namespace glimmet::core::intake {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr JobStage stage{"intake", "Intake", applies, judge, commands, idle, decidedBy};

}  // namespace glimmet::core::intake
