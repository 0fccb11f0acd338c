// Wheels that collect: what they bridge, where one more would help, through units that share them.
#include "core/analysis/wiring/pickups.h"

#include "core/analysis/decoder/ranking.h"
#include "core/work/stage_status.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <random>

namespace glimmet::core::measure {
namespace {

using tests::factsOf;
using tests::jotted;
using tests::newJob;

Finding sides(const Job& job) {
    for (const Finding& each : findings(factsOf(job))) {
        if (each.id == "pickup.sides") return each;
    }
    return {};
}
Job plainJob() { return newJob("x", "dock-shunter"); }  // three axles, all collecting

TEST(Pickups, BridgeFromTheFirstToTheLastWheelThatCollects) {
    const Job job = plainJob();
    const auto& axles = tests::body(job).axles;
    ASSERT_EQ(axles.size(), 3U);
    EXPECT_EQ(bridged(pickupAxles(plainJob()), true), axles[2].x - axles[0].x);
    const Job two = jotted(plainJob(), {"pickup L1 none"});
    EXPECT_EQ(bridged(pickupAxles(two), true), axles[2].x - axles[1].x);
    EXPECT_EQ(bridged(pickupAxles(two), false), axles[2].x - axles[0].x);
    const Job one = jotted(two, {"pickup L2 tyre"});
    EXPECT_EQ(bridged(pickupAxles(one), true), Millimetres{0});
    EXPECT_FALSE(bridged(pickupAxles(jotted(one, {"pickup L3 none"})), true).has_value());
}
// Moved over a dead length of one rail in small steps: it stands only where that is longer.
TEST(Pickups, StandWhereTheDeadRailIsLongerThanWhatIsBridged) {
    std::mt19937 random{11};
    for (int trial = 0; trial < 200; ++trial) {
        std::vector<PickupAxle> axles;
        for (int i = 0; i < 5; ++i) {
            axles.push_back({i + 1, Millimetres{double(random() % 120)}, random() % 2 == 0, true});
        }
        const auto bridges = bridged(axles, true);
        if (!bridges) continue;
        const double dead = double(random() % 120) + 0.25;
        bool stands = false;
        for (double travel = -10; travel < 300; travel += 0.125) {
            bool any = false;
            for (const PickupAxle& axle : axles) {
                const double at = travel - axle.x.value();
                any = any || (axle.left && !(at >= 0 && at <= dead));
            }
            stands = stands || !any;
        }
        EXPECT_EQ(stands, dead >= bridges->value()) << trial;
    }
}
TEST(Pickups, AreFineCloseOnOneAxleAndOverOnNone) {
    const Finding fine = sides(plainJob());
    EXPECT_EQ(fine.state, State::Fine);
    EXPECT_EQ(plain(fine.sentence).find("As drawn, 3 axles pick up on the left, 3 on the right"),
              0U);
    EXPECT_EQ(fine.figures.at(0).basis.kind, Basis::Kind::Assumed);
    const Finding looked = sides(jotted(plainJob(), {"pickup all collects"}));
    EXPECT_EQ(plain(looked.sentence).find("3 axles pick up on the left, 3 on the right"), 0U);
    EXPECT_EQ(looked.figures.at(0).basis.kind, Basis::Kind::Computed);
    // Where it is said to stall, wheels as drawn answer nothing.
    const Finding asked = sides(jotted(plainJob(), {"complaint stalls on points"}));
    EXPECT_EQ(asked.state, State::Ask);
    EXPECT_EQ(
        sides(jotted(plainJob(), {"complaint stalls on points", "pickup all collects"})).state,
        State::Fine);
    EXPECT_EQ(sides(jotted(plainJob(), {"complaint paint is chipped"})).state, State::Fine);
    EXPECT_TRUE(fine.options.empty());
    const Job one = jotted(plainJob(), {"axle 1 right", "axle 2 right"});
    const Finding close = sides(one);
    EXPECT_EQ(close.state, State::Close);
    EXPECT_EQ(plain(close.sentence).find("The left side hangs on one axle"), 0U);
    // The one farthest from it bridges most.
    ASSERT_EQ(close.options.size(), 2U);
    EXPECT_EQ(close.options[0].jot, "axle 1 both");
    EXPECT_EQ(sides(jotted(one, {close.options[0].jot.c_str()})).state, State::Fine);
    const Finding over = sides(jotted(one, {"axle 3 none"}));
    EXPECT_EQ(over.state, State::Over);
    EXPECT_EQ(plain(over.sentence), "No wheel collects from the left rail.");
    EXPECT_EQ(over.options.at(0).jot.find("axle "), 0U);
}
TEST(Pickups, AreSharedByUnitsWhoseCouplingLeadsThem) {
    Job train = jotted(plainJob(), {"unit saloon called trailer"});
    EXPECT_EQ(pickupAxles(train).size(), 3U);
    train.couplings[0].contacts = 2;
    EXPECT_GT(pickupAxles(train).size(), 3U);
    EXPECT_GT(*bridged(pickupAxles(train), true), *bridged(pickupAxles(plainJob()), true));
    EXPECT_EQ(pickupAxles(train).back().number, static_cast<int>(pickupAxles(train).size()));
    // The motor in the second unit: numbers go on counting from the front of the train.
    Job pushed = jotted(newJob("x", "saloon"), {"unit dock-shunter called engine"});
    EXPECT_EQ(pickupAxles(pushed).size(), 3U);
    EXPECT_GT(pickupAxles(pushed).front().number, 1);
}
TEST(Pickups, AreLookedAtOnTwoRailsOnly) {
    EXPECT_TRUE(sides(jotted(plainJob(), {"supply battery 9V"})).id.empty());
    EXPECT_TRUE(sides(jotted(plainJob(), {"supply three-rail"})).id.empty());
    EXPECT_FALSE(sides(jotted(plainJob(), {"supply dc"})).id.empty());
}
TEST(Hollows, ThatWereMeasuredHoldOrDoNot) {
    const Job job = jotted(tests::shunter(), {"cavity hood 15x14x11", "cavity cab floor 12x12x12"});
    const auto& cavities = tests::body(job).cavities;
    EXPECT_TRUE(std::all_of(cavities.begin(), cavities.end(),
                            [](const Cavity& each) { return each.measured; }));
    EXPECT_EQ(cavities[0].length, Millimetres{15});
    EXPECT_EQ(cavities[0].width, Millimetres{14});
    EXPECT_EQ(cavities[0].height, Millimetres{11});
    const auto held = decoder::held(factsOf(job), driveEvidence(job), job.decoder->part);
    EXPECT_EQ(held.cells[static_cast<std::size_t>(decoder::Aspect::Stage)].state, State::Over);
}

TEST(MiddlePickup, IsAskedForAndHangsOnNoSingleRoller) {
    Job job = jotted(tests::shunter(), {"supply three-rail"});
    EXPECT_EQ(tests::stateOf(job, "pickup.middle"), State::Ask);
    EXPECT_EQ(tests::stateOf(job, "pickup.sides"), State::Fine);  // sides mean nothing here
    const auto asked = findings(tests::factsOf(job));
    const Job answered =
        jotted(job, {tests::found(asked, "pickup.middle")->options[0].jot.c_str()});
    EXPECT_EQ(tests::stateOf(answered, "pickup.middle"), State::Fine);
    EXPECT_NEAR(bridgedInTheMiddle(answered)->value(), 45, 1e-9);

    job = jotted(job, {"collector roller 20mm"});
    EXPECT_EQ(tests::stateOf(job, "pickup.middle"), State::Close);
    const auto all = findings(tests::factsOf(job));
    const Finding* one = tests::found(all, "pickup.middle");
    ASSERT_EQ(one->options.size(), 1U);
    const Job two = jotted(job, {one->options[0].jot.c_str()});
    EXPECT_EQ(tests::stateOf(two, "pickup.middle"), State::Fine);
    const double far = two.units[0].collectors[1].x.value();
    EXPECT_NEAR(bridgedInTheMiddle(two)->value(), std::abs(far - 20) + 2, 1e-9);
    // A wiper on a rail is none of the middle.
    EXPECT_FALSE(bridgedInTheMiddle(jotted(tests::shunter(), {"collector wiper 20mm left"})));
    EXPECT_EQ(tests::stateOf(jotted(two, {"collector none"}), "pickup.middle"), State::Ask);
}
TEST(Collectors, ThatStandAreChangedMovedAndTakenOffByWhereTheyStand) {
    const Job job = jotted(tests::shunter(), {"collector roller 20mm", "collector roller 60.4mm",
                                              "collector slider 20mm"});
    const auto after = [&](const char* line) { return jotted(job, {line}).units[0].collectors; };
    const auto before = job.units[0].collectors;
    ASSERT_EQ(before.size(), 3U);
    // Of the same kind at the same place there is one: what is not said of it stays.
    auto all = after("collector roller 20mm left");
    ASSERT_EQ(all.size(), 3U);
    EXPECT_EQ(all[0].pole, Pole::Left);
    EXPECT_EQ(all[0].length, before[0].length);
    all = after("collector slider 20mm long 30mm");
    EXPECT_EQ(all[2].length, Millimetres{30});
    EXPECT_EQ(all[2].pole, Pole::Centre);
    EXPECT_EQ(all[0], before[0]);
    EXPECT_EQ(after("collector roller 20.1mm").size(), 4U);  // beside it stands another

    all = after("collector roller 60.4mm to 34mm");
    EXPECT_NEAR(all[1].x.value(), 34, 1e-9);
    EXPECT_EQ(all[0], before[0]);
    all = after("collector roller 60.4mm gone");
    EXPECT_EQ(all, (std::vector<Collector>{before[0], before[2]}));
    for (const char* line : {"collector wiper 20mm gone", "collector roller 30mm gone",
                             "collector roller 30mm to 40mm", "collector roller 20mm to 400mm"}) {
        EXPECT_FALSE(applyLine(line, job, tests::smallCatalogue(), "").has_value()) << line;
    }
}
TEST(MiddlePickup, TheWayBackIsAnyWheel) {
    Job job = jotted(tests::shunter(), {"supply three-rail", "collector slider 50mm long 30mm"});
    EXPECT_NEAR(job.units[0].collectors.at(0).length.value(), 30, 1e-9);
    EXPECT_EQ(tests::stateOf(job, "pickup.outer"), State::Fine);
    job = jotted(job, {"pickup all none"});
    EXPECT_EQ(tests::stateOf(job, "pickup.outer"), State::Over);
    EXPECT_EQ(tests::stateOf(jotted(job, {"pickup L2 collects"}), "pickup.outer"), State::Fine);
    // On two rails nobody asks for a slider.
    EXPECT_EQ(tests::stateOf(tests::shunter(), "pickup.middle"), State::Fine);
    EXPECT_FALSE(applyLine("collector slider 900mm", job, tests::smallCatalogue(), "").has_value());
    EXPECT_FALSE(applyLine("collector slider", job, tests::smallCatalogue(), "").has_value());
}

TEST(Wires, WithAMiddleConductorRedIsThatAndBlackIsEitherRail) {
    const auto state = [](std::initializer_list<const char*> lines) {
        const Job job = jotted(jotted(plainJob(), {"supply three-rail"}), lines);
        State worst = State::Fine;
        for (const Finding& each : findings(factsOf(job))) {
            if (each.id.starts_with("wires.")) worst = worse(worst, each.state);
        }
        return worst;
    };
    EXPECT_EQ(state({"wire red middle conductor", "wire black right rail"}), State::Fine);
    EXPECT_EQ(state({"wire black left rail"}), State::Fine);
    EXPECT_EQ(state({"wire red right rail"}), State::Close);
    EXPECT_EQ(state({"wire black middle conductor"}), State::Close);
}

}  // namespace
}  // namespace glimmet::core::measure
