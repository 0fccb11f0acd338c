#include "core/led/light_path.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

/// Of what passes a face of acrylic or of fibre: 4 % are thrown back (Fresnel, n = 1.49).
constexpr double pastTwoFaces = 0.96 * 0.96;
constexpr double fibreAperture = 0.5;   ///< sine of its angle; a rod in air takes every angle
constexpr double pipeLoss = 0.02;       ///< dB/mm, of a rod bent and polished by hand
constexpr double fibreLoss = 0.0003;    ///< dB/mm
constexpr double diffuserPasses = 0.5;  ///< opal sheet or sanded
constexpr double straySpill = 0.01;     ///< of a colour that does not belong

double entryAcross(const LightGuide& guide, Millimetres gap) {
    const double radius = guide.bore.value() / 2;
    // A face larger than the end sends only its middle into it.
    const double meets = std::min(1.0, std::pow(guide.bore.value() / lightFace.value(), 2));
    const double sine = radius / std::hypot(radius, gap.value());
    const double accepted = guide.kind == GuideKind::Fibre ? std::min(sine, fibreAperture) : sine;
    return meets * accepted * accepted * pastTwoFaces;
}

}  // namespace

double filterPasses(FilterColour filter, LedFamily family) {
    enum Light { Red, Amber, Green, Blue, White };
    const auto light = [&] {
        switch (family) {
            case LedFamily::Red:
                return Red;
            case LedFamily::Amber:
            case LedFamily::Yellow:
                return Amber;
            case LedFamily::Green:
            case LedFamily::TrueGreen:
                return Green;
            case LedFamily::Blue:
            case LedFamily::UltraViolet:
                return Blue;
            case LedFamily::White:
                break;
        }
        return White;
    }();
    // Red and amber glass passes what is longer than its own colour.
    constexpr double share[4][5] = {
        {0.8, 0.2, straySpill, straySpill, 0.15},
        {0.8, 0.8, 0.1, straySpill, 0.4},
        {straySpill, 0.05, 0.7, 0.1, 0.2},
        {straySpill, straySpill, 0.1, 0.7, 0.05},
    };
    return share[static_cast<int>(filter)][light];
}

Millimetres shadowAt(const Obstacle& obstacle, Millimetres beyond) {
    return obstacle.across * ((obstacle.away + beyond) / obstacle.away);
}

double sideAtLed(const LightGuide& guide) {
    return std::pow(1 - outOfItsSide(guide), -guide.length.value());
}

double outOfItsSide(const LightGuide& guide) {
    return 1 - std::pow(10, -(guide.kind == GuideKind::Pipe ? pipeLoss : fibreLoss) / 10);
}

LightPassed passed(const LightPath& path, LedFamily family) {
    LightPassed made;
    if (path.guide) {
        made.entry = entryAcross(*path.guide, path.guide->gap);
        made.atBest = entryAcross(*path.guide, Millimetres{0});
        made.along = std::pow(1 - outOfItsSide(*path.guide), path.guide->length.value());
    }
    if (path.filter) made.filter = filterPasses(*path.filter, family);
    if (path.diffuser) made.diffuser = diffuserPasses;
    if (path.obstacle) {
        const double half = path.obstacle->across.value() / 2;
        made.obstacle = 1 - half / std::hypot(half, path.obstacle->away.value());
    }
    return made;
}

}  // namespace glimmet::core
