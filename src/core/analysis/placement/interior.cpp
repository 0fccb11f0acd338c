#include "core/analysis/placement/interior.h"

#include "core/led/eye.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

// Of the prototype, in millimetres.
constexpr double seatThick = 110, rackThick = 40;
constexpr double seatAboveSill = 200, rackAboveSill = 800;  // a sill is some 0.95 m above the floor
constexpr double doorSill = 350;                            // lower than that it is no window
constexpr double twoSeatsFrom = 700;  // a narrower window shows one back, in its middle
constexpr double curtainShare = 0.17;

struct Bounds {
    Point low, high;
};
Bounds boundsOf(const std::vector<Point>& outline) {
    Bounds made{outline.front(), outline.front()};
    for (const Point& point : outline) {
        made.low = {std::min(made.low.x, point.x), std::min(made.low.z, point.z)};
        made.high = {std::max(made.high.x, point.x), std::max(made.high.z, point.z)};
    }
    return made;
}

}  // namespace

std::vector<Inside> insideOf(const Body& body, double ratio) {
    const auto scaled = [&](double prototype) { return Millimetres{prototype / ratio}; };
    const Millimetres floor = floorOf(body);
    std::vector<Inside> all;
    for (const auto& opening : body.openings) {
        if (opening.empty()) continue;
        const Bounds bounds = boundsOf(opening);
        const Point low = bounds.low, high = bounds.high;
        if (low.z - floor < scaled(doorSill)) continue;
        const Millimetres wide = high.x - low.x;
        if (body.structure) {
            const Millimetres each = wide * curtainShare;
            for (const Millimetres from : {low.x, high.x - each}) {
                all.push_back({InsideKind::Curtain, {from, low.z}, each, high.z - low.z});
            }
            continue;
        }
        const Millimetres thick = scaled(seatThick);
        const auto seat = [&](Millimetres from) {
            all.push_back({InsideKind::Seat, {from, low.z}, thick, scaled(seatAboveSill)});
        };
        if (wide < scaled(twoSeatsFrom)) {
            seat(low.x + (wide - thick) / 2.0);
        } else {
            seat(low.x);
            seat(high.x - thick);
        }
        const Millimetres rack = low.z + scaled(rackAboveSill);
        if (rack < high.z)
            all.push_back({InsideKind::Rack, {low.x, rack}, wide, scaled(rackThick)});
    }
    return all;
}

Millimetres toFarWall(const Body& body) { return std::max(body.width / 2.0, Millimetres{1}); }

RoomLamp roomLamp(const Point& at, double red, double green, double blue) {
    const auto cube = [](double value) { return value * value * value; };
    return {at, cube(red), cube(green), cube(blue)};
}

WallSeen onFarWall(const std::vector<RoomLamp>& lamps, Millimetres away, const Point& at) {
    WallSeen sum;
    const double byAway = 1 / away.value();
    for (const RoomLamp& lamp : lamps) {
        const double x = (at.x - lamp.at.x).value() * byAway;
        const double z = (at.z - lamp.at.z).value() * byAway;
        const double light = aslant(x * x + z * z);
        sum.red += lamp.red * light;
        sum.green += lamp.green * light;
        sum.blue += lamp.blue * light;
    }
    const auto seen = [](double light) { return std::min(1.0, std::cbrt(light)); };
    return {seen(sum.red), seen(sum.green), seen(sum.blue)};
}

Millimetres seamOf(const Body& body, bool roof) {
    if (!roof) return floorOf(body);
    Millimetres windows{0};
    for (const auto& opening : body.openings) {
        for (const Point& point : opening) windows = std::max(windows, point.z);
    }
    // Of one without windows high up.
    return windows > Millimetres{0} ? (windows + body.height) / 2.0 : body.height * 0.8;
}

}  // namespace glimmet::core
