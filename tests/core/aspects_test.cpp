// Several colours at one place: behind a decoder, and where the supply itself reverses.
#include "core/analysis/lamp_groups.h"
#include "core/analysis/operating.h"
#include "core/work/jot.h"
#include "support/findings.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <set>

namespace glimmet::core {
namespace {

using tests::factsOf;
using tests::jotted;

/// What is lit, by name of its group, driven that way with F0 on.
std::set<std::string> lit(const Job& job, bool reverse) {
    Operating operating;
    operating.forward = !reverse;
    operating.everything = false;
    std::set<std::string> names;
    for (const LitLamp& each : litWhen(factsOf(job), operating)) {
        if (each.brightness > 0) names.insert(std::string(name(each.lamp->part.family)));
    }
    return names;
}
const LampGroup& called(const Job& job, const char* name) { return *groupNamed(job, name); }

TEST(Aspects, OfAPlaceEachHaveAnOutputOfTheirOwnAndTheirResistor) {
    const Job job = jotted(tests::shunter(), {"aspects front white red"});
    ASSERT_EQ(job.groups.size(), 2U);
    const LampGroup& white = called(job, "front lamp white");
    const LampGroup& red = called(job, "front lamp red");
    EXPECT_EQ(white.output, "front");
    EXPECT_EQ(red.output, "rear");
    EXPECT_EQ(white.rows[0].lamps[0].fitted, red.rows[0].lamps[0].fitted);
    EXPECT_EQ(white.rows[0].lamps[0].fitted.place, "front lamp");
    for (const LampGroup* group : {&white, &red}) {
        ASSERT_TRUE(group->rows[0].resistor.has_value());
        const auto state = groupState(job, *group, {});
        EXPECT_NEAR(state->rows[0].current.value(), group->wish.target.value(), 0.001);
    }
    EXPECT_LT(*white.rows[0].resistor, *red.rows[0].resistor);  // red takes fewer volts
    for (const Finding& finding : tests::checkedAll(job)) {
        if (finding.stage != "lamps") continue;
        EXPECT_EQ(finding.state, State::Fine) << finding.id << plain(finding.sentence);
    }
    EXPECT_EQ(lit(job, false), std::set<std::string>{"white"});
    EXPECT_EQ(lit(job, true), std::set<std::string>{"red"});
}
TEST(Aspects, OfBothEndsShareTheOutputsOfTheDirection) {
    const Job job =
        jotted(tests::shunter(), {"aspects front white red", "two-colour rear white red"});
    ASSERT_EQ(job.groups.size(), 2U);
    EXPECT_EQ(called(job, "forward lamps").output, "front");
    EXPECT_EQ(called(job, "reverse lamps").output, "rear");
    const auto again = applyLine("aspects rear white red", job, tests::smallCatalogue(), "");
    ASSERT_FALSE(again.has_value());
    EXPECT_EQ(plain(again.error().what),
              "There is a lamp already where the rear lamp goes. Take it out first: remove forward "
              "lamps.");
    for (const LampGroup& group : job.groups) {
        ASSERT_EQ(group.rows.size(), 2U) << group.output;
        std::set<std::string> places;
        for (const LampRow& row : group.rows) {
            places.insert(row.lamps[0].fitted.place);
            ASSERT_TRUE(row.resistor.has_value());
        }
        EXPECT_EQ(places, (std::set<std::string>{"front lamp", "rear lamp"}));
        EXPECT_EQ(name(group.rows[0].lamps[0].part.family),
                  group.output == "front" ? "white" : "red");
        EXPECT_EQ(name(group.rows[1].lamps[0].part.family),
                  group.output == "front" ? "red" : "white");
    }
}
TEST(Aspects, OnASupplyThatReversesAreThePairOfTwoLegs) {
    const Job job =
        jotted(tests::newJob("Aurora", "saloon"), {"supply dc 12V", "aspects front white red"});
    ASSERT_EQ(job.groups.size(), 1U);
    EXPECT_TRUE(antiparallel(job.groups[0]));
    EXPECT_EQ(job.groups[0].rows[0].lamps[0].fitted, job.groups[0].rows[1].lamps[0].fitted);
    EXPECT_GT(job.groups[0].shared(), Ohms{0});
}
TEST(Aspects, OfASignalStandWhereTheyAreNamed) {
    const Job job =
        jotted(tests::shunter(), {"decoder none", "aspects home signal red warm white on 1 2"});
    EXPECT_EQ(called(job, "home signal red").output, "1");
    EXPECT_EQ(called(job, "home signal warm white").output, "2");
    EXPECT_EQ(called(job, "home signal warm white").rows[0].lamps[0].part.tint, "warm");
    // Without outputs named, the next that are free.
    const Job more = jotted(job, {"aspects distant yellow green"});
    EXPECT_EQ(called(more, "distant yellow").output, "3");
    EXPECT_EQ(called(more, "distant green").output, "4");
}
TEST(Aspects, InsideTakeWhatIsFreeAndTheDirectionsOutputsLast) {
    const Job job = jotted(tests::shunter(), {"aspects cab white red green"});
    EXPECT_EQ(called(job, "cab lamp white").output, "1");
    EXPECT_EQ(called(job, "cab lamp red").output, "front");
    EXPECT_EQ(called(job, "cab lamp green").output, "rear");
    const auto fourth = applyLine("aspects cab white red green amber", tests::shunter(),
                                  tests::smallCatalogue(), "2026-01-01");
    ASSERT_FALSE(fourth.has_value());
    EXPECT_EQ(plain(fourth.error().what),
              "No output is left for amber: each colour wants one of its own.");
}
TEST(Aspects, WhatIsNotColoursOrOutputsIsRefusedAndNothingIsTaken) {
    const auto refused = [](const char* line, const Job& job = tests::shunter()) {
        return !applyLine(line, job, tests::smallCatalogue(), "2026-01-01").has_value();
    };
    EXPECT_TRUE(refused("aspects"));
    EXPECT_TRUE(refused("aspects front"));
    EXPECT_TRUE(refused("aspects front white"));
    EXPECT_TRUE(refused("aspects white red"));
    EXPECT_TRUE(refused("aspects front white purplish red"));
    EXPECT_TRUE(refused("aspects front white red on front"));
    EXPECT_TRUE(refused("aspects front white red on front nowhere"));
    EXPECT_TRUE(
        refused("aspects front white red", jotted(tests::shunter(), {"aspects front white red"})));
    const Job dc = jotted(tests::newJob("Aurora", "saloon"), {"supply dc 12V"});
    EXPECT_TRUE(refused("aspects front white red green", dc));
    EXPECT_TRUE(refused("aspects front white red on 1 2", dc));
    EXPECT_FALSE(refused("aspects front white red", dc));
}

TEST(Aspects, OfASignalHeadAreStackedTheFirstUppermost) {
    const Job job = jotted(tests::newJob("x", "saloon"),
                           {"supply fixed dc 12V", "aspects home signal red yellow green stacked"});
    ASSERT_EQ(job.groups.size(), 3U);
    const auto high = [&](std::size_t group) {
        return job.groups[group].rows[0].lamps[0].fitted.pose.at.z.value();
    };
    // 300 mm of the prototype apart.
    EXPECT_NEAR(high(0) - high(1), 300 / 87.0, 1e-9);
    EXPECT_NEAR(high(1) - high(2), 300 / 87.0, 1e-9);
    EXPECT_NEAR(high(1), job.units[0].body.height.value() / 2, 1e-9);
    // Small scales: as close as LEDs go. Not stacked they share a place.
    const Job small = jotted(tests::newJob("x", "saloon"),
                             {"scale Z", "supply fixed dc 12V", "aspects home red green stacked"});
    EXPECT_NEAR((small.groups[0].rows[0].lamps[0].fitted.pose.at.z -
                 small.groups[1].rows[0].lamps[0].fitted.pose.at.z)
                    .value(),
                2, 1e-9);
    // Two ways round of one pair may shine from two lenses as well.
    const Job pair =
        jotted(tests::newJob("x", "saloon"), {"supply dc 12V", "aspects home red green stacked"});
    ASSERT_EQ(pair.groups.size(), 1U);
    ASSERT_EQ(pair.groups[0].rows.size(), 2U);
    EXPECT_NEAR((pair.groups[0].rows[0].lamps[0].fitted.pose.at.z -
                 pair.groups[0].rows[1].lamps[0].fitted.pose.at.z)
                    .value(),
                300 / 87.0, 1e-9);
    // Where the volts turn round by themselves a pair would be lit both ways: each by itself.
    EXPECT_EQ(jotted(tests::newJob("x", "lighthouse"), {"supply ac 16V", "aspects home red green"})
                  .groups.size(),
              2U);
}
TEST(Aspects, ThreeColoursInOneBodyAreLampsAtOnePlace) {
    const Job job =
        jotted(tests::newJob("x", "saloon"), {"supply fixed dc 12V", "aspects sign rgb"});
    ASSERT_EQ(job.groups.size(), 3U);
    EXPECT_EQ(job.groups[0].rows[0].lamps[0].part.family, LedFamily::Red);
    EXPECT_EQ(job.groups[1].rows[0].lamps[0].part.family, LedFamily::TrueGreen);
    EXPECT_EQ(job.groups[2].rows[0].lamps[0].part.family, LedFamily::Blue);
    for (const LampGroup& group : job.groups) {
        EXPECT_EQ(group.rows[0].lamps[0].fitted.pose, job.groups[0].rows[0].lamps[0].fitted.pose);
        EXPECT_TRUE(group.rows[0].resistor.has_value());
    }
}

}  // namespace
}  // namespace glimmet::core
