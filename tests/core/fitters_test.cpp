// What fitters found wrong when they walked whole jobs through: each verdict where it must come,
// and a case beside it where it must not.
#include "core/house/district/district.h"
#include "core/work/job_summary.h"
#include "core/work/measure/contradictions.h"
#include "core/work/rating.h"
#include "core/work/supply.h"
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
State stateOf(const Job& job, const std::string& id) {
    for (const Finding& one : checkedAll(job)) {
        if (tests::is(one, id)) return one.state;
    }
    return State::Fine;
}
std::string sentence(const Job& job, const char* id) { return tests::sentenceOf(job, id); }
std::string meaning(const Job& job, const std::string& line) {
    const auto taken = understood(line, job, tests::smallCatalogue(), "2026-03-02");
    return taken ? core::plain(taken->meaning) : "✗ " + core::plain(taken.error().what);
}
Job bare() { return newJob("Model", "dock-shunter"); }

// --- motor -----------------------------------------------------------------------------------

TEST(Isolation, IsAskedOfFramesThatAreRailsAndOfOldMotors) {
    EXPECT_FALSE(has(checkedAll(bare()), "motor.isolation"));
    for (const char* line :
         {"motor open-frame", "motor frame-return", "motor split-frame", "arrives old"}) {
        const Job asked = jotted(bare(), {line});
        EXPECT_EQ(stateOf(asked, "motor.isolation"), State::Ask) << line;
        EXPECT_EQ(finding(checkedAll(asked), "motor.isolation").gravity, Gravity::PartDestroyed);
        EXPECT_FALSE(has(checkedAll(jotted(asked, {"motor isolated"})), "motor.isolation")) << line;
        EXPECT_EQ(stateOf(jotted(asked, {"motor not isolated"}), "motor.isolation"), State::Over);
    }
    EXPECT_FALSE(
        has(checkedAll(jotted(bare(), {"motor open-frame insulated"})), "motor.isolation"));
    // Nothing burns without a decoder on plain DC; what came with one was isolated by somebody.
    EXPECT_FALSE(
        has(checkedAll(jotted(bare(), {"motor open-frame", "supply dc"})), "motor.isolation"));
    EXPECT_FALSE(has(checkedAll(jotted(bare(), {"motor open-frame", "arrives with decoder"})),
                     "motor.isolation"));
}
TEST(Isolation, OfOneOfTwoMotorsIsItsOwn) {
    const Job two = jotted(bare(), {"motors 2 open-frame"});
    ASSERT_EQ(two.units[0].motors.size(), 2U);
    const Job one = jotted(two, {"motor 1 isolated"});
    EXPECT_EQ(one.units[0].motors[0].isolated, true);
    EXPECT_FALSE(one.units[0].motors[1].isolated.has_value());
    EXPECT_FALSE(has(checkedAll(jotted(one, {"brushes of 2 free of the frame"})),
                     "motor.isolation:" + two.units[0].motors[1].id));
    EXPECT_EQ(meaning(bare(), "motor coreless"), "Motor: coreless");
}

