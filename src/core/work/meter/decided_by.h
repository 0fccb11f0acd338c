// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::meter {

inline constexpr DecidedBy decidedBy[] = {
    {"meter.pair",
     "Over where the last reading of a pair is not what the wiring allows: joined below 2 Ω, a "
     "wheel through its pickup below 5 Ω, open above 100 kΩ and nothing on the diode test."},
    {"meter.again",
     "Ask where something that a reading depends on was changed after it, or the reading does not "
     "prove the pair yet."},
    {"meter.next", "Fine; it stays open as long as pairs of the matrix are not read."}};

}  // namespace glimmet::core::meter
