#include "core/record/body.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

Millimetres rounded(Millimetres value) {
    return Millimetres{std::round(value.value() * 100) / 100};
}

/// Every point of the side view but those of axles.
template <class Change>
void forEachPoint(Body& body, Change change) {
    for (Point& at : body.profile) change(at);
    for (auto* outlines : {&body.openings, &body.lines}) {
        for (std::vector<Point>& outline : *outlines) {
            for (Point& at : outline) change(at);
        }
    }
    for (Cavity& cavity : body.cavities) change(cavity.corner);
    for (LampSite& site : body.sites) change(site.at);
    for (Point& motor : body.motors) change(motor);
}

}  // namespace

Body scaled(const Body& body, double factor) {
    const auto length = [&](Millimetres value) { return rounded(value * factor); };
    Body made = body;
    made.length = length(body.length);
    made.height = length(body.height);
    made.width = length(body.width);
    forEachPoint(made, [&](Point& at) { at = {length(at.x), length(at.z)}; });
    for (Cavity& cavity : made.cavities) {
        cavity.length = length(cavity.length);
        cavity.height = length(cavity.height);
        cavity.width = length(cavity.width);
        cavity.across = length(cavity.across);
    }
    for (Axle& axle : made.axles) {
        axle.x = length(axle.x);
        axle.diameter = length(axle.diameter);
    }
    return made;
}

Millimetres floorOf(const Body& body) {
    Millimetres lowest = body.height;
    for (const Point& at : body.profile) lowest = std::min(lowest, at.z);
    return lowest;
}

Body drawnOut(const Body& body, Millimetres length, Millimetres floor, Millimetres roof) {
    const double along = (length / body.length).value();
    const Millimetres from = floorOf(body);
    // An outline without height, as a file may bring it, has nothing to be drawn out.
    const double up = body.height > from ? ((roof - floor) / (body.height - from)).value() : 1.0;
    Body made = body;
    made.length = length;
    made.height = roof;
    // What hangs below the floor keeps its distance from it.
    const auto height = [&](Millimetres z) {
        return z < from ? z + floor - from : floor + (z - from) * up;
    };
    forEachPoint(made, [&](Point& at) { at = {rounded(at.x * along), rounded(height(at.z))}; });
    for (Cavity& cavity : made.cavities) {
        if (cavity.measured) continue;
        cavity.length = rounded(cavity.length * along);
        cavity.height = rounded(cavity.height * up);
    }
    for (Axle& axle : made.axles) axle.x = rounded(axle.x * along);
    return made;
}

}  // namespace glimmet::core
