#include "core/analysis/motor/contradictions.h"

#include "core/analysis/motor/health.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/motor_figures.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core::measure {
namespace {

constexpr double apart = 1.25;    ///< stall tests, in ohms
constexpr double misread = 1.05;  ///< what a meter's digits may make of equal currents

Ohms ohms(const MotorReading& reading) { return reading.volts / reading.amps; }

bool near(double a, double b) { return a <= b * apart && b <= a * apart; }

}  // namespace

std::vector<Contradiction> contradictions(const Motor& motor, Volts most) {
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
    // Slipping is set by weight on the wheels, at any volts: nothing that pulls takes more.
    if (slip && hauling && hauling->amps > slip->amps * misread)
        found.push_back({"haul", *hauling, *slip});
    if (slip && light && light->amps > slip->amps * misread)
        found.push_back({"light-slip", *light, *slip});
    // What was broken off took more than it says, and never more than stalled.
    const TakenReading* bound = nullptr;
    for (const TakenReading& each : motor.readings) {
        if (each.atLeast && !each.struck && (!bound || each.amps > bound->amps)) bound = &each;
    }
    if (bound && stall) {
        const Volts at = bound->volts.value_or(std::max(most, stall->volts));
        if (bound->amps >= at / ohms(*stall)) {
            found.push_back({"bound", {MotorCondition::Light, at, bound->amps, bound->on}, *stall});
        }
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
