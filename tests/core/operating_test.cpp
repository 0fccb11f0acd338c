// A model as it is driven: which lamps are lit with which keys, which way and at what volts.
#include "core/analysis/operating.h"

#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <map>

namespace glimmet::core {
namespace {

using tests::factsOf;
using tests::jotted;
using tests::shunter;

Job lit() {
    return jotted(shunter(),
                  {"lamp front white on front", "resistor front 2k2", "lamp rear red on rear",
                   "resistor rear 2k7", "lamp cab amber on 1", "resistor cab 4k7"});
}
std::map<std::string, double> currents(const Job& job, const Operating& operating) {
    std::map<std::string, double> all;
    const JobAnalysis facts = factsOf(job);
    for (const LitLamp& lamp : litWhen(facts, operating)) all[lamp.name] = lamp.current.value();
    return all;
}

TEST(Operating, FrontAndRearFollowTheDirectionOthersTheirKey) {
    const Job job = lit();
    EXPECT_EQ(keysOf(job), (std::vector<int>{0, 1}));
    const auto on = [&](const Operating& operating) {
        std::string names;
        for (const auto& [name, amps] : currents(job, operating)) {
            if (amps > 0) names += name + " ";
        }
        return names;
    };
    EXPECT_EQ(on({}), "cab lamp front lamp rear lamp ");
    EXPECT_EQ(on({false, true, {0}, {}}), "front lamp ");
    EXPECT_EQ(on({false, false, {0}, {}}), "rear lamp ");
    EXPECT_EQ(on({false, true, {1}, {}}), "cab lamp ");
    EXPECT_EQ(on({false, false, {0, 1}, {}}), "cab lamp rear lamp ");
    EXPECT_EQ(on({false, true, {}, {}}), "");
}
TEST(Operating, KeysOfOutputs) {
    EXPECT_EQ(outputNumber("front"), 1);
    EXPECT_EQ(outputNumber("rear"), 2);
    EXPECT_EQ(outputNumber("1"), 3);
    EXPECT_EQ(outputNumber("12"), 14);
    for (const char* none : {"supply", "", "0", "-1", "1b", "x"}) {
        EXPECT_FALSE(outputNumber(none)) << none;
        EXPECT_TRUE(keysOf(lit(), none).empty()) << none;
    }
    using Keys = std::vector<int>;
    EXPECT_EQ(keysOf(lit(), "front"), Keys{0});
    EXPECT_EQ(keysOf(lit(), "1"), Keys{1});
    EXPECT_EQ(directionOf(lit(), "front"), Direction::Forward);
    EXPECT_EQ(directionOf(lit(), "rear"), Direction::Reverse);
    EXPECT_FALSE(directionOf(lit(), "1"));
}
TEST(Operating, TheMapOfTheRecordCountsWhereThereIsOne) {
    Job job = lit();
    FunctionKey both, marker;
    both.key = 4;
    both.outputs = {"front", "rear"};
    marker.key = 2;
    marker.direction = Direction::Reverse;
    marker.outputs = {"1"};
    job.functions = {both, marker};
    EXPECT_EQ(keysOf(job), (std::vector<int>{2, 4}));
    EXPECT_TRUE(keysOf(job, "2").empty());
    EXPECT_FALSE(directionOf(job, "front"));
    EXPECT_EQ(directionOf(job, "1"), Direction::Reverse);
    const auto on = [&](std::set<int> keys, bool forward, const char* output) {
        return isOn(job, {false, forward, std::move(keys), {}, RoomLight::Dark}, output);
    };
    EXPECT_FALSE(on({0}, true, "front"));
    EXPECT_TRUE(on({4}, true, "front"));
    EXPECT_TRUE(on({4}, false, "front"));
    EXPECT_FALSE(on({2}, true, "1"));
    EXPECT_TRUE(on({2}, false, "1"));
    EXPECT_TRUE(on({}, true, supplyOutput));
    // Key 0 lights nothing of it then: what follows is said by the map, not by the output's name.
    job.functions.clear();
    EXPECT_TRUE(on({0}, true, "front"));
    EXPECT_FALSE(on({0}, false, "front"));
}
TEST(Operating, CurrentsFollowTheVoltsAsAFreshJobOfThoseVoltsHasThem) {
    const Job job = lit();
    for (const char* volts : {"7V", "9V", "12V", "18V"}) {
        const Job there = jotted(job, {(std::string("track ") + volts).c_str()});
        Operating operating;
        operating.volts = there.supply.volts->value;
        EXPECT_EQ(currents(job, operating), currents(there, {})) << volts;
    }
}
TEST(Operating, BelowItsLeastVoltsTheDecoderIsOutButTheSupplyIsNot) {
    const Job job = jotted(lit(), {"lamp amber on supply called glow", "resistor glow 1k"});
    Operating operating;
    operating.volts = Volts{5.9};
    auto low = currents(job, operating);
    EXPECT_EQ(low["front lamp"], 0);
    EXPECT_EQ(low["cab lamp"], 0);
    EXPECT_GT(low["glow"], 1e-3);
    operating.volts = usuallyAwakeFrom;
    EXPECT_GT(currents(job, operating)["front lamp"], 0);
    operating.volts = Volts{0};
    for (const auto& [name, amps] : currents(job, operating)) EXPECT_LT(amps, 1e-9) << name;

    Job told = job;
    told.decoder->part.leastSupply = Volts{8};
    EXPECT_EQ(decoderAwake(told).from, Volts{8});
    EXPECT_FALSE(decoderAwake(told).assumed);
    EXPECT_TRUE(decoderAwake(job).assumed);
    operating.volts = Volts{7.9};
    EXPECT_EQ(currents(told, operating)["front lamp"], 0);
}
TEST(Operating, TellsFromWhichVoltsEachComesOn) {
    const Job job = jotted(lit(), {"lamp amber on supply called glow", "resistor glow 1k"});
    const JobAnalysis facts = factsOf(job);
    const auto from = comesOnAt(facts, {});
    ASSERT_EQ(from.size(), 4U);
    EXPECT_EQ(*from[0], usuallyAwakeFrom);           // its LED would glow earlier
    EXPECT_EQ(*from[3], facts.groups[3]->glowFrom);  // straight on the supply
    EXPECT_LT(*from[3], usuallyAwakeFrom);
    const auto forward = comesOnAt(facts, {false, true, {0}, {}});
    EXPECT_TRUE(forward[0].has_value());
    EXPECT_FALSE(forward[1].has_value());
    EXPECT_FALSE(forward[2].has_value());
    EXPECT_TRUE(forward[3].has_value());
    const Job open = jotted(shunter(), {"lamp front white on front"});
    EXPECT_FALSE(comesOnAt(factsOf(open), {})[0].has_value());  // no resistor yet
}

}  // namespace
}  // namespace glimmet::core
