// The meter's matrix: rows by hand for each kind of frame, three-rail, battery, lamps; readings,
// what they prove, what makes them stale; lines and findings of the stage.
#include "core/analysis/meter/matrix.h"
#include "core/analysis/meter/words.h"
#include "core/work/stage_status.h"
#include "support/findings.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <map>
#include <set>

namespace glimmet::core::meter {
namespace {

using tests::factsOf;
using tests::jotted;
using tests::shunter;

std::map<std::string, std::string> expected(const Job& job) {
    std::map<std::string, std::string> all;
    for (const Row& row : matrixOf(job, {}).rows) all[row.id] = name(row.expect);
    return all;
}
Row rowOf(const Job& job, std::string_view id) {
    const Matrix matrix = matrixOf(job, {});
    const Row* row = rowNamed(matrix, id);
    if (!row) throw std::out_of_range(std::string(id));
    return *row;
}
State stateOf(const Job& job, std::string_view id) { return rowOf(job, id).state; }
std::string m(const Job& job) { return job.units[0].motors[0].id; }
std::string u(const Job& job) { return job.units[0].id; }

using Rows = std::map<std::string, std::string>;

TEST(Matrix, OfAnInsulatedFrameIsAsByHand) {
    Job job = jotted(shunter(), {"insulated"});
    for (Axle& axle : job.units[0].body.axles) axle.collectsLeft = axle.collectsRight = false;
    job.units[0].body.axles[0].collectsLeft = true;
    job.units[0].body.axles[1].collectsRight = true;
    EXPECT_EQ(expected(job), (Rows{{"rail-rail", "open"},
                                   {"brush-frame:" + m(job), "open"},
                                   {"brush-frame:" + m(job) + "/minus", "open"},
                                   {"brush-rail:" + m(job) + "/left", "open"},
                                   {"brush-rail:" + m(job) + "/right", "open"},
                                   {"winding:" + m(job), "range"},
                                   {"motor-plus:" + m(job), "joined"},
                                   {"motor-minus:" + m(job), "joined"},
                                   {"frame-rail:" + u(job) + "/left", "open"},
                                   {"frame-rail:" + u(job) + "/right", "open"},
                                   {"wheel:" + u(job) + "/axle1.left", "joined"},
                                   {"wheel:" + u(job) + "/axle2.right", "joined"},
                                   {"common-rail:" + u(job) + "/left", "open"},
                                   {"common-rail:" + u(job) + "/right", "open"}}));
    EXPECT_EQ(rowOf(job, "wheel:" + u(job) + "/axle1.left").second, (TerminalId{"D1", "black"}));
    EXPECT_EQ(rowOf(job, "wheel:" + u(job) + "/axle1.left").high, Ohms{5});
    EXPECT_EQ(rowOf(job, "motor-plus:" + m(job)).high, Ohms{2});
    EXPECT_EQ(rowOf(job, "brush-frame:" + m(job)).low, Ohms{1e5});
    EXPECT_FALSE(rowOf(job, "brush-frame:" + m(job)).high.has_value());
}
TEST(Matrix, OfAFrameThatReturnsIsOneWithARail) {
    const Job job = jotted(shunter(), {"frame-return"});
    const auto rows = expected(job);
    EXPECT_EQ(rows.at("frame-rail:" + u(job) + "/right"), "joined");
    EXPECT_EQ(rows.at("frame-rail:" + u(job) + "/left"), "open");
    EXPECT_EQ(rows.at("brush-frame:" + m(job)), "open");
    // The frame stands for its rail: a brush is not held against that once more.
    EXPECT_EQ(rows.count("brush-rail:" + m(job) + "/right"), 0U);
    EXPECT_EQ(rows.count("brush-rail:" + m(job) + "/left"), 1U);
}
TEST(Matrix, OfASplitFrameHasTwoHalves) {
    const Job job = jotted(shunter(), {"split frame"});
    const auto rows = expected(job);
    for (const char* half : {"left", "right"}) {
        EXPECT_EQ(rows.at("brush-frame:" + m(job) + "/" + half), "open");
        EXPECT_EQ(rows.at("brush-frame:" + m(job) + "/minus/" + half), "open");
    }
    EXPECT_EQ(rows.at("frame-rail:" + u(job) + "/left-left"), "joined");
    EXPECT_EQ(rows.at("frame-rail:" + u(job) + "/right-right"), "joined");
    EXPECT_EQ(rows.at("frame-rail:" + u(job) + "/left-right"), "open");
    EXPECT_EQ(rows.at("frame-rail:" + u(job) + "/right-left"), "open");
}
TEST(Matrix, OfThreeRailHoldsTheMiddleAgainstBothRails) {
    const Job job = jotted(shunter(), {"supply three-rail", "collector slider 60mm"});
    const auto rows = expected(job);
    EXPECT_EQ(rows.at("centre-left"), "open");
    EXPECT_EQ(rows.count("rail-rail"), 0U);  // both running rails are one pole
}
TEST(Matrix, OfABatteryAsksPickupsToLeadNowhere) {
    const Job job = jotted(shunter(), {"supply battery"});
    const auto rows = expected(job);
    EXPECT_EQ(rows.count("rail-rail"), 0U);
    EXPECT_EQ(rows.at("pickup-battery:" + u(job) + "/axle1.left"), "open");
    EXPECT_EQ(rows.at("frame-battery:" + u(job)), "open");
    EXPECT_EQ(rows.at("battery-plus"), "joined");
    EXPECT_EQ(rows.at("battery-minus"), "joined");
}
TEST(Matrix, OfLampsBanksAndSpeakers) {
    const Job job = jotted(shunter(), {"lamp front white", "resistor front 1k",
                                       "bank electrolytic-2200u-25", "add speaker 15x11x8"});
    const std::string lamp = job.groups[0].id, speaker = job.items[0].id;
    const Row front = rowOf(job, "lamp:" + lamp);
    EXPECT_EQ(front.expect, Expect::OneWay);
    EXPECT_EQ(front.plus, Plus::First);
    EXPECT_EQ(front.first, (TerminalId{"D1", "blue"}));
    EXPECT_EQ(rowOf(job, "lamp-lead:" + lamp + "/left").expect, Expect::Open);
    EXPECT_TRUE(rowOf(job, "lamp-lead:" + lamp + "/left").junction);
    EXPECT_EQ(rowOf(job, "stay-alive").expect, Expect::Rising);
    const Row coil = rowOf(job, "speaker:" + speaker);
    EXPECT_EQ(coil.expect, Expect::Range);
    EXPECT_NEAR(coil.low->value(), 4, 1e-9);
    EXPECT_NEAR(coil.high->value(), 16, 1e-9);
    EXPECT_EQ(rowOf(job, "speaker-lead:" + speaker + "/frame").expect, Expect::Open);
}
TEST(Matrix, OfAWindingFollowsItsReadings) {
    const Job job = jotted(shunter(), {"ohms 10 12 11"});
    const Row row = rowOf(job, "winding:" + m(job));
    EXPECT_LT(row.low->value(), 10);
    EXPECT_GT(row.high->value(), 10);
    EXPECT_EQ(stateOf(jotted(job, {"motor plus to motor minus 10.4 ohms"}), "winding:" + m(job)),
              State::Fine);
    EXPECT_EQ(stateOf(jotted(job, {"motor plus to motor minus 0.8 ohms"}), "winding:" + m(job)),
              State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"motor plus to motor minus 4 kohm"}), "winding:" + m(job)),
              State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"beep motor plus to motor minus"}), "winding:" + m(job)),
              State::Ask);
}

