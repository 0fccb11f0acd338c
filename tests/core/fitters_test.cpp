// What fitters found wrong when they walked whole jobs through: each verdict where it must come,
// and a case beside it where it must not.
#include "core/analysis/job_summary.h"
#include "core/analysis/motor/contradictions.h"
#include "core/analysis/rating.h"
#include "core/analysis/supply.h"
#include "core/house/district/district.h"
#include "core/work/intake/suspects.h"
#include "core/work/trials.h"
#include "support/findings.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using tests::checkedAll;
using tests::finding;
using tests::has;
using tests::jotted;
using tests::newJob;

/// Fine where nothing is said; a lamp goes by its name.
State namedState(const Job& job, const std::string& id) {
    for (const Finding& one : checkedAll(job)) {
        if (tests::is(one, id)) return one.state;
    }
    return State::Fine;
}
std::string namedSentence(const Job& job, const char* id) { return tests::sentenceOf(job, id); }
std::string echoOf(const Job& job, const std::string& line) {
    const auto taken = applyLine(line, job, tests::smallCatalogue(), "2026-03-02");
    return taken ? core::plain(taken->meaning) : "✗ " + core::plain(taken.error().what);
}
Job bareModel() { return newJob("Model", "dock-shunter"); }

// --- motor -----------------------------------------------------------------------------------

TEST(Isolation, IsAskedOfFramesThatAreRailsAndOfOldMotors) {
    EXPECT_FALSE(has(checkedAll(bareModel()), "motor.isolation"));
    for (const char* line :
         {"motor open-frame", "motor frame-return", "motor split-frame", "arrives old"}) {
        const Job asked = jotted(bareModel(), {line});
        EXPECT_EQ(namedState(asked, "motor.isolation"), State::Ask) << line;
        EXPECT_EQ(finding(checkedAll(asked), "motor.isolation").gravity, Gravity::PartDestroyed);
        EXPECT_FALSE(has(checkedAll(jotted(asked, {"motor isolated"})), "motor.isolation")) << line;
        EXPECT_EQ(namedState(jotted(asked, {"motor not isolated"}), "motor.isolation"),
                  State::Over);
    }
    EXPECT_FALSE(
        has(checkedAll(jotted(bareModel(), {"motor open-frame insulated"})), "motor.isolation"));
    // Nothing burns without a decoder on plain DC; what came with one was isolated by somebody.
    EXPECT_FALSE(
        has(checkedAll(jotted(bareModel(), {"motor open-frame", "supply dc"})), "motor.isolation"));
    EXPECT_FALSE(has(checkedAll(jotted(bareModel(), {"motor open-frame", "arrives with decoder"})),
                     "motor.isolation"));
}
TEST(Isolation, OfOneOfTwoMotorsIsItsOwn) {
    const Job two = jotted(bareModel(), {"motors 2 open-frame"});
    ASSERT_EQ(two.units[0].motors.size(), 2U);
    const Job one = jotted(two, {"motor 1 isolated"});
    EXPECT_EQ(one.units[0].motors[0].isolated, true);
    EXPECT_FALSE(one.units[0].motors[1].isolated.has_value());
    EXPECT_FALSE(has(checkedAll(jotted(one, {"brushes of 2 free of the frame"})),
                     "motor.isolation:" + two.units[0].motors[1].id));
    EXPECT_EQ(echoOf(bareModel(), "motor coreless"), "Motor: coreless");
}

std::vector<std::string> whatContradicts(std::initializer_list<const char*> lines) {
    std::vector<std::string> all;
    const Job job = jotted(bareModel(), lines);
    for (const auto& each : measure::contradictions(job.units[0].motors[0], trackVolts(job)))
        all.emplace_back(each.what);
    return all;
}
TEST(Contradictions, CountBoundsAndWhatPullsMoreThanSlipping) {
    using Words = std::vector<std::string>;
    EXPECT_EQ(whatContradicts({"over 1A 6V", "stall 0.8A 12V"}), Words{"bound"});
    EXPECT_EQ(whatContradicts({"over 1A at half throttle", "stall 0.8A 12V"}), Words{"bound"});
    EXPECT_EQ(whatContradicts({"over 0.5A 12V", "stall 0.8A 12V"}), Words{});
    EXPECT_EQ(whatContradicts({"slip 300mA 12V", "haul 500mA 9V"}), Words{"haul"});
    EXPECT_EQ(whatContradicts({"slip 300mA", "light 400mA 12V"}), Words{"light-slip"});
    EXPECT_EQ(whatContradicts({"slip 500mA 12V", "haul 450mA 12V", "light 200mA 12V"}), Words{});
    const Job bound = jotted(bareModel(), {"over 1A 6V", "stall 0.8A 12V"});
    const auto all = checkedAll(bound);
    EXPECT_EQ(finding(all, "motor.contradiction-bound").state, State::Ask);
    EXPECT_FALSE(has(checkedAll(jotted(bound, {"remove over"})), "motor.contradiction-bound"));
    EXPECT_TRUE(has(checkedAll(jotted(bareModel(), {"slip 300mA 12V", "light 400mA 12V"})),
                    "motor.contradiction-light-slip"));
}
TEST(Bounds, AboveTheContinuousRatingAreOver) {
    const Job job = jotted(bareModel(), {"over 1A 12V", "decoder middle"});
    EXPECT_EQ(namedState(job, "motor.rating"), State::Over);
    EXPECT_NE(namedState(jotted(bareModel(), {"over 0.5A 12V", "decoder middle"}), "motor.rating"),
              State::Over);
    // What was read to run decides the order where the rest is not known yet.
    const Job none = jotted(bareModel(), {"light 1.05A 12V"});
    EXPECT_EQ(finding(checkedAll(none), "motor.rating").options.at(0).jot, "decoder large");
}
TEST(UsualCurrents, AreToBeCarriedWithTheMarginOfTheRunningRule) {
    // A can motor of H0 runs with 50 mA at the least; 1.25 of them are 62.5 mA.
    const Job job = bareModel();
    JobAnalysis facts = tests::factsOf(job);
    facts.house.rule = RatingRule::Running;
    const auto by = [&](double continuous) {
        return rated(facts, {}, {Amperes{continuous}, Amperes{2}}).state;
    };
    EXPECT_EQ(by(0.062), State::Over);
    EXPECT_EQ(by(0.063), State::Ask);
    EXPECT_EQ(by(0.31), State::Ask);  // of 250 mA at the most
    EXPECT_EQ(by(0.37), State::Fine);
}
TEST(UsualCurrents, GoWithTheScaleAndTheKind) {
    const auto stall = [](const char* body, Scale scale) {
        return usualCurrents(newJob("x", body, scale))->stall;
    };
    EXPECT_EQ(stall("railbus", {"Z", 220}), Amperes{0.3});
    EXPECT_EQ(stall("railbus", {"N", 160}), Amperes{0.5});
    EXPECT_EQ(stall("railbus", {"H0", 87}), Amperes{1.0});
    EXPECT_EQ(stall("railbus", {"0", 45}), Amperes{2.0});
    EXPECT_EQ(stall("railbus", {"G", 22.5}), Amperes{5.0});
    // The least and the most of each range: docs/physics.md.
    const auto of = [](const char* kind, Scale scale) {
        const auto u =
            usualCurrents(jotted(newJob("x", "railbus", scale), {kind})).value_or(UsualCurrents{});
        return std::vector<double>{u.leastRunning.value(), u.running.value(), u.leastStall.value(),
                                   u.stall.value(), u.slip.value()};
    };
    using Range = std::vector<double>;
    EXPECT_EQ(of("motor can", {"Z", 220}), (Range{0.02, 0.08, 0.15, 0.3, 0.15}));
    EXPECT_EQ(of("motor can", {"N", 160}), (Range{0.05, 0.15, 0.2, 0.5, 0.25}));
    EXPECT_EQ(of("motor can", {"H0", 87}), (Range{0.05, 0.25, 0.4, 1.0, 0.5}));
    EXPECT_EQ(of("motor can", {"0", 45}), (Range{0.2, 0.5, 1.0, 2.0, 1.0}));
    EXPECT_EQ(of("motor can", {"G", 22.5}), (Range{0.5, 1.5, 2.0, 5.0, 2.5}));
    EXPECT_EQ(of("motor coreless", {"H0", 87}), (Range{0.02, 0.1, 0.1, 0.4, 0.2}));
    EXPECT_EQ(of("motor coreless", {"0", 45}), (Range{0.04, 0.2, 0.2, 0.8, 0.4}));
    EXPECT_EQ(of("motor coreless", {"G", 22.5}), (Range{0.1, 0.6, 0.4, 2.0, 1.0}));
    EXPECT_EQ(of("motor open-frame", {"H0", 87}), (Range{0.4, 1.0, 1.0, 2.5, 1.5}));
    EXPECT_EQ(of("motor open-frame", {"0", 45}), (Range{0.5, 1.5, 1.5, 4.0, 2.0}));
    EXPECT_EQ(of("motor open-frame", {"G", 22.5}), (Range{0.5, 3.0, 2.0, 6.0, 3.0}));
    EXPECT_FALSE(usualCurrents(jotted(newJob("x", "railbus"), {"motor none"})).has_value());
    EXPECT_EQ(usualCurrents(jotted(bareModel(), {"motors 2"}))->stall, Amperes{2.0});
}
TEST(Together, IsJudgedWhileSlippingIsUnread) {
    const auto of = [](std::initializer_list<const char*> lines) {
        return namedState(jotted(bareModel(), lines), "motor.total");
    };
    // 1.2 A in all: stalled 1.34 A may be too much, 0.8 A never is, 1.3 A running is.
    EXPECT_EQ(of({"stall 1.25A 12V", "decoder middle"}), State::Ask);
    EXPECT_EQ(of({"stall 0.8A 12V", "decoder middle"}), State::Fine);
    EXPECT_EQ(of({"haul 1.3A 12V", "decoder middle"}), State::Over);
    EXPECT_EQ(of({"stall 1.25A 12V", "slip 0.5A 12V", "decoder middle"}), State::Fine);
    EXPECT_EQ(of({"rule running", "light 0.5A 12V", "stall 1.25A 12V", "decoder middle"}),
              State::Fine);
    // Sound takes its share.
    Job sounding = jotted(bareModel(), {"slip 0.95A 12V", "stall 1A 12V", "decoder middle"});
    EXPECT_EQ(namedState(sounding, "motor.total"), State::Fine);
    sounding.decoder->part.sound = true;
    EXPECT_EQ(namedState(sounding, "motor.total"), State::Close);
}
TEST(Districts, CountBoundsAndCrawls) {
    const auto running = [](std::initializer_list<const char*> lines) {
        return summaryOf(1, jotted(bareModel(), lines), WorkshopRules(), tests::smallCatalogue())
            .load.running;
    };
    EXPECT_EQ(running({"motor can"}), Amperes{0.25});
    EXPECT_EQ(running({"over 0.7A 12V"}), Amperes{0.7});
    EXPECT_EQ(running({"crawl forward 3V 400mA"}), Amperes{0.4});
    EXPECT_EQ(running({"crawl forward 3V 90mA"}), Amperes{0.25});
    EXPECT_EQ(running({"light 120mA 12V"}), Amperes{0.12});
}

