#include "core/circuit/junction.h"

#include "core/quantity/thermal_voltage.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

namespace glimmet::core::circuit {
namespace {

constexpr double nominal = 300.15;        // K, where models are given
constexpr double mostCurrent = 1e6;       // A, where the exponential goes on as its tangent
constexpr double noCurrent = 1e-22;       // A
constexpr double kneeCurrent = 3e-4;      // A
constexpr double negligible = -45;        // exp of it times any breakdown current is no current
constexpr double saturationExponent = 3;  // XTI of SPICE

/// scale·exp(x); a straight line beyond `steepest`. Value and slope in x.
JunctionPoint exponential(double scale, double x, double steepest) {
    if (x <= steepest) {
        const double value = scale * std::exp(x);
        return {value, value};
    }
    return {mostCurrent * (1 + x - steepest), mostCurrent};
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

Junction::Junction(const DiodeModel& model, double outside)
    : m_saturation(model.saturation.value()), m_series(model.series.value() + outside) {
    const double warmth = model.temperature.value() / nominal;
    m_slope = model.emission * thermalVoltage * warmth;
    m_inverseSlope = 1 / m_slope;
    if (std::abs(warmth - 1) > 0) {
        m_saturation *= std::exp((warmth - 1) * model.bandGap * m_inverseSlope +
                                 saturationExponent / model.emission * std::log(warmth));
    }
    m_logSaturation = std::log(m_saturation);
    m_steepest = std::log(mostCurrent) - m_logSaturation;
    m_critical = m_slope * (std::log(m_slope / std::numbers::sqrt2) - m_logSaturation);
    m_knee = m_slope * std::max(0.0, std::log(kneeCurrent) - m_logSaturation);
    if (m_series > 0) {
        m_behind = 1 / (1 + m_series * junctionLeak);
        m_omegaSlope = m_behind * m_inverseSlope;
        const double share = m_series * m_omegaSlope;  // of N·Vt, for an ampere
        m_omegaShift = m_saturation * share + m_logSaturation + std::log(share);
        m_omegaScale = 1 / share;
        m_omegaStart = std::max(std::log(noCurrent * share), -700.0);
        m_inverseSeries = 1 / m_series;
    }
    m_breaks = std::isfinite(model.breakdown.value());
    m_lowest = -std::numeric_limits<double>::infinity();
    if (m_breaks) {
        m_breakdown = model.breakdown.value();
        m_breakdownCurrent = model.breakdownCurrent.value();
        m_lowest = -m_breakdown - negligible * m_slope;
        m_breakdownSteepest = std::log(mostCurrent / m_breakdownCurrent);
        m_breakdownCritical =
            m_slope * std::log(m_slope / (std::numbers::sqrt2 * m_breakdownCurrent));
    }
}

JunctionPoint Junction::at(double volts) const {
    const JunctionPoint forward = exponential(m_saturation, volts * m_inverseSlope, m_steepest);
    JunctionPoint point{forward.current - m_saturation + junctionLeak * volts,
                        forward.conductance * m_inverseSlope + junctionLeak};
    if (m_breaks) {
        const double x = -(volts + m_breakdown) * m_inverseSlope;
        if (volts < m_lowest) {
            const JunctionPoint reverse = exponential(m_breakdownCurrent, x, m_breakdownSteepest);
            point.current -= reverse.current;
            point.conductance += reverse.conductance * m_inverseSlope;
        }
    }
    return point;
}

JunctionBranch Junction::atJunction(double junction, double extraConductance) const {
    JunctionPoint point = at(junction);
    point.current += extraConductance * junction;
    point.conductance += extraConductance;
    return {junction,
            junction + m_series * point.current,
            point.current,
            point.conductance / (1 + m_series * point.conductance),
            {}};
}

JunctionBranch Junction::acrossByNewton(double volts, double near, double extraConductance) const {
    if (!(m_series > 0)) return atJunction(volts, extraConductance);
    double junction = near;
    JunctionBranch branch = atJunction(junction, extraConductance);
    if (!(std::abs(branch.volts - volts) * (1 - m_series * branch.conductance) < m_slope)) {
        // An upper bound of the junction's share: all of the voltage across Rs would drive
        // volts/Rs.
        junction = volts;
        if (volts > 0) {
            junction = std::min(volts, m_slope * std::log1p(volts / (m_series * m_saturation)));
        } else if (m_breaks && volts < -m_breakdown) {
            const double beyond = -volts - m_breakdown;
            junction =
                -m_breakdown -
                std::min(beyond, m_slope * std::log1p(beyond / (m_series * m_breakdownCurrent)));
        }
        branch = atJunction(junction, extraConductance);
    }
    for (int step = 0; step < 60; ++step) {
        // d(branch volts)/d(junction) = 1 + Rs·g; with G = g/(1 + Rs·g) that is 1/(1 − Rs·G).
        const double share = 1 - m_series * branch.conductance;
        const double change = (branch.volts - volts) * share;
        if (std::abs(change) <= 1e-13 * std::abs(junction) + 1e-15) break;
        junction -= change;
        branch = atJunction(junction, extraConductance);
    }
    return branch;
}

double Junction::limited(double wanted, double before) const {
    if (m_breaks && wanted < -m_breakdown / 2) {
        const double mirrored = limitedForward(-(wanted + m_breakdown), -(before + m_breakdown),
                                               m_slope, m_breakdownCritical);
        return -mirrored - m_breakdown;
    }
    return limitedForward(wanted, before, m_slope, m_critical);
}

}  // namespace glimmet::core::circuit
