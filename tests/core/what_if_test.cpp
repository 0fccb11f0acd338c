// What becomes of a group when one of its lamps fails, and how builds of it differ.
#include "core/analysis/lamps/what_if.h"

#include "core/quantity/format.h"
#include "core/work/lamps/mismatch.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

using namespace tests;
using lamps::FaultCase;
using lamps::LampFault;
using lamps::mismatchLines;
using lamps::mismatchOf;
using lamps::whatIf;

/// Lamps in a building on 12 V that is always there.
Job onTwelveVolts(std::initializer_list<const char*> lines) {
    return tests::jotted(tests::jotted(tests::newJob("Holm", "saloon"), {"supply fixed dc 12V"}),
                         lines);
}
std::vector<FaultCase> cases(const Job& job) { return whatIf(job, job.groups.at(0), {}); }
const FaultCase& of(const std::vector<FaultCase>& all, LampFault fault, std::size_t row = 0,
                    std::size_t lamp = 0) {
    for (const FaultCase& one : all) {
        if (one.fault == fault && one.row == row && one.lamp == lamp) return one;
    }
    throw std::out_of_range("no such case");
}

TEST(WhatIf, ALampByItselfHurtsNoOther) {
    const auto all = cases(onTwelveVolts({"lamp table white", "resistor table 2k2"}));
    ASSERT_EQ(all.size(), 3U);
    EXPECT_EQ(of(all, LampFault::Open).state, State::Fine);
    EXPECT_NEAR(of(all, LampFault::Open).current[0]->value(), 0, 1e-12);
    // Bridged its resistor has it all: 12 V over 2.2 kΩ.
    EXPECT_NEAR(of(all, LampFault::Shorted).current[0]->value(), 12 / 2200.0, 1e-9);
    EXPECT_EQ(of(all, LampFault::Shorted).state, State::Fine);
    // Turned round it has the whole supply backwards.
    EXPECT_EQ(of(all, LampFault::Reversed).state, State::Over);
    EXPECT_NE(plain(of(all, LampFault::Reversed).follows).find("12 V backwards"),
              std::string::npos);
    const auto low = cases(onTwelveVolts({"supply fixed dc 5V", "lamp table red"}));
    EXPECT_TRUE(low.empty());  // not connected
    const auto mild =
        cases(onTwelveVolts({"supply fixed dc 5V", "lamp table red", "resistor table 1k"}));
    EXPECT_EQ(of(mild, LampFault::Reversed).state, State::Fine);
}

TEST(WhatIf, WithNothingThatLimitsAShortIsAShort) {
    const auto bare =
        cases(onTwelveVolts({"supply fixed dc 3V", "lamp table white", "resistor table none"}));
    EXPECT_EQ(of(bare, LampFault::Shorted).state, State::Over);
    EXPECT_NE(plain(of(bare, LampFault::Shorted).follows).find("supply is shorted"),
              std::string::npos);
    // Behind a shared resistor the bridged row takes what that lets through.
    const auto shared =
        cases(onTwelveVolts({"lamp table white", "parallel table white", "shared table 1k"}));
    EXPECT_NEAR(of(shared, LampFault::Shorted).current[0]->value(), 0.012, 1e-9);
    EXPECT_NEAR(of(shared, LampFault::Shorted).current[1]->value(), 0, 1e-9);
    EXPECT_EQ(of(shared, LampFault::Shorted).state, State::Close);
    EXPECT_NE(plain(of(shared, LampFault::Shorted).follows).find("lose more than half"),
              std::string::npos);
    const auto driven =
        cases(onTwelveVolts({"lamp table white", "parallel table white", "driver table 10mA"}));
    EXPECT_NEAR(of(driven, LampFault::Shorted).total.value(), 0.010, 1e-9);
}

