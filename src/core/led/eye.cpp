#include "core/led/eye.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace glimmet::core {

double lostIn(RoomLight room) {
    switch (room) {
        case RoomLight::Dark:
            return 0;
        case RoomLight::Dim:
            return 0.0005;
        case RoomLight::Lit:
            break;
    }
    return 0.005;
}

double seenIn(double light, RoomLight room) {
    return std::min(1.0, std::cbrt(std::max(light - lostIn(room), 0.0)));
}

double onItsWay(double from, double to, Seconds since, Seconds soft) {
    if (since >= soft) return to;
    const double share = (since / soft).value();
    const double before = from * from * from, after = to * to * to;
    return std::cbrt(before + (after - before) * share);
}

double onGround(Millimetres height, Millimetres away) {
    assert(height > Millimetres{0} && away >= Millimetres{0});
    // cos of the angle to its axis, sin of the slant, 1/r²; most at away = height / √3.
    const double d = away / height;
    const double r2 = 1 + d * d;
    return d / (r2 * r2) / (3 * std::sqrt(3.0) / 16);
}

double alongEdge(Millimetres off, Millimetres along) {
    assert(off > Millimetres{0});
    const double d = along / off;
    return aslant(d * d);
}

}  // namespace glimmet::core