// --- what lies where -------------------------------------------------------------------------

TEST(CircuitsAcross, AreAskedForWhereTheDecoderHasNoPlace) {
    const Job job = jotted(newJob("Pair", "tender-engine"),
                           {"unit tender", "contacts 2", "lamp front white", "decoder middle"});
    const auto all = checkedAll(job);
    const Finding& asked = finding(all, "decoder.conductors");
    EXPECT_EQ(asked.state, State::Ask);
    ASSERT_EQ(asked.options.size(), 2U);
    const Job there = jotted(job, {"decoder in tender"});
    EXPECT_FALSE(has(checkedAll(there), "decoder.conductors"));
    EXPECT_EQ(tests::stateOf(there, "decoder.conductors:" + job.units[0].id), State::Over);
    EXPECT_EQ(namedState(jotted(job, {"decoder in engine"}), "decoder.conductors"), State::Fine);
    EXPECT_EQ(echoOf(job, "decoder large in the tender"), "Decoder: decoder large, in unit 2");
    EXPECT_EQ(jotted(job, {"decoder large in tender"}).decoder->placement->unit, job.units[1].id);
    // By the last word of its kind, where no other unit goes by it.
    const Job pair = jotted(newJob("Pair", "hood-diesel"), {"unit short-coach"});
    for (const char* line : {"decoder large in coach", "decoder large in short coach"})
        EXPECT_EQ(jotted(pair, {line}).decoder->placement->unit, pair.units[1].id) << line;
    EXPECT_EQ(jotted(pair, {"decoder large in diesel"}).decoder->placement->unit, pair.units[0].id);
}
TEST(FactoryWires, OfOneColourAreSeveral) {
    const Job job = jotted(bareModel(), {"wire black left rail", "wire black frame",
                                         "wire black motor minus", "wire black frame"});
    EXPECT_EQ(job.wires.size(), 3U);
    EXPECT_EQ(jotted(job, {"wire black frame gone"}).wires.size(), 2U);
    EXPECT_EQ(echoOf(job, "wire black frame to motor plus"),
              "The black wire goes from frame to: motor plus; 4 black wires now");
    // On a frame that is a rail, black belongs there.
    const auto against = [](std::initializer_list<const char*> lines) {
        return tests::found(checkedAll(jotted(bareModel(), lines)), "wires.colour:U1-black") !=
               nullptr;
    };
    EXPECT_TRUE(against({"wire black frame"}));
    EXPECT_FALSE(against({"motor frame-return", "wire black frame"}));
}
TEST(LampReturns, ThroughTheFrameAreNeverNothingToDo) {
    const Job job =
        jotted(bareModel(), {"decoder middle", "lamp front white", "resistor front 2k2"});
    EXPECT_FALSE(has(checkedAll(job), "lamp.return:front lamp"));
    const auto state = [&](const char* line) {
        return namedState(jotted(job, {line}), "lamp.return:front lamp");
    };
    EXPECT_EQ(state("leads front minus black to the frame"), State::Over);
    EXPECT_EQ(state("leads front plus red to right rail"), State::Close);
    // Past the output it can destroy the decoder; the way out keeps the lead's colour.
    const auto past = checkedAll(jotted(job, {"leads front minus black to the frame"}));
    EXPECT_EQ(finding(past, "lamp.return:front lamp").gravity, Gravity::PartDestroyed);
    EXPECT_EQ(finding(past, "lamp.return:front lamp").options.at(0).jot,
              "leads front lamp minus black to output front");
    const auto fed = checkedAll(jotted(job, {"leads front plus red to right rail"}));
    EXPECT_EQ(finding(fed, "lamp.return:front lamp").gravity, Gravity::WorksBadly);
    EXPECT_EQ(state("leads front plus red to common"), State::Fine);
    const Job rails = jotted(newJob("Coach", "saloon"),
                             {"lamp table white", "leads table plus red to right rail"});
    EXPECT_FALSE(has(checkedAll(rails), "lamp.return:table lamp"));
}

// --- supplies --------------------------------------------------------------------------------