TEST(WhatIf, BehindASharedResistorTheOthersGetItsShare) {
    // Two whites share 30 mA: one gone, the other gets nearly all of it and burns.
    const Job two = onTwelveVolts({"lamp table white", "parallel table white", "shared table 300"});
    const auto all = cases(two);
    ASSERT_EQ(all.size(), 3U);  // they are alike: one stands for both
    const FaultCase& open = of(all, LampFault::Open);
    EXPECT_NE(plain(open.name).find("One of 2"), std::string::npos);
    EXPECT_EQ(open.state, State::Over);
    EXPECT_NE(plain(open.follows).find("burn after it"), std::string::npos);
    // What is left is one LED behind 300 Ω.
    const auto alone = cases(onTwelveVolts({"lamp table white", "resistor table 300"}));
    const auto left =
        groupState(onTwelveVolts({"lamp table white", "resistor table 300"}),
                   onTwelveVolts({"lamp table white", "resistor table 300"}).groups[0], {});
    EXPECT_NEAR(open.current[1]->value(), left->rows[0].current.value(), 1e-9);
    EXPECT_EQ(alone.size(), 3U);
    // At a tenth of that nothing burns, but it is nearly twice as bright; of three it is less.
    const auto mild =
        cases(onTwelveVolts({"lamp table white", "parallel table white", "shared table 3k"}));
    EXPECT_EQ(of(mild, LampFault::Open).state, State::Fine);
    EXPECT_NE(plain(of(mild, LampFault::Open).follows).find("brighter"), std::string::npos);
    // Turned round, it has backwards only what the others leave of the supply.
    EXPECT_EQ(of(mild, LampFault::Reversed).state, State::Fine);
    // Rows of their own do not feel it.
    const auto own =
        cases(onTwelveVolts({"lamp table white", "parallel table white", "resistor table 1k"}));
    EXPECT_NE(plain(of(own, LampFault::Open).follows).find("do not feel it"), std::string::npos);
}

TEST(WhatIf, InARowTheOthersGoDarkOrGetMore) {
    const auto all =
        cases(onTwelveVolts({"lamp table white", "inline table red", "resistor table 330"}));
    ASSERT_EQ(all.size(), 6U);
    EXPECT_EQ(of(all, LampFault::Open, 0, 1).state, State::Close);
    EXPECT_NE(plain(of(all, LampFault::Open, 0, 1).follows).find("whole row is dark"),
              std::string::npos);
    // The white bridged: 12 V less the red one over 330 Ω is more than that bears.
    EXPECT_EQ(of(all, LampFault::Shorted, 0, 0).state, State::Over);
    EXPECT_NEAR(of(all, LampFault::Shorted, 0, 0).current[0]->value(), 10 / 330.0, 4e-4);
    // Turned round in a row it only blocks: its neighbour shares the volts.
    EXPECT_EQ(of(all, LampFault::Reversed, 0, 0).state, State::Close);
    // Two alike stand for each other.
    EXPECT_EQ(cases(onTwelveVolts({"lamp table white", "inline table white", "resistor table 1k"}))
                  .size(),
              3U);
}

TEST(WhatIf, OutputsResistorsAndBulbsHaveTheirLimits) {
    // 13.2 V over 60 Ω: more than the 200 mA of the output.
    Job job = shunter();
    job = tests::jotted(job, {"lamp cab white on 1", "resistor cab 56"});
    job.groups.back().rows[0].lamps[0].part.limit = Amperes{0.3};
    const auto over = whatIf(job, job.groups.back(), {});
    EXPECT_EQ(of(over, LampFault::Shorted).state, State::Over);
    EXPECT_NE(plain(of(over, LampFault::Shorted).follows).find("output 1 carries"),
              std::string::npos);
    const auto hot = cases(onTwelveVolts({"lamp table white", "resistor table 270"}));
    EXPECT_EQ(of(hot, LampFault::Shorted).state, State::Over);  // 0.53 W
    const auto warm = cases(onTwelveVolts({"lamp table white", "resistor table 300"}));
    EXPECT_EQ(of(warm, LampFault::Shorted).state, State::Fine);  // 0.48 W
    const auto small =
        cases(onTwelveVolts({"lamp table white", "resistor table 1k", "package table 0805"}));
    EXPECT_EQ(of(small, LampFault::Shorted).state, State::Over);  // 144 mW in 125 mW
    const auto bulb = cases(onTwelveVolts({"bulb table 12V 50mA"}));
    ASSERT_EQ(bulb.size(), 2U);  // either way round it lights
    EXPECT_EQ(of(bulb, LampFault::Shorted).state, State::Over);
}

