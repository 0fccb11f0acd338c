// An output that may carry a resistor on its board: each case that there can be.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/lamps/row_verdict.h"
#include "core/work/stage.h"

#include <vector>

namespace glimmet::core::lamps {

/// What a board may carry, and what would follow from it for every row.
struct BoardCase {
    Ohms board{};
    GroupState state;
    std::vector<RowVerdict> rows;
};
[[nodiscard]] std::vector<BoardCase> boardCases(const JobAnalysis& facts, const LampGroup& group);
/// Whether a row comes to the same whatever the board carries.
[[nodiscard]] bool sameOnEveryBoard(const std::vector<BoardCase>& cases, std::size_t row);
/// "works whatever the board carries: 2.8 mA to 4.7 mA".
[[nodiscard]] Text anywayWords(const LampGroup& group, const std::vector<BoardCase>& cases,
                               std::size_t row);
/// The output's own resistance is part of the circuit: while it is not known, what each answer
/// would mean stands side by side, and nothing is told as a fact.
void judgeOutput(const LampGroup& group, const std::vector<BoardCase>& cases, std::size_t row,
                 Judging& judging);

}  // namespace glimmet::core::lamps
