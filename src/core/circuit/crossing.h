// Where a continuous function of one number crosses zero.
#pragma once

#include <algorithm>
#include <cmath>

namespace glimmet::core::circuit {

struct Bracket {
    double low = 0, atLow = 0;    ///< a place and the function there
    double high = 0, atHigh = 0;  ///< the same on the other side of zero
};

/// A place within `width` of the crossing, on the far side (at `high` or just before it).
/// Method: false position with the weights of Illinois (M. Dowell, P. Jarratt, BIT 11 (1971) 168);
/// after 60 steps the interval is halved instead. Precondition: atLow and atHigh differ in sign, or
/// atHigh is 0.
template <class Function>
[[nodiscard]] double crossing(Bracket bracket, double width, Function function) {
    auto [low, atLow, high, atHigh] = bracket;
    int lastSide = 0;
    for (int step = 0; step < 200 && std::abs(high - low) > width; ++step) {
        double next = (low * atHigh - high * atLow) / (atHigh - atLow);
        const bool inside = next > std::min(low, high) && next < std::max(low, high);
        if (!inside || step >= 60) next = (low + high) / 2;
        const double there = function(next);
        if ((there > 0) == (atHigh > 0)) {
            if (std::abs(high - next) <= width) {
                high = next;
                break;
            }
            high = next;
            atHigh = there;
            if (lastSide == 1) atLow /= 2;
            lastSide = 1;
        } else {
            low = next;
            atLow = there;
            if (lastSide == -1) atHigh /= 2;
            lastSide = -1;
        }
    }
    return high;
}

}  // namespace glimmet::core::circuit
