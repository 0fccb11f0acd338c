// Boxes into hollows: against every whole-numbered arrangement, and what cut boxes must come back
// to.
#include "core/fit/pack.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <numeric>
#include <random>

namespace glimmet::core::fit {
namespace {

Triple size(double l, double w, double h) {
    return {Millimetres{l}, Millimetres{w}, Millimetres{h}};
}
double from(const Lies& lies, std::size_t axis) { return lies.corner[axis].value(); }
double to(const Lies& lies, std::size_t axis) {
    return lies.corner[axis].value() + lies.size[axis].value();
}

/// Everything that lies is in its hollow, is the part as it was given or turned, and is a gap from
/// the others.
void expectSound(const std::vector<Hollow>& hollows, const std::vector<Part>& parts, double gap,
                 const Packed& packed) {
    ASSERT_EQ(packed.parts.size(), parts.size());
    for (std::size_t i = 0; i < parts.size(); ++i) {
        EXPECT_TRUE(packed.parts[i] || !packed.fits);
        if (!packed.parts[i]) continue;
        const Lies& one = *packed.parts[i];
        const auto ways = parts[i].turns ? turned(parts[i].size) : std::vector{parts[i].size};
        EXPECT_NE(std::find(ways.begin(), ways.end(), one.size), ways.end());
        ASSERT_LT(one.hollow, hollows.size());
        for (std::size_t axis = 0; axis < 3; ++axis) {
            EXPECT_GE(from(one, axis), -1e-6);
            EXPECT_LE(to(one, axis), hollows[one.hollow].size[axis].value() + 1e-6);
        }
        for (std::size_t k = 0; k < i; ++k) {
            if (!packed.parts[k] || packed.parts[k]->hollow != one.hollow) continue;
            double most = -1e9;
            for (std::size_t axis = 0; axis < 3; ++axis) {
                most = std::max({most, from(one, axis) - to(*packed.parts[k], axis),
                                 from(*packed.parts[k], axis) - to(one, axis)});
            }
            EXPECT_GE(most, gap - 2e-6) << i << " and " << k;
        }
    }
}

/// Every arrangement with whole-numbered corners, in every way round: what is true for whole sizes.
bool byHand(const std::array<int, 3>& room, std::vector<std::array<int, 3>> parts, bool turn,
            std::vector<std::array<int, 6>>& lie) {
    if (parts.empty()) return true;
    std::array<int, 3> part = parts.back();
    parts.pop_back();
    std::array<std::size_t, 3> order{0, 1, 2};
    do {
        const std::array<int, 3> s{part[order[0]], part[order[1]], part[order[2]]};
        for (int x = 0; x + s[0] <= room[0]; ++x) {
            for (int y = 0; y + s[1] <= room[1]; ++y) {
                for (int z = 0; z + s[2] <= room[2]; ++z) {
                    const bool free = std::none_of(lie.begin(), lie.end(), [&](const auto& o) {
                        return x < o[3] && o[0] < x + s[0] && y < o[4] && o[1] < y + s[1] &&
                               z < o[5] && o[2] < z + s[2];
                    });
                    if (!free) continue;
                    lie.push_back({x, y, z, x + s[0], y + s[1], z + s[2]});
                    if (byHand(room, parts, turn, lie)) return true;
                    lie.pop_back();
                }
            }
        }
    } while (turn && std::next_permutation(order.begin(), order.end()));
    return false;
}

TEST(Pack, FindsWhatFitsAndNothingElse) {
    std::mt19937 random(5);
    const auto upTo = [&](int most) { return std::uniform_int_distribution(1, most)(random); };
    int fitted = 0, refused = 0;
    for (int round = 0; round < 500; ++round) {
        const std::array<int, 3> room{2 + upTo(3), 1 + upTo(3), 1 + upTo(2)};
        const bool turn = upTo(2) == 1;
        std::vector<std::array<int, 3>> sizes;
        std::vector<Part> parts;
        for (int count = 1 + upTo(3), i = 0; i < count; ++i) {
            sizes.push_back({upTo(4), upTo(3), upTo(3)});
            parts.push_back(
                {std::to_string(i), size(sizes.back()[0], sizes.back()[1], sizes.back()[2]), turn});
        }
        const std::vector<Hollow> hollows{{"hood", size(room[0], room[1], room[2])}};
        const Packed packed = pack(hollows, parts, Millimetres{0});
        std::vector<std::array<int, 6>> lie;
        const bool fits = byHand(room, sizes, turn, lie);
        EXPECT_EQ(packed.fits, fits) << "round " << round;
        EXPECT_FALSE(packed.proved && fits) << "round " << round;
        expectSound(hollows, parts, 0, packed);
        (fits ? fitted : refused)++;
    }
    EXPECT_GT(fitted, 100);
    EXPECT_GT(refused, 100);
}
TEST(Pack, KeepsItsGapAndTakesAnExactFit) {
    const std::vector<Hollow> hood{{"hood", size(60, 14, 9)}};
    const std::vector<Part> exact{{"D", size(29.85, 14, 9)}, {"K", size(29.85, 14, 9)}};
    const Packed packed = pack(hood, exact, Millimetres{0.3});
    EXPECT_TRUE(packed.fits);
    expectSound(hood, exact, 0.3, packed);
    EXPECT_FALSE(pack(hood, exact, Millimetres{0.3001}).fits);
    // Two hollows: no gap is kept between what lies in different ones.
    const std::vector<Hollow> two{{"a", size(10, 10, 10)}, {"b", size(10, 10, 10)}};
    const std::vector<Part> cubes{{"1", size(10, 10, 10)}, {"2", size(10, 10, 10)}};
    EXPECT_TRUE(pack(two, cubes, Millimetres{3}).fits);
}
TEST(Pack, AroundWhatLiesThereAndOnlyWhereItMay) {
    const std::vector<Hollow> hollows{{"hood", size(30, 10, 10)}, {"cab", size(12, 10, 10)}};
    Part weight{"weight", size(10, 10, 4)};
    weight.fixed = Lies{0, size(10, 0, 0), weight.size};
    std::vector<Part> parts{weight, {"D", size(28, 10, 5), true}};
    Packed packed = pack(hollows, parts, Millimetres{0.3});
    ASSERT_TRUE(packed.fits);  // above it
    EXPECT_NEAR(packed.parts[1]->corner[2].value(), 4.3, 1e-9);
    EXPECT_EQ(packed.parts[0], weight.fixed);
    parts[1].size = size(28, 10, 5.8);
    EXPECT_FALSE(pack(hollows, parts, Millimetres{0.3}).fits);
    // Where it may not lie there is no room, though there would be some.
    parts[1].size = size(9, 9, 9);
    parts[1].hollows = {1};
    packed = pack(hollows, parts, Millimetres{0.3});
    ASSERT_TRUE(packed.fits);
    EXPECT_EQ(packed.parts[1]->hollow, 1U);
    parts[1].size = size(13, 9, 9);
    packed = pack(hollows, parts, Millimetres{0.3});
    EXPECT_FALSE(packed.fits);
    EXPECT_TRUE(packed.proved);
    EXPECT_FALSE(packed.parts[1].has_value());
}
TEST(Pack, WhatDoesNotGoInKeepsNothingElseOut) {
    const std::vector<Hollow> hood{{"hood", size(20, 10, 10)}};
    const std::vector<Part> parts{
        {"small", size(5, 5, 5)}, {"huge", size(40, 9, 9)}, {"large", size(19, 9, 4)}};
    const Packed packed = pack(hood, parts, Millimetres{0.3});
    EXPECT_FALSE(packed.fits);
    EXPECT_TRUE(packed.proved);
    EXPECT_TRUE(packed.parts[0] && !packed.parts[1] && packed.parts[2]);
    expectSound(hood, parts, 0.3, packed);
}
TEST(Pack, PiecesOfACutBoxGoBackIntoIt) {
    std::mt19937 random(3);
    for (int round = 0; round < 60; ++round) {
        std::vector<Triple> pieces{size(60, 24, 18)};
        while (pieces.size() < 4) {
            const std::size_t which =
                std::uniform_int_distribution<std::size_t>(0, pieces.size() - 1)(random);
            const std::size_t axis = std::uniform_int_distribution<std::size_t>(0, 2)(random);
            const double share = std::uniform_real_distribution(0.3, 0.7)(random);
            Triple other = pieces[which];
            other[axis] = pieces[which][axis] * share;
            pieces[which][axis] = pieces[which][axis] - other[axis];
            pieces.push_back(other);
        }
        std::vector<Part> parts;
        for (const Triple& piece : pieces) parts.push_back({"", piece, round % 2 == 0});
        EXPECT_TRUE(pack({{"hood", size(60, 24, 18)}}, parts, Millimetres{0}).fits) << round;
    }
}
TEST(Play, IsHowFarAPartMovesWhenOthersMakeWay) {
    const Triple hood = size(40, 14, 12);
    std::vector<Laid> all{{{0, size(10, 2, 0), size(10, 8, 5)}},
                          {{0, size(25, 0, 0), size(5, 14, 12)}},         // behind it
                          {{0, size(0, 0, 8.5), size(40, 14, 3)}, true},  // above it
                          {{0, size(0, 11, 0), size(5, 3, 12)}}};         // beside, out of its way
    const auto play = [&](std::size_t axis) { return playOf(0, axis, hood, all); };
    EXPECT_NEAR(play(0).down.value(), 10, 1e-12);
    EXPECT_FALSE(play(0).downTo.has_value());
    EXPECT_NEAR(play(0).up.value(), 15, 1e-12);  // to the wall, less the 5 of the one behind
    EXPECT_EQ(play(0).upTo, 1U);
    EXPECT_NEAR(play(2).down.value(), 0, 1e-12);
    EXPECT_NEAR(play(2).up.value(), 3.5, 1e-12);
    EXPECT_EQ(play(2).upTo, 2U);
    EXPECT_NEAR(play(1).down.value(), 2, 1e-12);
    EXPECT_NEAR(play(1).up.value(), 4, 1e-12);
    all[1].fixed = true;
    EXPECT_NEAR(play(0).up.value(), 5, 1e-12);
}
TEST(Turned, ComesToTheSameOnce) {
    EXPECT_EQ(turned(size(3, 2, 1)).size(), 6U);
    EXPECT_EQ(turned(size(3, 2, 2)).size(), 3U);
    EXPECT_EQ(turned(size(2, 2, 2)).size(), 1U);
    EXPECT_EQ(turned(size(3, 2, 1)).front(), size(3, 2, 1));
}

}  // namespace
}  // namespace glimmet::core::fit