TEST(Supply, OfAWallIsHeldAgainstItsLimit) {
    const auto of = [](std::initializer_list<const char*> lines) {
        return namedState(
            jotted(jotted(newJob("House", "house"), {"lamp white on supply called all",
                                                     "parallel all 6", "resistor all 680"}),
                   lines),
            "supply.current");
    };
    EXPECT_EQ(of({"supply dc 12V"}), State::Ask);  // 6 × 13 mA
    EXPECT_EQ(of({"supply dc 12V 1A"}), State::Fine);
    EXPECT_EQ(of({"supply dc 12V 60mA"}), State::Over);
    EXPECT_EQ(of({"supply dc 12V 85mA"}), State::Close);
    EXPECT_FALSE(has(checkedAll(jotted(newJob("House", "house"),
                                       {"lamp white on supply called one", "resistor one 1k"})),
                     "supply.current"));
}
TEST(Supply, OfUnknownPolarityIsAskedForWithLeds) {
    const Job job =
        jotted(newJob("House", "house"), {"supply fixed dc 12V", "lamp white on supply called one",
                                          "resistor one 1k", "polarity unknown"});
    EXPECT_EQ(namedState(job, "supply.polarity"), State::Ask);
    EXPECT_FALSE(has(checkedAll(jotted(job, {"polarity marked"})), "supply.polarity"));
    EXPECT_NE(echoOf(bareModel(), "polarity unknown").find("✗"), std::string::npos);
}
TEST(Supply, OfABatteryIsJudgedPastItsRectifierUntilItIsSaid) {
    // 7.4 V, 1 kΩ, white: 4.6 or 3.2 mA (handbook 2.12).
    Job job = jotted(bareModel(), {"supply battery 7.4V", "decoder middle", "lamp front white",
                                   "resistor front 1k"});
    const auto amps = [&](const char* line) {
        const Job there = *line ? jotted(job, {line}) : job;
        return tests::factsOf(there).groups[0]->rows[0].current.value();
    };
    EXPECT_NEAR(amps("battery on terminals"), 4.6e-3, 0.15e-3);  // less the switch
    EXPECT_NEAR(amps("battery on rails"), 3.2e-3, 0.15e-3);
    EXPECT_NEAR(amps(""), amps("battery on terminals"), 1e-9);
    EXPECT_LE(tests::factsOf(job).groups[0]->rows[0].lowest.value(), amps("battery on rails"));
    EXPECT_EQ(namedState(job, "supply.pack"), State::Ask);
    EXPECT_FALSE(has(checkedAll(jotted(job, {"battery on red and black"})), "supply.pack"));
}
TEST(Supply, ThatReversesByAPulseIsAskedFor) {
    const Job job = jotted(bareModel(), {"supply three-rail", "decoder middle"});
    EXPECT_EQ(namedState(job, "supply.pulse"), State::Ask);
    EXPECT_FALSE(has(checkedAll(jotted(job, {"pulse none"})), "supply.pulse"));
    EXPECT_EQ(namedState(jotted(job, {"pulse 24V"}), "motor.track-volts"), State::Over);
    EXPECT_EQ(namedState(jotted(job, {"pulse none"}), "motor.track-volts"), State::Fine);
    EXPECT_EQ(namedState(jotted(job, {"pulse 24V", "bank can-1000u-25"}), "reserve.volts"),
              State::Over);
}
TEST(Banks, OnAThrottleMeetMoreThanItsNominalVolts) {
    const auto of = [](const char* supply) {
        return namedState(jotted(bareModel(), {supply, "decoder middle", "bank can-4700u-16"}),
                          "reserve.volts");
    };
    EXPECT_EQ(of("supply dc 12V"), State::Over);  // 18 V open, less the rectifier: 16.8 V
    EXPECT_EQ(
        namedState(jotted(bareModel(), {"supply dc 12V", "decoder middle", "bank can-1000u-25"}),
                   "reserve.volts"),
        State::Fine);
}
TEST(Mains, AreASettingOfWorkshopAndJob) {
    const Job job = jotted(newJob("House", "house"), {"supply ac 16V 60Hz"});
    EXPECT_EQ(job.own.mains, Mains::Sixty);
    EXPECT_EQ(houseOf(job, WorkshopRules()).mains, Mains::Sixty);
    EXPECT_NEAR(halfOf(Mains::Sixty).value(), 1.0 / 120, 1e-12);
    const Job lit = jotted(job, {"lamp white on supply called one", "resistor one 2k2"});
    EXPECT_NE(namedSentence(lit, "lamp.flicker").find("60 times"), std::string::npos);
    EXPECT_NE(namedSentence(jotted(lit, {"mains 50Hz"}), "lamp.flicker").find("50 times"),
              std::string::npos);
    EXPECT_NE(echoOf(job, "supply dc 12V 60Hz").find("✗"), std::string::npos);
}
TEST(Dirt, IsMetByStockOnAcToo) {
    const std::initializer_list<const char*> lines{"supply ac 16V", "lamp table white",
                                                   "resistor table 2k2", "bridge rectifier"};
    const Job coach = jotted(newJob("Coach", "saloon"), lines);
    EXPECT_EQ(namedState(coach, "lamp.flicker"), State::Close);
    EXPECT_NE(namedSentence(coach, "lamp.flicker").find("dirty rails"), std::string::npos);
    const Job carried = jotted(coach, {"capacitor 1000uF 35V"});
    ASSERT_TRUE(carried.supply.smoothing.has_value());
    EXPECT_EQ(namedState(carried, "lamp.flicker"), State::Fine);
    EXPECT_NE(namedSentence(carried, "lamp.flicker").find("over dirt"), std::string::npos);
}
TEST(LampsBesideADecoder, OnABridgeOfTheirOwnHangOnTheRails) {
    const Job job =
        jotted(bareModel(), {"decoder middle", "lamp cab white on supply", "resistor cab 2k2"});
    EXPECT_FALSE(has(checkedAll(job), "lamp.beside-decoder"));
    const Job bridged = jotted(job, {"bridge silicon"});
    const auto all = checkedAll(bridged);
    EXPECT_EQ(finding(all, "lamp.beside-decoder").state, State::Close);
    ASSERT_FALSE(finding(all, "lamp.beside-decoder").options.empty());
    EXPECT_EQ(plain(finding(all, "lamp.beside-decoder").options[0].effect),
              "the decoder feeds it, and a key switches it");
    EXPECT_FALSE(has(
        checkedAll(jotted(bridged, {finding(all, "lamp.beside-decoder").options[0].jot.c_str()})),
        "lamp.beside-decoder"));
}

// --- one circuit, one verdict ----------------------------------------------------------------

TEST(ConstantCurrent, OutputAndDriverComeToOneVerdict) {
    for (const std::vector<const char*>& more :
         {std::vector<const char*>{},
          {"parallel front"},
          {"parallel front red"},
          {"inline front", "inline front", "inline front"}}) {
        Job byOutput = jotted(bareModel(), {"decoder middle"});
        byOutput.decoder->part.outputs[0].kind = OutputKind::ConstantCurrent;
        byOutput.decoder->part.outputs[0].limit = Amperes{0.01};
        Job byDriver = jotted(bareModel(), {"decoder middle"});
        for (Job* job : {&byOutput, &byDriver}) {
            *job = jotted(*job, {"lamp front white"});
            for (const char* line : more) *job = jotted(*job, {line});
        }
        byDriver = jotted(byDriver, {"driver front 10mA dropout 2V"});
        EXPECT_EQ(namedState(byOutput, "lamp.driver:front lamp"),
                  namedState(byDriver, "lamp.driver:front lamp"))
            << more.size();
        EXPECT_NEAR(tests::factsOf(byOutput).groups[0]->total.value(),
                    tests::factsOf(byDriver).groups[0]->total.value(), 1e-12);
    }
    // A bulb of 50 mA gets 10 mA and stays dark.
    Job bulb = jotted(bareModel(), {"decoder middle"});
    bulb.decoder->part.outputs[0].kind = OutputKind::ConstantCurrent;
    bulb.decoder->part.outputs[0].limit = Amperes{0.01};
    bulb = jotted(bulb, {"bulb front 16V 50mA"});
    EXPECT_EQ(namedState(bulb, "lamp.bulb:front lamp"), State::Over);
}

// --- lines that were taken wrongly -----------------------------------------------------------

