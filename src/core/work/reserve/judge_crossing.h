// Checks of the dead places of a layout: whether the model gets over each.
#pragma once

#include "core/work/reckoned.h"
#include "core/work/room.h"

namespace glimmet::core::reserve {

void judgeCrossings(const Reckoned& facts, Judging& judging);

}  // namespace glimmet::core::reserve