TEST(Readings, OfAPairThatMustBeOpen) {
    const Job job = shunter();
    const std::string id = "brush-frame:" + m(job);
    const auto after = [&](const char* line) { return stateOf(jotted(job, {line}), id); };
    EXPECT_EQ(stateOf(job, id), State::Ask);
    EXPECT_EQ(after("brush to frame open"), State::Fine);
    EXPECT_EQ(after("brush to frame 20 Mohm"), State::Fine);
    EXPECT_EQ(after("brush to frame 101 kohm"), State::Fine);
    EXPECT_EQ(after("brush to frame 99 kohm"), State::Over);
    EXPECT_EQ(after("motor plus to frame 0.4 ohms"), State::Over);
    EXPECT_EQ(after("frame to motor plus beep"), State::Over);
    EXPECT_EQ(after("brush to frame one way"), State::Over);
    EXPECT_EQ(after("brush to frame sometimes"), State::Over);
}
TEST(Readings, ThatAJunctionCanHideFromAreAskedForBothWays) {
    const Job job = shunter();
    const std::string id = "common-rail:" + u(job) + "/left";
    EXPECT_EQ(stateOf(jotted(job, {"common to left rail open"}), id), State::Ask);
    EXPECT_EQ(stateOf(jotted(job, {"common to left rail open both ways"}), id), State::Fine);
}
TEST(Readings, OfAJointABeepDoesNotProveWhereAWindingBeeps) {
    const Job job = shunter();
    EXPECT_EQ(stateOf(jotted(job, {"beep motor plus to orange"}), "motor-plus:" + m(job)),
              State::Ask);
    EXPECT_EQ(stateOf(jotted(job, {"motor plus to orange 0.3 ohms"}), "motor-plus:" + m(job)),
              State::Fine);
    EXPECT_EQ(stateOf(jotted(job, {"motor plus to orange 3 ohms"}), "motor-plus:" + m(job)),
              State::Over);
    const std::string wheel = "wheel:" + u(job) + "/axle1.left";
    EXPECT_EQ(stateOf(jotted(job, {"beep axle 1 left to black"}), wheel), State::Fine);
    EXPECT_EQ(stateOf(jotted(job, {"axle 1 left to black 4.8 ohms"}), wheel), State::Fine);
    EXPECT_EQ(stateOf(jotted(job, {"axle 1 left to black 5.2 ohms"}), wheel), State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"axle 1 left to black open"}), wheel), State::Over);
}
TEST(Readings, OfALampGoOneWay) {
    const Job job = jotted(shunter(), {"lamp front white", "resistor front 1k"});
    const std::string id = "lamp:" + job.groups[0].id;
    EXPECT_EQ(stateOf(jotted(job, {"common to front one way"}), id), State::Fine);
    EXPECT_EQ(stateOf(jotted(job, {"front to common lights"}), id), State::Ask);
    EXPECT_EQ(stateOf(jotted(job, {"common to front beep"}), id), State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"common to front open both ways"}), id), State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"common to front open"}), id), State::Ask);
    EXPECT_EQ(stateOf(jotted(job, {"common to front 2 ohms"}), id), State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"common to front 4.7 kohm"}), id), State::Ask);
}
TEST(Readings, OfAStayAliveClimb) {
    const Job job = jotted(shunter(), {"bank electrolytic-2200u-25"});
    EXPECT_EQ(stateOf(jotted(job, {"stay-alive plus to stay-alive minus rising"}), "stay-alive"),
              State::Fine);
    EXPECT_EQ(stateOf(jotted(job, {"stay-alive plus to stay-alive minus 3 ohms"}), "stay-alive"),
              State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"stay-alive plus to stay-alive minus open"}), "stay-alive"),
              State::Over);
}
TEST(Readings, TheLastOfAPairCounts) {
    const Job job = jotted(shunter(), {"brush to frame 0.4 ohms", "brush to frame open"});
    EXPECT_EQ(stateOf(job, "brush-frame:" + m(job)), State::Fine);
    EXPECT_EQ(rowOf(job, "brush-frame:" + m(job)).read.size(), 2U);
}
TEST(Readings, GoStaleWithWhatTheyRestOn) {
    Job job =
        jotted(shunter(), {"frame-return", "brush to frame open", "left rail to right rail open"});
    const std::string id = "brush-frame:" + m(job);
    // Solder at the motor touches its pairs, and no others.
    job = jotted(job, {"step motor done"});
    EXPECT_TRUE(rowOf(job, id).stale);
    EXPECT_EQ(stateOf(job, id), State::Ask);
    EXPECT_FALSE(rowOf(job, "rail-rail").stale);
    // Read again it counts again; a look at the model changes nothing.
    job = jotted(job, {"brush to frame open", "step open done"});
    EXPECT_EQ(stateOf(job, id), State::Fine);
    // A lamp straight on the rails is another wiring between them.
    Job lamp = jotted(job, {"lamp cab white on supply", "resistor cab 1k"});
    EXPECT_TRUE(rowOf(lamp, "rail-rail").stale);
    EXPECT_FALSE(rowOf(lamp, id).stale && !rowOf(job, id).stale && m(lamp).empty());
}
TEST(Readings, OfABrushTellTheMotorToo) {
    const Job job = jotted(shunter(), {"motor open-frame"});
    EXPECT_TRUE(tests::found(findings(factsOf(job)), "motor.isolation"));
    const Job free = jotted(job, {"brush to frame open"});
    EXPECT_EQ(free.units[0].motors[0].isolated, true);
    const Job touches = jotted(job, {"brush to frame 0.4 ohms"});
    EXPECT_EQ(touches.units[0].motors[0].isolated, false);
}

