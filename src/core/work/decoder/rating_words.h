// How demands and limits of a rating are said, and what each of the three rules would say.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/rating.h"

#include <array>

namespace glimmet::core::decoder {

/// "stalled it would draw 1.4 A (up to 1.5 A where the track is highest)"
[[nodiscard]] Text demandWords(const RatedDemand& demand);
/// "1.8 A peak"
[[nodiscard]] Text limitWords(const RatedDemand& demand);

struct RuleSays {
    RatingRule rule{};
    bool held = false;  ///< the one that this job is held by
    State state{};
    Text says;  ///< "stalled it would draw 1.4 A of 1.8 A peak"
};
/// A decoder by the strict, the slip and the running rule, side by side.
[[nodiscard]] std::array<RuleSays, 3> byEachRule(const JobAnalysis& facts,
                                                 const MotorEvidence& drive,
                                                 const Decoder& decoder);

}  // namespace glimmet::core::decoder
