// Dead lengths of points and crossings against the geometry of straight and curved rails.
#include "core/track/trackwork.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

constexpr double ratio = 87, gauge = 1435 / ratio;
constexpr Millimetres frog{20};

const Way& wayNamed(const std::vector<Way>& ways, std::string_view name) {
    for (const Way& each : ways) {
        if (each.name == name) return each;
    }
    ADD_FAILURE() << name;
    return ways.front();
}

TEST(Trackworks, PointsHaveOneFrogOnEachOfTheirWays) {
    for (const Trackwork work : {Trackwork::Points, Trackwork::Curved}) {
        const auto ways = waysThrough(work, 9, ratio, frog);
        ASSERT_EQ(ways.size(), 2U);
        EXPECT_EQ(ways[0].dead.at(0).rail, Rails::Left);
        EXPECT_EQ(ways[1].dead.at(0).rail, Rails::Right);
        for (const Way& way : ways) {
            ASSERT_EQ(way.dead.size(), 1U);
            EXPECT_EQ(way.dead[0].from, Millimetres{0});
            EXPECT_EQ(way.dead[0].to, frog);
        }
    }
}
TEST(Trackworks, RailsThatCrossMeetAGaugeTimesTheNumberApart) {
    // Track A along x, track B at atan(1/6) to it: where their rails meet, by brute force.
    const double number = 6, angle = std::atan(1 / number);
    const auto meet = [&](double a, double b) {  // offsets of the rails from their middles
        // y = a on A; on B the points with −x·sin + y·cos = b.
        return (a * std::cos(angle) - b) / std::sin(angle);
    };
    const double left = gauge / 2, right = -gauge / 2;
    const double first = std::min(meet(left, right), meet(right, left));
    const double last = std::max(meet(left, right), meet(right, left));
    const auto ways = waysThrough(Trackwork::Crossing, number, ratio, frog);
    ASSERT_EQ(ways.size(), 2U);
    const Way& way = wayNamed(ways, "with the first frog on its right");
    ASSERT_EQ(way.dead.size(), 3U);
    EXPECT_EQ(way.dead[0].rail, Rails::Right);
    EXPECT_EQ(way.dead[1].rail, Rails::Both);
    EXPECT_EQ(way.dead[2].rail, Rails::Left);
    // 1 in N along a rail is a hair more than N apart.
    EXPECT_NEAR(way.dead[2].from.value(), last - first, 0.02 * (last - first));
    EXPECT_NEAR(way.dead[1].from.value(), meet(left, left) - first, 0.02 * (last - first));
    // From the other end it looks the same.
    const auto turned = fromTheOtherEnd(way.dead);
    for (std::size_t i = 0; i < 3; ++i) {
        EXPECT_EQ(turned[i].rail, way.dead[i].rail);
        EXPECT_NEAR((turned[i].from - way.dead[i].from).value(), 0, 1e-9);
    }
}
TEST(Trackworks, ASlipPassesTheFrogsInTheMiddle) {
    const auto ways = waysThrough(Trackwork::DoubleSlip, 6, ratio, frog);
    ASSERT_EQ(ways.size(), 4U);
    const Way& along = wayNamed(ways, "along the slip, frogs on its left");
    ASSERT_EQ(along.dead.size(), 2U);
    EXPECT_EQ(along.dead[0].rail, Rails::Left);
    EXPECT_EQ(along.dead[1].rail, Rails::Left);
    EXPECT_NEAR(along.dead[1].from.value(), 12 * gauge, 1e-9);
}
TEST(Trackworks, BranchesOfThreeWayPointsCrossEachOtherFirst) {
    const double number = 8;
    const auto ways = waysThrough(Trackwork::ThreeWay, number, ratio, frog);
    ASSERT_EQ(ways.size(), 5U);
    const Way& straight = wayNamed(ways, "straight on");
    ASSERT_EQ(straight.dead.size(), 1U);
    EXPECT_EQ(straight.dead[0].rail, Rails::Both);
    // By the circles: y = x²/2R is half a gauge where the branches cross, a gauge at the outer
    // rail.
    const double radius = 2 * gauge * number * number;
    const double middle = std::sqrt(2 * radius * gauge / 2), outer = std::sqrt(2 * radius * gauge);
    const Way& out = wayNamed(ways, "out onto a branch, frogs on its right");
    ASSERT_EQ(out.dead.size(), 2U);
    EXPECT_EQ(out.dead[0].rail, Rails::Right);
    EXPECT_EQ(out.dead[1].rail, Rails::Right);
    EXPECT_NEAR(out.dead[1].from.value(), outer - middle, 1e-9);
    EXPECT_NEAR(out.dead[0].to.value(), frog.value() / std::sqrt(2), 1e-9);
    // Back in, the sharper frog is met last, and it is on the other side.
    const Way& in = wayNamed(ways, "in from a branch, frogs on its left");
    EXPECT_EQ(in.dead[0].rail, Rails::Left);
    EXPECT_EQ(in.dead[0].from, Millimetres{0});
    EXPECT_NEAR((in.dead[0].to - in.dead[0].from).value(), frog.value(), 1e-9);
    EXPECT_NEAR((in.dead[1].to - in.dead[1].from).value(), frog.value() / std::sqrt(2), 1e-9);
}

}  // namespace
}  // namespace glimmet::core
