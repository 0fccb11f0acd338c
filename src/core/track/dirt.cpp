#include "core/track/dirt.h"

#include <algorithm>
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

double wheelOff(double perMetre, int left, int right) {
    assert(perMetre >= 0 && left >= 1 && right >= 1);
    const double share = std::min(1.0, perMetre * Metres{stutterLength}.value());
    double low = 0, high = 1;
    for (int step = 0; step < 60; ++step) {
        const double middle = (low + high) / 2;
        (std::pow(middle, left) + std::pow(middle, right) > share ? high : low) = middle;
    }
    return low;
}

double stuttersOnOneWheel(double off, Millimetres length) {
    return off * (length / stutterLength).value();
}

}  // namespace glimmet::core
