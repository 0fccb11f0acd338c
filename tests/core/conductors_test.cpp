// Wires across couplings: what wants them, who does without, what is said where they do not reach.
#include "core/analysis/circuits_across.h"
#include "core/analysis/wiring/pickups.h"
#include "support/findings.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using tests::jotted;
using tests::newJob;
using tests::sentenceOf;
using tests::stateOf;

/// A shunter that drives, a saloon behind it whose wheels collect as told.
Job train(bool collects, std::initializer_list<const char*> lines = {}) {
    Job job = jotted(jotted(newJob("Pair", "dock-shunter"),
                            {"motor can", "decoder middle", "unit saloon called coach"}),
                     lines);
    job.decoder->placement = Fitted{job.units[0].id, {}, {}};  // else it is asked where it lies
    for (Axle& axle : job.units[1].body.axles) axle.collectsLeft = axle.collectsRight = collects;
    return job;
}
Job withContacts(Job job, int wires) {
    job.couplings[0].contacts = wires;
    return job;
}
/// All lamps of an output move into a unit.
Job lampIn(Job job, const char* output, std::size_t unit) {
    for (LampGroup& each : job.groups) {
        if (each.output != output) continue;
        for (LampRow& row : each.rows)
            for (Lamp& lamp : row.lamps) lamp.fitted.unit = job.units[unit].id;
    }
    return job;
}
Job lit(bool collects) {
    const Job made = train(collects, {"lamp front white", "lamp rear red"});
    return lampIn(lampIn(made, "front", 0), "rear", 1);
}
const char* const checked = "decoder.conductors:U1";
const char* const spoken = "decoder.conductors:1";

