// Checks of what was read of a bank at the bench: its volts on the track, its farads.
#pragma once

#include "core/work/stage.h"
#include "core/work/stay_alive/bank_options.h"

namespace glimmet::core::stay_alive {

/// Precondition: the job has a bank that is not known to give nothing; `state` is of it.
void judgeFound(const JobAnalysis& facts, const BankState& state, OfferedBanks& banks,
                Judging& judging);

}  // namespace glimmet::core::stay_alive
