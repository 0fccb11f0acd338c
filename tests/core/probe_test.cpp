// A tester touched to two points of the lamps: what lights, and what of it can be entered.
#include "core/analysis/lamps/probe.h"

#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using namespace tests;
using lamps::Probed;

const Tester block{}, coin{TesterKind::Cell, {}}, twelve{TesterKind::Supply, Volts{12}};

Probed touch(const Job& job, const char* red, const char* black, const Tester& tester = block,
             ResistorLeg leg = ResistorLeg::Minus) {
    WorkshopRules house;
    house.leg = leg;
    return lamps::probed(job, house, red, black, tester).value();
}
/// "L3 1 1" of those that show.
std::string showing(const Job& job, const Probed& made) {
    std::string all;
    for (const auto& lamp : made.lamps) {
        all += (all.empty() ? "" : ", ") + job.groups[lamp.group].name + "/" +
               std::to_string(lamp.row + 1) + "." + std::to_string(lamp.lamp + 1) +
               (lamp.look == TesterLook::Dim ? " dim" : "");
    }
    return all;
}
std::vector<std::string> linesOf(const Probed& made) {
    std::vector<std::string> all;
    for (const auto& seen : made.seen) all.push_back(seen.jot + (seen.expected ? " *" : ""));
    return all;
}

TEST(Probes, LightsWhatLiesBetweenTheProbes) {
    const Job job = jotted(shunter(), {"lamp front white 3.1V 20mA", "inline front white 3.1V 20mA",
                                       "resistor front 1k", "lamp rear red 2.0V 20mA on rear"});
    // By hand at small currents: (9 − 2.8) / 1000; the law gives 6.2 mA for one white.
    const Probed one = touch(job, "L3 1 1 plus", "L3 1 1 minus");
    EXPECT_EQ(showing(job, one), "front lamp/1.1");
    EXPECT_NEAR(one.current.value(), 6.2e-3, 1e-4);
    EXPECT_EQ(plain(one.sentence), "At the 9 V tester, 6.2 mA: lit: front lamp.");
    EXPECT_TRUE(one.seen.empty());  // half a row is not on record
    const Probed both = touch(job, "L3 1 1 plus", "L3 1 2 minus");
    EXPECT_EQ(showing(job, both), "front lamp/1.1, front lamp/1.2");
    // As the tester's own reckoning has it.
    EXPECT_NEAR(both.current.value(), lamps::atTester(job.groups[0], 0, block)->value(), 1e-6);
    EXPECT_EQ(linesOf(both),
              (std::vector<std::string>{"tester front lamp lit *", "tester front lamp dim",
                                        "tester front lamp dark"}));
    // With its resistor: the plug.
    const Probed plug = touch(job, "common", "output front");
    EXPECT_NEAR(plug.current.value(),
                lamps::atTester(job.groups[0], 0, {TesterKind::Block, {}, true})->value(), 1e-6);
    EXPECT_EQ(linesOf(plug).front(), "tester front lamp lit with resistor *");
    EXPECT_EQ(showing(job, touch(job, "common", "output front", coin)), "");
    // The resistor stands in the minus lead, so past the lamp it is not between.
    EXPECT_NEAR(touch(job, "common", "L3 1 2 minus").current.value(), both.current.value(), 1e-9);
    EXPECT_NEAR(touch(job, "common", "L3 1 2 minus", block, ResistorLeg::Plus).current.value(),
                plug.current.value(), 1e-7);
    // A row whose resistor is not chosen hangs in the air; its lamp by itself lights.
    EXPECT_EQ(plain(touch(job, "common", "output rear").sentence),
              "At the 9 V tester all stays dark: this way round hardly anything flows.");
    EXPECT_TRUE(touch(job, "common", "output rear").seen.empty());
    EXPECT_EQ(showing(job, touch(job, "L4 1 1 plus", "L4 1 1 minus")), "rear lamp/1.1");
}

TEST(Probes, TheWrongWayRoundIsDarkAndSaysSo) {
    const Job job = jotted(shunter(), {"lamp front white 3.1V 20mA", "resistor front 1k"});
    const Probed back = touch(job, "L3 1 1 minus", "L3 1 1 plus");
    EXPECT_EQ(showing(job, back), "");
    EXPECT_LT(back.current, Amperes{1e-6});
    // That it lights so can be entered, and only that.
    EXPECT_EQ(linesOf(back), std::vector<std::string>{"tester front lamp reversed"});
    EXPECT_EQ(linesOf(touch(job, "output front", "common")),
              std::vector<std::string>{"tester front lamp reversed with resistor"});
    // What stands the other way round has its plus at the wire.
    Job backwards = job;
    backwards.groups[0].rows[0].backwards = true;
    EXPECT_EQ(showing(backwards, touch(backwards, "L3 1 1 plus", "L3 1 1 minus")),
              "front lamp/1.1");
    EXPECT_EQ(linesOf(touch(backwards, "L3 1 1 plus", "L3 1 1 minus")).front(),
              "tester front lamp lit *");
    EXPECT_EQ(showing(backwards, touch(backwards, "common", "output front")), "");
    EXPECT_EQ(showing(backwards, touch(backwards, "output front", "common")), "front lamp/1.1");
}

