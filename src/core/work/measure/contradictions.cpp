#include "core/work/measure/contradictions.h"

#include "core/quantity/format.h"
#include "core/work/measure/health.h"
#include "core/work/motor_evidence.h"
#include "core/work/motor_figures.h"

#include <algorithm>

namespace glimmet::core::measure {
namespace {

constexpr double apart = 1.25;    ///< stall tests, in ohms
constexpr double misread = 1.05;  ///< what a meter's digits may make of equal currents

Ohms ohms(const MotorReading& reading) { return reading.volts / reading.amps; }

bool near(double a, double b) { return a <= b * apart && b <= a * apart; }

}  // namespace

std::vector<Contradiction> contradictions(const Motor& motor) {
    std::vector<Contradiction> found;
    const std::vector<MotorReading> readings = motorEvidence(motor).readings;
    std::vector<const MotorReading*> stalls;
    for (const MotorReading& reading : readings) {
        if (reading.condition == MotorCondition::Stalled) stalls.push_back(&reading);
    }
    if (stalls.size() >= 2) {
        const auto [low, high] =
            std::minmax_element(stalls.begin(), stalls.end(),
                                [&](const auto* a, const auto* b) { return ohms(*a) < ohms(*b); });
        if (ohms(**high) > ohms(**low) * apart) found.push_back({"stall", **low, **high});
    }
    const MotorReading* stall = decisive(readings, MotorCondition::Stalled);
    const MotorReading* slip = decisive(readings, MotorCondition::Slipping);
    if (slip && stall && slip->volts > Volts{0} &&
        slip->amps > slip->volts / ohms(*stall) * misread) {
        found.push_back({"slip", *slip, *stall});
    }
    const MotorReading* light = decisive(readings, MotorCondition::Light);
    const MotorReading* hauling = decisive(readings, MotorCondition::Hauling);
    if (light && hauling && atLikeVolts(light->volts, hauling->volts) &&
        light->amps > hauling->amps * misread) {
        found.push_back({"light", *light, *hauling});
    }
    return found;
}

std::vector<Text> speaksFor(const Motor& motor, const MotorReading& reading) {
    std::vector<Text> found;
    const bool stalled = reading.condition == MotorCondition::Stalled;
    if (const auto winding = smallestWinding(motor);
        stalled && winding && winding->value >= ohms(reading) * leastOfStall &&
        winding->value <= ohms(reading) * mostOfStall) {
        found.push_back(text("the winding's %1", formatted(winding->value, 3)));
    }
    // Itself is among the readings too.
    const auto readings = motorEvidence(motor).readings;
    const auto alike =
        std::count_if(readings.begin(), readings.end(), [&](const MotorReading& each) {
            if (each.condition != reading.condition) return false;
            return stalled ? near(ohms(each).value(), ohms(reading).value())
                           : atLikeVolts(each.volts, reading.volts) &&
                                 near(each.amps.value(), reading.amps.value());
        });
    if (alike == 2) found.push_back(text("another reading"));
    if (alike > 2) found.push_back(text("%1 other readings", std::to_string(alike - 1)));
    return found;
}

}  // namespace glimmet::core::measure
