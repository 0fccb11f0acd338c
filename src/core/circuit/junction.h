// The nonlinear part of a diode: current and slope at a junction voltage, and how far a Newton
// step may move it.
#pragma once

#include "core/circuit/circuit.h"

namespace glimmet::core::circuit {

struct JunctionPoint {
    double current = 0;      ///< A
    double conductance = 0;  ///< dI/dV, A/V, > 0
};

/// Conductance across every junction, as general simulators have it: it keeps nodes between
/// blocked junctions defined. A/V.
inline constexpr double junctionLeak = 1e-12;

/// A diode as one branch: its junction and the resistance in series with it.
struct JunctionBranch {
    double junction = 0;     ///< V across the junction alone
    double volts = 0;        ///< V across both
    double current = 0;      ///< A
    double conductance = 0;  ///< dI/dV of both, A/V, > 0
};

class Junction {
public:
    Junction() = default;
    /// `outside`: resistance in series with the diode, on top of its own.
    Junction(const DiodeModel& model, double outside);

    /// Law of DiodeModel plus junctionLeak. Beyond a current of 1e6 A the exponential goes on as a
    /// straight line, so that no iterate overflows.
    [[nodiscard]] JunctionPoint at(double volts) const;

    [[nodiscard]] bool hasSeries() const { return m_series > 0; }
    /// Where an iteration may begin: the junction at a milliampere, about where lamps work.
    [[nodiscard]] double knee() const { return m_knee; }
    /// The branch with a given voltage across its junction.
    [[nodiscard]] JunctionBranch atJunction(double junction, double extraConductance) const;
    /// The branch with a given voltage across both: Newton's method on the junction's share, from
    /// `near` where that is close, else from an upper bound, from which it descends (the law is
    /// convex on either side of zero current).
    [[nodiscard]] JunctionBranch across(double volts, double near, double extraConductance) const;

    /// The voltage to take instead of `wanted`, coming from `before`: a step into the steep part of
    /// the exponential is cut to what the current's logarithm allows. Source: L. W. Nagel, SPICE2
    /// (ERL-M520, 1975), the junction limiting of its appendix; mirrored for breakdown.
    [[nodiscard]] double limited(double wanted, double before) const;

private:
    double m_saturation = 0, m_slope = 1;  ///< Is; N·Vt
    double m_inverseSlope = 1;
    double m_series = 0;
    double m_steepest = 0;  ///< V/(N·Vt) above which the exponential is a straight line
    double m_critical = 0;  ///< V above which steps are cut
    double m_knee = 0;
    bool m_breaks = false;
    double m_breakdown = 0, m_breakdownCurrent = 0, m_breakdownSteepest = 0,
           m_breakdownCritical = 0;
};

}  // namespace glimmet::core::circuit