TEST(Probes, NeighboursJoinIn) {
    const Job pair =
        jotted(shunter(), {"lamp front red", "parallel front red", "resistor front 1k"});
    const Probed plug = touch(pair, "common", "output front");
    EXPECT_EQ(showing(pair, plug), "front lamp/1.1, front lamp/2.1");
    EXPECT_NEAR(
        plug.current.value(),
        2 * lamps::atTester(pair.groups[0], 0, {TesterKind::Block, {}, false, true})->value(),
        1e-6);
    ASSERT_EQ(plug.seen.size(), 6U);
    EXPECT_EQ(plug.seen[3].jot, "tester front lamp/2 lit with others");
    EXPECT_EQ(plug.seen[3].row, "front lamp/2");
    // Over two outputs nothing lies but lamps that face each other.
    const Job two = jotted(pair, {"lamp rear red on rear", "resistor rear 1k"});
    EXPECT_EQ(showing(two, touch(two, "output front", "output rear")), "");
    // Behind one resistor, and with a row that is straight on the wires.
    const Job bare = jotted(pair, {"resistor front/1 none", "resistor front/2 none"});
    const Probed first = touch(bare, "L3 1 1 plus", "L3 1 1 minus");
    EXPECT_EQ(showing(bare, first), "front lamp/1.1, front lamp/2.1");
    const Job shared = jotted(bare, {"shared front 500"});
    EXPECT_NEAR(
        touch(shared, "common", "output front").current.value(),
        touch(jotted(pair, {"resistor front 1k"}), "common", "output front").current.value(), 1e-6);
    // A driver passes nothing without power; its lamps by themselves do.
    const Job driven = jotted(pair, {"driver front 10mA"});
    EXPECT_EQ(showing(driven, touch(driven, "common", "output front")), "");
    EXPECT_TRUE(touch(driven, "common", "output front").seen.empty());
}

TEST(Probes, WhatHangsOnOneSupplyLightsTogether) {
    const Job house = jotted(tests::newJob("Quay", "quay-house"),
                             {"supply fixed dc 12V", "lamp loft white", "resistor loft 1k",
                              "lamp quay red", "resistor quay 1k"});
    const Probed made = touch(house, "common", "output supply");
    EXPECT_EQ(showing(house, made), "loft lamp/1.1, quay lamp/1.1");
}

TEST(Probes, ASupplyLetsNoMoreThroughThanItIsSetTo) {
    const Job job = jotted(shunter(), {"lamp front white 3.1V 20mA", "resistor front 100"});
    const Probed made = touch(job, "common", "output front", twelve);
    EXPECT_NEAR(made.current.value(), 0.020, 1e-9);
    EXPECT_NEAR(made.lamps.at(0).current.value(), 0.020, 1e-6);
    EXPECT_EQ(linesOf(made).front(), "tester front lamp lit at supply 12 V with resistor *");
    // Through a wire nothing lights.
    const Job wire = jotted(shunter(), {"lamp front white", "resistor front none"});
    EXPECT_EQ(plain(touch(wire, "L3 1 1 minus", "output front").sentence),
              "Nothing lies between minus of front lamp and the wire of output front: they are one "
              "point.");
    EXPECT_TRUE(touch(wire, "L3 1 1 minus", "output front").lamps.empty());
}