struct Stand {
    Proof proof;
    Allows allows;
    bool operator==(const Stand&) const = default;
};
Stand standOf(const Job& job) {
    const Matrix matrix = matrixOf(job, {});
    return {matrix.proof, matrix.allows};
}
TEST(Proof, AllowsMoreStepByStep) {
    Job job = shunter();
    EXPECT_EQ(standOf(job), (Stand{Proof::None, Allows::Nothing}));
    job = jotted(job, {"brush to frame open"});
    EXPECT_EQ(standOf(job), (Stand{Proof::None, Allows::Nothing}));
    job = jotted(job, {"motor minus to frame open"});
    EXPECT_EQ(standOf(job), (Stand{Proof::Partial, Allows::PlainDcLow}));
    job = jotted(job, {"left rail to right rail open"});
    EXPECT_EQ(standOf(job), (Stand{Proof::Partial, Allows::LimitedTrack}));
    // One pair that fails takes all of it away.
    EXPECT_EQ(standOf(jotted(job, {"beep common to left rail"})),
              (Stand{Proof::None, Allows::Nothing}));
}
TEST(Proof, IsFullOnceAllPairsReadAsTheyMust) {
    Job job = shunter();
    for (int guard = 0; guard < 100; ++guard) {
        const Matrix matrix = matrixOf(job, {});
        const Row* next = nextRow(matrix);
        if (!next) break;
        const std::string pair =
            "probe " + spelled(next->first) + " to " + spelled(next->second) + " ";
        const std::string reads = next->expect == Expect::Open     ? "open both ways"
                                  : next->expect == Expect::Joined ? "0.3 ohms"
                                  : next->expect == Expect::Range  ? "9 ohms"
                                                                   : "rising";
        job = jotted(job, {(pair + reads).c_str()});
    }
    EXPECT_EQ(standOf(job), (Stand{Proof::Full, Allows::Track}));
}
TEST(Proof, OfASocketedNewModelIsShort) {
    Job job = jotted(shunter(), {"arrives new"});
    job.wanted.socket = job.decoder->part.plug = "8-pin";
    job = jotted(
        job, {"left rail to right rail open", "brush to frame open", "motor minus to frame open",
              "motor plus to orange 0.2 ohms", "motor minus to grey 0.2 ohms"});
    EXPECT_EQ(standOf(job), (Stand{Proof::Full, Allows::Track}));
    job.intake.age = Age::Old;
    EXPECT_EQ(standOf(job), (Stand{Proof::Partial, Allows::LimitedTrack}));
}

