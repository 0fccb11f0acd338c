// Hollows, what lies in them, axles and collectors as things that can be dragged to where they are.
#pragma once

#include "app/picture/scene.h"

namespace glimmet::app {

/// Each drag says a line ("cavity hood 52x14x11 at 6x14"), in steps of 0.1 mm.
void addHandles(const OverlayInput& input);

}  // namespace glimmet::app
