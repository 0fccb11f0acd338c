// Whether a circuit can be solved at all, told in words before any arithmetic.
#pragma once

#include "core/circuit/circuit.h"
#include "core/result.h"

namespace glimmet::core::circuit {

/// Refuses a circuit that has no solution or not one only:
///  - a node that nothing but capacitors and current sources connects to ground;
///  - voltage sources that form a loop ("two supplies in parallel").
/// Errors: Missing for the first, OutOfRange for the second; the sentence names node or source.
[[nodiscard]] Result<void> solvable(const Circuit& circuit);

/// Whether sources and capacitors close loops: then a corner of a source is a jump of a current.
[[nodiscard]] bool loopsOfCapacitors(const Circuit& circuit);

/// Refuses values that the elements' laws have no sense for: see circuit.h and one_port.h. NaN and
/// infinities are refused too. Errors: OutOfRange, naming the element.
[[nodiscard]] Result<void> valuesInRange(const Circuit& circuit);

}  // namespace glimmet::core::circuit
