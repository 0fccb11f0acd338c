// The volts of a bank on the track: what they tell of a leak, and what comes of that.
#include "core/analysis/stay_alive/leak.h"

#include "core/analysis/stay_alive/consequences.h"
#include "core/analysis/stay_alive/crossing_state.h"
#include "core/analysis/stay_alive/places.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using namespace tests;
using namespace stay_alive;

/// On 14.5 V that were read: 13.3 V belong to a bank, behind 1.2 V of rectifier.
Job can(std::initializer_list<const char*> lines,
        const char* bank = "bank electrolytic-2200u-25 charge 100R diode 0.35V") {
    return jotted(jotted(shunter(), {"decoder middle", "supply dcc 14.5V", bank}), lines);
}
Stands stands(const Job& job) { return standsAt(factsOf(job), *job.bank); }
BankState stateOfBank(const Job& job) {
    const JobAnalysis facts = factsOf(job);
    return bankState(facts, *job.bank, loadsOf(facts));
}

TEST(Leak, IsToldBelowNineTenthsOfWhatBelongsThere) {
    EXPECT_EQ(stands(can({"across 11.98V"})), Stands::Right);  // 0.9 · 13.3 V = 11.97 V
    EXPECT_EQ(stands(can({"across 11.96V"})), Stands::Leaks);
    EXPECT_EQ(stands(can({"across 14.62V"})), Stands::Right);
    EXPECT_EQ(stands(can({"across 14.64V"})), Stands::Higher);
    EXPECT_FALSE(leakOf(factsOf(can({})), *can({}).bank));
    EXPECT_FALSE(leakOf(factsOf(can({"across 11.98V"})), *can({"across 11.98V"}).bank));
    const Job job = can({"across 9.3V"});
    const auto leak = leakOf(factsOf(job), *job.bank);
    ASSERT_TRUE(leak);
    EXPECT_NEAR(leak->left, 9.3 / 13.3, 1e-12);
    EXPECT_NEAR(leak->current.value(), 0.04, 1e-12);
    EXPECT_NEAR(leak->path.value(), 232.5, 1e-9);
}

TEST(Leak, IsJudgedByTheHeatThatItMakes) {
    const Job hot = can({"across 9.3V"});
    const auto all = checkedAll(hot);
    EXPECT_EQ(finding(all, "reserve.leak").state, State::Over);
    EXPECT_EQ(finding(all, "reserve.leak").gravity, Gravity::FirePeople);
    EXPECT_FALSE(finding(all, "reserve.leak").caution.empty());
    EXPECT_EQ(plain(finding(all, "reserve.leak").sentence),
              "40 mA leak through the bank as long as there is track, and heat it with 370 mW: it "
              "stands at 9.3 V where 13.3 V belong. Take it off the track.");
    EXPECT_NEAR(*figure(finding(all, "reserve.leak"), "P_leak").value, 9.3 * 0.04, 1e-12);
    EXPECT_NEAR(*figure(finding(all, "reserve.leak"), "I_leak").value, 0.04, 1e-12);

    const Job some = can({"charge 470R", "across 9.3V"});
    const auto mild = checkedAll(some);
    EXPECT_EQ(finding(mild, "reserve.leak").state, State::Close);
    EXPECT_EQ(finding(mild, "reserve.leak").gravity, Gravity::WorksBadly);
    EXPECT_EQ(plain(finding(mild, "reserve.leak").sentence),
              "8.5 mA leak through the bank or past it as long as there is track: it stands at "
              "9.3 V where 13.3 V belong, and holds so much shorter.");
    // On either side of a quarter of a watt: V · (13.3 V − V) / 100 Ω.
    EXPECT_EQ(finding(checkedAll(can({"across 10.97V"})), "reserve.leak").state, State::Over);
    EXPECT_EQ(finding(checkedAll(can({"across 11V"})), "reserve.leak").state, State::Over);
    EXPECT_EQ(finding(checkedAll(can({"across 11.1V"})), "reserve.leak").state, State::Close);
}

