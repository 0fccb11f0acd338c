// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::wire {

inline constexpr DecidedBy decidedBy[] = {
    {"wire.steps", "Fine; it stays open as long as a step is neither done nor skipped."},
    {"wire.early",
     "Close where a step that cannot be undone, or the last one, is done before a step that it "
     "rests on."},
    {"wire.gauge",
     "Over where a wire of the record carries more than its gauge can for hours; close above "
     "85 % of that."},
    {"wire.provisional", "Close as long as a wire that has to come out again is in the model."}};

}  // namespace glimmet::core::wire
