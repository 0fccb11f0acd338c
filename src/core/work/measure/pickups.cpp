#include "core/work/measure/pickups.h"

#include <algorithm>

namespace glimmet::core::measure {

namespace {

/// The first and the last unit that the pickups of the one that drives are led through.
std::pair<std::size_t, std::size_t> sharing(const Job& job) {
    const std::vector<MotorAt> motors = motorsOf(job);
    const std::size_t drives = motors.empty() ? 0 : motors.front().unit;
    // As far as pickups are led from unit to unit.
    const auto led = [&](std::size_t coupling) { return job.couplings[coupling].contacts >= 2; };
    std::size_t first = drives, last = drives;
    while (first > 0 && led(first - 1)) --first;
    while (last + 1 < job.units.size() && led(last)) ++last;
    return {first, last};
}

}  // namespace

std::optional<Millimetres> bridgedInTheMiddle(const Job& job) {
    const auto [first, last] = sharing(job);
    std::optional<Millimetres> from, to;
    for (std::size_t i = first; i <= last; ++i) {
        for (const Collector& each : job.units[i].collectors) {
            if (each.pole != Pole::Centre) continue;
            const Millimetres at = startOf(job, i) + each.x;
            from = std::min(from.value_or(at - each.length / 2.0), at - each.length / 2.0);
            to = std::max(to.value_or(at + each.length / 2.0), at + each.length / 2.0);
        }
    }
    if (!from) return {};
    return *to - *from;
}

std::vector<PickupAxle> pickupAxles(const Job& job) {
    const auto [first, last] = sharing(job);
    std::vector<PickupAxle> all;
    int number = 0;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        for (const Axle& axle : job.units[i].body.axles) {
            ++number;
            if (i < first || i > last) continue;
            all.push_back(
                {number, startOf(job, i) + axle.x, axle.collectsLeft, axle.collectsRight});
        }
    }
    return all;
}

std::optional<Millimetres> bridged(const std::vector<PickupAxle>& axles, bool left) {
    std::optional<Millimetres> first, last;
    for (const PickupAxle& axle : axles) {
        if (!(left ? axle.left : axle.right)) continue;
        first = first ? std::min(*first, axle.x) : axle.x;
        last = last ? std::max(*last, axle.x) : axle.x;
    }
    if (!first) return {};
    return *last - *first;
}

}  // namespace glimmet::core::measure
