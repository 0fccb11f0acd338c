// Dirt: stutters that a bank carries over, by formula, by chance, and what is said of it.
#include "core/track/dirt.h"

#include "core/analysis/stay_alive/bank_state.h"
#include "core/track/crossing.h"
#include "core/work/stay_alive/bank_options.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

namespace glimmet::core::stay_alive {
namespace {

using tests::factsOf;
using tests::jotted;

TEST(Dirt, LeavesWhatOutlastsTheBankAsChanceHasIt) {
    const MetresPerSecond speed{0.064};
    std::mt19937 random(3);
    std::exponential_distribution<double> length(1 / 0.003);
    for (const double seconds : {0.0, 0.02, 0.1, 0.2}) {
        int outlast = 0;
        constexpr int stutters = 200000;
        for (int i = 0; i < stutters; ++i) outlast += length(random) / 0.064 > seconds ? 1 : 0;
        EXPECT_NEAR(stuttersLeft(2, speed, Seconds{seconds}), 2.0 * outlast / stutters, 0.01);
    }
    // By hand: 3 mm at 64 mm/s is 46.9 ms, and ln 100 is 4.605.
    EXPECT_NEAR(timeToCarry(1, speed, 0.01).value(), 0.2159, 1e-4);
    EXPECT_EQ(timeToCarry(0.01, speed, 0.01), Seconds{0});
    EXPECT_EQ(timeToCarry(0, speed, 0.01), Seconds{0});
    for (const double rate : {0.02, 1.0, 30.0}) {
        EXPECT_NEAR(stuttersLeft(rate, speed, timeToCarry(rate, speed, 0.01)), 0.01, 1e-12);
    }
}

/// A shunter without dead frogs that stutters.
Job stutters(const char* dirt) {
    return jotted(tests::shunter(), {"points none", "gap none", dirt});
}

TEST(Dirt, IsWhatABankIsHeldAgainstOnceItIsCounted) {
    const Job nobody = jotted(tests::shunter(), {"points none", "gap none"});
    EXPECT_EQ(dirtTime(nobody), dirt);
    EXPECT_FALSE(stuttersWith(nobody, Seconds{1}));
    EXPECT_FALSE(tests::has(tests::checkedAll(nobody), "reserve.dirt"));

    const Job counted = stutters("dirt every 1m");
    // At 20 km/h in H0 it goes 63.9 mm/s.
    EXPECT_NEAR(dirtTime(counted).value(), 0.1081, 1e-3);
    EXPECT_NEAR(dirtTime(counted, bearable).value(), 0.2163, 1e-3);
    EXPECT_EQ(loadsOf(factsOf(counted)).needed, dirtTime(counted));
    EXPECT_EQ(dirtTime(stutters("dirt little")), Seconds{0});
    EXPECT_LT(dirtTime(jotted(counted, {"creep 40km/h"})), dirtTime(counted));
    EXPECT_EQ(dirtTime(stutters("dirt clean")), Seconds{0});
    EXPECT_EQ(stuttersWith(counted, std::nullopt), 0.0);
    EXPECT_NEAR(*stuttersWith(counted, Seconds{0}), 1, 1e-12);
}
TEST(Dirt, IsJudgedWithoutABankWithOneTooSmallAndWithOneThatHolds) {
    EXPECT_EQ(tests::stateOf(stutters("dirt clean"), "reserve.dirt"), State::Fine);
    EXPECT_EQ(tests::stateOf(stutters("dirt every 200m"), "reserve.dirt"), State::Fine);
    EXPECT_EQ(tests::stateOf(stutters("dirt every 50m"), "reserve.dirt"), State::Close);
    EXPECT_EQ(tests::stateOf(stutters("dirt every 5m"), "reserve.dirt"), State::Over);
    const Job bad = stutters("dirt bad");
    EXPECT_EQ(tests::stateOf(bad, "reserve.dirt"), State::Over);
    EXPECT_NE(tests::sentenceOf(bad, "reserve.dirt").find("clean its rails and wheels first"),
              std::string::npos);

    const Job small = jotted(bad, {"bank can-1000u-25 charge 100R diode 0.35V"});
    EXPECT_EQ(tests::stateOf(small, "reserve.dirt"), State::Over);
    EXPECT_NE(tests::sentenceOf(small, "reserve.dirt").find("too small for this dirt"),
              std::string::npos);
    EXPECT_EQ(tests::stateOf(small, "reserve.hold"), State::Close);  // better than none

    // The first that is offered does what it promises.
    const auto all = tests::checkedAll(small);
    const Finding& one = tests::finding(all, "reserve.dirt");
    ASSERT_FALSE(one.options.empty());
    ASSERT_EQ(one.options.front().state, State::Fine) << plain(one.options.front().what);
    const Job held = jotted(small, {one.options.front().jot.c_str()});
    EXPECT_EQ(tests::stateOf(held, "reserve.dirt"), State::Fine);
    EXPECT_EQ(tests::stateOf(held, "reserve.hold"), State::Fine);
    EXPECT_NE(tests::sentenceOf(held, "reserve.dirt").find("carries it over dirt"),
              std::string::npos);

    const Job seldom = jotted(held, {"dirt little"});
    EXPECT_NE(tests::sentenceOf(seldom, "reserve.hold").find("it stutters seldom"),
              std::string::npos);
    EXPECT_EQ(tests::stateOf(seldom, "reserve.hold"), State::Fine);
    // A bank that gives nothing carries over nothing, and is spoken of by itself.
    EXPECT_FALSE(tests::has(tests::checkedAll(jotted(held, {"lift nothing"})), "reserve.dirt"));
}
TEST(Dirt, IsSaidByFeelByDistanceOrByCount) {
    const auto perMetre = [](const char* line) {
        return jotted(tests::shunter(), {line}).layout.dirt->stuttersPerMetre;
    };
    EXPECT_NEAR(perMetre("dirt every 80cm"), 1.25, 1e-9);
    EXPECT_NEAR(perMetre("dirt 3 per 2m"), 1.5, 1e-9);
    EXPECT_NEAR(perMetre("stutters often"), 1, 1e-9);
    EXPECT_NEAR(perMetre("dirt none"), 0, 1e-9);
    EXPECT_EQ(jotted(tests::shunter(), {"dirt bad"}).layout.dirt->on, "2026-03-02");
    for (const char* line : {"dirt", "dirt 3", "dirt per 2m", "dirt often every 1m"}) {
        EXPECT_FALSE(applyLine(line, tests::shunter(), tests::smallCatalogue(), "").has_value())
            << line;
    }
}

TEST(OneWheel, AsWalkedByTheMillimetre) {
    std::mt19937 random(11);
    std::uniform_real_distribution<double> at(0, 60), long_(2, 40);
    std::uniform_int_distribution<int> coin(0, 2);
    int compared = 0;
    for (int round = 0; round < 100; ++round) {
        std::vector<CollectingAxle> axles;
        for (int i = 0; i < 4; ++i)
            axles.push_back({Millimetres{at(random)}, coin(random) > 0, true});
        const double from = at(random);
        const std::vector<DeadLength> dead{
            {Rails::Left, Millimetres{from}, Millimetres{from + long_(random)}},
            {coin(random) == 0 ? Rails::Both : Rails::Right, Millimetres{from + 50},
             Millimetres{from + 60}}};
        for (const Rails side : {Rails::Left, Rails::Right}) {
            int wheels = 0;
            double walked = 0;
            for (const CollectingAxle& axle : axles) {
                wheels += (side == Rails::Left ? axle.left : axle.right) ? 1 : 0;
            }
            constexpr double step = 0.03;
            for (double travel = 0; travel < 240; travel += step) {
                int on = 0;
                for (const CollectingAxle& axle : axles) {
                    if (!(side == Rails::Left ? axle.left : axle.right)) continue;
                    const double wheel = travel - axle.x.value();
                    const bool off =
                        std::any_of(dead.begin(), dead.end(), [&](const DeadLength& one) {
                            return (one.rail == side || one.rail == Rails::Both) &&
                                   wheel > one.from.value() && wheel < one.to.value();
                        });
                    on += off ? 0 : 1;
                }
                walked += wheels > 1 && on == 1 ? step : 0;
            }
            EXPECT_NEAR(onOneWheel(axles, dead, side).value(), walked, 0.4) << round;
            compared += walked > 0 ? 1 : 0;
        }
    }
    EXPECT_GT(compared, 50);
}

TEST(OneWheel, GivesNothingAsOftenAsTheStuttersTell) {
    // One a side: n · l = 2q. Two a side: 2q².
    EXPECT_NEAR(wheelOff(1, 1, 1), 0.0015, 1e-9);
    EXPECT_NEAR(wheelOff(1, 2, 2), std::sqrt(0.0015), 1e-9);
    EXPECT_NEAR(wheelOff(0, 3, 3), 0, 1e-9);
    // So dirty that it always stutters: half of the time on one side, half on the other.
    EXPECT_NEAR(wheelOff(5000, 1, 1), 0.5, 1e-9);
    EXPECT_LT(wheelOff(1, 1, 1), wheelOff(1, 3, 3));
    EXPECT_NEAR(stuttersOnOneWheel(0.1, Millimetres{30}), 1, 1e-12);
}

TEST(OneWheel, OfADirtyModelStuttersWhereItHangsOnIt) {
    // A gap of 40 mm leaves the shunter one wheel on the left for a while; it stutters every 2 m.
    const Job job = jotted(tests::shunter(), {"points none", "gap none", "gap 40mm left",
                                              "dirt every 2m", "decoder middle"});
    const Place place = places(job).front();
    const auto there = onOneWheel(job, place, Seconds{0});
    ASSERT_TRUE(there);
    const double q = wheelOff(0.5, 3, 3);
    EXPECT_NEAR(there->stutters, q * there->length.value() / 3, 1e-9);
    const auto all = tests::checkedAll(job);
    const Finding& said = tests::finding(all, "reserve.one-wheel:" + place.name);
    EXPECT_NEAR(*tests::figure(said, "n_there").value, there->stutters, 1e-9);
    const double share = 1 - std::exp(-there->stutters);
    EXPECT_EQ(said.state, share > 0.5 ? State::Over : share > 0.1 ? State::Close : State::Fine);
    EXPECT_NE(said.state, State::Fine);
    // A bank carries most of them, one that lasts for good all.
    EXPECT_LT(onOneWheel(job, place, Seconds{0.2})->stutters, there->stutters / 50);
    EXPECT_EQ(onOneWheel(job, place, std::nullopt)->stutters, 0);
    const Job bank = jotted(job, {"bank can-4700u-16 charge 100R diode 0.35V"});
    EXPECT_EQ(tests::finding(tests::checkedAll(bank), "reserve.one-wheel:" + place.name).state,
              State::Fine);
    // Clean rails, nobody who counted, a short gap that leaves it two wheels, or one that leaves it
    // none: nothing is said.
    const auto silent = [&](std::initializer_list<const char*> lines) {
        const Job other = jotted(job, lines);
        return !tests::has(tests::checkedAll(other),
                           "reserve.one-wheel:" + places(other).front().name);
    };
    EXPECT_TRUE(silent({"dirt clean"}));
    EXPECT_TRUE(silent({"gap none", "gap 3mm left"}));
    EXPECT_TRUE(silent({"gap none", "gap 120mm left"}));
    EXPECT_TRUE(silent({"axle 1 none", "axle 2 right"}));
}

TEST(OneWheel, ASecondOneGoesBeforeABank) {
    // Axle 2 collects on the right only: over a gap left that is shorter than its axles are apart
    // a collector there leaves two wheels of each side at any time.
    const auto job = [](const char* gap) {
        return jotted(tests::shunter(), {"points none", "gap none", gap, "axle 2 right",
                                         "dirt every 30cm", "decoder middle"});
    };
    const auto options = [](const Job& of) {
        const auto all = tests::checkedAll(of);
        return tests::finding(all, "reserve.one-wheel:" + places(of).front().name).options;
    };
    const Job shorter = job("gap 15mm left");
    ASSERT_FALSE(options(shorter).empty());
    EXPECT_EQ(options(shorter)[0].jot, "axle 2 both");
    EXPECT_EQ(plain(options(shorter)[0].effect),
              "two wheels of each side carry it there, no bank needed");
    EXPECT_TRUE(options(shorter)[1].jot.starts_with("bank "));
    const Job after = jotted(shorter, {"axle 2 both"});
    EXPECT_FALSE(
        tests::has(tests::checkedAll(after), "reserve.one-wheel:" + places(after).front().name));
    // Over a longer one it would still hang on one.
    const Job longer = job("gap 40mm left");
    ASSERT_FALSE(options(longer).empty());
    EXPECT_TRUE(options(longer)[0].jot.starts_with("bank "));
    EXPECT_EQ(lengthOnOneWheel(collectingAxles(after), places(after).front()), Millimetres{0});
    // Without power there it is no question of one wheel.
    const Job none = job("gap 120mm left");
    EXPECT_FALSE(lengthOnOneWheel(collectingAxles(none), places(none).front()));
}

}  // namespace
}  // namespace glimmet::core::stay_alive
