// The wiring of a baseboard section with all models on it.
#pragma once

#include "core/analysis/wiring/wiring.h"
#include "core/record/section.h"
#include "core/record/workshop_rules.h"

#include <map>
#include <string>
#include <vector>

namespace glimmet::core::wiring {

/// Models that are not among `jobs`, by their number on the shelf, have no terminals. What refers
/// to a plug that is out finds its halves apart.
[[nodiscard]] Wiring wiringOf(const Section& section, const std::map<int, const Job*>& jobs,
                              ResistorLeg leg, const Stand& stand);

/// Supplies that are joined with each other at a pole, each pair once: "S1", "S2".
[[nodiscard]] std::vector<std::pair<std::string, std::string>> suppliesJoined(
    const Section& section, const Wiring& wiring);

/// Ids of models that get no power from any supply as it stands.
[[nodiscard]] std::vector<std::string> darkModels(const Section& section, const Wiring& wiring);

}  // namespace glimmet::core::wiring
