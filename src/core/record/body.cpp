#include "core/record/body.h"

#include <cmath>

namespace glimmet::core {

Body scaled(const Body& body, double factor) {
    const auto length = [&](Millimetres value) {
        return Millimetres{std::round(value.value() * factor * 100) / 100};
    };
    const auto point = [&](Point& at) { at = {length(at.x), length(at.z)}; };
    Body made = body;
    made.length = length(body.length);
    made.height = length(body.height);
    made.width = length(body.width);
    for (Point& at : made.profile) point(at);
    for (auto* outlines : {&made.openings, &made.lines}) {
        for (std::vector<Point>& outline : *outlines) {
            for (Point& at : outline) point(at);
        }
    }
    for (Cavity& cavity : made.cavities) {
        point(cavity.corner);
        cavity.length = length(cavity.length);
        cavity.height = length(cavity.height);
        cavity.width = length(cavity.width);
        cavity.across = length(cavity.across);
    }
    for (Axle& axle : made.axles) {
        axle.x = length(axle.x);
        axle.diameter = length(axle.diameter);
    }
    for (LampSite& site : made.sites) point(site.at);
    for (Point& motor : made.motors) point(motor);
    return made;
}

}  // namespace glimmet::core
