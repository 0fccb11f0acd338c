// A log of a motor's session cut where its current stepped, and what each part most likely was.
#pragma once

#include "core/instrument/meter_log.h"
#include "core/motor/condition.h"

#include <span>

namespace glimmet::core {

/// A part of a log in which volts and current stay about the same.
struct LogPart {
    std::size_t from = 0, to = 0;             ///< rows, the last one excluded
    std::optional<MotorCondition> condition;  ///< a guess; nothing: off, or too short to tell
    bool steady = true;                       ///< false: volts or current change by a fifth in it
    Volts volts{};                            ///< mean of its volts
    Amperes amps{};                           ///< mean; of a stall its first quarter: it heats up
    Amperes scatter{};                        ///< standard deviation of a row
    bool operator==(const LogPart&) const = default;
};

/// Cuts where the running medians on the two sides of a row differ by more than 8 % and by six
/// times their scatter (Welch's t); edges are then put where a step fits best. Parts that differ by
/// less than 8 % are one. In time linear in the rows.
///
/// Guesses: the lowest current for its volts is light running, the highest a stall where it agrees
/// with `path` (0.6 … 1.5 of it) or, without it, stands 2.5 times above the next; what is below it
/// is slipping, between hauling (docs/physics.md, logs).
[[nodiscard]] std::vector<LogPart> cutLog(std::span<const LogRow> rows,
                                          std::optional<Ohms> path = std::nullopt);

/// The part between two rows, with what it comes to; for edges that were dragged.
/// Precondition: from < to <= rows.
[[nodiscard]] LogPart partOf(std::span<const LogRow> rows, std::size_t from, std::size_t to,
                             std::optional<MotorCondition> condition);

/// Only the guesses, for parts as they stand.
void guessConditions(std::vector<LogPart>& parts, std::optional<Ohms> path);

}  // namespace glimmet::core
