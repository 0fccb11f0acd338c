// Whether the bodies of resistors that were chosen bear their heat.
#pragma once

#include "core/analysis/lamp_groups.h"
#include "core/work/stage.h"

namespace glimmet::core::lamps {

void judgePackages(const LampGroup& group, const GroupState& state, Judging& judging);

}  // namespace glimmet::core::lamps
