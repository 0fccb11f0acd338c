// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::measure {

inline constexpr DecidedBy decidedBy[] = {
    {"board.common",
     "Ask while it is not known what the lamps' common hangs on; over where it is "
     "tied to the track and not cut, or to the minus; close where it hangs on "
     "regulated volts."},
    {"board.fate", "Ask where lamps light on the factory board and nobody said whether it stays."},
    {"board.resistors",
     "Ask while the board stays, its common is free, lamps hang on it and its own "
     "resistors are not known."},
    {"motor.commutator",
     "Close where windings read at several positions differ by more than a fifth."},
    {"motor.contradiction-bound",
     "Ask where running was broken off at more than a stall takes at those volts."},
    {"motor.contradiction-haul", "Ask where hauling takes more than slipping."},
    {"motor.contradiction-light-slip", "Ask where running light takes more than slipping."},
    {"motor.contradiction-light",
     "Ask where running light takes more than slipping or stalled at the same volts "
     "can."},
    {"motor.contradiction-slip",
     "Ask where slipping takes more than stalled at the same volts can."},
    {"motor.contradiction-stall",
     "Ask where two stall tests come to ohms further apart than readings scatter; "
     "the lower ohms are reckoned with."},
    {"motor.contradiction-winding",
     "Ask where the winding is below 0.7 or above 1.6 times what the stall test "
     "comes to."},
    {"motor.drag",
     "Close where running light takes more than four fifths of what slipping does, "
     "at like volts."},
    {"motor.isolation",
     "Over where a brush was found on the frame; ask where the frame carries a rail, or an old or "
     "open motor was not looked at, until both brushes were said to be free of it."},
    {"motor.reading",
     "Ask for the one reading that would decide the decoder; not asked where its "
     "motor's kind decides."},
    {"motor.sisters", "Close above 1.5 times the middle of two or more sisters' light current."},
    {"motor.tightening", "Close where it runs light on a third more than before, at like volts."},
    {"pickup.middle",
     "Ask while it is not known where the middle is collected; close up to a "
     "roller's 5 mm, fine above."},
    {"pickup.outer", "Over where no wheel collects from the outer rails."},
    {"pickup.sides",
     "Over where a side picks up nowhere; close where one side has a single point; ask where "
     "nobody looked and the owner complains of stalls."},
    {"wires.colour",
     "Close where a wire's colour says something else than what it was found to "
     "join."},
    {"wires.map", "Never wrong: what was found of the factory wires."},
};

}  // namespace glimmet::core::measure
