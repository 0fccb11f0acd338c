// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::stay_alive {

inline constexpr DecidedBy decidedBy[] = {
    {"reserve.allowed",
     "Over where a plain bank has more than the decoder's leaflet allows on it; said where the "
     "leaflet's figure is known."},
    {"reserve.capacitance",
     "Close where it has less than 80 % of what is printed, or more than 130 %, at the far end of "
     "what "
     "was found."},
    {"reserve.cells",
     "Of banks whose cells differ by ± 10 %: over where in more than half of them one gets more "
     "than "
     "it bears, close where in more than one of a hundred."},
    {"reserve.charge",
     "Over where it draws more than 5 A for longer than 10 ms; close where it draws more than 5 A "
     "at "
     "all, or one charge puts more than 1 J into its resistor at more than 0.25 W."},
    {"reserve.programming",
     "Close where it draws more than 250 mA after 0.1 s on the programming track, or hides an "
     "acknowledge of 60 mA for more than 1 s; fine where its decoder disconnects it."},
    {"reserve.clamp",
     "Over where its highest lies above the bank's rating, where nothing limits its current, or "
     "where it gives off more than 0.25 W; close where its lowest lies below the highest bus. "
     "Before the charge resistor: over where it "
     "conducts, else close."},
    {"reserve.crossing",
     "Over where it stops on the place, close where it starts anew or slows; close "
     "also where the worst case (least volts, least capacitance) does."},
    {"reserve.dead",
     "Over where the bank gives nothing when the model is lifted; what one reading "
     "tells, then cause after cause."},
    {"reserve.decoder", "Ask while there is a bank and no decoder to join it to."},
    {"reserve.dirt",
     "Of the stutters that were counted, those that outlast the bank: over above one in "
     "10 m, close above one in 100 m."},
    {"reserve.hold",
     "Close where it holds shorter than what is needed, typically or in its worst case (least "
     "volts, "
     "20 % less capacitance)."},
    {"reserve.leak",
     "Of a bank whose volts were read on the track: over above its rating, or where a leak heats "
     "it "
     "with more than 0.25 W; close below 90 % of what belongs there, or above its clamp; ask where "
     "the track was not read or has more."},
    {"reserve.none", "Never wrong: no bank is fitted; what would come of one."},
    {"reserve.one-wheel",
     "Where it bridges a place on one wheel of a side and stutters were counted: over where it "
     "stutters there on more than half of its crossings, close on more than one in ten."},
    {"reserve.pads",
     "Over while a wire is on pads that stop the decoder; ask while it is not known what stands "
     "between them, or what limits the charge of a bank there, or what joining them does."},
    {"reserve.room",
     "Where no hollow holds the bank: close while hollows are as drawn, over where all were "
     "measured. Not of one that lay in it when it came."},
    {"reserve.terminals",
     "A plug-in reserve on a decoder: over where it has no terminals, close where it does not "
     "switch "
     "it, ask where nobody has looked. A plain bank: close where it has no pads."},
    {"reserve.turned", "Over as soon as it is known to stand the wrong way round."},
    {"reserve.volts",
     "Highest bus volts against the rating: over above, close within the margin of "
     "its kind."},
    {"reserve.warmth",
     "Where it lies, as read: over above what its kind bears, close within 10 degrees of it, or "
     "where frost makes it hold too short."},
};

}  // namespace glimmet::core::stay_alive