TEST(Lines, NoLeftoverWordEverNamesAnything) {
    const Job job = bareModel();
    for (const char* line : {"headlight not working", "headlights flicker badly",
                             "pads garbage word 3V", "pads nonsense", "plan broken thing lamp"}) {
        EXPECT_TRUE(echoOf(job, line).starts_with("✗")) << line << ": " << echoOf(job, line);
    }
    EXPECT_FALSE(echoOf(job, "pads called left pair 3V").starts_with("✗"));
    EXPECT_FALSE(echoOf(job, "plan two ditch lamps").starts_with("✗"));
}
TEST(Lines, CapitalsAndBareNumbersMeanWhatABenchMeans) {
    const Job job = bareModel();
    EXPECT_EQ(echoOf(job, "SLIP 385MA"), "Wheels slipping: 385 mA");
    EXPECT_EQ(echoOf(job, "SLIPPING 385 MILLIAMPS"), "Wheels slipping: 385 mA");
    EXPECT_EQ(echoOf(job, "time 90 wiring"), "1 h 30 min on wiring");
    EXPECT_EQ(echoOf(job, "time 25m wiring"), "25 min on wiring");
    const Job lit = jotted(job, {"lamp front white"});
    EXPECT_NE(echoOf(lit, "resistor front 102").find("1 kΩ"), std::string::npos);
    EXPECT_EQ(echoOf(lit, "resistor front 102R"), "front lamp: resistor 102 Ω");
    EXPECT_EQ(echoOf(lit, "resistor front 470"), "front lamp: resistor 470 Ω");
}
TEST(Lines, SaidAgainLoseNothingInSilence) {
    Job job = jotted(bareModel(), {"settings 1=3 29=6"});
    EXPECT_EQ(echoOf(job, "settings 1=4 2=8"),
              "The decoder's settings, 3 values in all; changed: 1 was 3");
    EXPECT_EQ(jotted(job, {"settings 2=8"}).intake.settings->values.size(), 3U);
    job = jotted(bareModel(), {"proved"});
    EXPECT_EQ(jotted(job, {"fails shorts with the decoder in"}).proof.runs, true);
    EXPECT_EQ(jotted(job, {"fails stops every turn"}).proof.runs, false);
    EXPECT_NE(echoOf(job, "fails stops every turn").find("proved to run"), std::string::npos);
    EXPECT_TRUE(jotted(bareModel(), {"complaint none"}).intake.complaints.empty());
    EXPECT_TRUE(
        echoOf(jotted(bareModel(), {"complaint stalls"}), "complaint none").starts_with("✗"));
    // A flicker chip stays one, whatever its current reads like.
    Job fire = jotted(bareModel(), {"lamp rear blink-red-3mm", "wired rear 12V 10mA"});
    EXPECT_TRUE(fire.groups[0].rows[0].lamps[0].part.blink.has_value());
    EXPECT_EQ(fire.groups[0].rows[0].lamps[0].part.family, LedFamily::Red);
}

TEST(Lines, AnyoneWouldSayAreUnderstood) {
    const Job job = jotted(newJob("x", "hood-diesel"),
                           {"decoder middle", "lamp front warm white", "lamp rear red",
                            "bank can-1000u-25", "bad gears clip broken"});
    for (const auto& [line, says] : std::initializer_list<std::pair<const char*, const char*>>{
             {"front lamp 1k", "resistor 1 kΩ"},
             {"1k on front lamp", "resistor 1 kΩ"},
             {"resistors rear 4k7", "resistor 4.7 kΩ"},
             {"resistor rear 4k7 ohm", "resistor 4.7 kΩ"},
             {"resistor front 1k 1/4W", "1 kΩ, 1/4 W"},
             {"resistor front 470 1/4W", "470 Ω, 1/4 W"},
             {"lamp front warm white 3mm", "front lamp: warm white"},
             {"lamp rear red blinker", "red blinker"},
             {"lamp ditch lights warm white", "ditch lights"},
             {"lamp number boards white", "number boards"},
             {"parallel front 3", "3 side by side"},
             {"lamp cab 3 white in series", "3 in one row"},
             {"series front white", "in series with front lamp"},
             {"motors 2", "2 motors"},
             {"stall current 1.1A at 12V", "Stall test: 1.1 A at 12 V"},
             {"pulls 350mA at 12V", "Hauling: 350 mA at 12 V"},
             {"wheelslip 500mA", "Wheels slipping: 500 mA"},
             {"more than 1A at 9V", "more than 1 A at 9 V"},
             {"over 1A at 50% throttle", "throttle at 50 %"},
             {"supply dc 9V 1A", "9 V, gives up to 1 A"},
             {"supply usb", "5 V, gives up to 500 mA"},
             {"battery 9V", "6 cells alkaline"},
             {"battery 2 AA", "2 cells alkaline, 2.5 Ah"},
             {"scale OO", "1:76"},
             {"scale 1:48", "1:48"},
             {"scale S", "1:64"},
             {"runs both ways", "It runs on plain DC"},
             {"runs fine on dc", "It runs on plain DC"},
             {"proved on dc", "It runs on plain DC"},
             {"runs wrong way", "runs the wrong way"},
             {"mended clip", "Mended: clip broken"},
             {"joint front twisted", "twisted"},
             {"soldered and sleeved front", "sleeved"},
             {"leads front plus long minus short", "plus lead long, minus lead short"},
             {"points 1:6 unpowered", "Points 1:6 with a dead frog"},
             {"frog 28mm", "28 mm by the ruler"},
             {"axle 1 insulated", "Axle 1 collects nothing"},
             {"pickups front truck only", "front truck only: nothing else picks up"},
             {"right rear traction tyres", "Right wheel of axle 4: rubber tyre"},
             {"intermittent", "The owner says: intermittent"},
             {"stutters on the points", "The owner says: stutters on the points"},
             {"diode schottky", "schottky, 350 mV"},
             {"bridge rectifier", "bridge rectifier"},
             {"hold 300ms", "300 ms"},
             {"bank backwards", "wrong way round"},
             {"across -13V", "connected backwards"},
             {"tester front steady", "steady"},
             {"refuse lamps no room", "No lamps: no room"}}) {
        const std::string said = echoOf(job, line);
        EXPECT_FALSE(said.starts_with("✗")) << line << ": " << said;
        EXPECT_NE(said.find(says), std::string::npos) << line << ": " << said;
    }
    // "turned" is no slip for "tinned".
    EXPECT_EQ(echoOf(job, "tinned front").find("turned"), std::string::npos);
    EXPECT_TRUE(echoOf(job, "tester front blinks").starts_with("✗"));
    EXPECT_TRUE(jotted(job, {"across -13V"}).bank->backwards);
}

// --- false alarms ----------------------------------------------------------------------------

