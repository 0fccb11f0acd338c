// How much of a rail points leave dead.
#pragma once

#include "core/quantity/quantities.h"

namespace glimmet::core {

/// The insulated frog of points that part by 1 in `number`, in a model at 1:`ratio`. Source: the
/// vee parts by 1 mm on every `number` mm; insulated is what lies between where the wing rails
/// stand a flangeway apart and where the vee's rails leave room for a rail's head and a cut on each
/// side: 3.1 mm apart at 1:87 (docs/physics.md). An estimate, for want of a ruler.
/// Range: number > 0, ratio > 0.
[[nodiscard]] Millimetres usualFrog(double number, double ratio);

/// Points of nobody knows what number.
inline constexpr double usualNumber = 9;

}  // namespace glimmet::core
