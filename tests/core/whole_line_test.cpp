// Whole jobs by the lines of the bench, from the first look to the sheet that goes home: eight
// models, judged at each stage as a fitter would.
#include "core/analysis/meter/matrix.h"
#include "core/analysis/meter/words.h"
#include "core/analysis/power_steps.h"
#include "core/analysis/steps.h"
#include "core/analysis/unanswered.h"
#include "core/work/hand_over/sheets.h"
#include "core/work/meter/lines.h"
#include "core/work/sheets.h"
#include "core/work/stage_status.h"
#include "support/findings.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <set>

namespace glimmet::core::hand_over {
namespace {

using tests::factsOf;
using tests::jotted;

/// Enters a line, or fails the test.
void say(Job& job, const std::string& line) {
    auto taken = applyLine(line, job, tests::smallCatalogue(), "2026-03-02T10:00");
    ASSERT_TRUE(taken.has_value()) << line << ": " << plain(taken.error().what);
    job = std::move(taken->after);
}
void say(Job& job, std::initializer_list<const char*> lines) {
    for (const char* line : lines) say(job, std::string(line));
}
StageStatus::Kind standing(const Job& job, std::string_view stage) {
    for (const StageStatus& each : stageStatus(job, findings(factsOf(job)))) {
        if (each.stage == stage) return each.kind;
    }
    ADD_FAILURE() << "no stage " << stage;
    return {};
}
std::set<std::string> stagesOf(const Job& job) {
    std::set<std::string> all;
    for (const StageStatus& each : stageStatus(job, {})) all.emplace(each.stage);
    return all;
}
/// Reads every pair as it must be, one after the other; how many there were.
std::size_t proveAll(Job& job) {
    for (std::size_t count = 0;; ++count) {
        const meter::Matrix matrix = meter::matrixOf(job, {});
        const meter::Row* next = meter::nextRow(matrix);
        if (!next || count > 200) return count;
        const std::string good = meter::goodLine(*next);
        say(job,
            good.empty() ? meter::lineOf(*next) + std::to_string(next->low->value() * 1.1) : good);
    }
}
void wireAll(Job& job) {
    for (const Step& step : stepsOf(job, {})) {
        if (!recordOf(job, step.id)) say(job, "step " + step.name + " done 5min");
    }
}
void powerAll(Job& job) {
    for (const PowerStep& step : powerSteps(job, {})) {
        if (!seenOf(job, step.id)) say(job, "power " + step.name + " ok");
    }
}
std::string text(const Sheet& sheet) {
    std::string all = plain(sheet.title) + "\n";
    for (const SheetSection& section : sheet.sections) {
        all += "# " + plain(section.heading) + "\n";
        for (const Text& line : section.lines) all += plain(line) + "\n";
        for (const auto& row : section.table.rows) {
            for (const Text& cell : row) all += plain(cell) + " | ";
            all += "\n";
        }
    }
    return all;
}
bool has(const std::string& all, std::string_view words) {
    return all.find(words) != std::string::npos;
}
State worst(const Job& job) { return worstState(findings(factsOf(job))); }

TEST(WholeLine, AHardWiredOldShunter) {
    Job job = tests::newJob("Puffin", "dock-shunter", {"H0", 87});
    say(job, {"arrives old", "frame-return", "complaint stops on points", "ohms 14",
              "light 180mA 12V", "slip 420mA 12V", "decoder middle", "lamp front white",
              "lamp rear red", "resistor front 2k2", "resistor rear 2k2"});
    EXPECT_EQ(standing(job, "wire"), StageStatus::Kind::Ahead);
    // The first probe finds the brush on the frame: no power.
    say(job, "brush to frame 12 ohms");
    EXPECT_EQ(standing(job, "meter"), StageStatus::Kind::Blocked);
    EXPECT_EQ(meter::matrixOf(job, {}).allows, meter::Allows::Nothing);
    say(job, {"step isolate done 25min", "brush to frame open"});
    EXPECT_NE(standing(job, "meter"), StageStatus::Kind::Blocked);
    wireAll(job);
    EXPECT_EQ(standing(job, "wire"), StageStatus::Kind::Done);
    // Soldering at the motor asks for its brushes again.
    EXPECT_TRUE(meter::rowNamed(meter::matrixOf(job, {}), "brush-frame:M2")->stale);
    EXPECT_GT(proveAll(job), 20U);
    EXPECT_EQ(standing(job, "meter"), StageStatus::Kind::Done);
    say(job, {"power programming answers 22mA", "power forward turns backwards"});
    EXPECT_EQ(standing(job, "first-power"), StageStatus::Kind::Blocked);
    say(job, "swap motor leads");
    powerAll(job);
    EXPECT_EQ(standing(job, "first-power"), StageStatus::Kind::Done);
    say(job, {"address 17", "key F0 front rear", "keyed all"});
    EXPECT_EQ(standing(job, "settings"), StageStatus::Kind::Done);
    say(job, {"run-in forward 0min 210mA", "run-in forward 30min 185mA",
              "run-in reverse 0min 200mA", "run-in reverse 30min 184mA"});
    EXPECT_EQ(standing(job, "run-in"), StageStatus::Kind::Done);
    // The complaint is all that is left: now it is asked for.
    EXPECT_EQ(tests::stateOf(job, "hand-over.unanswered:complaint:C3"), State::Ask);
    EXPECT_TRUE(has(text(hand_over::ownerSheet(factsOf(job))), "# Not answered yet"));
    say(job, {"answer stops wheels cleaned", "opens two screws from below", "handed over"});
    EXPECT_EQ(standing(job, "hand-over"), StageStatus::Kind::Done);
    const std::string owner = text(hand_over::ownerSheet(factsOf(job)));
    for (const char* words :
         {"stops on points | wheels cleaned", "Address 17", "F0 | front lamp, forward",
          "F0 | rear lamp, in reverse", "two screws from below", "The motor leads were exchanged",
          "Decoder: decoder middle"})
        EXPECT_TRUE(has(owner, words)) << words << "\n" << owner;
    EXPECT_FALSE(has(owner, "# Not answered yet"));
    const std::string next = text(hand_over::nextSheet(factsOf(job)));
    for (const char* words : {"orange | motor plus | decoder, orange", "front lamp | ", "2.2 kΩ",
                              "CV 1 | 17", "as it must be", "anodes to the common"})
        EXPECT_TRUE(has(next, words)) << words << "\n" << next;
}
TEST(WholeLine, ASocketedNewDiesel) {
    Job job = tests::newJob("Gull", "hood-diesel", {"H0", 87});
    job.wanted.socket = "hard-wired";  // as the plug of the decoder that is tried here
    say(job, {"arrives new", "insulated", "motor can", "light 120mA 12V", "slip 350mA 12V",
              "decoder middle"});
    EXPECT_EQ(stepsOf(job, {}).size(), 4U);
    EXPECT_EQ(proveAll(job), 5U);
    EXPECT_EQ(meter::matrixOf(job, {}).allows, meter::Allows::Track);
    wireAll(job);
    powerAll(job);
    say(job, {"address 4711", "keyed all", "run-in forward 30min", "run-in reverse 30min"});
    EXPECT_TRUE(stillOpen(factsOf(job)).empty());
    say(job, "handed over");
    EXPECT_LE(worst(job), State::Close);
    EXPECT_TRUE(has(text(hand_over::nextSheet(factsOf(job))),
                    "The decoder sits in the model's "
                    "socket."));
}
TEST(WholeLine, ATwoUnitRailcar) {
    Job job = tests::newJob("Curlew", "railcar", {"H0", 87});
    say(job, {"unit saloon called trailer", "contacts 4", "motor insulated in 1", "ohms 12",
              "slip 500mA 12V", "decoder large", "lamp front white in 1",
              "lamp roof white called saloon on 1 in trailer", "resistor front 1k5",
              "resistor saloon 1k5", "bank electrolytic-2200u-25"});
    std::set<std::string> ids;
    for (const Step& step : stepsOf(job, {})) ids.insert(step.id);
    EXPECT_EQ(ids.count("coupling:" + job.units[0].id), 1U);
    EXPECT_EQ(ids.count("join:K1"), 1U);
    // The trailer's lamp is reached over the plug; its rails are its own.
    const meter::Matrix matrix = meter::matrixOf(job, {});
    EXPECT_NE(meter::rowNamed(matrix, "lamp:" + job.groups[1].id), nullptr);
    EXPECT_EQ(meter::rowNamed(matrix, "stay-alive")->expect, meter::Expect::Rising);
    wireAll(job);
    proveAll(job);
    EXPECT_EQ(meter::matrixOf(job, {}).proof, meter::Proof::Full);
    powerAll(job);
    EXPECT_EQ(standing(job, "first-power"), StageStatus::Kind::Done);
    EXPECT_TRUE(has(text(hand_over::ownerSheet(factsOf(job))), "It has a stay-alive: it runs on"));
}
TEST(WholeLine, AnEngineWithItsTender) {
    Job job = tests::newJob("Godwit", "tender-engine", {"H0", 87});
    say(job, {"unit tender called tender", "contacts 6", "motor split-frame in 1", "ohms 11",
              "slip 600mA 12V", "decoder middle", "fit decoder in tender", "lamp front white in 1",
              "resistor front 1k5"});
    const meter::Matrix matrix = meter::matrixOf(job, {});
    const std::string motor = motorsOf(job).front().motor->id;
    EXPECT_NE(meter::rowNamed(matrix, "brush-frame:" + motor + "/left"), nullptr);
    // Leads of the motor run to the tender: through the plug.
    EXPECT_EQ(meter::rowNamed(matrix, "motor-plus:" + motor)->expect, meter::Expect::Joined);
    say(job, {"brush to frame left open", "brush to frame right open"});
    wireAll(job);
    proveAll(job);
    EXPECT_EQ(meter::matrixOf(job, {}).allows, meter::Allows::Track);
}
TEST(WholeLine, ABatteryModel) {
    Job job = tests::newJob("Wren", "railbus", {"0", 45});
    say(job, {"supply battery", "battery 7.4V", "insulated", "ohms 9", "slip 350mA 7.4V",
              "decoder middle", "lamp front white", "resistor front 220"});
    std::vector<std::string> ids;
    for (const Step& step : stepsOf(job, {})) ids.push_back(step.id);
    for (const char* id : {"fuse", "cut-off", "charge"})
        EXPECT_EQ(std::count(ids.begin(), ids.end(), id), 1) << id;
    EXPECT_EQ(std::count(ids.begin(), ids.end(), "rails"), 0);
    say(job, "axle 1 left to battery plus 0.4 ohms");
    EXPECT_EQ(standing(job, "meter"), StageStatus::Kind::Blocked);
    say(job, "axle 1 left to battery plus open");
    wireAll(job);
    proveAll(job);
    EXPECT_EQ(meter::matrixOf(job, {}).proof, meter::Proof::Full);
    powerAll(job);
    EXPECT_NE(seenOf(job, "battery"), nullptr);
    EXPECT_EQ(seenOf(job, "layout"), nullptr);
    EXPECT_TRUE(has(text(hand_over::ownerSheet(factsOf(job))), "Charge the battery outside"));
}
TEST(WholeLine, ADiningCoach) {
    Job job = tests::newJob("Knot", "saloon", {"H0", 87});
    EXPECT_EQ(stagesOf(job), (std::set<std::string>{"intake", "measure", "decoder", "lamps", "fit",
                                                    "wire", "meter", "first-power", "hand-over"}));
    say(job, {"supply dcc 15V", "bridge rectifier", "lamp table white", "resistor table 4k7"});
    wireAll(job);
    proveAll(job);
    powerAll(job);
    EXPECT_EQ(standing(job, "wire"), StageStatus::Kind::Done);
    EXPECT_EQ(standing(job, "first-power"), StageStatus::Kind::Done);
    say(job, "handed over");
    EXPECT_TRUE(stillOpen(factsOf(job)).empty());
    EXPECT_TRUE(has(text(hand_over::ownerSheet(factsOf(job))), "straight on the supply"));
}
TEST(WholeLine, AWagonWithATailLamp) {
    Job job = tests::newJob("Dab", "brake-van", {"H0", 87});
    say(job, {"supply dcc 15V", "bridge rectifier", "lamp tail red", "resistor tail 1k"});
    EXPECT_EQ(stagesOf(job).count("run-in"), 0U);
    EXPECT_EQ(stagesOf(job).count("settings"), 0U);
    wireAll(job);
    powerAll(job);
    say(job, {"waive meter the wagon is too small for probes", "handed over"});
    EXPECT_TRUE(stillOpen(factsOf(job)).empty());
    EXPECT_TRUE(
        has(text(hand_over::ownerSheet(factsOf(job))), "meter: the wagon is too small for probes"));
    // A waived point is not a proof: it had power that the meter does not allow.
    EXPECT_EQ(tests::stateOf(job, "power.unproved"), State::Ask);
}
TEST(WholeLine, ALighthouse) {
    Job job = tests::newJob("Outer Light", "lighthouse", {"H0", 87});
    say(job, {"supply fixed dc 12V", "lamp lantern white", "resistor lantern 680",
              "lamp warm-white-3mm called stairs", "resistor stairs 1k"});
    EXPECT_EQ(stagesOf(job), (std::set<std::string>{"intake", "lamps", "fit", "wire", "meter",
                                                    "first-power", "hand-over"}));
    wireAll(job);
    say(job, {"supply plus to lantern plus 0.2 ohms", "lantern plus to lantern minus one way"});
    EXPECT_GT(proveAll(job), 3U);
    EXPECT_EQ(meter::matrixOf(job, {}).proof, meter::Proof::Full);
    say(job, {"power supply ok", "power lantern ok", "power stairs stays dark"});
    EXPECT_EQ(standing(job, "first-power"), StageStatus::Kind::Blocked);
    say(job, {"swap led stairs", "power stairs ok", "handed over"});
    EXPECT_EQ(worst(job), State::Fine) << plain(nextAction(findings(factsOf(job))));
}
TEST(HandOver, WhatIsUnansweredIsAskedOnceTheWorkIsDone) {
    Job job = tests::newJob("Knot", "saloon", {"H0", 87});
    say(job, {"complaint too dark", "complaint rattles"});
    EXPECT_EQ(tests::stateOf(job, "hand-over.unanswered:complaint:C2"), State::Ask);
    say(job, "waive C2 the owner knows");
    EXPECT_EQ(tests::stateOf(job, "hand-over.unanswered:complaint:C2"), State::Fine);
    EXPECT_EQ(tests::stateOf(job, "hand-over.unanswered:complaint:C3"), State::Ask);
    // With work to do first, the question waits.
    say(job, {"supply dcc 15V", "lamp table white"});
    EXPECT_EQ(tests::stateOf(job, "hand-over.unanswered:complaint:C3"), State::Fine);
    const auto all = findings(factsOf(job));
    EXPECT_TRUE(tests::found(all, "hand-over.next")->open);
    say(job, "handed over");
    EXPECT_EQ(tests::stateOf(job, "hand-over.unanswered:complaint:C3"), State::Ask);
    EXPECT_EQ(tests::stateOf(job, "hand-over.unanswered:steps"), State::Ask);
    say(job, "handed back");
    EXPECT_TRUE(job.handOver.on.empty());
}
TEST(HandOver, RefusesWhatCannotBe) {
    const Job bare = tests::newJob("Bare", "box-van");
    const auto refused = [&](const char* line) {
        const auto taken = applyLine(line, bare, tests::smallCatalogue(), "2026-03-02");
        return taken ? std::string() : plain(taken.error().what);
    };
    EXPECT_EQ(refused("handed over"),
              "Nothing was done to this model yet that could be handed "
              "over.");
    EXPECT_EQ(refused("waive meter too small"), "Nothing is unanswered here.");
    EXPECT_TRUE(has(refused("handed to Bo"), "has no place here"));
    EXPECT_TRUE(has(refused("opens"), "How does the body come off?"));
}
TEST(Sheets, HaveOneForTheOwnerAndOneForTheNext) {
    ASSERT_NE(sheetKind("owner"), nullptr);
    ASSERT_NE(sheetKind("next"), nullptr);
    Job job = tests::shunter();
    say(job, {"only sound", "refuse sound no room for a speaker", "refuse lamps no room",
              "wants slow shunting"});
    const std::string owner = text(sheetKind("owner")->make(factsOf(job)));
    EXPECT_TRUE(
        has(owner, "# What was not done, and why\nSound: no room for a speaker\nlamps: no room"))
        << owner;
    EXPECT_TRUE(has(owner, "slow shunting"));
    EXPECT_TRUE(has(owner, "Address 3, as it came from its maker"));
    EXPECT_TRUE(has(owner, "# Not answered yet"));
}

}  // namespace
}  // namespace glimmet::core::hand_over
