// The steps in which a model gets its first power: what to look for in each, what a difference
// means.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/meter/matrix.h"
#include "core/text.h"

#include <string>
#include <vector>

namespace glimmet::core {

struct PowerStep {
    std::string id;    ///< "programming", "forward", "lamp:L3"
    std::string name;  ///< how a line calls it: "programming", "front lamp"
    Text words;        ///< "Programming track, decoder in: it answers"
    Text look;         ///< what to look for
    meter::Allows needs{};
};
[[nodiscard]] std::vector<PowerStep> powerSteps(const Job& job, const WorkshopRules& house);

/// nullptr: not seen yet.
[[nodiscard]] const PowerSeen* seenOf(const Job& job, std::string_view step);
/// The first that was not seen; nullptr: all were.
[[nodiscard]] const PowerStep* nextOf(const Job& job, const std::vector<PowerStep>& steps);

/// "turns backwards"
[[nodiscard]] Text seenWords(Seen seen);
/// What it means, and what to do about it.
[[nodiscard]] Text meaningOf(const PowerStep& step, Seen seen);
/// At rest on the programming track (docs/physics.md).
inline constexpr Amperes restUsual{0.05}, restWithSound{0.1}, programmingLimit{0.25};

}  // namespace glimmet::core
