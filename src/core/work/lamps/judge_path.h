// What reaches the eye of a lamp behind a light pipe, a colour, a diffuser.
#pragma once

#include "core/work/lamp_groups.h"
#include "core/work/room.h"

namespace glimmet::core::lamps {

void judgePaths(const LampGroup& group, const GroupState& state, Judging& judging);

}  // namespace glimmet::core::lamps
