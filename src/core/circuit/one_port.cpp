#include "core/circuit/one_port.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::circuit {
namespace {

constexpr double blockedConductance = 1e-9;  // A/V
constexpr double tungsten = 1.2;             // exponent of its resistance over temperature
constexpr double polyfuseRise = 1e5;         // tripped over cold resistance
constexpr double polyfuseWidth = 4.0;        // K, of the logistic curve
constexpr double hottest = 1e5;              // K, where a search for a temperature ends

template <class Law>
constexpr bool warms = std::is_same_v<Law, Filament> || std::is_same_v<Law, Polyfuse>;

OnePortPoint point(const CurrentLimiter& limiter, double volts) {
    const double limit = limiter.limit.value();
    if (volts < 0 && !limiter.bothWays) return {blockedConductance * volts, blockedConductance, 0};
    const double share = std::tanh(volts / (limiter.resistance.value() * limit));
    // The last trace of slope keeps a fully limiting element connected.
    return {limit * share + blockedConductance * volts,
            (1 - share * share) / limiter.resistance.value() + blockedConductance, 0};
}

OnePortPoint point(const Load& load, double volts) {
    const double fold = load.fold.value();
    const double power = load.power.value();
    const double current = load.current.value();
    const double size = std::abs(volts);
    OnePortPoint made;
    if (size >= fold) {
        made.current = std::copysign(power / size + current, volts);
        made.conductance = -power / (size * size);
    } else {
        const double square = fold * fold;
        const double below = square * square + std::pow(volts, 4);
        const double x = volts / fold;
        made.current = 2 * power * square * volts / below + current * x * (3 - x * x) / 2;
        made.conductance =
            2 * power * square * (square * square - 3 * std::pow(volts, 4)) / (below * below) +
            current * 1.5 * (1 - x * x) / fold;
    }
    return made;
}

double rate(const Thermal& at, double volts) {
    return (volts * volts / at.resistance - at.loss) / at.capacity;
}
/// d(dT/dt)/dT: never positive, because resistance and loss rise with temperature.
double rateSlope(const Thermal& at, double volts) {
    const double r = at.resistance;
    return (-volts * volts / (r * r) * at.resistanceSlope - at.lossSlope) / at.capacity;
}

/// The temperature at which T = base + weight·dT/dt, or dT/dt = 0: the difference falls strictly
/// with T, so Newton's method is kept inside the interval that holds the answer.
template <class Law>
double temperatureOf(const Law& law, double volts, const ThermalStage& stage, double near) {
    double low = 1;
    double high = hottest;
    double temperature = std::clamp(near, low, high);
    for (int step = 0; step < 200; ++step) {
        const Thermal now = thermal(law, temperature);
        const double excess = stage.atRest
                                  ? -rate(now, volts)
                                  : temperature - stage.base - stage.weight * rate(now, volts);
        const double slope =
            stage.atRest ? -rateSlope(now, volts) : 1 - stage.weight * rateSlope(now, volts);
        (excess > 0 ? high : low) = temperature;
        double next = temperature - excess / slope;
        if (!(next > low && next < high)) next = (low + high) / 2;
        const bool still = std::abs(next - temperature) <= 1e-13 * temperature;
        temperature = next;
        if (still) break;
    }
    return temperature;
}

template <class Law>
OnePortPoint warmPoint(const Law& law, double volts, const ThermalStage& stage, double near) {
    const double temperature = temperatureOf(law, volts, stage, near);
    const Thermal now = thermal(law, temperature);
    const double r = now.resistance;
    // dT/dV from the condition that temperatureOf() solves.
    const double heat = 2 * volts / (r * now.capacity);
    const double slope = rateSlope(now, volts);
    const double perVolt =
        stage.atRest ? heat / -slope : stage.weight * heat / (1 - stage.weight * slope);
    return {volts / r, 1 / r - volts / (r * r) * now.resistanceSlope * perVolt, temperature};
}

}  // namespace

Thermal thermal(const Filament& bulb, double temperature) {
    const double hot = bulb.rated.value() / bulb.ratedCurrent.value();
    const double power = bulb.rated.value() * bulb.ratedCurrent.value();
    const double share = bulb.coldShare;
    const double full = ambient * std::pow(share, -1 / tungsten);  // K, when fully lit
    const double radiated = std::pow(full, 4) - std::pow(ambient, 4);
    const double fullSlope = 4 * power * std::pow(full, 3) / radiated;
    Thermal at;
    at.resistance = hot * share * std::pow(temperature / ambient, tungsten);
    at.resistanceSlope = tungsten * at.resistance / temperature;
    at.loss = power * (std::pow(temperature, 4) - std::pow(ambient, 4)) / radiated;
    at.lossSlope = 4 * power * std::pow(temperature, 3) / radiated;
    at.capacity = bulb.lag.value() * fullSlope;
    return at;
}

Thermal thermal(const Polyfuse& fuse, double temperature) {
    const double rise = polyfuseTrips - ambient;
    const double held = fuse.resistance.value() * fuse.hold.value() * fuse.hold.value();
    const double steep = std::exp(-(temperature - polyfuseTrips) / polyfuseWidth);
    const double share = 1 / (1 + steep);
    Thermal at;
    at.resistance = fuse.resistance.value() * std::pow(polyfuseRise, share);
    at.resistanceSlope =
        at.resistance * std::log(polyfuseRise) * share * (1 - share) / polyfuseWidth;
    at.lossSlope = held / (0.8 * rise);
    at.loss = at.lossSlope * (temperature - ambient);
    at.capacity = 25 * held * fuse.tripTime.value() / rise;
    return at;
}

bool hasTemperature(const OnePortLaw& law) {
    return std::visit([]<class Law>(const Law&) { return warms<Law>; }, law);
}

OnePortPoint at(const OnePortLaw& law, double volts, const ThermalStage& stage, double near) {
    return std::visit(
        [&]<class Law>(const Law& each) {
            if constexpr (warms<Law>)
                return warmPoint(each, volts, stage, near);
            else
                return point(each, volts);
        },
        law);
}

double heating(const OnePortLaw& law, double volts, double temperature) {
    return std::visit(
        [&]<class Law>(const Law& each) {
            if constexpr (warms<Law>)
                return rate(thermal(each, temperature), volts);
            else
                return 0.0;
        },
        law);
}

}  // namespace glimmet::core::circuit
