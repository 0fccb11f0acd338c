// Lamps of both ways round behind one resistor, and lamps that stand the wrong way round.
#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamps/lamp_netlist.h"
#include "core/analysis/lamps/what_if.h"
#include "core/analysis/operating.h"
#include "core/led/lamp_circuit.h"
#include "core/work/lamps/mismatch.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

using namespace tests;

Job nose(std::initializer_list<const char*> lines) {
    return tests::jotted(
        tests::jotted(tests::newJob("Aurora", "saloon"),
                      {"supply dc 12V", "lamp white for 5mA called nose", "resistor nose 1k8"}),
        lines);
}
Job pair() { return nose({"antiparallel nose red"}); }

TEST(Antiparallel, BothHangBehindTheResistorThatWasThere) {
    const LampGroup group = pair().groups.at(0);
    ASSERT_EQ(group.rows.size(), 2U);
    EXPECT_EQ(group.shared(), Ohms{1800});
    EXPECT_EQ(group.rows[0].resistor, Ohms{0});
    EXPECT_EQ(group.rows[1].resistor, Ohms{0});
    EXPECT_FALSE(group.rows[0].backwards);
    EXPECT_TRUE(group.rows[1].backwards);
    EXPECT_TRUE(antiparallel(group));
    EXPECT_FALSE(antiparallel(nose({}).groups.at(0)));
    EXPECT_FALSE(antiparallel(nose({"parallel nose red", "shared nose 1k"}).groups.at(0)));
}

TEST(Antiparallel, EachWayIsSolvedAsIfTheOtherWereNotThere) {
    const Job job = pair();
    const auto state = groupState(job, job.groups[0], WorkshopRules());
    ASSERT_TRUE(state);
    for (const std::size_t r : {0U, 1U}) {
        SCOPED_TRACE(r);
        const Lamp& lamp = job.groups[0].rows[r].lamps[0];
        const auto alone = solved({Ohms{1800}, {{{*law(lamp.part)}, Ohms{0}}}}, Volts{12});
        ASSERT_TRUE(alone);
        EXPECT_NEAR(state->rows[r].current.value(), alone->total.value(), 1e-12);
        EXPECT_NEAR(state->rows[r].led[0].value(), alone->lamp[0][0].value(), 1e-9);
        EXPECT_LT(state->rows[r].lowest, state->rows[r].current);
        EXPECT_GT(state->rows[r].highest, state->rows[r].current);
        EXPECT_GT(state->rows[r].light, 0);
    }
    // Red takes fewer volts: that way carries more, and only one way carries at a time.
    EXPECT_GT(state->rows[1].current, state->rows[0].current);
    EXPECT_EQ(state->total, state->rows[1].current);
    EXPECT_NEAR(state->sharedPower.value(), std::pow(state->total.value(), 2) * 1800, 1e-9);
    // The red one glows first.
    const Job white = nose({});
    const auto bare = groupState(white, white.groups[0], WorkshopRules());
    EXPECT_LT(state->glowFrom, bare->glowFrom);
    // The same again as what-if and the builds have it.
    const auto currents = groupCurrents(job, job.groups[0], WorkshopRules());
    ASSERT_TRUE(currents);
    EXPECT_NEAR(currents->rows[0].value(), state->rows[0].current.value(), 1e-12);
    EXPECT_NEAR(currents->rows[1].value(), state->rows[1].current.value(), 1e-12);
    EXPECT_EQ(currents->total, currents->rows[1]);
}

TEST(Antiparallel, KeepsTheVoltsBackwardsSmall) {
    EXPECT_EQ(finding(checkedAll(nose({})), "lamp.reverse:nose").state, State::Over);
    EXPECT_FALSE(has(checkedAll(pair()), "lamp.reverse:nose"));
    // Each behind its own resistor keeps nothing from the other.
    EXPECT_TRUE(has(checkedAll(nose({"parallel nose red", "resistor nose 1k8", "turned nose/2"})),
                    "lamp.reverse:nose"));
    // What the other takes with a resistor of its own is too much again.
    const Job behind = nose({"antiparallel nose red", "resistor nose/2 1k"});
    const auto all = checkedAll(behind);
    const auto state = groupState(behind, behind.groups[0], WorkshopRules());
    const Volts across = state->rows[1].current * Ohms{1000} + state->rows[1].led[0];
    ASSERT_GT(across, Volts{5});
    const Finding& reversed = finding(all, "lamp.reverse:nose");
    EXPECT_NEAR(*figure(reversed, "V_rev").value, across.value(), 1e-9);
    // The cure keeps both lights: no bridge, no diode.
    ASSERT_EQ(reversed.options.size(), 1U);
    const Job mended = tests::jotted(behind, {reversed.options[0].jot.c_str()});
    EXPECT_EQ(mended.groups[0].shared(), Ohms{1800});
    EXPECT_FALSE(has(checkedAll(mended), "lamp.reverse:nose"));
    const Job apart = nose({"parallel nose red", "resistor nose/2 2k2", "turned nose/2"});
    const auto before = checkedAll(apart);
    ASSERT_EQ(finding(before, "lamp.reverse:nose").options.size(), 1U);
    const Job joined =
        tests::jotted(apart, {finding(before, "lamp.reverse:nose").options[0].jot.c_str()});
    EXPECT_EQ(joined.groups[0].shared(), Ohms{2200});
    EXPECT_TRUE(antiparallel(joined.groups[0]));
    EXPECT_FALSE(has(checkedAll(joined), "lamp.reverse:nose"));
}

