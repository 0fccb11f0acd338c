#include "core/circuit/waveform.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

namespace glimmet::core::circuit {
namespace {

constexpr double never = std::numeric_limits<double>::infinity();

double value(const Constant& constant, double) { return constant.value; }

double value(const Pulse& pulse, double time) {
    double t = time - pulse.delay;
    if (t <= 0) return pulse.first;
    if (pulse.period > 0) t = std::fmod(t, pulse.period);
    if (t < pulse.rise) return pulse.first + (pulse.second - pulse.first) * t / pulse.rise;
    t -= pulse.rise;
    if (t <= pulse.width) return pulse.second;
    t -= pulse.width;
    if (t < pulse.fall) return pulse.second + (pulse.first - pulse.second) * t / pulse.fall;
    return pulse.first;
}

double value(const Sine& sine, double time) {
    const double t = time - sine.delay;
    if (t <= 0) return sine.offset;
    return sine.offset + sine.amplitude * std::exp(-sine.damping * t) *
                             std::sin(2 * std::numbers::pi * sine.frequency * t);
}

double value(const PiecewiseLinear& lines, double time) {
    const auto after = std::find_if(lines.points.begin(), lines.points.end(),
                                    [&](const auto& point) { return point.first > time; });
    if (after == lines.points.begin()) return lines.points.front().second;
    if (after == lines.points.end()) return lines.points.back().second;
    const auto before = std::prev(after);
    const double share = (time - before->first) / (after->first - before->first);
    return before->second + share * (after->second - before->second);
}

double corner(const Constant&, double) { return never; }

double corner(const Pulse& pulse, double time) {
    if (time < pulse.delay) return pulse.delay;
    const double period = pulse.period > 0 ? pulse.period : never;
    double start = pulse.delay;
    if (pulse.period > 0) start += std::floor((time - pulse.delay) / period) * period;
    // The smallest corner that is later by more than rounding, in this turn or the next.
    const double least = time + 1e-12 * std::max(time, pulse.rise);
    for (const double turn : {start, start + period}) {
        double at = turn;
        for (const double part : {0.0, pulse.rise, pulse.width, pulse.fall}) {
            at += part;
            if (at > least) return at;
        }
        if (!(pulse.period > 0)) break;
    }
    return never;
}

double corner(const Sine& sine, double time) { return time < sine.delay ? sine.delay : never; }

double corner(const PiecewiseLinear& lines, double time) {
    for (const auto& [at, unused] : lines.points) {
        if (at > time * (1 + 1e-12)) return at;
    }
    return never;
}

}  // namespace

double valueAt(const Waveform& waveform, double time) {
    return std::visit([&](const auto& form) { return value(form, time); }, waveform);
}

double nextCorner(const Waveform& waveform, double time) {
    return std::visit([&](const auto& form) { return corner(form, time); }, waveform);
}

}  // namespace glimmet::core::circuit
