// The stage of the stay-alive: the bank on the decoder, how long it holds, what charging it asks.
#pragma once

#include "core/work/job_stages.h"
#include "core/work/stay_alive/decided_by.h"

namespace glimmet::core::stay_alive {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr const char* also[] = {"reserve", "bank"};
inline constexpr JobStage stage{"stay-alive", "Stay-alive", applies,   judge,
                                commands,     idle,         decidedBy, also};

}  // namespace glimmet::core::stay_alive
