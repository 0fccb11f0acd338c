#include "core/track/crossing.h"

#include <gtest/gtest.h>

#include <random>

namespace glimmet::core {
namespace {

using Axles = std::vector<CollectingAxle>;
using Dead = std::vector<DeadLength>;

std::string told(const Axles& axles, const Dead& dead) {
    std::string all;
    const auto found = outages(axles, dead).value();
    for (const Outage& outage : found) {
        all += std::string(name(outage.rail)) + " " + std::to_string(int(outage.from.value())) +
               "-" + std::to_string(int(outage.to.value())) + " ";
    }
    return all;
}
CollectingAxle axle(double x, bool left, bool right) { return {Millimetres{x}, left, right}; }
DeadLength deadly(Rails rail, double from, double to) {
    return {rail, Millimetres{from}, Millimetres{to}};
}
const Axles two{axle(0, true, true), axle(24, true, true)};

// The contract's example: only the second axle collects on the right, both on the left.
TEST(Crossing, LosesPowerWhileNoWheelOfARailCollects) {
    EXPECT_EQ(told({axle(0, true, false), axle(24, true, true)}, {deadly(Rails::Left, 0, 28)}),
              "left 24-28 ");
    EXPECT_EQ(told(two, {deadly(Rails::Left, 0, 20)}), "");
    EXPECT_EQ(told(two, {deadly(Rails::Right, 10, 40)}), "right 34-40 ");
    EXPECT_EQ(told(two, {deadly(Rails::Both, 10, 40)}), "both 34-40 ");
    EXPECT_EQ(told(two, {}), "");
}
TEST(Crossing, MakesOutagesThatTouchOneAndPointsNone) {
    // Dead lengths that touch are one; a point common to both axles is no outage.
    EXPECT_EQ(told(two, {deadly(Rails::Left, 0, 10), deadly(Rails::Left, 10, 30)}), "left 24-30 ");
    EXPECT_EQ(told(two, {deadly(Rails::Left, 0, 24)}), "");
    // Left until 30, right from 30 on.
    EXPECT_EQ(told(two, {deadly(Rails::Left, 0, 30), deadly(Rails::Right, 6, 36)}), "both 24-36 ");
    EXPECT_EQ(told(two, {deadly(Rails::Left, 0, 30), deadly(Rails::Right, 10, 40)}),
              "left 24-30 right 34-40 ");
    // One within the other.
    EXPECT_EQ(told(two, {deadly(Rails::Left, 0, 60), deadly(Rails::Right, 10, 40)}), "both 24-60 ");
}
TEST(Crossing, FindsTheWheelsOfTwoGapsAtOnce) {
    // Each axle on a gap of its own.
    EXPECT_EQ(told(two, {deadly(Rails::Left, 0, 5), deadly(Rails::Left, 24, 29)}), "left 24-29 ");
}
TEST(Crossing, RefusesWhatCannotRun) {
    EXPECT_EQ(outages({axle(0, true, false)}, {}).error().code, ErrorCode::Missing);
    EXPECT_EQ(outages({axle(0, false, true)}, {}).error().code, ErrorCode::Missing);
    EXPECT_EQ(outages({}, {}).error().code, ErrorCode::Missing);
    EXPECT_EQ(outages(two, {deadly(Rails::Left, 5, 5)}).error().code, ErrorCode::OutOfRange);
}
TEST(Crossing, GoesAtTheModelsSpeed) {
    EXPECT_NEAR(modelSpeed(KilometresPerHour{20}, 87).value() * 1000, 20e6 / 3600 / 87, 1e-9);
}

// Every half millimetre of travel looked at by itself agrees with the outages.
TEST(Crossing, AgreesWithWheelAfterWheelLookedAt) {
    std::mt19937 random(11);
    const auto pick = [&](int from, int to) {
        return std::uniform_int_distribution<int>(from, to)(random);
    };
    std::size_t lost = 0, kept = 0;
    for (int trial = 0; trial < 400; ++trial) {
        Axles axles{axle(0, true, true)};
        for (int more = pick(0, 4); more > 0; --more) {
            axles.push_back(axle(pick(1, 60), pick(0, 1) == 1, pick(0, 1) == 1));
        }
        Dead dead;
        for (int more = pick(0, 5); more > 0; --more) {
            const int from = pick(0, 80);
            dead.push_back(deadly(Rails(pick(0, 2)), from, from + pick(1, 40)));
        }
        const auto found = outages(axles, dead).value();
        for (double travel = 0.25; travel < 190; travel += 0.5) {
            const auto collected = [&](bool CollectingAxle::*side, Rails rail) {
                return std::any_of(axles.begin(), axles.end(), [&](const CollectingAxle& each) {
                    if (!(each.*side)) return false;
                    const double at = travel - each.x.value();
                    return std::none_of(dead.begin(), dead.end(), [&](const DeadLength& length) {
                        return (length.rail == rail || length.rail == Rails::Both) &&
                               at >= length.from.value() && at <= length.to.value();
                    });
                });
            };
            const bool dark = !collected(&CollectingAxle::left, Rails::Left) ||
                              !collected(&CollectingAxle::right, Rails::Right);
            const bool said = std::any_of(found.begin(), found.end(), [&](const Outage& outage) {
                return travel >= outage.from.value() && travel <= outage.to.value();
            });
            ASSERT_EQ(dark, said) << "trial " << trial << " at " << travel;
            ++(dark ? lost : kept);
        }
        for (std::size_t i = 1; i < found.size(); ++i) {
            EXPECT_LT(found[i - 1].to.value(), found[i].from.value());
        }
    }
    EXPECT_GT(lost, 5000U);
    EXPECT_GT(kept, 5000U);
}

}  // namespace
}  // namespace glimmet::core
