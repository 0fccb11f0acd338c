#include "cli/check.h"

#include "cli/exchange.h"
#include "cli/spice.h"
#include "store/catalogue.h"
#include "store/workshop.h"
#include "support/older_workshop.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <QString>

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <fstream>

namespace glimmet::cli {
namespace {

using tests::Scratch;

const std::string noCatalogue = "/nonexistent/catalogue.json";

/// What was judged, and all that was printed.
struct Judged : Checked {
    std::string out;
    [[nodiscard]] nlohmann::json asJson() const { return nlohmann::json::parse(out); }
};
Judged checked(const CheckRequest& request) {
    std::string out;
    const Checked done = check(request, [&](std::string_view words) { out += words; });
    return {done, out};
}
CheckRequest request(const std::string& path, bool asJson = false) {
    return {path, {}, {}, noCatalogue, asJson};
}
Judged named(const std::string& path, const std::string& job) {
    return checked({path, job, {}, noCatalogue, true});
}

TEST(Check, ReadsAJobInJson) {
    const Judged run = checked(request(TESTS_FOLDER "/samples/format2/ling.json"));
    EXPECT_EQ(run.jobs, 1U);
    EXPECT_TRUE(run.faults.empty());
    EXPECT_NE(run.out.find("fine  Fits by the slip rule: stalled it would draw 1.36 A of the "
                           "decoder's 1.8 A peak."),
              std::string::npos);
}
TEST(Check, WritesFindingsWithTheirFiguresAndWhatTheyRestOn) {
    const auto out = checked(request(TESTS_FOLDER "/samples/format2/ling.json", true)).asJson();
    const auto& all = out["jobs"][0]["findings"];
    const auto at = std::find_if(all.begin(), all.end(),
                                 [](const auto& each) { return each["id"] == "motor.rating"; });
    ASSERT_NE(at, all.end());
    const auto& rating = *at;
    EXPECT_EQ(rating["state"], "fine");
    const auto& stall = rating["figures"][0];
    EXPECT_EQ(stall["symbol"], "I_stall");
    // (16.4 − 1.2 − 0.4) / (12 / 1.1)
    EXPECT_NEAR(stall["value_A"], 14.8 / (12 / 1.1), 1e-12);
    EXPECT_EQ(stall["basis"], "computed");
    EXPECT_EQ(stall["rests_on"][0]["basis"], "measured");
    EXPECT_EQ(stall["rests_on"][1]["basis"], "assumed");
}
TEST(Stages, TellHowEachStandsAndWhatIsNext) {
    CheckRequest wanted = request(TESTS_FOLDER "/samples/format2/tern.json", true);
    wanted.stages = true;
    const auto out = checked(wanted).asJson();
    const auto& job = out["jobs"][0];
    EXPECT_EQ(job["name"], "\"Tern\"");
    EXPECT_EQ(job["next"], "say where the decoder lies");
    ASSERT_EQ(job["stages"].size(), 13U);
    EXPECT_EQ(job["stages"][2],
              (nlohmann::json{
                  {"stage", "measure"}, {"kind", "done"}, {"state", "fine"}, {"why", "all fits"}}));
    EXPECT_EQ(job["stages"][4]["stage"], "lamps");
    EXPECT_EQ(job["stages"][3]["kind"], "here");
    EXPECT_EQ(job["stages"][4]["kind"], "ahead");
    EXPECT_EQ(job["stages"][4]["state"], "ask");
    EXPECT_EQ(job["stages"][4]["why"], "look at output rear for a resistor");
    wanted.json = false;
    EXPECT_EQ(checked(wanted).out,
              "\"Tern\": say where the decoder lies\n"
              "  done    intake: not looked over\n"
              "  done    dc-test: not tried\n"
              "  done    measure: all fits\n"
              "  here    decoder: say where the decoder lies\n"
              "  ahead   lamps: look at output rear for a resistor\n"
              "  done    stay-alive: none fitted\n"
              "  ahead   fit: measure the roof space\n"
              "  ahead   wire: Take the body off, and photograph what is there\n"
              "  ahead   meter: probe left rail of car A to right rail of car A\n"
              "  ahead   first-power: prove it by meter first\n"
              "  ahead   settings: choose an address\n"
              "  ahead   run-in: run it in, forward\n"
              "  ahead   hand-over: 6 things are unanswered\n");
}
TEST(Stages, TellOfEveryJobOfAWorkshopByItsNumber) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("w.glimmet").toStdString();
    {
        const auto workshop =
            *store::Workshop::open(QString::fromStdString(path), store::Access::ReadWrite);
        (void)*workshop->add(tests::jotted(tests::shunter(), {"decoder large"}), core::text("x"));
        (void)*workshop->add(tests::newJob("new", "dock-shunter", {}), core::text("x"));
    }
    CheckRequest wanted = request(path, true);
    wanted.stages = true;
    const auto out = checked(wanted).asJson();
    ASSERT_EQ(out["jobs"].size(), 2U);
    EXPECT_EQ(out["jobs"][0]["id"], 1);
    EXPECT_EQ(out["jobs"][0]["next"], "Take the body off, and photograph what is there");
    EXPECT_EQ(out["jobs"][0]["stages"][4]["kind"], "here");
    EXPECT_EQ(out["jobs"][1]["next"], "choose a decoder");
    EXPECT_EQ(out["jobs"][1]["stages"][4]["kind"], "ahead");
}
TEST(Check, SaysWhichFileAndPlaceIsFaulty) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("bad.json").toStdString();
    std::ofstream(path) << R"({"format":"glimmet-job","version":1,"name":7})";
    const Judged result = checked(request(path, true));
    ASSERT_FALSE(result.faults.empty());
    EXPECT_EQ(result.faults[0].substr(0, path.size() + 8), path + ": /name:");
    EXPECT_EQ(result.jobs, 0U);
    EXPECT_EQ(result.out, "");
    EXPECT_EQ(checked(request("/nonexistent")).faults.size(), 1U);
    EXPECT_EQ(checked(request("")).faults.size(), 1U);
}
TEST(Check, ReadsAWorkshopAndOneJobOfIt) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("w.glimmet").toStdString();
    EXPECT_TRUE(imported(path, TESTS_FOLDER "/samples/format2/ling.json").faults.empty());
    EXPECT_TRUE(imported(path, TESTS_FOLDER "/samples/format2/tern.json").faults.empty());
    const Judged both = checked(request(path, true));
    EXPECT_EQ(both.jobs, 2U);
    EXPECT_EQ(both.worst, core::State::Ask);
    EXPECT_EQ(both.asJson()["jobs"][1]["name"], "\"Tern\"");
    EXPECT_EQ(both.asJson()["jobs"][1]["id"], 2);
    EXPECT_EQ(named(path, "\"Tern\"").jobs, 1U);
    EXPECT_EQ(named(path, "Nobody").faults.size(), 1U);
    // Export gives back what was imported, to the letter.
    ASSERT_TRUE(imported(path, DEMO_FOLDER "/smelt.json").faults.empty());
    std::ifstream file(DEMO_FOLDER "/smelt.json");
    const std::string original((std::istreambuf_iterator<char>(file)), {});
    EXPECT_EQ(exported(path, {"\"Smelt\""}).out, original);
    EXPECT_EQ(exported(path, {}).faults.size(), 1U);
}
TEST(Check, ReachesEachOfTwoJobsOfOneName) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("w.glimmet").toStdString();
    {
        const auto workshop =
            *store::Workshop::open(QString::fromStdString(path), store::Access::ReadWrite);
        (void)*workshop->add(tests::shunter(), core::text("x"));
        (void)*workshop->add(tests::jotted(tests::shunter(), {"owner Ebba Skarv"}),
                             core::text("x"));
    }
    EXPECT_EQ(named(path, "Shunter").jobs, 2U);
    CheckRequest second = request(path, true);
    second.id = 2;
    EXPECT_EQ(checked(second).asJson()["jobs"][0]["id"], 2);
    EXPECT_EQ(checked(second).jobs, 1U);
    second.id = 3;
    EXPECT_EQ(checked(second).faults.at(0),
              path + ": --id: found no job 3, allowed: one that is on the shelf");
    EXPECT_EQ(exported(path, {"Shunter"}).faults.at(0),
              path +
                  ": --job: found 2 such jobs, allowed: one of 1 “Shunter”, 2 “Shunter” (--id "
                  "tells apart those of one name)");
    EXPECT_NE(exported(path, {"", 2}).out.find("Ebba Skarv"), std::string::npos);
    EXPECT_EQ(exported(path, {"", 1}).out.find("Ebba Skarv"), std::string::npos);
}
TEST(Check, NamesAJobThatCannotBeReadAndJudgesTheOthers) {
    const tests::Scratch scratch;
    const QString file = scratch.file("w.glimmet");
    {
        const auto workshop = *store::Workshop::open(file, store::Access::ReadWrite);
        std::vector<core::Job> jobs;
        for (int i = 1; i <= 60; ++i) {  // more than may wait in memory
            jobs.push_back(tests::shunter());
            jobs.back().name = "job " + std::to_string(i);
        }
        (void)*workshop->add(jobs, core::text("x"));
    }
    tests::runSql(file, {"UPDATE revision SET content = replace(content, '12', '21') WHERE "
                         "document = 7",
                         "UPDATE document SET head = 9999 WHERE id = 60"});
    const Judged run = checked(request(file.toStdString(), true));
    EXPECT_EQ(run.jobs, 58U);
    ASSERT_EQ(run.faults.size(), 2U);
    EXPECT_NE(run.faults[0].find("job 7 “job 7”: w.glimmet is damaged"), std::string::npos)
        << run.faults[0];
    EXPECT_NE(run.faults[1].find("job 60 “job 60”: There is no such revision."), std::string::npos);
    // In the order of the shelf, whichever core was quicker.
    const auto out = run.asJson();
    int expected = 1;
    for (const auto& job : out["jobs"]) {
        if (expected == 7) ++expected;
        EXPECT_EQ(job["id"], expected++);
    }
}
TEST(Check, ErrorsOfTheDatabaseAreErrors) {
    const tests::Scratch scratch;
    const QString file = scratch.file("w.glimmet");
    EXPECT_TRUE(
        imported(file.toStdString(), TESTS_FOLDER "/samples/format2/ling.json").faults.empty());
    tests::runSql(file, {"ALTER TABLE document RENAME COLUMN name TO other"});
    const Judged run = checked(request(file.toStdString(), true));
    EXPECT_EQ(run.faults.size(), 1U);
    EXPECT_EQ(run.out, "");
    EXPECT_EQ(checked(request(file.toStdString(), true)).jobs, 0U);
    EXPECT_EQ(exported(file.toStdString(), {}).faults.size(), 1U);
    // An empty shelf is none.
    const QString empty = scratch.file("empty.glimmet");
    (void)*store::Workshop::open(empty, store::Access::ReadWrite);
    EXPECT_EQ(checked(request(empty.toStdString(), true)).out, "{\"jobs\":[]}\n");
}
TEST(Check, SpeaksOfTheWorkshopsOwnStations) {
    const Scratch scratch;
    const QString file = scratch.file("w.glimmet");
    {
        const auto workshop = *store::Workshop::open(file, store::Access::ReadWrite);
        (void)*workshop->add(tests::shunter(), core::text("x"));
        core::WorkshopRecord record = *workshop->workshopRecord();
        const auto entries = *workshop->jobs();
        // The shunter takes 0.25 A, and 0.6 A with its wheels slipping.
        record.districts = {{.name = "yard",
                             .rating = core::Amperes{0.2},
                             .trip = core::Amperes{0.3},
                             .models = {{static_cast<int>(entries[0].id)}}}};
        ASSERT_TRUE(workshop->recordWorkshop({{record, core::text("x")}}).has_value());
    }
    CheckRequest wanted = request(file.toStdString(), true);
    wanted.workshop = true;
    const Judged run = checked(wanted);
    EXPECT_TRUE(run.faults.empty());
    EXPECT_EQ(run.worst, core::State::Over);
    const auto out = run.asJson()["workshop"];
    EXPECT_EQ(out["state"], "over");
    const bool told =
        std::any_of(out["findings"].begin(), out["findings"].end(), [](const auto& each) {
            return each["stage"] == "district" && each["state"] == "over" &&
                   each["sentence"].template get<std::string>().find("yard") != std::string::npos;
        });
    EXPECT_TRUE(told) << run.out;
    wanted.json = false;
    EXPECT_EQ(checked(wanted).out.substr(0, 13), "the workshop\n");
    // A job in JSON has no stations.
    wanted.path = DEMO_FOLDER "/ling.json";
    EXPECT_EQ(checked(wanted).faults.size(), 1U);
}
TEST(Export, TakesPhotosAlongIntoAnotherWorkshop) {
    const Scratch scratch;
    const std::string from = scratch.file("from.glimmet").toStdString();
    const std::string to = scratch.file("to.glimmet").toStdString();
    ASSERT_TRUE(imported(from, DEMO_FOLDER "/ling.json").faults.empty());
    for (const std::string& photo : store::demoPhotos()) {
        const auto workshop =
            store::Workshop::open(QString::fromStdString(from), store::Access::ReadWrite);
        ASSERT_TRUE((*workshop)->keepPhoto(photo).has_value());
    }
    const Exchanged bundle = exportedBundle(from, {});
    ASSERT_TRUE(bundle.faults.empty());
    Scratch::write(scratch.file("ling.zip"), QByteArray::fromStdString(bundle.out));
    EXPECT_EQ(imported(to, scratch.file("ling.zip").toStdString()).out,
              "imported “No. 4 \"Ling\"”\n");
    EXPECT_EQ(exported(to, {}).out, exported(from, {}).out);
    const auto workshop =
        store::Workshop::open(QString::fromStdString(to), store::Access::ReadOnly);
    for (const std::string& photo : store::demoPhotos()) {
        EXPECT_EQ(*(*workshop)->photo(store::photoSum(photo)), photo);
    }
}
TEST(Import, KeepsNothingWithoutAPlaceForIt) {
    EXPECT_EQ(imported("", TESTS_FOLDER "/samples/format2/ling.json").faults.at(0),
              ": No file was named: the path is empty.");
    EXPECT_EQ(imported("", TESTS_FOLDER "/samples/format2/ling.json").out, "");
    const tests::Scratch scratch;
    EXPECT_EQ(imported(scratch.file("w.glimmet").toStdString(), "/dev/zero").faults.at(0),
              "/dev/zero: /: found a device or a pipe, allowed: a job in JSON or a bundle");
    EXPECT_FALSE(QFile::exists(scratch.file("w.glimmet")));  // not made for nothing
}
TEST(Export, TellsAJobAsItWas) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("w.glimmet").toStdString();
    EXPECT_TRUE(imported(path, TESTS_FOLDER "/samples/format2/ling.json").faults.empty());
    EXPECT_EQ(exported(path, {}, "2001-03-31").faults.at(0),
              path + ": The job was not on the shelf at that time.");
    EXPECT_EQ(exported(path, {}, "2999-03-31").out, exported(path, {}).out);
    EXPECT_EQ(exported(path, {}, "in March").faults.size(), 1U);
}
TEST(Export, WritesALampAsANetlistThatGivesItsCurrent) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("w.glimmet").toStdString();
    EXPECT_TRUE(imported(path, TESTS_FOLDER "/samples/format2/ling.json").faults.empty());
    const Exchanged lamp = exportedLamp(path, {}, "rear lamp");
    ASSERT_TRUE(lamp.faults.empty()) << lamp.faults[0];
    const auto out = nlohmann::json::parse(spiceRun(lamp.out).json);
    EXPECT_NEAR(out["op"]["i"]["vbus"], -0.003404, 5e-7);  // as the check says: 3.4 mA
    const Exchanged list = exportedLampList(path, {});
    EXPECT_TRUE(list.faults.empty());
    EXPECT_NE(list.out.find("\r\nrear lamp,1,rear,"), std::string::npos) << list.out;
    EXPECT_EQ(exportedLampList("/nonexistent/x.glimmet", {}).faults.size(), 1U);
    EXPECT_EQ(exportedLamp(path, {}, "roof").faults.at(0),
              path + ": --lamp: found no lamp “roof”, allowed: one of: cab lamp, rear lamp");
}
TEST(Check, LeavesAFaultyCatalogueOfTheUsersToTheUser) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("catalogue.json").toStdString();
    std::ofstream(path) << R"({"format":"glimmet-catalogue","version":1,"lamps":[{"name":"x"}]})";
    const Judged result = checked({TESTS_FOLDER "/samples/format2/ling.json", {}, {}, path, false});
    ASSERT_EQ(result.faults.size(), 1U);
    EXPECT_NE(result.faults[0].find("/lamps/0/family"), std::string::npos);
}

}  // namespace
}  // namespace glimmet::cli
