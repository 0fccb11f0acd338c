// Lamps against their hole, against those that stand across them, against other lots.
#include "core/analysis/lamps/lamp_netlist.h"
#include "core/analysis/lamps/tester.h"
#include "core/analysis/lamps/what_if.h"
#include "core/led/led_body.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

using namespace tests;

Job onTwelve(std::initializer_list<const char*> lines) {
    return jotted(jotted(tests::newJob("Aurora", "saloon"), {"supply fixed dc 12V"}), lines);
}
/// Two whites across each other, then a red: all behind one resistor.
Job chain() {
    return onTwelve({"lamp table white 3.0V 20mA", "twin table", "inline table red 2.0V 20mA",
                     "resistor table 680"});
}
Amperes supplied(const Job& job) { return factsOf(job).groups[0]->total; }

TEST(AcrossEachOther, TwoOfAKindTakeHalfOfTheCurrentEach) {
    const Job job = chain();
    ASSERT_EQ(job.groups[0].rows.size(), 1U);
    const auto facts = factsOf(job);
    const RowState& row = facts.groups[0]->rows[0];
    EXPECT_NEAR(row.share[0], 0.5, 1e-6);
    EXPECT_NEAR(row.share[1], 0.5, 1e-6);
    EXPECT_NEAR(row.share[2], 1, 1e-6);
    // Kirchhoff: the white at half, the red at all of it, the resistor the rest.
    const auto lawOf = [&](std::size_t lamp) {
        return std::get<LedLaw>(*law(job.groups[0].rows[0].lamps[lamp].part));
    };
    const double sum = lawOf(0).voltage(row.current / 2.0).value() +
                       lawOf(2).voltage(row.current).value() + row.current.value() * 680;
    EXPECT_NEAR(sum, 12, 1e-6);
    EXPECT_NEAR(lampVolts(job.groups[0].rows[0], row).value(), 12 - row.current.value() * 680,
                1e-6);
    // The wish is the row's current, and the ideal gives it.
    Job fitted = job;
    fitted.groups[0].rows[0].resistor = row.ideal;
    EXPECT_NEAR(supplied(fitted).value(), job.groups[0].wish.target.value(), 1e-7);
    // In the dark picture each has its own.
    const auto lit = litLamps(job, facts.groups);
    ASSERT_EQ(lit.size(), 3U);
    EXPECT_NEAR(lit[0].current.value(), row.current.value() / 2, 1e-9);
    EXPECT_NEAR(lit[2].current.value(), row.current.value(), 1e-9);
    EXPECT_LT(lit[0].brightness, lit[2].brightness);
}

TEST(AcrossEachOther, TheNetlistIsTheSameCircuit) {
    const Job job = chain();
    const auto netlist = lamps::lampNetlist(job, job.groups[0], {});
    ASSERT_TRUE(netlist);
    const auto point = circuit::operatingPoint(netlist->circuit);
    ASSERT_TRUE(point);
    EXPECT_NEAR(-point->current[0], supplied(job).value(), 1e-8);
    EXPECT_NEAR(point->diode[0], point->diode[1], 1e-9);
    EXPECT_NEAR(point->diode[2], 2 * point->diode[0], 1e-9);
}