TEST(RawDigitalTrack, LightsHalfOfTheTime) {
    // 14.5 V, 1 kΩ, white: some 65 mW alone, 133 mW with a partner (handbook 2.12).
    const Job one = jotted(newJob("Coach", "saloon"), {"lamp table white", "resistor table 1k"});
    const auto state = [](const Job& job) { return *tests::factsOf(job).groups[0]; };
    EXPECT_NEAR(state(one).rows[0].resistorPower.value(), 0.066, 0.003);
    EXPECT_EQ(state(one).rows[0].duty, 0.5);
    EXPECT_NE(namedSentence(one, "lamp.current:table lamp").find("half of the time"),
              std::string::npos);
    const Job pair = jotted(one, {"antiparallel table white"});
    EXPECT_NEAR(state(pair).sharedPower.value(), 0.133, 0.003);
    const Job bridged = jotted(one, {"bridge silicon"});
    EXPECT_EQ(state(bridged).rows[0].duty, 1);
    EXPECT_NEAR(state(bridged).rows[0].light, state(one).rows[0].light * 2 * 0.895, 0.02);
}
TEST(Charging, IsJudgedByTheTimeAboveTheLimit) {
    const auto of = [](const char* bank, const char* id) {
        return namedState(jotted(bareModel(), {"decoder middle", bank}), id);
    };
    EXPECT_EQ(of("bank 400uF 25V", "reserve.charge"), State::Close);  // 13 A for 0.4 ms
    EXPECT_EQ(of("bank 100uF 25V charge 10R diode 0.35V", "reserve.charge"), State::Fine);
    EXPECT_EQ(of("bank 0.1F 16V", "reserve.charge"), State::Over);
    // 94 mF through 100 Ω trips nothing, and hides an acknowledge for 7 s.
    const char* large = "bank 94mF 16V charge 100R diode 0.35V";
    EXPECT_NE(of(large, "reserve.charge"), State::Over);
    EXPECT_EQ(of(large, "reserve.programming"), State::Close);
    EXPECT_NE(namedSentence(jotted(bareModel(), {"decoder middle", large}), "reserve.programming")
                  .find("7"),
              std::string::npos);
    EXPECT_EQ(of("bank 1500uF 25V charge 100R diode 0.35V", "reserve.programming"), State::Fine);
    Job managed = jotted(bareModel(), {"decoder middle"});
    managed.decoder->part.stayAlive = StayAliveTerminals::Managed;
    managed = jotted(managed, {"bank module-22m-18"});
    EXPECT_EQ(namedState(managed, "reserve.programming"), State::Fine);
    EXPECT_EQ(namedState(managed, "reserve.charge"), State::Fine);
}
TEST(Holding, TooShortIsBetterThanNone) {
    const Job job =
        jotted(bareModel(), {"decoder middle", "bank 100uF 25V charge 10R diode 0.35V"});
    EXPECT_EQ(namedState(job, "reserve.hold"), State::Close);
    EXPECT_NE(namedSentence(job, "reserve.hold").find("Too short"), std::string::npos);
    // On a dead place of its own layout it stops.
    EXPECT_EQ(
        namedState(jotted(job, {"gap 150mm both", "creep 10km/h"}), "reserve.crossing:gap 150 mm"),
        namedState(jotted(bareModel(), {"decoder middle", "gap 150mm both", "creep 10km/h"}),
                   "reserve.crossing:gap 150 mm"));
}
TEST(Clamps, ThatNeverConductDoNothing) {
    const Job job = jotted(
        bareModel(), {"decoder middle", "bank can-1000u-25 charge 100R diode 0.35V", "clamp 27V"});
    EXPECT_EQ(namedState(job, "reserve.clamp"), State::Fine);
    EXPECT_NE(namedSentence(job, "reserve.clamp").find("does nothing"), std::string::npos);
}
TEST(Bores, OfItsOwnDiameterAreSnug) {
    const Job job = jotted(bareModel(), {"lamp front warm-white-3mm"});
    const auto with = [&](std::initializer_list<const char*> lines) {
        Job made = job;
        made.groups[0].rows[0].lamps[0].part.body = LedBody::Round3;
        return jotted(made, lines);
    };
    EXPECT_EQ(namedState(with({"bore front 3mm"}), "lamp.bore:front lamp"), State::Close);
    EXPECT_EQ(finding(checkedAll(with({"bore front 3mm"})), "lamp.bore:front lamp").options[0].jot,
              "bore front lamp 3.1mm");
    EXPECT_FALSE(
        has(checkedAll(with({"bore front 3mm", "bore front holds"})), "lamp.bore:front lamp"));
    EXPECT_FALSE(has(checkedAll(with({"bore front 3.1mm"})), "lamp.bore:front lamp"));
    EXPECT_EQ(namedState(with({"bore front 2.4mm"}), "lamp.bore:front lamp"), State::Over);
    EXPECT_EQ(namedState(with({"bore front 2.4mm", "bore front holds", "bore front 2.5mm"}),
                         "lamp.bore:front lamp"),
              State::Over);
}
TEST(Suspects, AreMatchedByWhatIsSaidInOneRemark) {
    const auto first = [](std::initializer_list<const char*> lines) {
        const auto all = checkedAll(jotted(bareModel(), lines));
        return has(all, "intake.suspects")
                   ? core::plain(finding(all, "intake.suspects").options.at(0).what)
                   : std::string();
    };
    EXPECT_NE(first({"complaint stops at one place"}).find("Side rods"), std::string::npos);
    EXPECT_EQ(first({"complaint stops at one place of the layout"}).find("Side rods"),
              std::string::npos);
    EXPECT_FALSE(first({"complaint dies when rocked, loses contact when rocked"}).empty());
    EXPECT_FALSE(first({"complaint no headlight"}).empty());
    EXPECT_NE(first({"complaint buzzing speaker"}).find("Speaker"), std::string::npos);
    // Words of two remarks make no sign together.
    EXPECT_TRUE(first({"complaint paint on the gears", "complaint a cracked window"}).empty());
    // What was proved on plain DC has no bridged wheel.
    const auto bridged = [](std::initializer_list<const char*> lines) {
        const auto all = intake::suspects(jotted(bareModel(), lines), tests::smallCatalogue());
        return std::any_of(all.begin(), all.end(), [](const intake::Suspect& each) {
            return each.fault->id == "axle-insulation";
        });
    };
    EXPECT_TRUE(bridged({"complaint short"}));
    EXPECT_FALSE(bridged({"proved", "complaint shorts with a decoder, short"}));
}
TEST(Sockets, NoneTakesPlugsOnLeads) {
    Job job = jotted(bareModel(), {"socket none", "decoder middle"});
    job.decoder->part.plug = "8-pin";
    EXPECT_FALSE(has(checkedAll(job), "decoder.socket"));
    job.decoder->part.plug = "21-contact";
    EXPECT_TRUE(has(checkedAll(job), "decoder.socket"));
}
TEST(DcTest, StartingLateIsNoFrictionWithADecoder) {
    EXPECT_TRUE(has(checkedAll(jotted(bareModel(), {"starts forward 6.5V"})), "prove.late"));
    EXPECT_FALSE(
        has(checkedAll(jotted(bareModel(), {"arrives with decoder", "starts forward 6.5V"})),
            "prove.late"));
}
TEST(SeenLamps, OfALayoutAreLookedAtInTheDark) {
    const Job house =
        jotted(newJob("House", "house"), {"supply fixed dc 12V", "lamp white on supply called one",
                                          "resistor one 1k", "seen one dark-room"});
    EXPECT_EQ(namedState(house, "lamp.seen:one"), State::Fine);
    const Job engine = jotted(bareModel(), {"decoder middle", "lamp front white",
                                            "resistor front 1k", "seen front dark-room"});
    EXPECT_EQ(namedState(engine, "lamp.seen:front lamp"), State::Close);
}

// --- targets ---------------------------------------------------------------------------------

TEST(Targets, ThatNobodySetAreAssumedAndADimLampNoFault) {
    const Job plain = jotted(bareModel(), {"supply dcc 15V", "decoder middle", "lamp front white",
                                           "resistor front 22k"});
    EXPECT_EQ(namedState(plain, "lamp.current:front lamp"), State::Fine);
    EXPECT_NE(namedSentence(plain, "lamp.current:front lamp").find("a gentle glow"),
              std::string::npos);
    const Finding told = finding(checkedAll(plain), "lamp.current:front lamp");
    const auto target = std::find_if(told.figures.begin(), told.figures.end(),
                                     [](const Figure& each) { return each.symbol == "I_wish"; });
    ASSERT_NE(target, told.figures.end());
    EXPECT_EQ(target->basis.kind, Basis::Kind::Assumed);
    // The same 5 mA said by somebody is a target, and this lamp far below it.
    const Job set = jotted(plain, {"target front 5mA"});
    EXPECT_EQ(namedState(set, "lamp.current:front lamp"), State::Close);
    EXPECT_NE(namedSentence(set, "lamp.current:front lamp").find("dimmer than wanted"),
              std::string::npos);
    // Deliberate dimming is none either; what glows nowhere is dark all the same.
    EXPECT_EQ(namedState(jotted(plain, {"resistor front 2k2", "dim front 20%"}),
                         "lamp.current:front lamp"),
              State::Fine);
    EXPECT_EQ(namedState(jotted(plain, {"resistor front 220k"}), "lamp.current:front lamp"),
              State::Over);
    // Another lamp in its place keeps a target that was set, a ready-wired one brings its own.
    EXPECT_FALSE(jotted(set, {"lamp front red"}).groups[0].usualTarget);
    EXPECT_FALSE(jotted(plain, {"driver front 10mA"}).groups[0].usualTarget);
    EXPECT_FALSE(jotted(plain, {"remove front", "lamp front white for 5mA"}).groups[0].usualTarget);
    EXPECT_TRUE(jotted(plain, {"remove front", "lamp front white"}).groups[0].usualTarget);
}

