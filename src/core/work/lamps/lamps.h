// The stage of the lamps: groups, resistors, outputs.
#pragma once

#include "core/work/job_stages.h"
#include "core/work/lamps/decided_by.h"

namespace glimmet::core::lamps {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

/// The line that puts a white lamp on an output: at a free site on its side of the body, else by a
/// name of its own.
[[nodiscard]] std::string newLampJot(const Job& job, std::string_view output);

inline constexpr JobStage stage{"lamps", "Lamps", applies, judge, commands, idle, decidedBy};

}  // namespace glimmet::core::lamps