std::vector<std::string> whatContradicts(std::initializer_list<const char*> lines) {
    std::vector<std::string> all;
    const Job job = jotted(bare(), lines);
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
    const Job bound = jotted(bare(), {"over 1A 6V", "stall 0.8A 12V"});
    const auto all = checkedAll(bound);
    EXPECT_EQ(finding(all, "motor.contradiction-bound").state, State::Ask);
    EXPECT_FALSE(has(checkedAll(jotted(bound, {"remove over"})), "motor.contradiction-bound"));
    EXPECT_TRUE(has(checkedAll(jotted(bare(), {"slip 300mA 12V", "light 400mA 12V"})),
                    "motor.contradiction-light-slip"));
}
TEST(Bounds, AboveTheContinuousRatingAreOver) {
    const Job job = jotted(bare(), {"over 1A 12V", "decoder middle"});
    EXPECT_EQ(stateOf(job, "motor.rating"), State::Over);
    EXPECT_NE(stateOf(jotted(bare(), {"over 0.5A 12V", "decoder middle"}), "motor.rating"),
              State::Over);
    // What was read to run decides the order where the rest is not known yet.
    const Job none = jotted(bare(), {"light 1.05A 12V"});
    EXPECT_EQ(finding(checkedAll(none), "motor.rating").options.at(0).jot, "decoder large");
}
TEST(UsualCurrents, GoWithTheScale) {
    const auto stall = [](const char* body, Scale scale) {
        return usualCurrents(newJob("x", body, scale))->stall;
    };
    EXPECT_EQ(stall("railbus", {"Z", 220}), Amperes{0.3});
    EXPECT_EQ(stall("railbus", {"N", 160}), Amperes{0.5});
    EXPECT_EQ(stall("railbus", {"H0", 87}), Amperes{1.0});
    EXPECT_EQ(stall("railbus", {"0", 45}), Amperes{2.0});
    EXPECT_EQ(stall("railbus", {"G", 22.5}), Amperes{5.0});
    EXPECT_FALSE(usualCurrents(jotted(newJob("x", "railbus"), {"motor none"})).has_value());
    EXPECT_EQ(usualCurrents(jotted(bare(), {"motors 2"}))->stall, Amperes{2.0});
}
TEST(Together, IsJudgedWhileSlippingIsUnread) {
    const auto of = [](std::initializer_list<const char*> lines) {
        return stateOf(jotted(bare(), lines), "motor.total");
    };
    // 1.2 A in all: stalled 1.34 A may be too much, 0.8 A never is, 1.3 A running is.
    EXPECT_EQ(of({"stall 1.25A 12V", "decoder middle"}), State::Ask);
    EXPECT_EQ(of({"stall 0.8A 12V", "decoder middle"}), State::Fine);
    EXPECT_EQ(of({"haul 1.3A 12V", "decoder middle"}), State::Over);
    EXPECT_EQ(of({"stall 1.25A 12V", "slip 0.5A 12V", "decoder middle"}), State::Fine);
    EXPECT_EQ(of({"rule running", "light 0.5A 12V", "stall 1.25A 12V", "decoder middle"}),
              State::Fine);
    // Sound takes its share.
    Job sounding = jotted(bare(), {"slip 0.95A 12V", "stall 1A 12V", "decoder middle"});
    EXPECT_EQ(stateOf(sounding, "motor.total"), State::Fine);
    sounding.decoder->part.sound = true;
    EXPECT_EQ(stateOf(sounding, "motor.total"), State::Close);
}
TEST(Districts, CountBoundsAndCrawls) {
    const auto running = [](std::initializer_list<const char*> lines) {
        return summaryOf(1, jotted(bare(), lines), House(), tests::smallCatalogue()).load.running;
    };
    EXPECT_EQ(running({"motor can"}), Amperes{0.25});
    EXPECT_EQ(running({"over 0.7A 12V"}), Amperes{0.7});
    EXPECT_EQ(running({"crawl forward 3V 400mA"}), Amperes{0.4});
    EXPECT_EQ(running({"crawl forward 3V 90mA"}), Amperes{0.25});
    EXPECT_EQ(running({"light 120mA 12V"}), Amperes{0.12});
}

// --- what lies where -------------------------------------------------------------------------

