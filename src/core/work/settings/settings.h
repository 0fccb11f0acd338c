// The stage of settings: what the decoder is told, and whether it holds that.
#pragma once

#include "core/work/job_stages.h"
#include "core/work/settings/decided_by.h"

namespace glimmet::core::settings {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr const char* also[] = {"setting", "programming", "cvs"};
inline constexpr JobStage stage{"settings", "Settings", applies,   judge,
                                commands,   idle,       decidedBy, also};

}  // namespace glimmet::core::settings
