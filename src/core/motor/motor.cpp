#include "core/motor/motor.h"

#include <algorithm>

namespace glimmet::core {

std::optional<Ohms> pathResistance(std::span<const MotorReading> readings,
                                   std::optional<Ohms> winding) {
    std::optional<Ohms> lowest;
    for (const MotorReading& reading : readings) {
        if (reading.condition != MotorCondition::Stalled) continue;
        const Ohms path = reading.volts / reading.amps;
        if (!lowest || path < *lowest) lowest = path;
    }
    return lowest ? lowest : winding;
}

Amperes stallCurrent(const MotorSupply& supply, Ohms path) {
    const Volts left = supply.track - supply.rectifier - supply.bridge;
    return std::max(left, Volts{0}) / path;
}

std::optional<Amperes> largestReading(std::span<const MotorReading> readings,
                                      MotorCondition condition) {
    std::optional<Amperes> largest;
    for (const MotorReading& reading : readings) {
        if (reading.condition != condition) continue;
        if (!largest || reading.amps > *largest) largest = reading.amps;
    }
    return largest;
}

MotorVerdict motorVerdict(std::span<const MotorReading> readings, std::optional<Ohms> winding,
                          const MotorSupply& supply, const MotorRating& rating, RatingRule rule,
                          double closeMargin) {
    MotorVerdict verdict;
    verdict.path = pathResistance(readings, winding);
    if (verdict.path) verdict.stall = stallCurrent(supply, *verdict.path);
    verdict.slip = largestReading(readings, MotorCondition::Slipping);
    verdict.running = largestReading(readings, MotorCondition::Light);
    if (const auto hauling = largestReading(readings, MotorCondition::Hauling)) {
        if (!verdict.running || *hauling > *verdict.running) verdict.running = hauling;
    }
    const auto demand = [&](MotorDemand::What what, std::optional<Amperes> amps, bool peak) {
        MotorDemand made{what, peak, amps, peak ? rating.peak : rating.continuous, State::Ask};
        if (amps) made.state = stateAgainst(amps->value(), made.limit.value(), 1.0 - closeMargin);
        verdict.state = worse(verdict.state, made.state);
        verdict.demands.push_back(made);
    };
    switch (rule) {
        case RatingRule::Strict:
            demand(MotorDemand::What::Stall, verdict.stall, false);
            break;
        case RatingRule::Slip:
            demand(MotorDemand::What::Slip, verdict.slip, false);
            demand(MotorDemand::What::Stall, verdict.stall, true);
            break;
        case RatingRule::Running: {
            std::optional<Amperes> needed;
            if (verdict.running) needed = *verdict.running * runningMargin;
            demand(MotorDemand::What::Running, needed, false);
            break;
        }
    }
    return verdict;
}

}  // namespace glimmet::core
