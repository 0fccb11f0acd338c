// Checks of what a bank is made of and how it is joined: cells in series, clamp, terminals.
#pragma once

#include "core/work/stage.h"
#include "core/work/stay_alive/bank_options.h"

namespace glimmet::core::stay_alive {

/// Precondition: the job has a bank; `state` is of it.
void judgeFitting(const JobAnalysis& facts, const BankState& state, OfferedBanks& banks,
                  Judging& judging);

/// The share of such banks in which a cell gets more than it bears; of those with a resistor across
/// each, 1 where their even share is more, else 0.
[[nodiscard]] double overloadedCells(const BankPart& part, const BankState& state);
[[nodiscard]] State cellsState(double share);

/// A bank that is known to stand the wrong way round: said instead of all that it would do.
void judgeTurned(const FittedBank& bank, Judging& judging);

/// The line that fits it behind the charge resistor.
[[nodiscard]] std::string clampLine(const BankClamp& clamp);

/// What a clamp comes to.
struct ClampState {
    Volts lowest{}, highest{};  ///< over its tolerance
    Watts heat{};  ///< in it at the top of the bus, at its lowest; 0: it never conducts
    State state{};
};
[[nodiscard]] ClampState clampState(const BankClamp& clamp, const BankPart& part,
                                    const BankState& state);
/// Zener values as sold that fit between the bus and the bank's rating.
[[nodiscard]] std::vector<Volts> clampsThatFit(const BankPart& part, const BankState& state);

}  // namespace glimmet::core::stay_alive
