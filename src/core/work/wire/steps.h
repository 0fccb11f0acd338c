// The work on this model, step by step: made from what was measured and chosen, in the order in
// which it is done.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/text.h"

#include <string>
#include <vector>

namespace glimmet::core::wire {

/// What is done in a step: it decides the caution.
enum class StepKind {
    Open,
    Look,
    Isolate,
    Cut,
    Drill,
    Insulate,
    Plug,
    Solder,
    Glue,
    Charge,
    Probe,
    Close
};

struct Step {
    std::string id;  ///< "isolate:M1", "lamp:L3": stays while the model does
    StepKind kind{};
    Text words;         ///< "Free the motor from the frame: tape under its brush strip"
    Text test{};        ///< how it is proved at once; empty: nothing to prove
    Text proved{};      ///< what must be proved first, of a step that cannot be undone; else empty
    bool safe = false;  ///< work can stop behind it: everything is sleeved and labelled
    bool operator==(const Step&) const = default;
};
[[nodiscard]] bool cannotBeUndone(const Step& step);
/// Where hands or parts come to harm in a step of a kind; empty where they do not.
[[nodiscard]] Text cautionOf(StepKind kind);

[[nodiscard]] std::vector<Step> stepsOf(const JobAnalysis& facts);

}  // namespace glimmet::core::wire
