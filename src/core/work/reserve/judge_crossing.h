// Checks of the dead places of a layout: whether the model gets over each.
#pragma once

#include "core/work/reserve/bank_options.h"
#include "core/work/stage.h"

namespace glimmet::core::reserve {

/// `loads`: of the facts.
void judgeCrossings(const JobAnalysis& facts, const Loads& loads, OfferedBanks& banks,
                    Judging& judging);

}  // namespace glimmet::core::reserve
