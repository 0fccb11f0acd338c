// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::first_power {

inline constexpr DecidedBy decidedBy[] = {
    {"power.unproved",
     "Over where a model had power, and a pair of the meter fails; ask where the meter does not "
     "prove enough for that power."},
    {"power.seen", "Over where a step did not show what it should, until it is seen again."},
    {"power.current",
     "Close where a decoder at rest on the programming track takes more than 50 mA, 100 mA with "
     "sound; over above 250 mA, where such a track gives up."},
    {"power.next", "Fine; it stays open as long as a step was not seen."}};

}  // namespace glimmet::core::first_power
