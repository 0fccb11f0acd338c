// Circuits whose parts are off: corners, chance, faults, sensitivities.
#include "core/circuit/variation.h"

#include "core/circuit/fault.h"
#include "core/circuit/monte_carlo.h"
#include "core/led/light.h"
#include "core/wire/wire.h"
#include "support/part_circuits.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>

namespace glimmet::core::circuit {
namespace {

using tests::Parts;

/// Six whites on a shared resistor.
Circuit group() {
    Parts made("group");
    made.supply("bus", Constant{13.2}).resistor("bus", "a", 330);
    for (int k = 0; k < 6; ++k) made.led("a", "0", LedFamily::White);
    return made.circuit();
}
Circuit one() {
    Parts made("one");
    made.supply("bus", Constant{13.2}).resistor("bus", "a", 2200).led("a", "0", LedFamily::White);
    return made.circuit();
}
const ForwardSpread whiteSpread{Volts{0.3}, Volts{0.4}};

// The loop of one lamp by bisection, with its voltage shifted.
double loopCurrent(double volts, double ohms, double shift) {
    const LedLaw law = typicalLaw(LedFamily::White);
    double low = 0, high = 0.1;
    for (int step = 0; step < 100; ++step) {
        const double middle = (low + high) / 2;
        (law.voltage(Amperes{middle}).value() + shift + middle * ohms < volts ? low : high) =
            middle;
    }
    return low;
}

TEST(Corners, AreTheWorstOfASingleLampsLoop) {
    const Circuit circuit = one();
    const auto corners = overCorners(circuit, evenSpread(circuit, 0.05, 0.1, whiteSpread));
    ASSERT_TRUE(corners.has_value());
    EXPECT_NEAR(corners->diode[0].typical, loopCurrent(13.2, 2200, 0), 1e-8);
    EXPECT_NEAR(corners->diode[0].lowest, loopCurrent(13.2 * 0.95, 2420, 0.4), 1e-8);
    EXPECT_NEAR(corners->diode[0].highest, loopCurrent(13.2 * 1.05, 1980, -0.3), 1e-8);
}
TEST(MonteCarlo, StaysWithinTheCornersAndCentresOnTheTypical) {
    const Circuit circuit = one();
    const Spread spread = evenSpread(circuit, 0.05, 0.1, {Volts{0.3}, Volts{0.3}});
    const auto corners = overCorners(circuit, spread);
    const auto sampled = monteCarlo(circuit, spread, {20000, 5});
    ASSERT_TRUE(sampled.has_value());
    EXPECT_EQ(sampled->drawn, 20000U);
    EXPECT_EQ(sampled->unsettled, 0U);
    EXPECT_GE(sampled->diode[0].front(), corners->diode[0].lowest);
    EXPECT_LE(sampled->diode[0].back(), corners->diode[0].highest);
    EXPECT_NEAR(sampled->quantile(0, 0.5) / corners->diode[0].typical, 1, 0.005);
    // To first order the spread is the sum of three independent ones: even ±a has a²/3, triangular
    // ±a has a²/6.
    const auto slopes = sensitivities(circuit, 0);
    const double supply = slopes->supply[0] * 0.05 * 13.2;
    const double ohms = slopes->resistance[0] * 0.1 * 2200;
    const double forward = slopes->forward[0] * 0.3;
    const double expected =
        std::sqrt(supply * supply / 3 + ohms * ohms / 3 + forward * forward / 6);
    const std::vector<double>& all = sampled->diode[0];
    const double mean = std::accumulate(all.begin(), all.end(), 0.0) / 20000;
    double square = 0;
    for (const double each : all) square += (each - mean) * (each - mean);
    EXPECT_NEAR(std::sqrt(square / 20000) / expected, 1, 0.02);
}
TEST(MonteCarlo, DrawsTheSameOnAnyNumberOfThreads) {
    const Circuit circuit = group();
    const Spread spread = evenSpread(circuit, 0.05, 0.05, whiteSpread);
    const auto alone = monteCarlo(circuit, spread, {1000, 9, 1});
    const auto together = monteCarlo(circuit, spread, {1000, 9, 4});
    EXPECT_EQ(alone->diode, together->diode);
    EXPECT_NE(alone->diode, monteCarlo(circuit, spread, {1000, 10, 1})->diode);
    // Lamps that share a resistor share its current unevenly once they differ.
    EXPECT_GT(alone->quantile(0, 0.9), 1.3 * alone->quantile(0, 0.1));
}
TEST(MonteCarlo, TellsItsProgressAndStopsWhenAsked) {
    const Circuit circuit = group();
    const Spread spread = evenSpread(circuit, 0.05, 0.05, whiteSpread);
    std::stop_source stop;
    std::vector<std::size_t> told;
    const auto sampled = monteCarlo(
        circuit, spread, {1'000'000, 1, 2},
        [&](std::size_t done) {
            told.push_back(done);
            if (done >= 2000) stop.request_stop();
        },
        stop.get_token());
    ASSERT_TRUE(sampled.has_value());
    EXPECT_GE(sampled->drawn, 2000U);
    EXPECT_LT(sampled->drawn, 20000U);
    EXPECT_EQ(sampled->diode[0].size(), sampled->drawn);
    EXPECT_TRUE(std::is_sorted(told.begin(), told.end()));
    EXPECT_FALSE(monteCarlo(circuit, spread, {0}).has_value());
}

TEST(Sensitivities, AreTheLoopsOwn) {
    // V = R·I + v(I): dI/dV = 1/(R + r), dI/dR = −I/(R + r), dI/dv = −1/(R + r) with the LED's
    // slope r at its current.
    const Circuit circuit = one();
    const auto made = sensitivities(circuit, 0);
    ASSERT_TRUE(made.has_value());
    const double amps = loopCurrent(13.2, 2200, 0);
    const double whole = 2200 + typicalLaw(LedFamily::White).slope(Amperes{amps}).value();
    EXPECT_NEAR(made->supply[0] * whole, 1, 1e-5);
    EXPECT_NEAR(made->resistance[0] * whole / amps, -1, 1e-5);
    EXPECT_NEAR(made->forward[0] * whole, -1, 1e-5);
    // A neighbour's higher voltage gives a lamp on the same resistor more.
    const auto shared = sensitivities(group(), 0);
    EXPECT_LT(shared->forward[0], 0);
    EXPECT_GT(shared->forward[1], 0);
}

TEST(Faults, DoWhatTheyDoInALampRow) {
    Parts made("row");
    made.supply("bus", Constant{12});
    addWire(made.circuit(), "blue wire", made.node("bus"), made.node("w"), Ohms{0.05});
    made.resistor("w", "a", 680);
    made.led("a", "b", LedFamily::Red).led("b", "0", LedFamily::Red);
    made.capacitor("w", "0", {Farads{100e-6}, {}, {}, true});
    const double typical = operatingPoint(made.circuit())->diode[0];
    std::map<std::string, double> second;  // current of the lower lamp under each fault
    for (const FaultOutcome& outcome : oneFaultAtATime(made.circuit())) {
        ASSERT_TRUE(outcome.point.has_value()) << outcome.fault.name;
        second[outcome.fault.name + " " + std::to_string(static_cast<int>(outcome.fault.kind))] =
            outcome.point->diode[1];
        if (outcome.fault.kind == Fault::Kind::CapacitorReversed) {
            // It conducts from the supply: far more than the lamps take.
            EXPECT_GT(-outcome.point->current[0], 10 * typical);
        }
    }
    EXPECT_EQ(second.size(), 2U * 3 + 1 + 1);
    EXPECT_NEAR(second["lamp1 0"], 0, 1e-10);      // open: the row is dark
    EXPECT_GT(second["lamp1 1"], 1.15 * typical);  // short: the other gets more
    EXPECT_NEAR(second["lamp1 2"], 0, 1e-10);      // reversed: dark
    EXPECT_NEAR(second["blue wire 4"], 0, 1e-10);
    EXPECT_NEAR(second["c1 3"], typical, 0.01 * typical);  // the wire drops a little more
}

TEST(LightLaw, FollowsItsPointsAndCurrentOtherwise) {
    const LightLaw none;
    EXPECT_NEAR(relativeIntensity(none, Amperes{0.005}), 0.25, 1e-12);
    EXPECT_EQ(relativeIntensity(none, Amperes{-0.005}), 0);
    const LightLaw sheet{{{Amperes{0.005}, 0.3}, {Amperes{0.02}, 1.0}, {Amperes{0.03}, 1.3}}};
    EXPECT_NEAR(relativeIntensity(sheet, Amperes{0.0025}), 0.15, 1e-12);
    EXPECT_NEAR(relativeIntensity(sheet, Amperes{0.0125}), 0.65, 1e-12);
    EXPECT_NEAR(relativeIntensity(sheet, Amperes{0.02}), 1.0, 1e-12);
    EXPECT_NEAR(relativeIntensity(sheet, Amperes{0.06}), 2.6, 1e-12);
}
TEST(LightLaw, RisesOverTrackVoltsFromTheThreshold) {
    const auto brightness = brightnessOver(one(), "vbus", {0, 16, 0.5}, {LightLaw{}});
    ASSERT_TRUE(brightness.has_value());
    ASSERT_EQ(brightness->light[0].size(), 33U);
    EXPECT_TRUE(std::is_sorted(brightness->light[0].begin(), brightness->light[0].end()));
    const auto glow = valueForDiodeCurrent(one(), "vbus", 1e-4, 0, 30);
    // 0.1 mA through 2.2 kΩ and the law.
    EXPECT_NEAR(*glow, 0.22 + typicalLaw(LedFamily::White).voltage(Amperes{1e-4}).value(), 1e-6);
    EXPECT_FALSE(valueForDiodeCurrent(one(), "vbus", 1, 0, 30).has_value());
}
TEST(WireRun, BecomesAWireOfACircuitAndWarms) {
    Parts made("wire");
    WireRun run{*wireGauge(30), Millimetres{500}, true, Amperes{0}};
    addWireRun(made.circuit(), "feed", made.node("a"), 0, run);
    EXPECT_NEAR(made.circuit().resistors[0].resistance.value(), 0.339, 1e-12);
    EXPECT_TRUE(made.circuit().resistors[0].wire);
    run.temperature = Kelvins{343.15};
    EXPECT_NEAR(resistance(run).value(), 0.339 * 1.195, 1e-9);
}

}  // namespace
}  // namespace glimmet::core::circuit
