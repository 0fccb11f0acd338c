// Options tried on the whole job: the first one ends the matter, one that only moves the trouble
// says so and comes last.
#include "core/work/trials.h"

#include "core/analysis/motor_evidence.h"
#include "core/analysis/stay_alive/bank_state.h"
#include "core/work/jot.h"
#include "support/findings.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <map>

namespace glimmet::core {
namespace {

using tests::busy;
using tests::factsOf;
using tests::found;
using tests::jotted;
using tests::newJob;
using tests::shunter;

TEST(Trials, TheFirstOptionEndsTheMatter) {
    for (const Job& job :
         {jotted(shunter(), {"decoder small"}), jotted(shunter(), {"decoder none"}),
          jotted(shunter(), {"track 21.5V"}),
          jotted(shunter(), {"lamp front white", "resistor front 100"}),
          jotted(shunter(), {"lamp front white for 50mA"}),
          jotted(shunter(), {"bank chips-3300u-25 diode 0.35V"}),
          jotted(tests::newJob("Aurora", "saloon"), {"lamp table white", "resistor table 4k7"})}) {
        const auto all = findings(factsOf(job));
        const Finding* worst = &all.front();
        for (const Finding& finding : all) {
            if (graver(finding, *worst)) worst = &finding;
        }
        ASSERT_NE(worst->state, State::Fine) << job.name;
        Finding finding = *worst;
        tryOptions(finding, factsOf(job));
        ASSERT_FALSE(finding.options.empty()) << finding.id;
        const Job taken = jotted(job, {finding.options.front().jot.c_str()});
        const auto after = findings(factsOf(taken));
        const Finding* left = found(after, finding.id);
        EXPECT_EQ(left ? left->state : State::Fine, finding.options.front().state) << finding.id;
        EXPECT_LE(finding.options.front().state, State::Close)
            << finding.id << ": " << finding.options.front().jot;
    }
}
TEST(Trials, WhatOnlyMovesTheTroubleComesLastAndSaysSo) {
    // The smallest decoder that carries the motor has no output 1, on which a lamp hangs.
    Job job = jotted(shunter(), {"decoder none", "lamp cab white on 1", "resistor cab 4k7"});
    Catalogue parts = tests::smallCatalogue();
    parts.decoders[1].outputs.pop_back();  // "middle" loses its output 1
    const WorkshopRules house;
    const JobAnalysis facts = analysed(job, house, parts);
    const auto all = findings(facts);
    Finding rating = *found(all, "motor.rating");
    // As if it had been picked in closed form by the motor alone.
    std::stable_sort(rating.options.begin(), rating.options.end(),
                     [](const Option& a, const Option& b) {
                         return (a.jot == "decoder middle") > (b.jot == "decoder middle");
                     });
    ASSERT_EQ(rating.options.front().jot, "decoder middle");
    tryOptions(rating, facts);
    EXPECT_NE(rating.options.front().jot, "decoder middle");
    bool said = false;
    for (const Option& option : rating.options) {
        if (option.jot == "decoder middle") {
            said = plain(option.effect).find("but then: ") != std::string::npos;
        }
    }
    EXPECT_TRUE(said);
}
TEST(Trials, LeaveAnswersAndWhatIsFineAlone) {
    const Job asked =
        jotted(shunter(), {"decoder board", "lamp front white", "resistor front none"});
    const Finding before = *found(findings(factsOf(asked)), "lamp.output:L3");
    Finding after = before;
    tryOptions(after, factsOf(asked));
    ASSERT_EQ(after.options.size(), 3U);
    for (std::size_t i = 0; i < 3; ++i) EXPECT_EQ(after.options[i].jot, before.options[i].jot);
    const Job fine = jotted(shunter(), {"lamp front white", "resistor front 2k2"});
    Finding lamp = *found(findings(factsOf(fine)), "lamp.current:L3");
    const std::string first = lamp.options.front().jot;
    tryOptions(lamp, factsOf(fine));
    EXPECT_EQ(lamp.options.front().jot, first);
    // A decoder that fits wants no advice.
    EXPECT_TRUE(found(findings(factsOf(fine)), "motor.rating")->options.empty());
}

/// The findings in words, to be compared.
std::vector<std::string> told(const JobAnalysis& facts) {
    std::vector<std::string> all;
    for (const Finding& one : findings(facts)) all.push_back(one.id + ": " + plain(one.sentence));
    return all;
}
TEST(Trials, AJobReckonedAfterAChangeIsAsIfReckonedAnew) {
    const Job job = jotted(
        shunter(), {"lamp front white", "resistor front 1k", "lamp rear red", "resistor rear 2k2"});
    const JobAnalysis before = factsOf(job);
    const auto as = told(before);
    for (const char* change :
         {"resistor rear 100", "lamp cab white", "remove front", "track 12V", "track 20V",
          "decoder none", "decoder small", "supply dc", "margin 30%"}) {
        const Job after = jotted(job, {change});
        EXPECT_EQ(told(reanalysed(before, after)), told(factsOf(after))) << change;
    }
    EXPECT_NE(told(reanalysed(before, jotted(job, {"track 20V"}))), as);
}
// Whatever a fact reads, it declares: else one that does not hold any more would be kept.
TEST(Facts, AreKeptOnlyWhereNothingTheyReadChanged) {
    const Job engine = jotted(busy(), {"bank none", "bank electrolytic-2200u-25", "dirt every 1m"});
    const Job coach = jotted(newJob("Saloon", "saloon"),
                             {"supply dcc 15V", "lamp table warm white", "resistor table 1k",
                              "rectifier silicon", "smoothing 330uF 25V"});
    const char* const changes[] = {"motor none",
                                   "motor coreless",
                                   "stall 1.6A 12V",
                                   "light 400mA 12V",
                                   "remove last stall",
                                   "supply dc",
                                   "supply three-rail",
                                   "supply ac 16V",
                                   "track 20V",
                                   "scale N",
                                   "decoder none",
                                   "decoder large",
                                   "bank none",
                                   "bank can-1000u-25",
                                   "bank turned",
                                   "charge 22R",
                                   "clamp 12V",
                                   "creep 3km/h",
                                   "points 1:9 35mm",
                                   "gap 60mm left",
                                   "dirt none",
                                   "axle 1 none",
                                   "pickup left 2 none",
                                   "resistor front 100",
                                   "lamp rear red",
                                   "remove front",
                                   "rectifier none",
                                   "rectifier schottky",
                                   "smoothing none",
                                   "bleed 1k",
                                   "dim front 20%",
                                   "unit railcar called rear",
                                   "contacts 6",
                                   "decoder middle in trailer",
                                   "margin 40%",
                                   "spread 20%",
                                   "body railbus",
                                   "complaint stalls",
                                   "across 6V",
                                   "lift 2s",
                                   "resistor table 100",
                                   "wired table 12V 10mA 9V 6mA",
                                   "battery 2 li-ion 2Ah",
                                   "motors 2",
                                   "remove last light",
                                   "cavity hood 60x20x15"};
    int tried = 0;
    std::map<std::string, int> refused;
    for (const Job& job : {engine, coach}) {
        const JobAnalysis before = factsOf(job);
        (void)told(before);  // all that judges ask for is kept now
        EXPECT_GT(before.kept.size(), 0U);
        for (const char* change : changes) {
            const auto after =
                applyLine(change, job, tests::smallCatalogue(), "2026-03-02", WorkshopRecord{});
            if (!after) {
                ++refused[change];
                continue;
            }
            ++tried;
            EXPECT_EQ(told(reanalysed(before, after->after)), told(factsOf(after->after)))
                << change;
        }
    }
    EXPECT_GT(tried, 60);
    std::string all;
    for (const auto& [change, times] : refused) {
        if (times == 2) all += change + ", ";
    }
    EXPECT_EQ(all, "") << "means nothing to either";
}
TEST(Facts, AreWorkedOutOnceAndNotAgainForWhatTheyDoNotRead) {
    const Job job = busy();
    const JobAnalysis facts = factsOf(job);
    EXPECT_EQ(&stay_alive::loadsOf(facts), &stay_alive::loadsOf(facts));
    const Job noted = jotted(job, {"note it hums"});
    EXPECT_EQ(&stay_alive::loadsOf(reanalysed(facts, noted)), &stay_alive::loadsOf(facts));
    const Job slower = jotted(job, {"creep 3km/h"});
    const JobAnalysis then = reanalysed(facts, slower);
    EXPECT_NE(&stay_alive::loadsOf(then), &stay_alive::loadsOf(facts));
    // A copy is its own.
    const JobAnalysis copy = facts;
    (void)driveEvidence(copy);
    EXPECT_EQ(copy.kept.size(), facts.kept.size() + 1);
}
TEST(Trials, OneFindingAloneIsWordedAsAmongTheOthers) {
    const Job job = jotted(shunter(), {"lamp front white", "resistor front 100"});
    const JobAnalysis facts = factsOf(job);
    for (const Finding& one : findings(facts)) {
        const auto alone = findingsOf(facts, one.id);
        ASSERT_FALSE(alone.empty()) << one.id;
        for (const Finding& same : alone) EXPECT_EQ(same.id, one.id);
        EXPECT_EQ(plain(alone.front().sentence), plain(found(findings(facts), one.id)->sentence));
    }
    EXPECT_TRUE(findingsOf(facts, "no such finding").empty());
}
TEST(Trials, AGroupsStateIsFoundByItsId) {
    const Job job = jotted(
        shunter(), {"lamp front white", "resistor front 1k", "lamp rear red", "resistor rear 2k2"});
    const JobAnalysis facts = factsOf(job);
    ASSERT_EQ(facts.groups.size(), 2U);
    for (std::size_t g = 0; g < 2; ++g) {
        const GroupState* state = facts.group(job.groups[g].id);
        ASSERT_NE(state, nullptr);
        EXPECT_EQ(state, &*facts.groups[g]);
    }
    EXPECT_EQ(facts.group("L999"), nullptr);
}

}  // namespace
}  // namespace glimmet::core
