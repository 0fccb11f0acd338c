#include "core/led/wired_lamp.h"

#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

constexpr LedFamily everyFamily[] = {LedFamily::Red,       LedFamily::Amber,      LedFamily::Yellow,
                                     LedFamily::Green,     LedFamily::White,      LedFamily::Blue,
                                     LedFamily::TrueGreen, LedFamily::UltraViolet};
constexpr int mostInSeries = 3;
constexpr double apart = 1.15;  ///< currents, for their difference to mean anything
constexpr double halfADigit = 0.0025;
constexpr Volts meterError{0.06};   ///< that a batch's edges are widened by
constexpr Ohms leastResistor{-15};  ///< a bare LED's law may be so much flatter than its family's

struct Fit {
    LedFamily family{};
    int inSeries = 1;
    Volts forward{};  ///< of each LED at 20 mA
    Ohms resistor{};
    double off = 0;  ///< how far from the family's usual, in halves of its batch
};

/// The straight line V − n·N·Vt·ln(I/20 mA) = a + R·I, and what that makes of LEDs of a family.
std::optional<Fit> fitted(std::span<const ForwardPoint> readings, LedFamily family, int n) {
    const FamilyValues values = familyValues(family);
    double sumI = 0, sumV = 0, sumII = 0, sumIV = 0;
    for (const ForwardPoint& reading : readings) {
        const double i = reading.current.value();
        const double v = reading.voltage.value() -
                         n * values.emission * thermalVoltage * std::log(i / familyTestCurrent);
        sumI += i;
        sumV += v;
        sumII += i * i;
        sumIV += i * v;
    }
    const auto count = static_cast<double>(readings.size());
    const double slope = (count * sumIV - sumI * sumV) / (count * sumII - sumI * sumI);
    const double level = (sumV - slope * sumI) / count;
    Fit fit{family, n, Volts{level / n + values.series.value() * familyTestCurrent},
            Ohms{slope} - values.series * static_cast<double>(n), 0};
    if (fit.resistor < leastResistor * static_cast<double>(n)) return {};
    // Half a digit of three, carried from the readings down to the LED: the closer the readings lie
    // together, the further it reaches.
    const ForwardPoint &low = readings.front(), &high = readings.back();
    const Volts error = meterError + high.voltage * halfADigit *
                                         (high.voltage / (high.voltage - low.voltage)) /
                                         static_cast<double>(n);
    if (fit.forward < values.lowest - error || fit.forward > values.highest + error) return {};
    const double half = (values.highest - values.lowest).value() / 2;
    fit.off = std::abs((fit.forward - values.typical).value()) / half;
    return fit;
}

tl::unexpected<Error> refused(ErrorCode code, Text what) {
    return failure(code, "readings", std::move(what));
}

Result<WiredLamp> fromOne(const ForwardPoint& reading, LedFamily family) {
    const LedLaw typical = typicalLaw(family);
    const Volts over = reading.voltage - typical.voltage(reading.current);
    if (over < Volts{-0.3}) {
        return refused(ErrorCode::OutOfRange,
                       text("%1 is less than an LED of that colour needs at %2.",
                            formatted(reading.voltage), formatted(reading.current)));
    }
    WiredLamp made{
        WiredLamp::Kind::Leds, 0, std::max(Ohms{0}, over / reading.current), 1, {family}, {}};
    const FamilyValues values = familyValues(family);
    const auto law = ledLawThrough(reading, values.emission, values.series + made.resistor);
    if (!law) return tl::unexpected(law.error());
    made.law = *law;
    return made;
}

}  // namespace

Result<WiredLamp> wiredLamp(std::span<const ForwardPoint> readings,
                            std::optional<LedFamily> family) {
    if (readings.empty()) {
        return refused(ErrorCode::Missing, text("Read the lamp at one voltage and at another."));
    }
    std::vector<ForwardPoint> sorted(readings.begin(), readings.end());
    std::sort(sorted.begin(), sorted.end(),
              [](const auto& a, const auto& b) { return a.voltage < b.voltage; });
    for (const ForwardPoint& each : sorted) {
        if (!(each.voltage > Volts{0}) || !(each.current > Amperes{0})) {
            return refused(ErrorCode::OutOfRange, text("Volts and amperes are above 0."));
        }
    }
    if (sorted.size() == 1) {
        if (family) return fromOne(sorted.front(), *family);
        return refused(ErrorCode::Missing,
                       text("One reading alone tells nothing of what is inside: take another at "
                            "about two thirds of the volts, or say its colour."));
    }
    for (std::size_t i = 1; i < sorted.size(); ++i) {
        if (sorted[i].current <= sorted[i - 1].current) {
            return refused(ErrorCode::OutOfRange,
                           text("At %1 it took %2 and at %3 only %4: more volts give more current.",
                                formatted(sorted[i - 1].voltage), formatted(sorted[i - 1].current),
                                formatted(sorted[i].voltage), formatted(sorted[i].current)));
        }
    }
    const ForwardPoint &low = sorted.front(), &high = sorted.back();
    if (high.current < low.current * apart) {
        return refused(ErrorCode::OutOfRange,
                       text("The readings lie too close together: take one at about two thirds of "
                            "the volts."));
    }
    WiredLamp made;
    made.exponent = std::log((high.current / low.current).value()) /
                    std::log((high.voltage / low.voltage).value());
    if (made.exponent < 0.85) {
        made.kind = WiredLamp::Kind::Filament;
        made.resistor = high.voltage / high.current;
        return made;
    }
    std::vector<Fit> fits;
    for (int n = 1; n <= mostInSeries; ++n) {
        for (const LedFamily each : everyFamily) {
            if (family && each != *family) continue;
            if (auto fit = fitted(sorted, each, n)) fits.push_back(*fit);
        }
    }
    if (fits.empty()) {
        if (made.exponent < 1.06) {
            made.kind = WiredLamp::Kind::Resistor;
            made.resistor = high.voltage / high.current;
            return made;
        }
        return refused(
            ErrorCode::OutOfRange,
            family ? text("These are no readings of such an LED with a resistor. Leave its colour "
                          "out to see what they could be of.")
                   : text("These are no readings of one to three LEDs with a resistor, of a "
                          "resistor or of a bulb: read again, both ways round."));
    }
    // Of two that read so, the one of fewer LEDs, unless it lies far from what is usual.
    const auto rank = [](const Fit& fit) { return fit.off + 0.5 * (fit.inSeries - 1); };
    std::stable_sort(fits.begin(), fits.end(),
                     [&](const Fit& a, const Fit& b) { return rank(a) < rank(b); });
    const Fit best = fits.front();
    made.kind = WiredLamp::Kind::Leds;
    made.inSeries = best.inSeries;
    made.resistor = std::max(Ohms{0}, best.resistor);
    for (const Fit& each : fits) {
        if (each.inSeries == best.inSeries) made.families.push_back(each.family);
    }
    const FamilyValues values = familyValues(best.family);
    const double n = best.inSeries;
    const auto law = ledLawThrough(high, n * values.emission, values.series * n + made.resistor);
    if (!law) return tl::unexpected(law.error());
    made.law = *law;
    return made;
}

}  // namespace glimmet::core