TEST(Mismatch, AgreeWithTheDerivatives) {
    for (const auto& lines :
         {std::initializer_list<const char*>{"lamp table warm white", "parallel table",
                                             "resistor table 47", "supply fixed dc 3.3V"},
          std::initializer_list<const char*>{"lamp table warm white", "parallel table",
                                             "resistor table 68", "supply fixed dc 3.5V"}}) {
        const Job job = onTwelveVolts(lines);
        const auto state = groupState(job, job.groups[0], {});
        ASSERT_TRUE(state);
        const double derived = unevenBuilds(job.groups[0], *state);
        const auto mismatch = mismatchOf(job, job.groups[0], {}, 4000, 7);
        ASSERT_TRUE(mismatch);
        EXPECT_EQ(mismatch->builds, 4000U);
        EXPECT_NEAR(static_cast<double>(mismatch->uneven) / 4000, derived, 0.03);
        EXPECT_GT(derived, 0.02);
    }
}

TEST(Mismatch, AreTheSameEachTimeAndSayWhatHelps) {
    const Job job = onTwelveVolts({"supply fixed dc 5V", "lamp table warm white", "parallel table",
                                   "parallel table", "shared table 82"});
    const std::string id = job.groups[0].id;
    std::size_t last = 0, all = 0;
    const auto lines = mismatchLines(job, id, {}, 300, 3, [&](std::size_t done, std::size_t of) {
        EXPECT_GT(done, last);
        last = done;
        all = of;
    });
    ASSERT_EQ(lines.size(), 4U);
    EXPECT_EQ(last, all);
    EXPECT_EQ(lines[1].jot, "own table lamp");
    EXPECT_EQ(lines[2].jot, "series table lamp E96");
    // Nothing but one shared resistor: nearly every build is uneven; own resistors mend most.
    EXPECT_GT(lines[0].mismatch.uneven, 240U);
    EXPECT_LT(lines[1].mismatch.uneven, lines[0].mismatch.uneven);
    EXPECT_EQ(lines[3].mismatch.uneven, 0U);  // picked, and nothing of their own that differs
    for (const auto& line : lines) {
        EXPECT_EQ(line.mismatch.ratios.size(), 300U);
        EXPECT_TRUE(std::is_sorted(line.mismatch.ratios.begin(), line.mismatch.ratios.end()));
        EXPECT_GE(line.mismatch.ratios.front(), 1);
    }
    const auto again = mismatchLines(job, id, {}, 300, 3);
    EXPECT_EQ(again[0].mismatch.ratios, lines[0].mismatch.ratios);
    const auto other = mismatchLines(job, id, {}, 300, 4);
    EXPECT_NE(other[0].mismatch.ratios, lines[0].mismatch.ratios);
    // Lamps that were read themselves have no spread; nor are two colours meant to match.
    const Job read =
        tests::jotted(job, {"lamp table/1 warm white 2.9V 5mA", "lamp table/2 warm white 2.9V 5mA",
                            "lamp table/3 warm white 2.9V 5mA"});
    EXPECT_EQ(mismatchOf(read, read.groups[0], {}, 100, 1)->uneven, 0U);
    const Job mixed =
        onTwelveVolts({"lamp table warm white", "parallel table red", "resistor table 220"});
    EXPECT_EQ(mismatchOf(mixed, mixed.groups[0], {}, 100, 1)->uneven, 0U);
    // Above its limit in some builds.
    const Job near = onTwelveVolts({"supply fixed dc 5V", "lamp table white", "resistor table 75"});
    const auto over = mismatchOf(near, near.groups[0], {}, 1000, 1);
    EXPECT_GT(over->over, 50U);
    EXPECT_LT(over->over, 950U);
    EXPECT_TRUE(mismatchLines(job, "L99", {}, 10, 1).empty());
    std::stop_source stopped;
    stopped.request_stop();
    EXPECT_EQ(mismatchOf(job, job.groups[0], {}, 100, 1, stopped.get_token())->builds, 0U);
}

