// What stands in the rooms behind a body's windows, as it is seen against their lit far wall.
#pragma once

#include "core/record/body.h"

#include <vector>

namespace glimmet::core {

enum class InsideKind { Seat, Rack, Curtain };
struct Inside {
    InsideKind kind{};
    Point corner;  ///< lower front
    Millimetres length{}, height{};
};
/// Of vehicles the backs of seats at both ends of a window and the rack above them, of structures
/// curtains; behind doors nothing. Measures of the prototype by the scale (docs/physics.md).
/// Range: ratio > 0.
[[nodiscard]] std::vector<Inside> insideOf(const Body& body, double ratio);

/// From a lamp in the middle of a body to its far wall: what the light falls on that is seen
/// through a window.
[[nodiscard]] Millimetres toFarWall(const Body& body);

/// A lamp in a room: its red, green and blue light on the nearest point of the far wall, >= 0.
struct RoomLamp {
    Point at;
    double red = 0, green = 0, blue = 0;
};
/// Of what the eye would make of that, 0 … 1 each: light is the cube of it.
[[nodiscard]] RoomLamp roomLamp(const Point& at, double red, double green, double blue);
/// What the eye makes of a point of a wall, 0 … 1 each.
struct WallSeen {
    double red = 0, green = 0, blue = 0;
};
/// Light of all lamps added, each falling as along an edge, and the cube root of it, at most 1.
/// Range: away > 0.
[[nodiscard]] WallSeen onFarWall(const std::vector<RoomLamp>& lamps, Millimetres away,
                                 const Point& at);

/// The height at which a body comes apart: at its frame, or between its windows and its roof.
[[nodiscard]] Millimetres seamOf(const Body& body, bool roof);

}  // namespace glimmet::core