TEST(Leak, AsksFirstWhetherItStandsTheRightWayRoundOrWasNotFull) {
    const Job job = can({"across 9.3V"});
    const auto all = checkedAll(job);
    const auto& options = finding(all, "reserve.leak").options;
    ASSERT_GE(options.size(), 4U);
    EXPECT_EQ(options[0].kind, Option::Kind::Answer);
    EXPECT_EQ(options[0].jot, "bank turned");
    EXPECT_EQ(tests::stateOf(jotted(job, {options[0].jot.c_str()}), "reserve.turned"), State::Over);
    EXPECT_EQ(plain(options[1].what), "After 1.1 s more it stands near 13.3 V");
    EXPECT_EQ(tests::stateOf(jotted(job, {options[1].jot.c_str()}), "reserve.leak"), State::Fine);
    // The same again, new, which has its place already; then others.
    EXPECT_EQ(options[2].jot, "bank right");
    EXPECT_FALSE(options[2].inPlace);
    EXPECT_FALSE(has(checkedAll(jotted(job, {"bank right"})), "reserve.leak"));
    EXPECT_TRUE(options[3].jot.starts_with("bank "));
}

TEST(Leak, WhatIsRightIsSaidToBe) {
    const auto all = checkedAll(can({"across 13.1V"}));
    EXPECT_EQ(finding(all, "reserve.leak").state, State::Fine);
    EXPECT_EQ(plain(finding(all, "reserve.leak").sentence),
              "The bank stands at 13.1 V on the track: nothing leaks that could be seen.");
    EXPECT_TRUE(finding(all, "reserve.leak").caution.empty());
    EXPECT_FALSE(has(checkedAll(can({})), "reserve.leak"));
}

TEST(Leak, ATrackThatNobodyReadIsAskedFor) {
    Job unread = jotted(
        shunter(),
        {"decoder middle", "bank electrolytic-2200u-25 charge 100R diode 0.35V", "across 9.2V"});
    ASSERT_FALSE(unread.supply.volts);
    EXPECT_EQ(stands(unread), Stands::Low);
    const auto all = checkedAll(unread);
    EXPECT_EQ(finding(all, "reserve.leak").state, State::Ask);
    EXPECT_EQ(plain(finding(all, "reserve.leak").action), "read the volts of the track");
    EXPECT_FALSE(leakOf(factsOf(unread), *unread.bank));
    // Read later, that counts: of 10.5 V there come 9.3 V, of 14.5 V it leaks.
    EXPECT_EQ(stands(jotted(unread, {"supply dcc 10.5V"})), Stands::Right);
    EXPECT_EQ(stands(jotted(unread, {"supply dcc 14.5V"})), Stands::Leaks);
    // What was read together stays together when it comes to another layout.
    EXPECT_EQ(stands(can({"across 13.2V", "supply dcc 18V"})), Stands::Right);
    EXPECT_EQ(stands(can({"across 11V", "supply dcc 12V"})), Stands::Leaks);
}

TEST(Leak, WithoutAResistorNothingIsTold) {
    const Job job = can({"charge none", "across 9.3V"});
    EXPECT_EQ(stands(job), Stands::Low);
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "reserve.leak").state, State::Ask);
    EXPECT_NE(plain(finding(all, "reserve.leak").sentence).find("nothing lies before it"),
              std::string::npos);
}

TEST(Leak, MoreThanCanComeIsTheTracksOrTooMuchForTheBank) {
    const auto higher = checkedAll(can({"across 16V"}));
    EXPECT_EQ(finding(higher, "reserve.leak").state, State::Ask);
    EXPECT_EQ(plain(finding(higher, "reserve.leak").sentence),
              "The bank stands at 16 V and only 13.3 V could come to it: the track has more "
              "volts than are noted.");
    const auto above = checkedAll(can({"across 25.1V"}));
    EXPECT_EQ(finding(above, "reserve.leak").state, State::Over);
    EXPECT_EQ(finding(above, "reserve.leak").gravity, Gravity::FirePeople);
    EXPECT_NE(plain(finding(above, "reserve.leak").sentence).find("bears 25 V"), std::string::npos);
    EXPECT_EQ(finding(checkedAll(can({"across 25V"})), "reserve.leak").state, State::Ask);
}

