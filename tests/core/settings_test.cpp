#include "core/cv/configuration.h"
#include "core/cv/momentum.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using Values = std::map<int, std::uint8_t>;

// 3107 = 12·256 + 35: CV17 = 192 + 12, CV18 = 35; CV29 = 2 (28/128 steps) + 32 (long).
TEST(ConfigurationVariables, WriteALongAddress) {
    BasicSettings settings;
    settings.address = 3107;
    EXPECT_EQ(*configurationVariables(settings), (Values{{17, 204}, {18, 35}, {29, 34}}));
}
TEST(ConfigurationVariables, WriteAShortAddressWithEveryBit) {
    const BasicSettings settings{3, true, 14, true, true, {}};
    EXPECT_EQ(*configurationVariables(settings), (Values{{1, 3}, {29, 1 + 4 + 16}}));
}
TEST(ConfigurationVariables, KeepTheBoundaryBetweenShortAndLong) {
    BasicSettings settings;
    settings.address = 127;
    EXPECT_TRUE(configurationVariables(settings)->contains(1));
    settings.address = 128;
    EXPECT_EQ(*configurationVariables(settings), (Values{{17, 192}, {18, 128}, {29, 34}}));
    settings.address = 10239;
    EXPECT_EQ(configurationVariables(settings)->at(17), 231);
    settings.address = 5;
    settings.longAddress = true;
    EXPECT_EQ(*configurationVariables(settings), (Values{{17, 192}, {18, 5}, {29, 34}}));
}
TEST(ConfigurationVariables, TellTheAddressAgain) {
    for (int address = 1; address <= highestLongAddress; address += address < 300 ? 1 : 97) {
        BasicSettings settings;
        settings.address = address;
        EXPECT_EQ(addressIn(*configurationVariables(settings)), address);
        settings.longAddress = true;
        EXPECT_EQ(addressIn(*configurationVariables(settings)), address);
    }
    // What CV29 does not switch on is not the address.
    EXPECT_EQ(addressIn({{1, 7}, {17, 204}, {18, 35}, {29, 2}}), 7);
    EXPECT_EQ(addressIn({{1, 7}, {17, 204}, {18, 35}, {29, 34}}), 3107);
    EXPECT_FALSE(addressIn({{1, 7}}).has_value());
    EXPECT_FALSE(addressIn({{29, 2}}).has_value());
    EXPECT_FALSE(addressIn({{17, 204}, {29, 34}}).has_value());
    EXPECT_FALSE(addressIn({{17, 10}, {18, 35}, {29, 34}}).has_value());
}
TEST(ConfigurationVariables, RefuseWhatNoDecoderHas) {
    BasicSettings settings;
    for (const int address : {0, -1, 10240}) {
        settings.address = address;
        EXPECT_EQ(configurationVariables(settings).error().field, "address");
    }
    settings.address = 200;
    settings.longAddress = false;
    EXPECT_EQ(configurationVariables(settings).error().field, "long");
    settings = {};
    settings.speedSteps = 27;
    EXPECT_EQ(configurationVariables(settings).error().field, "speed_steps");
}
// 40 × 0.896 = 35.84 s; 60 km/h in H0 is 191.57 mm/s, and 191.57·22.4/2 = 2145.6 mm.
TEST(Momentum, GivesSecondsAndMillimetres) {
    const Momentum momentum{40, 25};
    EXPECT_NEAR(accelerationTime(momentum).value(), 35.84, 1e-12);
    EXPECT_NEAR(stoppingTime(momentum).value(), 22.4, 1e-12);
    EXPECT_NEAR(stoppingDistance(momentum, {KilometresPerHour{60}, 87}).value(), 2145.594, 1e-3);
}
TEST(Momentum, StopsDeadAtZero) {
    EXPECT_EQ(stoppingDistance({0, 0}, {KilometresPerHour{60}, 87}).value(), 0);
}

}  // namespace
}  // namespace glimmet::core