TEST(AcrossEachOther, LimitsAreEachLampsOwn) {
    LampRow row = chain().groups[0].rows[0];
    for (Lamp& lamp : row.lamps) {
        lamp.measured = true;
        lamp.part.limit = Amperes{0.02};
    }
    // Read at the bench and alike: 40 mA through two of 20 mA; the red behind them bears 20.
    EXPECT_NEAR(rowLimit(row, Amperes{0.01})->value(), 0.02, 1e-9);
    row.lamps.pop_back();
    EXPECT_NEAR(rowLimit(row, Amperes{0.01})->value(), 0.04, 1e-6);
    // From a drawer, one of the pair takes more than half; the red behind them takes all anyway.
    const LampRow whole = chain().groups[0].rows[0];
    EXPECT_NEAR(*worstShare(whole, 2, Amperes{0.01}), 1, 1e-12);
    EXPECT_NEAR(*worstShare(whole, 0, Amperes{0.01}), 0.5, 1e-6);  // read, so alike
    LampRow drawn = row;
    for (Lamp& lamp : drawn.lamps) lamp.measured = false;
    const double most = *worstShare(drawn, 1, Amperes{0.01});
    const auto off = [&](double by, double share) {
        LampPart part = drawn.lamps[0].part;
        part.forward->voltage += Volts{by};
        return std::get<LedLaw>(*law(part)).voltage(Amperes{0.01 * share}).value();
    };
    EXPECT_GT(most, 0.6);
    EXPECT_LT(most, 0.95);
    EXPECT_NEAR(off(-0.07, most), off(0.07, 1 - most), 1e-6);  // both at the same volts
    for (Lamp& lamp : row.lamps) lamp.measured = false;
    EXPECT_LT(rowLimit(row, Amperes{0.01})->value(), 0.03);
    EXPECT_GT(rowLimit(row, Amperes{0.01})->value(), 0.02);
    // One by itself bears what it bears.
    row.lamps.pop_back();
    EXPECT_NEAR(rowLimit(row, Amperes{0.01})->value(), 0.02, 1e-12);
}

TEST(AcrossEachOther, NothingEvensThemOut) {
    const Job job = onTwelve({"lamp table warm white", "twin table", "resistor table 1k"});
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.across:table lamp").state, State::Close);
    EXPECT_NE(plain(finding(all, "lamp.across:table lamp").sentence).find("one may take"),
              std::string::npos);
    // Lamps that were read and are alike share evenly.
    const Job read = onTwelve({"lamp table white 3.0V 20mA", "twin table", "resistor table 1k"});
    EXPECT_FALSE(has(checkedAll(read), "lamp.across:table lamp"));
    // A red one takes all that a white one would need.
    const Job mixed =
        onTwelve({"lamp table white 3.0V 20mA", "twin table red 2.0V 20mA", "resistor table 1k"});
    const auto dark = checkedAll(mixed);
    EXPECT_EQ(finding(dark, "lamp.across:table lamp").state, State::Over);
    // It is the red one that takes it, wherever it stands.
    EXPECT_TRUE(
        plain(finding(dark, "lamp.across:table lamp").sentence).starts_with("Red LED keeps"))
        << plain(finding(dark, "lamp.across:table lamp").sentence);
    // In series, or beside it with a resistor, nothing is said.
    EXPECT_FALSE(
        has(checkedAll(onTwelve({"lamp table warm white", "inline table", "resistor table 1k"})),
            "lamp.across:table lamp"));
}

TEST(AcrossEachOther, OneThatFailsLeavesItsCurrentToTheOther) {
    using lamps::LampFault;
    const Job job = chain();
    const auto cases = lamps::whatIf(job, job.groups[0], WorkshopRules());
    const auto of = [&](LampFault fault, std::size_t lamp) -> const lamps::FaultCase& {
        for (const auto& one : cases) {
            if (one.fault == fault && one.lamp == lamp) return one;
        }
        ADD_FAILURE() << "no such case";
        return cases.front();
    };
    const double whole = supplied(job).value();
    const auto& open = of(LampFault::Open, 0);
    // The white that is left needs a little more volts for all of it.
    EXPECT_NEAR(open.current[0]->value(), whole, 0.03 * whole);
    EXPECT_LT(open.current[0]->value(), whole);
    EXPECT_EQ(open.state, State::Fine);
    EXPECT_NE(plain(open.follows).find("takes its current"), std::string::npos);
    const auto& bridged = of(LampFault::Shorted, 0);
    EXPECT_GT(bridged.current[0]->value(), whole * 1.2);  // both whites are out of the way
    EXPECT_NE(plain(bridged.follows).find("what stands across it"), std::string::npos);
    EXPECT_EQ(of(LampFault::Open, 2).state, State::Close);
    EXPECT_NEAR(of(LampFault::Open, 2).current[0]->value(), 0, 1e-9);
    // Where the other cannot bear it, it burns.
    const Job hot = onTwelve({"lamp table white 3.0V 20mA", "twin table", "resistor table 270"});
    const auto burns = lamps::whatIf(hot, hot.groups[0], WorkshopRules());
    EXPECT_EQ(burns.front().fault, LampFault::Open);
    EXPECT_EQ(burns.front().state, State::Over);
    EXPECT_NE(plain(burns.front().follows).find("burn"), std::string::npos);
}

