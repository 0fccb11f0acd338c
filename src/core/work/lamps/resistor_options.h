// Resistors as remedies, and what else a row of lamps can be given.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/finding/finding.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core::lamps {

/// A resistance as a jot line takes it: no space, no sign that a keyboard lacks.
[[nodiscard]] std::string jotOhms(Ohms resistance);
/// Rows that are all alike are given their resistors in one line: what is right for one is right
/// for each.
[[nodiscard]] bool allAlike(const LampGroup& group);
[[nodiscard]] Text effectWords(const LampGroup& group, Amperes mean);
/// Resistors for one row, or for `every` one of rows that are alike: what the policy picks first,
/// then the others by nearness to the wish, and the two rules of thumb of the trade with what they
/// really give. `board`: the output carries one of its own.
[[nodiscard]] std::vector<Option> resistorOptions(const Job& job, const LampGroup& group,
                                                  std::size_t row, const RowState& state,
                                                  const WorkshopRules& house, bool every,
                                                  bool board);
[[nodiscard]] Option withoutResistor(const std::string& called, Text effect);
[[nodiscard]] Option ownOption(const LampGroup& group);
/// Each LED in a row by itself, where its rows have several and the voltage is enough for one.
[[nodiscard]] std::optional<Option> splitOption(const JobAnalysis& facts, const LampGroup& group);
/// The shared resistor of an antiparallel pair, chosen for a row's wish, and what both get by it.
[[nodiscard]] std::vector<Option> pairOptions(const Job& job, const LampGroup& group,
                                              const RowState& state, const WorkshopRules& house);

}  // namespace glimmet::core::lamps
