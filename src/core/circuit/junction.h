// A diode: what its junction and the resistance in series with it carry at a voltage.
#pragma once

#include "core/circuit/circuit.h"

namespace glimmet::core::circuit {

/// Conductance across every junction, as general simulators have it: it keeps nodes between
/// blocked junctions defined. A/V.
inline constexpr double junctionLeak = 1e-12;

/// A diode as one branch: its junction and the resistance in series with it, at a voltage.
struct JunctionBranch {
    double junction = 0;     ///< V across the junction alone
    double volts = 0;        ///< V across both
    double current = 0;      ///< A
    double conductance = 0;  ///< dI/dV of both, A/V, > 0
};

/// A diode's law (DiodeModel, and junctionLeak) made ready: temperature and the resistance outside
/// it are worked in. Units V, A, Ω.
struct Junction {
    Junction() = default;
    /// `outside`: resistance in series with the diode, on top of its own.
    Junction(const DiodeModel& model, double outside);

    double saturation = 0, logSaturation = 0;  ///< Is
    double slope = 1;                          ///< N·Vt
    double series = 0;                         ///< Rs, its own and outside
    bool breaks = false;
    double breakdown = 0, breakdownCurrent = 0;
    double lowest = 0;    ///< V below which breakdown counts; -inf
    double steepest = 0;  ///< V/(N·Vt) above which the exponential is a straight line
    double critical = 0;  ///< V above which steps are cut
    double breakdownSteepest = 0, breakdownCritical = 0;

    /// V across the junction while it carries a current > 0, the leak aside.
    [[nodiscard]] double voltsFor(double amps) const;
    /// The branch with a given voltage across its junction. Beyond 1e6 A the exponential goes on as
    /// a straight line, so that no iterate overflows. `extra`: A/V across the junction on top.
    [[nodiscard]] JunctionBranch atJunction(double volts, double extra) const;
    /// The branch with a given voltage across both, by Newton's method on the junction's share.
    /// `near`: where that may be.
    [[nodiscard]] JunctionBranch across(double volts, double near, double extra) const;
    /// The voltage to take instead of `wanted`, coming from `before`: a step into the steep part of
    /// the exponential is cut to what the current's logarithm allows. Source: L. W. Nagel, SPICE2
    /// (ERL-M520, 1975), the junction limiting of its appendix; mirrored for breakdown.
    [[nodiscard]] double limited(double wanted, double before) const;
};

}  // namespace glimmet::core::circuit
