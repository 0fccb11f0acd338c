#include "core/led/led_body.h"

#include <cmath>

namespace glimmet::core {

HoleFor holeFor(LedBody body) {
    const auto chip = [](double length, double width, double height) -> HoleFor {
        return {Millimetres{std::hypot(length, width) + 0.2}, Millimetres{height}};
    };
    switch (body) {
        case LedBody::Chip0402:
            return chip(1.0, 0.5, 0.4);
        case LedBody::Chip0603:
            return chip(1.6, 0.8, 0.6);
        case LedBody::Chip0805:
            return chip(2.0, 1.25, 0.8);
        case LedBody::Chip1206:
            return chip(3.2, 1.6, 1.1);
        case LedBody::Round18:
            return {Millimetres{1.9}, Millimetres{3.3}};
        case LedBody::Round3:
            return {Millimetres{3.1}, Millimetres{5.3}};
        case LedBody::Round5:
            break;
    }
    return {Millimetres{5.1}, Millimetres{8.6}};
}

Millimetres snugHole(LedBody body) {
    const auto end = [](double width, double height) {
        return Millimetres{std::hypot(width, height) + 0.1};
    };
    switch (body) {
        case LedBody::Chip0402:
            return end(0.5, 0.4);
        case LedBody::Chip0603:
            return end(0.8, 0.6);
        case LedBody::Chip0805:
            return end(1.25, 0.8);
        case LedBody::Chip1206:
            return end(1.6, 1.1);
        case LedBody::Round18:
            return Millimetres{1.8};
        case LedBody::Round3:
            return Millimetres{3.0};
        case LedBody::Round5:
            break;
    }
    return Millimetres{5.0};
}

}  // namespace glimmet::core
