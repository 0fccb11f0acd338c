// A step of Newton's method for diodes, four at a time: to where each is linearised next, and how
// well its current then fits what the step before took it to be.
#pragma once

#include "core/circuit/junction_block.h"

#include <cmath>
#include <vector>

namespace glimmet::core::circuit {

/// How well the current of an element fits what it was linearised to: to the tolerance (or its
/// voltage stands still); closely, so that one more step is enough; or not.
enum class Fit { Good, Close, Off };

struct Tolerance {
    double relative = 1e-10;  ///< of the linearised current
    double closeness = 1e-5;  ///< the same, of Close: the root of it, as a step squares the error
    double absolute = 1e-18;  ///< A
    [[nodiscard]] Fit of(double wrong, double linear) const {
        const double over = std::abs(wrong) - absolute;
        if (over <= relative * std::abs(linear)) return Fit::Good;
        return over <= closeness * std::abs(linear) ? Fit::Close : Fit::Off;
    }
};

enum class Stride {
    Free,  ///< junctions by their own rules, towards the solution
    Exact  ///< to where the volts are
};

struct Landing {
    Fit worst;
    bool apart;  ///< of some diodes, which are to be looked at one by one
};
/// Linearises all where the unknown voltages `x` are. Free: the circuit around a junction that has
/// the larger say in its branch tells more of its current than of its voltage; there the current is
/// taken at its word, of a collapsing one only a part. `first`: the first step from nothing, in
/// which some wait and some lead (junction_row.h).
Landing linearise(std::vector<JunctionBlock>& blocks, const double* x, Stride stride, bool first,
                  const Tolerance& tolerance);
/// One of them, from its block's now, before and linear. `extra`: A/V across the junction.
void lineariseApart(JunctionBlock& block, std::size_t lane, const Junction& law, Stride stride,
                    double extra);
[[nodiscard]] Fit worstFit(const std::vector<JunctionBlock>& blocks, const Tolerance& tolerance);
/// To where the unknown voltages are along the linearisation.
void stepStraight(std::vector<JunctionBlock>& blocks, const double* x);

}  // namespace glimmet::core::circuit