TEST(AcrossEachOther, ARowWithoutOneOfThem) {
    const LampRow row = chain().groups[0].rows[0];
    EXPECT_EQ(standAcross(row, 0), 2U);
    EXPECT_EQ(standAcross(row, 1), 2U);
    EXPECT_EQ(standAcross(row, 2), 1U);
    const LampRow first = without(row, 0, false);
    ASSERT_EQ(first.lamps.size(), 2U);
    EXPECT_FALSE(first.lamps[0].parallel);
    const LampRow second = without(row, 1, false);
    ASSERT_EQ(second.lamps.size(), 2U);
    EXPECT_FALSE(second.lamps[1].parallel);
    const LampRow both = without(row, 1, true);
    ASSERT_EQ(both.lamps.size(), 1U);
    EXPECT_EQ(both.lamps[0].part.family, LedFamily::Red);
    // Of three the others still stand across each other.
    LampRow three = row;
    three.lamps.insert(three.lamps.begin() + 1, row.lamps[1]);
    EXPECT_EQ(standAcross(without(three, 0, false), 0), 2U);
    EXPECT_EQ(standAcross(without(three, 1, false), 0), 2U);
}

TEST(AcrossEachOther, TheTesterLightsThemTogether) {
    const Job pair = onTwelve({"lamp table white 3.0V 20mA", "twin table"});
    const Job one = onTwelve({"lamp table white 3.0V 20mA"});
    const auto both = lamps::atTester(pair.groups[0], 0, Tester{});
    const auto alone = lamps::atTester(one.groups[0], 0, Tester{});
    ASSERT_TRUE(both && alone);
    EXPECT_GT(both->value(), alone->value());
    EXPECT_LT(both->value(), alone->value() * 1.05);
}

TEST(AcrossEachOther, OnlyBareLedsDo) {
    const auto refusal = [&](const Job& job, const char* line) {
        const auto taken = applyLine(line, job, smallCatalogue(), {});
        return taken ? std::string("taken") : plain(taken.error().what);
    };
    EXPECT_NE(refusal(onTwelve({"bulb table 12V 50mA"}), "twin table").find("Only bare LEDs"),
              std::string::npos);
    // What comes after it in series is not across.
    EXPECT_FALSE(chain().groups[0].rows[0].lamps[2].parallel);
    EXPECT_TRUE(chain().groups[0].rows[0].lamps[1].parallel);
}

/// What a lamp is told to sit in, with a body.
Job bored(LedBody body, const char* line) {
    Job job = onTwelve({"lamp table warm white", "resistor table 1k"});
    job.groups[0].rows[0].lamps[0].part.body = body;
    return jotted(job, {line});
}

TEST(Bores, AChipWantsItsDiagonalARoundOneItsBody) {
    EXPECT_NEAR(holeFor(LedBody::Chip0603).across.value(), std::hypot(1.6, 0.8) + 0.2, 1e-12);
    EXPECT_NEAR(holeFor(LedBody::Chip1206).across.value(), std::hypot(3.2, 1.6) + 0.2, 1e-12);
    EXPECT_NEAR(holeFor(LedBody::Round3).across.value(), 3.1, 1e-12);
    // Each larger one wants the larger hole.
    EXPECT_LT(holeFor(LedBody::Chip0402).across, holeFor(LedBody::Chip0603).across);
    EXPECT_LT(holeFor(LedBody::Chip0603).across, holeFor(LedBody::Chip0805).across);
    EXPECT_LT(holeFor(LedBody::Round18).depth, holeFor(LedBody::Round3).depth);
    EXPECT_LT(holeFor(LedBody::Round3).depth, holeFor(LedBody::Round5).depth);
}

