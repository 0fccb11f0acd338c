// What becomes of a lamp group when one of its lamps fails or was put in the wrong way round.
#pragma once

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
    Amperes total{};
    State state{};  ///< of what follows for the others
    Text follows;   ///< "it stays dark; the others have what they had"
};

/// Every way in which one lamp can fail; of rows and lamps that are alike one stands for all.
/// Currents at typical values. Empty where the group cannot be solved.
[[nodiscard]] std::vector<FaultCase> whatIf(const Job& job, const LampGroup& group,
                                            const House& house);

}  // namespace glimmet::core::lamps
