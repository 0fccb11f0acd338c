// Which wheels collect while a vehicle rolls over dead lengths of rail.
#pragma once

#include "core/quantity/quantities.h"
#include "core/result.h"
#include "core/track/rails.h"

#include <vector>

namespace glimmet::core {

/// An axle at x behind the foremost, and the rails that its wheels collect from. A slider is one
/// that touches over a length, x in its middle.
struct CollectingAxle {
    Millimetres x{};
    bool left = false, right = false;
    Millimetres touches{};  ///< 0: a wheel, at a point
};

/// A length of rail that gives no power. Both ends count as dead. A middle rail is none of the two
/// that are reckoned with here.
struct DeadLength {
    Rails rail{};
    Millimetres from{}, to{};  ///< from < to
};

/// The track under a vehicle, for whoever draws it.
struct TrackUnder {
    std::vector<DeadLength> dead;
    Millimetres travel{};  ///< of the vehicle's front
};

/// Travel of the foremost axle over which a rail has no wheel that collects.
struct Outage {
    Millimetres from{}, to{};
    Rails rail{};  ///< what is missing; both where each is at some point of it
    [[nodiscard]] Millimetres length() const { return to - from; }
};

/// Every outage of a vehicle that rolls forward over the dead lengths, in the order of travel.
/// Power is lost while no left or no right wheel collects. Outages that touch are one; one of no
/// length is none.
/// Errors: Missing where no axle collects from one of the rails; OutOfRange where a dead length
/// does not end after it begins.
[[nodiscard]] Result<std::vector<Outage>> outages(const std::vector<CollectingAxle>& axles,
                                                  const std::vector<DeadLength>& dead);

/// Travel over which a side that has more wheels is down to one that collects. 0 for a side that
/// has one at all times. Precondition: rail is the left or the right one; lengths as above.
[[nodiscard]] Millimetres onOneWheel(const std::vector<CollectingAxle>& axles,
                                     const std::vector<DeadLength>& dead, Rails rail);

/// Speed of a model for a speed of its prototype. Range: ratio > 0 (87 for H0).
[[nodiscard]] MetresPerSecond modelSpeed(KilometresPerHour prototype, double ratio);

}  // namespace glimmet::core
