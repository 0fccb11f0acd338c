#include "core/track/points.h"

#include <cassert>

namespace glimmet::core {

Millimetres usualFrog(double number, double ratio) {
    assert(number > 0 && ratio > 0);
    constexpr Millimetres apart{28.0 / 9 * 87};  // of the prototype
    return apart * number / ratio;
}

}  // namespace glimmet::core
