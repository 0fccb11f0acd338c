// The room of measuring: motor, decoder and what feeds them.
#pragma once

#include "core/work/job_rooms.h"

namespace glimmet::core::measure {

[[nodiscard]] bool applies(const Job& job);
void judge(const Reckoned& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Verb> verbs();
[[nodiscard]] Idle idle(const Job& job);

void boxes(const Job& job, std::vector<Box>& all);

inline constexpr JobRoom room{"measure", "Measure", applies, judge, verbs, idle, boxes};

}  // namespace glimmet::core::measure
