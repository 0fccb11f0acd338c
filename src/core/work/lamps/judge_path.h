// What reaches the eye of a lamp behind a light pipe, a colour, a diffuser.
#pragma once

#include "core/work/lamp_groups.h"
#include "core/work/room.h"

namespace glimmet::core::lamps {

/// What comes through the walls round them, and out between their parts.
void judgeGaps(const LampGroup& group, const GroupState& state, Judging& judging);
void judgeWalls(const LampGroup& group, const GroupState& state, Judging& judging);
void judgePaths(const LampGroup& group, const GroupState& state, Judging& judging);

}  // namespace glimmet::core::lamps
