// What a lift tells of the farads, and how surely: against closed forms and the far ends of what
// is not known.
#include "core/analysis/stay_alive/hold_test.h"

#include "core/analysis/supply.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

namespace glimmet::core::stay_alive {
namespace {

using tests::answer;
using tests::factsOf;
using tests::jotted;
using tests::shunter;

const char* const bank = "bank electrolytic-2200u-25 charge 100R diode 0.35V";

Job lit(std::initializer_list<const char*> lines = {}) {
    return jotted(
        jotted(shunter(), {"decoder middle", "lamp front white", "resistor front 1k", bank}),
        lines);
}
HoldTest lift(const Job& job, double seconds, bool still) {
    const auto told = holdTestOf(factsOf(job), *job.bank, Seconds{seconds}, still);
    EXPECT_TRUE(told.has_value());
    return told.value_or(HoldTest{});
}

/// Of LEDs behind resistors that all light to the end and a constant current: for one farad.
double perFarad(double full, double minimum, double diode, double constant, double forward,
                double conductance) {
    const auto drawn = [&](double bus) { return constant + (bus - forward) * conductance; };
    return std::log(drawn(full - diode) / drawn(minimum)) / conductance;
}

TEST(HoldTest, TheHandTheLampsTheProcessorAndTheVoltsEachHaveTheirShare) {
    const Job job = lit();
    const JobAnalysis facts = factsOf(job);
    const Loads still = standingStill(loadsOf(facts));
    ASSERT_EQ(still.bus.lamps.size(), 1u);
    ASSERT_TRUE(still.bus.resistive.empty());
    const LampLoad lamp = still.bus.lamps.front();
    ASSERT_LT(lamp.forward, Volts{4});
    const double full = bankState(facts, *job.bank, still).full.value();
    const double conductance = lamp.count / lamp.resistance.value();
    const double forward = lamp.forward.value();
    const auto tau = [&](double volts, double minimum, double processor, double lamps) {
        return perFarad(volts, minimum, 0.35, 0.02 * processor, forward, conductance * lamps);
    };
    const double usual = tau(full, 5, 1, 1);
    const double held = 0.5;
    const HoldTest told = lift(job, held, true);
    EXPECT_NEAR(told.capacitance.value(), held / usual, 1e-9);
    // Nobody read its volts: they differ by the house's twentieth.
    const double spread = factsOf(job).house.supplySpread;
    const double shares[] = {
        0.1 / held, (tau(full, 5, 1, 0.9) - tau(full, 5, 1, 1.1)) / 2 / usual,
        (tau(full, 5, 0.5, 1) - tau(full, 5, 1.5, 1)) / 2 / usual,
        (tau(full, 4, 1, 1) - tau(full, 6, 1, 1)) / 2 / usual,
        (tau(full * (1 + spread), 5, 1, 1) - tau(full * (1 - spread), 5, 1, 1)) / 2 / usual};
    double squares = 0;
    for (const double each : shares) {
        EXPECT_GT(each, 0.005);
        squares += each * each;
    }
    EXPECT_NEAR(told.within, std::sqrt(squares), 1e-6);
    EXPECT_EQ(plain(told.mostly), "what its processor takes");
    // With the volts read there is less of that.
    const double read = (tau(full * 1.02, 5, 1, 1) - tau(full * 0.98, 5, 1, 1)) / 2 / usual;
    const Job onRead = lit({("track " + std::to_string(trackVolts(job).value()) + "V").c_str()});
    EXPECT_NEAR(lift(onRead, held, true).within,
                std::sqrt(squares - shares[4] * shares[4] + read * read), 1e-3);
}
TEST(HoldTest, AShortTimeIsMostlyTheHand) {
    const Job job = lit();
    const HoldTest brief = lift(job, 0.12, true), longer = lift(job, 1.2, true);
    EXPECT_EQ(plain(brief.mostly), "the hand at the watch");
    EXPECT_GT(brief.within, 0.1 / 0.12);
    EXPECT_LE(brief.within, 0.9);
    EXPECT_LT(longer.within, 0.6);
    EXPECT_EQ(lift(job, 0.05, true).within, 0.9);
}
TEST(HoldTest, AMotorThatNobodyReadLeavesMoreOpenThanOneThatWas) {
    const Job read = lit({"ohms 9.6", "light 12V 90mA"});
    const Job unread = jotted(tests::newJob("Smelt", "railbus"),
                              {"decoder small", "lamp front white", "resistor front 1k", bank});
    const HoldTest sure = lift(read, 2, false), unsure = lift(unread, 2, false);
    EXPECT_EQ(plain(unsure.mostly), "nobody read its motor");
    EXPECT_NE(plain(sure.mostly), "nobody read its motor");
    EXPECT_LT(sure.within, unsure.within - 0.1);
}
TEST(HoldTest, SoundLeavesItOpenAsFarAsItGetsLoud) {
    const Job quiet = lit();
    Job loudly = quiet;
    loudly.decoder->part.sound = true;
    EXPECT_GT(lift(loudly, 2, true).within, lift(quiet, 2, true).within + 0.3);
    EXPECT_EQ(plain(lift(loudly, 2, true).mostly), "its sound");
}
TEST(HoldTest, AClampsOwnToleranceCountsAndNotTheTracks) {
    const double free = lift(lit(), 1, true).within;
    const double tight = lift(lit({"clamp 10V 1%"}), 1, true).within;
    const double loose = lift(lit({"clamp 10V 10%"}), 1, true).within;
    EXPECT_LT(tight, loose - 0.02);
    EXPECT_NE(tight, free);
}
TEST(HoldTest, TheTruthOfRandomBanksLiesWithinWhatIsSaid) {
    // Each doubt drawn evenly between its ends: then nearly all truths lie within their root of
    // squares, and it is not so wide that it says nothing.
    std::mt19937 random(3);
    const auto between = [&](double from, double to) {
        return std::uniform_real_distribution<double>(from, to)(random);
    };
    const Job job =
        jotted(tests::newJob("Smelt", "railbus"),
               {"decoder small", "lamp front white", "resistor front 1k", "bank module-22m-18"});
    const JobAnalysis facts = factsOf(job);
    const Loads loads = loadsOf(facts);
    ASSERT_TRUE(loads.motorAssumed);
    const BankState state = bankState(facts, *job.bank, loads);
    int told = 0, within = 0, withinHalf = 0;
    for (int draw = 0; draw < 400; ++draw) {
        Bank truth = state.bank;
        truth.capacitance *= between(0.6, 1.3);
        BusLoads real = loads.bus;
        real.power += loads.motor * between(-0.5, 0.5);
        real.current = real.current * between(0.5, 1.5);
        for (LampLoad& lamp : real.lamps) lamp.count *= between(0.9, 1.1);
        const double spread = facts.house.supplySpread;
        const auto held = holdOf(truth, state.full * between(1 - spread, 1 + spread),
                                 processorMinimum + Volts{between(-1, 1)}, real, 1);
        ASSERT_TRUE(held && held->time);
        const Seconds read = *held->time + Seconds{between(-0.1, 0.1)};
        if (read < Seconds{0.3}) continue;
        const HoldTest found = lift(job, read.value(), false);
        const double off =
            std::abs((found.capacitance - truth.capacitance).value()) / found.capacitance.value();
        ++told;
        within += off <= found.within ? 1 : 0;
        withinHalf += off <= found.within / 2 ? 1 : 0;
    }
    EXPECT_GT(told, 200);
    EXPECT_GT(within, told * 9 / 10);
    EXPECT_LT(withinHalf, told * 9 / 10);
}
TEST(HoldTest, WhatIsPrintedIsDeniedOnlyBeyondDoubt) {
    const auto found = [](double share, double within) {
        Job job = lit();
        job.bank->measured = FoundCapacitance{job.bank->part.capacitance * share, "", within};
        return againstPrint(*job.bank);
    };
    EXPECT_EQ(found(0.5, 0.3), AgainstPrint::Less);
    EXPECT_EQ(found(0.5, 0.61), AgainstPrint::Fits);
    EXPECT_EQ(found(0.72, 0.1), AgainstPrint::Less);
    EXPECT_EQ(found(0.73, 0.1), AgainstPrint::Fits);
    EXPECT_EQ(found(1, 0), AgainstPrint::Fits);
    EXPECT_EQ(found(1.29, 0), AgainstPrint::Fits);
    EXPECT_EQ(found(1.31, 0), AgainstPrint::More);
    EXPECT_EQ(found(2, 0.36), AgainstPrint::Fits);
    EXPECT_EQ(found(2, 0.34), AgainstPrint::More);
    EXPECT_EQ(againstPrint(*lit().bank), AgainstPrint::Fits);
}
TEST(HoldTest, TheLineSaysHowSurelyAndTheCheckFollows) {
    const Job job = lit();
    const JobAnalysis facts = factsOf(job);
    const double whole =
        bankState(facts, *job.bank, standingStill(loadsOf(facts))).hold->time->value();
    const auto line = [&](double share) { return "fade " + std::to_string(whole * share) + "s"; };
    const auto judged = [&](double share) {
        const auto all = tests::checkedAll(jotted(job, {line(share).c_str()}));
        const Finding* one = tests::found(all, "reserve.capacitance");
        return one ? plain(one->sentence) : std::string();
    };
    // A third: less beyond doubt. Seven tenths: too rough for that. As printed: nothing to say.
    EXPECT_NE(judged(0.35).find("one of its cells is worn"), std::string::npos) << judged(0.35);
    EXPECT_EQ(answer(line(0.35), job).find("too rough"), std::string::npos);
    EXPECT_EQ(judged(0.7), "");
    EXPECT_NE(answer(line(0.7), job).find("; too rough to say that it lacks any"),
              std::string::npos);
    EXPECT_EQ(judged(1), "");
    EXPECT_EQ(answer(line(1), job).find("too rough"), std::string::npos);
    EXPECT_NE(answer(line(1), job).find("give or take"), std::string::npos);
    EXPECT_NE(judged(5).find("no bank has so much more"), std::string::npos);
}
TEST(HoldTest, TheWorstCaseLacksAsMuchAsWasNotSure) {
    const auto worst = [](double within) {
        Job job = lit();
        job.bank->measured = FoundCapacitance{job.bank->part.capacitance, "", within};
        const JobAnalysis facts = factsOf(job);
        return bankState(facts, *job.bank, loadsOf(facts)).worst->value();
    };
    EXPECT_NEAR(worst(0.3), worst(0) * 0.7, 1e-9);
    EXPECT_EQ(lessBy(*lit().bank), capacitanceShort);
}
TEST(HoldTest, NoLampsNothingToFadeNoBankOfAThousandFarads) {
    const Job dark = jotted(shunter(), {"decoder middle", bank});
    EXPECT_EQ(holdTestOf(factsOf(dark), *dark.bank, Seconds{1}, true).error().code,
              ErrorCode::Missing);
    EXPECT_TRUE(holdTestOf(factsOf(dark), *dark.bank, Seconds{1}, false).has_value());
    const Job job = lit();
    EXPECT_EQ(holdTestOf(factsOf(job), *job.bank, Seconds{1e5}, true).error().code,
              ErrorCode::OutOfRange);
}

}  // namespace
}  // namespace glimmet::core::stay_alive
