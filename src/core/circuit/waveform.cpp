#include "core/circuit/waveform.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

namespace glimmet::core::circuit {
namespace {

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

/// The time within its period.
double within(const PiecewiseLinear& lines, double time) {
    return lines.period > 0 ? std::fmod(time, lines.period) : time;
}

double value(const PiecewiseLinear& lines, double time) {
    const double t = within(lines, time);
    const auto after =
        std::upper_bound(lines.points.begin(), lines.points.end(), t,
                         [](double at, const auto& point) { return at < point.first; });
    if (after == lines.points.begin()) return lines.points.front().second;
    if (after == lines.points.end()) return lines.points.back().second;
    const auto before = std::prev(after);
    const double share = (t - before->first) / (after->first - before->first);
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
    // The first point that is later by more than rounding, in this turn or the next.
    const double least = time * (1 + 1e-12);
    double turn = lines.period > 0 ? std::floor(time / lines.period) * lines.period : 0;
    for (int turns = 0; turns < 3; ++turns) {
        const auto after =
            std::upper_bound(lines.points.begin(), lines.points.end(), least - turn,
                             [](double at, const auto& point) { return at < point.first; });
        if (after != lines.points.end() && turn + after->first > least) return turn + after->first;
        if (!(lines.period > 0)) break;
        turn += lines.period;
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

PiecewiseLinear trackWave(const TrackSignal& signal) {
    PiecewiseLinear wave;
    double time = 0;
    double before = -signal.volts;
    for (const bool one : signal.bits) {
        for (const double level : {signal.volts, -signal.volts}) {
            wave.points.emplace_back(time, before);
            if (signal.dead > 0) {
                wave.points.emplace_back(time + signal.edge / 2, 0);
                wave.points.emplace_back(time + signal.edge / 2 + signal.dead, 0);
            }
            wave.points.emplace_back(time + signal.edge + signal.dead, level);
            time += one ? signal.oneHalf : signal.zeroHalf;
            before = level;
        }
    }
    wave.period = time;
    return wave;
}

Waveform dimmed(double duty, double frequency) {
    if (!(duty > 0)) return Constant{0};
    if (!(duty < 1)) return Constant{1};
    constexpr double edgeShare = 1e-3;
    const double period = 1 / frequency;
    const double edge = edgeShare * period * std::min({duty, 1 - duty, 0.5});
    // It begins lit. The area under the wave is the duty: each edge counts half.
    return Pulse{1, 0, duty * period - edge, edge, edge, (1 - duty) * period - edge, period};
}

}  // namespace glimmet::core::circuit
