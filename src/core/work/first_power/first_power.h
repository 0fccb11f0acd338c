// The stage of first power: in steps, each as strong as the meter's proof allows.
#pragma once

#include "core/work/first_power/decided_by.h"
#include "core/work/job_stages.h"

namespace glimmet::core::first_power {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr const char* also[] = {"power", "first power"};
inline constexpr JobStage stage{"first-power", "First power", applies,   judge,
                                commands,      idle,          decidedBy, also};

}  // namespace glimmet::core::first_power
