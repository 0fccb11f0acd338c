// Whether the motor's brushes are free of the frame: a decoder on a motor that returns through the
// frame dies at the first power.
#pragma once

#include "core/work/stage.h"

namespace glimmet::core::measure {

/// What is known of a motor's isolation, from its frame, its kind and its age.
enum class Isolation {
    Open,      ///< said, or the frame is insulated
    Touches,   ///< it was found to touch the frame
    Frame,     ///< the frame carries a rail, and nobody said that the brushes are free of it
    Unlooked,  ///< old or open-frame, and nobody looked
    Usual,     ///< a motor of today in its own case: usually free of the frame
};
[[nodiscard]] Isolation isolationOf(const Job& job, const Unit& unit, const Motor& motor);

void judgeIsolation(const Job& job, Judging& judging);

}  // namespace glimmet::core::measure
