#include "core/motor/motor.h"

#include "support/print_quantity.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

const MotorSupply track{Volts{14.5}, Volts{1.2}, Volts{0.4}};
const MotorRating oneAmp{Amperes{1.0}, Amperes{1.8}};

MotorReading read(MotorCondition condition, double volts, double amps) {
    return {condition, Volts{volts}, Amperes{amps}, {}};
}
const std::vector<MotorReading> ling{read(MotorCondition::Stalled, 12, 1.3),
                                     read(MotorCondition::Slipping, 12, 0.6),
                                     read(MotorCondition::Light, 12, 0.25)};

// The example of the command line's contract: 12/1.3 = 9.2308 Ω, 12.9/9.2308 = 1.3975 A.
TEST(MotorVerdict, AgreesWithTheWorkedExample) {
    const MotorVerdict verdict = motorVerdict(ling, {}, track, oneAmp, RatingRule::Slip, 0.15);
    EXPECT_NEAR(verdict.path->value(), 9.2308, 5e-5);
    EXPECT_NEAR(verdict.stall->value(), 1.3975, 1e-12);
    ASSERT_EQ(verdict.demands.size(), 2U);
    EXPECT_EQ(verdict.demands[0].what, MotorDemand::What::Slip);
    EXPECT_EQ(verdict.demands[1].state, State::Fine);
    EXPECT_EQ(verdict.state, State::Fine);
}
TEST(MotorVerdict, StrictRuleHoldsStallAgainstTheContinuousRating) {
    const MotorVerdict verdict = motorVerdict(ling, {}, track, oneAmp, RatingRule::Strict, 0.15);
    ASSERT_EQ(verdict.demands.size(), 1U);
    EXPECT_FALSE(verdict.demands[0].againstPeak);
    EXPECT_EQ(verdict.state, State::Over);
}
TEST(MotorVerdict, RunningRuleAsksForAQuarterMoreThanTheLargerOfLightAndHauling) {
    auto readings = ling;
    readings.push_back(read(MotorCondition::Hauling, 12, 0.7));
    const MotorVerdict verdict =
        motorVerdict(readings, {}, track, oneAmp, RatingRule::Running, 0.15);
    EXPECT_NEAR(verdict.demands[0].demand->value(), 0.875, 1e-12);
    EXPECT_NEAR(verdict.running->value(), 0.7, 1e-12);
    EXPECT_EQ(verdict.state, State::Close);  // 0.875 lies between 0.85 and 1.0
}
TEST(MotorVerdict, AsksForTheReadingItNeeds) {
    const MotorVerdict verdict = motorVerdict({}, {}, track, oneAmp, RatingRule::Slip, 0.15);
    EXPECT_EQ(verdict.state, State::Ask);
    EXPECT_FALSE(verdict.demands[0].demand.has_value());
    EXPECT_FALSE(verdict.stall.has_value());
}
// Over is graver than ask: a missing slip reading does not hide a stall that is too much.
TEST(MotorVerdict, OverOutweighsAsk) {
    const std::vector<MotorReading> stalledOnly{read(MotorCondition::Stalled, 12, 2.5)};
    EXPECT_EQ(motorVerdict(stalledOnly, {}, track, oneAmp, RatingRule::Slip, 0.15).state,
              State::Over);
}
TEST(PathResistance, TakesTheStalledReadingOfLowestOhmsBeforeTheWinding) {
    const std::vector<MotorReading> two{read(MotorCondition::Stalled, 12, 1.0),
                                        read(MotorCondition::Stalled, 6, 0.6)};
    EXPECT_NEAR(pathResistance(two, Ohms{4})->value(), 10, 1e-12);
    EXPECT_NEAR(pathResistance({}, Ohms{9.8})->value(), 9.8, 1e-12);
    EXPECT_FALSE(pathResistance({}, {}).has_value());
}
TEST(StallCurrent, IsZeroWhereTheDropsEatTheSupply) {
    EXPECT_EQ(stallCurrent({Volts{1}, Volts{1.2}, Volts{0.4}}, Ohms{5}).value(), 0);
}
TEST(LargestReading, TakesTheLargestOfSeveral) {
    auto readings = ling;
    readings.push_back(read(MotorCondition::Slipping, 12, 0.65));
    readings.push_back(read(MotorCondition::Slipping, 12, 0.5));
    EXPECT_NEAR(largestReading(readings, MotorCondition::Slipping)->value(), 0.65, 1e-12);
}
// Exactly at a limit is not over it; exactly at the margin is not close.
TEST(StateAgainst, CountsTheLimitItselfAsAllowed) {
    EXPECT_EQ(stateAgainst(1.0, 1.0, 0.85), State::Close);
    EXPECT_EQ(stateAgainst(1.0001, 1.0, 0.85), State::Over);
    EXPECT_EQ(stateAgainst(0.85, 1.0, 0.85), State::Fine);
}
TEST(Names, ReadBackAsWhatTheyName) {
    for (const auto& [condition, word] : wordsOf(MotorCondition())) {
        EXPECT_EQ(named<MotorCondition>(name(condition)), condition);
    }
    for (const RatingRule rule : {RatingRule::Strict, RatingRule::Slip, RatingRule::Running}) {
        EXPECT_EQ(named<RatingRule>(name(rule)), rule);
    }
}

}  // namespace
}  // namespace glimmet::core
