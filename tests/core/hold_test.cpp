// How long a bank holds, against the closed forms of each load alone and a fine Runge–Kutta of all.
#include "core/stay_alive/hold.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

constexpr Bank bank{Farads{0.0015}, Volts{0.35}, Ohms{100}};
constexpr double start = 13.2 - 0.35, least = 5, farads = 0.0015;

double held(const BusLoads& loads, Volts minimum = Volts{least}) {
    return holdOf(bank, Volts{13.2}, minimum, loads)->time->value();
}
void near(double found, double wanted) { EXPECT_NEAR(found / wanted, 1, 1e-11); }

TEST(Hold, OfOneLoadIsItsClosedForm) {
    near(held({.current = Amperes{0.02}}), farads * (start - least) / 0.02);
    near(held({.power = Watts{0.66}}), farads * (start * start - least * least) / 2 / 0.66);
    near(held({.resistive = {Ohms{2000}}}), 2000 * farads * std::log(start / least));
    near(held({.resistive = {Ohms{3000}, Ohms{6000}}}), 2000 * farads * std::log(start / least));
    near(held({.lamps = {{Volts{2.8}, Ohms{2200}, 4}}}),
         2200.0 / 4 * farads * std::log((start - 2.8) / (least - 2.8)));
    near(held({.power = Watts{0.66}}, Volts{0}), farads * start * start / 2 / 0.66);
}
// The example of the contract; the reference is a Runge–Kutta of fourth order in steps of 1 µs.
TEST(Hold, OfAllLoadsTogetherIsThatOfAFineIntegration) {
    near(held({.power = Watts{0.66},
               .current = Amperes{0.02},
               .resistive = {Ohms{2000}},
               .lamps = {{Volts{2.8}, Ohms{2200}, 4}}}),
         0.10445989969927);
}
// Lamps that go out on the way are a corner in the curve.
TEST(Hold, CountsALampOnlyWhileItLights) {
    const double lit = 10 - least;
    const double both = 1000 * farads * std::log((0.005 + (start - 10) / 1000) / 0.005);
    near(held({.current = Amperes{0.005}, .lamps = {{Volts{10}, Ohms{1000}, 1}}}),
         both + farads * lit / 0.005);
}
TEST(Hold, IsNothingWhereTheBusBeginsAtTheMinimum) {
    const auto hold = holdOf(bank, Volts{13.2}, Volts{12.85}, {.current = Amperes{1}});
    EXPECT_EQ(hold->time->value(), 0);
    ASSERT_EQ(hold->trace.size(), 1U);
    EXPECT_EQ(hold->trace[0].bus, Volts{13.2} - Volts{0.35});
    EXPECT_EQ(holdOf(bank, Volts{1}, Volts{9}, {.current = Amperes{1}})->time->value(), 0);
}
TEST(Hold, NeverEndsWhereTheLoadsStopBefore) {
    const auto lamps = holdOf(bank, Volts{13.2}, Volts{5},
                              {.lamps = {{Volts{6}, Ohms{1000}, 1}, {Volts{8}, Ohms{1000}, 2}}});
    EXPECT_FALSE(lamps->time.has_value());
    EXPECT_EQ(lamps->stops, Volts{6});
    EXPECT_TRUE(lamps->trace.empty());
    // Exactly at the minimum it is only neared.
    EXPECT_FALSE(holdOf(bank, Volts{13.2}, Volts{5}, {.lamps = {{Volts{5}, Ohms{1000}, 1}}})
                     ->time.has_value());
    EXPECT_FALSE(
        holdOf(bank, Volts{13.2}, Volts{0}, {.resistive = {Ohms{1000}}})->time.has_value());
    // Above the start they never light: the bus stays where it is.
    const auto dark = holdOf(bank, Volts{13.2}, Volts{5}, {.lamps = {{Volts{20}, Ohms{1000}, 1}}});
    EXPECT_FALSE(dark->time.has_value());
    EXPECT_NEAR(dark->stops.value(), start, 1e-12);
    // Lamps of which there are none do not keep it from ending.
    EXPECT_TRUE(holdOf(bank, Volts{13.2}, Volts{5},
                       {.resistive = {Ohms{1000}}, .lamps = {{Volts{2}, Ohms{1000}, 0}}})
                    ->time.has_value());
}
TEST(Hold, AsksForALoad) {
    EXPECT_EQ(holdOf(bank, Volts{13.2}, Volts{5}, {}).error().code, ErrorCode::Missing);
    EXPECT_EQ(
        holdOf(bank, Volts{13.2}, Volts{5}, {.lamps = {{Volts{2}, Ohms{1000}, 0}}}).error().code,
        ErrorCode::Missing);
}
TEST(Hold, TracesTheBusDownToTheMinimum) {
    const auto hold = holdOf(bank, Volts{13.2}, Volts{5}, {.current = Amperes{0.02}}, 4);
    ASSERT_EQ(hold->trace.size(), 5U);
    EXPECT_EQ(hold->trace.front().time, Seconds{0});
    EXPECT_NEAR(hold->trace.front().bus.value(), start, 1e-12);
    EXPECT_EQ(hold->trace.back().bus, Volts{5});
    EXPECT_EQ(hold->trace.back().time, *hold->time);
    for (const BusMoment& moment : hold->trace) {
        EXPECT_NEAR(moment.time.value(), farads * (start - moment.bus.value()) / 0.02, 1e-12);
    }
}
TEST(Bank, AsksForThisMuchWhenItIsCharged) {
    EXPECT_NEAR(chargePeak(bank, Volts{13.2}).value(), 0.132, 1e-15);
    EXPECT_NEAR(chargeTimeConstant(bank).value(), 0.15, 1e-15);
    EXPECT_NEAR(chargeEnergy(bank, Volts{13.2}).value(), 0.13068, 1e-15);
}

TEST(Charge, BeginsWhereTheBankWasLeft) {
    const Bank bank{Farads{1e-3}, Volts{0.35}, Ohms{100}};
    const auto again = [&](double left) {
        return rechargeTime(bank, Volts{14}, Volts{left}).value();
    };
    EXPECT_NEAR(again(0), 0.5, 1e-12);
    EXPECT_NEAR(again(7), 0.1 * (5 + std::log(0.5)), 1e-12);
    // Step by step: until it lacks e⁻⁵ of the 14 V.
    double volts = 7, time = 0;
    for (constexpr double step = 1e-6; 14 - volts > 14 * std::exp(-5.0); time += step)
        volts += (14 - volts) / 100 / 1e-3 * step;
    EXPECT_NEAR(again(7), time, 1e-5);
    EXPECT_EQ(again(13.95), 0);  // within that already
    EXPECT_EQ(again(14), 0);
    EXPECT_EQ(again(15), 0);
}

}  // namespace
}  // namespace glimmet::core
