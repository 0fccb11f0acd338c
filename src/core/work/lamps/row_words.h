// The sentence and the action of a row of lamps.
#pragma once

#include "core/work/lamps/row_verdict.h"

#include <string>
#include <vector>

namespace glimmet::core::lamps {

[[nodiscard]] Text rowSentence(const LampGroup& group, std::size_t row, const GroupState& state,
                               RowTrouble trouble, const std::vector<Option>& options);
[[nodiscard]] Text rowAction(const std::string& called, RowTrouble trouble);

}  // namespace glimmet::core::lamps