TEST(Antiparallel, OnPlainDcItFollowsTheDirection) {
    const Job job = pair();
    const auto lit = [&](bool forward) {
        Operating operating;
        operating.forward = forward;
        operating.everything = false;
        const auto all = litWhen(factsOf(job), operating);
        return std::pair(all.at(0).brightness > 0, all.at(1).brightness > 0);
    };
    EXPECT_EQ(lit(true), std::pair(true, false));
    EXPECT_EQ(lit(false), std::pair(false, true));
    EXPECT_TRUE(railsTellDirection(job));
    EXPECT_TRUE(railsTellDirection(nose({"oneway nose"})));
    EXPECT_FALSE(railsTellDirection(nose({})));
    EXPECT_FALSE(railsTellDirection(tests::jotted(job, {"supply dcc"})));
    EXPECT_FALSE(railsTellDirection(tests::jotted(job, {"rectifier silicon"})));
    EXPECT_EQ(sentenceOf(job, "lamp.pair:nose"),
              "Nose shows white LED one way and red LED the other.");
    EXPECT_EQ(finding(checkedAll(job), "lamp.pair:nose").state, State::Fine);
}

TEST(Antiparallel, OnDigitalTrackBothAreSeenAtHalfTheirLight) {
    const Job job = tests::jotted(pair(), {"supply dcc 12V"});
    const Job dc = tests::jotted(pair(), {"supply dc 12V"});
    Operating forward;
    forward.everything = false;
    const auto all = litWhen(factsOf(job), forward);
    EXPECT_GT(all.at(0).brightness, 0);
    EXPECT_GT(all.at(1).brightness, 0);
    const auto half = groupState(job, job.groups[0], WorkshopRules());
    const auto whole = groupState(dc, dc.groups[0], WorkshopRules());
    EXPECT_NEAR(half->rows[0].light, whole->rows[0].light / 2, 1e-9);
    EXPECT_EQ(half->rows[0].current, whole->rows[0].current);
    EXPECT_EQ(finding(checkedAll(job), "lamp.pair:nose").state, State::Close);
    EXPECT_NE(sentenceOf(job, "lamp.pair:nose").find("mixed"), std::string::npos);
    // Of one colour there is nothing to mix.
    EXPECT_EQ(
        finding(checkedAll(nose({"supply dcc 12V", "antiparallel nose white"})), "lamp.pair:nose")
            .state,
        State::Fine);
}

TEST(Antiparallel, NeverTurnsOnAnOutputOrBehindABridge) {
    for (const auto& lines : {std::initializer_list<const char*>{"decoder small"},
                              {"rectifier silicon"},
                              {"supply fixed dc 12V"},
                              {"oneway nose"}}) {
        SCOPED_TRACE(*lines.begin());
        const Job job = tests::jotted(pair(), lines);
        const auto state = groupState(job, job.groups[0], WorkshopRules());
        ASSERT_TRUE(state);
        EXPECT_EQ(state->rows[1].current, Amperes{0});
        EXPECT_GT(state->rows[0].current, Amperes{0});
        EXPECT_EQ(state->total, state->rows[0].current);
        const auto all = checkedAll(job);
        EXPECT_FALSE(has(all, "lamp.pair:nose"));
        const Finding& dark = finding(all, "lamp.current:nose/2");
        EXPECT_EQ(dark.state, State::Over);
        EXPECT_EQ(dark.gravity, Gravity::DoesNotWork);
        ASSERT_EQ(dark.options.size(), 1U);
        const Job mended = tests::jotted(job, {dark.options[0].jot.c_str()});
        EXPECT_FALSE(mended.groups[0].rows[1].backwards);
        const auto then = groupState(mended, mended.groups[0], WorkshopRules());
        EXPECT_GT(then->rows[1].current, Amperes{0});
    }
}

TEST(Antiparallel, OffersOneResistorForBoth) {
    const Job job = nose({"antiparallel nose red", "shared nose 5k6"});
    const auto all = checkedAll(job);
    const Finding& dim = finding(all, "lamp.current:nose/1");
    EXPECT_EQ(dim.state, State::Close);
    ASSERT_EQ(dim.options.size(), 1U);
    EXPECT_TRUE(dim.options[0].jot.starts_with("shared nose "));
    EXPECT_EQ(dim.options[0].state, State::Fine);
    const auto mended = checkedAll(tests::jotted(job, {dim.options[0].jot.c_str()}));
    EXPECT_EQ(finding(mended, "lamp.current:nose/1").state, State::Fine);
    EXPECT_EQ(finding(mended, "lamp.current:nose/2").state, State::Fine);
    // One that burns is not told to take resistors of their own: that would end what protects them.
    const auto burning = checkedAll(nose({"antiparallel nose red", "shared nose 100R"}));
    EXPECT_EQ(finding(burning, "lamp.current:nose/2").state, State::Over);
    for (const Option& option : finding(burning, "lamp.current:nose/2").options) {
        EXPECT_FALSE(option.jot.starts_with("own")) << option.jot;
    }
}

