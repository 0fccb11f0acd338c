// The room of the proof on plain direct current: a decoder never cures what does not run on it.
#pragma once

#include "core/work/dc_test/decided_by.h"
#include "core/work/job_stages.h"

namespace glimmet::core::dc_test {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr JobStage stage{"prove", "Prove", applies, judge, commands, idle, decidedBy};

}  // namespace glimmet::core::dc_test
