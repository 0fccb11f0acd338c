// Batteries: run time, fuse, cut-off; and ways out where outputs are too few.
#include "core/power/battery.h"

#include "core/analysis/supply.h"
#include "core/work/decoder/rating_words.h"
#include "core/work/stage_status.h"
#include "core/work/trials.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using tests::found;
using tests::jotted;
using tests::shunter;
using tests::stateOf;

TEST(Battery, VoltsOfAPackAreThoseOfItsCells) {
    const PackVolts three = voltsOf({Chemistry::LiIon, 3, AmpereHours{2}});
    EXPECT_NEAR(three.full.value(), 12.6, 1e-12);
    EXPECT_NEAR(three.nominal.value(), 11.1, 1e-12);
    EXPECT_NEAR(three.cutOff.value(), 9, 1e-12);
    const PackVolts eight = voltsOf({Chemistry::NiMH, 8, AmpereHours{2}});
    EXPECT_NEAR(eight.nominal.value(), 9.6, 1e-12);
    EXPECT_NEAR(eight.cutOff.value(), 8, 1e-12);
    const PackVolts block = voltsOf(nineVoltBlock());
    EXPECT_NEAR(block.full.value(), 9, 1e-12);
    EXPECT_NEAR(block.inside.value(), 2, 1e-9);
}

TEST(Battery, RunTimeIsFourFifthsOfWhatIsPrinted) {
    // 0.8 · 2.6 Ah / 1.04 A = 2 h
    EXPECT_NEAR(runTime({Chemistry::LiIon, 3, AmpereHours{2.6}}, Amperes{1.04}).value(), 7200,
                1e-6);
}

TEST(Battery, TheFuseCarriesHalfAsMuchAgain) {
    EXPECT_EQ(fuseFor(Amperes{1}), Amperes{1.6});
    EXPECT_EQ(fuseFor(Amperes{0.42}), Amperes{0.63});  // exactly 0.63
    EXPECT_EQ(fuseFor(Amperes{0.421}), Amperes{0.8});
    EXPECT_EQ(fuseFor(Amperes{0}), Amperes{0.2});
    // Every value of the row is taken where it just carries half as much again.
    for (const double value :
         {0.2, 0.315, 0.5, 0.63, 0.8, 1.0, 1.25, 1.6, 2.0, 2.5, 3.15, 4.0, 5.0, 6.3, 8.0, 10.0}) {
        EXPECT_EQ(fuseFor(Amperes{value / 1.5}), Amperes{value});
    }
    EXPECT_EQ(fuseFor(Amperes{6.6}), Amperes{10});
    EXPECT_FALSE(fuseFor(Amperes{6.7}));
}

/// A large engine on a battery, its motor read with a train.
Job large(std::initializer_list<const char*> more = {}) {
    Job job = tests::newJob("Stock", "rotary-plough", {"G", 22.5});
    job = jotted(job, {"supply battery", "haul 0.98A 11V"});
    return jotted(job, more);
}

std::vector<Finding> said(const Job& job) { return findings(tests::factsOf(job)); }

TEST(BatteryFindings, AskForThePackWithWhatEachWouldGive) {
    const auto all = said(large());
    const Finding* pack = found(all, "battery.pack");
    ASSERT_NE(pack, nullptr);
    EXPECT_EQ(pack->state, State::Ask);
    ASSERT_EQ(pack->options.size(), 2U);
    EXPECT_EQ(pack->options[0].jot, "battery 3 li-ion 2.6 Ah");
    EXPECT_EQ(plain(pack->options[0].effect), "runs about 2.1 h");  // 2.08 Ah / 1 A
    EXPECT_EQ(found(all, "battery.run-time"), nullptr);
    const Job with = jotted(large(), {pack->options[0].jot.c_str()});
    EXPECT_EQ(with.supply.pack, (BatteryPack{Chemistry::LiIon, 3, AmpereHours{2.6}}));
    EXPECT_EQ(found(said(with), "battery.pack"), nullptr);
    // On the track there is none to ask for.
    EXPECT_EQ(found(said(shunter()), "battery.pack"), nullptr);
    EXPECT_EQ(found(said(shunter()), "battery.pickups"), nullptr);
}

TEST(BatteryFindings, SayRunTimeFuseAndCutOff) {
    const Job job = large({"battery 3 li-ion 2.6Ah"});
    const auto all = said(job);
    const Finding* one = found(all, "battery.run-time");
    ASSERT_NE(one, nullptr);
    EXPECT_EQ(one->state, State::Fine);
    EXPECT_EQ(plain(one->sentence),
              "Runs about 2.1 h on its battery. Fuse it with 1.6 A, cut it off at 9 V.");
    EXPECT_NE(plain(one->caution).find("protection circuit"), std::string::npos);
    EXPECT_EQ(withValues(one->figures[0]), "80 % · 2.6 Ah / 1 A");
    EXPECT_TRUE(one->options.empty());
    EXPECT_TRUE(restsOnAssumption(one->figures[0]));
    EXPECT_EQ(one->figures[0].inputs[1].basis.kind, Basis::Kind::Assumed);

    const Job small = large({"battery 3 li-ion 1Ah"});
    const auto less = said(small);
    one = found(less, "battery.run-time");
    EXPECT_EQ(one->state, State::Close);
    ASSERT_FALSE(one->options.empty());
    EXPECT_EQ(stateOf(jotted(small, {one->options[1].jot.c_str()}), "battery.run-time"),
              State::Fine);

    // 1 A through 2 Ω takes 7.5 V to 5.5 V; the cells are hurt below 5.4 V: it just works.
    EXPECT_EQ(stateOf(large({"battery 9V block"}), "battery.run-time"), State::Close);
    EXPECT_EQ(stateOf(large({"haul 1.1A 11V", "battery 9V block"}), "battery.run-time"),
              State::Over);
    EXPECT_TRUE(found(said(large({"battery 9V block"})), "battery.run-time")->caution.empty());
}

