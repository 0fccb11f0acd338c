// The stage of the meter: what must be read between points before there is power.
#pragma once

#include "core/work/job_stages.h"
#include "core/work/meter/decided_by.h"

namespace glimmet::core::meter {

[[nodiscard]] bool applies(const Job& job);
void judge(const JobAnalysis& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const Job& job);

inline constexpr const char* also[] = {"matrix", "probes"};
inline constexpr JobStage stage{"meter", "Meter", applies, judge, commands, idle, decidedBy, also};

}  // namespace glimmet::core::meter
