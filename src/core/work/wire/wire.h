// The stage of wiring: the steps of the work, and the wires that it takes.
#pragma once

#include "core/work/job_stages.h"
#include "core/work/wire/decided_by.h"

namespace glimmet::core::wire {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr const char* also[] = {"wiring", "wires", "steps"};
inline constexpr JobStage stage{"wire", "Wire", applies, judge, commands, idle, decidedBy, also};

}  // namespace glimmet::core::wire