TEST(Conductors, AreAskedForWhereTheDecoderHasNoPlace) {
    const Job job = jotted(newJob("Pair", "tender-engine"),
                           {"unit tender", "contacts 2", "lamp front white", "decoder middle"});
    const auto all = checkedAll(job);
    const Finding& asked = finding(all, "decoder.conductors");
    EXPECT_EQ(asked.state, State::Ask);
    ASSERT_EQ(asked.options.size(), 2U);
    const Job there = jotted(job, {"decoder in tender"});
    EXPECT_FALSE(has(checkedAll(there), "decoder.conductors"));
    EXPECT_EQ(tests::stateOf(there, "decoder.conductors:" + job.units[0].id), State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"decoder in engine"}), "decoder.conductors"), State::Fine);
    EXPECT_EQ(meaning(job, "decoder large in the tender"), "Decoder: decoder large, in unit 2");
    EXPECT_EQ(jotted(job, {"decoder large in tender"}).decoder->seat->unit, job.units[1].id);
}
TEST(FactoryWires, OfOneColourAreSeveral) {
    const Job job = jotted(bare(), {"wire black left rail", "wire black frame",
                                    "wire black motor minus", "wire black frame"});
    EXPECT_EQ(job.units[0].wires.size(), 3U);
    EXPECT_EQ(jotted(job, {"wire black frame gone"}).units[0].wires.size(), 2U);
    EXPECT_EQ(meaning(job, "wire black frame to motor plus"),
              "The black wire goes from frame to: motor plus; 4 black wires now");
    // On a frame that is a rail, black belongs there.
    const auto against = [](std::initializer_list<const char*> lines) {
        return tests::found(checkedAll(jotted(bare(), lines)), "wires.colour:U1-black") != nullptr;
    };
    EXPECT_TRUE(against({"wire black frame"}));
    EXPECT_FALSE(against({"motor frame-return", "wire black frame"}));
}
TEST(LampReturns, ThroughTheFrameAreNeverNothingToDo) {
    const Job job = jotted(bare(), {"decoder middle", "lamp front white", "resistor front 2k2"});
    EXPECT_FALSE(has(checkedAll(job), "lamp.return:front lamp"));
    const auto state = [&](const char* line) {
        return stateOf(jotted(job, {line}), "lamp.return:front lamp");
    };
    EXPECT_EQ(state("leads front minus black to the frame"), State::Over);
    EXPECT_EQ(state("leads front plus red to right rail"), State::Close);
    EXPECT_EQ(state("leads front plus red to common"), State::Fine);
    const Job rails = jotted(newJob("Coach", "saloon"),
                             {"lamp table white", "leads table plus red to right rail"});
    EXPECT_FALSE(has(checkedAll(rails), "lamp.return:table lamp"));
}

// --- supplies --------------------------------------------------------------------------------

