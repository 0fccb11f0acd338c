// The house rules: what they say, what another would change on a job, the lines that change them,
// and that jobs are judged by them.
#include "core/analysis/job_summary.h"
#include "core/house/rules/rules.h"
#include "core/work/shelf.h"
#include "core/work/stage_status.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using tests::jotted;
using tests::shunter;
using tests::smallCatalogue;

std::string answer(std::string_view line, const WorkshopRecord& workshop = {}) {
    const auto said = applyLine(line, workshop, smallCatalogue(), "2026-03-02");
    return said ? plain(said->meaning) : "✗ " + plain(said.error().what);
}
WorkshopRecord workshopAfter(std::string_view line, const WorkshopRecord& workshop = {}) {
    return applyLine(line, workshop, smallCatalogue(), "2026-03-02").value().after;
}
State measured(const Job& job, const WorkshopRules& house) {
    return leading(findings(job, smallCatalogue(), house), "decoder")->state;
}

TEST(WorkshopRules, JudgesEveryJobThatHasNoRuleOfItsOwn) {
    WorkshopRules strict;
    strict.rule = RatingRule::Strict;
    EXPECT_EQ(measured(shunter(), {}), State::Fine);
    EXPECT_EQ(measured(shunter(), strict), State::Over);
    EXPECT_EQ(measured(jotted(shunter(), {"rule slip"}), strict), State::Fine);
    // 1.3975 A of 1.8 A is 78 %: close within 25 %, not within 15 %.
    WorkshopRules wide;
    wide.closeMargin = 0.25;
    EXPECT_EQ(measured(shunter(), wide), State::Close);
    EXPECT_EQ(measured(jotted(shunter(), {"margin 15%"}), wide), State::Fine);
    WorkshopRules drops;
    drops.rectifier = Volts{0.2};
    drops.bridge = Volts{0};
    EXPECT_EQ(measured(shunter(), drops), State::Close);  // 14.3 V / 9.23 Ω = 1.55 A
}
TEST(WorkshopRules, NewLampsGetTheResistorsThatAreInTheDrawers) {
    WorkshopRecord workshop;
    workshop.house.drawers = Series::E24;
    const auto lamp =
        applyLine("lamp front white", shunter(), smallCatalogue(), "", workshop).value();
    EXPECT_EQ(lamp.after.groups.at(0).wish.series, Series::E24);
    EXPECT_EQ(jotted(shunter(), {"lamp front white"}).groups.at(0).wish.series, Series::E12);
}
TEST(WorkshopRules, GoesAlongWithAJobThatLeaves) {
    WorkshopRules strict;
    strict.rule = RatingRule::Strict;
    strict.closeMargin = 0.1;
    const Job away = withHouse(shunter(), strict);
    EXPECT_EQ(measured(away, {}), State::Over);  // judged there as it was here
    const Job taken = adopted(away, {});
    EXPECT_FALSE(taken.judgedWith.has_value());
    EXPECT_EQ(taken.own.rule, RatingRule::Strict);
    EXPECT_NEAR(*taken.own.closeMargin, 0.1, 1e-12);
    EXPECT_FALSE(taken.own.supplySpread || taken.own.drawers);  // there as here
    // Nothing is said where both houses do the same.
    EXPECT_FALSE(withHouse(shunter(), {}).judgedWith.has_value());
    EXPECT_FALSE(adopted(away, strict).own.rule.has_value());
    // All that is judged by goes along, and what the job had of its own with it.
    WorkshopRules other;
    other.rectifier = Volts{1.6};
    other.bridge = Volts{1};
    other.outputSwitch = Volts{0.6};
    other.supplySpread = 0.1;
    other.drawers = Series::E24;
    other.meterTolerance = 0.02;
    other.decoders = {"four-wire-1.0"};
    const Job elsewhere = adopted(withHouse(jotted(shunter(), {"margin 30%"}), other), {});
    WorkshopRules there = houseOf(elsewhere, {});
    other.closeMargin = 0.3;
    other.decoders.clear();  // what lies in a drawer stays in it
    EXPECT_EQ(there, other);
    EXPECT_EQ(adopted(shunter(), strict), shunter());
}

