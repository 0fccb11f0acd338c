// What decides each finding of this stage: its state, in words. Numbers are those of the judges.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::intake {

inline constexpr DecidedBy decidedBy[] = {
    {"intake.apart",
     "Never wrong: what is off is said until it is on again, the next of it named."},
    {"intake.complaint",
     "Never wrong: each of the owner's complaints stands until it is answered."},
    {"intake.fault", "A known fault that was found: over where it ends the job, else close."},
    {"intake.look", "Ask while something that can end the job was not looked at on an old model."},
    {"intake.oiled", "Never wrong: the running current before and since, where both were read."},
    {"intake.recheck", "Ask once a fault that was found is put right: the same look again."},
    {"intake.settings", "Ask while a decoder that came with the model has settings nobody saved."},
    {"intake.spot",
     "A spot that is bad and not mended: over where it is one that ends the job, "
     "else close."},
    {"intake.suspects",
     "Ask while words of complaints or spots fit the signs of a known fault, until "
     "one is found or all are ruled out; of signs those count most that few faults "
     "have."},
};

}  // namespace glimmet::core::intake
