#include "core/wire/wire.h"

#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <cmath>
#include <numbers>

namespace glimmet::core {
namespace {

// 250 mm of 30 AWG there and back: 0.5 m × 0.339 Ω/m = 0.1695 Ω; 0.3 A drop 50.85 mV.
TEST(Wire, GivesResistanceAndDrop) {
    const WireRun run{*wireGauge(30), Millimetres{250}, true, Amperes{0.3}};
    EXPECT_NEAR(resistance(run).value(), 0.1695, 1e-12);
    EXPECT_NEAR(drop(run).value(), 0.05085, 1e-12);
    EXPECT_EQ(loadState(run), State::Fine);
}
TEST(Wire, IsCloseAboveEightyFivePerCentAndOverAboveItsLimit) {
    WireRun run{*wireGauge(36), Millimetres{100}, false, Amperes{0.11}};
    EXPECT_EQ(loadState(run), State::Close);
    run.current = Amperes{0.121};
    EXPECT_EQ(loadState(run), State::Over);
}
TEST(Wire, KnowsOnlyTheGaugesOfItsTable) {
    EXPECT_FALSE(wireGauge(31).has_value());
    EXPECT_TRUE(wireGauge(18).has_value());
    EXPECT_TRUE(wireGauge(40).has_value());
}
// Independent of the table: AWG n is 0.127 mm · 92^((36 − n)/39) thick (ASTM B258), copper has
// 1.724e-8 Ωm at 20 °C. The table is rounded to three digits.
TEST(Wire, AgreesWithTheGeometryOfTheGauges) {
    for (const WireGauge& gauge : wireGauges()) {
        const double diameter = 0.127e-3 * std::pow(92.0, (36 - gauge.awg) / 39.0);
        const double area = std::numbers::pi * diameter * diameter / 4;
        EXPECT_NEAR(gauge.perMetre.value() / (1.724e-8 / area), 1, 0.01) << gauge.awg;
    }
}

}  // namespace
}  // namespace glimmet::core
