// What reaches the eye of a lamp: behind a light pipe, a colour, a diffuser, through its walls.
#pragma once

#include "core/analysis/lamp_groups.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

/// What is seen of its lamps, what comes through the walls round them and out between their parts.
void judgeLight(const LampGroup& group, const GroupState& state, Judging& judging);

}  // namespace glimmet::core::lamps
