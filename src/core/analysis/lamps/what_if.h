// What becomes of a lamp group when one of its lamps fails or was put in the wrong way round.
#pragma once

#include "core/analysis/lamp_groups.h"
#include "core/finding/state.h"
#include "core/record/job.h"
#include "core/text.h"

#include <optional>
#include <vector>

namespace glimmet::core::lamps {

enum class LampFault { Open, Shorted, Reversed };

struct FaultCase {
    LampFault fault{};
    std::size_t row = 0, lamp = 0;
    Text name;  ///< "front lamp/2 fails open"
    /// Through each row then; nothing: the row is not connected anyway.
    std::vector<std::optional<Amperes>> current;
    std::vector<double> times;  ///< what each row carries then by what it carries now; 1: not known
    Amperes total{};
    State state{};  ///< of what follows for the others
    Text follows;   ///< "it stays dark; the others have what they had"
};

/// Every way in which one lamp can fail; of rows and lamps that are alike one stands for all.
/// Currents at typical values. Empty where the group cannot be solved.
[[nodiscard]] std::vector<FaultCase> whatIf(const Job& job, const LampGroup& group,
                                            const WorkshopRules& house);

/// How the lamps of a job look then: those of the group are made dimmer, brighter or dark.
/// Where they are not those that the case was worked out on, all stay as they are.
void showFailed(const LampGroup& group, const FaultCase& fault, std::vector<LitLamp>& all);

}  // namespace glimmet::core::lamps
