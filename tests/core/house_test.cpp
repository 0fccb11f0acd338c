// The house rules: what they say, what another would change on a job, the lines that change them,
// and that jobs are judged by them.
#include "core/house/rules/rules.h"
#include "core/work/standing.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using tests::jotted;
using tests::shunter;
using tests::smallCatalogue;

std::string answer(std::string_view line, const WorkshopRecord& workshop = {}) {
    const auto said = understood(line, workshop, smallCatalogue(), "2026-03-02");
    return said ? plain(said->meaning) : "✗ " + plain(said.error().what);
}
WorkshopRecord after(std::string_view line, const WorkshopRecord& workshop = {}) {
    return understood(line, workshop, smallCatalogue(), "2026-03-02").value().after;
}
State measured(const Job& job, const House& house) {
    return leading(findings(job, smallCatalogue(), house), "choose")->state;
}

TEST(House, JudgesEveryJobThatHasNoRuleOfItsOwn) {
    House strict;
    strict.rule = RatingRule::Strict;
    EXPECT_EQ(measured(shunter(), {}), State::Fine);
    EXPECT_EQ(measured(shunter(), strict), State::Over);
    EXPECT_EQ(measured(jotted(shunter(), {"rule slip"}), strict), State::Fine);
    // 1.3975 A of 1.8 A is 78 %: close within 25 %, not within 15 %.
    House wide;
    wide.closeMargin = 0.25;
    EXPECT_EQ(measured(shunter(), wide), State::Close);
    EXPECT_EQ(measured(jotted(shunter(), {"margin 15%"}), wide), State::Fine);
    House drops;
    drops.rectifier = Volts{0.2};
    drops.bridge = Volts{0};
    EXPECT_EQ(measured(shunter(), drops), State::Close);  // 14.3 V / 9.23 Ω = 1.55 A
}
TEST(House, NewLampsGetTheResistorsThatAreInTheDrawers) {
    WorkshopRecord workshop;
    workshop.house.drawers = Series::E24;
    const auto lamp =
        understood("lamp front white", shunter(), smallCatalogue(), "", workshop).value();
    EXPECT_EQ(lamp.after.groups.at(0).wish.series, Series::E24);
    EXPECT_EQ(jotted(shunter(), {"lamp front white"}).groups.at(0).wish.series, Series::E12);
}
TEST(House, GoesAlongWithAJobThatLeaves) {
    House strict;
    strict.rule = RatingRule::Strict;
    strict.closeMargin = 0.1;
    const Job away = withHouse(shunter(), strict);
    EXPECT_EQ(measured(away, {}), State::Over);  // judged there as it was here
    const Job taken = adopted(away, {});
    EXPECT_FALSE(taken.judgedWith.has_value());
    EXPECT_EQ(taken.rule, RatingRule::Strict);
    EXPECT_NEAR(*taken.closeMargin, 0.1, 1e-12);
    // Nothing is said where both houses do the same.
    EXPECT_FALSE(withHouse(shunter(), {}).judgedWith.has_value());
    EXPECT_FALSE(adopted(away, strict).rule.has_value());
    EXPECT_EQ(adopted(shunter(), strict), shunter());
}

TEST(HouseJots, SetEveryRule) {
    EXPECT_EQ(answer("rule strict"), "House, rating rule: strict");
    EXPECT_EQ(after("rule running").house.rule, RatingRule::Running);
    EXPECT_EQ(answer("margin 10%"), "House: close within 10 % of a limit");
    EXPECT_NEAR(after("margin 10%").house.closeMargin, 0.1, 1e-12);
    EXPECT_EQ(answer("spread 10%"), "House: track volts differ by 10 %");
    EXPECT_NEAR(after("spread 10%").house.supplySpread, 0.1, 1e-12);
    EXPECT_EQ(after("rectifier 1.4V").house.rectifier, Volts{1.4});
    EXPECT_EQ(after("bridge drop 0.3V").house.bridge, Volts{0.3});
    EXPECT_EQ(after("switch 0.6V").house.outputSwitch, Volts{0.6});
    EXPECT_EQ(after("drawers E24").house.drawers, Series::E24);
    // One rule at a time; the others stay.
    WorkshopRecord two = after("drawers E24", after("rule strict"));
    EXPECT_EQ(two.house.rule, RatingRule::Strict);
    EXPECT_EQ(understood("rule strict", WorkshopRecord(), smallCatalogue(), "")->subject, "rule");
    EXPECT_EQ(understood("rule strict", WorkshopRecord(), smallCatalogue(), "")->stage, "rules");
}
TEST(HouseJots, RefuseWhatIsNoRule) {
    EXPECT_EQ(answer("rule brave"), "✗ “brave” is none of: strict, slip, running.");
    EXPECT_EQ(answer("margin 95%").substr(0, 3), "✗");
    EXPECT_EQ(answer("rectifier 12V").substr(0, 3), "✗");
    EXPECT_EQ(answer("stall 1.3A 12V").substr(0, 3), "✗");  // of a model, not of the workshop
    EXPECT_EQ(answer("drawers"), "✗ Which series: E6, E12, E24 or E96? Write it like drawers E24.");
    EXPECT_EQ(answer("").substr(0, 3), "✗");
}
TEST(HouseJots, EveryExampleIsUnderstoodAndListed) {
    std::size_t examples = 0;
    for (const JotForm& form : workshopJotForms()) {
        EXPECT_EQ(form.stage, "rules");
        for (const std::string example : form.examples) {
            ++examples;
            EXPECT_TRUE(understood(example, WorkshopRecord(), smallCatalogue(), "").has_value())
                << example;
        }
    }
    EXPECT_EQ(examples, 12U);
    EXPECT_EQ(workshopJotCompletions("dra", smallCatalogue()).at(0).line, "drawers ");
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
    EXPECT_EQ(plain(rule.options[0].effect), "on Shunter: Choose from fine to over");
    EXPECT_EQ(plain(rule.options[1].effect), "on Shunter every verdict stays");
    for (const Finding& finding : all) {
        EXPECT_EQ(finding.state, State::Fine);
        for (const Option& option : finding.options) {
            // What an option says is what taking it does.
            const auto taken = understood(option.jot, workshop, smallCatalogue(), "");
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
    House house;
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
    EXPECT_EQ(plain(standing(own, {}).at(0).why), "rules of its own");
    EXPECT_EQ(plain(standing(WorkshopRecord(), {}).at(0).why), "as every workshop begins");
}

}  // namespace
}  // namespace glimmet::core