/// The lamps of the first group as that failure leaves them, by what they were.
std::vector<double> seenWith(const Job& job, LampFault fault, std::size_t row,
                             std::size_t lamp = 0) {
    const auto all = cases(job);
    const auto facts = tests::factsOf(job);
    std::vector<LitLamp> before = litLamps(job, facts.groups);
    std::vector<LitLamp> then = before;
    lamps::showFailed(job.groups.at(0), of(all, fault, row, lamp), then);
    std::vector<double> light;
    for (std::size_t i = 0; i < then.size(); ++i) {
        const double was = before[i].brightness, now = then[i].brightness;
        light.push_back(now * now * now / (was * was * was));
        EXPECT_NEAR(
            (then[i].current / before[i].current).value(),
            job.groups[0].isBulbs() ? (then[i].current / before[i].current).value() : light.back(),
            1e-6);
    }
    return light;
}
TEST(WhatIf, IsSeenInTheDark) {
    // Behind one resistor the other gets all of it, as far as its volts let it.
    const Job shared = onTwelveVolts(
        {"lamp table white", "parallel table white", "shared table 1k", "resistor table none"});
    const auto open = seenWith(shared, LampFault::Open, 0);
    ASSERT_EQ(open.size(), 2U);
    EXPECT_EQ(open[0], 0);
    EXPECT_GT(open[1], 1.8);
    EXPECT_LT(open[1], 2.0);
    const auto shorted = seenWith(shared, LampFault::Shorted, 0);
    EXPECT_EQ(shorted[0], 0);
    EXPECT_NEAR(shorted[1], 0, 1e-6);
    // Of a chain all go dark, or the others go on a little brighter.
    const Job chain =
        onTwelveVolts({"lamp table red", "inline table yellow", "resistor table 1k5"});
    EXPECT_EQ(seenWith(chain, LampFault::Open, 0, 1), (std::vector<double>{0, 0}));
    const auto bridged = seenWith(chain, LampFault::Shorted, 0, 1);
    EXPECT_EQ(bridged[1], 0);
    EXPECT_NEAR(bridged[0], (12 - 1.95) / (12 - 3.9), 0.05);
    // What stands across the failed one takes its current, or is bridged with it.
    const Job across = onTwelveVolts(
        {"lamp table white", "twin table white", "inline table red", "resistor table 1k"});
    const auto beside = seenWith(across, LampFault::Open, 0, 0);
    EXPECT_EQ(beside[0], 0);
    EXPECT_NEAR(beside[1], 2, 0.1);
    EXPECT_NEAR(beside[2], 1, 0.05);
    const auto gone = seenWith(across, LampFault::Shorted, 0, 0);
    EXPECT_EQ(gone[0], 0);
    EXPECT_EQ(gone[1], 0);
    EXPECT_GT(gone[2], 1.2);
    // Of lamps that an edit took away meanwhile nothing is shown.
    const auto all = cases(shared);
    for (const Job& then :
         {tests::jotted(shared, {"remove table/2"}), tests::jotted(shared, {"remove table"})}) {
        const auto facts = tests::factsOf(then);
        auto lit = litLamps(then, facts.groups);
        const auto before = lit;
        lamps::showFailed(shared.groups[0], all.front(), lit);
        ASSERT_EQ(lit.size(), before.size());
        for (std::size_t i = 0; i < lit.size(); ++i)
            EXPECT_EQ(lit[i].brightness, before[i].brightness);
    }
    // Another group is left alone, wherever it stands.
    const Job two = onTwelveVolts(
        {"lamp table white", "resistor table 2k2", "lamp tail red", "resistor tail 2k2"});
    EXPECT_EQ(seenWith(two, LampFault::Open, 0), (std::vector<double>{0, 1}));
}
TEST(WhatIf, TurnedRoundOnTheRailsItStaysLitTheOtherWay) {
    const Job rails = tests::jotted(tests::newJob("Aurora", "saloon"),
                                    {"lamp table white", "resistor table 2k2"});
    ASSERT_TRUE(lightsTurned(rails, rails.groups[0]));
    EXPECT_EQ(seenWith(rails, LampFault::Reversed, 0), (std::vector<double>{1}));
    EXPECT_EQ(seenWith(rails, LampFault::Open, 0), (std::vector<double>{0}));
    EXPECT_NE(plain(of(cases(rails), LampFault::Reversed).follows).find("other direction"),
              std::string::npos);
    // Of two in series one that is turned keeps both dark.
    const auto chain =
        cases(tests::jotted(tests::newJob("Aurora", "saloon"),
                            {"lamp table red", "inline table yellow", "resistor table 2k2"}));
    EXPECT_EQ(plain(of(chain, LampFault::Reversed).follows).find("other direction"),
              std::string::npos);
    const Job still = onTwelveVolts({"lamp table white", "resistor table 2k2"});
    EXPECT_EQ(seenWith(still, LampFault::Reversed, 0), (std::vector<double>{0}));
}

}  // namespace
}  // namespace glimmet::core
