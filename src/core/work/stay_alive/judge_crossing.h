// Checks of the dead places of a layout: whether the model gets over each.
#pragma once

#include "core/work/stage.h"
#include "core/work/stay_alive/bank_options.h"

namespace glimmet::core::stay_alive {

/// `loads`: of the facts.
void judgeCrossings(const JobAnalysis& facts, const Loads& loads, OfferedBanks& banks,
                    Judging& judging);

}  // namespace glimmet::core::stay_alive
