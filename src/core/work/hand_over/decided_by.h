// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::hand_over {

inline constexpr DecidedBy decidedBy[] = {
    {"hand-over.unanswered",
     "Ask where something is neither answered nor waived, once nothing but the owner's questions "
     "is left, or the model went home."},
    {"hand-over.next", "Fine; it stays open until the model is handed over."}};

}  // namespace glimmet::core::hand_over
