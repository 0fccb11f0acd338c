#include "core/led/wall.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {

double leaks(const Wall& wall) {
    if (wall.lined) return 0;
    const auto through = [&](double faces, double depth) {
        return faces * std::exp(-wall.thickness.value() / depth);
    };
    switch (wall.material) {
        case WallMaterial::Styrene:
            return through(0.5, 1.4);
        case WallMaterial::Resin:
            return through(0.5, 1.0);
        case WallMaterial::Card:
            return through(0.4, 0.3);
        case WallMaterial::Wood:
            return through(0.3, 0.5);
        case WallMaterial::Metal:
            break;
    }
    return 0;
}

double shinesThroughGap(const Wall& wall) {
    constexpr Millimetres eyeParts{0.15};
    if (!wall.gap) return 0;
    const double depth = (wall.thickness / wall.gap->across).value();
    const double straight = std::sqrt(1 + depth * depth) - depth;
    return straight * std::min(1.0, (wall.gap->across / eyeParts).value());
}

}  // namespace glimmet::core
