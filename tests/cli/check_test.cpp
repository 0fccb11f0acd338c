#include "cli/check.h"

#include "cli/exchange.h"
#include "cli/spice.h"
#include "store/workshop.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <QString>

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <fstream>

namespace glimmet::cli {
namespace {

const std::string noCatalogue = "/nonexistent/catalogue.json";

TEST(Check, ReadsAJobInJson) {
    const Checked checked_ = checked(DEMO_FOLDER "/ling.json", {}, noCatalogue);
    ASSERT_EQ(checked_.jobs.size(), 1U);
    EXPECT_TRUE(checked_.faults.empty());
    EXPECT_NE(asText(checked_).find(
                  "fine  Fits: stalled it would draw 1.36 A of the decoder's 1.8 A peak."),
              std::string::npos);
}
TEST(Check, WritesFindingsWithTheirFiguresAndWhatTheyRestOn) {
    const auto out =
        nlohmann::json::parse(asJson(checked(DEMO_FOLDER "/ling.json", {}, noCatalogue)));
    const auto& rating = out["jobs"][0]["findings"][0];
    EXPECT_EQ(rating["id"], "motor.rating");
    EXPECT_EQ(rating["state"], "fine");
    const auto& stall = rating["figures"][0];
    EXPECT_EQ(stall["symbol"], "I_stall");
    // (16.4 − 1.2 − 0.4) / (12 / 1.1)
    EXPECT_NEAR(stall["value_A"], 14.8 / (12 / 1.1), 1e-12);
    EXPECT_EQ(stall["basis"], "computed");
    EXPECT_EQ(stall["rests_on"][0]["basis"], "measured");
    EXPECT_EQ(stall["rests_on"][1]["basis"], "assumed");
}
TEST(Check, SaysWhichFileAndPlaceIsFaulty) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("bad.json").toStdString();
    std::ofstream(path) << R"({"format":"glimmet-job","version":1,"name":7})";
    const Checked result = checked(path, {}, noCatalogue);
    ASSERT_FALSE(result.faults.empty());
    EXPECT_EQ(result.faults[0].substr(0, path.size() + 8), path + ": /name:");
    EXPECT_TRUE(result.jobs.empty());
    EXPECT_EQ(checked("/nonexistent", {}, noCatalogue).faults.size(), 1U);
}
TEST(Check, ReadsAWorkshopAndOneJobOfIt) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("w.glimmet").toStdString();
    EXPECT_TRUE(imported(path, DEMO_FOLDER "/ling.json").faults.empty());
    EXPECT_TRUE(imported(path, DEMO_FOLDER "/tern.json").faults.empty());
    EXPECT_EQ(checked(path, {}, noCatalogue).jobs.size(), 2U);
    EXPECT_EQ(checked(path, "\"Tern\"", noCatalogue).jobs.size(), 1U);
    EXPECT_EQ(checked(path, "Nobody", noCatalogue).faults.size(), 1U);
    EXPECT_EQ(checked(path, {}, noCatalogue).worst(), core::State::Ask);
    // Export gives back what was imported, to the letter.
    std::ifstream file(DEMO_FOLDER "/tern.json");
    const std::string original((std::istreambuf_iterator<char>(file)), {});
    EXPECT_EQ(exported(path, "\"Tern\"").out, original);
    EXPECT_EQ(exported(path, "").faults.size(), 1U);
}
TEST(Export, TellsAJobAsItWas) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("w.glimmet").toStdString();
    EXPECT_TRUE(imported(path, DEMO_FOLDER "/ling.json").faults.empty());
    EXPECT_EQ(exported(path, "", "2001-03-31").faults.at(0),
              path + ": The job did not exist at that time.");
    EXPECT_EQ(exported(path, "", "2999-03-31").out, exported(path, "").out);
    EXPECT_EQ(exported(path, "", "in March").faults.size(), 1U);
}
TEST(Export, WritesALampAsANetlistThatGivesItsCurrent) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("w.glimmet").toStdString();
    EXPECT_TRUE(imported(path, DEMO_FOLDER "/ling.json").faults.empty());
    const Exchanged lamp = exportedLamp(path, "", "rear lamp");
    ASSERT_TRUE(lamp.faults.empty()) << lamp.faults[0];
    const auto out = nlohmann::json::parse(spiceRun(lamp.out).json);
    EXPECT_NEAR(out["op"]["i"]["vbus"], -0.003404, 5e-7);  // as the check says: 3.4 mA
    EXPECT_EQ(exportedLamp(path, "", "roof").faults.at(0),
              path + ": --lamp: found no lamp “roof”, allowed: one of: cab lamp, rear lamp");
}
TEST(Check, LeavesAFaultyCatalogueOfTheUsersToTheUser) {
    const tests::Scratch scratch;
    const std::string path = scratch.file("catalogue.json").toStdString();
    std::ofstream(path) << R"({"format":"glimmet-catalogue","version":1,"lamps":[{"name":"x"}]})";
    const Checked result = checked(DEMO_FOLDER "/ling.json", {}, path);
    ASSERT_EQ(result.faults.size(), 1U);
    EXPECT_NE(result.faults[0].find("/lamps/0/family"), std::string::npos);
}

}  // namespace
}  // namespace glimmet::cli