TEST(Causes, OfABrushOnAReturningFrameNameTheSpringFirst) {
    const Job job = jotted(shunter(), {"frame-return", "brush to frame 0.4 ohms"});
    const JobAnalysis facts = factsOf(job);
    const auto causes = causesOf(facts, *rowNamed(matrixOf(facts), "brush-frame:" + m(job)));
    ASSERT_GE(causes.size(), 3U);
    EXPECT_EQ(plain(causes[0]), "the brush spring touches the frame");
    EXPECT_EQ(plain(causes[1]), "the factory's return through the frame is still in place");
}
TEST(Causes, EveryKindOfFailureHasOne) {
    Job job = jotted(shunter(), {"lamp front white", "resistor front 1k",
                                 "bank electrolytic-2200u-25", "add speaker 15x11x8"});
    const Matrix matrix = matrixOf(job, {});
    std::set<About> seen;
    for (const Row& row : matrix.rows) {
        seen.insert(row.about);
        const std::string pair = "probe " + spelled(row.first) + " to " + spelled(row.second) + " ";
        const Job failed = jotted(
            job, {(pair + (row.expect == Expect::Open ? "0.4 ohms" : "open both ways")).c_str()});
        const JobAnalysis facts = factsOf(failed);
        const Row after = *rowNamed(matrixOf(facts), row.id);
        EXPECT_EQ(after.state, State::Over) << row.id;
        EXPECT_FALSE(causesOf(facts, after).empty()) << row.id;
    }
    EXPECT_GE(seen.size(), 11U);
}

