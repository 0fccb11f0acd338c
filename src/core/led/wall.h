// The wall round a lamp, and how much of its light comes through it.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

#include <optional>

namespace glimmet::core {

enum class WallMaterial { Styrene, Resin, Card, Wood, Metal };
constexpr auto wordsOf(WallMaterial) {
    return std::to_array<Word<WallMaterial>>({{WallMaterial::Styrene, "styrene"},
                                              {WallMaterial::Resin, "resin"},
                                              {WallMaterial::Card, "card"},
                                              {WallMaterial::Wood, "wood"},
                                              {WallMaterial::Metal, "metal"}});
}
/// Where a body comes apart, and light gets out between its parts.
enum class Seam { Frame, Roof };
constexpr auto wordsOf(Seam) {
    return std::to_array<Word<Seam>>({{Seam::Frame, "frame"}, {Seam::Roof, "roof"}});
}
struct WallGap {
    Millimetres across{};  ///< > 0
    Seam at{};
    bool operator==(const WallGap&) const = default;
};
struct Wall {
    WallMaterial material{};
    Millimetres thickness{};       ///< > 0
    bool lined = false;            ///< foil or black paint inside
    std::optional<WallGap> gap{};  ///< nothing: closed, or not told
    bool operator==(const Wall&) const = default;
};

/// The share of the light that falls on a wall which shows outside it, 0 … 1: a half at its faces
/// (for card and wood less), then falling by the same share in every millimetre. Typical of light
/// unpainted walls, good to a factor of two; a dark coat of paint takes most of it
/// (docs/physics.md).
[[nodiscard]] double leaks(const Wall& wall);

/// How bright its gap is seen, as a share of the light that falls on it from inside, 0 … 1; 0
/// without one. Of diffuse light a slot as deep as the wall lets √(1 + (t/g)²) − t/g straight
/// through (crossed strings, between the mouths of a long slot); one narrower than the eye parts
/// at half a metre, 0.15 mm, looks the dimmer for it (docs/physics.md).
[[nodiscard]] double shinesThroughGap(const Wall& wall);

}  // namespace glimmet::core
