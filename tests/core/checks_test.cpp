#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamps/tester.h"
#include "core/analysis/motor_evidence.h"
#include "core/led/lamp_circuit.h"
#include "core/quantity/format.h"
#include "core/work/measure/motor_chart.h"
#include "core/work/stage_status.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/sanitized.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

namespace glimmet::core {
namespace {

using namespace tests;

const WorkshopRules house;
/// How one stage of a job stands.
StageStatus stands(const Job& job, std::string_view stage) {
    for (const StageStatus& each : stageStatus(job, checkedAll(job))) {
        if (each.stage == stage) return each;
    }
    throw std::out_of_range(std::string(stage));
}
TEST(MotorFindings, SayWhetherItFitsInOneSentence) {
    const auto all = checkedAll(shunter());
    const Finding& rating = finding(all, "motor.rating");
    EXPECT_EQ(rating.state, State::Fine);
    EXPECT_EQ(plain(rating.sentence),
              "Fits by the slip rule: stalled it would draw 1.4 A of the decoder's 1.8 A peak.");
    EXPECT_NEAR(*figure(rating, "I_stall").value, 1.3975, 1e-12);
    EXPECT_EQ(withValues(figure(rating, "I_stall")), "(14.5 V − 1.2 V − 400 mV) / 9.231 Ω");
}
TEST(MotorFindings, NameTheRuleAndItsMargin) {
    const auto all = checkedAll(jotted(shunter(), {"rule running", "margin 10%"}));
    const Figure& rule = figure(finding(all, "motor.rating"), "margin");
    EXPECT_NEAR(*rule.value, 0.1, 1e-12);
    EXPECT_NE(plain(words(rule.basis)).find("running rule"), std::string::npos);
    EXPECT_EQ(rule.jot, "rule ");
}
TEST(MotorFindings, ChangeWithEveryReading) {
    // 12.9 V / (12 V / 1.4 A) = 1.505 A, and 13.625 V where the track stands highest: 1.59 A.
    EXPECT_EQ(
        sentenceOf(jotted(shunter(), {"stall 1.4A 12V"}), "motor.rating"),
        "Fits by the slip rule, but close: stalled it would draw 1.51 A (up to 1.59 A where the "
        "track is highest) of the decoder's 1.8 A peak.");
    EXPECT_EQ(sentenceOf(jotted(shunter(), {"stall 2A 12V"}), "motor.rating"),
              "Too small by the slip rule: stalled it would draw 2.15 A (up to 2.27 A where the "
              "track is highest); the decoder gives 1.8 A peak.");
}
TEST(MotorJudgement, TheTopOfTheSupplysRangeIsJudged) {
    // 1.72 A would do, 1.82 A where the track is highest does not.
    EXPECT_EQ(finding(checkedAll(jotted(shunter(), {"stall 1.6A 12V"})), "motor.rating").state,
              State::Over);
    WorkshopRules steady;
    steady.supplySpread = steady.meterTolerance = 0;
    EXPECT_EQ(finding(findings(jotted(shunter(), {"stall 1.6A 12V"}), smallCatalogue(), steady),
                      "motor.rating")
                  .state,
              State::Close);
}
TEST(MotorJudgement, AsksNoSlipWhereTheStallProvesTheFit) {
    // 0.6 A at 12 V: 13.6 / 20 = 0.68 A at the most, below the 1 A continuous.
    const Job weak =
        jotted(tests::newJob("x", "dock-shunter"), {"decoder middle", "stall 0.6A 12V"});
    EXPECT_EQ(finding(checkedAll(weak), "motor.rating").state, State::Fine);
    EXPECT_NE(sentenceOf(weak, "motor.rating").find("slipping it never draws more than stalled"),
              std::string::npos)
        << sentenceOf(weak, "motor.rating");
    // 1.2 A stalled proves nothing about 1 A continuous.
    const Job strong =
        jotted(tests::newJob("x", "dock-shunter"), {"decoder middle", "stall 1.2A 12V"});
    EXPECT_EQ(finding(checkedAll(strong), "motor.rating").state, State::Ask);
    EXPECT_EQ(plain(finding(checkedAll(strong), "motor.rating").action),
              "measure the slip current");
    // Nor is a running current asked for where slipping is known.
    const Job slip = jotted(tests::newJob("x", "dock-shunter"),
                            {"decoder middle", "rule running", "slip 400mA 12V"});
    EXPECT_EQ(finding(checkedAll(slip), "motor.rating").state, State::Fine);
}
TEST(MotorJudgement, ChoosesByTheKindWhereNobodyReadTheMotor) {
    const Job fresh = tests::newJob("new", "dock-shunter");
    const auto all = checkedAll(fresh);
    EXPECT_EQ(plain(finding(all, "motor.rating").action), "choose a decoder");
    EXPECT_NE(plain(finding(all, "motor.rating").sentence).find("those of its kind stall at 1 A"),
              std::string::npos);
    const Option& first = finding(all, "motor.rating").options.at(0);
    EXPECT_EQ(first.state, State::Fine);
    const Job taken = jotted(fresh, {first.jot.c_str()});
    EXPECT_EQ(finding(checkedAll(taken), "motor.rating").state, State::Fine);
    EXPECT_EQ(figure(finding(checkedAll(taken), "motor.rating"), "I_usual").basis.kind,
              Basis::Kind::Assumed);
    // A range that does not fit whole condemns nothing: then it is to be read.
    EXPECT_EQ(finding(checkedAll(jotted(taken, {"motor open-frame"})), "motor.rating").state,
              State::Ask);
    EXPECT_EQ(finding(checkedAll(jotted(taken, {"decoder small"})), "motor.rating").state,
              State::Ask);
    // A reading that is usual for its kind takes nothing away; one that is not leaves the kind.
    const auto with = [&](const char* line) {
        return finding(checkedAll(jotted(taken, {line})), "motor.rating").state;
    };
    EXPECT_EQ(with("light 250mA 12V"), State::Fine);
    EXPECT_EQ(with("haul 240mA 12V"), State::Fine);
    EXPECT_EQ(with("full forward 12V 200mA"), State::Fine);
    EXPECT_EQ(with("slip 0.5A 12V"), State::Fine);
    EXPECT_EQ(with("light 260mA 12V"), State::Ask);
    EXPECT_EQ(with("haul 260mA 12V"), State::Ask);
    EXPECT_EQ(with("full reverse 12V 260mA"), State::Ask);
    EXPECT_EQ(with("slip 0.51A 12V"), State::Ask);
    EXPECT_EQ(with("over 260mA at half throttle"), State::Ask);
    const auto usual = checkedAll(jotted(fresh, {"light 200mA 12V"}));
    EXPECT_EQ(plain(finding(usual, "motor.rating").sentence),
              "No decoder chosen. Nobody read its stall; what was read is usual for its kind, and "
              "those stall at 1 A at the most: that will do to choose by.");
    // In G even the weakest can stalls with 2 A, more than the 1.8 A of its peak.
    EXPECT_EQ(finding(checkedAll(jotted(taken, {"scale G"})), "motor.rating").state, State::Over);
}
TEST(MotorJudgement, IsToBeReadWhereTheKindDecidesNothing) {
    // The only decoder that there is does not carry all that motors of its kind may stall at.
    Catalogue parts = smallCatalogue();
    std::erase_if(parts.decoders, [](const Decoder& each) { return each.id != "small"; });
    const Job job = tests::newJob("new", "dock-shunter");
    const auto all = findings(job, parts);
    EXPECT_EQ(plain(finding(all, "motor.rating").sentence),
              "Measure the motor first: how much it draws decides which decoder it can have.");
    EXPECT_EQ(plain(finding(all, "motor.rating").action), "measure the stall current");
    EXPECT_FALSE(finding(all, "motor.rating").caution.empty());
}
TEST(MotorJudgement, WhatItTakesForLongIsCarriedForLong) {
    // Hauling 1.1 A on 1 A continuous, whatever slip and stall say.
    const Job job = jotted(shunter(), {"haul 1.1A 12V"});
    EXPECT_EQ(finding(checkedAll(job), "motor.rating").state, State::Over);
    EXPECT_NE(sentenceOf(job, "motor.rating").find("running it asks for 1.1 A"), std::string::npos);
    EXPECT_EQ(finding(checkedAll(jotted(shunter(), {"haul 500mA 12V"})), "motor.rating").state,
              State::Fine);
}
TEST(MotorJudgement, DecodersAreRankedByEverythingTheJobAsks) {
    // "small" and "middle" carry the motor; the volts, the outputs and the room decide too.
    Catalogue parts = smallCatalogue();
    const auto first = [&](const Job& job) {
        const auto all = findings(job, parts);
        return finding(all, "motor.rating").options.at(0).jot;
    };
    const Job job =
        jotted(tests::newJob("x", "dock-shunter"),
               {"stall 0.5A 12V", "slip 250mA 12V", "lamp cab white on 1", "resistor cab 1k"});
    EXPECT_EQ(first(job), "decoder small");
    parts.decoders[0].largestTrack = Volts{15};  // 14.5 V + 5 % is more
    EXPECT_EQ(first(job), "decoder middle");
    parts.decoders[1].outputs.pop_back();  // has no output 1
    EXPECT_EQ(first(job), "decoder board");
    parts.decoders[3].functionTotal = Amperes{0.005};
    EXPECT_EQ(first(job), "decoder four-wire-1.0");
    parts.decoders[4].overall = Amperes{0.2};
    EXPECT_EQ(first(job), "decoder large");
    parts.decoders[2].length = Millimetres{80};
    const auto all = findings(job, parts);
    EXPECT_NE(plain(finding(all, "motor.rating").options.at(0).effect).find("no hollow holds it"),
              std::string::npos);
}
TEST(MotorJudgement, SaysWhereNoDecoderHelps) {
    const Job huge = jotted(shunter(), {"stall 5A 12V"});
    EXPECT_NE(sentenceOf(huge, "motor.rating").find("None of the catalogue carries it."),
              std::string::npos);
    EXPECT_EQ(sentenceOf(jotted(shunter(), {"stall 2A 12V"}), "motor.rating").find("None of"),
              std::string::npos);
}
TEST(MotorJudgement, TrackVoltsAtTheirHighest) {
    const auto state = [](const char* track) {
        return finding(checkedAll(jotted(shunter(), {track})), "motor.track-volts").state;
    };
    EXPECT_EQ(state("track 19V"), State::Fine);     // 19.95 of 22 V
    EXPECT_EQ(state("track 20.2V"), State::Close);  // 21.2: above 95 %
    EXPECT_EQ(state("track 21.5V"), State::Over);   // 22.6
    EXPECT_FALSE(finding(checkedAll(jotted(shunter(), {"track 21.5V"})), "motor.track-volts")
                     .options.empty());
}
TEST(MotorContradictions, NameBothReadingsAndOfferToStrikeEither) {
    const Job two = jotted(tests::newJob("x", "dock-shunter"),
                           {"decoder middle", "stall 0.6A 12V", "stall 1.3A 12V"});
    const auto all = checkedAll(two);
    const Finding& stall = finding(all, "motor.contradiction-stall");
    EXPECT_EQ(stall.state, State::Ask);
    EXPECT_EQ(
        plain(stall.sentence),
        "Two stall tests contradict each other: 1.3 A and 600 mA at 12 V and 12 V. The larger "
        "is reckoned with; take it again.");
    ASSERT_EQ(stall.options.size(), 2U);
    for (const Option& option : stall.options) {
        EXPECT_EQ(option.kind, Option::Kind::Answer);
        const Job struck = jotted(two, {option.jot.c_str()});
        EXPECT_EQ(motorEvidence(tests::motor(struck)).readings.size(), 1U);
        EXPECT_EQ(tests::motor(struck).readings.size(), 2U);  // it stays to be seen
        EXPECT_FALSE(has(checkedAll(struck), "motor.contradiction-stall"));
    }
    const Job left = jotted(two, {stall.options[0].jot.c_str()});
    EXPECT_EQ(motorEvidence(tests::motor(left)).readings.at(0).amps, Amperes{1.3});
    // Within a quarter of each other they agree.
    EXPECT_FALSE(
        has(checkedAll(jotted(shunter(), {"stall 1.1A 12V"})), "motor.contradiction-stall"));
}
TEST(MotorContradictions, OfWindingSlipAndLight) {
    const auto contradicts = [](const Job& job, const char* what) {
        return has(checkedAll(job), std::string("motor.contradiction-") + what);
    };
    // Stall 12 V / 1.3 A = 9.23 Ω.
    EXPECT_TRUE(contradicts(jotted(shunter(), {"ohms 6"}), "winding"));
    EXPECT_TRUE(contradicts(jotted(shunter(), {"ohms 16"}), "winding"));
    EXPECT_FALSE(contradicts(jotted(shunter(), {"ohms 7"}), "winding"));
    EXPECT_FALSE(contradicts(jotted(shunter(), {"ohms 14"}), "winding"));
    EXPECT_TRUE(contradicts(jotted(shunter(), {"slip 1.5A 12V"}), "slip"));
    EXPECT_FALSE(contradicts(jotted(shunter(), {"slip 1.2A 12V"}), "slip"));
    EXPECT_FALSE(contradicts(jotted(shunter(), {"slip 1.5A 16V"}), "slip"));
    EXPECT_FALSE(contradicts(jotted(shunter(), {"slip 1.5A"}), "slip"));  // volts not noted
    EXPECT_TRUE(contradicts(jotted(shunter(), {"haul 200mA 12V"}), "light"));
    EXPECT_FALSE(contradicts(jotted(shunter(), {"haul 200mA 6V"}), "light"));
    EXPECT_FALSE(contradicts(shunter(), "stall"));
}
TEST(MotorContradictions, SayWhatSpeaksForEither) {
    // 20 Ω and 9.23 Ω; a winding of 9.4 Ω agrees with the second alone, a third test too.
    const auto effects = [](std::initializer_list<const char*> lines) {
        const auto all = checkedAll(
            jotted(jotted(tests::newJob("x", "dock-shunter"), {"decoder middle"}), lines));
        std::vector<std::string> said;
        for (const Option& option : finding(all, "motor.contradiction-stall").options) {
            said.push_back(option.jot + ": " + plain(option.effect));
        }
        return said;
    };
    const std::string none = "it is reckoned with no more; nothing else speaks for it";
    EXPECT_EQ(effects({"stall 0.6A 12V", "stall 1.3A 12V", "ohms 9.4"}),
              (std::vector<std::string>{
                  "remove first stall: " + none,
                  "remove last stall: it is reckoned with no more; the winding's 9.4 Ω speaks for "
                  "it"}));
    EXPECT_EQ(effects({"stall 1.3A 12V", "ohms 16.5", "stall 0.6A 12V"}),
              (std::vector<std::string>{
                  "remove first stall: " + none,
                  "remove last stall: it is reckoned with no more; the winding's 16.5 Ω speaks for "
                  "it"}));
    // One in the middle has no name to be struck by.
    EXPECT_EQ(
        effects({"stall 1.3A 12V", "stall 0.6A 12V", "stall 1.2A 12V", "ohms 9.4"}),
        (std::vector<std::string>{
            "remove first stall: it is reckoned with no more; the winding's 9.4 Ω and another "
            "reading speak for it"}));
}
TEST(MotorContradictions, StrikeWhatTheyName) {
    // A bound taken since is the last that the line would strike, and no reading of these.
    for (const char* since : {"over 900mA 12V", "light 480mA", "note x"}) {
        const Job job = jotted(tests::newJob("x", "dock-shunter"),
                               {"light 500mA 12V", "haul 300mA 12V", since});
        const auto all = checkedAll(job);
        if (!has(all, "motor.contradiction-light")) continue;  // the later one may be reckoned with
        for (const Option& option : finding(all, "motor.contradiction-light").options) {
            const Job after = jotted(job, {option.jot.c_str()});
            for (const TakenReading& reading : tests::motor(after).readings) {
                if (!reading.struck) continue;
                EXPECT_FALSE(reading.atLeast) << since << ": " << plain(option.what);
                EXPECT_NE(plain(option.what).find(formatted(reading.amps)), std::string::npos)
                    << since << ": " << plain(option.what);
            }
        }
    }
}
TEST(MotorSisters, AreHeldBesideItAtLikeVolts) {
    const auto other = [](const char* name, const char* light) {
        return sameTypeOf(2, jotted(tests::newJob(name, "dock-shunter"), {light}));
    };
    const auto said = [&](const char* own, std::vector<SameType> sameType) {
        const Job job = jotted(tests::newJob("x", "dock-shunter"), {own});
        const auto all = findings(job, tests::smallCatalogue(), {}, std::move(sameType));
        for (const Finding& each : all) {
            if (each.id == "motor.sisters")
                return std::string(name(each.state)) + ": " + plain(each.sentence);
        }
        return std::string();
    };
    const SameType a = other("Gull", "light 180mA 12V"), b = other("Tern", "light 220mA 12V"),
                   c = other("Knot", "light 240mA 12.5V"), far = other("Rail", "light 60mA 6V");
    EXPECT_EQ(said("light 200mA 12V", {}), "");
    EXPECT_EQ(said("light 200mA 12V", {far}), "");
    EXPECT_EQ(said("stall 1A 12V", {a, b}), "");
    EXPECT_EQ(said("light 400mA 12V", {a}),
              "fine: Running light it takes 400 mA; its sister Gull takes 180 mA.");
    EXPECT_EQ(said("light 290mA 12V", {a, b, far}),
              "fine: Running light it takes 290 mA; 2 sisters take 200 mA in the middle.");
    EXPECT_EQ(said("light 310mA 12V", {a, b, far}),
              "close: Running light it takes 310 mA, and 2 sisters take 200 mA in the middle: look "
              "what drags.");
    EXPECT_EQ(said("light 310mA 12V", {a, b, c}),
              "fine: Running light it takes 310 mA; 3 sisters take 220 mA in the middle.");
}
TEST(MotorSisters, AreWhatTheirRecordSaysLast) {
    const SameType one =
        sameTypeOf(7, jotted(shunter(), {"light 150mA 11V", "over 900mA 12V", "light 300mA"}));
    EXPECT_EQ(one.job, 7);
    EXPECT_EQ(one.light->amps, Amperes{0.15});
    EXPECT_EQ(one.decoder, "middle");
    EXPECT_FALSE(sameTypeOf(1, tests::newJob("x", "box-van")).light.has_value());
}
TEST(MotorHealth, ComparesOnlyLikeWithLike) {
    const auto tightens = [](std::initializer_list<const char*> lines) {
        return has(checkedAll(jotted(shunter(), lines)), "motor.tightening");
    };
    EXPECT_TRUE(tightens({"light 340mA 12V"}));
    EXPECT_FALSE(tightens({"light 340mA 16V"}));  // at other volts it takes more anyway
    EXPECT_FALSE(tightens({"light 340mA"}));
    EXPECT_TRUE(tightens({"light 120mA 6V", "light 340mA 12.5V"}));
    // A later one without its volts tells nothing, and hides nothing.
    EXPECT_TRUE(tightens({"light 340mA 12V", "light 330mA"}));
    EXPECT_TRUE(has(checkedAll(jotted(shunter(), {"light 500mA 12V"})), "motor.drag"));
    EXPECT_FALSE(has(checkedAll(jotted(shunter(), {"light 500mA 16V"})), "motor.drag"));
}
TEST(MotorFindings, TellMeasuredFromAssumed) {
    const auto all = checkedAll(shunter());
    const Finding& rating = finding(all, "motor.rating");
    EXPECT_EQ(figure(rating, "V_track").basis.kind, Basis::Kind::Assumed);
    EXPECT_EQ(figure(rating, "I_test").basis.kind, Basis::Kind::Measured);
    EXPECT_EQ(figure(rating, "I_peak").basis.kind, Basis::Kind::Catalogue);
    const auto measured = checkedAll(jotted(shunter(), {"track 16V"}));
    EXPECT_EQ(figure(finding(measured, "motor.rating"), "V_track").basis.kind,
              Basis::Kind::Measured);
    EXPECT_NEAR(*figure(finding(measured, "motor.rating"), "I_stall").value, 14.4 / (12 / 1.3),
                1e-12);
}
TEST(MotorFindings, AskForTheMissingReadingWithTheCautionOfTheStep) {
    const Job bare =
        jotted(tests::newJob("Bare", "dock-shunter", {}), {"decoder middle", "motor open-frame"});
    const auto all = checkedAll(bare);
    const Finding& rating = finding(all, "motor.rating");
    EXPECT_EQ(rating.state, State::Ask);
    EXPECT_EQ(plain(rating.action), "measure the slip current");
    EXPECT_NE(plain(rating.caution).find("a second at the most"), std::string::npos);
    EXPECT_EQ(figure(rating, "I_stall").jot, "stall ");
    // The winding's ohms stand in for the stall test.
    const auto ohms = checkedAll(jotted(bare, {"ohms 9.8", "slip 0.5A"}));
    EXPECT_NEAR(*figure(finding(ohms, "motor.rating"), "I_stall").value, 12.9 / 9.8, 1e-12);
}
TEST(MotorFindings, RankDecodersSmallestFittingFirst) {
    const auto all = checkedAll(jotted(shunter(), {"decoder small"}));
    const Finding& rating = finding(all, "motor.rating");
    EXPECT_EQ(rating.state, State::Over);
    ASSERT_GE(rating.options.size(), 3U);
    EXPECT_EQ(rating.options[0].jot, "decoder middle");
    EXPECT_EQ(rating.options[0].state, State::Fine);
    // Taking an option is entering its line.
    const Job after = jotted(jotted(shunter(), {"decoder small"}), {rating.options[0].jot.c_str()});
    EXPECT_EQ(finding(checkedAll(after), "motor.rating").state, State::Fine);
    EXPECT_TRUE(finding(checkedAll(after), "motor.rating").options.empty());  // wants no advice
}
TEST(MotorFindings, SeeTheTrackAboveTheDecodersVolts) {
    EXPECT_EQ(finding(checkedAll(jotted(shunter(), {"track 24V"})), "motor.track-volts").state,
              State::Over);
}
TEST(MotorFindings, ReadTheMotorsHealthFromItsHistory) {
    const Job dry = jotted(shunter(), {"light 350mA 12V"});
    EXPECT_EQ(finding(checkedAll(dry), "motor.tightening").state, State::Close);
    EXPECT_FALSE(has(checkedAll(shunter()), "motor.tightening"));
    EXPECT_EQ(finding(checkedAll(jotted(shunter(), {"light 500mA 12V"})), "motor.drag").state,
              State::Close);
    EXPECT_EQ(
        finding(checkedAll(jotted(shunter(), {"ohms 8", "ohms 10.5"})), "motor.commutator").state,
        State::Close);
}
TEST(MotorFindings, SayNothingOfAModelWithoutAMotor) {
    const Job saloon = tests::newJob("Aurora", "saloon", {});
    EXPECT_EQ(leading(checkedAll(saloon), "measure"), nullptr);
    EXPECT_EQ(plain(stands(saloon, "measure").why), "no motor to measure");
}

TEST(LampFindings, OfferRankedResistorsWithTheCurrentEachReallyGives) {
    const auto all = checkedAll(jotted(shunter(), {"lamp front warm-white-3mm"}));
    const Finding& lamp = finding(all, "lamp.current:front lamp");
    EXPECT_EQ(lamp.state, State::Ask);
    ASSERT_GE(lamp.options.size(), 4U);
    EXPECT_EQ(plain(lamp.options[0].what), "2.2 kΩ");
    EXPECT_EQ(plain(lamp.options[0].effect), "4.72 mA, bright");
    EXPECT_EQ(lamp.options[0].jot, "resistor front lamp 2.2k");
    const bool thumb = std::any_of(
        lamp.options.begin(), lamp.options.end(),
        [](const Option& option) { return plain(option.what) == "1 kΩ, the rule of thumb"; });
    EXPECT_TRUE(thumb);
}
TEST(LampFindings, EveryOptionsJotGivesTheCurrentItPromised) {
    const Job job = jotted(shunter(), {"lamp front warm-white-3mm", "parallel front red"});
    const auto all = checkedAll(job);
    for (const std::string id : {"lamp.current:front lamp/1", "lamp.current:front lamp/2"}) {
        const Finding& lamp = finding(all, id);
        ASSERT_FALSE(lamp.options.empty());
        for (const Option& option : lamp.options) {
            const Job after = jotted(job, {option.jot.c_str()});
            const std::size_t row = id.back() == '1' ? 0 : 1;
            const auto state = groupState(after, after.groups[0], {});
            const std::string amps = formatted(state->rows[row].current, 3);
            EXPECT_EQ(plain(option.effect).substr(0, amps.size()), amps) << option.jot;
        }
    }
}
TEST(LampFindings, StopAnLedWithNoResistor) {
    const Job job = jotted(shunter(), {"lamp front white", "resistor front none"});
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.current:front lamp").state, State::Over);
    EXPECT_NE(sentenceOf(job, "lamp.current:front lamp").find("burns: with no resistor it takes"),
              std::string::npos);
}
TEST(LampJudgement, AnUnknownBoardIsAskedWithWhatWouldFollow) {
    // Bare it burns, with 470 Ω it is bright, with 1.5 kΩ as wanted: no consequence is told as
    // fact.
    const Job job = jotted(shunter(), {"decoder board", "lamp front white", "resistor front none"});
    const auto all = checkedAll(job);
    EXPECT_FALSE(has(all, "lamp.current:front lamp"));
    const Finding& output = finding(all, "lamp.output:front lamp");
    EXPECT_EQ(output.state, State::Ask);
    EXPECT_NE(plain(output.sentence).find("none, then 838 mA, it burns"), std::string::npos)
        << plain(output.sentence);
    ASSERT_EQ(output.options.size(), 3U);
    for (const Option& option : output.options) {
        EXPECT_EQ(option.kind, Option::Kind::Answer);
        const Job answered = jotted(job, {option.jot.c_str()});
        EXPECT_FALSE(has(checkedAll(answered), "lamp.output:front lamp"));
        EXPECT_EQ(finding(checkedAll(answered), "lamp.current:front lamp").state, option.state);
    }
    // Which resistor to fit hangs on it too.
    const Job open = jotted(shunter(), {"decoder board", "lamp front white"});
    EXPECT_NE(sentenceOf(open, "lamp.output:front lamp").find("is wanted beside it"),
              std::string::npos);
    const Job answered = jotted(job, {"output front 680R", "resistor front 2k2"});
    // The board's resistor is part of the circuit: 10.38 V over 2880 Ω instead of 2200 Ω.
    EXPECT_NEAR(groupState(answered, answered.groups[0], {})->total.value(), 10.42 / 2880, 2e-5);
}
TEST(LampJudgement, AnUnknownBoardThatChangesNothingIsNotAsked) {
    const Job job = jotted(shunter(), {"decoder board", "lamp front white", "resistor front 2k2"});
    const auto all = checkedAll(job);
    EXPECT_FALSE(has(all, "lamp.output:front lamp"));
    EXPECT_EQ(finding(all, "lamp.current:front lamp").state, State::Fine);
    EXPECT_NE(plain(finding(all, "lamp.current:front lamp").sentence)
                  .find("whatever output front has on its board"),
              std::string::npos);
}
TEST(LampJudgement, OutputsThatDoNotSwitchToGroundAreJudgedAsWhatTheyAre) {
    Job job = jotted(shunter(), {"lamp front white", "resistor front 2k2"});
    EXPECT_FALSE(has(checkedAll(job), "lamp.output-kind:front lamp"));
    const auto kind = [&](OutputKind as) {
        job.decoder->part.outputs[0].kind = as;
        return finding(checkedAll(job), "lamp.output-kind:front lamp").state;
    };
    EXPECT_EQ(kind(OutputKind::LogicLevel), State::Over);
    EXPECT_FALSE(has(checkedAll(job), "lamp.current:front lamp"));
    const auto all = checkedAll(job);
    const Finding& logic = finding(all, "lamp.output-kind:front lamp");
    ASSERT_FALSE(logic.options.empty());
    EXPECT_FALSE(has(checkedAll(jotted(job, {logic.options[0].jot.c_str()})),
                     "lamp.output-kind:front lamp"));
    EXPECT_EQ(kind(OutputKind::LampSupply), State::Over);
    EXPECT_EQ(kind(OutputKind::Unknown), State::Ask);
    // One that keeps a current is a driver: behind 2.2 kΩ 200 mA never flow, and 15 mA starve.
    job.decoder->part.outputs[0].kind = OutputKind::ConstantCurrent;
    const auto driven = [&] { return finding(checkedAll(job), "lamp.driver:front lamp").state; };
    EXPECT_EQ(driven(), State::Close);
    job.decoder->part.outputs[0].limit = Amperes{0.015};
    EXPECT_EQ(driven(), State::Close);
    EXPECT_NE(sentenceOf(job, "lamp.driver:front lamp").find("of the 15 mA"), std::string::npos);
    job = jotted(job, {"resistor front none"});
    EXPECT_EQ(driven(), State::Fine);
    job.decoder->part.outputs[0].limit = Amperes{0.2};
    EXPECT_EQ(driven(), State::Over);
    EXPECT_FALSE(has(checkedAll(job), "lamp.current:front lamp"));
}
TEST(LampJudgement, BareTrackTurnsLampsRound) {
    const Job coach =
        jotted(tests::newJob("Aurora", "saloon"), {"lamp table white", "resistor table 4k7"});
    const auto all = checkedAll(coach);
    const Finding& reverse = finding(all, "lamp.reverse:table lamp");
    EXPECT_EQ(reverse.state, State::Over);
    EXPECT_NEAR(*figure(reverse, "V_rev").value, 14.5 * 1.05, 1e-9);
    EXPECT_EQ(leading(all, "lamps")->id, reverse.id);
    const Job rectified = jotted(coach, {reverse.options.at(0).jot.c_str()});
    EXPECT_FALSE(has(checkedAll(rectified), "lamp.reverse:table lamp"));
    EXPECT_TRUE(has(checkedAll(jotted(coach, {"supply dc"})), "lamp.reverse:table lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(coach, {"supply fixed dc"})), "lamp.reverse:table lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(coach, {"supply battery"})), "lamp.reverse:table lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(coach, {"supply dc 4V"})), "lamp.reverse:table lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(coach, {"decoder small"})), "lamp.reverse:table lamp"));
    // Where there is no decoder no decoder's rectifier is taken off; the one that is fitted is, as
    // assumed, and one that was read as read.
    const auto bus = [&](const Job& job) {
        return analysed(job, house, smallCatalogue()).groups[0]->bus.value();
    };
    EXPECT_NEAR(bus(coach), 14.5, 1e-12);
    EXPECT_NEAR(bus(rectified), 13.3, 1e-12);
    EXPECT_NEAR(bus(jotted(coach, {"rectifier schottky"})), 13.8, 1e-12);
    const Job read = jotted(rectified, {"rectifier 1.4V"});
    EXPECT_NEAR(bus(read), 13.1, 1e-12);
    EXPECT_FALSE(has(checkedAll(read), "lamp.reverse:table lamp"));
    const auto basis = [&](const Job& job) {
        return figure(finding(checkedAll(job), "lamp.current:table lamp"), "V_rect").basis.kind;
    };
    EXPECT_EQ(basis(rectified), Basis::Kind::Assumed);
    EXPECT_EQ(basis(read), Basis::Kind::Measured);
    EXPECT_TRUE(has(checkedAll(jotted(rectified, {"rectifier none"})), "lamp.reverse:table lamp"));
}
TEST(LampJudgement, TheWorstCornerBurnsToo) {
    // 23 mA typical, and more than the 25 mA it bears where the supply is highest.
    const Job job = jotted(shunter(), {"lamp front white for 20mA", "resistor front 430"});
    EXPECT_EQ(finding(checkedAll(job), "lamp.current:front lamp").state, State::Over);
    EXPECT_NE(sentenceOf(job, "lamp.current:front lamp").find("can burn"), std::string::npos)
        << sentenceOf(job, "lamp.current:front lamp");
    WorkshopRules steady;
    steady.supplySpread = steady.meterTolerance = 0;
    const Job read =
        jotted(job, {"lamp front white 3.1V 20mA"});  // nothing to differ but the resistor
    EXPECT_NE(finding(findings(read, smallCatalogue(), steady), "lamp.current:front lamp").state,
              State::Over);
}
TEST(LampJudgement, AWishBeyondTheLampIsNotFollowed) {
    const Job job = jotted(shunter(), {"lamp front white for 50mA"});
    const auto all = checkedAll(job);
    const Finding& lamp = finding(all, "lamp.current:front lamp");
    EXPECT_NE(plain(lamp.sentence).find("The wish of 50 mA is above what front lamp bears: 25 mA"),
              std::string::npos);
    EXPECT_NE(lamp.options.at(0).state, State::Over);
    const Job taken = jotted(job, {lamp.options.at(0).jot.c_str()});
    EXPECT_LT(groupState(taken, taken.groups[0], {})->rows[0].current, Amperes{0.025});
    for (std::size_t i = 1; i < lamp.options.size(); ++i) {
        EXPECT_FALSE(lamp.options[i - 1].state == State::Over &&
                     lamp.options[i].state != State::Over);
    }
}
TEST(LampJudgement, FarTooBrightIsCloseAndDarkIsOver) {
    const auto state = [](const char* resistor, const char* wish = "target front 2mA") {
        return finding(checkedAll(jotted(shunter(), {"lamp front white", wish, resistor})),
                       "lamp.current:front lamp");
    };
    EXPECT_EQ(state("resistor front 4k7").state, State::Fine);
    EXPECT_EQ(state("resistor front 1k").state, State::Close);  // 10 mA where 2 were wished
    EXPECT_NE(plain(state("resistor front 1k").sentence).find("far brighter"), std::string::npos);
    EXPECT_EQ(state("resistor front 22k").state, State::Close);  // a quarter
    EXPECT_EQ(state("resistor front 220k").state, State::Over);  // 47 µA
    EXPECT_NE(plain(state("resistor front 220k").sentence).find("stays dark"), std::string::npos);
}
TEST(LampJudgement, HeatOfResistors) {
    // Twenty rows of 20 mA behind one resistor of 22 Ω: 0.4² · 22 = 3.5 W.
    Job many = jotted(shunter(), {"lamp front white 3.1V 20mA for 20mA", "resistor front none"});
    for (int i = 0; i < 19; ++i) many = jotted(many, {"parallel front", "resistor front none"});
    many = jotted(many, {"shared front 22"});
    EXPECT_TRUE(has(checkedAll(many), "lamp.shared-heat:front lamp"));
    EXPECT_FALSE(
        has(checkedAll(jotted(many, {"shared front 220"})), "lamp.shared-heat:front lamp"));
    const Job warm = jotted(shunter(), {"lamp front white", "resistor front 680"});
    EXPECT_NE(sentenceOf(warm, "lamp.current:front lamp").find("1/2 W"), std::string::npos)
        << sentenceOf(warm, "lamp.current:front lamp");
    // A large model on 24 V: 0.3 A through 68 Ω are 6 W.
    Job hot = jotted(tests::newJob("x", "house"),
                     {"track 24V", "lamp door white on supply for 250mA", "resistor door 68"});
    hot.groups[0].rows[0].lamps[0].part.limit = Amperes{1};
    EXPECT_EQ(finding(checkedAll(hot), "lamp.current:door lamp").state, State::Over);
    EXPECT_NE(sentenceOf(hot, "lamp.current:door lamp").find("would have to give off"),
              std::string::npos);
}
TEST(LampJudgement, ABatteryIsJudgedByHowLongItLasts) {
    Job hut = jotted(tests::newJob("x", "house"),
                     {"supply battery 9V", "lamp door white on supply", "resistor door 1k"});
    EXPECT_EQ(finding(checkedAll(hut), "lamp.battery").state, State::Fine);
    for (int i = 0; i < 45; ++i) hut = jotted(hut, {"parallel door", "resistor door 1k"});
    EXPECT_EQ(finding(checkedAll(hut), "lamp.battery").state, State::Close);
    EXPECT_FALSE(has(checkedAll(jotted(hut, {"supply fixed dc"})), "lamp.battery"));
}
TEST(LampJudgement, ABatteryThatIsNoBlockIsAskedFor) {
    const auto of = [](const char* supply) {
        return checkedAll(jotted(tests::newJob("x", "house"),
                                 {supply, "lamp door red on supply", "resistor door 220"}));
    };
    const auto all = of("supply battery 3V");
    const Finding& asked = finding(all, "lamp.battery");
    // Every answer is fine, so none is asked for.
    EXPECT_EQ(asked.state, State::Fine);
    EXPECT_TRUE(plain(asked.sentence).starts_with("Any usual battery of 3 V"));
    ASSERT_EQ(asked.options.size(), 2u);
    EXPECT_EQ(asked.options[0].jot, "battery 2 alkaline 2.5 Ah");
    EXPECT_EQ(asked.options[1].jot, "battery coin");
    for (const Option& option : asked.options) {
        const Job told =
            jotted(tests::newJob("x", "house"), {"supply battery 3V", "lamp door red on supply",
                                                 "resistor door 220", option.jot.c_str()});
        EXPECT_EQ(stateOf(told, "lamp.battery"), option.state) << option.jot;
    }
    const auto four = of("supply battery 4.5V");
    ASSERT_EQ(finding(four, "lamp.battery").options.size(), 1u);
    EXPECT_EQ(finding(four, "lamp.battery").options[0].jot, "battery 3 alkaline 2.5 Ah");
    // What a block can give, fresh or used up, is taken for one.
    for (const char* block : {"supply battery", "supply battery 9.6V", "supply battery 7V"}) {
        EXPECT_EQ(finding(of(block), "lamp.battery").state, State::Fine) << block;
    }
    for (const char* other : {"supply battery 3.7V", "supply battery 24V"}) {
        EXPECT_TRUE(finding(of(other), "lamp.battery").options.empty()) << other;
    }
}
TEST(LampJudgement, TwoColoursOnOneResistor) {
    const Job job = jotted(shunter(), {"lamp front white 3.1V 20mA", "parallel front red 2V 20mA",
                                       "shared front 1k", "resistor front none"});
    const auto all = checkedAll(job);
    const Finding& uneven = finding(all, "lamp.uneven:front lamp");
    EXPECT_EQ(uneven.state, State::Over);
    EXPECT_NE(plain(uneven.sentence).find("Two colours on one resistor: front lamp/2"),
              std::string::npos)
        << plain(uneven.sentence);
    // The place of the resistor is the cause: no row is told to take a smaller one, and one line
    // ends the matter.
    EXPECT_FALSE(has(all, "lamp.current:front lamp/1"));
    ASSERT_EQ(uneven.options.size(), 1U);
    const Job mended = jotted(job, {uneven.options[0].jot.c_str()});
    EXPECT_EQ(leading(checkedAll(mended), "lamps")->state, State::Fine);
    EXPECT_EQ(mended.groups[0].shared(), Ohms{0});
    // Both light where each has its own.
    const Job own = jotted(job, {"shared front none", "resistor front 2k2"});
    EXPECT_FALSE(has(checkedAll(own), "lamp.uneven:front lamp"));
    // Three whites that light, one stronger than the others: uneven, nobody is dark.
    const Job whites =
        jotted(shunter(), {"lamp front white 3.1V 20mA", "parallel front 3.1V 20mA",
                           "parallel front 3.0V 20mA", "resistor front none", "shared front 330"});
    const auto three = checkedAll(whites);
    EXPECT_EQ(finding(three, "lamp.uneven:front lamp").state, State::Close);
    EXPECT_EQ(plain(finding(three, "lamp.uneven:front lamp").sentence).find("dark"),
              std::string::npos);
}
TEST(LampJudgement, ASharedResistorThatTakesTooMuchIsNamed) {
    const Job job = jotted(shunter(), {"lamp front white for 5mA", "parallel front",
                                       "parallel front", "resistor front 100", "shared front 2k2"});
    const auto all = checkedAll(job);
    const Finding& row = finding(all, "lamp.current:front lamp/1");
    EXPECT_NE(plain(row.sentence).find("Give each row a resistor of its own."), std::string::npos)
        << plain(row.sentence);
    const Job own = jotted(job, {row.options.at(0).jot.c_str()});
    EXPECT_EQ(finding(checkedAll(own), "lamp.current:front lamp/1").state, State::Fine);
    // Where the volts themselves do not do, that is said.
    const Job low =
        jotted(shunter(), {"track 4V", "lamp front white for 5mA", "resistor front 100"});
    EXPECT_NE(sentenceOf(low, "lamp.current:front lamp").find("is too little for its LEDs"),
              std::string::npos);
}
TEST(LampJudgement, WhatCannotHaveItsWishButShinesIsDimNotDark) {
    // 1.5 kΩ on the board and three rows: 3 mA each would take 13.5 V there alone.
    const Job job = jotted(shunter(), {"output front 1500R", "lamp front white for 3mA",
                                       "parallel front", "parallel front", "resistor front 2k7"});
    const auto all = checkedAll(job);
    const Finding& row = finding(all, "lamp.current:front lamp/1");
    EXPECT_EQ(row.state, State::Close);
    EXPECT_NE(plain(row.sentence).find("The board's own 1.5 kΩ take the rest"), std::string::npos)
        << plain(row.sentence);
    // Five in a row want more than there is, whatever the board takes.
    const Job five = jotted(
        shunter(), {"output front 680R", "lamp front white 3V 20mA for 5mA", "resistor front 100",
                    "inline front", "inline front", "inline front", "inline front"});
    EXPECT_NE(sentenceOf(five, "lamp.current:front lamp").find("is too little for its LEDs"),
              std::string::npos)
        << sentenceOf(five, "lamp.current:front lamp");
    // Its first way out ends the matter.
    const Job less = jotted(job, {row.options.at(0).jot.c_str()});
    EXPECT_EQ(finding(checkedAll(less), "lamp.current:front lamp/1").state, State::Fine);
    // Hardly a glimmer is still no lamp.
    const Job faint =
        jotted(shunter(), {"track 3.6V", "lamp front white for 5mA", "resistor front 100"});
    EXPECT_EQ(finding(checkedAll(faint), "lamp.current:front lamp").state, State::Over);
}
TesterLook expectedLookOf(const Job& job) {
    return lamps::expectedLook(*lamps::atTester(job.groups.at(0), 0, {}));
}
TEST(LampTester, ShowsWhatALampByItselfShould) {
    const auto told = [](const Job& job, const char* id = "lamp.tested:front lamp") {
        const auto all = checkedAll(job);
        if (!has(all, id)) return std::string();
        const Finding& one = finding(all, id);
        return std::string(name(one.state)) + ": " + plain(one.sentence);
    };
    const Job white = jotted(shunter(), {"lamp front white 3.1V 20mA", "resistor front 2k2"});
    EXPECT_EQ(told(white), "");
    EXPECT_EQ(told(jotted(white, {"tester front lit"})),
              "fine: Front lamp shows at the 9 V tester what it should: 6.2 mA.");
    EXPECT_EQ(told(jotted(white, {"tester front dark"})),
              "over: Front lamp is dark at the 9 V tester, where it should take 6.2 mA: try it the "
              "other way round; dark both ways it is open, first a joint, then the LED.");
    EXPECT_EQ(told(jotted(white, {"tester front reversed"})).substr(0, 6), "close:");
    EXPECT_EQ(told(jotted(white, {"tester front dim"})).substr(0, 6), "close:");
    // The last look counts, and each answer leads to the one that it names.
    const Job dark = jotted(white, {"tester front lit", "tester front dark"});
    const auto all = checkedAll(dark);
    for (const Option& option : finding(all, "lamp.tested:front lamp").options) {
        const std::string then = told(jotted(dark, {option.jot.c_str()}));
        EXPECT_EQ(then.substr(0, then.find(':')), name(option.state)) << option.jot;
    }
    // Four whites want more than 9 V, so dark is right and lit is another lamp.
    const Job three =
        jotted(white, {"inline front white 3.1V 20mA", "inline front white 3.1V 20mA"});
    EXPECT_EQ(expectedLookOf(three), TesterLook::Lit);  // 1.1 mA
    const Job four = jotted(three, {"inline front white 3.1V 20mA"});
    EXPECT_EQ(
        told(jotted(four, {"tester front dark"})),
        "fine: Front lamp is dark at the 9 V tester, and should be: its LEDs need more volts.");
    EXPECT_EQ(told(jotted(four, {"tester front lit"})).substr(0, 6), "close:");
    // A row of several is named by its number; a wired lamp shows its hidden resistor.
    const Job pair = jotted(white, {"parallel front red", "tester front/2 dark"});
    EXPECT_EQ(told(pair, "lamp.tested:front lamp/2").substr(0, 5), "over:");
    EXPECT_EQ(told(pair, "lamp.tested:front lamp/1"), "");
    const Job wired = jotted(white, {"wired front 12V 0.46mA 9V 0.311mA"});
    EXPECT_EQ(expectedLookOf(wired), TesterLook::Dim);
    EXPECT_EQ(told(jotted(wired, {"tester front dim"})).substr(0, 5), "fine:");
}
TEST(LampTester, OnTheWiresOfAGroupLightsAllOfItAtOnce) {
    const auto flows = [](const Job& job, std::size_t row, Tester with) {
        return lamps::atTester(job.groups.at(0), row, with)->value();
    };
    const Tester all{TesterKind::Block, {}, false, true};
    // Two alike share the tester's kilohm: each as alone behind twice of it.
    const Job pair =
        jotted(shunter(), {"lamp front red", "parallel front red", "resistor front 1k"});
    const Job alone = jotted(shunter(), {"lamp front red", "resistor front 2k"});
    EXPECT_NEAR(flows(pair, 0, all), flows(alone, 0, {TesterKind::Block, {}, true}), 1e-7);
    EXPECT_NEAR(flows(pair, 1, all), flows(pair, 0, all), 1e-12);
    // Behind one resistor that counts for both.
    const Job behind = jotted(shunter(), {"lamp front red", "parallel front red",
                                          "resistor front 1k", "shared front 500"});
    const Job third = jotted(shunter(), {"lamp front red", "resistor front 3k"});
    EXPECT_NEAR(flows(behind, 0, all), flows(third, 0, {TesterKind::Block, {}, true}), 1e-7);
    // What has fewer volts takes it all; a row without a resistor is not there.
    const Job mixed = jotted(shunter(), {"lamp front white", "parallel front red",
                                         "resistor front/1 none", "resistor front/2 none"});
    EXPECT_LT(flows(mixed, 0, all), 1e-4);
    EXPECT_NEAR(flows(mixed, 1, all), 0.007, 2e-4);
    EXPECT_EQ(
        flows(jotted(shunter(), {"lamp front red", "parallel front red", "resistor front/2 1k"}), 0,
              all),
        0);
    // A supply lets 20 mA through in all.
    const Job hungry =
        jotted(shunter(), {"lamp front red", "parallel front red", "resistor front 100"});
    EXPECT_NEAR(flows(hungry, 0, {TesterKind::Supply, Volts{12}, false, true}), 0.010, 1e-6);

    // The other way round a row by itself is dark; on the wires of its group what is turned lights.
    const auto back = [&](const Job& job, std::size_t row, Tester with) {
        return lamps::atTester(job.groups.at(0), row, with, true)->value();
    };
    EXPECT_EQ(back(pair, 0, all), 0);
    EXPECT_EQ(back(alone, 0, {}), 0);
    Job backwards = pair;
    backwards.groups[0].rows[1].backwards = true;
    EXPECT_EQ(flows(backwards, 1, all), 0);
    EXPECT_NEAR(back(backwards, 1, all), flows(alone, 0, {TesterKind::Block, {}, true}), 0.002);
    EXPECT_GT(back(backwards, 1, all), flows(pair, 1, all));
    EXPECT_GT(flows(backwards, 1, {}), 0.005);
    EXPECT_EQ(lamps::testerLines(backwards.groups[0], Volts{5})[5].cells[0].backwards,
              TesterLook::Lit);
    EXPECT_EQ(lamps::testerLines(backwards.groups[0], Volts{5})[3].cells[0].backwards,
              TesterLook::Dark);

    // The table has a line for each, said and read back as it stands there.
    const auto lines = lamps::testerLines(pair.groups[0], Volts{5});
    ASSERT_EQ(lines.size(), 6U);
    std::vector<TesterKind> kinds;
    for (const auto& cell : lines[2].cells) kinds.push_back(cell.with.kind);
    EXPECT_EQ(kinds, (std::vector{TesterKind::Block, TesterKind::Cell, TesterKind::DiodeTest,
                                  TesterKind::Supply}));
    EXPECT_EQ(lines[2].cells[3].with.volts, Volts{5});
    EXPECT_TRUE(lines[2].others);
    EXPECT_FALSE(lines[1].others);
    const std::string said = lamps::testerJot(lines[5].row, "dim", lines[5].cells[0].with);
    EXPECT_EQ(said, "tester front lamp/2 dim with others");
    const Job seen = jotted(pair, {said.c_str()});
    EXPECT_EQ(seen.groups[0].rows[1].tested->with, all);
    const auto found = checkedAll(seen);
    EXPECT_EQ(finding(found, "lamp.tested:front lamp/2").state, State::Close);
    EXPECT_NE(
        plain(finding(found, "lamp.tested:front lamp/2").sentence).find("larger than on record"),
        std::string::npos);
    // A red beside a white at the same wires keeps it dark, and should.
    const auto dark = checkedAll(jotted(mixed, {"tester front/1 dark with others"}));
    EXPECT_EQ(finding(dark, "lamp.tested:front lamp/1").state, State::Fine);
    EXPECT_NE(plain(finding(dark, "lamp.tested:front lamp/1").sentence).find("take what comes"),
              std::string::npos);
    // What is kept dark by its volts, or stands the other way round, is told as that.
    const auto darkWords = [](const Job& job, const char* line) {
        const auto told = checkedAll(jotted(job, {line}));
        const Finding& one = finding(told, "lamp.tested:front lamp/2");
        EXPECT_EQ(one.state, State::Fine);
        return plain(one.sentence);
    };
    EXPECT_NE(darkWords(pair, "tester front/2 dark at supply 1V with others").find("more volts"),
              std::string::npos);
    EXPECT_NE(darkWords(backwards, "tester front/2 dark with others").find("other way round"),
              std::string::npos);
    EXPECT_EQ(lamps::testerLines(alone.groups[0], Volts{5}).size(), 2U);
    EXPECT_FALSE(applyLine("tester front lit with others", alone, smallCatalogue(), {}));
}
TEST(LampTester, AtAnEdgeEitherLookWillDo) {
    // A red LED at 9 V behind 1 kΩ and its resistor: 7.1 V over both.
    const auto state = [](const char* resistor, const char* look) {
        const Job job = jotted(shunter(), {"lamp front red", resistor, look});
        return finding(checkedAll(job), "lamp.tested:front lamp").state;
    };
    const char* lit = "tester front lit with resistor";
    const char* dim = "tester front dim with resistor";
    const char* dark = "tester front dark with resistor";
    EXPECT_EQ(state("resistor front 5k", dim), State::Fine);     // 1.2 mA
    EXPECT_EQ(state("resistor front 2k2", dim), State::Close);   // 2.2 mA
    EXPECT_EQ(state("resistor front 10k", lit), State::Fine);    // 0.65 mA
    EXPECT_EQ(state("resistor front 18k", lit), State::Close);   // 0.38 mA
    EXPECT_EQ(state("resistor front 47k", dark), State::Fine);   // 0.15 mA
    EXPECT_EQ(state("resistor front 22k", dark), State::Over);   // 0.31 mA
    EXPECT_EQ(state("resistor front 100k", dim), State::Fine);   // 0.07 mA
    EXPECT_EQ(state("resistor front 220k", dim), State::Close);  // 0.03 mA
}
TEST(LampTester, OfEachKindShowsWhatItsVoltsAndOhmsLetThrough) {
    const auto told = [](const Job& job) {
        const Finding one = finding(checkedAll(job), "lamp.tested:front lamp");
        return std::string(name(one.state)) + ": " + plain(one.sentence);
    };
    const auto flows = [](const Job& job, Tester with) {
        return lamps::atTester(job.groups.at(0), 0, with)->value();
    };
    const Job red = jotted(shunter(), {"lamp front red 2.0V 20mA", "resistor front 2k2"});
    const Job white = jotted(shunter(), {"lamp front white 3.1V 20mA", "resistor front 2k2"});
    // V = I·R + V_led(I) by hand, V_led falling some 60 to 120 mV for each tenfold less current.
    EXPECT_NEAR(flows(red, {TesterKind::Cell, {}, false}), 0.05, 0.02);         // (3 − 2.1) / 15
    EXPECT_NEAR(flows(red, {TesterKind::DiodeTest, {}, false}), 0.0011, 2e-4);  // (3 − 1.9) / 1k
    EXPECT_EQ(flows(red, {TesterKind::Supply, Volts{5}, false}), 0.020);        // its limit
    EXPECT_NEAR(flows(red, {TesterKind::Supply, Volts{5}, true}), 0.00142, 1e-4);  // 3.15 / 2201
    EXPECT_NEAR(flows(red, {TesterKind::Block, {}, true}), 0.0022, 1e-4);          // 7.1 / 3200
    EXPECT_LT(flows(white, {TesterKind::DiodeTest, {}, false}), 0.0005);
    EXPECT_EQ(flows(jotted(shunter(), {"lamp front red"}), {TesterKind::Block, {}, true}), 0);

    EXPECT_EQ(told(jotted(white, {"tester front dim at diode test"})).substr(0, 5), "fine:");
    EXPECT_EQ(told(jotted(white, {"tester front lit at diode test"})).substr(0, 6), "close:");
    EXPECT_NE(told(jotted(red, {"tester front lit at cell"})).find("stand in for a resistor"),
              std::string::npos);
    EXPECT_NE(told(jotted(red, {"tester front dark at cell"})).find("cell may be flat"),
              std::string::npos);
    EXPECT_EQ(told(jotted(red, {"tester front dark"})).find("flat"), std::string::npos);
    EXPECT_NE(told(jotted(red, {"tester front dim with resistor"})).find("larger than on record"),
              std::string::npos);
    const Job small = jotted(red, {"resistor front 47k", "tester front lit with resistor"});
    EXPECT_NE(told(small).find("smaller than on record, or bridged"), std::string::npos);
    // What is answered is answered of the same tester at the same points.
    const Job dark = jotted(red, {"tester front dark at supply 5V with resistor"});
    EXPECT_NE(told(dark).find("a supply at 5 V"), std::string::npos);
    const auto ofDark = checkedAll(dark);
    for (const Option& option : finding(ofDark, "lamp.tested:front lamp").options) {
        const Job then = jotted(dark, {option.jot.c_str()});
        EXPECT_EQ(then.groups[0].rows[0].tested->with, dark.groups[0].rows[0].tested->with);
        const auto after = checkedAll(then);
        EXPECT_EQ(finding(after, "lamp.tested:front lamp").state, option.state) << option.jot;
    }
    for (const char* line :
         {"tester front lit at cell 5V", "tester front lit at supply", "tester front lit 5V"}) {
        EXPECT_FALSE(applyLine(line, red, smallCatalogue(), "").has_value()) << line;
    }
    const Job bare = jotted(shunter(), {"lamp front red"});
    const auto table = lamps::testerLines(dark.groups[0], Volts{5});
    ASSERT_EQ(table.size(), 2U);
    for (const lamps::TesterLine& line : table) {
        ASSERT_EQ(line.cells.size(), 4U);
        for (const auto& cell : line.cells) {
            EXPECT_EQ(cell.with.resistor, line.resistor);
            EXPECT_EQ(cell.current.value(), flows(dark, cell.with));
            EXPECT_EQ(cell.seen.has_value(), cell.with == dark.groups[0].rows[0].tested->with);
        }
    }
    EXPECT_EQ(table[1].cells[3].state, State::Over);
    EXPECT_EQ(lamps::testerLines(bare.groups[0], Volts{5}).size(), 1U);
    EXPECT_FALSE(
        applyLine("tester front lit with resistor", bare, smallCatalogue(), "").has_value());
}
TEST(LampJudgement, OneThatFailsLeavesItsCurrentToTheOthers) {
    // Two whites on 270 Ω take 19 mA each; one alone would take 37.
    const Job two =
        jotted(shunter(), {"lamp front white 3.1V 20mA for 18mA", "parallel front 3.1V 20mA",
                           "resistor front none", "shared front 270"});
    const auto all = checkedAll(two);
    const Finding& failed = finding(all, "lamp.one-failed:front lamp");
    EXPECT_EQ(failed.state, State::Over);
    EXPECT_NE(plain(failed.sentence).find("burn after it"), std::string::npos);
    EXPECT_FALSE(has(checkedAll(jotted(two, {failed.options.at(0).jot.c_str()})),
                     "lamp.one-failed:front lamp"));
    // At 5 mA together the survivor stays below its limit and below twice.
    const Job little = jotted(two, {"shared front 2k7"});
    EXPECT_FALSE(has(checkedAll(little), "lamp.one-failed:front lamp"));
    // Each with its own resistor nothing changes for the other.
    EXPECT_FALSE(has(checkedAll(jotted(two, {"shared front none", "resistor front 560"})),
                     "lamp.one-failed:front lamp"));
}
// The worked case of unmatched whites on one resistor, by many builds and by derivatives.
TEST(LampJudgement, ShareOfUnevenBuildsAgreesWithMonteCarlo) {
    std::mt19937 random(3);
    std::normal_distribution<double> volts(0, 0.05);
    const auto share = [&](const Job& job) {
        const LampGroup& group = job.groups[0];
        std::uniform_real_distribution<double> tolerance(-0.05, 0.05);
        int uneven = 0;
        const int builds = tests::sanitized ? 600 : 4000;
        for (int build = 0; build < builds; ++build) {
            Job made = job;
            for (LampRow& row : made.groups[0].rows) {
                row.lamps[0].part.forward->voltage += Volts{volts(random)};
                row.resistor = *row.resistor * (1 + tolerance(random));
            }
            const auto state = groupState(made, made.groups[0], {});
            const double ratio = state->rows[0].current.value() / state->rows[1].current.value();
            uneven += ratio > 1.25 || ratio < 0.8;
        }
        EXPECT_EQ(group.rows.size(), 2U);
        return static_cast<double>(uneven) / builds;
    };
    const auto byDerivatives = [](const Job& job) {
        return unevenBuilds(job.groups[0], *groupState(job, job.groups[0], {}));
    };
    const Job shared = jotted(shunter(), {"lamp front warm-white-3mm", "parallel front",
                                          "resistor front none", "shared front 1k"});
    EXPECT_NEAR(byDerivatives(shared), share(shared), 0.08);
    EXPECT_GT(share(shared), 0.3);
    const Job little = jotted(shunter(), {"lamp front warm-white-3mm", "parallel front",
                                          "resistor front 47", "shared front 470"});
    EXPECT_NEAR(byDerivatives(little), share(little), 0.05);
    const Job own =
        jotted(shunter(), {"lamp front warm-white-3mm", "parallel front", "resistor front 2k2"});
    EXPECT_NEAR(byDerivatives(own), share(own), 0.01);
    EXPECT_LT(share(own), 0.01);
    EXPECT_TRUE(has(checkedAll(shared), "lamp.uneven:front lamp"));
    EXPECT_FALSE(has(checkedAll(own), "lamp.uneven:front lamp"));
}
TEST(LampJudgement, BasesAreTheTruth) {
    const auto all =
        checkedAll(jotted(shunter(), {"lamp front warm-white-3mm", "resistor front 2k2",
                                      "lamp rear red", "resistor rear 3k9", "output rear 330R"}));
    const Finding& front = finding(all, "lamp.current:front lamp");
    EXPECT_EQ(figure(front, "V_led").basis.kind, Basis::Kind::Computed);
    EXPECT_EQ(figure(front, "V_led_0").basis.kind, Basis::Kind::Catalogue);
    EXPECT_EQ(figure(front, "I_limit").basis.kind, Basis::Kind::Catalogue);
    EXPECT_EQ(figure(front, "V_batch").basis.kind, Basis::Kind::Assumed);
    EXPECT_EQ(figure(front, "spread").basis.kind, Basis::Kind::Assumed);
    const Finding& rear = finding(all, "lamp.current:rear lamp");
    EXPECT_EQ(figure(rear, "V_led_0").basis.kind, Basis::Kind::Assumed);
    EXPECT_EQ(figure(rear, "I_limit").basis.kind, Basis::Kind::Assumed);
    EXPECT_EQ(figure(rear, "R_out").basis.kind, Basis::Kind::Measured);
}
TEST(Leading, DamageGoesBeforeDarknessBeforeLooks) {
    Finding close, ask, over;
    close.state = State::Close;
    close.gravity = Gravity::PartDestroyed;
    ask.state = State::Ask;
    ask.gravity = Gravity::LooksUneven;
    EXPECT_TRUE(graver(close, ask));
    EXPECT_FALSE(graver(ask, close));
    ask.gravity = Gravity::DoesNotWork;
    EXPECT_TRUE(graver(ask, close));
    over.state = State::Over;
    EXPECT_TRUE(graver(over, ask));
    Finding worse = over;
    worse.gravity = Gravity::FirePeople;
    EXPECT_TRUE(graver(worse, over));
    EXPECT_FALSE(graver(over, worse));
}
TEST(LampFindings, SeeMixedWhites) {
    const Job whites =
        jotted(shunter(), {"lamp front warm-white-3mm", "parallel front cool-white-3mm"});
    EXPECT_EQ(finding(checkedAll(whites), "lamp.whites:front lamp").state, State::Close);
}
TEST(LampFindings, SayThatARowIsTooLongForTheSupply) {
    const Job job = jotted(shunter(), {"lamp front white", "inline front", "inline front",
                                       "inline front", "inline front", "inline front"});
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.current:front lamp").state, State::Over);
    EXPECT_NE(plain(finding(all, "lamp.current:front lamp").sentence).find("stays dim or dark"),
              std::string::npos);
}
TEST(LampFindings, CountTheOutputsAndTheWholeDecoder) {
    Job job = jotted(shunter(), {"lamp front white for 20mA", "resistor front 470"});
    for (int i = 0; i < 12; ++i) job = jotted(job, {"parallel front", "resistor front 470"});
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.output-current:front lamp").state, State::Over);
    EXPECT_EQ(finding(all, "lamp.total").state, State::Fine);  // 13 × 21 mA = 273 mA of 400 mA
}
// Spread: brightest with high supply, low forward voltage, low resistor; dimmest the reverse. For
// one LED: (15.225 − 1.2 − 0.1 − V(lowest)) / (0.95 R) with V shifted by −0.1 V: the part is of the
// catalogue. The law that this is held against has no leak; the engine's picoampere for each volt
// drops 7 nV in the resistor.
TEST(GroupState, SpansItsWorstCorners) {
    const Job job = jotted(shunter(), {"lamp front warm-white-3mm", "resistor front 2k2"});
    const auto state = groupState(job, job.groups[0], {});
    const RowState& row = state->rows[0];
    const LedLaw low = *ledLawThrough({Volts{3.0}, Amperes{0.02}}, 2.9, Ohms{12});
    const double drive = 13.2 + 0.05 * 13.3;
    const double left =
        drive - row.highest.value() * 2200 * 0.95 - low.voltage(row.highest).value();
    EXPECT_NEAR(left, 0, 2e-8);
    const LedLaw high = *ledLawThrough({Volts{3.2}, Amperes{0.02}}, 2.9, Ohms{12});
    const double weak = 13.2 - 0.05 * 13.3;
    EXPECT_NEAR(weak - row.lowest.value() * 2200 * 1.05 - high.voltage(row.lowest).value(), 0,
                2e-8);
    EXPECT_LT(row.lowest.value(), row.current.value());
    EXPECT_GT(row.highest.value(), row.current.value());
}
// Rows that share a resistor: what the neighbours take less is left for this one, so a row is
// brightest when the others' voltages are high. Checked against every combination of corners.
TEST(GroupState, FindsTheWorstCornerOfASharedResistorAmongAllCombinations) {
    const Job job = jotted(shunter(), {"lamp front white", "parallel front white",
                                       "shared front 680", "resistor front 100"});
    const auto state = groupState(job, job.groups[0], {});
    double brightest = 0, dimmest = 1;
    for (int corners = 0; corners < 64; ++corners) {
        const auto sign = [&](int bit) { return (corners >> bit) % 2 == 0 ? 1.0 : -1.0; };
        LampCircuit circuit{Ohms{680 * (1 + 0.05 * sign(5))}, {}};
        for (int row = 0; row < 2; ++row) {
            const double volts = sign(row) > 0 ? 3.5 : 2.8;
            circuit.strings.push_back(
                {{*ledLawThrough({Volts{volts}, Amperes{0.02}}, 2.9, Ohms{12})},
                 Ohms{100 * (1 + 0.05 * sign(2 + row))}});
        }
        const auto solution = solved(circuit, Volts{13.2 + 0.05 * 13.3 * sign(4)}).value();
        brightest = std::max(brightest, solution.current[0].value());
        dimmest = std::min(dimmest, solution.current[0].value());
    }
    EXPECT_NEAR(state->rows[0].highest.value(), brightest, 1e-9);
    EXPECT_NEAR(state->rows[0].lowest.value(), dimmest, 1e-9);
}
// Twelve rows are each solved with the whole group, thirteen against straight lines. A thirteenth
// that carries next to nothing changes nothing: both ways must come to the same.
TEST(GroupState, OfManyRowsIsWhatSolvingAllOfThemForEachWouldGive) {
    std::mt19937 random(5);
    const auto between = [&](double low, double high) {
        return std::uniform_real_distribution<double>(low, high)(random);
    };
    const Job job = jotted(shunter(), {"lamp front white", "resistor front 2k2"});
    const LampRow front = job.groups[0].rows[0];
    double worst = 0;
    const auto compare = [&](const Result<Amperes>& solved, const Result<Amperes>& lines) {
        ASSERT_TRUE(solved) << plain(solved.error().what);
        ASSERT_TRUE(lines) << plain(lines.error().what);
        const Amperes exact = *solved, quick = *lines;
        const double away = std::abs((quick - exact).value());
        if (away > 1e-6) worst = std::max(worst, away / exact.value());
    };
    for (int trial = 0; trial < (sanitized ? 8 : 60); ++trial) {
        LampGroup group = job.groups[0];
        const bool driven = trial % 3 == 2;
        if (driven)
            group.connection = ThroughDriver{Amperes{between(0.005, 0.06)}, Volts{1}};
        else
            group.connection = SharedResistor{Ohms{between(5, 400)}};
        group.rows.clear();
        constexpr LedFamily families[] = {LedFamily::White, LedFamily::Red, LedFamily::Amber};
        for (int r = 0; r < 12; ++r) {
            LampRow row = front;
            row.lamps.front().part.family = families[trial % 2 == 0 ? 0 : r % 3];
            row.resistor = Ohms{between(trial % 4 == 0 ? 20 : 500, 3000)};
            group.rows.push_back(row);
        }
        LampGroup more = group;
        more.rows.push_back(front);
        more.rows.back().resistor = Ohms{1e7};
        const auto exact = groupState(job, group, {});
        const auto quick = groupState(job, more, {});
        ASSERT_TRUE(exact && quick);
        EXPECT_FALSE(exact->rows[0].sees.has_value());
        for (std::size_t r = 0; r < 12; ++r) {
            compare(exact->rows[r].lowest, quick->rows[r].lowest);
            compare(exact->rows[r].highest, quick->rows[r].highest);
            ASSERT_TRUE(quick->rows[r].sees.has_value());
            for (const Ohms other : {Ohms{150}, Ohms{1000}, Ohms{4700}}) {
                compare(currentWith(job, group, r, other, {}),
                        currentWith(job, more, quick->rows[r], r, other, {}));
            }
        }
        // A row whose resistor is not chosen yet sees all of the others.
        more.rows.back().resistor.reset();
        const auto without = groupState(job, more, {});
        ASSERT_EQ(without->rows[12].sees.has_value(), false);  // twelve are connected
        more.rows.push_back(more.rows.front());
        const auto open = groupState(job, more, {});
        compare(currentWith(job, more, 12, Ohms{2200}, {}),
                currentWith(job, more, open->rows[12], 12, Ohms{2200}, {}));
    }
    EXPECT_LT(worst, 0.03);
}
// A driver whose one red lamp keeps all the others dark: they are no way for its current.
TEST(GroupState, OfManyDarkRowsBesideOneThatCarriesAllIsWhatItIsWithFew) {
    const Job job = jotted(shunter(), {"lamp front white", "resistor front 10R"});
    const auto with = [&](std::size_t whites) {
        LampGroup group = job.groups[0];
        group.connection = ThroughDriver{Amperes{0.005}, Volts{1}};
        group.rows.assign(whites + 1, group.rows.front());
        for (std::size_t r = 1; r < group.rows.size(); ++r)
            group.rows[r].lamps.resize(3, group.rows[r].lamps.front());
        group.rows.front().lamps.front().part.family = LedFamily::Red;
        return groupState(job, group, {});
    };
    const auto few = with(8);
    const auto many = with(20);
    ASSERT_TRUE(few) << plain(few.error().what);
    ASSERT_TRUE(many) << plain(many.error().what);
    EXPECT_TRUE(many->rows[0].sees.has_value());
    EXPECT_NEAR(many->rows[0].current.value(), 0.005, 1e-5);
    EXPECT_NEAR(many->rows[0].lowest.value(), few->rows[0].lowest.value(), 2e-5);
    EXPECT_NEAR(many->rows[0].highest.value(), few->rows[0].highest.value(), 2e-5);
    EXPECT_NEAR(many->rows[5].highest.value(), few->rows[5].highest.value(), 1e-6);
}
TEST(LampJudgement, WhatIsNoLampIsAskedForAndTheOthersAreJudged) {
    Job job = jotted(shunter(), {"lamp front white", "resistor front 2k2", "lamp rear red",
                                 "resistor rear 2k2"});
    EXPECT_FALSE(has(checkedAll(job), "lamp.data:front lamp"));
    // As a file may bring it: an LED of 20 V at 20 mA behind 900 Ω in itself has no junction left.
    job.groups[0].rows[0].lamps[0].part.forward = ForwardPoint{Volts{2}, Amperes{0.02}};
    job.groups[0].rows[0].lamps[0].part.series = Ohms{900};
    const auto all = checkedAll(job);
    const Finding& data = finding(all, "lamp.data:front lamp");
    EXPECT_EQ(data.state, State::Ask);
    EXPECT_EQ(plain(data.action), "measure the lamp of front lamp");
    EXPECT_FALSE(has(all, "lamp.current:front lamp"));
    EXPECT_TRUE(has(all, "lamp.current:rear lamp"));
}
TEST(GroupState, GivesAMeasuredLampNoSpreadOfItsOwn) {
    const Job drawer = jotted(shunter(), {"lamp front white", "resistor front 2k2"});
    const Job measured = jotted(drawer, {"lamp front white 3.1V 20mA"});
    const auto a = groupState(drawer, drawer.groups[0], {});
    const auto b = groupState(measured, measured.groups[0], {});
    EXPECT_LT((b->rows[0].highest - b->rows[0].lowest).value(),
              (a->rows[0].highest - a->rows[0].lowest).value());
}
TEST(LitLamps, AreAsBrightAsTheCubeRootOfTheirLight) {
    const Job job = jotted(shunter(), {"lamp front white", "resistor front 2k2", "lamp rear red"});
    const auto lit = litLamps(job, analysed(job, house, smallCatalogue()).groups);
    ASSERT_EQ(lit.size(), 2U);
    EXPECT_NEAR(lit[0].brightness, std::cbrt(lit[0].current.value() / 0.02), 1e-12);
    EXPECT_EQ(lit[1].brightness, 0);
    EXPECT_FALSE(lit[1].connected);
    EXPECT_EQ(perceivedBrightness(Amperes{5}), 1);
}
TEST(LightWords, StepAtWhatTheEyeCanTell) {
    EXPECT_EQ(plain(lightWords(1.4)), "as bright as wanted");
    EXPECT_EQ(plain(lightWords(1.6)), "a little brighter than wanted");
    EXPECT_EQ(plain(lightWords(0.6)), "a little dimmer than wanted");
    EXPECT_EQ(plain(lightWords(2.1)), "clearly brighter than wanted");
    EXPECT_EQ(plain(lightWords(0.4)), "clearly dimmer than wanted");
    EXPECT_EQ(plain(lightWords(0)), "dark");
}

