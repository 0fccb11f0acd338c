#include "core/cv/momentum.h"

namespace glimmet::core {

MetresPerSecond modelSpeed(const ModelSpeed& speed) {
    const MetresPerSecond prototype = speed.prototype;
    return prototype / speed.scale;
}

Seconds accelerationTime(const Momentum& momentum) {
    return Seconds{momentum.cv3 * secondsPerMomentumStep};
}

Seconds stoppingTime(const Momentum& momentum) {
    return Seconds{momentum.cv4 * secondsPerMomentumStep};
}

Millimetres stoppingDistance(const Momentum& momentum, const ModelSpeed& top) {
    return modelSpeed(top) * stoppingTime(momentum) / 2.0;
}

}  // namespace glimmet::core
