// The thermal voltage of every junction that Glimmet computes.
#pragma once

namespace glimmet::core {

/// kT/q at 300.15 K. k and q as fixed by the SI of 2019 (CODATA 2018). V.
inline constexpr double thermalVoltage = 1.380649e-23 * 300.15 / 1.602176634e-19;

}  // namespace glimmet::core
