// What was done of the work on a model, step by step, and steps of the user's own.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

#include <string>

namespace glimmet::core {

enum class StepFate { Done, Skipped, Waiting };
constexpr auto wordsOf(StepFate) {
    return std::to_array<Word<StepFate>>(
        {{StepFate::Done, "done"}, {StepFate::Skipped, "skipped"}, {StepFate::Waiting, "waiting"}});
}

/// A step that is no longer simply open, by its id: "isolate:M1", or a wait: "wait:glue".
struct StepRecord {
    std::string step;
    StepFate fate{};
    std::string on;     ///< the day it was ticked, skipped or began to wait
    std::string why;    ///< of one that was skipped
    std::string until;  ///< of one that waits: local time, "2026-03-02T16:30"
    Seconds took{};     ///< hands-on; 0: nobody timed it
    bool operator==(const StepRecord&) const = default;
};

struct OwnStep {
    std::string id;  ///< "A7"
    std::string words;
    std::string before;  ///< id of the step it comes before; empty: last
    bool operator==(const OwnStep&) const = default;
};

}  // namespace glimmet::core
