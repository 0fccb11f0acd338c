// What is the matter with a row of lamps: its state and why.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/finding/finding.h"

#include <optional>

namespace glimmet::core::lamps {

inline constexpr Watts mostHeat{2};  // that a part in a model may give off

/// What is the matter with a row, the gravest first.
enum class RowTrouble {
    Burns,
    MayBurn,       ///< in the worst case
    WhichBattery,  ///< it burns unless its battery is a coin cell
    CoinCell,      ///< only the cell's own resistance keeps it from burning
    TooHot,
    SupplyTooLow,
    Dark,
    NoResistor,
    NearLimit,
    TooDim,
    MayBeDark,  ///< in the lowest corner
    Turned,     ///< the other way round where the volts never turn
    TooBright,
    None,
};

struct RowVerdict {
    RowTrouble trouble{};
    State state{};
    Gravity gravity{};
};
[[nodiscard]] RowVerdict rowVerdict(const RowState& made, const LampGroup& group);
/// A coin cell's own resistance lets a lamp without a resistor live, as on a tester.
[[nodiscard]] RowVerdict onItsCell(const Job& job, const LampGroup& group, std::size_t row,
                                   RowVerdict verdict);

/// What lights a row whose usual target cannot be had: no resistor, or a small one.
struct SmallResistor {
    Ohms value;
    Amperes current;
    State state;
};
[[nodiscard]] std::optional<SmallResistor> smallResistor(const JobAnalysis& facts,
                                                         const LampGroup& group, std::size_t row);
/// Whether a row would have its wish if nothing were shared but what the board carries.
[[nodiscard]] bool sharedTakesTooMuch(const LampGroup& group, const GroupState& state,
                                      std::size_t row);
[[nodiscard]] bool sameLamps(const LampRow& a, const LampRow& b);
/// Rows that wait for a resistor as this one does, itself among them: they are asked about once.
[[nodiscard]] std::size_t waitingAlike(const LampGroup& group, const GroupState& state,
                                       std::size_t row);
/// Whether a row is the one before it once more, and does what that does: told once where there is
/// nothing wrong with them.
[[nodiscard]] bool asTheOneBefore(const LampGroup& group, const GroupState& state, std::size_t row);
/// Whether a lamp too dim behind a resistor on the board and one of its own would have at least
/// half of its target with the board's alone.
[[nodiscard]] bool boardAloneWillDo(const LampGroup& group, const GroupState& state,
                                    std::size_t row);
/// Rows with nothing but one shared resistor, of which one takes what the others are short of: the
/// resistor's place is the cause, and its value no remedy.
[[nodiscard]] bool causedByShared(const LampGroup& group, const GroupState& state);

}  // namespace glimmet::core::lamps
