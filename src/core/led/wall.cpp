#include "core/led/wall.h"

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

}  // namespace glimmet::core
