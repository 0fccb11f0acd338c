// Points and crossings: how much of which rail lies dead on each way through.
#pragma once

#include "core/quantity/quantities.h"
#include "core/track/crossing.h"

#include <vector>

namespace glimmet::core {

/// The insulated frog of points that part by 1 in `number`, in a model at 1:`ratio`. Source: the
/// vee parts by 1 mm on every `number` mm; insulated is what lies between where the wing rails
/// stand a flangeway apart and where the vee's rails leave room for a rail's head and a cut on each
/// side: 3.1 mm apart at 1:87 (docs/physics.md). An estimate, for want of a ruler.
/// Range: number > 0, ratio > 0.
[[nodiscard]] Millimetres usualFrog(double number, double ratio);

/// Points of nobody knows what number.
inline constexpr double usualNumber = 9;

/// One way through: what a vehicle meets, from the first dead end on.
struct Way {
    const char* name;  ///< "with the frog on its left"; to be translated
    std::vector<DeadLength> dead;
};

/// Every way through from either end that differs, each frog dead over `frog`. Source: rails that
/// part by 1 in N stand a gauge g apart after g·N of a straight, 2·g·N of a curve; so the frogs of
/// a crossing lie g·N apart, and of three-way points the middle one (1 in N/√2) (2 − √2)·g·N before
/// the outer ones (docs/physics.md). The gauge is the usual one, 1435 mm of the prototype.
/// Range: number > 0, ratio > 0, frog > 0.
[[nodiscard]] std::vector<Way> waysThrough(Trackwork work, double number, double ratio,
                                           Millimetres frog);

/// The same dead lengths met from their other end: in the other order, and what was left is right.
[[nodiscard]] std::vector<DeadLength> fromTheOtherEnd(const std::vector<DeadLength>& dead);

}  // namespace glimmet::core
