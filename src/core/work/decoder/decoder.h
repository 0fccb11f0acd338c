// The stage of the decoder: which decoder carries the job, and what each wins and loses.
#pragma once

#include "core/work/decoder/decided_by.h"
#include "core/work/job_stages.h"

namespace glimmet::core::decoder {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr const char* also[] = {"choose"};
inline constexpr JobStage stage{"decoder", "Decoder", applies,   judge,
                                commands,  idle,      decidedBy, also};

}  // namespace glimmet::core::decoder
