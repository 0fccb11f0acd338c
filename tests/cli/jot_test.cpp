#include "cli/jot.h"

#include "cli/check.h"
#include "cli/exchange.h"
#include "cli/input.h"
#include "support/older_workshop.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <fstream>

namespace glimmet::cli {
namespace {

using tests::Scratch;

JotRun entered(const std::string& path, const std::vector<std::string>& lines,
               bool dryRun = false) {
    return jot({path, {}, {}, lines, "/nonexistent/catalogue.json", "2026-03-02", true, dryRun});
}
nlohmann::json parsed(const JotRun& run) { return nlohmann::json::parse(run.out); }

TEST(JotCommand, TakesLinesInOrderEachOnWhatTheOneBeforeLeft) {
    const Scratch scratch;
    const QString file = scratch.file("w.glimmet");
    const std::string path = file.toStdString();
    ASSERT_TRUE(imported(path, DEMO_FOLDER "/ling.json").faults.empty());
    const JotRun run = entered(path, {"stall 1.15A 12V", "lamp front white", "resistor front 2k7"});
    EXPECT_TRUE(run.faults.empty());
    const auto out = parsed(run);
    ASSERT_EQ(out["lines"].size(), 3U);
    EXPECT_EQ(out["lines"][0], (nlohmann::json{{"line", "stall 1.15A 12V"},
                                               {"understood", true},
                                               {"meaning", "Stall test: 1.15 A at 12 V"}}));
    EXPECT_EQ(out["job"]["groups"].back()["rows"][0]["resistor_ohm"], 2700);
    // Each line is one revision, with its own name and undone on its own.
    const auto workshop = tests::opened(file);
    const auto history = *workshop->history(1, 100);
    ASSERT_EQ(history.steps.size(), 4U);
    EXPECT_EQ(core::plain(history.steps[1].what), "Stall test: 1.15 A at 12 V");
    EXPECT_EQ(nlohmann::json::parse(store::jobToJson(*workshop->job(1))), out["job"]);
    EXPECT_EQ(core::plain(workshop->undo(1)->what), core::plain(history.steps[3].what));
}
TEST(JotCommand, RecordsNothingAtAllWhereOneLineIsRefused) {
    const Scratch scratch;
    const QString file = scratch.file("w.glimmet");
    const std::string path = file.toStdString();
    ASSERT_TRUE(imported(path, DEMO_FOLDER "/ling.json").faults.empty());
    const JotRun run = entered(path, {"stall 1.15A 12V", "stall 12", "name Later"});
    ASSERT_EQ(run.faults.size(), 1U);
    EXPECT_NE(run.faults[0].find(": line 2: found “stall 12”: "), std::string::npos);
    const auto out = parsed(run);
    EXPECT_EQ(out["lines"][1]["understood"], false);
    EXPECT_FALSE(out["lines"][1]["why"].get<std::string>().empty());
    EXPECT_FALSE(out["lines"][1].contains("meaning"));
    EXPECT_EQ(out["job"]["name"], "Later");  // the job after the lines that were understood
    EXPECT_EQ(tests::opened(file)->history(1, 9)->steps.size(), 1U);
    // Nor without --json, where nothing is printed either.
    JotRequest plain{path, {}, {}, {"name Later", "fly"}, "/nonexistent/catalogue.json"};
    EXPECT_EQ(jot(plain).out, "");
    EXPECT_EQ(tests::opened(file)->job(1)->name, "No. 4 \"Ling\"");
}
TEST(JotCommand, LeavesAJobFileAndADryRunAlone) {
    const Scratch scratch;
    const QString file = scratch.file("job.json");
    ASSERT_TRUE(QFile::copy(DEMO_FOLDER "/ling.json", file));
    const QByteArray before = Scratch::contents(file);
    JotRequest request{file.toStdString(), {}, {}, {"name Later"}, "/nonexistent/catalogue.json"};
    const JotRun run = jot(request);
    EXPECT_EQ(nlohmann::json::parse(run.out)["name"], "Later");  // the job itself, to be kept
    EXPECT_EQ(Scratch::contents(file), before);
    const QString workshop = scratch.file("w.glimmet");
    ASSERT_TRUE(imported(workshop.toStdString(), DEMO_FOLDER "/ling.json").faults.empty());
    EXPECT_EQ(parsed(entered(workshop.toStdString(), {"name Later"}, true))["job"]["name"],
              "Later");
    EXPECT_EQ(tests::opened(workshop)->job(1)->name, "No. 4 \"Ling\"");
    // A line that changes nothing is understood, and no revision.
    EXPECT_TRUE(entered(workshop.toStdString(), {"name No. 4 \"Ling\""}).faults.empty());
    EXPECT_EQ(tests::opened(workshop)->history(1, 9)->steps.size(), 1U);
}
TEST(JotCommand, SaysWhichJobItWants) {
    const Scratch scratch;
    const QString file = scratch.file("w.glimmet");
    const std::string path = file.toStdString();
    {
        const auto workshop = tests::opened(file);
        (void)*workshop->add(std::vector<core::Job>(2, tests::shunter()), core::text("x"));
    }
    EXPECT_NE(entered(path, {"name A"}).faults.at(0).find("--job: found 2 such jobs"),
              std::string::npos);
    JotRequest second{path, "Shunter", 2, {"name A"}, "/nonexistent/catalogue.json"};
    EXPECT_EQ(jot(second).out, "Name: A\n");
    EXPECT_EQ(tests::opened(file)->job(2)->name, "A");
    EXPECT_EQ(tests::opened(file)->job(1)->name, "Shunter");
    EXPECT_EQ(entered(path, {}).faults.size(), 1U);
    EXPECT_EQ(entered("/nonexistent", {"name A"}).faults.size(), 1U);
    EXPECT_EQ(entered(scratch.file(".").toStdString(), {"name A"}).faults.size(), 1U);
    EXPECT_EQ(linesOf("a b\r\n\n \t\nc"), (std::vector<std::string>{"a b", "c"}));
    EXPECT_TRUE(linesOf("").empty());
}

TEST(JotCommand, SpeaksToTheWorkshopsOwnRecord) {
    const Scratch scratch;
    const QString file = scratch.file("w.glimmet");
    const std::string path = file.toStdString();
    ASSERT_TRUE(imported(path, DEMO_FOLDER "/ling.json").faults.empty());
    JotRequest request{path, {}, {}, {"rule strict", "drawers E24"}, "/nonexistent/catalogue.json"};
    request.workshop = true;
    request.json = true;
    const auto out = parsed(jot(request));
    EXPECT_EQ(out["lines"][0]["meaning"], "House, rating rule: strict");
    EXPECT_EQ(out["workshop"]["house"], (nlohmann::json{{"rule", "strict"}, {"drawers", "E24"}}));
    EXPECT_EQ(tests::opened(file)->workshopRecord()->house.rule, core::RatingRule::Strict);
    EXPECT_EQ(core::plain(*tests::opened(file)->undoableWorkshop()->undo),
              "House, resistors at hand: E24");
    // A refused line records nothing; a job file has no such record.
    request.lines = {"rule slip", "stall 1A 12V"};
    EXPECT_EQ(jot(request).faults.size(), 1U);
    EXPECT_EQ(tests::opened(file)->workshopRecord()->house.rule, core::RatingRule::Strict);
    request.path = DEMO_FOLDER "/ling.json";
    EXPECT_NE(jot(request).faults.at(0).find("--workshop"), std::string::npos);
    // Checks and exports go by it.
    const CheckRequest wanted{path, {}, {}, "/nonexistent/catalogue.json", true, false};
    EXPECT_EQ(cli::check(wanted, [](std::string_view) {}).worst, core::State::Over);
    const std::string away = exported(path, {"No. 4 \"Ling\"", {}}, {}).out;
    EXPECT_EQ(nlohmann::json::parse(away)["judged_with"]["rule"], "strict");
    const std::string other = scratch.file("other.glimmet").toStdString();
    std::ofstream(scratch.file("ling.json").toStdString()) << away;
    ASSERT_TRUE(imported(other, scratch.file("ling.json").toStdString()).faults.empty());
    EXPECT_EQ(tests::opened(scratch.file("other.glimmet"))->job(1)->own.rule,
              core::RatingRule::Strict);
}

}  // namespace
}  // namespace glimmet::cli
