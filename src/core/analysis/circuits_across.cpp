#include "core/analysis/circuits_across.h"

#include <algorithm>

namespace glimmet::core {
namespace {

/// Poles that a run of units collects from.
struct Collects {
    bool left = false, right = false, centre = false;
    [[nodiscard]] bool any() const { return left || right || centre; }
    /// Of two poles or, with a middle conductor, of it and a rail.
    [[nodiscard]] bool whole(bool middle) const {
        return middle ? centre && (left || right) : left && right;
    }
};
Collects collects(const Job& job, std::size_t first, std::size_t last) {
    Collects all;
    for (std::size_t i = first; i <= last; ++i) {
        for (const Axle& axle : job.units[i].body.axles) {
            all.left = all.left || axle.collectsLeft;
            all.right = all.right || axle.collectsRight;
        }
        for (const Collector& each : job.units[i].collectors) {
            all.left = all.left || each.pole == Pole::Left;
            all.right = all.right || each.pole == Pole::Right;
            all.centre = all.centre || each.pole == Pole::Centre;
        }
    }
    return all;
}
bool onRails(const Job& job) { return job.feed != Feed::BatteryRadio; }

}  // namespace

std::size_t homeUnit(const Job& job) {
    if (job.decoder && job.decoder->placement) return unitAt(job, job.decoder->placement->unit);
    const std::vector<MotorAt> motors = motorsOf(job);
    return motors.empty() ? 0 : motors.front().unit;
}

CircuitsAcross circuitsAcross(const Job& job, std::size_t coupling) {
    return circuitsAcross(job, coupling, homeUnit(job));
}

CircuitsAcross circuitsAcross(const Job& job, std::size_t coupling, std::size_t home) {
    CircuitsAcross across;
    const bool behind = home <= coupling;  // what lies beyond is behind it
    const auto beyond = [&](std::size_t unit) { return (unit > coupling) == behind; };
    if (job.decoder) {
        for (const MotorAt& motor : motorsOf(job)) across.motors += beyond(motor.unit) ? 1U : 0U;
        if (job.bank && job.bank->placement && beyond(unitAt(job, job.bank->placement->unit)))
            across.banks = 1;
    }
    bool straight = false;  // lamps beyond that hang on the rails themselves
    for (const LampGroup& group : job.groups) {
        const bool there =
            std::any_of(group.rows.begin(), group.rows.end(), [&](const LampRow& row) {
                return std::any_of(row.lamps.begin(), row.lamps.end(), [&](const Lamp& lamp) {
                    return beyond(unitAt(job, lamp.fitted.unit));
                });
            });
        if (!there) continue;
        if (group.output == supplyOutput) {
            straight = true;
        } else if (std::find(across.outputs.begin(), across.outputs.end(), group.output) ==
                   across.outputs.end()) {
            across.outputs.push_back(group.output);
        }
    }
    if (!onRails(job)) return across;
    const bool middle = job.feed == Feed::ThreeRailDigital;
    const std::size_t last = job.units.size() - 1;
    const Collects there = behind ? collects(job, coupling + 1, last) : collects(job, 0, coupling);
    const Collects here = behind ? collects(job, 0, coupling) : collects(job, coupling + 1, last);
    across.collects = there.any();
    across.railsWanted = (job.decoder && !here.whole(middle) && there.any()) ||
                         (straight && !there.whole(middle) && here.any());
    return across;
}

bool railsLed(const Job& job, std::size_t coupling) {
    const CircuitsAcross across = circuitsAcross(job, coupling);
    const std::size_t wires = across.railsWanted ? across.needed() : across.needed() + 2;
    return static_cast<std::size_t>(std::max(job.couplings[coupling].contacts, 0)) >= wires;
}

std::pair<std::size_t, std::size_t> ledTogether(const Job& job) {
    std::size_t first = homeUnit(job);
    std::size_t last = first;
    while (first > 0 && railsLed(job, first - 1)) --first;
    while (last < job.couplings.size() && railsLed(job, last)) ++last;
    return {first, last};
}

}  // namespace glimmet::core