TEST(WorkshopRules, IsFollowedByAJobAgainOnceItSaysSo) {
    WorkshopRules wide;
    wide.supplySpread = 0.1;
    wide.drawers = Series::E24;
    wide.meterTolerance = 0.03;
    wide.closeMargin = 0.25;
    wide.rule = RatingRule::Strict;
    const Job own = jotted(
        shunter(), {"spread 2%", "drawers E6", "tolerance 1%", "margin 10%", "rule running"});
    const WorkshopRules its = houseOf(own, wide);
    EXPECT_DOUBLE_EQ(its.supplySpread, 0.02);
    EXPECT_EQ(its.drawers, Series::E6);
    EXPECT_DOUBLE_EQ(its.meterTolerance, 0.01);
    EXPECT_DOUBLE_EQ(its.closeMargin, 0.1);
    EXPECT_EQ(its.rule, RatingRule::Running);
    const Job again = jotted(
        own, {"spread house", "drawers house", "tolerance house", "margin house", "rule house"});
    EXPECT_EQ(houseOf(again, wide), wide);
    EXPECT_EQ(again, shunter());
    // Lamps that are new to it get its own resistors.
    EXPECT_EQ(jotted(own, {"lamp front white"}).groups.at(0).wish.series, Series::E6);
}
TEST(WorkshopRules, TrackVoltsOfAJobThatVaryLessAreJudgedSo) {
    // 19 V and 10 % are 20.9 V on a decoder that bears 20 V; 2 % are 19.4 V.
    const Job hot = jotted(shunter(), {"track 19V"});
    WorkshopRules wide;
    wide.supplySpread = 0.1;
    const auto volts = [&](const Job& job) {
        return tests::finding(findings(job, smallCatalogue(), wide), "motor.track-volts");
    };
    const Finding before = volts(hot);
    const Finding after = volts(jotted(hot, {"spread 2%"}));
    EXPECT_NEAR(*tests::figure(before, "V_top").value, 20.9, 1e-9);
    EXPECT_NEAR(*tests::figure(after, "V_top").value, 19.38, 1e-9);
    EXPECT_EQ(tests::figure(before, "V_top").inputs.at(1).basis.kind, Basis::Kind::Assumed);
    EXPECT_EQ(tests::figure(after, "V_top").inputs.at(1).basis.kind, Basis::Kind::Chosen);
}

TEST(Shelf, KeepsWhatWasPutSomewhereAndLeavesTheOthersAsTheyCame) {
    const std::vector<int> came{1, 2, 3, 4, 5};
    EXPECT_EQ(shelved(came, {}), came);
    EXPECT_EQ(shelved(came, {{4}, {9}, {4}, {1}}),
              (std::vector{4, 1, 2, 3, 5}));  // 9 was taken off
    EXPECT_EQ(orderWith(4, 2, came, {}), (std::vector<Shelved>{{1}, {4}}));
    EXPECT_EQ(orderWith(1, {}, came, {}), (std::vector<Shelved>{{2}, {3}, {4}, {5}}));
    EXPECT_TRUE(orderWith(4, 5, came, {}).empty());  // where it stands
    // Whatever is moved where: it stands there, and no other two change their order.
    std::vector<Shelved> order;
    for (int step = 0; step < 200; ++step) {
        const int job = 1 + step * 7 % 5;
        const std::optional<int> before =
            step % 6 == 5 ? std::nullopt : std::optional(1 + (job + step) % 5);
        if (before == job) continue;
        std::vector<int> expected = shelved(came, order);
        std::erase(expected, job);
        expected.insert(
            before ? std::find(expected.begin(), expected.end(), *before) : expected.end(), job);
        order = orderWith(job, before, came, order);
        EXPECT_EQ(shelved(came, order), expected) << step;
    }
}
TEST(Shelf, IsOrderedByNames) {
    const std::vector<std::pair<int, std::string>> jobs{
        {1, "No. 4 \"Ling\""}, {2, "\"Tern\""}, {7, "Signal box"}};
    const auto order = [&](std::string_view line, const WorkshopRecord& workshop = {}) {
        const auto said = applyLine(line, workshop, smallCatalogue(), "", jobs);
        EXPECT_TRUE(said.has_value()) << line;
        return said ? shelved(said->after, jobs) : std::vector<int>();
    };
    EXPECT_EQ(order("shelf tern first"), (std::vector{2, 1, 7}));
    EXPECT_EQ(order("shelf Signal box before Tern"), (std::vector{1, 7, 2}));
    EXPECT_EQ(order("shelf Ling last"), (std::vector{2, 7, 1}));
    WorkshopRecord turned;
    turned.shelfOrder = {{7}};
    EXPECT_EQ(order("shelf Ling first", turned), (std::vector{1, 7, 2}));
    EXPECT_EQ(order("shelf Tern before Ling", turned), (std::vector{7, 2, 1}));
    const auto refused = [&](std::string_view line) {
        const auto said = applyLine(line, WorkshopRecord{}, smallCatalogue(), "", jobs);
        return said ? plain(said->meaning) : "✗ " + plain(said.error().what);
    };
    EXPECT_EQ(refused("shelf Ling first"), "No. 4 \"Ling\" stands on the shelf before \"Tern\"");
    EXPECT_EQ(refused("shelf Ling"), "✗ Where on the shelf? Write it like shelf Ling before Tern.");
    EXPECT_EQ(refused("shelf Ling before Ling"), "✗ No. 4 \"Ling\" cannot stand before itself.");
    EXPECT_EQ(refused("shelf Ling first before Tern").substr(0, 3), std::string("✗"));
}

