// The stage of measuring: the motor, its pickups and what feeds them.
#pragma once

#include "core/work/job_stages.h"
#include "core/work/measure/decided_by.h"

namespace glimmet::core::measure {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr JobStage stage{"measure", "Measure", applies, judge, commands, idle, decidedBy};

}  // namespace glimmet::core::measure