TEST(Bores, AreJudgedAgainstTheLedThatGoesIn) {
    EXPECT_EQ(
        finding(checkedAll(bored(LedBody::Round3, "bore table 2.4mm")), "lamp.bore:table lamp")
            .state,
        State::Over);
    EXPECT_FALSE(
        has(checkedAll(bored(LedBody::Round3, "bore table 3.1mm")), "lamp.bore:table lamp"));
    EXPECT_FALSE(
        has(checkedAll(bored(LedBody::Chip0603, "bore table 2.4mm")), "lamp.bore:table lamp"));
    const auto proud = checkedAll(bored(LedBody::Round3, "bore table 3.2mm deep 4mm"));
    EXPECT_EQ(finding(proud, "lamp.bore:table lamp").state, State::Close);
    EXPECT_NE(plain(finding(proud, "lamp.bore:table lamp").sentence).find("1.3 mm out of its hole"),
              std::string::npos);
    EXPECT_FALSE(has(checkedAll(bored(LedBody::Round3, "bore table 3.2mm deep 6mm")),
                     "lamp.bore:table lamp"));
    // Behind a pipe it is the pipe that goes through the hole; of an unknown body nothing is said.
    EXPECT_FALSE(
        has(checkedAll(jotted(bored(LedBody::Round5, "bore table 2mm"), {"pipe table 12mm"})),
            "lamp.bore:table lamp"));
    EXPECT_FALSE(has(checkedAll(onTwelve({"lamp table white", "bore table 0.3mm"})),
                     "lamp.bore:table lamp"));
}

TEST(Bores, ASmallerLedOfItsLightIsOffered) {
    Catalogue catalogue = smallCatalogue();
    const auto add = [&](const char* id, LedFamily family, LedBody body) {
        LampPart part;
        part.id = part.name = id;
        part.family = family;
        part.tint = family == LedFamily::White ? "warm" : "";
        part.body = body;
        catalogue.lamps.push_back(part);
    };
    add("tiny", LedFamily::White, LedBody::Chip0402);
    add("small", LedFamily::White, LedBody::Chip0603);
    add("wide", LedFamily::White, LedBody::Round5);
    add("crimson", LedFamily::Red, LedBody::Chip0603);
    const Job job = bored(LedBody::Round3, "bore table 2.4mm");
    const auto all = findings(job, catalogue);
    const Finding& one = finding(all, "lamp.bore:table lamp");
    ASSERT_EQ(one.options.size(), 3U);
    EXPECT_EQ(one.options[0].jot, "bore table lamp 3.1mm");
    EXPECT_EQ(one.options[1].jot, "lamp table lamp small");  // the largest that goes in
    EXPECT_EQ(one.options[2].jot, "lamp table lamp tiny");
}

TEST(Lots, DifferUntilOneOfEachWasLit) {
    const Job job = onTwelve({"lamp table warm white", "parallel table", "resistor table 1k",
                              "lot table/1 1", "lot table/2 2"});
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.lots:table lamp").state, State::Close);
    EXPECT_NE(plain(finding(all, "lamp.lots:table lamp").sentence).find("of the lots 1, 2"),
              std::string::npos);
    const Job half = jotted(job, {"tester table/1 lit"});
    EXPECT_TRUE(has(checkedAll(half), "lamp.lots:table lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(half, {"tester table/2 lit"})), "lamp.lots:table lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(half, {"seen table/2 lit-room"})), "lamp.lots:table lamp"));
    // Of one lot, of none, or of another colour there is nothing to compare.
    EXPECT_FALSE(has(checkedAll(jotted(job, {"lot table/2 1"})), "lamp.lots:table lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(job, {"lot table/2 none"})), "lamp.lots:table lamp"));
    EXPECT_FALSE(has(checkedAll(onTwelve({"lamp table warm white", "parallel table red",
                                          "resistor table 1k", "lot table/1 1", "lot table/2 3"})),
                     "lamp.lots:table lamp"));
}

}  // namespace
}  // namespace glimmet::core
