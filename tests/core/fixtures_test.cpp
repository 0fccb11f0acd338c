// Weights and speakers that are there take room; what is left of a hollow, and who lies in it.
#include "core/analysis/decoder/ranking.h"
#include "core/analysis/placement/placement.h"
#include "core/work/jot.h"
#include "core/work/measure/dragged.h"
#include "support/findings.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace glimmet::core {
namespace {

using tests::jotted;
using tests::newJob;

Unit hollowUnit() {
    Unit unit;
    unit.body.cavities = {{"hood",
                           {Millimetres{5}, Millimetres{3}},
                           Millimetres{30},
                           Millimetres{12},
                           Millimetres{10},
                           {},
                           true}};
    return unit;
}
TEST(Fixtures, AWeightWithoutAPlaceLiesAtTheRearEndAndNothingReachesOut) {
    Unit unit = hollowUnit();
    unit.fixtures = {
        {FixtureKind::Weight, "hood", {}, Millimetres{12}, Millimetres{9}, Millimetres{4}, false}};
    const auto there = lies(unit, unit.fixtures[0]);
    EXPECT_EQ(there->corner, (Point{Millimetres{23}, Millimetres{3}}));
    unit.fixtures[0].at = Point{Millimetres{28}, Millimetres{9}};
    const auto pushed = lies(unit, unit.fixtures[0]);
    EXPECT_EQ(pushed->corner, (Point{Millimetres{23}, Millimetres{11}}));
    unit.fixtures[0].length = Millimetres{90};
    EXPECT_EQ(lies(unit, unit.fixtures[0])->length, Millimetres{30});
    unit.fixtures[0].place = "boiler";
    EXPECT_FALSE(lies(unit, unit.fixtures[0]).has_value());
}

TEST(Dragged, AnEdgeLeavesTheOneAcrossFromItWhereItIs) {
    using measure::Grip;
    const Cavity box{"hood",
                     {Millimetres{5}, Millimetres{3}},
                     Millimetres{30},
                     Millimetres{12},
                     Millimetres{10},
                     {},
                     true};
    const auto by = [](double back, double up) {
        return Point{Millimetres{back}, Millimetres{up}};
    };
    const auto rear = [](const Cavity& each) { return (each.corner.x + each.length).value(); };
    const auto top = [](const Cavity& each) { return (each.corner.z + each.height).value(); };
    EXPECT_EQ(dragged(box, Grip::All, by(2.04, -1.06)).corner,
              (Point{Millimetres{7}, Millimetres{1.9}}));
    EXPECT_EQ(dragged(box, Grip::All, by(-9, -9)).corner, (Point{Millimetres{1}, Millimetres{1}}));
    // Also where it is drawn out beyond the front, or pushed past the other edge.
    for (const double back : {-100.0, -4.5, -1.0, 0.04, 12.3, 29.5, 400.0}) {
        const Cavity front = dragged(box, Grip::Front, by(back, 7));
        EXPECT_NEAR(rear(front), 35, 1e-9) << back;
        EXPECT_GE(front.corner.x, Millimetres{1});
        EXPECT_GE(front.length, Millimetres{1} - Millimetres{1e-9});
        EXPECT_EQ(front.corner.z, box.corner.z);
        const Cavity behind = dragged(box, Grip::Rear, by(back, 7));
        EXPECT_EQ(behind.corner, box.corner);
        EXPECT_GE(behind.length, Millimetres{1});
    }
    EXPECT_NEAR(dragged(box, Grip::Rear, by(6.26, 0)).length.value(), 36.3, 1e-9);
    EXPECT_EQ(dragged(box, Grip::Rear, by(900, 0)).length, Millimetres{500});
    for (const double up : {-50.0, -1.5, 3.0, 11.5, 60.0}) {
        const Cavity floor = dragged(box, Grip::Floor, by(7, up));
        EXPECT_NEAR(top(floor), 15, 1e-9) << up;
        EXPECT_GE(floor.height, Millimetres{1} - Millimetres{1e-9});
        EXPECT_GE(floor.corner.z, Millimetres{1});
        EXPECT_EQ(floor.corner.x, box.corner.x);
    }
    EXPECT_NEAR(dragged(box, Grip::Roof, by(0, 2.5)).height.value(), 14.5, 1e-9);
    Body body;
    body.length = Millimetres{90};
    body.axles = {{Millimetres{20}, Millimetres{12}}};
    EXPECT_NEAR(measure::draggedAlong(body, body.axles[0].x, Millimetres{3.14}).value(), 23.1,
                1e-9);
    EXPECT_EQ(measure::draggedAlong(body, body.axles[0].x, Millimetres{-30}), Millimetres{1});
    EXPECT_EQ(measure::draggedAlong(body, body.axles[0].x, Millimetres{300}), Millimetres{90});
}

/// Its hood holds the decoder, its cab floor does not; both were measured.
Job roomy() {
    return jotted(tests::shunter(), {"cavity hood 34x14x11", "cavity cab floor 12x12x6"});
}
const char* const filling = "weight hood 24x12x8";

TEST(Fixtures, AWeightTakesTheDecodersRoomAndMillingGivesItBack) {
    EXPECT_TRUE(placementOf(placements(roomy()), "decoder")->fits);
    const Job full = jotted(roomy(), {filling});
    EXPECT_FALSE(placementOf(placements(full), "decoder")->fits);
    ASSERT_EQ(tests::stateOf(full, "decoder.room"), State::Over);
    const auto all = tests::checkedAll(full);
    const Finding* room = tests::found(all, "decoder.room");
    ASSERT_FALSE(room->options.empty());
    EXPECT_EQ(room->options[0].jot, "weight hood gone");
    EXPECT_EQ(plain(room->options[0].what), "mill the weight out of the hood");
    EXPECT_EQ(plain(room->options[0].effect), "the decoder lies there, if it may go");
    const Job milled = jotted(full, {room->options[0].jot.c_str()});
    EXPECT_TRUE(placementOf(placements(milled), "decoder")->fits);
    EXPECT_TRUE(tests::body(milled).cavities == tests::body(full).cavities);

    const Job allowed = jotted(full, {"weight hood may go"});
    const auto then = tests::checkedAll(allowed);
    EXPECT_EQ(plain(tests::found(then, "decoder.room")->options[0].effect),
              "the decoder lies there");
}
TEST(Fixtures, ASmallOneLeavesRoomBesideItAndMillingIsNotOfferedInVain) {
    const Job beside = jotted(roomy(), {"weight hood 4x12x8"});
    EXPECT_TRUE(placementOf(placements(beside), "decoder")->fits);
    // At the front end it pushes the decoder back, by the gap between them too.
    const double before = placementOf(placements(beside), "decoder")->corner.x.value();
    const Point hood = tests::body(beside).cavities[0].corner;
    const std::string line = "weight hood 4x12x8 at " + std::to_string(hood.x.value()) + "x" +
                             std::to_string(hood.z.value());
    const Job pushed = jotted(roomy(), {line.c_str()});
    EXPECT_NEAR(placementOf(placements(pushed), "decoder")->corner.x.value() - before, 4.3, 1e-9);

    // A hollow too small without the weight too: milling it helps nothing.
    const Job small = jotted(tests::shunter(), {"cavity hood 15x14x11", "cavity cab floor 12x12x6",
                                                "weight hood 4x12x8"});
    const auto all = tests::checkedAll(small);
    const Finding* room = tests::found(all, "decoder.room");
    ASSERT_NE(room, nullptr);
    for (const Option& option : room->options) EXPECT_NE(option.jot, "weight hood gone");
}
TEST(Room, OfADrawingIsNotHeldAgainstWhatCameInIt) {
    // Nothing was measured, and no hollow at 1:220 holds the decoder.
    const Job runner = jotted(newJob("x", "dock-shunter", {"Z", 220}), {"decoder middle"});
    EXPECT_EQ(tests::stateOf(runner, "decoder.room"), State::Close);
    const auto came = tests::checkedAll(jotted(runner, {"arrives with decoder"}));
    EXPECT_EQ(tests::found(came, "decoder.room"), nullptr);
    const auto ran = tests::checkedAll(jotted(runner, {"arrives old runner"}));
    ASSERT_NE(tests::found(ran, "decoder.room"), nullptr);
}
TEST(Fixtures, MoveWithTheirHollowAndAreOnePerKind) {
    Job job = jotted(roomy(), {"weight hood 4x12x8 at 10x20", "weight hood 5x12x8 at 11x20"});
    ASSERT_EQ(job.units[0].fixtures.size(), 1U);
    const Point before = lies(job.units[0], job.units[0].fixtures[0])->corner;
    EXPECT_NEAR(before.x.value(), 11, 1e-9);
    job = jotted(job, {"cavity hood 34x14x11 at 20x21"});
    const Point after = lies(job.units[0], job.units[0].fixtures[0])->corner;
    EXPECT_NEAR((after.x - before.x).value(),
                20 - tests::body(roomy()).cavities[0].corner.x.value(), 0.01);
    job = jotted(job, {"speaker hood 5x5x3", "weight hood may go", "weight hood 6x12x8"});
    ASSERT_EQ(job.units[0].fixtures.size(), 2U);
    EXPECT_TRUE(job.units[0].fixtures[1].mayGo) << "its fate stays when it is measured again";
    job = jotted(job, {"weight hood stays", "speaker hood gone"});
    ASSERT_EQ(job.units[0].fixtures.size(), 1U);
    EXPECT_FALSE(job.units[0].fixtures[0].mayGo);
}
TEST(Hollows, StandBesideTheCentreLineWhereThatWasSaid) {
    const auto across = [](std::vector<const char*> lines) {
        Job job = roomy();
        for (const char* line : lines) job = jotted(job, {line});
        return tests::body(job).cavities[0].across.value();
    };
    EXPECT_NEAR(across({"cavity hood 34x8x11 at 8x20 left 3"}), 3, 1e-9);
    EXPECT_NEAR(across({"cavity hood 34x8x11 at 8x20 right 2.5mm"}), -2.5, 1e-9);
    // Moved or measured anew it stays there until it is said otherwise.
    EXPECT_NEAR(across({"cavity hood 34x8x11 at 8x20 left 3", "cavity hood 30x8x11 at 9x20"}), 3,
                1e-9);
}
TEST(Fixtures, OfAUnitOfSeveralAreNamedWithIt) {
    const Job two = jotted(newJob("Pair", "dock-shunter"), {"unit dock-shunter called rear"});
    const Job job = jotted(two, {"weight hood 4x6x6 at 10x20 in rear"});
    EXPECT_TRUE(job.units[0].fixtures.empty());
    ASSERT_EQ(job.units[1].fixtures.size(), 1U);
    EXPECT_TRUE(jotted(job, {"weight hood gone in rear"}).units[1].fixtures.empty());
    const Job atItsEnd = jotted(two, {"weight hood 5x6x6 in rear", "cavity hood 30x12x9 in rear"});
    ASSERT_EQ(atItsEnd.units[1].fixtures.size(), 1U);
    EXPECT_EQ(atItsEnd.units[1].body.cavities[0].length, Millimetres{30});
    EXPECT_FALSE(atItsEnd.units[0].body.cavities[0].measured);
}

}  // namespace
}  // namespace glimmet::core
