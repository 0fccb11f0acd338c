// A lamp group on other supply volts; lamps that a decoder dims.
#include "core/analysis/lamps/other_volts.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/supply.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

using namespace tests;
using lamps::onOtherVolts;

Job steadyOn(std::initializer_list<const char*> lines) {
    return jotted(
        jotted(tests::newJob("Aurora", "saloon"),
               {"supply fixed dc 12V", "lamp table white 3.0V 20mA for 5mA", "resistor table 1k8"}),
        lines);
}

TEST(OtherVolts, WasteIsWhatIsNotInTheLamps) {
    const Job job = steadyOn({});
    const auto all = onOtherVolts(job, job.groups[0], WorkshopRules());
    ASSERT_EQ(all.size(), 5U);
    // Where it is what it would be there, it is told once.
    const Job other = steadyOn({"resistor table 2k2"});
    EXPECT_EQ(onOtherVolts(other, other.groups[0], WorkshopRules()).size(), 4U);
    for (std::size_t i = 1; i < all.size(); ++i) EXPECT_LE(all[i - 1].volts, all[i].volts);
    // Now: 12 V, 1.8 kΩ.
    const auto now =
        std::find_if(all.begin(), all.end(), [](const auto& each) { return each.now; });
    ASSERT_NE(now, all.end());
    const auto facts = factsOf(job);
    const RowState& row = facts.groups[0]->rows[0];
    EXPECT_NEAR(now->wasted, 1 - row.led[0].value() / 12, 1e-9);
    EXPECT_NEAR(now->taken.value(), 12 * row.current.value(), 1e-12);
    EXPECT_NEAR(now->resistor->value(), 1800, 1e-9);
    // 5 V waste least, and there the batch shows most; each comes near the wish.
    EXPECT_NEAR(all.front().volts.value(), 5, 1e-12);
    const lamps::OnVolts* before = nullptr;
    for (const lamps::OnVolts& each : all) {
        if (each.now) continue;
        EXPECT_NEAR(each.total.value(), 0.005, 0.001);
        if (before) {
            EXPECT_LT(before->wasted, each.wasted);
            EXPECT_GT(before->apart, each.apart);
        }
        before = &each;
    }
}

TEST(OtherVolts, TooLowIsSaidAndWhatHangsElsewhereHasNone) {
    const Job three = steadyOn({"inline table white 3.0V 20mA", "inline table white 3.0V 20mA"});
    const auto all = onOtherVolts(three, three.groups[0], WorkshopRules());
    EXPECT_FALSE(all.front().resistor);  // 9 V of LEDs on 5 V
    EXPECT_NEAR(all.front().total.value(), 0, 1e-12);
    const Job decoder = jotted(shunter(), {"lamp front white", "resistor front 2k2"});
    EXPECT_TRUE(onOtherVolts(decoder, decoder.groups[0], WorkshopRules()).empty());
    const Job driver = steadyOn({"driver table 5mA"});
    EXPECT_TRUE(onOtherVolts(driver, driver.groups[0], WorkshopRules()).empty());
    // A coach has the volts of its rails; a building on AC could have others, none of them steady
    // now.
    const Job rails = jotted(steadyOn({}), {"supply dcc"});
    EXPECT_TRUE(onOtherVolts(rails, rails.groups[0], WorkshopRules()).empty());
    const Job ac = jotted(tests::newJob("Holm Light", "lighthouse"),
                          {"supply ac 16V", "lamp lantern white 3.0V 20mA", "resistor lantern 1k"});
    const auto others = onOtherVolts(ac, ac.groups[0], WorkshopRules());
    EXPECT_EQ(others.size(), 4U);
    for (const auto& each : others) EXPECT_FALSE(each.now);
}

