// Faults of the library that what was said and seen of a model points to.
#pragma once

#include "core/record/job.h"

#include <string>
#include <vector>

namespace glimmet::core::intake {

struct Suspect {
    const KnownFault* fault = nullptr;
    std::string sign;   ///< the sign that fits best: "stops on points"
    double weight = 0;  ///< how much it points there; above 0
};

/// By what complaints and spots say, the likeliest first. A sign that fits one fault weighs more
/// than one that fits many; a sign fits where each of its words is said. Faults that were decided
/// upon are left out.
[[nodiscard]] std::vector<Suspect> suspects(const Job& job, const Catalogue& catalogue);

}  // namespace glimmet::core::intake