TEST(BatteryFindings, CountLampsAndSoundAndSayWhatIsMissing) {
    // Nobody read the motor: its kind in this size, up to 1.5 A, is assumed.
    Job unread = tests::newJob("Stock", "rotary-plough", {"G", 22.5});
    unread = jotted(unread, {"supply battery", "battery 3 li-ion 2.6Ah"});
    EXPECT_EQ(stateOf(unread, "battery.run-time"), State::Close);
    Catalogue catalogue = tests::smallCatalogue();
    for (Decoder& decoder : catalogue.decoders) decoder.sound = true;
    const Job job = large({"battery 3 li-ion 2.6Ah"});
    Job sounding = job;
    sounding.decoder = FittedDecoder{catalogue.decoders[2], {}};
    const auto all = said(sounding);
    EXPECT_NEAR(*found(all, "battery.run-time")->figures[0].inputs[2].value, 1.1, 1e-9);
}

TEST(BatteryFindings, PickupsMustBeOpen) {
    Job job = large();
    job.units[0].body.axles.at(0).collectsLeft = true;
    const auto all = said(job);
    const Finding* one = found(all, "battery.pickups");
    ASSERT_NE(one, nullptr);
    EXPECT_EQ(one->state, State::Close);
    EXPECT_EQ(stateOf(jotted(job, {one->options.at(0).jot.c_str()}), "battery.pickups"),
              State::Fine);
    job = jotted(job, {"pickup all none"});
    EXPECT_FALSE(job.units[0].body.axles.at(0).collectsLeft);
    job.units[0].collectors.push_back({});
    EXPECT_EQ(stateOf(job, "battery.pickups"), State::Close);
    EXPECT_TRUE(jotted(job, {"pickup all collects"}).units[0].body.axles.back().collectsRight);
}

TEST(BatteryFindings, ReadingAndCellsGoTogether) {
    const Job agree = large({"battery 3 li-ion 2.6Ah", "track 11.8V"});
    EXPECT_EQ(stateOf(agree, "battery.volts"), State::Fine);
    for (const char* volts : {"track 8V", "track 14.4V"}) {
        const Job job = large({"battery 3 li-ion 2.6Ah", volts});
        const auto all = said(job);
        const Finding* one = found(all, "battery.volts");
        ASSERT_NE(one, nullptr);
        EXPECT_EQ(one->state, State::Ask) << volts;
        EXPECT_FALSE(found(said(jotted(job, {one->options.at(0).jot.c_str()})), "battery.volts"));
    }
    EXPECT_EQ(found(said(large({"track 14.4V"})), "battery.volts"), nullptr);
}

TEST(BatteryVolts, ThePackJustChargedIsWhatRatingsMeet) {
    EXPECT_NEAR(*trackFigure(large({"battery 3 li-ion 2.6Ah"})).value, 12.6, 1e-12);
    EXPECT_NEAR(*trackFigure(large()).value, 9, 1e-12);
    EXPECT_NEAR(*trackFigure(large({"battery 3 li-ion 2.6Ah", "track 11.8V"})).value, 11.8, 1e-12);
}

TEST(BatteryOfLamps, ALargerBatteryLastsLonger) {
    Job house = tests::newJob("Quay house", "quay-house", {});
    house = jotted(house,
                   {"supply battery", "lamp white on supply called table", "resistor table 220"});
    EXPECT_NE(plain(found(said(house), "lamp.battery")->sentence).find("9 V block"),
              std::string::npos);
    house = jotted(house, {"battery 2 nimh 2Ah"});
    const auto all = said(house);
    const Finding* one = found(all, "lamp.battery");
    if (one) {
        EXPECT_EQ(plain(one->sentence).find("9 V block"), std::string::npos);
    }
}

