// What stands between an LED and the eye, and how much of its light that lets through: a light pipe
// or fibre, a colour before it, a diffuser, a wire or a post.
#pragma once

#include "core/led/family.h"

#include <optional>

namespace glimmet::core {

enum class GuideKind {
    Pipe,   ///< a rod of acrylic, its own wall in air
    Fibre,  ///< plastic fibre with a cladding
};
constexpr auto wordsOf(GuideKind) {
    return std::to_array<Word<GuideKind>>({{GuideKind::Pipe, "pipe"}, {GuideKind::Fibre, "fibre"}});
}
struct LightGuide {
    GuideKind kind = GuideKind::Pipe;
    Millimetres length{};  ///< > 0
    Millimetres bore{};    ///< across it, > 0
    Millimetres gap{};     ///< from the LED's face to its end, >= 0
    bool operator==(const LightGuide&) const = default;
};

/// A coloured glass, lacquer or film.
enum class FilterColour { Red, Amber, Green, Blue };
constexpr auto wordsOf(FilterColour) {
    return std::to_array<Word<FilterColour>>({{FilterColour::Red, "red"},
                                              {FilterColour::Amber, "amber"},
                                              {FilterColour::Green, "green"},
                                              {FilterColour::Blue, "blue"}});
}

/// A wire or a post that stands before a lamp.
struct Obstacle {
    Millimetres across{};  ///< > 0
    Millimetres away{};    ///< from the LED's face, > 0
    bool operator==(const Obstacle&) const = default;
};

struct LightPath {
    std::optional<LightGuide> guide;
    std::optional<FilterColour> filter;
    bool diffuser = false;
    std::optional<Obstacle> obstacle;
    bool operator==(const LightPath&) const = default;
    [[nodiscard]] bool isOpen() const { return *this == LightPath{}; }
};

/// Shares of the light, each 0 … 1.
struct LightPassed {
    double entry = 1;   ///< that gets into the guide
    double atBest = 1;  ///< that would with no gap before it
    double along = 1;   ///< of that, what comes out at its end
    double filter = 1;
    double diffuser = 1;
    double obstacle = 1;
    [[nodiscard]] double total() const { return entry * along * filter * diffuser * obstacle; }
};

/// Typical values, good to a factor of two (docs/physics.md, "Light pipes and colours"): the LED's
/// face sends out as a matt white face does, the share within an angle a being sin² a; a guide
/// takes what meets its end within its own angle of acceptance. A wire takes the band that it
/// covers, as seen from the face: sin a, with tan a half its width over how far it stands away.
[[nodiscard]] LightPassed passed(const LightPath& path, LedFamily family);

/// The share of what goes along a guide that comes out of its side on a millimetre.
[[nodiscard]] double outOfItsSide(const LightGuide& guide);

/// How many times as much comes out of its side at its inner end, where the LED is, as at its
/// mouth.
[[nodiscard]] double sideAtLed(const LightGuide& guide);

/// Of a colour before a lamp. A bulb passes as a white LED does.
[[nodiscard]] double filterPasses(FilterColour filter, LedFamily family);

/// How wide its shadow is so far beyond it: as wide as it is times how much farther that is.
[[nodiscard]] Millimetres shadowAt(const Obstacle& obstacle, Millimetres beyond);

inline constexpr Millimetres lightFace{1.0};  ///< across the lit face of an LED
inline constexpr Millimetres usualPipeBore{2.0};
inline constexpr Millimetres usualFibreBore{0.75};

}  // namespace glimmet::core