TEST(Probes, BulbsGlowEitherWayFromAGoodPartOfTheirCurrent) {
    const Job job = jotted(shunter(), {"bulb front 12V 20mA"});
    EXPECT_EQ(showing(job, touch(job, "common", "output front", twelve)), "front lamp/1.1");
    EXPECT_EQ(showing(job, touch(job, "output front", "common", twelve)), "front lamp/1.1");
    // One that wants 60 mA gets the 20 that the supply lets through: a third.
    const Job hungry = jotted(shunter(), {"bulb front 12V 60mA"});
    EXPECT_EQ(showing(hungry, touch(hungry, "common", "output front", twelve)), "");
    const Job near = jotted(shunter(), {"bulb front 12V 40mA"});
    EXPECT_EQ(showing(near, touch(near, "common", "output front", twelve)), "front lamp/1.1 dim");
    // Three volts of twelve: half of its current.
    EXPECT_EQ(showing(job, touch(job, "common", "output front", coin)), "front lamp/1.1 dim");
    const Probed meter = touch(job, "common", "output front", {TesterKind::DiodeTest, {}});
    EXPECT_EQ(showing(job, meter), "");
    EXPECT_EQ(plain(meter.sentence).substr(0, 24), "At the meter's diode tes");
    EXPECT_TRUE(plain(meter.sentence).ends_with("flow, and no lamp shows it."));
    EXPECT_TRUE(touch(job, "common", "output front", twelve).seen.empty());
}

TEST(SharedResistors, AHouseThatSharesHangsLikeLampsBehindOne) {
    WorkshopRecord sharing;
    sharing.house.lampResistors = LampResistors::Shared;
    const auto after = [&](Job job, const char* line, const WorkshopRecord& workshop) {
        return applyLine(line, job, smallCatalogue(), {}, workshop).value();
    };
    const Job one = jotted(shunter(), {"lamp front white 3.1V 20mA", "resistor front 1k8"});
    const JotResult each = after(one, "parallel front", {});
    EXPECT_FALSE(each.after.groups[0].rows[1].resistor);
    EXPECT_TRUE(plain(each.meaning).ends_with(", with a resistor of its own"));
    const JotResult shared = after(one, "parallel front", sharing);
    const LampGroup& group = shared.after.groups[0];
    EXPECT_TRUE(plain(shared.meaning).ends_with("all behind one resistor of 1.2 kΩ"))
        << plain(shared.meaning);
    // 13.2 V less 2.8 V at 5 mA are 2.1 kΩ for one: half of it for two, the next of E12.
    EXPECT_EQ(group.shared(), Ohms{1200});
    for (const LampRow& row : group.rows) EXPECT_EQ(row.resistor, Ohms{0});
    // A third of it for three, and by a line that puts a lamp on the output likewise.
    EXPECT_LT(after(shared.after, "parallel front", sharing).after.groups[0].shared(), Ohms{850});
    const Job named = jotted(shunter(), {"lamp front white on front", "resistor front 1k8"});
    EXPECT_GT(after(named, "lamp white called step on front", sharing).after.groups[0].shared(),
              Ohms{0});
    EXPECT_EQ(after(named, "lamp white called step on front", {}).after.groups[0].shared(),
              Ohms{0});
    // Not where they differ, stand both ways round, are wired or bulbs, or a driver keeps them.
    EXPECT_EQ(after(one, "parallel front red", sharing).after.groups[0].shared(), Ohms{0});
    EXPECT_EQ(after(jotted(one, {"inline front white"}), "parallel front", sharing)
                  .after.groups[0]
                  .shared(),
              Ohms{0});
    const Job bulb = jotted(shunter(), {"bulb front 16V 50mA"});
    EXPECT_EQ(after(bulb, "parallel front", sharing).after.groups[0].shared(), Ohms{0});
    const Job driven = jotted(one, {"driver front 5mA"});
    EXPECT_NE(after(driven, "parallel front", sharing).after.groups[0].driver(), nullptr);
}

TEST(Probes, RefusesWhatIsNoTwoPoints) {
    const Job job = jotted(shunter(), {"lamp front white", "resistor front 1k"});
    const auto refused = [&](const char* red, const char* black) {
        const auto made = lamps::probed(job, WorkshopRules(), red, black, block);
        return made ? std::string() : plain(made.error().what);
    };
    EXPECT_EQ(refused("common", "common"), "Both probes are on the common.");
    EXPECT_EQ(refused("common", "output moon"), "That point is not there any more.");
    EXPECT_EQ(refused("L9 1 1 plus", "common"), "That point is not there any more.");
    EXPECT_TRUE(lamps::probePoints(job, "L9").empty());
    const auto points = lamps::probePoints(job, "L3");
    ASSERT_EQ(points.size(), 4U);
    EXPECT_EQ(plain(points[0].words), "the common");
    EXPECT_EQ(plain(points[1].words), "the wire of output front");
    EXPECT_EQ(plain(points[2].words), "plus of front lamp");
    const Job row = jotted(job, {"inline front red"});
    EXPECT_EQ(plain(lamps::probePoints(row, "L3").back().words), "minus of lamp 2 of front lamp");
}

}  // namespace
}  // namespace glimmet::core