TEST(HouseJots, SetEveryRule) {
    EXPECT_EQ(answer("rule strict"), "House, rating rule: strict");
    EXPECT_EQ(workshopAfter("rule running").house.rule, RatingRule::Running);
    EXPECT_EQ(answer("margin 10%"), "House: close within 10 % of a limit");
    EXPECT_NEAR(workshopAfter("margin 10%").house.closeMargin, 0.1, 1e-12);
    EXPECT_EQ(answer("spread 10%"), "House: track volts differ by 10 %");
    EXPECT_NEAR(workshopAfter("spread 10%").house.supplySpread, 0.1, 1e-12);
    EXPECT_EQ(workshopAfter("rectifier 1.4V").house.rectifier, Volts{1.4});
    EXPECT_EQ(workshopAfter("bridge drop 0.3V").house.bridge, Volts{0.3});
    EXPECT_EQ(workshopAfter("switch 0.6V").house.outputSwitch, Volts{0.6});
    EXPECT_EQ(workshopAfter("drawers E24").house.drawers, Series::E24);
    EXPECT_EQ(answer("leg anode"), "House: resistors of lamps go into the plus lead");
    EXPECT_EQ(workshopAfter("leg plus").house.leg, ResistorLeg::Plus);
    EXPECT_EQ(workshopAfter("leg minus", workshopAfter("leg plus")).house.leg, ResistorLeg::Minus);
    EXPECT_EQ(answer("leg").substr(0, 3), "✗");
    EXPECT_EQ(answer("resistors shared"), "House: like lamps of one output share one resistor");
    const WorkshopRecord sharing = workshopAfter("resistors shared");
    EXPECT_EQ(sharing.house.lampResistors, LampResistors::Shared);
    EXPECT_EQ(workshopAfter("resistors each", sharing).house.lampResistors, LampResistors::Each);
    EXPECT_EQ(answer("resistors some").substr(0, 3), "✗");
    EXPECT_EQ(answer("resistors").find("✗ One for each lamp (each), or shared?"), 0U);
    // One rule at a time; the others stay.
    WorkshopRecord two = workshopAfter("drawers E24", workshopAfter("rule strict"));
    EXPECT_EQ(two.house.rule, RatingRule::Strict);
    EXPECT_EQ(applyLine("rule strict", WorkshopRecord(), smallCatalogue(), "")->subject, "rule");
    EXPECT_EQ(applyLine("rule strict", WorkshopRecord(), smallCatalogue(), "")->stage, "rules");
}
TEST(Schools, AreTheHousesUntilAJobHasItsOwn) {
    const WorkshopRecord house = workshopAfter("school first-power plain-dc");
    EXPECT_EQ(house.house.firstPower, FirstPower::PlainDc);
    EXPECT_EQ(answer("school first-power plain-dc"), "House, first-power: plain-dc");
    EXPECT_EQ(answer("school run-in 20min"), "House, run-in: 20 min");
    EXPECT_EQ(workshopAfter("school run-in 0min").house.runIn, Seconds{0});
    EXPECT_EQ(workshopAfter("school lighting-bus 9V").house.lightingBus, Volts{9});
    const Job job = jotted(shunter(), {"school first-power programming-track",
                                       "school address as-it-is", "school run-in 10min"});
    const WorkshopRules held = houseOf(job, house.house);
    EXPECT_EQ(held.firstPower, FirstPower::ProgrammingTrack);
    EXPECT_EQ(held.address, AddressFrom::AsItIs);
    EXPECT_EQ(held.runIn, Seconds{600});
    EXPECT_EQ(held.isolation, house.house.isolation);
    const Job again = jotted(job, {"school first-power house", "school run-in house"});
    EXPECT_FALSE(again.own.firstPower);
    EXPECT_EQ(houseOf(again, house.house).firstPower, FirstPower::PlainDc);
    EXPECT_EQ(houseOf(again, house.house).runIn, usualRunIn);
    // Every one of them by each of its words.
    for (const char* line :
         {"school isolation tape", "school isolation plastic-screw", "school isolation cut-strip",
          "school decoder-joint hard-wired", "school wire-joint lapped",
          "school resistor-place mid-wire", "school speed-curve table", "school direction bit",
          "school lighting-bus 12V", "school address fleet-number"}) {
        EXPECT_FALSE(answer(line).starts_with("✗")) << line << answer(line);
        EXPECT_TRUE(applyLine(line, shunter(), smallCatalogue(), "")) << line;
    }
    EXPECT_EQ(answer("school run-in tape"), "✗ For run-in write a time such as 30min.");
    EXPECT_EQ(answer("school isolation bit"),
              "✗ For isolation write one of: tape, plastic-screw, cut-strip.");
    EXPECT_EQ(answer("school lighting-bus"), "✗ For lighting-bus write a voltage such as 12V.");
    // Two values are one too many, and none is passed over.
    EXPECT_EQ(answer("school run-in tape 30min"), "✗ For run-in write a time such as 30min.");
    EXPECT_TRUE(answer("school isolation tape 12V").starts_with("✗ For isolation write one of:"));
    EXPECT_FALSE(applyLine("school run-in 30min house", shunter(), smallCatalogue(), ""));
    EXPECT_FALSE(applyLine("school isolation", shunter(), smallCatalogue(), ""));
}
TEST(HouseJots, RefuseWhatIsNoRule) {
    EXPECT_EQ(answer("rule brave"), "✗ “brave” is none of: strict, slip, running.");
    EXPECT_EQ(answer("margin 95%").substr(0, 3), "✗");
    EXPECT_EQ(answer("rectifier 12V").substr(0, 3), "✗");
    EXPECT_EQ(answer("stall 1.3A 12V").substr(0, 3), "✗");  // of a model, not of the workshop
    EXPECT_EQ(answer("drawers"), "✗ Which series: E6, E12, E24 or E96? Write it like drawers E24.");
    EXPECT_EQ(answer("").substr(0, 3), "✗");
}
const std::vector<std::pair<int, std::string>>& shelf() {
    static const std::vector<std::pair<int, std::string>> jobs{
        {1, "No. 4 \"Ling\""}, {2, "\"Tern\""}, {7, "Saloon"}};
    return jobs;
}
WorkshopRecord withQuay() {
    WorkshopRecord workshop;
    workshop.districts = {{"quay", Amperes{3}, Amperes{4}, {}, {}}};
    return workshop;
}
TEST(HouseJots, EveryExampleIsUnderstoodAndListed) {
    std::size_t examples = 0;
    for (const JotForm& form : workshopJotForms()) {
        EXPECT_TRUE(form.stage == "rules" || form.stage == "district");
        for (const std::string example : form.examples) {
            ++examples;
            EXPECT_TRUE(applyLine(example, withQuay(), smallCatalogue(), "", shelf()).has_value())
                << example;
        }
    }
    EXPECT_EQ(examples, 24U);
    EXPECT_EQ(workshopJotCompletions("dra", {}, smallCatalogue()).at(0).line, "drawers ");
}

