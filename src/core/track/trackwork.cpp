#include "core/track/trackwork.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace glimmet::core {
namespace {

constexpr Millimetres prototypeGauge{1435};

DeadLength at(Rails rail, Millimetres from, Millimetres length) {
    return {rail, from, from + length};
}

Rails otherSide(Rails rail) {
    return rail == Rails::Left ? Rails::Right : rail == Rails::Right ? Rails::Left : rail;
}

}  // namespace

Millimetres usualFrog(double number, double ratio) {
    assert(number > 0 && ratio > 0);
    constexpr Millimetres apart{28.0 / 9 * 87};  // of the prototype
    return apart * number / ratio;
}

std::vector<Way> waysThrough(Trackwork work, double number, double ratio, Millimetres frog) {
    assert(number > 0 && ratio > 0 && frog > Millimetres{0});
    const Millimetres apart = prototypeGauge * number / ratio;
    switch (work) {
        case Trackwork::Points:
        case Trackwork::Curved:
            break;
        case Trackwork::ThreeWay: {
            // The middle frog, then the outer one.
            const Millimetres between = apart * (2 - std::sqrt(2.0));
            const Millimetres middle = frog / std::sqrt(2.0);
            const auto branch = [&](Rails rail) {
                return std::vector<DeadLength>{at(rail, Millimetres{0}, middle),
                                               at(rail, between, frog)};
            };
            return {{"straight on", {at(Rails::Both, Millimetres{0}, frog)}},
                    {"out onto a branch, frogs on its right", branch(Rails::Right)},
                    {"out onto a branch, frogs on its left", branch(Rails::Left)},
                    {"in from a branch, frogs on its left", fromTheOtherEnd(branch(Rails::Right))},
                    {"in from a branch, frogs on its right", fromTheOtherEnd(branch(Rails::Left))}};
        }
        case Trackwork::Crossing:
        case Trackwork::DoubleSlip: {
            const auto across = [&](Rails first) {
                return std::vector<DeadLength>{at(first, Millimetres{0}, frog),
                                               at(Rails::Both, apart, frog),
                                               at(otherSide(first), apart * 2.0, frog)};
            };
            std::vector<Way> ways{{"with the first frog on its left", across(Rails::Left)},
                                  {"with the first frog on its right", across(Rails::Right)}};
            if (work == Trackwork::DoubleSlip) {
                // Past the frogs in the middle.
                const auto along = [&](Rails rail) {
                    return std::vector<DeadLength>{at(rail, Millimetres{0}, frog),
                                                   at(rail, apart * 2.0, frog)};
                };
                ways.push_back({"along the slip, frogs on its left", along(Rails::Left)});
                ways.push_back({"along the slip, frogs on its right", along(Rails::Right)});
            }
            return ways;
        }
    }
    return {{"with the frog on its left", {at(Rails::Left, Millimetres{0}, frog)}},
            {"with the frog on its right", {at(Rails::Right, Millimetres{0}, frog)}}};
}

std::vector<DeadLength> fromTheOtherEnd(const std::vector<DeadLength>& dead) {
    Millimetres end{0};
    for (const DeadLength& each : dead) end = std::max(end, each.to);
    std::vector<DeadLength> turned;
    for (auto each = dead.rbegin(); each != dead.rend(); ++each) {
        turned.push_back({otherSide(each->rail), end - each->to, end - each->from});
    }
    return turned;
}

}  // namespace glimmet::core
