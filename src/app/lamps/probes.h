// A tester's two probes on the lamps in the picture: points that can be touched, what lights, and
// what one really sees, entered with a press.
#pragma once

#include "app/picture/scene.h"

namespace glimmet::app {

/// Of the lamp group in question; nothing where there is none.
void paintProbes(const OverlayInput& input);

}  // namespace glimmet::app
