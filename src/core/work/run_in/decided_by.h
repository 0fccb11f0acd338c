// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::run_in {

inline constexpr DecidedBy decidedBy[] = {
    {"run-in.current",
     "Over where the last reading is more than a tenth above the lowest one; close where, at the "
     "end, the current is not below 98 % of the first reading."},
    {"run-in.next", "Fine; it stays open until both ways ran as long as the house wants."},
    {"run-in.oil", "Close where it has run 20 hours or more since it was oiled."}};

}  // namespace glimmet::core::run_in