TEST(MeterStage, SaysWhatFailedWhatToDoAndItsCaution) {
    const Job job = jotted(shunter(), {"brush to frame 0.4 ohms"});
    const auto all = findings(factsOf(job));
    const Finding* failed = tests::found(all, "meter.pair:brush-frame:" + m(job));
    ASSERT_NE(failed, nullptr);
    EXPECT_EQ(failed->state, State::Over);
    EXPECT_EQ(failed->gravity, Gravity::PartDestroyed);
    EXPECT_TRUE(plain(failed->sentence)
                    .starts_with("motor plus to frame: 0.4 Ω. It must be open, more than 100 kΩ. "
                                 "Usual cause: the brush spring touches the frame."))
        << plain(failed->sentence);
    EXPECT_FALSE(failed->caution.empty());
    ASSERT_FALSE(failed->options.empty());
    // Taken as it is offered, the option ends it.
    const Job mended = jotted(job, {failed->options[0].jot.c_str()});
    EXPECT_EQ(tests::found(findings(factsOf(mended)), "meter.pair:brush-frame:" + m(job)), nullptr);
}
TEST(MeterStage, LeadsFromPairToPair) {
    Job job = jotted(shunter(), {"insulated"});
    std::set<std::string> asked;
    for (int guard = 0; guard < 60; ++guard) {
        const auto all = findings(factsOf(job));
        const Finding* next = tests::found(all, "meter.next");
        ASSERT_NE(next, nullptr);
        if (!next->open) break;
        EXPECT_TRUE(asked.insert(plain(next->action)).second) << plain(next->action);
        std::string line =
            next->options.empty() ? "motor plus to motor minus 9 ohms" : next->options[0].jot;
        job = jotted(job, {line.c_str()});
    }
    const auto all = findings(factsOf(job));
    const Finding* done = tests::found(all, "meter.next");
    ASSERT_NE(done, nullptr);
    EXPECT_FALSE(done->open);
    EXPECT_NE(plain(done->sentence).find("Allowed: layout power."), std::string::npos)
        << plain(done->sentence);
}

}  // namespace
}  // namespace glimmet::core::meter
