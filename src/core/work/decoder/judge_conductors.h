// Wires across the couplings: as many as what lies beyond the decoder wants.
#pragma once

#include "core/record/job.h"
#include "core/work/stage.h"

namespace glimmet::core::decoder {

/// Every coupling that something beyond wants wires of.
void judgeConductors(const Job& job, Judging& judging);

}  // namespace glimmet::core::decoder
