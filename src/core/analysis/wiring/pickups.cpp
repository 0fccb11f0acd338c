#include "core/analysis/wiring/pickups.h"

#include "core/analysis/circuits_across.h"

#include <algorithm>

namespace glimmet::core::measure {

std::optional<Millimetres> bridgedInTheMiddle(const Job& job) {
    const auto [first, last] = ledTogether(job);
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
    const auto [first, last] = ledTogether(job);
    std::vector<PickupAxle> all;
    int number = 0;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        for (const Axle& axle : job.units[i].body.axles) {
            ++number;
            if (i < first || i > last) continue;
            all.push_back({number, startOf(job, i) + axle.x, axle.collectsLeft, axle.collectsRight,
                           axle.looked});
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