// --- causes and cures --------------------------------------------------------------------------

/// The first remedy offered, as it is tried; empty without any.
std::string firstCure(const Job& job, const std::string& id) {
    Finding told = finding(checkedAll(job), id);
    const JobAnalysis facts = tests::factsOf(job);
    tryOptions(told, facts);
    return told.options.empty() ? std::string() : told.options.front().jot;
}
State stateOfFirstCure(const Job& job, const std::string& id) {
    Finding told = finding(checkedAll(job), id);
    const JobAnalysis facts = tests::factsOf(job);
    tryOptions(told, facts);
    return told.options.empty() ? told.state : told.options.front().state;
}

TEST(Cures, OfLampsThatShareNameTheSharing) {
    const Job shared = jotted(bareModel(), {"supply dcc 15V", "decoder middle", "lamp front white",
                                            "parallel front 3", "shared front 1k"});
    EXPECT_FALSE(has(checkedAll(shared), "lamp.current:front lamp/1"));
    EXPECT_EQ(namedState(shared, "lamp.uneven:front lamp"), State::Close);
    EXPECT_EQ(firstCure(shared, "lamp.uneven:front lamp"), "own front lamp");
    EXPECT_FALSE(has(checkedAll(jotted(shared, {"own front"})), "lamp.uneven:front lamp"));
    // Two colours straight across each other: each becomes a row.
    const Job across = jotted(bareModel(), {"supply dcc 15V", "decoder middle", "lamp front white",
                                            "twin front red", "resistor front 1k"});
    EXPECT_EQ(namedState(across, "lamp.across:front lamp"), State::Over);
    EXPECT_EQ(firstCure(across, "lamp.across:front lamp"), "own front lamp");
    const Job split = jotted(across, {"own front"});
    ASSERT_EQ(split.groups[0].rows.size(), 2U);
    EXPECT_FALSE(split.groups[0].rows[1].lamps[0].parallel);
    EXPECT_FALSE(has(checkedAll(split), "lamp.across:front lamp"));
}
TEST(Cures, OfABoardAndAResistorIsToLeaveTheResistorOut) {
    Job job = jotted(bareModel(), {"supply dcc 12V", "decoder middle", "output front 2.2k",
                                   "lamp front white for 5mA", "resistor front 4k7"});
    EXPECT_EQ(namedState(job, "lamp.current:front lamp"), State::Close);
    EXPECT_NE(namedSentence(job, "lamp.current:front lamp").find("leave its own out"),
              std::string::npos);
    EXPECT_EQ(firstCure(job, "lamp.current:front lamp"), "resistor front lamp none");
    EXPECT_EQ(stateOfFirstCure(job, "lamp.current:front lamp"), State::Fine);
    // Without one of its own the board is what is left to blame.
    job = jotted(job, {"output front 10k", "resistor front none"});
    EXPECT_NE(namedSentence(job, "lamp.current:front lamp").find("The board's own"),
              std::string::npos);
}
TEST(Cures, OfADriverWithTooLittleVoltage) {
    const auto house = [](std::initializer_list<const char*> lines) {
        return jotted(jotted(newJob("House", "house"), lines),
                      {"lamp white on supply called one", "driver one 10mA"});
    };
    const Job cell = house({"supply battery 4.5V"});
    EXPECT_EQ(namedState(cell, "lamp.driver:one"), State::Over);
    EXPECT_EQ(firstCure(cell, "lamp.driver:one"), "own one");
    EXPECT_EQ(stateOfFirstCure(cell, "lamp.driver:one"), State::Fine);
    EXPECT_NE(namedSentence(cell, "lamp.driver:one").find("the driver's own 2 V"),
              std::string::npos);
    // On AC it starves between the crests: a capacitor, not fewer lamps.
    const Job ac = house({"supply ac 7V", "rectifier silicon"});
    EXPECT_EQ(namedState(ac, "lamp.driver:one"), State::Close);
    EXPECT_NE(namedSentence(ac, "lamp.driver:one").find("capacitor behind the bridge"),
              std::string::npos);
    EXPECT_NE(firstCure(ac, "lamp.driver:one").find("smoothing"), std::string::npos);
    EXPECT_EQ(namedState(house({"supply ac 16V", "rectifier silicon"}), "lamp.driver:one"),
              State::Fine);
}
TEST(Cures, OfADiodeLeftBeforeABridge) {
    const Job left = jotted(newJob("Aurora", "saloon"),
                            {"supply dcc 15V", "lamp table white", "resistor table 1k",
                             "oneway table", "rectifier silicon"});
    EXPECT_EQ(namedState(left, "lamp.diode:table lamp"), State::Close);
    EXPECT_EQ(firstCure(left, "lamp.diode:table lamp"), "oneway table lamp none");
    const auto checked = checkedAll(left);
    EXPECT_EQ(plain(finding(checked, "lamp.diode:table lamp").options.at(0).what),
              "take the diode out");
    EXPECT_FALSE(has(checkedAll(jotted(left, {"oneway table none"})), "lamp.diode:table lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(left, {"rectifier none"})), "lamp.diode:table lamp"));
    // On plain DC it shows the direction, and is meant so.
    EXPECT_FALSE(has(checkedAll(jotted(left, {"supply dc 12V"})), "lamp.diode:table lamp"));
    const Job ac =
        jotted(newJob("House", "house"), {"supply ac 16V", "lamp white on supply called one",
                                          "resistor one 1k", "oneway one", "rectifier silicon"});
    EXPECT_EQ(firstCure(ac, "lamp.flicker"), "oneway one none");
}
TEST(Cures, OfABulbForTooManyVoltsIsABulbForTheseVolts) {
    const Job dark = jotted(newJob("House", "house"),
                            {"supply battery 1.5V", "bulb 12V 60mA on supply called one"});
    EXPECT_EQ(namedState(dark, "lamp.bulb:one"), State::Over);
    EXPECT_EQ(firstCure(dark, "lamp.bulb:one"), "bulb one 1.5V 60mA");
    EXPECT_EQ(stateOfFirstCure(dark, "lamp.bulb:one"), State::Fine);
}
TEST(Cures, OfTooMuchCurrentIsAResistorOrAnotherOutput) {
    const Job many = jotted(bareModel(), {"supply dcc 15V", "decoder middle", "lamp front white",
                                          "parallel front 12", "resistor front 680"});
    EXPECT_EQ(namedState(many, "lamp.output-current:front lamp"), State::Close);
    EXPECT_EQ(firstCure(many, "lamp.output-current:front lamp"), "resistor front lamp 820Ω");
    EXPECT_EQ(stateOfFirstCure(many, "lamp.output-current:front lamp"), State::Fine);
    const Job both = jotted(
        many, {"lamp rear red", "parallel rear 12", "resistor rear 560", "resistor front 560",
               "lamp cab white", "parallel cab 3", "resistor cab 560"});
    EXPECT_EQ(namedState(both, "lamp.total"), State::Over);
    EXPECT_EQ(stateOfFirstCure(both, "lamp.total"), State::Fine);
    // A lamp that burns says so by itself: its output and the decoder are not to blame.
    const Job burns = jotted(bareModel(), {"supply dcc 15V", "decoder middle", "lamp front white",
                                           "resistor front none"});
    EXPECT_EQ(namedState(burns, "lamp.current:front lamp"), State::Over);
    EXPECT_FALSE(has(checkedAll(burns), "lamp.output-current:front lamp"));
    EXPECT_EQ(namedState(burns, "lamp.total"), State::Fine);
    EXPECT_EQ(namedState(burns, "motor.total"), State::Fine);
}
TEST(Cures, MoveALampOnlyToOutputsThatAreFree) {
    Job job = jotted(bareModel(),
                     {"supply dcc 15V", "decoder middle", "lamp front white", "lamp rear red"});
    job.groups[0].output = "9";
    const Finding told = finding(checkedAll(job), "lamp.no-output:front lamp");
    ASSERT_EQ(told.options.size(), 2U);
    EXPECT_EQ(told.options[0].jot, "lamp front lamp on front");
    EXPECT_EQ(told.options[1].jot, "lamp front lamp on 1");
}
TEST(Cures, AreNoMoreThanWereTried) {
    const Job job = jotted(bareModel(), {"supply dcc 15V", "decoder middle", "lamp front white",
                                         "resistor front 100"});
    Finding told = finding(checkedAll(job), "lamp.current:front lamp");
    const Option one = told.options.front();
    told.options.assign(10, one);
    const JobAnalysis facts = tests::factsOf(job);
    tryOptions(told, facts);
    EXPECT_EQ(told.options.size(), 8U);
}
TEST(Cures, OfCellsThatNoBalancingSaves) {
    const auto with = [](const char* bank) {
        return jotted(bareModel(), {"supply dcc 16V", "decoder middle", bank});
    };
    const Job few = with("bank 4 x 1F 2.7V in series balanced charge 100R");
    EXPECT_EQ(namedState(few, "reserve.cells"), State::Over);
    EXPECT_NE(namedSentence(few, "reserve.cells").find("Too few cells"), std::string::npos);
    EXPECT_TRUE(firstCure(few, "reserve.cells").starts_with("bank 7 x 1F 2.7V in series balanced"))
        << firstCure(few, "reserve.cells");
    EXPECT_FALSE(
        has(checkedAll(jotted(few, {firstCure(few, "reserve.cells").c_str()})), "reserve.cells"));
    // Where the even share fits, a resistor across each is the cure.
    const Job six = with("bank 6 x 1F 2.7V in series charge 100R");
    EXPECT_EQ(firstCure(six, "reserve.cells"), "balance cells");
    EXPECT_FALSE(has(checkedAll(with("bank 7 x 1F 2.7V in series balanced")), "reserve.cells"));
}
TEST(Cures, OfAClampThatConductsAllTheTime) {
    const Job hot =
        jotted(bareModel(), {"supply dcc 20V", "decoder middle",
                             "bank 7 x 1F 2.7V in series balanced charge 100R", "clamp 15V 5%"});
    EXPECT_EQ(namedState(hot, "reserve.clamp"), State::Over);
    EXPECT_TRUE(firstCure(hot, "reserve.clamp").starts_with("charge "))
        << firstCure(hot, "reserve.clamp");
    EXPECT_LE(namedState(jotted(hot, {firstCure(hot, "reserve.clamp").c_str()}), "reserve.clamp"),
              State::Close);
}
TEST(Cures, OnABatteryIsToLeaveTheBankOut) {
    Job job = jotted(bareModel(), {"decoder middle", "bank 2200uF 25V", "supply battery 7.4V"});
    job.decoder->part.stayAlive = StayAliveTerminals::None;
    EXPECT_EQ(firstCure(job, "decoder.stay-alive"), "bank none");
    // The kind of a battery whose volts were read decides nothing that is asked.
    EXPECT_EQ(namedState(job, "battery.pack"), State::Fine);
    EXPECT_EQ(namedState(jotted(bareModel(), {"supply battery"}), "battery.pack"), State::Ask);
}
TEST(Cures, OfLikeRowsAreToldOnce) {
    const Job burning = jotted(bareModel(), {"supply dcc 15V", "decoder middle", "lamp front white",
                                             "parallel front 4", "resistor front 220"});
    EXPECT_EQ(namedState(burning, "lamp.current:front lamp/1"), State::Over);
    EXPECT_NE(namedSentence(burning, "lamp.current:front lamp/1").find("next 3 rows are the same"),
              std::string::npos);
    EXPECT_FALSE(has(checkedAll(burning), "lamp.current:front lamp/2"));
    // One that differs speaks for itself.
    const Job one = jotted(burning, {"resistor front/3 100"});
    EXPECT_TRUE(has(checkedAll(one), "lamp.current:front lamp/3"));
}
TEST(Suspects, OfADecoderNeedOne) {
    const auto plug = [](std::initializer_list<const char*> lines) {
        const auto all = intake::suspects(jotted(bareModel(), lines), tests::smallCatalogue());
        return std::any_of(all.begin(), all.end(), [](const intake::Suspect& each) {
            return each.fault->id == "plug-half-turn";
        });
    };
    EXPECT_FALSE(plug({"arrives runner", "complaint no headlight"}));
    EXPECT_TRUE(plug({"arrives with decoder", "complaint no headlight"}));
    EXPECT_TRUE(plug({"complaint no headlight"}));
}
TEST(Lines, OutputsAndMovesKeepWhatTheySay) {
    const Job job = jotted(bareModel(), {"supply dcc 15V", "decoder middle", "lamp front white"});
    const Job sets = jotted(job, {"output front constant-current 20mA"});
    EXPECT_EQ(sets.decoder->part.outputs[0].limit, Amperes{0.02});
    EXPECT_EQ(sets.decoder->part.outputs[0].kind, OutputKind::ConstantCurrent);
    // What needed no resistor there needs one where the current is not kept.
    const Job kept = jotted(sets, {"resistor front none", "lamp front on 1"});
    EXPECT_FALSE(kept.groups[0].rows[0].resistor.has_value());
    // A new place takes the bank that is there along; a hole and that it holds are one line.
    const Job bank = jotted(job, {"bank 2200uF 25V", "bank in hood"});
    EXPECT_TRUE(bank.bank->placement.has_value());
    EXPECT_EQ(bank.bank->part.capacitance, Farads{0.0022});
    EXPECT_TRUE(jotted(job, {"bore front 2.9mm holds"}).groups[0].rows[0].bore->holds);
    // A fault that was found is mended by its name or a word of it.
    const Job gear = jotted(job, {"fault cracked-gear", "mended gear"});
    EXPECT_EQ(gear.intake.faults.at(0).state, FaultState::Mended);
    // Short words are no slips of each other unless their keys touch.
    EXPECT_EQ(echoOf(job, "not isolated").find("Did you mean lot"), std::string::npos);
}

// --- one circuit, said in several ways -------------------------------------------------------

/// The worst that is said of any lamp's current.
State currents(const Job& job) {
    State worst = State::Fine;
    for (const Finding& one : checkedAll(job)) {
        if (one.id.starts_with("lamp.current")) worst = worse(worst, one.state);
    }
    return worst;
}
Job saidOf(const char* body, const std::vector<std::string>& lines) {
    Job job = newJob("Model", body);
    for (const std::string& line : lines) job = jotted(job, {line.c_str()});
    return job;
}
TEST(SameCircuit, HasOneVerdictHoweverItIsSaid) {
    std::map<State, int> seen;
    for (const char* volts : {"3V", "5V", "9V", "12V", "16V", "24V"}) {
        for (const char* ohms : {"47R", "220R", "470R", "1k", "2k2", "10k", "47k", "100k"}) {
            const std::string r = ohms, feed = std::string("supply fixed dc ") + volts;
            const auto same = [&](const std::vector<std::string>& first,
                                  const std::vector<std::string>& second) {
                const State state = currents(saidOf("house", first));
                EXPECT_EQ(state, currents(saidOf("house", second)))
                    << volts << " " << first.back() << " | " << second.back();
                ++seen[state];
            };
            same({feed, "lamp white called a", "resistor a " + r},
                 {feed, "lamp white called a", "resistor a none", "shared a " + r});
            same({feed, "lamp white called a", "parallel a white", "resistor a " + r},
                 {feed, "lamp white called a", "lamp white called b", "resistor a " + r,
                  "resistor b " + r});
            same({feed, "lamp white called a", "inline a white", "resistor a " + r},
                 {feed, "lamp 2 white in series called a", "resistor a " + r});
        }
    }
    for (const State state : {State::Fine, State::Close, State::Over}) EXPECT_GT(seen[state], 0);
}
TEST(SameCircuit, HasOneVerdictWhereverItsResistorSits) {
    for (const char* ohms : {"100R", "330R", "1k", "10k", "100k"}) {
        const std::string r = ohms;
        EXPECT_EQ(currents(saidOf("dock-shunter",
                                  {"track 15V", "decoder middle", "lamp front white on front",
                                   "output front bare", "resistor front " + r})),
                  currents(saidOf("dock-shunter",
                                  {"track 15V", "decoder middle", "lamp front white on front",
                                   "output front " + r, "resistor front none"})))
            << ohms;
    }
}

TEST(Cures, AreNotOfferedForWhatIsNotSo) {
    const auto offers = [](const Job& job, const char* id, const std::string& line) {
        const auto all = checkedAll(job);
        const auto& options = finding(all, id).options;
        return std::any_of(options.begin(), options.end(),
                           [&](const Option& one) { return one.jot == line; });
    };
    // A row that a smaller resistor lights is not too long; one that nothing lights is.
    const Job two = jotted(bareModel(), {"track 15V", "decoder middle", "lamp front white",
                                         "inline front white", "resistor front 1M"});
    EXPECT_EQ(namedState(two, "lamp.current:front lamp"), State::Over);
    EXPECT_FALSE(offers(two, "lamp.current:front lamp", "split front lamp"));
    const Job six = jotted(two, {"inline front white", "inline front white", "inline front white",
                                 "inline front white"});
    EXPECT_TRUE(offers(six, "lamp.current:front lamp", "split front lamp"));
    // A driver that works is left alone; one that its supply does not feed may go.
    const Job driven = jotted(two, {"driver front 10mA"});
    EXPECT_EQ(namedState(driven, "lamp.driver:front lamp"), State::Fine);
    EXPECT_FALSE(offers(driven, "lamp.driver:front lamp", "own front lamp"));
}
TEST(SameCircuit, NeverDividesByAResistorThatIsNotThere) {
    const auto formula = [](const Job& job) {
        const auto all = checkedAll(job);
        return finding(all, "lamp.current:front lamp/1").figures.at(0).formula;
    };
    const Job like = jotted(bareModel(), {"track 15V", "decoder middle", "lamp front white",
                                          "parallel front white", "shared front 470"});
    EXPECT_EQ(formula(like), "(V_bus − V_switch − V_led) / (2 · R_common)");
    EXPECT_EQ(formula(jotted(like, {"lamp front/2 warm white", "resistor front/2 0"})), "");
    EXPECT_EQ(formula(jotted(like, {"resistor front 100"})),
              "(V_bus − V_switch − V_led − V_common) / R");
}
TEST(ReadyWired, WantsNoResistorWhileItStaysWithinItsLimit) {
    const auto read = [](const char* supply) {
        return jotted(newJob("House", "house"), {supply, "wired kitchen 12V 4.2mA 9V 2.8mA"});
    };
    const Job fits = read("supply fixed dc 13V");
    EXPECT_EQ(fits.groups.at(0).rows.at(0).resistor, std::optional(Ohms{0}));
    EXPECT_EQ(namedState(fits, "lamp.current:kitchen lamp"), State::Fine);
    const Job much = read("supply fixed dc 20V");
    EXPECT_EQ(much.groups.at(0).rows.at(0).resistor, std::nullopt);
    EXPECT_EQ(namedState(much, "lamp.current:kitchen lamp"), State::Ask);
}
TEST(Targets, ThatNobodySetMakeNoLampDark) {
    const auto planned = [](const char* supply) {
        return jotted(newJob("House", "house"), {supply, "lamp kitchen white"});
    };
    for (const char* supply : {"supply fixed dc 2.65V", "supply fixed dc 2.8V"}) {
        const Job low = planned(supply);
        EXPECT_EQ(namedState(low, "lamp.current:kitchen lamp"), State::Ask) << supply;
        const auto all = checkedAll(low);
        const Option& first = finding(all, "lamp.current:kitchen lamp").options.at(0);
        EXPECT_EQ(first.jot == "resistor kitchen lamp none", low.supply.volts->value < Volts{2.7});
        EXPECT_EQ(namedState(jotted(low, {first.jot.c_str()}), "lamp.current:kitchen lamp"),
                  first.state);
        EXPECT_LT(first.state, State::Ask);
        const std::string said = plain(finding(all, "lamp.current:kitchen lamp").sentence);
        EXPECT_EQ(said.find("Without one it takes") != std::string::npos,
                  low.supply.volts->value < Volts{2.7})
            << said;
        EXPECT_EQ(namedState(jotted(low, {"target kitchen 10mA"}), "lamp.current:kitchen lamp"),
                  State::Over);
    }
    EXPECT_EQ(namedState(planned("supply fixed dc 2V"), "lamp.current:kitchen lamp"), State::Over);
}
TEST(Batteries, AreAskedForWhereOneOfThemIsSoonEmpty) {
    const Job many = jotted(newJob("House", "house"), {"battery 3V", "lamp door red on supply",
                                                       "parallel door 12", "resistor door 100"});
    EXPECT_EQ(namedState(many, "lamp.battery"), State::Ask);
    EXPECT_EQ(namedState(jotted(many, {"battery 2 AA"}), "lamp.battery"), State::Fine);
}
TEST(CoinCell, LetsALampLiveThatAnotherSupplyBurns) {
    const Job coin = jotted(newJob("House", "quay-house"),
                            {"battery coin", "lamp red called tail", "resistor tail none"});
    EXPECT_EQ(namedState(coin, "lamp.current:tail"), State::Close);
    EXPECT_NE(namedSentence(coin, "lamp.current:tail").find("On any other supply it burns"),
              std::string::npos);
    EXPECT_EQ(namedState(jotted(coin, {"battery 2 AA"}), "lamp.current:tail"), State::Over);
    EXPECT_EQ(namedState(jotted(coin, {"battery 2 coin"}), "lamp.current:tail"), State::Over);
    EXPECT_EQ(namedState(jotted(coin, {"resistor tail 10"}), "lamp.current:tail"), State::Over);
    EXPECT_EQ(namedState(jotted(coin, {"resistor tail 270"}), "lamp.current:tail"), State::Fine);
}
TEST(CoinCell, IsAskedForWhereOnlyItsVoltsAreKnown) {
    const Job read = jotted(newJob("House", "quay-house"),
                            {"battery 3V", "lamp red called tail", "resistor tail none"});
    ASSERT_EQ(namedState(read, "lamp.current:tail"), State::Ask);
    const auto all = checkedAll(read);
    EXPECT_FALSE(has(all, "lamp.battery"));  // one question is enough
    for (const Option& option : finding(all, "lamp.current:tail").options)
        EXPECT_EQ(namedState(jotted(read, {option.jot.c_str()}), "lamp.current:tail"), option.state)
            << option.jot;
    EXPECT_EQ(namedState(jotted(read, {"battery 4.5V"}), "lamp.current:tail"), State::Over);
    EXPECT_EQ(namedState(jotted(read, {"supply dc 3V"}), "lamp.current:tail"), State::Over);
}

}  // namespace
}  // namespace glimmet::core
