// What repeats in a circuit's sources and gates, and the moments of one turn at which its solution
// tells the mean over the turn.
#pragma once

#include "core/circuit/circuit.h"

#include <vector>

namespace glimmet::core::circuit {

struct Phase {
    double time = 0;    ///< s, where a rhythm's waveforms are taken
    double weight = 0;  ///< share of its period; those of a turn add up to 1
};

/// Waveforms that repeat together. They point into the circuit.
struct Rhythm {
    double period = 0;  ///< s
    std::vector<const Waveform*> members;
    std::vector<Phase> phases;
    [[nodiscard]] bool has(const Waveform& waveform) const;
};

/// Of a circuit's sources and gates, those that repeat within `repetition` seconds, the quickest
/// first. The circuit must outlive what is returned.
[[nodiscard]] std::vector<Rhythm> rhythmsOf(const Circuit& circuit, double repetition);
/// The next corner after `time` of those that do not; infinite: none.
[[nodiscard]] double slowCorner(const Circuit& circuit, double repetition, double time);

}  // namespace glimmet::core::circuit