TEST(Supply, OfAWallIsHeldAgainstItsLimit) {
    const auto of = [](std::initializer_list<const char*> lines) {
        return stateOf(
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
    EXPECT_EQ(stateOf(job, "supply.polarity"), State::Ask);
    EXPECT_FALSE(has(checkedAll(jotted(job, {"polarity marked"})), "supply.polarity"));
    EXPECT_NE(meaning(bare(), "polarity unknown").find("✗"), std::string::npos);
}
TEST(Supply, OfABatteryIsJudgedPastItsRectifierUntilItIsSaid) {
    // 7.4 V, 1 kΩ, white: 4.6 or 3.2 mA (handbook 2.12).
    Job job = jotted(
        bare(), {"supply battery 7.4V", "decoder middle", "lamp front white", "resistor front 1k"});
    const auto amps = [&](const char* line) {
        const Job there = *line ? jotted(job, {line}) : job;
        return tests::factsOf(there).groups[0]->rows[0].current.value();
    };
    EXPECT_NEAR(amps("battery on terminals"), 4.6e-3, 0.15e-3);  // less the switch
    EXPECT_NEAR(amps("battery on rails"), 3.2e-3, 0.15e-3);
    EXPECT_NEAR(amps(""), amps("battery on terminals"), 1e-9);
    EXPECT_LE(tests::factsOf(job).groups[0]->rows[0].lowest.value(), amps("battery on rails"));
    EXPECT_EQ(stateOf(job, "supply.pack"), State::Ask);
    EXPECT_FALSE(has(checkedAll(jotted(job, {"battery on red and black"})), "supply.pack"));
}
TEST(Supply, ThatReversesByAPulseIsAskedFor) {
    const Job job = jotted(bare(), {"supply three-rail", "decoder middle"});
    EXPECT_EQ(stateOf(job, "supply.pulse"), State::Ask);
    EXPECT_FALSE(has(checkedAll(jotted(job, {"pulse none"})), "supply.pulse"));
    EXPECT_EQ(stateOf(jotted(job, {"pulse 24V"}), "motor.track-volts"), State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"pulse none"}), "motor.track-volts"), State::Fine);
    EXPECT_EQ(stateOf(jotted(job, {"pulse 24V", "bank can-1000u-25"}), "reserve.volts"),
              State::Over);
}
TEST(Banks, OnAThrottleMeetMoreThanItsNominalVolts) {
    const auto of = [](const char* supply) {
        return stateOf(jotted(bare(), {supply, "decoder middle", "bank can-4700u-16"}),
                       "reserve.volts");
    };
    EXPECT_EQ(of("supply dc 12V"), State::Over);  // 18 V open, less the rectifier: 16.8 V
    EXPECT_EQ(stateOf(jotted(bare(), {"supply dc 12V", "decoder middle", "bank can-1000u-25"}),
                      "reserve.volts"),
              State::Fine);
}
TEST(Mains, AreASettingOfWorkshopAndJob) {
    const Job job = jotted(newJob("House", "house"), {"supply ac 16V 60Hz"});
    EXPECT_EQ(job.own.mains, Mains::Sixty);
    EXPECT_EQ(houseOf(job, House()).mains, Mains::Sixty);
    EXPECT_NEAR(halfOf(Mains::Sixty).value(), 1.0 / 120, 1e-12);
    const Job lit = jotted(job, {"lamp white on supply called one", "resistor one 2k2"});
    EXPECT_NE(sentence(lit, "lamp.flicker").find("60 times"), std::string::npos);
    EXPECT_NE(sentence(jotted(lit, {"mains 50Hz"}), "lamp.flicker").find("50 times"),
              std::string::npos);
    EXPECT_NE(meaning(job, "supply dc 12V 60Hz").find("✗"), std::string::npos);
}
TEST(Dirt, IsMetByStockOnAcToo) {
    const std::initializer_list<const char*> lines{"supply ac 16V", "lamp table white",
                                                   "resistor table 2k2", "bridge rectifier"};
    const Job coach = jotted(newJob("Coach", "saloon"), lines);
    EXPECT_EQ(stateOf(coach, "lamp.flicker"), State::Close);
    EXPECT_NE(sentence(coach, "lamp.flicker").find("dirty rails"), std::string::npos);
    const Job carried = jotted(coach, {"capacitor 1000uF 35V"});
    ASSERT_TRUE(carried.supply.smoothing.has_value());
    EXPECT_EQ(stateOf(carried, "lamp.flicker"), State::Fine);
    EXPECT_NE(sentence(carried, "lamp.flicker").find("over dirt"), std::string::npos);
}
TEST(LampsBesideADecoder, OnABridgeOfTheirOwnHangOnTheRails) {
    const Job job =
        jotted(bare(), {"decoder middle", "lamp cab white on supply", "resistor cab 2k2"});
    EXPECT_FALSE(has(checkedAll(job), "lamp.beside-decoder"));
    const Job bridged = jotted(job, {"bridge silicon"});
    const auto all = checkedAll(bridged);
    EXPECT_EQ(finding(all, "lamp.beside-decoder").state, State::Close);
    ASSERT_FALSE(finding(all, "lamp.beside-decoder").options.empty());
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
        Job byOutput = jotted(bare(), {"decoder middle"});
        byOutput.decoder->part.outputs[0].kind = OutputKind::ConstantCurrent;
        byOutput.decoder->part.outputs[0].limit = Amperes{0.01};
        Job byDriver = jotted(bare(), {"decoder middle"});
        for (Job* job : {&byOutput, &byDriver}) {
            *job = jotted(*job, {"lamp front white"});
            for (const char* line : more) *job = jotted(*job, {line});
        }
        byDriver = jotted(byDriver, {"driver front 10mA dropout 2V"});
        EXPECT_EQ(stateOf(byOutput, "lamp.driver:front lamp"),
                  stateOf(byDriver, "lamp.driver:front lamp"))
            << more.size();
        EXPECT_NEAR(tests::factsOf(byOutput).groups[0]->total.value(),
                    tests::factsOf(byDriver).groups[0]->total.value(), 1e-12);
    }
    // A bulb of 50 mA gets 10 mA and stays dark.
    Job bulb = jotted(bare(), {"decoder middle"});
    bulb.decoder->part.outputs[0].kind = OutputKind::ConstantCurrent;
    bulb.decoder->part.outputs[0].limit = Amperes{0.01};
    bulb = jotted(bulb, {"bulb front 16V 50mA"});
    EXPECT_EQ(stateOf(bulb, "lamp.bulb:front lamp"), State::Over);
}

