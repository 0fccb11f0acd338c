// What a source gives over time, in the forms of the SPICE netlist.
#pragma once

#include <utility>
#include <variant>
#include <vector>

namespace glimmet::core::circuit {

struct Constant {
    double value = 0;
};
/// PULSE: `first` until `delay`, then to `second` within `rise`, `width` there, back within `fall`,
/// and again every `period`. Times in s; rise, fall > 0; period >= rise + width + fall, or 0: once.
struct Pulse {
    double first = 0, second = 0;
    double delay = 0, rise = 0, fall = 0, width = 0, period = 0;
};
/// SIN: offset + amplitude · exp(−damping·(t − delay)) · sin(2π·frequency·(t − delay)) after delay.
struct Sine {
    double offset = 0, amplitude = 0, frequency = 0;
    double delay = 0, damping = 0;
};
/// PWL: straight lines between points of rising time; the first and last values hold outside.
struct PiecewiseLinear {
    std::vector<std::pair<double, double>> points;  ///< (s, value), at least one
};
using Waveform = std::variant<Constant, Pulse, Sine, PiecewiseLinear>;

/// The value at a time. Range: time >= 0.
[[nodiscard]] double valueAt(const Waveform& waveform, double time);

/// The next time after `time` at which the waveform has a corner, or infinity: there an integration
/// must begin a new step.
[[nodiscard]] double nextCorner(const Waveform& waveform, double time);

}  // namespace glimmet::core::circuit
