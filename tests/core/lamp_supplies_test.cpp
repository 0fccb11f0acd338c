// Lamps on AC, on cells, behind a switch.
#include "core/analysis/lamps/lamp_netlist.h"
#include "core/analysis/operating.h"
#include "core/analysis/rail_feed.h"
#include "core/analysis/supply.h"
#include "core/led/lamp_drive.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>
#include <numbers>

namespace glimmet::core {
namespace {

using namespace tests;

/// A building on 16 V of AC, as a meter reads it.
Job onAc(std::initializer_list<const char*> lines) {
    return jotted(jotted(tests::newJob("Holm Light", "lighthouse"), {"supply ac 16V"}), lines);
}
double lampCurrent(const Job& job, std::size_t row = 0) {
    const auto facts = factsOf(job);
    return facts.groups[0]->rows[row].current.value();
}
const Option* optionWith(const Finding& one, std::string_view jot) {
    for (const Option& option : one.options) {
        if (option.jot == jot) return &option;
    }
    return nullptr;
}

TEST(LampDrive, HeatsAsMuchAsItsEffectiveVolts) {
    EXPECT_NEAR((LampDrive{Volts{12}, Volts{0.1}}.effective().value()), 11.9, 1e-12);
    EXPECT_NEAR((LampDrive{Volts{10}, {}, Wave::BothHalves}.effective().value()),
                10 / std::numbers::sqrt2, 1e-9);
    EXPECT_NEAR((LampDrive{Volts{10}, {}, Wave::OneHalf}.effective().value()), 5, 1e-9);
}

TEST(LampDrive, OfABareResistanceTheMeanIsThatOfASine) {
    auto solver = LampSolver::of({Ohms{0}, {{{}, Ohms{1000}}}});
    ASSERT_TRUE(solver);
    const double mean = 2 / std::numbers::pi * 10e-3;  // of |sin| at 10 mA
    const auto both = over(*solver, {Volts{10}, {}, Wave::BothHalves});
    EXPECT_NEAR(both->total.value(), mean, 1e-3 * mean);
    EXPECT_NEAR(both->resistorPower[0].value(), 0.05, 1e-6);  // V²/2R
    const auto one = over(*solver, {Volts{10}, {}, Wave::OneHalf});
    EXPECT_NEAR(one->total.value(), mean / 2, 1e-3 * mean);
    EXPECT_NEAR(one->resistorPower[0].value(), 0.025, 1e-6);
}

TEST(LampDrive, ADriverKeepsItsCurrentWhereItHasTheVolts) {
    auto solver = LampSolver::of({Ohms{0}, {{{}, Ohms{100}}}});
    // 1 V across at 10 mA: of a crest of 2 V it holds from 30° on, and below that it is a sine.
    const auto held = over(*solver, {Volts{2}, {}, Wave::BothHalves}, Amperes{0.01});
    const double low = 0.02 * (1 - std::cos(std::numbers::pi / 6)) * 2 / std::numbers::pi;
    EXPECT_NEAR(held->total.value(), low + 0.01 * 2 / 3, 2e-5);
}

TEST(LampDrive, TheResistorForAMeanIsFound) {
    const LampString lamps{{typicalLaw(LedFamily::White), typicalLaw(LedFamily::White)}, Ohms{0}};
    for (const Wave wave : {Wave::Steady, Wave::BothHalves, Wave::OneHalf}) {
        const LampDrive drive{Volts{22.6}, Volts{1.2}, wave};
        const auto ideal = resistorOn(lamps, drive, Amperes{0.005});
        ASSERT_TRUE(ideal);
        LampString fitted = lamps;
        fitted.resistor = *ideal;
        auto solver = LampSolver::of({Ohms{0}, {fitted}});
        EXPECT_NEAR(over(*solver, drive)->total.value(), 0.005, 1e-8);
    }
    EXPECT_FALSE(*resistorOn(lamps, {Volts{5}, {}, Wave::OneHalf}, Amperes{0.005}) > Ohms{0});
}

/// The mean of what the written netlist's lamps take over two turns, by the engine's transient.
double simulated(const Job& job) {
    const auto netlist = lamps::lampNetlist(job, job.groups[0], {});
    EXPECT_TRUE(netlist.has_value());
    const auto read = circuit::readNetlist(circuit::writtenNetlist(*netlist));
    EXPECT_TRUE(read.faults.empty());
    const auto& span = std::get<circuit::TransientSpan>(read.netlist.analysis);
    const circuit::Circuit& made = read.netlist.circuit;
    const auto run = circuit::transient(made, span);
    EXPECT_TRUE(run.has_value());
    // Through the resistors that lead to the foot.
    double sum = 0;
    for (std::size_t t = 1; t < run->time.size(); ++t) {
        for (const circuit::Resistor& each : made.resistors) {
            if (each.name.find("rrow") == std::string::npos) continue;
            sum += std::abs(run->voltage[each.a][t] - run->voltage[each.b][t]) /
                   each.resistance.value();
        }
    }
    return sum / static_cast<double>(run->time.size() - 1);
}

TEST(LampsOnAc, CarryWhatTheEnginesTransientSays) {
    const Job bare = onAc({"lamp lantern warm white", "resistor lantern 1k"});
    const Job bridged = onAc({"lamp lantern warm white", "inline lantern red",
                              "resistor lantern 1k5", "rectifier silicon"});
    const Job shared = onAc({"lamp lantern warm white", "parallel lantern red",
                             "resistor lantern 470", "shared lantern 330", "rectifier silicon"});
    const Job diode = onAc({"lamp lantern red", "resistor lantern 2k2", "oneway lantern"});
    for (const Job* job : {&bare, &bridged, &shared, &diode}) {
        const auto facts = factsOf(*job);
        EXPECT_NEAR(facts.groups[0]->total.value(), simulated(*job),
                    0.01 * facts.groups[0]->total.value());
    }
    // Half of the time, and no drop of a bridge: less than half of what a bridge would give.
    const double both = lampCurrent(jotted(bare, {"rectifier silicon"}));
    EXPECT_NEAR(lampCurrent(bare), both / 2, 0.06 * both);
}

TEST(LampsOnAc, BehindACapacitorTheyHaveItsCrest) {
    const Job job = onAc({"lamp lantern warm white", "resistor lantern 3k9", "rectifier silicon",
                          "smoothing 47uF 35V"});
    const auto facts = factsOf(job);
    EXPECT_EQ(facts.groups[0]->wave, Wave::Steady);
    EXPECT_NEAR(busVolts(job, WorkshopRules()).value(), 16 * std::numbers::sqrt2 - 1.2, 1e-9);
    EXPECT_NEAR(facts.groups[0]->bus.value(), busVolts(job, WorkshopRules()).value(), 1e-12);
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.flicker").state, State::Fine);
    EXPECT_NE(plain(finding(all, "lamp.flicker").sentence).find("one crest of the AC"),
              std::string::npos);
    // One that is empty before the next crest does not carry them.
    EXPECT_EQ(finding(checkedAll(jotted(job, {"smoothing 1uF 35V"})), "lamp.flicker").state,
              State::Close);
    // Its volts are held against the crest, not against what a meter reads.
    EXPECT_EQ(stateOf(job, "lamp.capacitor-volts"), State::Fine);
    EXPECT_EQ(stateOf(jotted(job, {"smoothing 47uF 25V"}), "lamp.capacitor-volts"), State::Close);
    EXPECT_EQ(stateOf(jotted(job, {"smoothing 47uF 16V"}), "lamp.capacitor-volts"), State::Over);
}

TEST(LampsOnAc, WhatTurnsRoundAtALampIsItsCrest) {
    const Job job = onAc({"lamp lantern warm white", "resistor lantern 1k"});
    const auto all = checkedAll(job);
    const Finding& reverse = finding(all, "lamp.reverse:lantern");
    EXPECT_EQ(reverse.state, State::Over);
    EXPECT_NEAR(*figure(reverse, "V_rev").value, 16 * std::numbers::sqrt2 * 1.05, 1e-6);
    EXPECT_NE(plain(reverse.sentence).find("every other half of the AC"), std::string::npos);
    for (const char* cure : {"rectifier silicon", "oneway lantern"}) {
        ASSERT_NE(optionWith(reverse, cure), nullptr) << cure;
        EXPECT_FALSE(has(checkedAll(jotted(job, {cure})), "lamp.reverse:lantern")) << cure;
    }
}

TEST(LampsOnAc, OneHalfIsSeenToFlickerBothAreNot) {
    const Job job = onAc({"lamp lantern warm white", "resistor lantern 2k2"});
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.flicker").state, State::Close);
    EXPECT_NE(optionWith(finding(all, "lamp.flicker"), "rectifier silicon"), nullptr);
    EXPECT_EQ(stateOf(jotted(job, {"rectifier silicon"}), "lamp.flicker"), State::Fine);
    // A diode that spares the lamp does not end it.
    EXPECT_EQ(stateOf(jotted(job, {"oneway lantern"}), "lamp.flicker"), State::Close);
    // Lamps of both ways round take turns; bulbs are too slow; without lamps nothing is said.
    EXPECT_EQ(stateOf(jotted(job, {"antiparallel lantern warm white"}), "lamp.flicker"),
              State::Fine);
    EXPECT_FALSE(has(checkedAll(onAc({"bulb lantern 16V 50mA"})), "lamp.flicker"));
    EXPECT_FALSE(has(checkedAll(onAc({"lamp lantern warm white"})), "lamp.flicker"));
}

TEST(LampsOnAc, TwoColoursAcrossEachOtherMix) {
    const Job same = onAc(
        {"lamp lantern warm white", "resistor lantern 2k2", "antiparallel lantern warm white"});
    EXPECT_EQ(finding(checkedAll(same), "lamp.pair:lantern").state, State::Fine);
    const Job mixed =
        onAc({"lamp lantern green", "resistor lantern 2k2", "antiparallel lantern red"});
    const auto all = checkedAll(mixed);
    EXPECT_EQ(finding(all, "lamp.pair:lantern").state, State::Close);
    EXPECT_NE(plain(finding(all, "lamp.pair:lantern").sentence).find("mixed"), std::string::npos);
    // Either way round carries its own half; the resistor is heated by both.
    const auto facts = factsOf(same);
    const GroupState& state = *facts.groups[0];
    EXPECT_NEAR(state.total.value(), 2 * state.rows[0].current.value(), 1e-9);
    EXPECT_NEAR(state.rows[0].light, state.rows[1].light, 1e-9);
}

TEST(LampsOnAc, BulbsTakeWhatIsPrintedOnThem) {
    EXPECT_NEAR(lampCurrent(onAc({"bulb lantern 16V 50mA"})), 0.05, 1e-5);
    // And where they begin to glow is told as the supply is read.
    const Job job = onAc({"bulb lantern 16V 50mA"});
    EXPECT_NEAR(factsOf(job).groups[0]->glowFrom.value(), 4, 0.05);
}

TEST(LampsOnAc, AreDrivenByWhatAMeterReads) {
    const Job job =
        onAc({"lamp lantern red 2.0V 20mA", "resistor lantern 2k2", "rectifier silicon"});
    const auto facts = factsOf(job);
    // Its first light comes where the crest passes rectifier and LED.
    const auto led = std::get<LedLaw>(*law(job.groups[0].rows[0].lamps[0].part));
    const double crest = 1.2 + led.voltage(glowCurrent).value() + 2200 * 1e-4;
    EXPECT_NEAR(facts.groups[0]->glowFrom.value(), crest / std::numbers::sqrt2, 1e-3);
    Operating low;
    low.volts = Volts{1.5};
    EXPECT_FALSE(litWhen(facts, low)[0].brightness > 0.02);
    low.volts = Volts{16};
    EXPECT_GT(litWhen(facts, low)[0].brightness, 0.3);
    // Direction has no say.
    const Job diode = jotted(onAc({"lamp lantern red", "resistor lantern 1k"}), {"oneway lantern"});
    const auto facing = factsOf(diode);
    EXPECT_FALSE(railsTellDirection(diode));
    for (const bool forward : {true, false}) {
        Operating on;
        on.everything = false;
        on.forward = forward;
        EXPECT_GT(litWhen(facing, on)[0].brightness, 0.2);
    }
}

TEST(LampsOnAc, AChipBeginsAnewAtEveryCrestUntilACapacitorCarriesIt) {
    Job job = onAc({"lamp lantern red 2.0V 20mA", "resistor lantern 2k2", "rectifier silicon"});
    job.groups[0].rows[0].lamps[0].part.blink = BlinkChip{1, false, Volts{1.5}};
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.blink:lantern").state, State::Over);
    EXPECT_NE(plain(finding(all, "lamp.blink:lantern").sentence).find("100 times a second"),
              std::string::npos);
    const auto facts = factsOf(job);
    EXPECT_FALSE(comesToBlink(facts, job.groups[0], job.groups[0].rows[0]));
    const Job carried = jotted(job, {"smoothing 330uF 35V charge 47R"});
    const auto then = factsOf(carried);
    EXPECT_TRUE(comesToBlink(then, carried.groups[0], carried.groups[0].rows[0]));
    EXPECT_EQ(stateOf(carried, "lamp.blink:" + job.groups[0].id), State::Fine);
    EXPECT_NE(sentenceOf(carried, "lamp.blink:lantern").find("from one crest"), std::string::npos);
}

TEST(LampsOnAc, ADriverHasHalfOfItsTimeThere) {
    const Job job = onAc({"lamp lantern red 2.0V 20mA", "driver lantern 5mA"});
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.driver:lantern").state, State::Close);
    EXPECT_NE(plain(finding(all, "lamp.driver:lantern").sentence).find("one half of the AC"),
              std::string::npos);
    EXPECT_EQ(finding(checkedAll(jotted(job, {"rectifier silicon"})), "lamp.driver:lantern").state,
              State::Fine);
}

TEST(LampsOnAc, VoltsBelowTheBridgeAreNoNumbersOutOfNothing) {
    const Job job = onAc({"supply ac 1V", "bulb lantern 16V 50mA", "rectifier 2V"});
    const auto facts = factsOf(job);
    EXPECT_TRUE(std::isfinite(facts.groups[0]->glowFrom.value()));
    EXPECT_EQ(finding(checkedAll(job), "lamp.bulb:lantern").state, State::Over);
}

TEST(LampsOfBuildings, MeetNoDirt) {
    Job job = jotted(tests::newJob("Holm Light", "lighthouse"),
                     {"supply reversing dc 12V", "lamp lantern red 2.0V 20mA",
                      "resistor lantern 1k", "rectifier silicon"});
    EXPECT_FALSE(has(checkedAll(job), "lamp.flicker"));
    job.groups[0].rows[0].lamps[0].part.blink = BlinkChip{1, false, Volts{1.5}};
    EXPECT_EQ(finding(checkedAll(job), "lamp.blink:lantern").state, State::Fine);
    // On digital volts its chip begins anew all the same.
    EXPECT_EQ(finding(checkedAll(jotted(job, {"supply dcc"})), "lamp.blink:lantern").state,
              State::Over);
    // A coach has rails under it.
    EXPECT_TRUE(has(checkedAll(jotted(tests::newJob("Aurora", "saloon"),
                                      {"supply dc 12V", "lamp table red", "resistor table 1k",
                                       "rectifier silicon"})),
                    "lamp.flicker"));
}

TEST(LampsOnAc, AMotorIsNotWorkedOutThere) {
    const auto refused = applyLine("supply ac 16V", shunter(), smallCatalogue(), {});
    ASSERT_FALSE(refused);
    EXPECT_NE(plain(refused.error().what).find("track three-rail"), std::string::npos);
    EXPECT_TRUE(applyLine("supply ac", tests::newJob("Aurora", "saloon"), smallCatalogue(), {}));
    EXPECT_NEAR(trackVolts(jotted(tests::newJob("Aurora", "saloon"), {"supply ac"})).value(), 16,
                1e-12);
}

/// A lamp straight on a coin cell.
Job onCoin(std::initializer_list<const char*> lines) {
    return jotted(jotted(tests::newJob("Holm Light", "lighthouse"), {"battery coin"}), lines);
}

TEST(LampsOnCells, ACoinCellsOwnOhmsCount) {
    const Job job = onCoin({"lamp lantern red 2.0V 20mA", "resistor lantern 100"});
    const auto facts = factsOf(job);
    const auto led = std::get<LedLaw>(*law(job.groups[0].rows[0].lamps[0].part));
    const Amperes current = facts.groups[0]->rows[0].current;
    EXPECT_NEAR((led.voltage(current) + current * Ohms{115}).value(), 3.2, 1e-6);
    EXPECT_NEAR(facts.groups[0]->inside.value(), 15, 1e-12);
    // It is a figure of the sentence, and assumed.
    const auto all = checkedAll(job);
    const Figure& cell = figure(finding(all, "lamp.current:lantern"), "R_cell");
    ASSERT_TRUE(cell.value);
    EXPECT_NEAR(*cell.value, 15, 1e-12);
    EXPECT_EQ(cell.basis.kind, Basis::Kind::Assumed);
    // Two cells have twice of it; a lamp behind a decoder does not hang on it.
    EXPECT_NEAR(factsOf(jotted(job, {"battery 2 coin"})).groups[0]->inside.value(), 30, 1e-12);
    EXPECT_NEAR(factsOf(jotted(job, {"supply dc 3.2V"})).groups[0]->inside.value(), 0, 1e-12);
}

TEST(LampsOnCells, NeverHaveMoreThanWhenTheyAreFresh) {
    const Job job = onCoin({"lamp lantern red 2.0V 20mA", "resistor lantern 100"});
    const Job supply = jotted(job, {"supply dc 3.2V", "resistor lantern 115"});
    // Measured lamps and a resistor have no spread of their own but its tolerance.
    const auto cell = factsOf(job);
    const auto other = factsOf(supply);
    EXPECT_LT(cell.groups[0]->rows[0].highest, other.groups[0]->rows[0].highest * 0.95);
    EXPECT_LT(cell.groups[0]->rows[0].lowest, cell.groups[0]->rows[0].current * 0.9);
}

TEST(LampSwitches, BearWhatIsPrintedOnThem) {
    const Job job = jotted(tests::newJob("Holm Light", "lighthouse"),
                           {"supply dc 12V", "bulb lantern 12V 100mA", "toggle lantern 0.5A"});
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.switch:lantern").state, State::Fine);
    const std::string id = "lamp.switch:" + job.groups[0].id;
    EXPECT_EQ(stateOf(jotted(job, {"toggle lantern 0.12A"}), id), State::Close);
    EXPECT_EQ(stateOf(jotted(job, {"toggle lantern 0.05A"}), id), State::Over);
    EXPECT_NE(sentenceOf(jotted(job, {"toggle lantern 0.05A"}), "lamp.switch:lantern").find("weld"),
              std::string::npos);
    EXPECT_FALSE(has(checkedAll(jotted(job, {"toggle lantern none"})), "lamp.switch:lantern"));
    // The amps stay where only its poles are said.
    const Job two = jotted(job, {"toggle lantern two-pole"});
    EXPECT_EQ(two.groups[0].contact->poles, 2);
    EXPECT_NEAR(two.groups[0].contact->limit.value(), 0.5, 1e-12);
    EXPECT_FALSE(
        applyLine("toggle lantern", jotted(job, {"toggle lantern none"}), smallCatalogue(), {}));
    EXPECT_FALSE(applyLine("toggle lantern none 1A", job, smallCatalogue(), {}));
}

}  // namespace
}  // namespace glimmet::core