TEST(Standing, IsComputedFromTheFindings) {
    const Job fresh = tests::newJob("Fresh", "dock-shunter", {});
    EXPECT_EQ(stands(fresh, "decoder").kind, StageStatus::Kind::Here);
    EXPECT_EQ(plain(stands(fresh, "decoder").why), "choose a decoder");
    EXPECT_EQ(stands(fresh, "lamps").kind, StageStatus::Kind::Ahead);
    EXPECT_EQ(stands(shunter(), "decoder").kind, StageStatus::Kind::Done);
    EXPECT_EQ(stands(shunter(), "lamps").kind, StageStatus::Kind::Here);
    const Job small = jotted(shunter(), {"decoder small"});
    EXPECT_EQ(stands(small, "decoder").kind, StageStatus::Kind::Blocked);
    EXPECT_EQ(plain(nextAction(checkedAll(small))), "choose a larger decoder");
    EXPECT_EQ(worstState(checkedAll(small)), State::Over);
}
TEST(Leading, SpeaksForTheGravestOfAStageOrCircuit) {
    const Job job = jotted(shunter(), {"lamp front white", "lamp rear red", "resistor rear 3k9"});
    const auto all = checkedAll(job);
    EXPECT_EQ(leading(all, "lamps")->subject.name, "front lamp");
    EXPECT_EQ(leading(all, "lamps", job.groups[1].id)->state, State::Fine);
    EXPECT_EQ(leading(all, "lamps", "no such"), nullptr);
}
TEST(MotorChart, ShowsEverythingItDraws) {
    const measure::MotorChart chart = measure::motorChart(shunter(), {});
    EXPECT_NEAR(chart.motorVolts.value(), 12.9, 1e-12);
    EXPECT_NEAR(chart.stall->value(), 1.3975, 1e-12);
    EXPECT_GT(chart.ampsShown, *chart.peak);
    EXPECT_GT(chart.voltsShown, chart.motorVolts);
    EXPECT_FALSE(measure::motorChart(tests::newJob("x", "saloon", {}), {}).stall.has_value());
}
TEST(MotorChart, LeavesThePathOpenByTheScatterOfAStallAndTheMeter) {
    const Job bare = tests::newJob("x", "dock-shunter");
    const auto paths = [&](const char* line) {
        const measure::MotorChart chart = measure::motorChart(jotted(bare, {line}), {});
        return std::pair{chart.lowestPath.value(), chart.highestPath.value()};
    };
    const double off = 1.01 * 1.01;  // the meter's 1 % of volts and of amperes
    const auto [low, high] = paths("stall 1.2A 12V");
    EXPECT_NEAR(low, 10 / off, 1e-9);
    EXPECT_NEAR(high, 10 * off, 1e-9);
    const auto [least, most] = paths("stall 1.2A 12V scatter 100mA");
    EXPECT_NEAR(least, 12 / 1.4 / off, 1e-9);
    EXPECT_NEAR(most, 12 / 1.0 * off, 1e-9);
    // However it scatters, a path stays one.
    EXPECT_NEAR(paths("stall 1.2A 12V scatter 2A").second, 12 / 0.12 * off, 1e-9);
}