TEST(Antiparallel, IsNotToldToMatch) {
    for (const Job& job :
         {pair(), tests::jotted(pair(), {"decoder small"}), nose({"antiparallel nose white"})}) {
        EXPECT_FALSE(has(checkedAll(job), "lamp.uneven:nose"));
    }
    // Its current says what it comes from.
    const auto all = checkedAll(pair());
    EXPECT_EQ(figure(finding(all, "lamp.current:nose/1"), "I").formula,
              "(V_bus − V_led) / (R + R_common)");
}

TEST(Antiparallel, IsANetlistOfBothWaysRound) {
    const Job job = pair();
    const auto netlist = lamps::lampNetlist(job, job.groups[0], WorkshopRules());
    ASSERT_TRUE(netlist);
    const auto& diodes = netlist->circuit.diodes;
    ASSERT_EQ(diodes.size(), 2U);
    EXPECT_EQ(diodes[0].anode, diodes[1].cathode);
    EXPECT_EQ(diodes[0].cathode, diodes[1].anode);
}

TEST(Antiparallel, TurnedRoundALampLightsInTheOtherDirection) {
    const Job job = pair();
    bool seen = false;
    for (const auto& one : lamps::whatIf(job, job.groups[0], WorkshopRules())) {
        if (one.fault != lamps::LampFault::Reversed) continue;
        seen = true;
        EXPECT_EQ(plain(one.follows), "it lights in the other direction");
    }
    EXPECT_TRUE(seen);
}

TEST(Antiparallel, RefusesWhatItCannotBe) {
    const auto refused = [](const char* line, const Job& job) {
        const auto heard = applyLine(line, job, smallCatalogue(), "");
        EXPECT_FALSE(heard) << line;
        return heard ? std::string() : plain(heard.error().what);
    };
    EXPECT_EQ(nose({"resistor nose open", "antiparallel nose red"}).groups[0].shared(), Ohms{2200});
    EXPECT_NE(
        refused("antiparallel nose red", nose({"resistor nose none"})).find("Choose it first"),
        std::string::npos);
    EXPECT_NE(refused("antiparallel nose red", nose({"parallel nose white"})).find("not one row"),
              std::string::npos);
    EXPECT_NE(refused("antiparallel nose strip-warm-white-12v", nose({})).find("resistor in it"),
              std::string::npos);
    EXPECT_NE(refused("antiparallel nose red", pair()).find("not one row"), std::string::npos);
    EXPECT_NE(refused("antiparallel nose red", nose({"driver nose 5mA"})).find("not one row"),
              std::string::npos);
    EXPECT_NE(refused("resistor nose 1k", pair()).find("shared nose 1 kΩ"), std::string::npos);
    const Job bulb = tests::jotted(tests::newJob("Aurora", "saloon"),
                                   {"supply dc 12V", "bulb 12V 50mA called stove"});
    EXPECT_NE(refused("turned stove", bulb).find("either way"), std::string::npos);
    EXPECT_FALSE(applyLine("antiparallel stove red", bulb, smallCatalogue(), ""));
    for (const Job& job : {nose({}), nose({"parallel nose red", "resistor nose 1k"}),
                           nose({"parallel nose red", "resistor nose none", "turned nose/2"})}) {
        EXPECT_FALSE(applyLine("antiparallel nose", job, smallCatalogue(), ""));
    }
    // Its lamps' bodies are one: they sit in one place.
    const Job two = pair();
    EXPECT_EQ(two.groups[0].rows[0].lamps[0].fitted, two.groups[0].rows[1].lamps[0].fitted);
}

TEST(Antiparallel, ManyRowsOfOneWayShareAsBefore) {
    // Two of one way and one of the other: those two share, the other has all.
    const Job job = nose({"parallel nose white", "parallel nose red", "resistor nose none",
                          "shared nose 1k", "turned nose/3"});
    const auto state = groupState(job, job.groups[0], WorkshopRules());
    ASSERT_TRUE(state);
    EXPECT_NEAR(state->rows[0].current.value(), state->rows[1].current.value(), 1e-12);
    const auto alone =
        solved({Ohms{1000}, {{{*law(job.groups[0].rows[2].lamps[0].part)}, Ohms{0}}}}, Volts{12});
    EXPECT_NEAR(state->rows[2].current.value(), alone->total.value(), 1e-12);
    EXPECT_LT(state->rows[0].current * 2.0, state->rows[2].current);
    // What each would want by itself counts those of its own way only.
    EXPECT_GT(state->rows[2].ideal, state->rows[0].ideal);
}

}  // namespace
}  // namespace glimmet::core
