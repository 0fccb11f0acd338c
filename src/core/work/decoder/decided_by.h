// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::decoder {

inline constexpr DecidedBy decidedBy[] = {
    {"battery.pack", "Ask while a model on a battery has none chosen."},
    {"battery.pickups", "Close where wheels still collect beside a battery."},
    {"battery.run-time",
     "Over where the pack's own resistance takes it below its cut-off under load; "
     "close below two hours; ask while the load is not known."},
    {"battery.volts",
     "Ask where the volts that were read are not those of its cells: below 0.95 of empty or above "
     "1.05 of full."},
    {"controller.address",
     "Close where the settings that it came with give it an address beyond what its owner's "
     "controller reaches."},
    {"controller.keys",
     "Close where the model uses more functions than its owner's controller has "
     "keys."},
    {"controller.reads-back",
     "Always fine; told where its owner's controller cannot read settings back."},
    {"decoder.command",
     "Over where the decoder is commanded otherwise than the model; close where it "
     "wants a receiver before it, or stops before the battery is empty."},
    {"decoder.conductors",
     "Over where fewer wires go across a coupling than motor, lamps and bank beyond it want; ask "
     "where none was told; close where those for the rails are not left."},
    {"decoder.outputs", "Over where a lamp hangs on an output that the decoder lacks."},
    {"decoder.room",
     "Over where no hollow that was measured holds it; close where they are only "
     "drawn."},
    {"decoder.socket", "Close where its plug is not that of the socket."},
    {"decoder.sound", "Close where sound was wanted and it has none."},
    {"decoder.stay-alive", "Over where a bank was wanted and it has no place to join one."},
    {"motor.rating",
     "By the rating rule of the house, at the highest volts and lowest ohms: over "
     "above a limit, close within the close margin of it, ask while the reading that"
     " decides is missing."},
    {"motor.total",
     "Slipping motor and all lamps against the decoder's total: over above it, close"
     " within the close margin."},
    {"motor.track-volts",
     "Highest track volts against the decoder's largest: over above, close above 95 "
     "%."},
    {"supply.pulse",
     "Ask on three-rail track, while nobody said whether it meets an analogue reversing pulse that "
     "is "
     "above what decoder or bank can take."},
};

}  // namespace glimmet::core::decoder
