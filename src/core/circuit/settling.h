// What the analyses share: a solver for a circuit, or why there is none.
#pragma once

#include "core/circuit/analysis.h"
#include "core/circuit/solver.h"

#include <optional>

namespace glimmet::core::circuit {

/// Why no solver can be made for a circuit; nothing where it can: solvable(), and values in range.
[[nodiscard]] Result<void> checked(const Circuit& circuit);

/// A solver that holds the circuit. Errors: those of checked(); OutOfRange where it is meshed
/// beyond what fits in memory.
[[nodiscard]] Result<Solver> solverFor(const Circuit& circuit);

/// A/V, by which a capacitor holds a voltage that it is given.
inline constexpr double holding = 1e9;
/// Settles where a transient begins: sources at their waveforms' values at time 0, capacitors held
/// at the volts that they begin with, where they have such. False where it does not settle.
[[nodiscard]] bool settleAtBeginning(const Circuit& circuit, Solver& solver);

/// The solution that a solver has come to. Errors: OutOfRange where a current is beyond any number.
[[nodiscard]] Result<OperatingPoint> pointOf(const Circuit& circuit, const Solver& solver);
/// The same into a point that is there already: no allocation once it has its size.
void read(const Solver& solver, OperatingPoint& point);

/// "The circuit did not settle around %1", by the element that was last in motion.
[[nodiscard]] Error didNotSettle(const Solver& solver);

/// The excitation of a source by its name, whatever its case; null where there is none.
[[nodiscard]] double* sourceValue(const Circuit& circuit, Solver& solver, std::string_view source);

}  // namespace glimmet::core::circuit
