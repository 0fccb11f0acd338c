#include "core/led/preferred_value.h"

#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

namespace glimmet::core {
namespace {

double chosen(double ideal, Series series, RoundingPolicy policy) {
    return preferredValue(Ohms{ideal}, series, policy).value();
}

TEST(PreferredValue, GoesUpToTheNextOfTheSeries) {
    EXPECT_EQ(chosen(2077, Series::E12, RoundingPolicy::Higher), 2200);
    EXPECT_EQ(chosen(2077, Series::E24, RoundingPolicy::Higher), 2200);
    EXPECT_EQ(chosen(2077, Series::E96, RoundingPolicy::Higher), 2100);
    EXPECT_EQ(chosen(2077, Series::E6, RoundingPolicy::Higher), 2200);
    EXPECT_EQ(chosen(8201, Series::E12, RoundingPolicy::Higher), 10000);
    EXPECT_EQ(chosen(0.83, Series::E12, RoundingPolicy::Higher), 1.0);
}
// By ratio: 1700/1500 = 1.133 and 1800/1700 = 1.059, so 1800 is nearer; 1640 is below the
// geometric mean of 1500 and 1800 (1643), 1650 above.
TEST(PreferredValue, TakesTheNearestByRatio) {
    EXPECT_EQ(chosen(1700, Series::E12, RoundingPolicy::Nearest), 1800);
    EXPECT_EQ(chosen(1640, Series::E12, RoundingPolicy::Nearest), 1500);
    EXPECT_EQ(chosen(1650, Series::E12, RoundingPolicy::Nearest), 1800);
}
TEST(PreferredValue, CountsAMillionthOffAsTheValueItself) {
    EXPECT_EQ(chosen(2200 * (1 + 0.9e-6), Series::E12, RoundingPolicy::Higher), 2200);
    EXPECT_EQ(chosen(2200 * (1 + 3e-6), Series::E12, RoundingPolicy::Higher), 2700);
    EXPECT_EQ(chosen(2200 * (1 - 0.9e-6), Series::E12, RoundingPolicy::Higher), 2200);
}
// IEC 60063: E24 departs from the geometric series at 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 8.2.
TEST(PreferredValue, KeepsTheHistoricalValuesOfE24) {
    for (const double value : {2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 8.2}) {
        EXPECT_EQ(chosen(value, Series::E24, RoundingPolicy::Nearest), value);
    }
}
TEST(PreferredValue, HasNinetySixValuesInADecadeOfE96) {
    for (const double value : {1.00, 1.02, 1.05, 4.99, 6.04, 9.76}) {
        EXPECT_EQ(chosen(value, Series::E96, RoundingPolicy::Higher), value);
    }
}
TEST(PreferredValue, IsTheSameInEveryDecade) {
    std::mt19937 random(3);
    std::uniform_real_distribution<double> mantissa(1.0, 10.0);
    for (int trial = 0; trial < 500; ++trial) {
        const double ideal = mantissa(random);
        for (const Series series : {Series::E6, Series::E12, Series::E24, Series::E96}) {
            const double one = chosen(ideal, series, RoundingPolicy::Higher);
            EXPECT_GE(one * (1 + 1e-6), ideal);
            for (const int decade : {-6, -2, 3, 7}) {
                const double scale = std::pow(10.0, decade);
                EXPECT_NEAR(chosen(ideal * scale, series, RoundingPolicy::Higher) / (one * scale),
                            1, 1e-9);
            }
        }
    }
}
TEST(PreferredAround, GivesValuesOnBothSidesInOrder) {
    const auto around = preferredAround(Ohms{2077}, Series::E12, 2);
    ASSERT_EQ(around.size(), 4U);
    EXPECT_EQ(around[0].value(), 1500);
    EXPECT_EQ(around[1].value(), 1800);
    EXPECT_EQ(around[2].value(), 2200);
    EXPECT_EQ(around[3].value(), 2700);
}
TEST(SteppedFrom, GoesThroughEveryValueOfADecadeAndBack) {
    const auto step = [](double from, Series series, bool up) {
        return steppedFrom(Ohms{from}, series, up).value();
    };
    EXPECT_EQ(step(2200, Series::E12, true), 2700);
    EXPECT_EQ(step(2200, Series::E12, false), 1800);
    EXPECT_EQ(step(1000, Series::E12, false), 820);
    EXPECT_EQ(step(820, Series::E12, true), 1000);
    EXPECT_EQ(step(2077, Series::E12, true), 2200);
    EXPECT_EQ(step(2077, Series::E12, false), 1800);
    for (const auto& [series, count] : {std::pair{Series::E6, 6}, std::pair{Series::E12, 12},
                                        std::pair{Series::E24, 24}, std::pair{Series::E96, 96}}) {
        double value = 100;
        for (int i = 0; i < count; ++i) {
            const double next = step(value, series, true);
            EXPECT_NEAR(step(next, series, false), value, value * 1e-9);
            value = next;
        }
        EXPECT_NEAR(value, 1000, 1e-6);
    }
}

}  // namespace
}  // namespace glimmet::core
