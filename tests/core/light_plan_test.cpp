// A whole lighting in one sentence.
#include "core/analysis/lamps/light_plan.h"

#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using namespace tests;
using lamps::lightPlan;

Job bareShunter() { return tests::newJob("Ling", "dock-shunter"); }
std::string answerTo(const std::string& sentence, const Job& job = shunter()) {
    const auto said = applyLine("plan " + sentence, job, smallCatalogue(), "2026-03-02");
    return said ? plain(said->meaning) : "✗ " + plain(said.error().what);
}

TEST(LightPlan, IsHeardAsItIsSaid) {
    const auto plan =
        lightPlan("headlamp, two ditch lamps half as bright, tail red, cab warm and hardly seen",
                  bareShunter());
    ASSERT_TRUE(plan) << plain(plan.error().what);
    ASSERT_EQ(plan->size(), 4U);
    EXPECT_EQ((*plan)[0].place, "front lamp");
    EXPECT_EQ((*plan)[0].colour, "white");
    EXPECT_NEAR((*plan)[0].wish.value(), 0.005, 1e-12);
    EXPECT_EQ((*plan)[1].place, "");
    EXPECT_EQ((*plan)[1].name, "ditch lamps");
    EXPECT_EQ((*plan)[1].count, 2);
    EXPECT_NEAR((*plan)[1].wish.value(), 0.0025, 1e-12);
    EXPECT_EQ((*plan)[2].place, "rear lamp");
    EXPECT_EQ((*plan)[2].colour, "red");
    EXPECT_EQ((*plan)[3].place, "cab lamp");
    EXPECT_EQ((*plan)[3].colour, "warm white");
    EXPECT_NEAR((*plan)[3].wish.value(), 0.0005, 1e-12);
}
TEST(LightPlan, BecomesCircuitsWithResistorsAtOnce) {
    const Job before = shunter();
    const auto said =
        applyLine("plan headlamp, two amber beacon lamps half as bright, tail red and dim", before,
                  smallCatalogue(), "2026-03-02");
    ASSERT_TRUE(said) << plain(said.error().what);
    EXPECT_EQ(said->stage, "lamps");
    ASSERT_EQ(said->after.groups.size(), 3U);
    const LampGroup& beacons = said->after.groups[1];
    EXPECT_EQ(beacons.name, "beacon lamps");
    EXPECT_EQ(beacons.rows.size(), 2U);
    EXPECT_EQ(beacons.output, "1");
    EXPECT_EQ(beacons.rows[0].lamps[0].part.family, LedFamily::Amber);
    EXPECT_EQ(said->after.groups[0].output, "front");
    EXPECT_EQ(said->after.groups[2].output, "rear");
    for (const LampGroup& group : said->after.groups) {
        for (const LampRow& row : group.rows) EXPECT_TRUE(row.resistor) << group.name;
    }
    // As bright as it was wished: nothing is left to be done.
    for (const Finding& one : checkedAll(said->after)) {
        if (!one.id.starts_with("lamp.current")) continue;
        EXPECT_EQ(one.state, State::Fine) << one.id;
    }
    EXPECT_EQ(plain(said->meaning),
              "front lamp, white, wished 5 mA, 2.2 kΩ on output front; 2 × beacon lamps, amber, "
              "wished 2.5 mA, 4.7 kΩ on output 1; rear lamp, red, wished 2.5 mA, 4.7 kΩ on output "
              "rear");
    EXPECT_EQ(said->subject, said->after.groups[0].id);
}
TEST(LightPlan, DitchLampsShineAheadFromBelowTheHeadlamp) {
    const Job job = tests::jotted(bareShunter(), {"plan headlamp, two ditch lamps half as bright"});
    ASSERT_EQ(job.groups.size(), 2U);
    const Pose& head = job.groups[0].rows[0].lamps[0].fitted.pose;
    ASSERT_EQ(job.groups[1].rows.size(), 2U);
    for (const LampRow& row : job.groups[1].rows) {
        const Pose& ditch = row.lamps[0].fitted.pose;
        EXPECT_EQ(ditch.facing, Facing::Front);
        EXPECT_LT(ditch.at.z, head.at.z);
        EXPECT_LT(ditch.at.x, head.at.x + Millimetres{5});
    }
    // Where a lamp looks can be said of one and of all.
    const auto facing = [&](const char* line, std::size_t row) {
        return tests::jotted(job, {line}).groups[1].rows[row].lamps[0].fitted.pose.facing;
    };
    EXPECT_EQ(facing("place ditch lamps facing rear", 0), Facing::Rear);
    EXPECT_EQ(facing("place ditch lamps facing rear", 1), Facing::Rear);
    EXPECT_EQ(facing("place ditch lamps/2 facing inside", 0), Facing::Front);
    EXPECT_EQ(facing("place ditch lamps/2 facing inside", 1), Facing::Inside);
    EXPECT_EQ(facing("place ditch lamps/2 3mm 20mm", 1), Facing::Front);  // it stays
}
TEST(LightPlan, IsSaidWithoutItsWordWhereItBeginsWithTheHeadlamp) {
    const auto said = [](const char* line) {
        const auto made = applyLine(line, shunter(), smallCatalogue(), "2026-03-02");
        return made ? plain(made->meaning) : "✗ " + plain(made.error().what);
    };
    EXPECT_EQ(said("Headlamp, tail red, cab warm and hardly seen"),
              said("plan headlamp, tail red, cab warm and hardly seen"));
    EXPECT_EQ(said("headlamp, chimney red"), said("plan headlamp, chimney red"));
    EXPECT_NE(said("headlamp").substr(0, 3), "✗");
    // A line of another verb stays that.
    EXPECT_EQ(said("headlamp stall 1.15A 12V").find("✗ “headlamp” has no place"), 0U);
    EXPECT_EQ(said("tail, cab warm").substr(0, 3), "✗");
}
TEST(LightPlan, AndGoesOnOrBeginsTheNext) {
    const auto names = [](const char* sentence) {
        std::string all;
        const auto plan = lightPlan(sentence, bareShunter());
        if (!plan) return "✗ " + plain(plan.error().what);
        for (const auto& one : *plan) all += one.name + " " + one.colour + "; ";
        return all;
    };
    EXPECT_EQ(names("cab warm and dim"), "cab lamp warm white; ");
    EXPECT_EQ(names("cab warm and tail red"), "cab lamp warm white; rear lamp red; ");
    EXPECT_EQ(names("the front lamp and the rear lamp"), "front lamp white; rear lamp white; ");
    EXPECT_EQ(names("Headlight warm white, a red tail light."),
              "front lamp warm white; rear lamp red; ");
    EXPECT_EQ(names("3 marker lights green"), "marker lamps green; ");
    EXPECT_EQ(names("cab cool, , tail; front"),
              "cab lamp cool white; rear lamp red; front lamp white; ");
}
TEST(LightPlan, RefusesWhatItCannotPlace) {
    EXPECT_NE(answerTo("headlamp, chimney smoke").find("“chimney smoke” is no place"),
              std::string::npos);
    // A word left over is never made into a name.
    for (const char* sentence :
         {"headlamp bright bright", "tail red red", "99999999999999999999 lamps", "two two lamps",
          "a lamp called fire", "headlamp hardly seen seen", "marker lamps 5mA"}) {
        EXPECT_NE(answerTo(sentence).find("is not understood"), std::string::npos)
            << answerTo(sentence);
    }
    EXPECT_NE(answerTo("twelve marker lamps").find("12 × marker lamps"), std::string::npos);
    EXPECT_NE(answerTo("red and dim").find("Where is “red and dim”"), std::string::npos);
    EXPECT_NE(answerTo("").find("Which lamps"), std::string::npos);
    EXPECT_NE(answerTo(",,").find("Which lamps"), std::string::npos);
    EXPECT_NE(answerTo("headlamp, front red").find("said twice"), std::string::npos);
    EXPECT_NE(answerTo("40 marker lamps").find("say 1 to 12"), std::string::npos);
    EXPECT_NE(answerTo("0 marker lamps").find("say 1 to 12"), std::string::npos);
    // More lamps than outputs, or one that is there: nothing of it is taken, and why.
    EXPECT_TRUE(answerTo("headlamp, tail red, one lamps, two green lamps, three blue lamps")
                    .starts_with("✗"));
    EXPECT_NE(answerTo("headlamp", tests::jotted(shunter(), {"lamp front white"}))
                  .find("front lamp is there already"),
              std::string::npos);
    // Too many volts wished of a weak supply: said as of any line.
    EXPECT_NE(answerTo("headlamp", tests::jotted(shunter(), {"track 3.5V"})).find("too little"),
              std::string::npos);
}

}  // namespace
}  // namespace glimmet::core
