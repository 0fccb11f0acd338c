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
constexpr double negligible = -45;        // exp of it times any breakdown current is no current
constexpr double saturationExponent = 3;  // XTI of SPICE

struct Exponential {
    double value, slope;
};
/// scale·exp(x); a straight line beyond `steepest`. Value and slope in x.
Exponential exponential(double scale, double x, double steepest) {
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
    : saturation(model.saturation.value()), series(model.series.value() + outside) {
    const double warmth = model.temperature.value() / nominal;
    slope = model.emission * thermalVoltage * warmth;
    if (std::abs(warmth - 1) > 0) {
        saturation *= std::exp((warmth - 1) * model.bandGap / slope +
                               saturationExponent / model.emission * std::log(warmth));
    }
    logSaturation = std::log(saturation);
    steepest = std::log(mostCurrent) - logSaturation;
    critical = slope * (std::log(slope / std::numbers::sqrt2) - logSaturation);
    breaks = std::isfinite(model.breakdown.value());
    lowest = -std::numeric_limits<double>::infinity();
    if (breaks) {
        breakdown = model.breakdown.value();
        breakdownCurrent = model.breakdownCurrent.value();
        lowest = -breakdown - negligible * slope;
        breakdownSteepest = std::log(mostCurrent / breakdownCurrent);
        breakdownCritical = slope * std::log(slope / (std::numbers::sqrt2 * breakdownCurrent));
    }
}

double Junction::voltsFor(double amps) const {
    return slope * std::max(0.0, std::log(amps) - logSaturation);
}

JunctionBranch Junction::atJunction(double volts, double extra) const {
    const Exponential forward = exponential(saturation, volts / slope, steepest);
    double current = forward.value - saturation + (junctionLeak + extra) * volts;
    double conductance = forward.slope / slope + junctionLeak + extra;
    if (volts < lowest) {
        const Exponential reverse =
            exponential(breakdownCurrent, -(volts + breakdown) / slope, breakdownSteepest);
        current -= reverse.value;
        conductance += reverse.slope / slope;
    }
    return {volts, volts + series * current, current, conductance / (1 + series * conductance)};
}

JunctionBranch Junction::across(double volts, double near, double extra) const {
    if (!(series > 0)) return atJunction(volts, extra);
    double junction = near;
    JunctionBranch branch = atJunction(junction, extra);
    if (!(std::abs(branch.volts - volts) * (1 - series * branch.conductance) < slope)) {
        // An upper bound of the junction's share: all of the voltage across Rs would drive
        // volts/Rs.
        junction = volts;
        if (volts > 0) {
            junction = std::min(volts, slope * std::log1p(volts / (series * saturation)));
        } else if (breaks && volts < -breakdown) {
            const double beyond = -volts - breakdown;
            junction = -breakdown -
                       std::min(beyond, slope * std::log1p(beyond / (series * breakdownCurrent)));
        }
        branch = atJunction(junction, extra);
    }
    for (int step = 0; step < 60; ++step) {
        // d(branch volts)/d(junction) = 1 + Rs·g; with G = g/(1 + Rs·g) that is 1/(1 − Rs·G).
        const double share = 1 - series * branch.conductance;
        const double change = (branch.volts - volts) * share;
        if (std::abs(change) <= 1e-13 * std::abs(junction) + 1e-15) break;
        junction -= change;
        branch = atJunction(junction, extra);
    }
    return branch;
}

double Junction::limited(double wanted, double before) const {
    if (breaks && wanted < -breakdown / 2) {
        const double mirrored =
            limitedForward(-(wanted + breakdown), -(before + breakdown), slope, breakdownCritical);
        return -mirrored - breakdown;
    }
    return limitedForward(wanted, before, slope, critical);
}

}  // namespace glimmet::core::circuit
