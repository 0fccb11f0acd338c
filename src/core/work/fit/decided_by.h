// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::fit {

inline constexpr DecidedBy decidedBy[] = {
    {"fit.measure",
     "Ask where something lies in a cavity that nobody has measured and has less than 3 mm to "
     "spare there."},
    {"fit.together",
     "Over where not everything fits the measured cavities together; ask where cavities are "
     "only drawn. Things stay 0.3 mm apart."}};

}  // namespace glimmet::core::fit
