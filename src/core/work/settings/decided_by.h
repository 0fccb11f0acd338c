// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::settings {

inline constexpr DecidedBy decidedBy[] = {
    {"settings.address",
     "Over where the owner's controller does not reach the address; fine, and open, as long as "
     "nobody chose one."},
    {"settings.key", "Close where a key cannot switch an output by the standard's map."},
    {"settings.dark", "Close where a lamp hangs on an output that no key switches."},
    {"settings.differs", "Over where the decoder was read and holds another value than planned."},
    {"settings.keyin",
     "Fine; it stays open as long as a planned value is neither keyed in nor "
     "read back."}};

}  // namespace glimmet::core::settings
