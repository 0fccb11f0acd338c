// Momentum: what CV3 and CV4 mean in seconds and in millimetres of track.
#pragma once

#include "core/quantity/quantities.h"

namespace glimmet::core {

struct Momentum {
    int cv3 = 0;  ///< acceleration, 0…255
    int cv4 = 0;  ///< deceleration, 0…255
};
struct ModelSpeed {
    KilometresPerHour prototype{};  ///< >= 0
    double scale = 87;              ///< > 0
};

/// Speed of the model: prototype speed divided by the scale.
[[nodiscard]] MetresPerSecond modelSpeed(const ModelSpeed& speed);

inline constexpr double secondsPerMomentumStep = 0.896;  ///< stop to full, for each unit of the CV

[[nodiscard]] Seconds accelerationTime(const Momentum& momentum);
[[nodiscard]] Seconds stoppingTime(const Momentum& momentum);

/// Distance from top speed to standstill under uniform deceleration: s = v·t/2.
[[nodiscard]] Millimetres stoppingDistance(const Momentum& momentum, const ModelSpeed& top);

}  // namespace glimmet::core
