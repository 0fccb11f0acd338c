// The stage of fitting: whether all that was chosen goes into the model together.
#pragma once

#include "core/work/fit/decided_by.h"
#include "core/work/job_stages.h"

namespace glimmet::core::fit {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr const char* also[] = {"fitting", "room"};
inline constexpr JobStage stage{"fit", "Fit", applies, judge, commands, idle, decidedBy, also};

}  // namespace glimmet::core::fit