TEST(Leak, AClampLetsLessComeAndIsSeenToHold) {
    const auto clamped = [](const char* reading) { return can({"clamp 9.1V 5%", reading}); };
    // 0.9 · 0.95 · 9.1 V = 7.78 V; 1.1 · 9.1 V = 10.01 V.
    EXPECT_EQ(stands(clamped("across 7.79V")), Stands::Right);
    EXPECT_EQ(stands(clamped("across 7.77V")), Stands::Leaks);
    EXPECT_EQ(stands(clamped("across 10V")), Stands::Right);
    EXPECT_EQ(stands(clamped("across 10.02V")), Stands::Unclamped);
    const auto open = checkedAll(clamped("across 12.9V"));
    EXPECT_EQ(finding(open, "reserve.leak").state, State::Close);
    EXPECT_NE(
        plain(finding(open, "reserve.leak").sentence).find("its clamp of 9.1 V lets more come"),
        std::string::npos);
    // Open it keeps nothing down, and nothing is said of what it would do.
    EXPECT_NEAR(stateOfBank(clamped("across 12.9V")).highest.value(),
                stateOfBank(can({})).highest.value(), 1e-12);
    EXPECT_NEAR(stateOfBank(clamped("across 12.9V")).full.value(), 13.3, 1e-12);
    EXPECT_FALSE(has(open, "reserve.clamp"));
    EXPECT_TRUE(has(checkedAll(clamped("across 9V")), "reserve.clamp"));
    ASSERT_EQ(finding(open, "reserve.leak").options.size(), 1U);
    EXPECT_EQ(finding(open, "reserve.leak").options[0].jot, "clamp 9.1V 5%");
    EXPECT_NEAR(stateOfBank(clamped("across 7.28V")).full.value(), 7.28, 1e-12);
    // One before the resistor keeps nothing down.
    EXPECT_EQ(stands(can({"clamp 9.1V before", "across 12.9V"})), Stands::Right);
}

TEST(Leak, LeavesLessInItAndTakesOfIt) {
    const Job tight = can({}), leaky = can({"across 9.3V"});
    const BankState state = stateOfBank(leaky);
    EXPECT_NEAR(state.full.value(), 9.3, 1e-12);
    EXPECT_NEAR(state.highest.value(), stateOfBank(tight).highest.value(), 1e-12);
    // The same bank charged to that, with the path of the leak among its loads.
    const JobAnalysis facts = factsOf(leaky);
    BusLoads loads = loadsOf(facts).bus;
    const auto hold = [&](const BusLoads& all) {
        return holdOf(state.bank, Volts{9.3}, processorMinimum, all, 1)->time->value();
    };
    const double without = hold(loads);
    loads.resistive.emplace_back(232.5);
    EXPECT_NEAR(state.hold->time->value(), hold(loads), 1e-9);
    EXPECT_LT(hold(loads), without);
    ASSERT_TRUE(state.worst && stateOfBank(tight).worst);
    EXPECT_LT(*state.worst, *stateOfBank(tight).worst);
    // So does the crossing.
    const char* large = "bank 22mF 25V charge 100R diode 0.35V";
    const auto full = [](const Job& of) {
        const Job job = jotted(of, {"gap 80mm both"});
        const JobAnalysis all = factsOf(job);
        const auto at = crossingOver(all, loadsOf(all), places(job).front(), job.bank);
        return at ? at->full.value() : 0;
    };
    EXPECT_NEAR(full(can({}, large)), 13.3, 1e-9);
    EXPECT_NEAR(full(can({"across 9.3V"}, large)), 9.3, 1e-9);
    // And it is awake for a shorter time when it should be off.
    const auto awake = [](const Job& job) {
        for (const Consequence& each : consequencesOf(factsOf(job))) {
            if (each.figure.symbol == "t_awake") return *each.figure.value;
        }
        return 0.0;
    };
    EXPECT_GT(awake(leaky), 0);
    // 20 mA and the 30 mA of the leak at 7 V: less than half of the time, from fewer volts.
    EXPECT_LT(awake(leaky), awake(tight) / 3);
}

TEST(Leak, ALiftAfterwardsTellsTheFaradsApartFromIt) {
    const Job leaky = can({"across 9.3V"});
    const Seconds held = *stateOfBank(leaky).hold->time;
    const std::string line = "lift " + std::to_string(held.value() * 1000) + "ms";
    const Job lifted = jotted(leaky, {line.c_str()});
    EXPECT_NEAR(capacitanceOf(*lifted.bank).value(), 2200e-6, 1e-8);
    EXPECT_TRUE(lifted.bank->across);
    // What was found before it was known to leak counted on volts that are not there.
    const Job before = can({"capacitance 1000u"});
    EXPECT_FALSE(jotted(before, {"across 9.3V"}).bank->measured);
    EXPECT_EQ(answer("across 9.3V", before),
              "Across the bank, on the track: 9.3 V; 13.3 V belong there. The 1 mF found before "
              "counted on them: lift it once more");
    EXPECT_TRUE(jotted(leaky, {"capacitance 1000u", "across 9.2V"}).bank->measured);
    EXPECT_TRUE(jotted(before, {"across 13.1V"}).bank->measured);
    EXPECT_EQ(answer("across 13.1V", before),
              "Across the bank, on the track: 13.1 V; 13.3 V belong there");
}

