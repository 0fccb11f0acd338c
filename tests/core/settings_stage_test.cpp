// Settings by their meaning: what they come to in variables, what is keyed in, what a read-back
// says; running in.
#include "core/analysis/function_map.h"
#include "core/analysis/run_in_state.h"
#include "core/analysis/settings_plan.h"
#include "support/findings.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace glimmet::core::settings {
namespace {

using tests::factsOf;
using tests::jotted;
using tests::shunter;
using tests::stateOf;

std::map<int, int> CVsOf(const Job& job, const WorkshopRules& house = {}) {
    return settingsPlan(job, house).CV;
}
using Values = std::map<int, int>;

TEST(SettingsPlan, OfAnAddressIsAsByHand) {
    EXPECT_EQ(CVsOf(shunter()), (Values{{1, 3}, {29, 2}}));
    // 3107 = 12 · 256 + 35; 192 + 12 = 204; CV29 bit 5 for a long one, bit 1 for 28 steps and more.
    EXPECT_EQ(CVsOf(jotted(shunter(), {"address 3107"})), (Values{{17, 204}, {18, 35}, {29, 34}}));
    EXPECT_EQ(CVsOf(jotted(shunter(), {"address 3107", "swap direction bit"})).at(29), 35);
    EXPECT_EQ(CVsOf(jotted(shunter(), {"swap direction bit", "swap direction bit"})).at(29), 2);
    EXPECT_TRUE(settingsPlan(shunter(), {}).values[0].assumed);
    EXPECT_FALSE(settingsPlan(jotted(shunter(), {"address 3"}), {}).values[0].assumed);
    EXPECT_TRUE(settingsPlan(jotted(shunter(), {"decoder none"}), {}).values.empty());
}
TEST(SettingsPlan, OfSpeedsAndMomentum) {
    const Job job = jotted(shunter(), {"lowest speed 4%", "middle speed 25%", "top speed 60%",
                                       "momentum start 20s stop 12s"});
    const auto values = CVsOf(job);
    EXPECT_EQ(values.at(2), 10);  // 0.04 · 255 = 10.2
    EXPECT_EQ(values.at(6), 64);  // 63.75
    EXPECT_EQ(values.at(5), 153);
    EXPECT_EQ(values.at(3), 22);  // 20 / 0.896 = 22.3
    EXPECT_EQ(values.at(4), 13);  // 13.4
    WorkshopRules house;
    house.speedCurve = SpeedCurve::Table;
    const auto table = CVsOf(job, house);
    EXPECT_EQ(table.count(5), 0U);
    EXPECT_EQ(table.at(67), 10);
    EXPECT_EQ(table.at(94), 153);
    EXPECT_EQ(table.at(29) & 16, 16);
}
TEST(SettingsPlan, AStopWithinADistanceIsATime) {
    // 60 km/h in 1:87 is 0.1916 m/s; t = 2 · 0.4 / 0.1916 = 4.176 s; / 0.896 = 4.66.
    const Job job = jotted(shunter(), {"stops within 40cm from 60km/h"});
    EXPECT_NEAR(stopTimeOf(*job.settings.stop, job.scale).value(), 4.176, 0.001);
    EXPECT_EQ(CVsOf(job).at(4), 5);
    // The later of the two ways to say it counts.
    EXPECT_FALSE(jotted(job, {"momentum stop 12s"}).settings.stop.has_value());
    EXPECT_FALSE(jotted(jotted(shunter(), {"momentum stop 12s"}), {"stops within 40cm from 60km/h"})
                     .settings.stopTime.has_value());
}
TEST(SettingsPlan, OfKeysIsTheStandardsMap) {
    const Job job = jotted(shunter(), {"key F0 front rear", "key F1 output 1"});
    const auto values = CVsOf(job);
    EXPECT_EQ(values.at(33), 1);
    EXPECT_EQ(values.at(34), 2);
    EXPECT_EQ(values.at(35), 4);  // output 1 is the third of the map
    const Job beyond = jotted(job, {"key F12 front", "key F20 sound horn"});
    EXPECT_EQ(stateOf(beyond, "settings.key:F12"), State::Close);
    EXPECT_EQ(stateOf(beyond, "settings.key:F20"), State::Close);
    EXPECT_EQ(stateOf(beyond, "settings.key:F1"), State::Fine);
}
TEST(SettingsPlan, AValueByNumberGoesBeforeItsMeaning) {
    const Job job = jotted(shunter(), {"address 3107", "cv 29 38", "cv 29 6"});
    EXPECT_EQ(CVsOf(job).at(29), 6);
    EXPECT_EQ(job.settings.own.size(), 1U);
}
TEST(Keys, AreSaidInManyWays) {
    const Job job = jotted(shunter(), {"lamp cab white on 1"});
    const auto keyed = [&](const char* line) { return jotted(job, {line}).functions; };
    const auto key = [](const std::vector<FunctionKey>& map, int number) {
        const auto found = std::find_if(map.begin(), map.end(),
                                        [&](const auto& each) { return each.key == number; });
        return found == map.end() ? FunctionKey{} : *found;
    };
    EXPECT_EQ(key(keyed("F5 cab"), 5).outputs, std::vector<std::string>{"1"});
    EXPECT_EQ(key(keyed("key 5 green momentary"), 5).outputs, std::vector<std::string>{"1"});
    EXPECT_TRUE(key(keyed("key 5 green momentary"), 5).momentary);
    EXPECT_EQ(key(keyed("key F5 front and rear"), 5).outputs,
              (std::vector<std::string>{"front", "rear"}));
    EXPECT_EQ(key(keyed("key F0 front forward"), 0).direction, Direction::Forward);
    EXPECT_EQ(key(keyed("key F3 sound horn"), 3).sound, "horn");
    EXPECT_EQ(key(keyed("key F1 called cab light"), 1).label, "cab light");
    // The others stay as they were: the standard's.
    EXPECT_EQ(key(keyed("F5 cab"), 1).outputs, std::vector<std::string>{"1"});
    EXPECT_EQ(directionOf(jotted(job, {"key F0 front rear"}), "rear"), Direction::Reverse);
}
TEST(SettingsStage, AsksForAnAddressAndTakesItFromTheNumber) {
    Job job = shunter();
    job.name = "No. 4711 \"Gull\"";
    const auto all = findings(factsOf(job));
    const Finding* address = tests::found(all, "settings.address");
    ASSERT_NE(address, nullptr);
    EXPECT_TRUE(address->open);
    EXPECT_EQ(address->options.front().jot, "address 4711");
    EXPECT_EQ(addressFromName(shunter()), std::nullopt);
    const Job out = jotted(job, {"controller address 99", "address 4711"});
    EXPECT_EQ(stateOf(out, "settings.address"), State::Over);
    EXPECT_EQ(stateOf(jotted(out, {"address 99"}), "settings.address"), State::Fine);
}
TEST(SettingsStage, SaysWhichLampNoKeySwitches) {
    const Job job = jotted(shunter(), {"lamp front white", "resistor front 2k2", "key F0 nothing"});
    EXPECT_EQ(stateOf(job, "settings.dark:" + job.groups[0].id), State::Close);
    EXPECT_EQ(stateOf(jotted(job, {"key F4 front"}), "settings.dark:" + job.groups[0].id),
              State::Fine);
}
TEST(SettingsStage, LeadsThroughTheListToKeyIn) {
    Job job = jotted(shunter(), {"address 3107", "top speed 60%"});
    std::vector<std::string> pressed;
    for (int guard = 0; guard < 20; ++guard) {
        const auto all = findings(factsOf(job));
        const Finding* next = tests::found(all, "settings.keyin");
        ASSERT_NE(next, nullptr);
        if (!next->open) break;
        pressed.push_back(next->options[0].jot);
        job = jotted(job, {next->options[0].jot.c_str()});
    }
    EXPECT_EQ(pressed, (std::vector<std::string>{"keyed 17 204", "keyed 18 35", "keyed 29 34",
                                                 "keyed 5 153"}));
    // A value that is planned anew is to be keyed in again.
    const auto again = findings(factsOf(jotted(job, {"top speed 50%"})));
    EXPECT_TRUE(tests::found(again, "settings.keyin")->open);
}
TEST(SettingsStage, ComparesAReadBack) {
    const Job job = jotted(shunter(), {"address 3107", "read-back 17=204 18=36 29=34 8=145"});
    const auto all = findings(factsOf(job));
    ASSERT_NE(tests::found(all, "settings.differs:18"), nullptr);
    EXPECT_EQ(tests::found(all, "settings.differs:18")->state, State::Over);
    EXPECT_EQ(tests::found(all, "settings.differs:17"), nullptr);
    // Kept as it is read, the plan follows.
    const Job kept =
        jotted(job, {tests::found(all, "settings.differs:18")->options[0].jot.c_str()});
    EXPECT_EQ(stateOf(kept, "settings.differs:18"), State::Fine);
    // What was read as planned need not be keyed in.
    const auto then = findings(factsOf(kept));
    EXPECT_FALSE(tests::found(then, "settings.keyin")->open);
}

RunInState forwardOf(const Job& job) { return runInState(job, {}, Direction::Forward); }
TEST(RunInStage, WatchesTheCurrent) {
    Job job = jotted(shunter(), {"run-in forward 0min 200mA", "run-in forward 15min 190mA"});
    EXPECT_EQ(forwardOf(job).state, State::Fine);
    EXPECT_FALSE(forwardOf(job).done());
    EXPECT_EQ(forwardOf(jotted(job, {"run-in forward 30min 180mA"})).state, State::Fine);
    EXPECT_TRUE(forwardOf(jotted(job, {"run-in forward 30min 180mA"})).done());
    EXPECT_EQ(forwardOf(jotted(job, {"run-in forward 30min 208mA"})).state, State::Close);
    EXPECT_EQ(forwardOf(jotted(job, {"run-in forward 20min 210mA"})).state, State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"run-in forward 20min 210mA"}), "run-in.current:forward"),
              State::Over);
    // The other way is another run.
    EXPECT_EQ(forwardOf(jotted(job, {"run-in reverse 20min 400mA"})).state, State::Fine);
}
TEST(RunInStage, CountsByTheClock) {
    const auto at = [](const Job& job, const char* line, const char* moment) {
        auto taken = applyLine(line, job, tests::smallCatalogue(), moment);
        if (!taken) throw std::invalid_argument(plain(taken.error().what));
        return std::move(taken->after);
    };
    Job job = at(shunter(), "run-in forward begins", "2026-03-02T14:00");
    ASSERT_TRUE(job.runIn.running.has_value());
    job = at(job, "run-in forward 200mA", "2026-03-02T14:12");
    EXPECT_EQ(job.runIn.readings.back().ran, Seconds{720});
    EXPECT_TRUE(job.runIn.running.has_value());
    job = at(job, "run-in forward 190mA", "2026-03-02T14:31");
    EXPECT_FALSE(job.runIn.running.has_value());  // half an hour is over
    EXPECT_TRUE(forwardOf(job).done());
}
TEST(RunInStage, EndsWhenBothWaysRan) {
    Job job = jotted(shunter(), {"run-in forward 30min 200mA"});
    const auto half = findings(factsOf(job));
    EXPECT_TRUE(tests::found(half, "run-in.next")->open);
    EXPECT_EQ(plain(tests::found(half, "run-in.next")->action), "run it in, in reverse");
    job = jotted(job, {"run-in reverse 30min 200mA"});
    const auto all = findings(factsOf(job));
    EXPECT_FALSE(tests::found(all, "run-in.next")->open);
    WorkshopRules none;
    none.runIn = Seconds{0};
    const auto house = findings(shunter(), tests::smallCatalogue(), none);
    EXPECT_FALSE(tests::found(house, "run-in.next")->open);
    EXPECT_EQ(stateOf(jotted(job, {"hours 19h"}), "run-in.oil"), State::Fine);
    EXPECT_EQ(stateOf(jotted(job, {"hours 19h", "hours 1h"}), "run-in.oil"), State::Close);
    EXPECT_EQ(stateOf(jotted(job, {"hours 25h", "hours 0h"}), "run-in.oil"), State::Fine);
}

}  // namespace
}  // namespace glimmet::core::settings
