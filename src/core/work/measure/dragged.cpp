#include "core/work/measure/dragged.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::measure {
namespace {

constexpr Millimetres least{1}, most{500};  // that a line of a hollow takes

/// One end of a span moved, the other end left where it is.
void dragStart(Millimetres& start, Millimetres& length, Millimetres by) {
    const Millimetres end = start + length;
    start =
        std::clamp(toTenth(start + by), std::max(least, end - most), std::max(least, end - least));
    length = end - start;
}
void dragEnd(Millimetres& length, Millimetres by) {
    length = std::clamp(toTenth(length + by), least, most);
}

}  // namespace

Millimetres toTenth(Millimetres length) {
    return Millimetres{std::round(length.value() * 10) / 10};
}

Cavity dragged(Cavity box, Grip grip, const Point& by) {
    switch (grip) {
        case Grip::All:
            box.corner.x = std::max(toTenth(box.corner.x + by.x), least);
            box.corner.z = std::max(toTenth(box.corner.z + by.z), least);
            break;
        case Grip::Front:
            dragStart(box.corner.x, box.length, by.x);
            break;
        case Grip::Rear:
            dragEnd(box.length, by.x);
            break;
        case Grip::Floor:
            dragStart(box.corner.z, box.height, by.z);
            break;
        case Grip::Roof:
            dragEnd(box.height, by.z);
            break;
    }
    return box;
}

Millimetres draggedAlong(const Body& body, Millimetres x, Millimetres back) {
    return std::clamp(toTenth(x + back), least, std::max(least, body.length));
}

}  // namespace glimmet::core::measure