TEST(CircuitsAcross, NothingBeyondWantsNone) {
    const Job job = train(true);
    EXPECT_EQ(circuitsAcross(job, 0).needed(), 0U);
    EXPECT_EQ(circuitsAcross(job, 0).withRails(), 2U);
    EXPECT_FALSE(tests::has(tests::checkedAll(job), spoken));
}
TEST(CircuitsAcross, EachOutputAndTheCommonOnce) {
    Job job = lit(false);
    ASSERT_EQ(job.groups.size(), 2U);
    const CircuitsAcross one = circuitsAcross(job, 0);
    EXPECT_EQ(one.outputs, std::vector<std::string>{job.groups[1].output});
    EXPECT_EQ(one.needed(), 2U);
    EXPECT_EQ(one.withRails(), 2U);
    // Both on one output are one wire; on two they are two.
    job = lampIn(job, "front", 1);
    EXPECT_EQ(circuitsAcross(job, 0).needed(), 3U);
    job.groups[0].output = job.groups[1].output;
    EXPECT_EQ(circuitsAcross(job, 0).needed(), 2U);
}
TEST(CircuitsAcross, AMotorOrABankBeyondTheDecoderTakesTwo) {
    Job job = train(false);
    job.decoder->placement = Fitted{job.units[1].id, "roof", {}};
    EXPECT_EQ(homeUnit(job), 1U);
    EXPECT_EQ(circuitsAcross(job, 0).motors, 1U);
    // The coach collects nothing: without the engine's wheels there is no power at all.
    EXPECT_TRUE(circuitsAcross(job, 0).railsWanted);
    EXPECT_EQ(circuitsAcross(job, 0).needed(), 4U);
    EXPECT_EQ(circuitsAcross(job, 0).withRails(), 4U);
    Job banked = jotted(train(false), {"bank chips-3300u-25"});
    banked.bank->placement = Fitted{banked.units[1].id, "roof", {}};
    EXPECT_EQ(circuitsAcross(banked, 0).needed(), 2U);
    banked.bank->placement->unit = banked.units[0].id;
    EXPECT_EQ(circuitsAcross(banked, 0).needed(), 0U);
    // Nobody put it anywhere: it starts where the motor is.
    EXPECT_EQ(homeUnit(jotted(newJob("x", "saloon"), {"unit dock-shunter called engine"})), 1U);
    EXPECT_EQ(homeUnit(newJob("x", "saloon")), 0U);
}
TEST(CircuitsAcross, LampsStraightOnTheRailsWantThemOnlyWhereTheirUnitHasNone) {
    const auto straight = [](bool collects) {
        Job job = lit(collects);
        job.groups[1].output = supplyOutput;
        return circuitsAcross(job, 0);
    };
    EXPECT_EQ(straight(true).needed(), 0U);
    EXPECT_EQ(straight(false).needed(), 2U);
    EXPECT_TRUE(straight(false).outputs.empty());
    // On a battery there are no rails to lead.
    Job battery = lit(true);
    battery.feed = Feed::BatteryRadio;
    EXPECT_EQ(circuitsAcross(battery, 0).withRails(), 2U);
}
TEST(CircuitsAcross, AFrameIsARailOnlyWhereItsWheelsCollect) {
    for (const FrameKind frame : {FrameKind::FrameReturn, FrameKind::SplitFrame}) {
        Job job = train(false);
        for (Unit& unit : job.units) unit.frame = frame;
        EXPECT_FALSE(circuitsAcross(job, 0).collects);
        EXPECT_EQ(circuitsAcross(job, 0).withRails(), 0U);
        job.units[1].body.axles[0].collectsRight = true;
        EXPECT_TRUE(circuitsAcross(job, 0).collects);
        // On a battery no frame leads a rail.
        job.feed = Feed::BatteryRadio;
        EXPECT_EQ(circuitsAcross(job, 0).withRails(), 0U);
    }
}
TEST(CircuitsAcross, MotorsSideBySideShareTwoWiresAndLampsOnBothSidesAreCounted) {
    Job job = train(true, {"unit dock-shunter called banker"});
    job.decoder->placement = Fitted{job.units[1].id, "roof", {}};
    EXPECT_EQ(circuitsAcross(job, 0).motors, 1U);
    job.decoder->placement = Fitted{job.units[0].id, {}, {}};
    job.units[1].motors = job.units[2].motors;
    job.units[1].motors[0].id = "M9";
    EXPECT_EQ(circuitsAcross(job, 0).motors, 2U);
    EXPECT_EQ(circuitsAcross(job, 0).needed(), 2U);
    // A row behind the shared resistor of a lamp in the engine: the common, and what it shares.
    Job lamps = train(true, {"lamp front white", "parallel front", "shared front 1k"});
    for (std::size_t r = 0; r < 2; ++r)
        lamps.groups[0].rows[r].lamps[0].fitted.unit = lamps.units[r].id;
    const CircuitsAcross across = circuitsAcross(lamps, 0);
    EXPECT_EQ(across.others, 1U);
    EXPECT_TRUE(across.common && across.outputs.empty());
    EXPECT_EQ(across.needed(), 2U);
    EXPECT_NE(sentenceOf(withContacts(lamps, 4), "decoder.conductors:1").find("2 for its lamps"),
              std::string::npos);
}
TEST(CircuitsAcross, WipersAndSlidersCollectToo) {
    // Lamps straight on the rails in a coach without wheels that collect, but with a wiper a side.
    const auto needed = [](std::initializer_list<Pole> poles, Feed feed) {
        Job job = lit(false);
        job.groups[1].output = supplyOutput;
        job.feed = feed;
        job.units[0].collectors.push_back({CollectorKind::Slider, Pole::Centre, {}, {}});
        for (const Pole pole : poles)
            job.units[1].collectors.push_back({CollectorKind::Wiper, pole, {}, {}});
        return circuitsAcross(job, 0).needed();
    };
    EXPECT_EQ(needed({Pole::Left, Pole::Right}, Feed::TwoRailDcc), 0U);
    EXPECT_EQ(needed({Pole::Left}, Feed::TwoRailDcc), 2U);
    EXPECT_EQ(needed({Pole::Right}, Feed::TwoRailDcc), 2U);
    EXPECT_EQ(needed({Pole::Centre, Pole::Left}, Feed::ThreeRailDigital), 0U);
    EXPECT_EQ(needed({Pole::Left, Pole::Right}, Feed::ThreeRailDigital), 2U);
}
TEST(CircuitsAcross, OfThreeUnitsWhatLiesBehindTwoCouplingsCrossesBoth) {
    Job three = jotted(lit(false), {"unit saloon called tail"});
    three = lampIn(three, "rear", 2);
    EXPECT_EQ(circuitsAcross(three, 0).needed(), 2U);
    EXPECT_EQ(circuitsAcross(three, 1).needed(), 2U);
    // With the decoder in the last one what is before it goes the other way.
    three.decoder->placement = Fitted{three.units[2].id, "roof", {}};
    EXPECT_EQ(circuitsAcross(three, 1).motors, 1U);
    EXPECT_EQ(circuitsAcross(three, 1).outputs, std::vector<std::string>{"front"});
}
TEST(CircuitsAcross, TheRailsAreLedWhereTwoAreLeft) {
    const Job job = lit(true);
    for (const auto& [wires, led] :
         {std::pair{0, false}, {1, false}, {2, false}, {3, false}, {4, true}, {5, true}}) {
        EXPECT_EQ(railsLed(withContacts(job, wires), 0), led) << wires;
        EXPECT_EQ(ledTogether(withContacts(job, wires)),
                  std::pair(std::size_t{0}, led ? std::size_t{1} : std::size_t{0}));
        EXPECT_EQ(measure::pickupAxles(withContacts(job, wires)).size(),
                  led ? 3U + job.units[1].body.axles.size() : 3U);
    }
    EXPECT_TRUE(railsLed(withContacts(train(true), 2), 0));
    EXPECT_FALSE(railsLed(withContacts(train(true), 1), 0));
    // Where they are wanted they are among those that are needed.
    Job beyond = train(false);
    beyond.decoder->placement = Fitted{beyond.units[1].id, "roof", {}};
    EXPECT_TRUE(railsLed(withContacts(beyond, 4), 0));
    EXPECT_FALSE(railsLed(withContacts(beyond, 3), 0));
    EXPECT_FALSE(railsLed(withContacts(train(true), -5), 0));
}
TEST(CircuitsAcross, AreAskedForTooFewScarceOrEnough) {
    const Job job = lit(true);
    const std::string rear = job.groups[1].output;
    EXPECT_EQ(stateOf(withContacts(job, 0), checked), State::Ask);
    EXPECT_EQ(sentenceOf(withContacts(job, 0), spoken),
              "4 wires have to go across the coupling behind unit 1 (2 for output " + rear +
                  " and its common, 2 for the rails), and none is known of.");
    EXPECT_EQ(stateOf(withContacts(job, 1), checked), State::Over);
    EXPECT_EQ(sentenceOf(withContacts(job, 1), spoken),
              "One wire goes across the coupling behind unit 1, and 2 have to: 2 for output " +
                  rear + " and its common.");
    EXPECT_EQ(stateOf(withContacts(job, 2), checked), State::Close);
    EXPECT_EQ(stateOf(withContacts(job, 3), checked), State::Close);
    EXPECT_NE(sentenceOf(withContacts(job, 3), spoken).find("the wheels beyond do not help"),
              std::string::npos);
    EXPECT_EQ(stateOf(withContacts(job, 4), checked), State::Fine);
    EXPECT_EQ(stateOf(withContacts(lit(false), 2), checked), State::Fine);
    EXPECT_EQ(stateOf(withContacts(lit(false), 1), checked), State::Over);
}
TEST(CircuitsAcross, AreCountedOutForEachThatWantsThem) {
    Job job = lampIn(lit(false), "front", 1);
    EXPECT_NE(sentenceOf(withContacts(job, 1), spoken)
                  .find("3 for outputs front and rear with their common."),
              std::string::npos);
    // The decoder in the coach: the motor, and the rails that only the engine collects from.
    job.decoder->placement = Fitted{job.units[1].id, "roof", {}};
    EXPECT_EQ(sentenceOf(withContacts(job, 5), spoken),
              "5 wires go across the coupling behind unit 1, and 4 are wanted: 2 for its motor, 2 "
              "for the rails.");
    EXPECT_EQ(sentenceOf(withContacts(job, 3), spoken),
              "3 wires go across the coupling behind unit 1, and 4 have to: 2 for its motor, 2 for "
              "the rails.");
    Job banked = jotted(train(false), {"bank chips-3300u-25"});
    banked.bank->placement = Fitted{banked.units[1].id, "roof", {}};
    EXPECT_NE(sentenceOf(withContacts(banked, 1), spoken).find("2 for its bank"),
              std::string::npos);
}
TEST(CircuitsAcross, WhatIsOfferedEndsIt) {
    for (const bool collects : {true, false}) {
        for (const int wires : {0, 1, 2, 3}) {
            const Job job = withContacts(lit(collects), wires);
            const auto all = tests::checkedAll(job);
            const Finding* one = tests::found(all, checked);
            ASSERT_NE(one, nullptr);
            EXPECT_EQ(one->state == State::Fine, one->options.empty());
            for (const Option& option : one->options) {
                EXPECT_EQ(stateOf(jotted(job, {option.jot.c_str()}), checked), option.state)
                    << option.jot;
            }
        }
    }
    // Just enough, or as many as make the wheels help: the latter first.
    const auto all = tests::checkedAll(withContacts(lit(true), 1));
    const Finding& two = tests::finding(all, spoken);
    ASSERT_EQ(two.options.size(), 2U);
    EXPECT_EQ(two.options[0].jot, "contacts 4");
    EXPECT_EQ(two.options[1].jot, "contacts 2");
    EXPECT_EQ(plain(two.options[0].effect), "enough, and the wheels beyond help");
    EXPECT_EQ(plain(two.options[1].effect), "just enough; the wheels beyond do not help");
    const auto none = tests::checkedAll(withContacts(lit(false), 1));
    EXPECT_EQ(plain(tests::finding(none, spoken).options.at(0).effect), "enough");
    // Of several couplings it is said which.
    const Job three = jotted(lit(true), {"unit saloon called tail"});
    const auto found = tests::checkedAll(three);
    EXPECT_EQ(tests::finding(found, spoken).options.at(0).jot,
              "contacts 4 behind " + unitCalled(three, 0));
}

}  // namespace
}  // namespace glimmet::core
