#include "store/job_json.h"

#include "core/work/standing.h"
#include "store/catalogue.h"
#include "store/upgrade.h"
#include "support/mutation.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/sanitized.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <random>

namespace glimmet::store {
namespace {

using tests::jotted;
using tests::shunter;

core::Job fullJob() {
    return jotted(shunter(),
                  {"name 🚂 \"Ling\" مرحبا", "owner R. Tide", "track 16.4V", "rectifier 1.1V",
                   "bridge 0.35V", "switch 0.08V", "ohms 9.8", "slip 600mA",
                   "lamp front white for 3mA", "parallel front red 2V 20mA", "inline front/1 red",
                   "resistor front/1 2k2", "shared front 47", "series front E24", "lamp rear red",
                   "output rear 680R", "note клип 💡", "time 25m wiring"});
}

TEST(JobJson, ReadsBackWhatItWrote) {
    for (const core::Job& job :
         {fullJob(), core::newJob("Holm Light", core::BodyKind::Lighthouse, {})}) {
        const auto back = jobFromJson(jobToJson(job));
        ASSERT_TRUE(back.has_value()) << core::plain(back.error().what);
        EXPECT_EQ(*back, job);
        EXPECT_EQ(jobToJson(*back), jobToJson(job));
    }
}
TEST(JobJson, LosesNoDigit) {
    core::Job job = shunter();
    job.motor->readings[0].amps = core::Amperes{0.1 + 0.2};
    EXPECT_EQ(jobFromJson(jobToJson(job))->motor->readings[0].amps.value(), 0.1 + 0.2);
}
TEST(JobJson, RefusesALaterFormatBeforeLookingFurther) {
    auto document = nlohmann::json::parse(jobToJson(shunter()));
    document["version"] = 2;
    document["gadget"] = true;
    const auto job = jobFromJson(document.dump());
    ASSERT_FALSE(job.has_value());
    EXPECT_EQ(job.error().code, core::ErrorCode::TooNew);
}
TEST(JobJson, NamesEveryFaultWithItsPlace) {
    auto document = nlohmann::json::parse(jobToJson(fullJob()));
    document["motor"]["readings"][2]["amps_A"] = -1;
    document["circuits"][0]["rows"][0]["lamps"][0]["part"]["family"] = "chartreuse";
    document["circuits"][1]["name"] = document["circuits"][0]["name"];
    document["extra"] = 1;
    document["body"].erase("length_mm");
    std::vector<Fault> faults;
    ASSERT_FALSE(jobFromJson(document.dump(), &faults).has_value());
    std::set<std::string> places;
    for (const Fault& fault : faults) places.insert(fault.place);
    EXPECT_EQ(places, (std::set<std::string>{"/motor/readings/2/amps_A", "/body/length_mm",
                                             "/circuits/0/rows/0/lamps/0/part/family",
                                             "/circuits/1/name", "/extra"}));
}
TEST(JobJson, RefusesAnLedThatNoLawDescribes) {
    auto document = nlohmann::json::parse(jobToJson(fullJob()));
    document["circuits"][0]["rows"][0]["lamps"][0]["part"]["rs_ohm"] = 9000;
    document["circuits"][0]["rows"][0]["lamps"][0]["part"]["vf_V"] = 2;
    document["circuits"][0]["rows"][0]["lamps"][0]["part"]["at_A"] = 0.02;
    EXPECT_FALSE(jobFromJson(document.dump()).has_value());
}
// Any damage to a document gives a job or faults, and a job that was accepted can be checked.
TEST(JobJson, SurvivesAnyMutationOfADocument) {
    std::mt19937 random(17);
    const std::string whole = jobToJson(fullJob(), -1);
    int accepted = 0;
    const int trials = tests::sanitized ? 500 : 3000;
    for (int trial = 0; trial < trials; ++trial) {
        const std::string text = tests::mutated(whole, random, {"9", "-", "e", "null", "\"", "0"});
        std::vector<Fault> faults;
        const auto job = jobFromJson(text, &faults);
        if (!job) {
            EXPECT_FALSE(core::plain(job.error().what).empty());
            continue;
        }
        ++accepted;
        for (const core::Finding& finding : core::findings(*job, tests::smallCatalogue())) {
            EXPECT_EQ(core::plain(finding.sentence).find("not a number"), std::string::npos)
                << text;
        }
    }
    EXPECT_GT(accepted, trials / 10);
}

TEST(ShippedFiles, CatalogueAndDemoJobsAreReadWithoutAFault) {
    const LoadedCatalogue loaded = loadedCatalogue(QStringLiteral("/nonexistent/catalogue.json"));
    EXPECT_GE(loaded.catalogue.decoders.size(), 5U);
    EXPECT_GE(loaded.catalogue.lamps.size(), 5U);
    const auto jobs = demoJobs();
    ASSERT_EQ(jobs.size(), 2U);
    EXPECT_EQ(jobs[0].name, "No. 4 \"Ling\"");
    std::size_t lamps = 0;
    for (const core::LampGroup& group : jobs[1].groups) {
        for (const core::LampRow& row : group.rows) lamps += row.lamps.size();
    }
    EXPECT_EQ(lamps, 9U);  // the railcar of the demo has nine
}

// No format is older than the present one yet: the machinery is tried on steps made up for it.
TEST(Upgrade, TakesEveryStepFromTheFormatOfTheDocument) {
    const Upgrade steps[] = {[](nlohmann::json& document) {
                                 document["version"] = 2;
                                 document["title"] = document["name"];
                                 document.erase("name");
                             },
                             [](nlohmann::json& document) {
                                 document["version"] = 3;
                                 document["title"] = document["title"].get<std::string>() + "!";
                             }};
    const nlohmann::json first{{"version", 1}, {"name", "Ling"}};
    EXPECT_EQ(upgraded(first, 1, steps), (nlohmann::json{{"version", 3}, {"title", "Ling!"}}));
    const nlohmann::json second{{"version", 2}, {"title", "Ling"}};
    EXPECT_EQ(upgraded(second, 2, steps), (nlohmann::json{{"version", 3}, {"title", "Ling!"}}));
    EXPECT_EQ(upgraded(second, 3, steps), second);
    // As many steps as formats there have been before the present one.
    EXPECT_EQ(jobUpgrades().size(), static_cast<std::size_t>(jobFormatVersion - 1));
}

}  // namespace
}  // namespace glimmet::store