// --- lines that were taken wrongly -----------------------------------------------------------

TEST(Lines, NoLeftoverWordEverNamesAnything) {
    const Job job = bare();
    for (const char* line : {"headlight not working", "headlights flicker badly",
                             "pads garbage word 3V", "pads nonsense", "plan broken thing lamp"}) {
        EXPECT_TRUE(meaning(job, line).starts_with("✗")) << line << ": " << meaning(job, line);
    }
    EXPECT_FALSE(meaning(job, "pads called left pair 3V").starts_with("✗"));
    EXPECT_FALSE(meaning(job, "plan two ditch lamps").starts_with("✗"));
}
TEST(Lines, CapitalsAndBareNumbersMeanWhatABenchMeans) {
    const Job job = bare();
    EXPECT_EQ(meaning(job, "SLIP 385MA"), "Wheels slipping: 385 mA");
    EXPECT_EQ(meaning(job, "SLIPPING 385 MILLIAMPS"), "Wheels slipping: 385 mA");
    EXPECT_EQ(meaning(job, "time 90 wiring"), "1 h 30 min on wiring");
    EXPECT_EQ(meaning(job, "time 25m wiring"), "25 min on wiring");
    const Job lit = jotted(job, {"lamp front white"});
    EXPECT_NE(meaning(lit, "resistor front 102").find("1 kΩ"), std::string::npos);
    EXPECT_EQ(meaning(lit, "resistor front 102R"), "front lamp: resistor 102 Ω");
    EXPECT_EQ(meaning(lit, "resistor front 470"), "front lamp: resistor 470 Ω");
}
TEST(Lines, SaidAgainLoseNothingInSilence) {
    Job job = jotted(bare(), {"settings 1=3 29=6"});
    EXPECT_EQ(meaning(job, "settings 1=4 2=8"),
              "The decoder's settings, 3 values in all; changed: 1 was 3");
    EXPECT_EQ(jotted(job, {"settings 2=8"}).intake.settings->values.size(), 3U);
    job = jotted(bare(), {"proved"});
    EXPECT_EQ(jotted(job, {"fails shorts with the decoder in"}).proof.runs, true);
    EXPECT_EQ(jotted(job, {"fails stops every turn"}).proof.runs, false);
    EXPECT_NE(meaning(job, "fails stops every turn").find("proved to run"), std::string::npos);
    EXPECT_TRUE(jotted(bare(), {"complaint none"}).intake.complaints.empty());
    EXPECT_TRUE(meaning(jotted(bare(), {"complaint stalls"}), "complaint none").starts_with("✗"));
    // A flicker chip stays one, whatever its current reads like.
    Job fire = jotted(bare(), {"lamp rear blink-red-3mm", "wired rear 12V 10mA"});
    EXPECT_TRUE(fire.groups[0].rows[0].lamps[0].part.blink.has_value());
    EXPECT_EQ(fire.groups[0].rows[0].lamps[0].part.family, LedFamily::Red);
}

}  // namespace
}  // namespace glimmet::core
