// Seconds of a circuit whose track signal and dimmed outputs repeat thousands of times a second,
// without a step for every edge.
//
// Capacitors and temperatures move slowly against such a repetition. Their rates of change are
// averaged over it (state-space averaging: R. Middlebrook, S. Ćuk, PESC 1976) and only the means
// are integrated. That the true voltages stay close is shown by their ripple: what they gain and
// lose within one repetition, found from the same rates. The mean is off by no more than the order
// of that ripple (first-order averaging: J. Sanders, F. Verhulst, Averaging Methods, 1985).
#pragma once

#include "core/circuit/analysis.h"
#include "core/text.h"

#include <vector>

namespace glimmet::core::circuit {

struct LongSpan {
    double step = 0;         ///< s, between printed times; > 0
    double stop = 0;         ///< s; >= step
    double ripple = 0.02;    ///< share of a capacitor's volts (and 1 V) up to which means will do
    double accuracy = 1e-5;  ///< of a step, relative
    double repetition = 0.025;  ///< s: what repeats at least that fast is averaged
};

struct LongTransient {
    std::vector<double> time;                  ///< s: 0, step, 2·step … stop
    std::vector<std::vector<double>> voltage;  ///< per node: the mean over a repetition, or exact
    std::vector<std::vector<double>> diode;    ///< per diode, A: the mean over a repetition; empty
                                               ///< where the exact model was used
    std::vector<std::vector<double>> temperature;  ///< per warming one-port, K; empty likewise
    bool averaged = false;                         ///< whether means were enough
    double ripple = 0;  ///< the largest met, share of a capacitor's volts
    Text why;           ///< "Means over 1 ms …" or why edges were followed
    long steps = 0;
};

/// Averaged where that is provably enough, else by transient(). Means are enough where
///  - sources and gates either repeat (PULSE, SIN without damping, repeated lines) within
///    `repetition`, in at most two different rhythms, or are slow;
///  - no fuse or blinker decides by the instant;
///  - no capacitor closes a loop with sources;
///  - the ripple of every capacitor stays below `ripple` throughout.
/// Integrated by ROS2 (J. Verwer, E. Spee, J. Blom, W. Hundsdorfer, SIAM J. Sci. Comput. 20 (1999)
/// 1456), second order and L-stable, with steps by its local error.
/// Errors: those of transient().
[[nodiscard]] Result<LongTransient> longTransient(const Circuit& circuit, const LongSpan& span);

}  // namespace glimmet::core::circuit
