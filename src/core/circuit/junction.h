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

class Junction {
public:
    explicit Junction(const DiodeModel& model);

    /// Law of DiodeModel plus junctionLeak. Beyond a current of 1e6 A the exponential goes on as a
    /// straight line, so that no iterate overflows.
    [[nodiscard]] JunctionPoint at(double volts) const;

    /// A diode as one branch: its junction and its series resistance.
    struct Branch {
        double junction = 0;     ///< V across the junction alone
        double volts = 0;        ///< V across both
        double current = 0;      ///< A
        double conductance = 0;  ///< dI/dV of both, A/V
    };
    [[nodiscard]] bool hasSeries() const { return m_series > 0; }
    /// The branch with a given voltage across its junction.
    [[nodiscard]] Branch atJunction(double junction, double extraConductance) const;
    /// The branch with a given voltage across both: Newton's method on the junction's share, from
    /// `near` where that is close, else from an upper bound, from which it descends (the law is
    /// convex on either side of zero current).
    [[nodiscard]] Branch across(double volts, double near, double extraConductance) const;

    /// The voltage to take instead of `wanted`, coming from `before`: a step into the steep part of
    /// the exponential is cut to what the current's logarithm allows. Source: L. W. Nagel, SPICE2
    /// (ERL-M520, 1975), the junction limiting of its appendix; mirrored for breakdown.
    [[nodiscard]] double limited(double wanted, double before) const;

private:
    double m_saturation, m_slope;  ///< Is; N·Vt
    double m_series;
    double m_critical;  ///< voltage above which steps are cut
    double m_breakdown, m_breakdownCurrent, m_breakdownCritical;
};

}  // namespace glimmet::core::circuit
