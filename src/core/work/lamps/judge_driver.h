// Checks of lamps behind a driver that keeps their current.
#pragma once

#include "core/work/lamp_groups.h"
#include "core/work/reckoned.h"
#include "core/work/room.h"

#include <vector>

namespace glimmet::core::lamps {

/// Precondition: the group has a driver, `state` as it was solved.
void judgeDriver(const Reckoned& facts, const LampGroup& group, const GroupState& state,
                 Judging& judging);

/// The group moved to an output that switches to ground and that no other group has: one remedy for
/// each such output of the decoder. Precondition: the job has a decoder.
[[nodiscard]] std::vector<Option> movesToGround(const Job& job, const LampGroup& group);

}  // namespace glimmet::core::lamps
