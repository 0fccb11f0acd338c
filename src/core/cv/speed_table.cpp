#include "core/cv/speed_table.h"

namespace glimmet::core {
namespace {

/// The value at a step between two points; halves up, in whole numbers so that nothing is lost.
int between(const SpeedPoint& from, const SpeedPoint& to, int step) {
    const int span = to.step - from.step;
    const int twice = 2 * (from.value * span + (to.value - from.value) * (step - from.step)) + span;
    return twice / (2 * span);
}

}  // namespace

SpeedTable speedTable(int start, int middle, int top) {
    const SpeedPoint points[] = {{1, start}, {14, middle}, {speedSteps, top}};
    return *speedTable(points);
}

Result<SpeedTable> speedTable(std::span<const SpeedPoint> points) {
    const auto refused = [](Text what) {
        return failure(ErrorCode::OutOfRange, "points", std::move(what));
    };
    if (points.size() < 2 || points.front().step != 1 || points.back().step != speedSteps) {
        return refused(text("the first point at step 1 and the last at step 28"));
    }
    SpeedTable table{};
    for (std::size_t i = 0; i < points.size(); ++i) {
        if (points[i].value < 0 || points[i].value > 255)
            return refused(text("values of 0 to 255"));
        if (i == 0) continue;
        if (points[i].step <= points[i - 1].step) return refused(text("steps that ascend"));
        for (int step = points[i - 1].step; step <= points[i].step; ++step) {
            table[static_cast<std::size_t>(step - 1)] = between(points[i - 1], points[i], step);
        }
    }
    return table;
}

}  // namespace glimmet::core
