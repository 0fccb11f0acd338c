// The nonlinear part of a diode: current and slope at a junction voltage, and how far a Newton
// step may move it.
#pragma once

#include "core/circuit/circuit.h"
#include "core/circuit/wright_omega.h"

#include <cmath>

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
    /// A place on the curve from which across() can go on, where there is one; omega is 0 else.
    struct Anchor {
        double omega = 0, share = 0;  ///< ω and 1/(1 + ω)
        double volts = 0;
    } anchor;
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
    [[nodiscard]] double seriesResistance() const { return m_series; }
    /// Where an iteration may begin: the junction at 0.3 mA, a little below where lamps work. From
    /// there signs of currents are found in one step, and their sizes in a few.
    [[nodiscard]] double knee() const { return m_knee; }
    /// Whether the junction, not the resistance in series, has the larger say in how the branch's
    /// current and voltage go together at a current.
    [[nodiscard]] bool rules(double current) const { return m_series * current < 4 * m_slope; }
    /// Of a current what the exponential carries: above −Is. The leak is taken as at `near`.
    [[nodiscard]] double forwardPart(double current, const JunctionBranch& near) const {
        return current - junctionLeak * near.junction;
    }
    /// Whether that is a forward current.
    [[nodiscard]] bool passes(double forwardPart) const { return forwardPart > m_saturation; }
    /// The branch whose exponential carries a part that passes().
    [[nodiscard]] JunctionBranch carrying(double forwardPart) const {
        const double forward = forwardPart + m_saturation;
        const double junction = m_slope * (std::log(forward) - m_logSaturation);
        const double total = forwardPart + junctionLeak * junction;
        const double volts = junction + m_series * total;
        const double slope = forward * m_inverseSlope + junctionLeak;
        const double share = 1 / (1 + m_series * slope);
        const double omega = forward * m_series * m_omegaSlope;
        return {junction, volts, total, slope * share, {omega, share, volts}};
    }
    /// The branch with a given voltage across its junction.
    [[nodiscard]] JunctionBranch atJunction(double junction, double extraConductance) const;
    /// The branch with a given voltage across both. `near`: the branch at another voltage, which
    /// saves work where that is close. In closed form by the Wright omega function, in breakdown by
    /// Newton's method on the junction's share.
    [[nodiscard]] JunctionBranch across(double volts, const JunctionBranch& near,
                                        double extraConductance) const {
        if (extraConductance > 0 || !(m_series > 0) || volts < m_lowest)
            return acrossByNewton(volts, near.junction, extraConductance);
        // Rs and the leak divide the voltage as a source of s·V behind s·Rs, s = 1/(1 + Rs·leak).
        const JunctionBranch::Anchor& known = near.anchor;
        const double moved = (volts - known.volts) * m_omegaSlope;
        const double z = volts * m_omegaSlope + m_omegaShift;
        double omega = 0;
        if (const double first = std::abs(moved * known.share);
            known.omega > 0 && first < besideShare) {
            omega = wrightOmegaBeside(known.omega, known.share, moved);
        } else if (known.omega > 1e-15 && first < 0.5) {
            omega = wrightOmegaNear(z, known.omega * (1 + moved * known.share));
        } else if (z > m_omegaStart) {
            omega = wrightOmega(z);
        }
        const double current = m_omegaScale * omega - m_saturation;
        const double junction = m_behind * (volts - m_series * current);
        const double share = 1 / (1 + omega);  // of the junction in a change of volts, over s
        return {junction,
                volts,
                current + junctionLeak * junction,
                (m_inverseSeries * omega + junctionLeak * m_behind) * share,
                {omega, share, volts}};
    }

    /// The voltage to take instead of `wanted`, coming from `before`: a step into the steep part of
    /// the exponential is cut to what the current's logarithm allows. Source: L. W. Nagel, SPICE2
    /// (ERL-M520, 1975), the junction limiting of its appendix; mirrored for breakdown.
    [[nodiscard]] double limited(double wanted, double before) const;

private:
    [[nodiscard]] JunctionBranch acrossByNewton(double volts, double near,
                                                double extraConductance) const;

    double m_saturation = 0, m_logSaturation = 0;  ///< Is
    double m_slope = 1;                            ///< N·Vt
    double m_inverseSlope = 1;
    double m_series = 0;
    double m_behind = 1;  ///< s of across()
    double m_omegaSlope = 1, m_omegaShift = 0,
           m_omegaScale = 0;  ///< z = slope·V + shift; I = scale·ω − Is
    double m_omegaStart = 0;  ///< z below which the exponential carries less than 1e-22 A
    double m_inverseSeries = 0;
    double m_lowest = 0;    ///< V below which breakdown counts
    double m_steepest = 0;  ///< V/(N·Vt) above which the exponential is a straight line
    double m_critical = 0;  ///< V above which steps are cut
    double m_knee = 0;
    bool m_breaks = false;
    double m_breakdown = 0, m_breakdownCurrent = 0, m_breakdownSteepest = 0,
           m_breakdownCritical = 0;
};

}  // namespace glimmet::core::circuit
