// Lamps in the model: their joints and leads, and what is read and seen of them.
#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamps/lamp_list.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using namespace tests;

TEST(LampInstalled, WhatIsReadAndSeenIsHeldAgainstWhatWasWorkedOut) {
    const Job job = jotted(shunter(), {"track 14.8V", "lamp front white 3.1V 20mA",
                                       "output front bare", "resistor front 2k2"});
    const double amps = groupState(job, job.groups[0], {})->rows[0].current.value();
    EXPECT_NEAR(amps, 0.0047, 4e-4);
    const auto said = [&](const char* line, const char* id) {
        const Finding one = finding(checkedAll(jotted(job, {line})), id);
        return std::string(name(one.state)) + ": " + plain(one.sentence);
    };
    EXPECT_FALSE(has(checkedAll(job), "lamp.read:front lamp"));
    EXPECT_FALSE(has(checkedAll(job), "lamp.seen:front lamp"));
    EXPECT_FALSE(has(checkedAll(job), "lamp.joints"));
    EXPECT_EQ(said("seen front 4.8mA", "lamp.read:front lamp"),
              "fine: Front lamp carries 4.8 mA, as worked out.");
    EXPECT_NE(said("seen front 2.4mA", "lamp.read:front lamp")
                  .find("close: Front lamp carries 2.4 "
                        "mA where at least"),
              std::string::npos);
    EXPECT_NE(said("seen front 9mA", "lamp.read:front lamp")
                  .find("close: Front lamp carries 9 mA "
                        "where no more than"),
              std::string::npos);
    EXPECT_EQ(said("seen front 60mA", "lamp.read:front lamp").substr(0, 5), "over:");
    // Where nobody has looked at the board less than a bare output gives is a resistor on it.
    Job unknown = job;
    for (DecoderOutput& output : unknown.decoder->part.outputs) output.series.reset();
    const auto asked = checkedAll(jotted(unknown, {"seen front 2.4mA"}));
    EXPECT_EQ(finding(asked, "lamp.read:front lamp").state, State::Ask);
    EXPECT_NE(plain(finding(asked, "lamp.read:front lamp").sentence)
                  .find("output front carries a resistor on its board"),
              std::string::npos);
    // On an output that sets the current itself nothing of that was worked out.
    EXPECT_FALSE(has(checkedAll(jotted(job, {"output front constant-current", "seen front 2.4mA"})),
                     "lamp.read:front lamp"));
    EXPECT_EQ(said("seen front lit-room", "lamp.seen:front lamp").substr(0, 5), "fine:");
    EXPECT_EQ(said("seen front in the dark room only", "lamp.seen:front lamp").substr(0, 6),
              "close:");
    EXPECT_EQ(said("seen front never", "lamp.seen:front lamp").substr(0, 5), "over:");
    // Faint by wish: a dark room is right for it.
    const Job faint = jotted(job, {"resistor front 1M", "seen front dark-room"});
    for (const Job& each : {faint, jotted(faint, {"seen front never"})}) {
        const auto all = checkedAll(each);
        EXPECT_EQ(finding(all, "lamp.seen:front lamp").state, State::Fine);
    }
    // Without a resistor on record nothing was worked out.
    EXPECT_FALSE(has(checkedAll(jotted(shunter(), {"lamp front white", "seen front 5mA"})),
                     "lamp.read:front lamp"));
}
TEST(LampInstalled, TheLampThatIsLeastFarSpeaksForTheJoints) {
    Job job = jotted(shunter(), {"lamp front white", "lamp rear red", "parallel front white"});
    const auto state = [&](const char* line) {
        job = jotted(job, {line});
        return stateOf(job, "lamp.joints");
    };
    EXPECT_EQ(state("joint front/1 proved"), State::Fine);
    EXPECT_EQ(state("joint rear sleeved"), State::Ask);
    EXPECT_EQ(state("joint front/2 soldered"), State::Close);
    EXPECT_NE(sentenceOf(job, "lamp.joints").find("front lamp/2 are bare"), std::string::npos);
    EXPECT_EQ(state("joint rear tacked"), State::Close);
    EXPECT_NE(sentenceOf(job, "lamp.joints").find("Rear lamp is only tacked"), std::string::npos);
    // Each answer leads on to the next, to the end.
    for (int step = 0; step < 4; ++step) {
        const auto all = checkedAll(job);
        const Finding& one = finding(all, "lamp.joints");
        if (one.options.empty()) break;
        job = jotted(job, {one.options.front().jot.c_str()});
    }
    EXPECT_EQ(sentenceOf(job, "lamp.joints"), "Joints of 3 of 3 lamps are proved.");
    EXPECT_EQ(job.groups[1].rows[0].installed.joints, Joints::Proved);
    EXPECT_FALSE(
        has(checkedAll(jotted(job, {"joint front none", "joint rear none"})), "lamp.joints"));
}
TEST(LampInstalled, LeadsAreKeptAndAnotherLampHasNoneOfIt) {
    Job job = jotted(shunter(), {"lamp front white", "leads front plus blue minus white",
                                 "leads front minus grey to pad 3", "joint front proved"});
    const Installed& in = job.groups[0].rows[0].installed;
    EXPECT_EQ(in.plus, (Lead{"blue", ""}));
    EXPECT_EQ(in.minus, (Lead{"grey", "pad 3"}));
    EXPECT_NE(lamps::lampList(tests::factsOf(job)).find(",proved,"), std::string::npos);
    EXPECT_NE(lamps::lampList(tests::factsOf(job)).find(",blue,grey to pad 3"), std::string::npos);
    for (const char* line : {"leads front", "leads front plus blue minus white to pad 3"}) {
        EXPECT_FALSE(applyLine(line, job, smallCatalogue(), "").has_value()) << line;
    }
    EXPECT_EQ(jotted(job, {"lamp front red"}).groups[0].rows[0].installed, Installed{});
    job = jotted(job, {"parallel front white"});
    EXPECT_EQ(job.groups[0].rows[1].installed, Installed{});
}

}  // namespace
}  // namespace glimmet::core
