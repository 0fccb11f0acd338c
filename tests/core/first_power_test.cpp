// The first power: its steps for each kind of model, what was seen, what a difference means.
#include "core/analysis/power_steps.h"
#include "support/findings.h"

#include <gtest/gtest.h>

namespace glimmet::core::first_power {
namespace {

using meter::Allows;
using tests::factsOf;
using tests::jotted;
using tests::shunter;
using tests::stateOf;

std::vector<std::string> idsOf(const Job& job, const WorkshopRules& house = {}) {
    std::vector<std::string> ids;
    for (const PowerStep& step : powerSteps(job, house)) ids.push_back(step.id);
    return ids;
}
using Ids = std::vector<std::string>;

TEST(PowerSteps, FollowTheModelAndTheHouse) {
    const Job job = jotted(shunter(), {"lamp front white", "resistor front 2k2"});
    const std::string lamp = "lamp:" + job.groups[0].id;
    EXPECT_EQ(idsOf(job), (Ids{"programming", "forward", "reverse", lamp, "layout", "body"}));
    WorkshopRules house;
    house.firstPower = FirstPower::PlainDc;
    EXPECT_EQ(idsOf(job, house).front(), "dc");
    EXPECT_EQ(powerSteps(job, house).front().needs, Allows::PlainDcLow);
    EXPECT_EQ(idsOf(jotted(job, {"supply battery"})),
              (Ids{"battery", "forward", "reverse", lamp, "body"}));
    const Job light = jotted(tests::newJob("Light", "lighthouse"), {"lamp lantern white"});
    EXPECT_EQ(idsOf(light), (Ids{"supply", "lamp:" + light.groups[0].id}));
    EXPECT_TRUE(idsOf(tests::newJob("Bare", "box-van")).empty());
}
TEST(PowerSteps, DoNotPressALampWithoutItsResistor) {
    const Job job = jotted(shunter(), {"lamp front white"});
    EXPECT_TRUE(plain(powerSteps(job, {})[3].words).starts_with("Do not press yet"));
    EXPECT_EQ(plain(powerSteps(jotted(job, {"resistor front 1k"}), {})[3].words),
              "Lamp front lamp");
    EXPECT_EQ(plain(powerSteps(jotted(job, {"resistor front 1k"}), {})[3].look),
              "press F0, forward: front lamp lights, at the right end");
}
/// Everything that the short proof asks for.
Job proved() {
    return jotted(shunter(), {"left rail to right rail open", "brush to frame open",
                              "motor minus to frame open"});
}
TEST(FirstPower, IsAllowedByTheMeter) {
    const Job bare = shunter();
    const auto before = findings(factsOf(bare));
    EXPECT_EQ(plain(tests::found(before, "power.next")->action), "prove it by meter first");
    EXPECT_TRUE(tests::found(before, "power.next")->open);
    const Job job = proved();
    const auto after = findings(factsOf(job));
    EXPECT_EQ(plain(tests::found(after, "power.next")->action), "Programming track, decoder in");
    EXPECT_EQ(tests::found(after, "power.next")->options.size(), 1U);
    EXPECT_FALSE(tests::found(after, "power.next")->caution.empty());
}
TEST(FirstPower, ThatIsNotProvedIsSaidNotLocked) {
    EXPECT_EQ(stateOf(jotted(shunter(), {"power programming ok"}), "power.unproved"), State::Ask);
    EXPECT_EQ(stateOf(jotted(proved(), {"power programming ok"}), "power.unproved"), State::Fine);
    EXPECT_EQ(stateOf(jotted(proved(), {"power layout ok"}), "power.unproved"), State::Ask);
    const Job failing = jotted(proved(), {"beep common to left rail", "power programming ok"});
    EXPECT_EQ(stateOf(failing, "power.unproved"), State::Over);
}
TEST(FirstPower, BackwardsHasTwoWaysOutByTheHouse) {
    const Job job = jotted(proved(), {"power forward turns backwards"});
    const auto all = findings(factsOf(job));
    const Finding* seen = tests::found(all, "power.seen:forward");
    ASSERT_NE(seen, nullptr);
    EXPECT_EQ(seen->state, State::Over);
    ASSERT_EQ(seen->options.size(), 3U);
    EXPECT_EQ(seen->options[0].jot, "swap motor leads");
    EXPECT_EQ(seen->options[1].jot, "swap direction bit");
    WorkshopRules house;
    house.directionBy = DirectionBy::Bit;
    const auto byBit = findings(job, tests::smallCatalogue(), house);
    EXPECT_EQ(tests::found(byBit, "power.seen:forward")->options[0].jot, "swap direction bit");
    // Swapped, it has to be seen again.
    const Job swapped = jotted(job, {"swap motor leads"});
    EXPECT_EQ(seenOf(swapped, "forward"), nullptr);
    ASSERT_EQ(swapped.swapped.size(), 1U);
    EXPECT_EQ(swapped.swapped[0].on, "2026-03-02");
    const auto again = findings(factsOf(swapped));
    EXPECT_EQ(tests::found(again, "power.seen:forward"), nullptr);
}
TEST(FirstPower, EachDifferenceMeansSomething) {
    const Job job = jotted(proved(), {"lamp front white", "resistor front 2k2"});
    for (const auto& [line, id, words] :
         std::initializer_list<std::tuple<const char*, const char*, const char*>>{
             {"power programming no answer", "programming", "a plug the wrong way round"},
             {"power programming trips", "programming", "take the power off and probe again"},
             {"power forward nothing", "forward", "a brush, a pickup or a lead is open"},
             {"power front lamp wrong end lights", "lamp", "two outputs are swapped"},
             {"power front lamp stays dark", "lamp", "the LED is reversed"},
             {"power layout smokes", "layout", "power off at once"}}) {
        const auto all = findings(factsOf(jotted(job, {line})));
        const std::string whole = std::string("power.seen:") +
                                  (std::string(id) == "lamp" ? "lamp:" + job.groups[0].id : id);
        const Finding* seen = tests::found(all, whole);
        ASSERT_NE(seen, nullptr) << line;
        EXPECT_NE(plain(seen->sentence).find(words), std::string::npos) << plain(seen->sentence);
    }
    const Job smoke = jotted(job, {"power layout smokes"});
    const auto all = findings(factsOf(smoke));
    EXPECT_EQ(tests::found(all, "power.seen:layout")->gravity, Gravity::PartDestroyed);
    EXPECT_FALSE(tests::found(all, "power.seen:layout")->caution.empty());
}
TEST(FirstPower, TheCurrentAtRestHasItsLimits) {
    const auto at = [](const char* line) {
        return stateOf(jotted(proved(), {line}), "power.current");
    };
    EXPECT_EQ(at("power programming ok 49mA"), State::Fine);
    EXPECT_EQ(at("power programming ok 51mA"), State::Close);
    EXPECT_EQ(at("power programming ok 260mA"), State::Over);
    Job sound = proved();
    sound.decoder->part.sound = true;
    EXPECT_EQ(stateOf(jotted(sound, {"power programming ok 99mA"}), "power.current"), State::Fine);
}
TEST(FirstPower, SwapsAskForWhatTheyTouch) {
    Job job = jotted(proved(), {"lamp front white", "resistor front 2k2", "lamp cab white on 1",
                                "resistor cab 2k2", "power front lamp wrong end",
                                "power cab lamp ok", "power forward ok"});
    job = jotted(job, {"swap outputs"});
    EXPECT_EQ(seenOf(job, "lamp:" + job.groups[0].id), nullptr);
    EXPECT_NE(seenOf(job, "lamp:" + job.groups[1].id), nullptr);
    job = jotted(job, {"swap led cab lamp"});
    EXPECT_EQ(seenOf(job, "lamp:" + job.groups[1].id), nullptr);
    EXPECT_EQ(job.swapped.back().of, job.groups[1].id);
    job = jotted(job, {"swap direction bit"});
    EXPECT_EQ(seenOf(job, "forward"), nullptr);
}

}  // namespace
}  // namespace glimmet::core::first_power