TEST(HouseFindings, OfferWhatWorkshopsUse) {
    const WorkshopRecord workshop;
    const Catalogue& catalogue = smallCatalogue();
    std::string all;
    for (const Finding& finding : findings(WorkshopFacts{workshop, catalogue})) {
        for (const Option& option : finding.options) all += option.jot + "; ";
    }
    EXPECT_EQ(
        all,
        "rule strict; rule running; margin 10%; margin 25%; spread 2%; spread 10%; rectifier "
        "0.7V; rectifier 1.6V; bridge 0.2V; bridge 1V; switch 0.05V; switch 0.6V; drawers E6; "
        "drawers E24; drawers E96; leg plus; resistors shared; mains 60Hz; tolerance 0.5%; "
        "tolerance 3%; ");
}
TEST(HouseFindings, ShowOnAnExampleWhatEachRuleChanges) {
    const Job job = shunter();
    const WorkshopRecord workshop;
    const auto all = findings(WorkshopFacts{workshop, smallCatalogue(), &job});
    ASSERT_EQ(all.size(), rules::rulesOf({}).size());
    const Finding& rule = all.at(0);
    EXPECT_EQ(rule.id, "house.rule");
    EXPECT_EQ(rule.stage, "rules");
    EXPECT_EQ(plain(rule.sentence).substr(0, 6), "Slip: ");
    ASSERT_EQ(rule.options.size(), 2U);  // the other two
    EXPECT_EQ(rule.options[0].jot, "rule strict");
    EXPECT_EQ(plain(rule.options[0].effect), "on Shunter: Decoder from fine to over");
    EXPECT_EQ(plain(rule.options[1].effect), "on Shunter every verdict stays");
    for (const Finding& finding : all) {
        EXPECT_EQ(finding.state, State::Fine);
        for (const Option& option : finding.options) {
            // What an option says is what taking it does.
            const auto taken = applyLine(option.jot, workshop, smallCatalogue(), "");
            ASSERT_TRUE(taken.has_value()) << option.jot;
            EXPECT_FALSE(taken->after == workshop) << option.jot;
            EXPECT_EQ(taken->subject, finding.subject.id) << option.jot;
        }
    }
    EXPECT_EQ(
        plain(findings(WorkshopFacts{workshop, smallCatalogue(), nullptr})[0].options[0].effect),
        "put a model on the bench to see what it changes");
}
TEST(HouseFindings, ListsEachRuleWithWhetherItIsUsual) {
    WorkshopRules house;
    for (const rules::Rule& rule : rules::rulesOf({house})) EXPECT_TRUE(rule.usual) << rule.id;
    house.bridge = Volts{1};
    house.drawers = Series::E96;
    std::vector<std::string> changed;
    for (const rules::Rule& rule : rules::rulesOf({house})) {
        if (!rule.usual) changed.emplace_back(rule.id);
    }
    EXPECT_EQ(changed, (std::vector<std::string>{"bridge", "drawers"}));
    WorkshopRecord own;
    own.house = house;
    EXPECT_EQ(plain(stageStatus(own, {}).at(0).why), "rules of its own");
    EXPECT_EQ(plain(stageStatus(WorkshopRecord(), {}).at(0).why), "as every workshop begins");
}