TEST(Leak, TellsWornFromLeaky) {
    const auto said = [](std::initializer_list<const char*> lines, int inSeries) {
        Job job = can(lines);
        job.bank->part.inSeries = inSeries;
        const auto all = checkedAll(job);
        const Finding& one = finding(all, "reserve.capacitance");
        return plain(one.sentence).substr(plain(one.sentence).find(": ") + 2) + " / " +
               plain(one.action);
    };
    EXPECT_EQ(said({"capacitance 1000u"}, 1),
              "aged, dried out, it leaks, or one of several is not joined. / read the volts across "
              "it on the track: below 12 V it leaks, else look at its joints");
    EXPECT_EQ(said({"capacitance 1000u"}, 2),
              "one of its cells is worn, or it leaks. / read the volts of each cell on the track: "
              "one that lags is worn, all too low leak");
    EXPECT_EQ(said({"capacitance 1000u", "across 13.2V"}, 1),
              "aged, dried out, or one of several is not joined. / look at its joints; else "
              "another bank");
    EXPECT_EQ(said({"capacitance 1000u", "across 13.2V"}, 2),
              "one of its cells is worn. / read the volts of each cell on the track: one that lags "
              "is worn");
    EXPECT_EQ(said({"across 9.3V", "capacitance 1000u"}, 2), "it is worn as well. / another bank");
    const auto options = [](std::initializer_list<const char*> lines) {
        const auto all = checkedAll(can(lines));
        return finding(all, "reserve.capacitance").options;
    };
    ASSERT_EQ(options({"capacitance 1000u"}).size(), 1U);
    EXPECT_EQ(options({"capacitance 1000u"})[0].jot, "across 13.3V");
    ASSERT_FALSE(options({"capacitance 1000u", "across 13.2V"}).empty());
    EXPECT_EQ(options({"capacitance 1000u", "across 13.2V"})[0].jot, "bank right");
    ASSERT_FALSE(options({"across 9.3V", "capacitance 1000u"}).empty());
    EXPECT_TRUE(options({"across 9.3V", "capacitance 1000u"})[0].jot == "bank right");
}

TEST(Leak, NextToNothingIsABankThatGivesNothing) {
    const Job dead = can({"across 2.66V"});  // 0.2 · 13.3 V
    ASSERT_TRUE(dead.bank->dead);
    EXPECT_EQ(dead.bank->dead->across, Volts{2.66});
    EXPECT_FALSE(dead.bank->across);
    EXPECT_TRUE(has(checkedAll(dead), "reserve.dead"));
    EXPECT_FALSE(can({"across 2.67V"}).bank->dead);
    EXPECT_EQ(answer("across 0V", can({})),
              "Across the bank, on the track: 0 V, where 13.3 V belong: nothing charges it");
    // Lifted without effect, what was read before is not asked for again.
    const Job nothing = can({"across 13.2V", "lift nothing"});
    EXPECT_EQ(nothing.bank->dead->across, Volts{13.2});
    EXPECT_FALSE(nothing.bank->across);
    // With a clamp less belongs there.
    const Job clamped = can({"clamp 9.1V 5%", "lift nothing"});
    EXPECT_NE(sentenceOf(clamped, "reserve.dead").find("9.1 V belong there"), std::string::npos);
    EXPECT_NE(sentenceOf(jotted(clamped, {"across 9V"}), "reserve.dead").find("it is charged"),
              std::string::npos);
}

TEST(Leak, IsForgottenWithWhatItWasReadOn) {
    const Job read = can({"across 9.3V"});
    for (const char* line :
         {"charge 220R", "charge none", "diode none", "clamp 9.1V", "clamp none", "bank turned",
          "bank right", "bank can-4700u-16", "bank electrolytic-2200u-25 charge 220R"}) {
        EXPECT_FALSE(jotted(read, {line}).bank->across) << line;
    }
    for (const char* line : {"bank electrolytic-2200u-25", "capacitance 2000u", "warm 40C"}) {
        EXPECT_TRUE(jotted(read, {line}).bank->across) << line;
    }
    EXPECT_NE(answer("across 9V", shunter()).find("no stay-alive"), std::string::npos);
    EXPECT_NE(answer("across 9V", can({}, "bank module-22m-18")).find("A module keeps"),
              std::string::npos);
}

}  // namespace
}  // namespace glimmet::core
