// Light that comes through the wall round a lamp.
#include "core/led/wall.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/placement/interior.h"
#include "core/led/eye.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

using namespace tests;

TEST(Walls, LetLessThroughTheThickerTheyAre) {
    for (const auto& [material, word] : wordsOf(WallMaterial())) {
        const double thin = leaks({material, Millimetres{0.5}});
        const double thick = leaks({material, Millimetres{1}});
        const double thicker = leaks({material, Millimetres{1.5}});
        if (material == WallMaterial::Metal) {
            EXPECT_EQ(thin, 0);
            continue;
        }
        EXPECT_LT(thin, 0.5) << word;
        // The same share in every half millimetre.
        EXPECT_NEAR(thick / thin, thicker / thick, 1e-12) << word;
        EXPECT_LT(thick, thin) << word;
        EXPECT_EQ(leaks({material, Millimetres{0.1}, true}), 0) << word;
    }
    // As docs/physics.md has them: what passes the faces, and over what depth it falls to 1/e.
    EXPECT_NEAR(leaks({WallMaterial::Styrene, Millimetres{1.4}}), 0.5 / std::exp(1.0), 1e-12);
    EXPECT_NEAR(leaks({WallMaterial::Resin, Millimetres{1.0}}), 0.5 / std::exp(1.0), 1e-12);
    EXPECT_NEAR(leaks({WallMaterial::Card, Millimetres{0.3}}), 0.4 / std::exp(1.0), 1e-12);
    EXPECT_NEAR(leaks({WallMaterial::Wood, Millimetres{0.5}}), 0.3 / std::exp(1.0), 1e-12);
}

Job walled(std::initializer_list<const char*> lines) {
    return jotted(
        jotted(tests::newJob("Aurora", "saloon"),
               {"supply fixed dc 12V", "lamp table warm white for 5mA", "resistor table 1k8"}),
        lines);
}