TEST(Dimming, LeavesAShareOfTheLightAndAsksForThatMuchMoreCurrent) {
    const Job full = jotted(
        shunter(), {"decoder middle", "lamp front white 3.0V 20mA for 2mA", "resistor front 2k2"});
    const Job dimmed = jotted(full, {"dim front 40%"});
    EXPECT_NEAR(dimmed.groups[0].atFull().value(), 0.005, 1e-12);
    const auto before = factsOf(full);
    const auto after = factsOf(dimmed);
    // The circuit is the same, what it should be is not.
    EXPECT_NEAR(after.groups[0]->rows[0].current.value(), before.groups[0]->rows[0].current.value(),
                1e-15);
    EXPECT_LT(after.groups[0]->rows[0].ideal, before.groups[0]->rows[0].ideal * 0.5);
    const auto light = [](const Job& job, const JobAnalysis& facts) {
        return std::pow(litLamps(job, facts.groups).front().brightness, 3);
    };
    EXPECT_NEAR(light(dimmed, after), 0.4 * light(full, before), 1e-9);
    // 4.7 mA: clearly brighter than 2 mA wished, and as wished at two fifths.
    EXPECT_NE(sentenceOf(full, "lamp.current:front lamp").find("brighter than wanted"),
              std::string::npos);
    EXPECT_NE(sentenceOf(dimmed, "lamp.current:front lamp").find("as bright as wanted"),
              std::string::npos);
    const auto all = checkedAll(dimmed);
    const std::string said = plain(finding(all, "lamp.dimmed:front lamp").sentence);
    EXPECT_NE(said.find("Dimmed to 40 %"), std::string::npos);
    EXPECT_NE(said.find("After a reset"), std::string::npos);
    EXPECT_FALSE(has(checkedAll(full), "lamp.dimmed:front lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(dimmed, {"dim front full"})), "lamp.dimmed:front lamp"));
}

TEST(Dimming, SavesNoLampThatBurnsAtFull) {
    const Job job = jotted(shunter(), {"decoder middle", "lamp front white 3.0V 20mA for 2mA",
                                       "resistor front 100", "dim front 10%"});
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.current:front lamp").state, State::Over);
    // Straight on the supply nothing dims.
    EXPECT_FALSE(applyLine("dim table 40%", steadyOn({}), smallCatalogue(), {}));
    EXPECT_FALSE(applyLine("dim front", job, smallCatalogue(), {}));
    EXPECT_FALSE(applyLine("dim front full 40%", job, smallCatalogue(), {}));
}

TEST(SupplyVerb, ABuildingCanHangOnWhatIsTurnedRound) {
    const Job job = jotted(tests::newJob("Holm Light", "lighthouse"),
                           {"supply reversing dc 12V", "lamp lantern red", "resistor lantern 1k",
                            "antiparallel lantern green"});
    EXPECT_EQ(job.feed, Feed::PlainDc);
    EXPECT_TRUE(turnsRound(job));
    const auto all = checkedAll(job);
    EXPECT_NE(plain(finding(all, "lamp.pair:lantern").sentence).find("one way and"),
              std::string::npos);
    const auto taken = applyLine("supply reversing dc 12V", job, smallCatalogue(), {});
    EXPECT_EQ(plain(taken->meaning), "Supply: reversing dc, 12 V");
}

TEST(OutputLimit, IsAskedForWhereItMatters) {
    const Job known =
        jotted(shunter(), {"decoder middle", "lamp front white", "resistor front 2k2"});
    const Job job = jotted(known, {"output front unmarked"});
    EXPECT_FALSE(job.decoder->part.outputs[0].limit);
    EXPECT_TRUE(known.decoder->part.outputs[0].limit);
    // Five milliamperes bears any; nearly a tenth of an ampere is asked for.
    const std::string id = "lamp.output-current:front lamp";
    EXPECT_FALSE(has(checkedAll(job), id));
    const Job bulb = jotted(shunter(), {"decoder middle", "bulb front lamp 12V 95mA on front",
                                        "output front unmarked"});
    const std::string of = "lamp.output-current:" + bulb.groups[0].name;
    const auto all = checkedAll(bulb);
    EXPECT_EQ(finding(all, of).state, State::Ask);
    EXPECT_FALSE(figure(finding(all, of), "I_limit").value);
    EXPECT_EQ(finding(checkedAll(jotted(bulb, {"output front 50mA"})), of).state, State::Over);
    EXPECT_FALSE(has(checkedAll(jotted(bulb, {"output front 200mA"})), of));
    // Nothing is said of a rush into an output of which nobody knows what it bears.
    EXPECT_FALSE(has(all, "lamp.inrush:" + bulb.groups[0].name));
    // One that sets its current itself: that is asked for.
    const Job sets = jotted(job, {"output front constant-current"});
    EXPECT_EQ(finding(checkedAll(sets), "lamp.output-kind:front lamp").state, State::Ask);
    EXPECT_FALSE(applyLine("output front 100mA 470R", job, smallCatalogue(), {}));
    EXPECT_FALSE(applyLine("output front 100mA unmarked", job, smallCatalogue(), {}));
}

// What a decoder takes away it can give back: no iron is needed for that.
TEST(Dimmed, IsMadeBrighterAtTheDecoderFirst) {
    const Job job = tests::jotted(
        tests::shunter(), {"lamp front white for 5mA", "resistor front 2k2", "dim front 40%"});
    const auto at = [](const Job& one) {
        return finding(tests::checkedAll(one), "lamp.current:front lamp");
    };
    const Finding dim = at(job);
    EXPECT_EQ(dim.state, State::Close);
    EXPECT_EQ(plain(dim.sentence),
              "Front lamp works, but dimmed to 40 % it is clearly dimmer than wanted: it shines as "
              "at 1.89 mA where 5 mA was wished.");
    ASSERT_FALSE(dim.options.empty());
    EXPECT_EQ(dim.options[0].jot, "dim front lamp full");
    EXPECT_EQ(at(tests::jotted(job, {dim.options[0].jot.c_str()})).state, State::Fine);
    // A share where all of it would be too much, and none where all of it is not enough.
    const Job strong = tests::jotted(job, {"resistor front 1k5", "dim front 30%"});
    EXPECT_EQ(at(strong).options[0].jot, "dim front lamp 73%");
    EXPECT_EQ(at(tests::jotted(strong, {"dim front lamp 73%"})).state, State::Fine);
    const Job weak = tests::jotted(job, {"resistor front 15k"});
    EXPECT_FALSE(at(weak).options[0].jot.starts_with("dim"));
    EXPECT_FALSE(at(tests::jotted(weak, {"dim front full"})).options[0].jot.starts_with("dim"));
}

}  // namespace
}  // namespace glimmet::core
