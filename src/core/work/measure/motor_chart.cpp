#include "core/work/measure/motor_chart.h"

#include "core/analysis/motor_evidence.h"
#include "core/analysis/supply.h"

#include <algorithm>

namespace glimmet::core::measure {

Volts shownAt(const TakenReading& reading, const MotorChart& chart) {
    return reading.volts.value_or(chart.motorVolts * reading.throttle.value_or(1));
}

MotorChart motorChart(const Job& job, const WorkshopRules& house) {
    MotorChart chart;
    const MotorSupply supply = motorSupply(job, house);
    chart.motorVolts = std::max(supply.track - supply.rectifier - supply.bridge, Volts{0});
    Volts right = chart.motorVolts;
    Amperes top{0.5};
    const MotorEvidence drive = driveEvidence(job);
    chart.path = pathResistance(drive.readings, drive.winding);
    if (chart.path) {
        chart.stall = stallCurrent(supply, *chart.path);
        chart.lowestPath = chart.highestPath = *chart.path;
        for (const MotorReading& reading : drive.readings) {
            if (reading.condition != MotorCondition::Stalled) continue;
            const Amperes least =
                std::max(reading.amps - reading.scatter * 2.0, reading.amps * 0.1);
            const Amperes most = reading.amps + reading.scatter * 2.0;
            chart.highestPath = std::max(chart.highestPath, Ohms{reading.volts / least});
            chart.lowestPath = std::min(chart.lowestPath, Ohms{reading.volts / most});
        }
        // Volts and amperes may both be off.
        const double off = 1 + house.meterTolerance;
        chart.lowestPath = chart.lowestPath / (off * off);
        chart.highestPath = chart.highestPath * (off * off);
    }
    for (const MotorAt& at : motorsOf(job)) {
        for (const TakenReading& reading : at.motor->readings) {
            top = std::max(top, reading.amps);
            right = std::max(right, reading.volts.value_or(Volts{0}));
        }
    }
    if (chart.stall) top = std::max(top, *chart.stall);
    if (job.decoder) {
        chart.continuous = job.decoder->part.continuous;
        chart.peak = job.decoder->part.peak;
        top = std::max(top, job.decoder->part.peak);
        if (chart.stall) {
            chart.state = stateAgainst(chart.stall->value(), chart.peak->value(),
                                       1 - houseOf(job, house).closeMargin);
        }
    }
    chart.voltsShown = right * 1.12;
    chart.ampsShown = top * 1.18;
    return chart;
}

}  // namespace glimmet::core::measure