// Judging without words comes to the same as judging with them, in every demo-like job.
TEST(Verdicts, AreTheFindingsWithoutWords) {
    for (const Job& job :
         {shunter(),
          jotted(shunter(),
                 {"decoder small", "lamp front white", "parallel front red", "shared front 330",
                  "lamp rear red", "resistor rear none", "light 400mA 12V", "ohms 9 12"}),
          jotted(shunter(),
                 {"decoder board", "lamp cab white on green", "resistor cab 100k", "track 24V"}),
          jotted(shunter(), {"decoder none", "lamp front white"}),
          tests::newJob("Aurora", "saloon", {})}) {
        const JobAnalysis facts = analysed(job, house, smallCatalogue());
        const auto words = findings(facts);
        const auto bare = verdicts(facts);
        ASSERT_EQ(words.size(), bare.size());
        for (std::size_t i = 0; i < words.size(); ++i) {
            EXPECT_EQ(words[i].id, bare[i].id);
            EXPECT_EQ(words[i].subject, bare[i].subject);
            EXPECT_EQ(words[i].state, bare[i].state) << words[i].id;
            EXPECT_EQ(words[i].gravity, bare[i].gravity) << words[i].id;
            EXPECT_FALSE(plain(words[i].sentence).empty()) << words[i].id;
            EXPECT_TRUE(
                std::any_of(jobStages().begin(), jobStages().end(),
                            [&](const JobStage& room) { return words[i].stage == room.name; }));
        }
    }
}
TEST(Stages, SayWhatThereIsToDoInThem) {
    const Job saloon = tests::newJob("Aurora", "saloon", {});
    EXPECT_EQ(stands(saloon, "measure").kind, StageStatus::Kind::Done);
    EXPECT_EQ(plain(stands(saloon, "decoder").why), "no motor to carry");
    EXPECT_EQ(stands(saloon, "lamps").kind, StageStatus::Kind::Here);
    EXPECT_EQ(plain(stands(saloon, "lamps").why), "no lamps yet");
    const Job over = jotted(shunter(), {"decoder small", "lamp front white"});
    EXPECT_EQ(stands(over, "decoder").kind, StageStatus::Kind::Blocked);
    EXPECT_EQ(stands(over, "lamps").kind, StageStatus::Kind::Ahead);
    EXPECT_EQ(name(StageStatus::Kind::Waiting), "waiting");
}

