#include "core/track/dirt.h"

#include <cassert>
#include <cmath>

namespace glimmet::core {

double stuttersLeft(double perMetre, MetresPerSecond speed, Seconds carried) {
    assert(perMetre >= 0 && speed > MetresPerSecond{0} && carried >= Seconds{0});
    const double lengths = speed.value() * carried.value() / Metres{stutterLength}.value();
    return perMetre * std::exp(-lengths);
}

Seconds timeToCarry(double perMetre, MetresPerSecond speed, double left) {
    assert(left > 0 && speed > MetresPerSecond{0});
    if (perMetre <= left) return Seconds{0};
    return Seconds{Metres{stutterLength}.value() / speed.value() * std::log(perMetre / left)};
}

}  // namespace glimmet::core