WorkshopRecord jottedTo(WorkshopRecord workshop, std::initializer_list<const char*> lines) {
    for (const char* line : lines) {
        workshop = applyLine(line, workshop, smallCatalogue(), "", shelf()).value().after;
    }
    return workshop;
}
bool refused(const char* line, const WorkshopRecord& workshop) {
    return !applyLine(line, workshop, smallCatalogue(), "", shelf()).has_value();
}

TEST(DistrictJots, MakeChangeAndDissolve) {
    WorkshopRecord workshop = jottedTo({}, {"district old quay 3A"});
    ASSERT_EQ(workshop.districts.size(), 1U);
    EXPECT_EQ(workshop.districts[0], (PowerDistrict{"old quay", Amperes{3}, Amperes{3}, {}, {}}));
    workshop = jottedTo(workshop, {"district old quay 5A"});  // where it trips follows
    EXPECT_EQ(workshop.districts[0].trip, Amperes{5});
    workshop = jottedTo(workshop, {"district old quay trips 6A", "district old quay lamps 0.4A",
                                   "district old quay 4A"});
    EXPECT_EQ(workshop.districts[0],
              (PowerDistrict{"old quay", Amperes{4}, Amperes{6}, Amperes{0.4}, {}}));
    EXPECT_TRUE(refused("district yard", workshop));
    EXPECT_TRUE(refused("district", workshop));
    EXPECT_TRUE(refused("dissolve yard", workshop));
    EXPECT_TRUE(jottedTo(workshop, {"dissolve old quay"}).districts.empty());
}
TEST(DistrictJots, AModelRunsOnOneDistrictAtATime) {
    WorkshopRecord workshop = jottedTo(withQuay(), {"district yard 2A", "runs Ling on quay",
                                                    "runs Saloon on quay", "runs tern on yard"});
    EXPECT_EQ(workshop.districts[0].models, (std::vector<DistrictModel>{{1}, {7}}));
    EXPECT_EQ(workshop.districts[1].models, (std::vector<DistrictModel>{{2}}));
    workshop = jottedTo(workshop, {"runs Ling on yard"});
    EXPECT_EQ(workshop.districts[0].models, (std::vector<DistrictModel>{{7}}));
    EXPECT_EQ(workshop.districts[1].models, (std::vector<DistrictModel>{{2}, {1}}));
    workshop = jottedTo(workshop, {"runs No. 4 \"Ling\" nowhere"});
    EXPECT_EQ(workshop.districts[1].models, (std::vector<DistrictModel>{{2}}));
    EXPECT_TRUE(refused("runs Gull on quay", workshop));
    EXPECT_TRUE(refused("runs Ling on pier", workshop));
    EXPECT_TRUE(refused("runs Ling", workshop));
    EXPECT_TRUE(refused("runs Ling on quay nowhere", workshop));
    EXPECT_TRUE(refused("runs Ling on quay", {}));
}

