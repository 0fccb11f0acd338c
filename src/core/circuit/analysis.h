// The analyses of a circuit: operating point, sweep of a source, transient.
#pragma once

#include "core/circuit/circuit.h"
#include "core/result.h"

#include <functional>
#include <string_view>
#include <vector>

namespace glimmet::core::circuit {

struct OperatingPoint {
    std::vector<double> voltage;  ///< V, per node; ground is 0
    std::vector<double> current;  ///< A, per voltage source, positive into its plus terminal
    std::vector<double> diode;    ///< A, per diode, anode to cathode
};

/// Sources at their DC value (else their waveform at 0), capacitors open, filaments and polyfuses
/// as warm as they come to be, fuses whole, blinkers lit.
/// Method: Newton; where it does not settle, gmin stepping, then source stepping.
/// Errors: those of solvable(); OutOfRange where nothing settles or the circuit is meshed beyond
/// what fits in memory.
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

/// The value of a source at which the largest of the diodes' currents reaches `current`: where
/// lamps begin to glow, or reach their wish. Found by continuation from `low` upwards, then exactly
/// (1e-12 of the value). Range: current > 0, low < high.
/// Errors: as above; OutOfRange too where it is not reached up to `high`.
[[nodiscard]] Result<double> valueForDiodeCurrent(const Circuit& circuit, std::string_view source,
                                                  double current, double low, double high);

struct Transient {
    std::vector<double> time;                  ///< s: 0, step, 2·step … stop, or the own steps
    std::vector<std::vector<double>> voltage;  ///< per node, as many values as times
    /// What happened, in the order of time: watched crossings by their name, fuses that melted,
    /// polyfuses that tripped, blinkers that stopped and began anew.
    struct Event {
        double time = 0;
        enum class What { Crossed, Melted, Tripped, Stopped, Began } what{};
        std::string name;
    };
    std::vector<Event> events;
    long steps = 0, rejected = 0, iterations = 0;  ///< of the integration
};

/// A voltage to watch during a transient.
struct Watch {
    std::string name;
    Node plus = ground, minus = ground;
    double level = 0;  ///< V
    enum class Way { Rising, Falling, Either } way = Way::Either;
    bool ends = false;  ///< the transient ends there
};

struct TransientSpan {
    double step = 0;  ///< s, between printed times; > 0
    double stop = 0;  ///< s; >= step
    /// Local error of a step relative to a capacitor's voltage (and 1 V). Range: 1e-10 … 1e-1.
    double accuracy = 1e-8;
    /// false: time points on every multiple of `step`. true: the integration's own steps, none
    /// longer than a fiftieth of the whole, are what is returned.
    bool ownSteps = false;
    std::vector<Watch> watches{};
    long mostSteps = 20'000'000;  ///< tried, before it gives up
};

/// From the operating point at time 0 with every source at its waveform's value.
/// Method: TR-BDF2 (Bank, Coughran, Fichtner, Grosse, Rose, Smith 1985) with γ = 2 − √2: second
/// order, L-stable, step size by its local error. Time points stand on every corner of a source,
/// and what is printed is computed at its time, never interpolated. Events are located by
/// repeating the step that contains them with a shorter one, to 1e-9 of the step.
/// Errors: as above; OutOfRange where a step does not settle even when it is very small.
[[nodiscard]] Result<Transient> transient(const Circuit& circuit, const TransientSpan& span);

}  // namespace glimmet::core::circuit
