// The work on this model, step by step: made from what was measured and chosen, in the order in
// which it is done.
#pragma once

#include "core/record/job.h"
#include "core/text.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core {

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
    Close,
    Own  ///< what the user wants done besides
};

struct Step {
    std::string id;    ///< "isolate:M1", "lamp:L3": stays while the model does
    std::string name;  ///< how a line calls it: "isolate motor", "front lamp"
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

/// `house`: with what the job has otherwise. The user's own steps stand where they were put.
[[nodiscard]] std::vector<Step> stepsOf(const Job& job, const WorkshopRules& house);

/// A step with what became of it.
struct StepNow {
    Step step;
    std::optional<StepRecord> record{};  ///< nothing: open
    [[nodiscard]] bool over() const {
        return record && (record->fate == StepFate::Done || record->fate == StepFate::Skipped);
    }
};
/// All of them in their order, then waits that are no step of it: glue, paint.
[[nodiscard]] std::vector<StepNow> stepsNow(const Job& job, const WorkshopRules& house);
/// The first that is open and waits for nothing; nullptr: none.
[[nodiscard]] const StepNow* nextStep(const std::vector<StepNow>& all);
/// nullptr: nobody touched it.
[[nodiscard]] const StepRecord* recordOf(const Job& job, std::string_view step);
/// Of waits that are no step: "wait:glue".
inline constexpr std::string_view waitPrefix = "wait:";

}  // namespace glimmet::core