TEST(JobSummary, IsWhatTheModelWasReadToTake) {
    Job job = jotted(tests::newJob("Gull", "cab-diesel", {}),
                     {"light 0.2A 12V", "haul 0.35A 12V", "slip 0.6A 12V", "decoder middle",
                      "lamp front white on front", "resistor front 1k",
                      "bank electrolytic-2200u-25", "charge 100R", "track 14.5V"});
    const JobSummary read = summaryOf(5, job, {}, smallCatalogue());
    EXPECT_EQ(read.job, 5);
    EXPECT_TRUE(read.read);
    EXPECT_EQ(read.load.name, job.name);
    EXPECT_NEAR(read.load.running.value(), 0.35, 1e-12);
    EXPECT_NEAR(read.load.slipping.value(), 0.6, 1e-12);
    EXPECT_NEAR(read.load.lamps.value(), tests::factsOf(job).groups[0]->total.value(), 1e-12);
    EXPECT_NEAR(read.load.charging.value(), (14.5 - 1.2) / 100, 1e-9);
    EXPECT_EQ(read.load.sound, Amperes{0});
    job.decoder->part.sound = true;
    EXPECT_EQ(summaryOf(5, job, {}, smallCatalogue()).load.sound, Amperes{0.1});
    // What nobody read is usual for its kind, and said to be.
    const JobSummary unread =
        summaryOf(6, tests::newJob("Gull", "cab-diesel", {}), {}, smallCatalogue());
    EXPECT_FALSE(unread.read);
    EXPECT_GT(unread.load.running, Amperes{0});
    EXPECT_GE(unread.load.slipping, unread.load.running);
    // A coach without a motor has nothing to read.
    const JobSummary coach =
        summaryOf(7, tests::newJob("Saloon", "saloon", {}), {}, smallCatalogue());
    EXPECT_TRUE(coach.read);
    EXPECT_EQ(coach.load.running, Amperes{0});
}

JobSummary model(int id, const char* name, double running, double slipping, double charging,
                 bool read = true) {
    return {id,
            {name, Amperes{running}, Amperes{slipping}, Amperes{0.05}, {}, Amperes{charging}},
            read};
}
std::vector<Finding> saidOf(const WorkshopRecord& workshop, const std::vector<JobSummary>& loads) {
    std::vector<Finding> all;
    for (Finding& each : findings(WorkshopFacts{workshop, smallCatalogue(), nullptr, loads})) {
        if (each.stage == "district") all.push_back(std::move(each));
    }
    return all;
}

