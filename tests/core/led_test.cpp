#include "core/lamp/led.h"

#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

TEST(ThermalVoltage, IsTwentyFivePointEightSixFiveMillivoltsAtThreeHundredKelvin) {
    EXPECT_NEAR(thermalVoltage, 0.025865, 5e-7);
}
// Handbook 2.3: a white LED of 3.1 V at 20 mA stands at 2.816 V with 5 mA.
TEST(LedLaw, GivesTheHandbooksWhiteLedAtFiveMilliamps) {
    const LedLaw law = typicalLaw(LedFamily::White);
    EXPECT_NEAR(law.voltage(Amperes{0.005}).value(), 2.816, 0.0005);
    EXPECT_NEAR(law.voltage(Amperes{0.020}).value(), 3.1, 1e-12);
}
TEST(LedLaw, GoesThroughItsPointForEveryFamily) {
    for (const LedFamily family : ledFamilies) {
        const FamilyValues values = familyValues(family);
        EXPECT_NEAR(lowestLaw(family).voltage(Amperes{0.02}).value(), values.lowest.value(), 1e-12);
        EXPECT_NEAR(highestLaw(family).voltage(Amperes{0.02}).value(), values.highest.value(),
                    1e-12);
        EXPECT_EQ(ledFamilyNamed(name(family)), family);
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