TEST(Groups, RowsBehindNoSharedResistanceDoNotFeelEachOther) {
    const Job alone = tests::jotted(tests::shunter(), {"lamp front white", "resistor front 1k"});

    const auto one = groupState(alone, alone.groups.front(), house, Ohms{0});
    ASSERT_TRUE(one);
    ASSERT_EQ(alone.groups.front().shared(), Ohms{0});
    LampGroup three = alone.groups.front();
    three.rows.push_back(three.rows.front());
    three.rows.push_back(three.rows.front());
    three.rows[1].resistor = Ohms{330};
    const auto many = groupState(alone, three, house, Ohms{0});
    ASSERT_TRUE(many);
    for (const std::size_t row : {0U, 2U}) {
        EXPECT_NEAR(many->rows[row].lowest / one->rows[0].lowest, 1.0, 1e-9);
        EXPECT_NEAR(many->rows[row].highest / one->rows[0].highest, 1.0, 1e-9);
    }
    EXPECT_GT(many->rows[1].lowest, one->rows[0].highest);
    // Behind a board's resistor they do: the corner of each has the others at the opposite one.
    const auto felt = groupState(alone, three, house, Ohms{470});
    const auto single = groupState(alone, alone.groups.front(), house, Ohms{470});
    ASSERT_TRUE(felt && single);
    EXPECT_LT(felt->rows[0].lowest, single->rows[0].lowest * 0.9);
}
TEST(Groups, MoreOfTheSameDoNotLookMoreUnevenThanTwo) {
    Job job = tests::jotted(tests::shunter(), {"lamp front white", "resistor front 1k"});

    LampGroup& group = job.groups.front();
    const auto uneven = [&](std::size_t rows) {
        group.rows.resize(rows, group.rows.front());
        return unevenBuilds(group, *groupState(job, group, house, Ohms{0}));
    };
    EXPECT_EQ(uneven(1), 0.0);
    const double two = uneven(2);
    EXPECT_GT(two, 0.0);
    EXPECT_EQ(uneven(5), two);
}

}  // namespace
}  // namespace glimmet::core