TEST(DistrictFindings, CountRunningSlippingAndPowerUp) {
    const WorkshopRecord workshop =
        jottedTo(withQuay(), {"runs Ling on quay", "runs Tern on quay"});
    const auto fine =
        saidOf(workshop, {model(1, "Ling", 0.35, 0.6, 0.13), model(2, "Tern", 0.4, 0.8, 0.1)});
    ASSERT_EQ(fine.size(), 2U);
    EXPECT_EQ(fine[1].id, "district.surge:quay");
    EXPECT_EQ(plain(fine[1].sentence), "quay at power-up: 330 mA of the 4 A where it trips.");
    EXPECT_EQ(fine[0].state, State::Fine);
    // 0.35 + 0.05 + 0.4 + 0.05 = 0.85 of 2.4; 1.55 left, three of 0.45.
    EXPECT_EQ(plain(fine[0].sentence),
              "quay carries 850 mA of 2.4 A for long. Room for 3 more like the largest.");
    EXPECT_TRUE(fine[0].options.empty());

    const auto close =
        saidOf(workshop, {model(1, "Ling", 1.0, 1.2, 0), model(2, "Tern", 1.0, 1.2, 0)});
    EXPECT_EQ(close[0].state, State::Close);  // 2.1 of 2.4
    const auto over =
        saidOf(workshop, {model(1, "Ling", 1.3, 1.5, 0), model(2, "Tern", 1.1, 1.2, 0)});
    EXPECT_EQ(over[0].state, State::Over);  // 2.5 of 2.4
    ASSERT_EQ(over[0].options.size(), 2U);
    EXPECT_EQ(plain(over[0].options[0].effect), "1.35 A less");
    const auto odd = jottedTo(workshop, {"district quay 3.1A"});
    EXPECT_NE(plain(saidOf(odd, {model(1, "Ling", 0.35, 0.6, 0), model(2, "Tern", 0.4, 0.8, 0)})[0]
                        .sentence)
                  .find("of 2.48 A for long"),
              std::string::npos);
    const auto less = jottedTo(workshop, {over[0].options[0].jot.c_str()});
    EXPECT_EQ(saidOf(less, {model(1, "Ling", 1.3, 1.5, 0), model(2, "Tern", 1.1, 1.2, 0)})[0].state,
              State::Fine);
    // One that slips may trip it: 0.7 and 3.5 more.
    const auto slips =
        saidOf(workshop, {model(1, "Ling", 0.3, 3.9, 0), model(2, "Tern", 0.3, 0.5, 0)});
    EXPECT_EQ(slips[0].state, State::Close);
    EXPECT_NE(plain(slips[0].sentence).find("slipping 4.3 A"), std::string::npos)
        << plain(slips[0].sentence);
    const auto surge =
        saidOf(workshop, {model(1, "Ling", 0.3, 0.4, 4.5), model(2, "Tern", 0.3, 0.4, 0)});
    EXPECT_EQ(surge[1].state, State::Over);
    EXPECT_EQ(plain(surge[1].action), "a larger charge resistor in Ling");
}
TEST(DistrictFindings, SayWhatWasNotReadAndLeaveOutWhatIsGone) {
    const WorkshopRecord workshop = jottedTo(
        withQuay(), {"runs Ling on quay", "runs Tern on quay", "district quay lamps 0.3A"});
    const std::vector<JobSummary> loads{model(1, "Ling", 0.35, 0.6, 0, false)};
    const auto all = saidOf(workshop, loads);
    const Figure& sum = all.front().figures.at(0);
    ASSERT_EQ(sum.inputs.size(), 2U);  // Tern is gone; the lamps stand last
    EXPECT_EQ(sum.inputs[0].basis.kind, Basis::Kind::Assumed);
    EXPECT_NEAR(*sum.value, 0.35 + 0.05 + 0.3, 1e-12);
    EXPECT_EQ(plain(sum.inputs[1].name), "Lamps on the track");
    EXPECT_NEAR(*sum.inputs[1].value, 0.3, 1e-12);
    EXPECT_TRUE(saidOf({}, loads).empty());
}

TEST(HouseFindings, ADistrictIsNoRuleOfItsOwn) {
    EXPECT_EQ(plain(rules::idle(withQuay()).why), "as every workshop begins");
    EXPECT_TRUE(rules::idle(withQuay()).done);
    EXPECT_EQ(plain(rules::idle(jottedTo(withQuay(), {"rule strict"})).why), "rules of its own");
}

}  // namespace
}  // namespace glimmet::core
