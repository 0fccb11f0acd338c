// What a source gives over time, in the forms of the SPICE netlist.
#pragma once

#include <limits>
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
/// With a period it begins anew after each; the last point lies within the first period.
struct PiecewiseLinear {
    std::vector<std::pair<double, double>> points;  ///< (s, value), at least one
    double period = 0;                              ///< s; 0: once
};
using Waveform = std::variant<Constant, Pulse, Sine, PiecewiseLinear>;

/// The value at a time. Range: time >= 0.
[[nodiscard]] double valueAt(const Waveform& waveform, double time);

/// s: a time that does not come.
inline constexpr double never = std::numeric_limits<double>::infinity();
/// The next time after `time` at which the waveform has a corner, or never: there an integration
/// must begin a new step.
[[nodiscard]] double nextCorner(const Waveform& waveform, double time);

/// A track signal of the digital standard (NMRA S-9.1).
struct TrackSignal {
    double volts = 14.5;       ///< V, of each half: +volts, then −volts
    std::vector<bool> bits;    ///< repeated for ever; at least one
    double edge = 2e-6;        ///< s, for a whole change from one polarity to the other, > 0
    double dead = 0;           ///< s, at 0 V in the middle of each change
    double oneHalf = 58e-6;    ///< s
    double zeroHalf = 100e-6;  ///< s
};
/// The signal as lines. A change begins where a half begins; edge + dead is shorter than a half.
[[nodiscard]] PiecewiseLinear trackWave(const TrackSignal& signal);
/// A square wave between 0 and 1 of a mean (the duty, 0 … 1) and a frequency (Hz, > 0), with edges
/// of at most a thousandth of its period: what dims a lamp. Duty 0 and 1 are constants.
[[nodiscard]] Waveform dimmed(double duty, double frequency);

}  // namespace glimmet::core::circuit
