// What dragging a hollow, what lies in it, an axle or a collector comes to: its measures, to the
// tenth of a millimetre.
#pragma once

#include "core/record/body.h"

#include <cstddef>

namespace glimmet::core::measure {

/// To the next tenth of a millimetre.
[[nodiscard]] Millimetres toTenth(Millimetres length);

/// What is dragged of a box: all of it, or one of its edges.
enum class Grip { All, Front, Rear, Floor, Roof };

/// The box with a grip of it moved by so much, back and up. It stays at least 1 mm long and high,
/// at most 500, and 1 mm behind the front and above the rails, as its line takes it; an edge leaves
/// the one across from it where it is.
[[nodiscard]] Cavity dragged(Cavity box, Grip grip, const Point& by);

/// Where an axle or collector that stood at x then stands, from the front end: on its body.
[[nodiscard]] Millimetres draggedAlong(const Body& body, Millimetres x, Millimetres back);

}  // namespace glimmet::core::measure
