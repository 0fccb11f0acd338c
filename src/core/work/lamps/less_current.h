// Remedies where a group takes more current than what feeds it is made for.
#pragma once

#include "core/analysis/lamp_groups.h"
#include "core/finding/finding.h"

#include <optional>
#include <vector>

namespace glimmet::core::lamps {

/// A larger resistor in every row, so that the group takes at most so much. Nothing where its rows
/// differ, where a driver or bulbs set the current, or where no value of its series does.
[[nodiscard]] std::optional<Option> lessCurrent(const Job& job, const LampGroup& group,
                                                Amperes most, const WorkshopRules& house);

/// The group moved to an output of the decoder that no other group has and that gives so much
/// current to lamps: one remedy for each, with what it gives or `effect`. Nothing without a
/// decoder.
[[nodiscard]] std::vector<Option> movesToFree(const Job& job, const LampGroup& group,
                                              Amperes current, Text effect = {});

}  // namespace glimmet::core::lamps
