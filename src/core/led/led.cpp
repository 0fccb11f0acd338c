#include "core/led/led.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cassert>
#include <cmath>

namespace glimmet::core {

FamilyValues familyValues(LedFamily family) {
    const Amperes limit{0.025};
    switch (family) {
        case LedFamily::Red:
        case LedFamily::Amber:
        case LedFamily::Yellow:
            return {Volts{1.8}, Volts{2.0}, Volts{2.4}, 2.0, Ohms{5}, limit};
        case LedFamily::Green:
            return {Volts{1.9}, Volts{2.2}, Volts{2.6}, 2.0, Ohms{8}, limit};
        case LedFamily::TrueGreen:
        case LedFamily::Blue:
        case LedFamily::White:
        case LedFamily::UltraViolet:
            break;
    }
    return {Volts{2.8}, Volts{3.1}, Volts{3.5}, 2.9, Ohms{12}, limit};
}

Volts LedLaw::voltage(Amperes current) const {
    const double i = current.value();
    return Volts{emission * thermalVoltage * std::log1p(i / saturation.value()) +
                 i * series.value()};
}

Ohms LedLaw::slope(Amperes current) const {
    return Ohms{emission * thermalVoltage / (current.value() + saturation.value()) +
                series.value()};
}

circuit::DiodeModel diodeModel(const LedLaw& law, std::string name) {
    circuit::DiodeModel model;
    model.name = std::move(name);
    model.saturation = law.saturation;
    model.emission = law.emission;
    model.series = law.series;
    // dV/dT = (V − Eg)/T − 3·Vt/T of the junction at a constant current: Eg is what makes that the
    // usual fall of an LED at 10 mA.
    const double junction = (law.voltage(Amperes{0.01}) - Amperes{0.01} * law.series).value();
    model.bandGap =
        std::max(0.0, junction + model.temperature.value() * ledFallPerKelvin - 3 * thermalVoltage);
    return model;
}

Result<LedLaw> ledLawThrough(ForwardPoint point, double emission, Ohms series) {
    const auto refuse = [](const char* field, Text what) {
        return failure(ErrorCode::OutOfRange, field, std::move(what));
    };
    if (!(emission > 0)) return refuse("n", text("The emission coefficient must be above 0."));
    if (!(series >= Ohms{0}))
        return refuse("rs_ohm", text("A series resistance cannot be negative."));
    if (!(point.current > Amperes{0}))
        return refuse("at_A", text("The test current must be above 0 A."));
    const double junction = point.voltage.value() - point.current.value() * series.value();
    if (!(junction > 0)) {
        return refuse("vf_V", text("The forward voltage must be above the drop across the LED's "
                                   "own series resistance at the test current."));
    }
    const double saturation =
        point.current.value() / std::expm1(junction / (emission * thermalVoltage));
    if (!(saturation > 0) || !std::isfinite(saturation)) {
        return refuse("vf_V", text("The forward voltage is beyond what an LED law can describe."));
    }
    return LedLaw{emission, Amperes{saturation}, series};
}

Result<LedLaw> ledLawThrough(ForwardPoint lower, ForwardPoint upper, Ohms series) {
    const double rise = (upper.voltage.value() - upper.current.value() * series.value()) -
                        (lower.voltage.value() - lower.current.value() * series.value());
    const double ratio = upper.current.value() / lower.current.value();
    if (!(lower.current > Amperes{0}) || !(ratio > 1) || !(rise > 0)) {
        return failure(ErrorCode::OutOfRange, "points",
                       text("The two points must rise in current and in voltage, beyond what the "
                            "series resistance alone explains."));
    }
    return ledLawThrough(upper, rise / (thermalVoltage * std::log(ratio)), series);
}

Result<LedLaw> ledLawFitted(std::span<const ForwardPoint> points, LedFamily family) {
    const FamilyValues values = familyValues(family);
    if (points.empty()) {
        return failure(ErrorCode::Missing, "points", text("A fit needs at least one point."));
    }
    if (points.size() == 1) return ledLawThrough(points[0], values.emission, values.series);
    if (points.size() == 2) {
        const bool rising = points[0].current < points[1].current;
        return ledLawThrough(points[rising ? 0 : 1], points[rising ? 1 : 0], values.series);
    }
    const auto rows = static_cast<Eigen::Index>(points.size());
    const auto fitted = [&](Eigen::Index unknowns) {
        Eigen::MatrixXd terms(rows, unknowns);
        Eigen::VectorXd volts(rows);
        for (Eigen::Index i = 0; i < rows; ++i) {
            const ForwardPoint& point = points[static_cast<std::size_t>(i)];
            terms(i, 0) = std::log(point.current.value());
            terms(i, 1) = 1;
            if (unknowns == 3) terms(i, 2) = point.current.value();
            volts(i) = point.voltage.value();
        }
        return Eigen::VectorXd(terms.colPivHouseholderQr().solve(volts));
    };
    const auto unusable = [] {
        return failure(ErrorCode::OutOfRange, "points",
                       text("No LED law comes near these points: voltage and current must be above "
                            "0 and rise together."));
    };
    for (const ForwardPoint& point : points) {
        if (!(point.current > Amperes{0}) || !(point.voltage > Volts{0})) return unusable();
    }
    Eigen::VectorXd found = fitted(3);
    double series = found(2);
    if (!(series >= 0)) {
        found = fitted(2);
        series = 0;
    }
    const double emission = found(0) / thermalVoltage;
    const double saturation = std::exp(-found(1) / found(0));
    if (!(emission > 0) || !(saturation > 0) || !std::isfinite(saturation)) return unusable();
    return LedLaw{emission, Amperes{saturation}, Ohms{series}};
}

namespace {
LedLaw familyLaw(LedFamily family, Volts forward) {
    const FamilyValues values = familyValues(family);
    const auto law =
        ledLawThrough({forward, Amperes{familyTestCurrent}}, values.emission, values.series);
    assert(law.has_value());  // the table's values are inside the law's range
    return *law;
}
}  // namespace

LedLaw typicalLaw(LedFamily family) { return familyLaw(family, familyValues(family).typical); }
LedLaw lowestLaw(LedFamily family) { return familyLaw(family, familyValues(family).lowest); }
LedLaw highestLaw(LedFamily family) { return familyLaw(family, familyValues(family).highest); }

}  // namespace glimmet::core
