// A model over dead track against closed forms, and what must hold of every crossing.
#include "core/stay_alive/crossing_run.h"

#include "core/circuit/analysis.h"
#include "support/bank_circuits.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

namespace glimmet::core {
namespace {

constexpr double bus = 13.3, bulk = 47e-6, diode = 0.35;

/// 28 mm without power at 63.9 mm/s, nothing drawing yet.
CrossingRun run(double farads) {
    CrossingRun made;
    made.outages = {{Millimetres{20}, Millimetres{48}, Rails::Left}};
    made.speed = modelSpeed(KilometresPerHour{20}, 87);
    made.bus = Volts{bus};
    made.bulk = Farads{bulk};
    if (farads > 0) made.bank = Bank{Farads{farads}, Volts{diode}, Ohms{100}};
    made.full = Volts{bus};
    made.minimum = Volts{5};
    made.restart = Seconds{0.3};
    made.slowing = 0.4;
    return made;
}
constexpr double dark = 0.028 / (20 / 3.6 / 87);  // s

TEST(CrossingRuns, AConstantCurrentLetsTheBusFallStraight) {
    CrossingRun one = run(10e-3);
    one.others.current = Amperes{0.1};
    const Crossing crossing = crossed(one);
    EXPECT_EQ(crossing.how, Crossed::Carried);
    const double alone = bulk * diode / 0.1;  // s, until the bank gives
    EXPECT_NEAR(crossing.lowestBus.value(), bus - diode - 0.1 * (dark - alone) / (10e-3 + bulk),
                2e-3);
    EXPECT_NEAR(crossing.slowest.value(), one.speed.value(), 1e-12);
}
TEST(CrossingRuns, WhatIsLeftInTheBankIsADiodeAboveTheLowestBus) {
    CrossingRun one = run(10e-3);
    one.others.current = Amperes{0.1};
    const Crossing crossing = crossed(one);
    EXPECT_NEAR(crossing.bankLeft.value(), crossing.lowestBus.value() + diode, 1e-9);
    // With two dead places, the fuller one after the emptier: what counts is the end.
    CrossingRun twice = one;
    twice.outages.push_back({Millimetres{400}, Millimetres{402}, Rails::Left});
    const Crossing second = crossed(twice);
    EXPECT_NEAR(second.lowestBus.value(), crossing.lowestBus.value(), 1e-9);
    EXPECT_GT(second.bankLeft.value(), crossing.bankLeft.value() + 0.5);
    EXPECT_EQ(crossed(run(0)).bankLeft, Volts{0});
    CrossingRun whole = one;
    whole.outages.clear();
    EXPECT_EQ(crossed(whole).bankLeft, Volts{bus});
}
TEST(CrossingRuns, AConstantPowerTakesItsEnergyFromTheBank) {
    CrossingRun one = run(22e-3);
    one.motor = {Amperes{0.25}, Volts{2.4}, Volts{2.4}};  // 1.2 W at that speed
    const Crossing crossing = crossed(one);
    const double left = (bus - diode) * (bus - diode) - 2 * 1.2 * dark / (22e-3 + bulk);
    EXPECT_NEAR(crossing.lowestBus.value(), std::sqrt(left), 5e-3);
}
TEST(CrossingRuns, LampsLetItFallAsOnAResistor) {
    CrossingRun one = run(3.3e-3);
    one.others.lamps = {{Volts{3}, Ohms{500}, 1}};
    const Crossing crossing = crossed(one);
    EXPECT_EQ(crossing.how, Crossed::Dims);
    const double above = (bus - diode - 3) * std::exp(-dark / (500 * (3.3e-3 + bulk)));
    EXPECT_NEAR(crossing.lowestBus.value(), 3 + above, 0.01);
    EXPECT_NEAR(crossing.dimmest, above / (bus - 3), 2e-3);
}
TEST(CrossingRuns, WithoutPowerItRollsAsFarAsItsGearLetsIt) {
    CrossingRun one = run(0);
    one.bulk = Farads{1e-8};
    one.others.current = Amperes{0.1};
    one.motor = {Amperes{0.25}, Volts{2.4}, Volts{2.4}};
    const Crossing crossing = crossed(one);
    EXPECT_EQ(crossing.how, Crossed::Stops);
    const double v = one.speed.value();
    EXPECT_NEAR(crossing.trace.back().travel.value() - 20, 1000 * v * v / (2 * 0.4), 0.06);
    EXPECT_EQ(crossing.trace.back().speed.value(), 0);
    EXPECT_FALSE(crossing.trace.back().power);
}
TEST(CrossingRuns, AFastOneRollsOverAndItsDecoderStartsAnew) {
    CrossingRun one = run(0);
    one.motor = {Amperes{0.25}, Volts{2.4}, Volts{2.4}};
    one.others.current = Amperes{0.02};
    one.speed = MetresPerSecond{std::sqrt(2 * 0.4 * 0.028) * 1.03};
    EXPECT_EQ(crossed(one).how, Crossed::Resets);
    // It has its speed again when it ends, and not before its processor was back.
    const Crossing crossing = crossed(one);
    EXPECT_NEAR(crossing.trace.back().speed.value(), one.speed.value(), one.speed.value() * 0.021);
    EXPECT_TRUE(crossing.trace.back().awake);
    Seconds back{0}, again{0};
    for (const CrossingMoment& moment : crossing.trace) {
        if (!moment.power) back = moment.time;
        if (!moment.awake) again = moment.time;
    }
    EXPECT_NEAR((again - back).value(), 0.3, 0.02);
    one.speed = MetresPerSecond{std::sqrt(2 * 0.4 * 0.028) * 0.9};
    EXPECT_EQ(crossed(one).how, Crossed::Stops);
}
TEST(CrossingRuns, BelowTheVoltsThatTheMotorWantsItSlows) {
    CrossingRun one = run(11e-3);
    one.slowing = 4;
    one.motor = {Amperes{0.2}, Volts{2}, Volts{6}};
    const Crossing crossing = crossed(one);
    EXPECT_EQ(crossing.how, Crossed::Slows);
    EXPECT_GT(crossing.lowestBus.value(), 5);
    // As fast as what is left above its winding turns it.
    EXPECT_NEAR((crossing.slowest / one.speed).value(), (crossing.lowestBus.value() - 2) / 6, 0.02);
}
TEST(CrossingRuns, NothingHappensWithoutAnOutage) {
    CrossingRun one = run(0);
    one.outages.clear();
    const Crossing crossing = crossed(one);
    EXPECT_EQ(crossing.how, Crossed::Untouched);
    ASSERT_EQ(crossing.trace.size(), 1U);
    EXPECT_EQ(crossing.trace[0].bus, Volts{bus});
}
TEST(CrossingRuns, AnEngineThatTheVoltsDoNotTurnStandsBeforehand) {
    CrossingRun one = run(0);
    one.motor = {Amperes{1}, Volts{14}, Volts{1}};
    EXPECT_EQ(crossed(one).how, Crossed::Stops);
}
TEST(CrossingRuns, EndWhereTheVoltsDoNotReachForTheSpeedThatIsSet) {
    CrossingRun one = run(10e-3);
    one.motor = {Amperes{0.1}, Volts{2}, Volts{40}};
    const Crossing crossing = crossed(one);
    EXPECT_LT(crossing.trace.size(), 2000U);
    EXPECT_NEAR((crossing.trace.front().speed / one.speed).value(), 11.3 / 40, 1e-6);
}

/// Any credible model on any dead length.
CrossingRun anyRun(std::mt19937& random) {
    const auto within = [&](double low, double high) {
        return low * std::pow(high / low, std::uniform_real_distribution<double>(0, 1)(random));
    };
    CrossingRun one = run(0);
    const double from = within(5, 50), to = from + within(1, 80);
    one.outages = {{Millimetres{from}, Millimetres{to}, Rails::Left}};
    if (random() % 2) {
        one.outages.push_back(
            {Millimetres{to + within(1, 40)}, Millimetres{to + 40 + within(1, 30)}, Rails::Right});
    }
    one.speed = MetresPerSecond{within(0.004, 0.3)};
    one.motor = {Amperes{within(0.02, 0.8)}, Volts{within(0.5, 5)}, Volts{within(0.5, 6)}};
    one.others.current = Amperes{within(0.005, 0.1)};
    if (random() % 2) one.others.lamps = {{Volts{3}, Ohms{within(300, 5000)}, 3}};
    return one;
}
TEST(CrossingRuns, MoreCapacitanceNeverCarriesLessFar) {
    std::mt19937 random(7);
    for (int i = 0; i < 300; ++i) {
        CrossingRun one = anyRun(random);
        Crossed before = Crossed::Stops;
        double reached = 0;
        for (const double farads : {0.0, 100e-6, 1e-3, 5e-3, 22e-3, 0.2}) {
            if (farads > 0) one.bank = Bank{Farads{farads}, Volts{diode}, Ohms{100}};
            const Crossing crossing = crossed(one);
            // Stopping sooner or later is both stopping; a reset is not slower than a stop.
            EXPECT_LE(crossing.how, before) << i << " at " << farads;
            if (crossing.how == Crossed::Stops) {
                EXPECT_GE(crossing.trace.back().travel.value(), reached - 0.5) << i;
                reached = crossing.trace.back().travel.value();
            }
            before = crossing.how;
        }
    }
}
TEST(CrossingRuns, WhatTheBankLosesIsWhatWasDrawn) {
    std::mt19937 random(11);
    int seen = 0;
    for (int i = 0; i < 300; ++i) {
        CrossingRun one = anyRun(random);
        one.bank = Bank{Farads{30e-3}, Volts{0.001}, Ohms{100}};
        one.outages.resize(1);
        const Crossing crossing = crossed(one);
        if (crossing.how > Crossed::Dims) continue;
        ++seen;
        double drawn = 0, last = bus;
        for (std::size_t k = 1; k < crossing.trace.size(); ++k) {
            const CrossingMoment &a = crossing.trace[k - 1], &b = crossing.trace[k];
            if (a.power) continue;
            const double middle = (a.bus + b.bus).value() / 2;
            const double motor =
                (one.motor.winding + one.motor.emf).value() * one.motor.current.value();
            drawn += (motor + one.others.drawn(Volts{middle}).value() * middle) *
                     (b.time - a.time).value();
            last = b.bus.value();
        }
        // The bank gives only from its diode's drop below the bus.
        const double from = bus - 0.001;
        const double lost =
            (30e-3 * (from * from - last * last) + bulk * (bus * bus - last * last)) / 2;
        EXPECT_NEAR(drawn, lost, lost * 0.01 + 1e-6) << i;
    }
    EXPECT_GT(seen, 60);
}

// The engine's transient knows nothing of crossings: contacts, diodes, charging are its own.
TEST(CrossingRuns, AgreeWithTheEnginesCircuit) {
    for (const tests::BankCase& each : tests::bankCases) {
        SCOPED_TRACE(each.name);
        const Crossing crossing = crossed(tests::bankRun(each));
        const circuit::Netlist netlist = tests::bankCircuit(each);
        const auto engine =
            circuit::transient(netlist.circuit, std::get<circuit::TransientSpan>(netlist.analysis));
        ASSERT_TRUE(engine.has_value());
        circuit::Circuit named = netlist.circuit;
        const auto& volts = engine->voltage[circuit::nodeNamed(named, "bus")];
        const std::vector<CrossingMoment>& trace = crossing.trace;
        double lowest = bus;
        double furthest = 0;
        for (std::size_t i = 0; i < engine->time.size(); ++i) {
            lowest = std::min(lowest, volts[i]);
            // Where the rails come back the one jumps and the other takes a microsecond.
            const auto after = std::upper_bound(
                trace.begin(), trace.end(), engine->time[i],
                [](double t, const CrossingMoment& moment) { return t < moment.time.value(); });
            if (after == trace.begin() || after == trace.end()) continue;
            const CrossingMoment& one = *(after - 1);
            if (one.power != after->power || engine->time[i] - one.time.value() < 1e-5) continue;
            const double share =
                (engine->time[i] - one.time.value()) / (after->time - one.time).value();
            const double ours = one.bus.value() + share * (after->bus - one.bus).value();
            furthest = std::max(furthest, std::abs(ours - volts[i]));
        }
        EXPECT_NEAR(crossing.lowestBus.value(), lowest, 0.01 * bus);
        EXPECT_LT(furthest, 0.02 * bus);
        EXPECT_LT(lowest, bus - 0.4);
    }
}

}  // namespace
}  // namespace glimmet::core
