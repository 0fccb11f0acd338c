// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::dc_test {

inline constexpr DecidedBy decidedBy[] = {
    {"prove.auxiliary",
     "Close where it takes over 1.25 of the current with its auxiliary drive turning, at like "
     "volts "
     "the same way."},
    {"prove.failed",
     "Over where it does not run on plain DC; close where it was let go on all the "
     "same."},
    {"prove.hungry",
     "Close above what motors of its kind take running, where a supply was read "
     "beside it."},
    {"prove.lamps",
     "Close where lamps took part in the trial and the board was not freed since: "
     "full track volts would destroy them."},
    {"prove.late",
     "Close where it starts above 35 % of the volts usual for its scale on plain DC."},
    {"prove.remarks", "Close while something was heard or seen on the trial and not undone."},
    {"prove.rocking",
     "Close where it takes over 1.25 of its running current while it is rocked to and fro, at like "
     "volts the same way."},
    {"prove.tried",
     "Ask while an old model without a decoder was not tried on plain DC; a new one "
     "may be taken as it is."},
    {"prove.uneven",
     "Close where it takes more than 1.25 times as much one way as the other, at "
     "like volts."},
    {"prove.uneven-start",
     "Close where it starts at more than 1.25 times the volts one way than the "
     "other."},
};

}  // namespace glimmet::core::dc_test
