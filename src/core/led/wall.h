// The wall round a lamp, and how much of its light comes through it.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

namespace glimmet::core {

enum class WallMaterial { Styrene, Resin, Card, Wood, Metal };
constexpr auto wordsOf(WallMaterial) {
    return std::to_array<Word<WallMaterial>>({{WallMaterial::Styrene, "styrene"},
                                              {WallMaterial::Resin, "resin"},
                                              {WallMaterial::Card, "card"},
                                              {WallMaterial::Wood, "wood"},
                                              {WallMaterial::Metal, "metal"}});
}
struct Wall {
    WallMaterial material{};
    Millimetres thickness{};  ///< > 0
    bool lined = false;       ///< foil or black paint inside, its gaps closed
    bool operator==(const Wall&) const = default;
};

/// The share of the light that falls on a wall which shows outside it, 0 … 1: a half at its faces
/// (for card and wood less), then falling by the same share in every millimetre. Typical of light
/// unpainted walls, good to a factor of two; a dark coat of paint takes most of it
/// (docs/physics.md).
[[nodiscard]] double leaks(const Wall& wall);

}  // namespace glimmet::core
