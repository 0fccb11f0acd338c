#include "core/work/measure/health_chart.h"

#include "core/analysis/motor/health.h"
#include "core/analysis/motor_evidence.h"
#include "core/day.h"

#include <algorithm>
#include <utility>

namespace glimmet::core::measure {
namespace {

std::optional<HealthChart> chartOf(const Job& job, const Motor& motor) {
    HealthChart chart;
    chart.motor = motorCalled(job, motor);
    for (const TakenReading& reading : motor.readings) {
        if (reading.condition != MotorCondition::Light || reading.struck || reading.atLeast)
            continue;
        if (const auto day = dayNumber(reading.on)) {
            chart.points.push_back({*day, reading.on, reading.amps, reading.volts, false});
        }
    }
    std::stable_sort(chart.points.begin(), chart.points.end(),
                     [](const auto& a, const auto& b) { return a.day < b.day; });
    if (chart.points.empty()) return std::nullopt;
    // The last whose volts are known is what the others are held against.
    const auto last = std::find_if(chart.points.rbegin(), chart.points.rend(),
                                   [](const auto& point) { return point.volts.has_value(); });
    if (last == chart.points.rend()) return chart;
    const std::optional<Volts> volts = last->volts;
    for (HealthChart::Point& point : chart.points) {
        point.alike = atLikeVolts(point.volts, volts);
        if (point.alike && !chart.first && &point != &*last) {
            chart.first = point.amps;
            chart.worn = point.amps * tightened;
        }
    }
    return chart;
}

}  // namespace

std::optional<HealthChart> healthChart(const JobAnalysis& facts) {
    const Job& job = facts.job;
    std::optional<HealthChart> most;
    std::pair risen{false, 0.0};  // one that was read on two days before one that was not
    for (const MotorAt& at : motorsOf(job)) {
        auto chart = chartOf(job, *at.motor);
        if (!chart) continue;
        const std::pair share{
            chart->points.front().day != chart->points.back().day,
            chart->first ? (chart->points.back().amps / *chart->first).value() : 0.0};
        if (most && share <= risen) continue;
        risen = share;
        most = std::move(chart);
    }
    if (!most) return most;
    if (auto alike = sameTypeAlike(facts)) most->sameType = std::move(alike->sameType);
    const bool oneDay = most->points.front().day == most->points.back().day;
    if (oneDay && most->sameType.empty()) return std::nullopt;  // nothing to hold it against
    return most;
}

}  // namespace glimmet::core::measure
