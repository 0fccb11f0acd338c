#include "core/led/led.h"

#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

TEST(ThermalVoltage, IsTwentyFivePointEightSixFiveMillivoltsAtThreeHundredKelvin) {
    EXPECT_NEAR(thermalVoltage, 0.025865, 5e-7);
}
// docs/physics.md: a white LED of 3.1 V at 20 mA stands at 2.816 V with 5 mA.
TEST(LedLaw, GivesTheWorkedWhiteLedAtFiveMilliamps) {
    const LedLaw law = typicalLaw(LedFamily::White);
    EXPECT_NEAR(law.voltage(Amperes{0.005}).value(), 2.816, 0.0005);
    EXPECT_NEAR(law.voltage(Amperes{0.020}).value(), 3.1, 1e-12);
}
TEST(LedLaw, GoesThroughItsPointForEveryFamily) {
    for (const auto& [family, word] : wordsOf(LedFamily())) {
        const FamilyValues values = familyValues(family);
        EXPECT_NEAR(lowestLaw(family).voltage(Amperes{0.02}).value(), values.lowest.value(), 1e-12);
        EXPECT_NEAR(highestLaw(family).voltage(Amperes{0.02}).value(), values.highest.value(),
                    1e-12);
        EXPECT_EQ(named<LedFamily>(name(family)), family);
    }
}
TEST(LedLaw, SlopeIsTheDerivativeOfTheVoltage) {
    const LedLaw law = typicalLaw(LedFamily::Red);
    for (const double i : {1e-9, 1e-6, 1e-3, 0.02}) {
        const double h = i * 1e-5;
        const double difference =
            (law.voltage(Amperes{i + h}) - law.voltage(Amperes{i - h})).value() / (2 * h);
        EXPECT_NEAR(law.slope(Amperes{i}).value() / difference, 1, 1e-5) << i;
    }
}
TEST(LedLawThroughTwoPoints, FindsTheEmissionCoefficientThatMadeThem) {
    const LedLaw made{2.3, Amperes{1e-15}, Ohms{7}};
    const auto found = ledLawThrough({made.voltage(Amperes{0.002}), Amperes{0.002}},
                                     {made.voltage(Amperes{0.02}), Amperes{0.02}}, Ohms{7});
    ASSERT_TRUE(found.has_value());
    EXPECT_NEAR(found->emission, 2.3, 1e-9);
    EXPECT_NEAR(found->saturation.value() / 1e-15, 1, 1e-6);
}
TEST(LedLawFitted, FindsAllThreeParametersFromSeveralPoints) {
    const LedLaw made{2.4, Amperes{3e-16}, Ohms{9}};
    std::vector<ForwardPoint> points;
    for (const double amps : {0.0005, 0.002, 0.005, 0.01, 0.02}) {
        points.push_back({made.voltage(Amperes{amps}), Amperes{amps}});
    }
    const auto found = ledLawFitted(points, LedFamily::White);
    ASSERT_TRUE(found.has_value());
    EXPECT_NEAR(found->emission, 2.4, 1e-6);
    EXPECT_NEAR(found->series.value(), 9, 1e-6);
    for (const ForwardPoint& point : points) {
        EXPECT_NEAR(found->voltage(point.current).value(), point.voltage.value(), 1e-9);
    }
}
// Readings scatter: the fit of ±10 mV noise stays within it, and never has a negative resistance.
TEST(LedLawFitted, StaysWithinTheScatterOfItsReadings) {
    const LedLaw made{2.0, Amperes{1e-18}, Ohms{0}};
    std::vector<ForwardPoint> points;
    double sign = 0.010;
    for (const double amps : {0.001, 0.002, 0.005, 0.010, 0.015, 0.020}) {
        points.push_back({made.voltage(Amperes{amps}) + Volts{sign}, Amperes{amps}});
        sign = -sign;
    }
    const auto found = ledLawFitted(points, LedFamily::Red);
    ASSERT_TRUE(found.has_value());
    EXPECT_GE(found->series.value(), 0);
    for (const ForwardPoint& point : points) {
        EXPECT_NEAR(found->voltage(point.current).value(), point.voltage.value(), 0.015);
    }
}
TEST(LedLawFitted, TakesTheFamilysValuesForWhatFewPointsLeaveOpen) {
    const ForwardPoint one{Volts{3.0}, Amperes{0.01}};
    EXPECT_EQ(ledLawFitted(std::vector{one}, LedFamily::White)->emission, 2.9);
    const ForwardPoint two{Volts{2.8}, Amperes{0.002}};
    EXPECT_EQ(ledLawFitted(std::vector{one, two}, LedFamily::White)->series.value(), 12);
    EXPECT_EQ(ledLawFitted({}, LedFamily::White).error().code, ErrorCode::Missing);
    const ForwardPoint falling{Volts{2.5}, Amperes{0.02}};
    EXPECT_FALSE(
        ledLawFitted(std::vector{two, one, falling, falling}, LedFamily::White).has_value());
}
TEST(LedLawThroughPoint, NamesWhatIsImpossible) {
    const auto drop = ledLawThrough({Volts{0.1}, Amperes{0.02}}, 2.0, Ohms{12});
    ASSERT_FALSE(drop.has_value());
    EXPECT_EQ(drop.error().field, "vf_V");
    EXPECT_EQ(ledLawThrough({Volts{2}, Amperes{0}}, 2.0, Ohms{5}).error().field, "at_A");
    EXPECT_EQ(ledLawThrough({Volts{2}, Amperes{0.02}}, 0.0, Ohms{5}).error().field, "n");
    EXPECT_EQ(ledLawThrough({Volts{2}, Amperes{0.02}}, 2.0, Ohms{-1}).error().field, "rs_ohm");
    EXPECT_FALSE(ledLawThrough({Volts{std::nan("")}, Amperes{0.02}}, 2.0, Ohms{5}).has_value());
}

}  // namespace
}  // namespace glimmet::core
