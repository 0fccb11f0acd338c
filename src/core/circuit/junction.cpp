#include "core/circuit/junction.h"

#include "core/quantity/thermal_voltage.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace glimmet::core::circuit {
namespace {

constexpr double mostCurrent = 1e6;  // A, where the exponential is continued by its tangent

/// scale·exp(x) with its slope in x; linear beyond mostCurrent.
JunctionPoint exponential(double scale, double x) {
    const double knee = std::log(mostCurrent / scale);
    if (x <= knee) {
        const double value = scale * std::exp(x);
        return {value, value};
    }
    return {mostCurrent * (1 + x - knee), mostCurrent};
}

double limitedForward(double wanted, double before, double slope, double critical) {
    if (wanted <= critical || std::abs(wanted - before) <= 2 * slope) return wanted;
    if (before > 0) {
        const double growth = 1 + (wanted - before) / slope;
        return growth > 0 ? before + slope * std::log(growth) : critical;
    }
    return slope * std::log(wanted / slope);
}

}  // namespace

Junction::Junction(const DiodeModel& model)
    : m_saturation(model.saturation.value()),
      m_slope(model.emission * thermalVoltage),
      m_series(model.series.value()),
      m_critical(m_slope * std::log(m_slope / (std::numbers::sqrt2 * m_saturation))),
      m_breakdown(model.breakdown.value()),
      m_breakdownCurrent(model.breakdownCurrent.value()),
      m_breakdownCritical(m_slope *
                          std::log(m_slope / (std::numbers::sqrt2 * m_breakdownCurrent))) {}

JunctionPoint Junction::at(double volts) const {
    const JunctionPoint forward = exponential(m_saturation, volts / m_slope);
    JunctionPoint point{forward.current - m_saturation + junctionLeak * volts,
                        forward.conductance / m_slope + junctionLeak};
    if (std::isfinite(m_breakdown)) {
        const JunctionPoint reverse =
            exponential(m_breakdownCurrent, -(volts + m_breakdown) / m_slope);
        point.current -= reverse.current;
        point.conductance += reverse.conductance / m_slope;
    }
    return point;
}

Junction::Branch Junction::atJunction(double junction, double extraConductance) const {
    JunctionPoint point = at(junction);
    point.current += extraConductance * junction;
    point.conductance += extraConductance;
    return {junction, junction + m_series * point.current, point.current,
            point.conductance / (1 + m_series * point.conductance)};
}

Junction::Branch Junction::across(double volts, double near, double extraConductance) const {
    if (!(m_series > 0)) return atJunction(volts, extraConductance);
    double junction = near;
    Branch branch = atJunction(junction, extraConductance);
    if (!(std::abs(branch.volts - volts) < m_slope)) {
        // An upper bound of the junction's share: all of the voltage across Rs would drive
        // volts/Rs.
        junction = volts;
        if (volts > 0) {
            junction = std::min(volts, m_slope * std::log1p(volts / (m_series * m_saturation)));
        } else if (std::isfinite(m_breakdown) && volts < -m_breakdown) {
            const double beyond = -volts - m_breakdown;
            junction =
                -m_breakdown -
                std::min(beyond, m_slope * std::log1p(beyond / (m_series * m_breakdownCurrent)));
        }
        branch = atJunction(junction, extraConductance);
    }
    for (int step = 0; step < 60; ++step) {
        // d(branch volts)/d(junction) = 1 + Rs·g; with G = g/(1 + Rs·g) that is 1/(1 − Rs·G).
        const double change = (branch.volts - volts) * (1 - m_series * branch.conductance);
        if (std::abs(change) <= 1e-13 * std::abs(junction) + 1e-15) break;
        junction -= change;
        branch = atJunction(junction, extraConductance);
    }
    return branch;
}

double Junction::limited(double wanted, double before) const {
    if (std::isfinite(m_breakdown) && wanted < -m_breakdown / 2) {
        const double mirrored = limitedForward(-(wanted + m_breakdown), -(before + m_breakdown),
                                               m_slope, m_breakdownCritical);
        return -mirrored - m_breakdown;
    }
    return limitedForward(wanted, before, m_slope, m_critical);
}

}  // namespace glimmet::core::circuit
