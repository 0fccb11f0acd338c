// The analyses of a circuit: operating point, sweep of a source, transient.
#pragma once

#include "core/circuit/circuit.h"
#include "core/result.h"

#include <string_view>
#include <vector>

namespace glimmet::core::circuit {

struct OperatingPoint {
    std::vector<double> voltage;  ///< V, per node; ground is 0
    std::vector<double> current;  ///< A, per voltage source, positive into its plus terminal
};

/// Sources at their DC value (else their waveform at 0), capacitors open.
/// Method: Newton; where it does not settle, gmin stepping, then source stepping.
/// Errors: those of solvable(); OutOfRange where nothing settles.
[[nodiscard]] Result<OperatingPoint> operatingPoint(const Circuit& circuit);

struct Sweep {
    std::vector<double> value;           ///< of the swept source
    std::vector<OperatingPoint> points;  ///< as many
};
struct SweepRange {
    double start = 0, stop = 0, step = 0;  ///< step != 0, leading from start towards stop
};
inline constexpr double mostPoints = 1e6;  ///< of a sweep or a transient

/// Operating points along a source's value, each started from the one before (continuation).
/// `source`: a voltage or current source, case does not count.
/// Errors: Unknown for the source, OutOfRange for the range, and those of an operating point.
[[nodiscard]] Result<Sweep> swept(const Circuit& circuit, std::string_view source,
                                  const SweepRange& range);

struct Transient {
    std::vector<double> time;                  ///< 0, step, 2·step … stop
    std::vector<std::vector<double>> voltage;  ///< per node, as many values as times
    long steps = 0, rejected = 0;              ///< of the integration
};
struct TransientSpan {
    double step = 0;  ///< s, between printed times; > 0
    double stop = 0;  ///< s; >= step
};

/// From the operating point at time 0 with every source at its waveform's value.
/// Method: TR-BDF2 (Bank, Coughran, Fichtner, Grosse, Rose, Smith 1985) with γ = 2 − √2: second
/// order, L-stable, step size by its local error. Time points stand on every corner of a source
/// and on every multiple of `step`, so what is printed is computed there.
/// Errors: as above; OutOfRange where a step does not settle even when it is very small.
[[nodiscard]] Result<Transient> transient(const Circuit& circuit, const TransientSpan& span);

}  // namespace glimmet::core::circuit