TEST(Walls, ThatGlowAreToldAndLiningThemEndsIt) {
    const Job thin = walled({"wall table styrene 1mm"});
    const auto all = checkedAll(thin);
    const Finding& leak = finding(all, "lamp.leak:table lamp");
    EXPECT_EQ(leak.state, State::Close);
    EXPECT_NE(plain(leak.sentence).find("about 24 %"), std::string::npos);
    ASSERT_EQ(leak.options.size(), 1U);
    const Job lined = jotted(thin, {leak.options[0].jot.c_str()});
    const auto then = checkedAll(lined);
    EXPECT_EQ(finding(then, "lamp.leak:table lamp").state, State::Fine);
    EXPECT_NE(plain(finding(then, "lamp.leak:table lamp").sentence).find("shows nothing"),
              std::string::npos);
    // A few layers of card, or brass, hold it back; of a wall that nobody told nothing is said.
    EXPECT_EQ(stateOf(walled({"wall table card 2mm"}), leak.id), State::Fine);
    EXPECT_EQ(stateOf(walled({"wall table metal 0.3mm"}), leak.id), State::Fine);
    EXPECT_FALSE(has(checkedAll(walled({})), "lamp.leak:table lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(thin, {"wall table none"})), "lamp.leak:table lamp"));
    // A dim lamp shows less through the same wall.
    EXPECT_EQ(stateOf(jotted(walled({"wall table card 1mm"}), {"resistor table 10k"}), leak.id),
              State::Fine);
    // Dark lamps leak nothing.
    EXPECT_FALSE(has(checkedAll(jotted(thin, {"resistor table open"})), "lamp.leak:table lamp"));
}

TEST(Walls, AreKnownToThePicture) {
    const auto leakOf = [](const Job& job) {
        const auto facts = factsOf(job);
        return litLamps(job, facts.groups).front().leak;
    };
    EXPECT_FALSE(leakOf(walled({})));
    EXPECT_NEAR(*leakOf(walled({"wall table resin 1mm"})), std::cbrt(0.5 / std::exp(1.0)), 1e-12);
    EXPECT_NEAR(*leakOf(walled({"wall table resin 1mm lined"})), 0, 1e-12);
}

TEST(Walls, WhatIsSaidOfOneLeavesTheRestOfIt) {
    const auto wallOf = [](const Job& job) { return *job.groups[0].rows[0].wall; };
    const Job one = walled({"wall table styrene 1mm lined"});
    EXPECT_TRUE(wallOf(one).lined);
    EXPECT_FALSE(wallOf(jotted(one, {"wall table bare"})).lined);
    const Job other = jotted(one, {"wall table 2mm"});
    EXPECT_EQ(wallOf(other).material, WallMaterial::Styrene);
    EXPECT_NEAR(wallOf(other).thickness.value(), 2, 1e-12);
    EXPECT_TRUE(wallOf(other).lined);
    for (const char* line : {"wall table lined", "wall table styrene", "wall table none 1mm"}) {
        EXPECT_FALSE(applyLine(line, walled({}), smallCatalogue(), {})) << line;
    }
}

/// Walls and mouth of a long slot that diffuse light passes straight: by counting directions.
double countedThrough(double width, double depth) {
    double passes = 0, all = 0;
    const int steps = 400;
    for (int i = 0; i < steps; ++i) {
        const double from = width * (i + 0.5) / steps;
        for (int k = 0; k < steps; ++k) {
            // Diffuse: even in the sine of the angle, in the plane across the slot.
            const double sine = -1 + 2 * (k + 0.5) / steps;
            const double to = from + depth * sine / std::sqrt(1 - sine * sine);
            all += 1;
            passes += to >= 0 && to <= width ? 1 : 0;
        }
    }
    return passes / all;
}
TEST(WallGaps, LetThroughWhatPassesTheSlotStraight) {
    for (const double width : {0.2, 0.5, 1.0, 2.0}) {
        const Wall wall{WallMaterial::Metal, Millimetres{1}, false,
                        WallGap{Millimetres{width}, Seam::Frame}};
        EXPECT_NEAR(shinesThroughGap(wall), countedThrough(width, 1), 0.005) << width;
    }
    // One too narrow for the eye looks the dimmer: half of 0.15 mm.
    const Wall hair{WallMaterial::Card, Millimetres{0.075}, false,
                    WallGap{Millimetres{0.075}, Seam::Roof}};
    EXPECT_NEAR(shinesThroughGap(hair), (std::sqrt(2.0) - 1) / 2, 1e-12);
    EXPECT_EQ(shinesThroughGap({WallMaterial::Card, Millimetres{1}}), 0);
    // Foil on the wall does not close it.
    EXPECT_GT(shinesThroughGap({WallMaterial::Card, Millimetres{1}, true,
                                WallGap{Millimetres{0.5}, Seam::Frame}}),
              0.2);
}
TEST(WallGaps, AreLaidAlongTheFrameOrUnderTheRoof) {
    const auto wallOf = [](const Job& job) { return *job.groups[0].rows[0].wall; };
    const Job brass = walled({"wall table metal 0.5mm"});
    const Wall gaping = wallOf(jotted(brass, {"wall table gap 0.3mm"}));
    ASSERT_TRUE(gaping.gap);
    EXPECT_EQ(gaping.gap->across, Millimetres{0.3});
    EXPECT_EQ(gaping.gap->at, Seam::Frame);
    EXPECT_EQ(gaping.material, WallMaterial::Metal);
    EXPECT_EQ(wallOf(jotted(brass, {"wall table gap 0.3mm at the roof"})).gap->at, Seam::Roof);
    const Job roof = jotted(brass, {"wall table gap 0.3mm roof"});
    EXPECT_EQ(wallOf(jotted(roof, {"wall table gap 0.2mm"})).gap,
              (WallGap{Millimetres{0.2}, Seam::Roof}));
    EXPECT_EQ(wallOf(jotted(roof, {"wall table frame"})).gap,
              (WallGap{Millimetres{0.3}, Seam::Frame}));
    EXPECT_FALSE(wallOf(jotted(roof, {"wall table gap 0mm"})).gap);
    // Whoever lines it closes its gaps; one that is told after that is there.
    EXPECT_FALSE(wallOf(jotted(roof, {"wall table lined"})).gap);
    EXPECT_TRUE(wallOf(jotted(roof, {"wall table lined gap 0.1mm"})).gap);
    EXPECT_TRUE(wallOf(jotted(roof, {"wall table bare"})).gap);
    for (const char* line : {"wall table frame", "wall table gap 0mm roof",
                             "wall table none gap 1mm", "wall table none roof"}) {
        EXPECT_FALSE(applyLine(line, brass, smallCatalogue(), {})) << line;
    }
    EXPECT_FALSE(applyLine("wall table gap 0.3mm", walled({}), smallCatalogue(), {}));
    // A building opens at its roof.
    const Job house = jotted(tests::newJob("Quay", "quay-house"),
                             {"supply fixed dc 12V", "lamp loft warm white for 5mA",
                              "resistor loft 1k8", "wall loft card 1mm gap 0.5mm"});
    EXPECT_EQ(wallOf(house).gap->at, Seam::Roof);
}
TEST(Interiors, StandBehindWindowsNotBehindDoors) {
    Body coach;
    coach.length = Millimetres{100};
    coach.height = Millimetres{40};
    coach.width = Millimetres{30};
    const auto outline = [](double x, double z, double length, double height) {
        return std::vector<Point>{{Millimetres{x}, Millimetres{z}},
                                  {Millimetres{x + length}, Millimetres{z}},
                                  {Millimetres{x + length}, Millimetres{z + height}},
                                  {Millimetres{x}, Millimetres{z + height}}};
    };
    coach.profile = outline(0, 10, 100, 30);
    const auto inside = [&](const std::vector<Point>& opening) {
        coach.openings = {opening};
        return insideOf(coach, 100);
    };
    // 1:100: backs 2 mm above the sill, 1.1 mm thick, at both ends of a window.
    const auto bay = inside(outline(20, 19, 12, 7.9));
    ASSERT_EQ(bay.size(), 2U);
    EXPECT_EQ(bay[0].kind, InsideKind::Seat);
    EXPECT_EQ(bay[0].corner, (Point{Millimetres{20}, Millimetres{19}}));
    EXPECT_NEAR(bay[0].height.value(), 2, 1e-9);
    EXPECT_NEAR((bay[1].corner.x + bay[1].length).value(), 32, 1e-9);
    // A narrow one shows one back, in its middle; a high one the rack, 8 mm above the sill.
    const auto narrow = inside(outline(20, 19, 5, 12));
    ASSERT_EQ(narrow.size(), 2U);
    EXPECT_NEAR((narrow[0].corner.x + narrow[0].length / 2.0).value(), 22.5, 1e-9);
    EXPECT_EQ(narrow[1].kind, InsideKind::Rack);
    EXPECT_NEAR(narrow[1].corner.z.value(), 27, 1e-9);
    EXPECT_TRUE(inside(outline(20, 12, 8, 20)).empty());  // a door
    EXPECT_TRUE(inside({}).empty());
    // A building has curtains, as high as the window.
    coach.structure = true;
    const auto curtains = inside(outline(20, 19, 10, 8));
    ASSERT_EQ(curtains.size(), 2U);
    EXPECT_EQ(curtains[0].kind, InsideKind::Curtain);
    EXPECT_NEAR(curtains[0].length.value(), 1.7, 1e-9);
    EXPECT_NEAR(curtains[1].corner.x.value(), 28.3, 1e-9);
    EXPECT_EQ(curtains[1].height, Millimetres{8});
    EXPECT_EQ(toFarWall(coach), Millimetres{15});
    // It gapes at its floor, or between windows and roof; without windows high up.
    EXPECT_EQ(seamOf(coach, false), Millimetres{10});
    EXPECT_NEAR(seamOf(coach, true).value(), (27 + 40) / 2.0, 1e-9);
    coach.openings.clear();
    EXPECT_NEAR(seamOf(coach, true).value(), 32, 1e-9);
}

TEST(Interiors, LampsOfARoomAddTheirLightOnItsFarWall) {
    const Point here{Millimetres{0}, Millimetres{0}}, aside{Millimetres{15}, Millimetres{0}};
    const std::vector<RoomLamp> one{roomLamp(here, 0.8, 0.4, 0)};
    const auto straight = onFarWall(one, Millimetres{15}, here);
    EXPECT_NEAR(straight.red, 0.8, 1e-12);
    EXPECT_NEAR(straight.green, 0.4, 1e-12);
    EXPECT_EQ(straight.blue, 0);
    // As far aside as away: cos³ 45° of the light, its cube root to the eye.
    EXPECT_NEAR(onFarWall(one, Millimetres{15}, aside).red, 0.8 * std::sqrt(0.5), 1e-12);
    EXPECT_NEAR(onFarWall(one, Millimetres{15}, aside).green, 0.4 * std::sqrt(0.5), 1e-12);
    EXPECT_NEAR(onFarWall({roomLamp(here, 0, 0, 0.4)}, Millimetres{15}, aside).blue,
                0.4 * std::sqrt(0.5), 1e-12);
    EXPECT_NEAR(onFarWall(one, Millimetres{15}, {Millimetres{9}, Millimetres{12}}).red,
                0.8 * std::sqrt(0.5), 1e-12);
    // Eight at one place look twice as bright, two colours mix, and nothing is brighter than white.
    const std::vector<RoomLamp> eight(8, roomLamp(here, 0.3, 0, 0));
    EXPECT_NEAR(onFarWall(eight, Millimetres{15}, here).red, 0.6, 1e-12);
    const std::vector<RoomLamp> mixed{roomLamp(here, 1, 0, 0), roomLamp(here, 1, 0, 0.5)};
    EXPECT_EQ(onFarWall(mixed, Millimetres{15}, here).red, 1);
    EXPECT_NEAR(onFarWall(mixed, Millimetres{15}, here).blue, 0.5, 1e-12);
    EXPECT_EQ(onFarWall({}, Millimetres{15}, here).red, 0);
}

TEST(WallGaps, ThatShowAreToldAndClosingThemEndsIt) {
    const Job gaping = walled({"wall table metal 0.5mm gap 0.3mm"});
    const auto all = checkedAll(gaping);
    const Finding& gap = finding(all, "lamp.gap:table lamp");
    EXPECT_EQ(gap.state, State::Close);
    EXPECT_EQ(gap.gravity, Gravity::LooksUneven);
    EXPECT_NE(plain(gap.sentence).find("along the frame"), std::string::npos);
    EXPECT_NE(plain(gap.sentence).find("about 28 %"), std::string::npos);
    EXPECT_NEAR(*figure(gap, "k_gap").value, 0.277, 0.001);
    EXPECT_EQ(plain(gap.action), "close the gap along the frame, inside");
    ASSERT_EQ(gap.options.size(), 1U);
    EXPECT_FALSE(has(checkedAll(jotted(gaping, {gap.options[0].jot.c_str()})), gap.id));
    // The brass itself lets nothing through, and that stays so.
    EXPECT_EQ(finding(all, "lamp.leak:table lamp").state, State::Fine);
    // A lamp that is hardly lit shows nothing there; a dark one is not asked.
    EXPECT_EQ(stateOf(jotted(gaping, {"resistor table 47k"}), gap.id), State::Fine);
    EXPECT_FALSE(has(checkedAll(jotted(gaping, {"resistor table open"})), gap.id));
    EXPECT_FALSE(has(checkedAll(walled({"wall table metal 0.5mm"})), gap.id));
    const auto facts = factsOf(gaping);
    const LitLamp lit = litLamps(gaping, facts.groups).front();
    EXPECT_EQ(lit.seam, Seam::Frame);
    EXPECT_NEAR(lit.atSeam, std::cbrt(0.2770), 0.001);
}
TEST(WallGaps, AreLitAsTheLampIsNear) {
    EXPECT_EQ(alongEdge(Millimetres{10}, Millimetres{0}), 1);
    // At 45° twice as far off the square, and on the slant: 1/2 · 1/√2.
    EXPECT_NEAR(alongEdge(Millimetres{10}, Millimetres{10}), 0.5 / std::sqrt(2.0), 1e-12);
    EXPECT_NEAR(alongEdge(Millimetres{10}, Millimetres{-10}), 0.5 / std::sqrt(2.0), 1e-12);
}

}  // namespace
}  // namespace glimmet::core
