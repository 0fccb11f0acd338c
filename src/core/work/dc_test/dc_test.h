// The stage of the DC test on plain direct current: a decoder never cures what does not run on it.
#pragma once

#include "core/work/dc_test/decided_by.h"
#include "core/work/job_stages.h"

namespace glimmet::core::dc_test {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr const char* also[] = {"prove", "proof"};
inline constexpr JobStage stage{"dc-test", "DC test", applies,   judge,
                                commands,  idle,      decidedBy, also};

}  // namespace glimmet::core::dc_test
