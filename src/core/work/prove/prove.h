// The room of the proof on plain direct current: a decoder never cures what does not run on it.
#pragma once

#include "core/work/job_stages.h"
#include "core/work/prove/decided_by.h"

namespace glimmet::core::prove {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr JobStage stage{"prove",  "Prove", applies, judge,
                                commands, idle,    nullptr, decidedBy};

}  // namespace glimmet::core::prove
