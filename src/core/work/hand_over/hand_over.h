// The stage of handing over: what goes home with the model, and what nobody answered.
#pragma once

#include "core/work/hand_over/decided_by.h"
#include "core/work/job_stages.h"

namespace glimmet::core::hand_over {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr const char* also[] = {"handover", "hand over"};
inline constexpr JobStage stage{"hand-over", "Hand-over", applies,   judge,
                                commands,    idle,        decidedBy, also};

}  // namespace glimmet::core::hand_over