TEST(TooFewOutputs, WaysOutAreOfferedWithWhatIsLost) {
    Job job = jotted(shunter(), {"decoder middle", "lamp cab white on 1", "resistor cab 3k3"});
    EXPECT_EQ(stateOf(job, "decoder.outputs"), State::Fine);
    Decoder& decoder = job.decoder->part;
    std::erase_if(decoder.outputs, [](const DecoderOutput& o) { return o.name == "1"; });
    const JobAnalysis facts = tests::factsOf(job);
    auto all = findings(facts);
    for (Finding& each : all) tryOptions(each, facts);
    const Finding* one = found(all, "decoder.outputs");
    ASSERT_NE(one, nullptr);
    EXPECT_EQ(one->state, State::Over);
    EXPECT_NE(plain(one->sentence).find("cab"), std::string::npos);
    ASSERT_GE(one->options.size(), 3U);
    std::string jots;
    for (const Option& option : one->options) {
        jots += option.jot + "\n";
        // Whatever is taken, the lamp has a place afterwards.
        EXPECT_EQ(stateOf(jotted(job, {option.jot.c_str()}), "decoder.outputs"), State::Fine)
            << option.jot;
    }
    EXPECT_NE(jots.find("lamp cab lamp on supply"), std::string::npos) << jots;
    EXPECT_NE(jots.find("decoder "), std::string::npos) << jots;
    EXPECT_EQ(one->options.front().effect.pattern.find("but then"), std::string::npos);
}

TEST(TooFewOutputs, AFreeOutputThatFollowsTheDirectionComesLast) {
    Job job = jotted(shunter(), {"decoder large"});
    while (!job.groups.empty()) job.groups.pop_back();
    job = jotted(job, {"lamp cab white on 1"});
    job.groups[0].output = "7";
    const auto offered = [&] {
        const auto all = said(job);
        return found(all, "decoder.outputs")->options.front();
    };
    EXPECT_EQ(offered().jot, "lamp cab lamp on 1");
    EXPECT_EQ(plain(offered().effect), "that one is free");
    job = jotted(job, {"lamp front white on front", "lamp rear red on 1"});
    EXPECT_EQ(offered().jot, "lamp cab lamp on rear");
    EXPECT_NE(plain(offered().effect).find("follows the direction"), std::string::npos);
}

TEST(Join, HangsOneLampBesideAnother) {
    Job job = jotted(shunter(), {"decoder middle"});
    job.groups.clear();
    job = jotted(job, {"lamp front white on front for 3mA", "resistor front 3k3",
                       "lamp rear red on rear", "resistor rear 2k2"});
    const Job joined = jotted(job, {"join rear lamp front lamp"});
    EXPECT_EQ(jotted(job, {"join front lamp rear lamp"}).groups, joined.groups);
    // Where the decoder lacks the first one's output, the other's is kept.
    Job lacking = job;
    lacking.groups[0].output = "9";
    EXPECT_EQ(jotted(lacking, {"join rear lamp front lamp"}).groups.at(0).output, "rear");
    ASSERT_EQ(joined.groups.size(), 1U);
    EXPECT_EQ(joined.groups[0].name, "front lamp");
    ASSERT_EQ(joined.groups[0].rows.size(), 2U);
    EXPECT_EQ(joined.groups[0].rows[1].resistor, Ohms{2200});
    EXPECT_EQ(joined.groups[0].wish.target, Amperes{0.003});
    const auto refused = [&](const char* line) {
        return !applyLine(line, job, tests::smallCatalogue(), "").has_value();
    };
    EXPECT_TRUE(refused("join front lamp front lamp"));
    EXPECT_TRUE(refused("join front lamp"));
    EXPECT_TRUE(refused("join front lamp cellar lamp"));
    job = jotted(job, {"shared front 330"});
    EXPECT_TRUE(refused("join rear lamp front lamp"));
    EXPECT_TRUE(refused("join front lamp rear lamp"));
}

TEST(Rules, StandSideBySide) {
    const Job job = shunter();
    const JobAnalysis facts = tests::factsOf(job);
    const auto says =
        decoder::byEachRule(facts, driveEvidence(job), tests::smallCatalogue().decoders[1]);
    ASSERT_EQ(says.size(), 3U);
    EXPECT_EQ(says[0].rule, RatingRule::Strict);
    EXPECT_EQ(says[0].state, State::Over);  // 1.36 A stalled of 1 A
    EXPECT_EQ(says[1].state, State::Fine);
    EXPECT_TRUE(says[1].held);
    EXPECT_FALSE(says[0].held || says[2].held);
    EXPECT_NE(plain(says[0].says).find("1 A continuous"), std::string::npos) << plain(says[0].says);
    EXPECT_NE(plain(says[2].says).find("running"), std::string::npos) << plain(says[2].says);
    const Job unread = tests::newJob("Stock", "rotary-plough", {"G", 22.5});
    const auto asked = decoder::byEachRule(tests::factsOf(unread), driveEvidence(unread),
                                           tests::smallCatalogue().decoders[1]);
    // Motors of that size stall at 2 A and more: none of them is carried by 1 A.
    EXPECT_EQ(asked[0].state, State::Over);
    EXPECT_EQ(plain(asked[0].says), "motors of its kind stall at 2 A at least of 1 A continuous");
    const Job small = tests::newJob("Rail", "railbus", {"H0", 87});
    const auto between = decoder::byEachRule(tests::factsOf(small), driveEvidence(small),
                                             tests::smallCatalogue().decoders[0]);
    EXPECT_EQ(between[0].state, State::Ask);
    EXPECT_EQ(plain(between[0].says), "a reading is missing");
}

}  // namespace
}  // namespace glimmet::core
