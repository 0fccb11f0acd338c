// What the eye makes of a lamp: by the light of the room, and on the ground before it.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

#include <cmath>

namespace glimmet::core {

enum class RoomLight { Dark, Dim, Lit };
constexpr auto wordsOf(RoomLight) {
    return std::to_array<Word<RoomLight>>({{RoomLight::Dark, "dark room"},
                                           {RoomLight::Dim, "dim room"},
                                           {RoomLight::Lit, "lit room"}});
}

/// Below this share of an LED's light at 20 mA nothing of a lamp is seen in that room: in a lit one
/// what 0.1 mA give, in a dim one a tenth of that, in a dark one nothing is lost.
[[nodiscard]] double lostIn(RoomLight room);

/// How bright light (of an LED's at 20 mA) looks there, 0 … 1: the cube root of what stands out.
[[nodiscard]] double seenIn(double light, RoomLight room);

/// How bright it looks so long after it was switched, on its way from one brightness to another
/// within `soft`: its light goes evenly, as a decoder's pulses widen. Range: since >= 0.
[[nodiscard]] double onItsWay(double from, double to, Seconds since, Seconds soft);

/// What a lamp that faces along the track throws on the ground, of the most that it throws
/// anywhere: a matt face at a height, light falling with the square of distance and on the slant.
/// 0 … 1. Range: height > 0, away >= 0 (asserted).
[[nodiscard]] double onGround(Millimetres height, Millimetres away);
/// Light on a face beside the point of it that is nearest to the lamp, of what falls there, by the
/// square of how far beside it is in distances of the lamp: the inverse square times the cosine.
[[nodiscard]] inline double aslant(double besideSquared) {
    const double slant = 1 + besideSquared;
    return 1 / (slant * std::sqrt(slant));
}
/// What a lamp throws on an edge that runs past it, of what falls on the nearest point: light
/// falling with the square of distance and on the slant. 0 … 1. Range: off > 0 (asserted).
[[nodiscard]] double alongEdge(Millimetres off, Millimetres along);

}  // namespace glimmet::core
