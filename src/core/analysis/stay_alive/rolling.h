// How a model rolls on once its motor is off.
#pragma once

#include "core/finding/figure.h"
#include "core/record/job.h"

namespace glimmet::core::stay_alive {

/// m/s², of the model with its motor off. Friction slows it evenly: a = v²/2d where it was seen to
/// roll; else a = v_80 · P / 2E of what it takes running light and of what turns in it then; else
/// that of a worm without a flywheel. Source: docs/physics.md.
[[nodiscard]] double slowing(const Job& job);

/// A way along the track: in millimetres below one metre, in metres from there on.
[[nodiscard]] std::string formattedWay(Metres way);

/// How far it rolls from its speed over dead places, and what that rests on.
[[nodiscard]] Figure rollFigure(const Job& job);

}  // namespace glimmet::core::stay_alive
