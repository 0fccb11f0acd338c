// A bank that did nothing when the model was lifted off the rail: one reading tells on which side
// the cause lies, then each is looked at in the order of the hand.
#pragma once

#include "core/work/stage.h"
#include "core/work/stay_alive/bank_options.h"

#include <vector>

namespace glimmet::core::stay_alive {

/// What may be the cause with what was read across the bank, what was ruled out left out: the
/// likeliest and easiest to look at first.
[[nodiscard]] std::vector<DeadCause> causesOf(const Job& job, Volts bus);

/// Precondition: the job's bank was found dead. `state`: of that bank.
void judgeDead(const JobAnalysis& facts, const BankState& state, OfferedBanks& banks,
               Judging& judging);

}  // namespace glimmet::core::stay_alive
