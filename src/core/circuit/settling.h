// What the analyses share: the circuit at rest, and Newton's method with what helps it along.
#pragma once

#include "core/circuit/newton.h"
#include "core/result.h"

namespace glimmet::core::circuit {

/// Sources at their DC values, capacitors open.
[[nodiscard]] Excitation atRest(const Circuit& circuit);

/// Newton from x; where that does not settle, gmin stepping, then source stepping, from nothing.
[[nodiscard]] bool settledFromAnywhere(Newton& newton, Eigen::VectorXd& x,
                                       const Excitation& excitation);

[[nodiscard]] Error didNotSettle(const Circuit& circuit);

}  // namespace glimmet::core::circuit
