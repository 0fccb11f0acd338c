// The engine against what can be worked out on paper, and against the laws it must keep.
#include "core/circuit/analysis.h"

#include "core/circuit/parts.h"
#include "core/quantity/thermal_voltage.h"
#include "support/lamp_reference.h"
#include "support/print_quantity.h"
#include "support/trade_circuits.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

namespace glimmet::core::circuit {
namespace {

using tests::Build;

double voltageOf(const Netlist& netlist, const OperatingPoint& point, const char* node) {
    for (Node at = 0; at < netlist.circuit.nodes.size(); ++at) {
        if (netlist.circuit.nodes[at] == node) return point.voltage[at];
    }
    ADD_FAILURE() << "no node " << node;
    return 0;
}
std::string refusal(const Netlist& netlist) {
    const auto point = operatingPoint(netlist.circuit);
    return point ? "(solved)" : plain(point.error().what);
}

TEST(OperatingPoint, DividesAVoltage) {
    const Netlist netlist =
        Build("divider").v("in", "0", Constant{12}).r("in", "a", 1000).r("a", "0", 3000).op();
    const auto point = operatingPoint(netlist.circuit);
    EXPECT_NEAR(voltageOf(netlist, *point, "a"), 9, 1e-12);
    EXPECT_NEAR(point->current[0], -0.003, 1e-15);  // out of plus, so negative
}
TEST(OperatingPoint, CountsACurrentSourceFromPlusThroughItselfToMinus) {
    const Netlist netlist = Build("source").i("0", "a", Constant{0.002}).r("a", "0", 500).op();
    EXPECT_NEAR(voltageOf(netlist, *operatingPoint(netlist.circuit), "a"), 1, 1e-12);
}
TEST(OperatingPoint, PutsTheDiodeWhereItsLawSays) {
    // 1 mA forced through Is = 1e-14, N = 1, Rs = 2: V = Vt·ln(1e11 + 1) + 2 mV.
    Circuit circuit;
    circuit.models.push_back({"m", Amperes{1e-14}, 1, Ohms{2}, Volts{INFINITY}, Amperes{1e-3}});
    const Node a = nodeNamed(circuit, "a");
    circuit.currentSources.push_back({"i1", ground, a, Constant{1e-3}, {}});
    circuit.diodes.push_back({"d1", a, ground, 0});
    EXPECT_NEAR(operatingPoint(circuit)->voltage[a], thermalVoltage * std::log(1e11 + 1) + 0.002,
                1e-9);
}
TEST(OperatingPoint, BreaksDownWithIbvAtMinusBv) {
    Circuit circuit;
    circuit.models.push_back({"z", Amperes{1e-14}, 1.2, Ohms{0}, Volts{5.1}, Amperes{5e-3}});
    const Node k = nodeNamed(circuit, "k");
    circuit.currentSources.push_back({"i1", ground, k, Constant{5e-3}, {}});
    circuit.diodes.push_back({"d1", ground, k, 0});
    EXPECT_NEAR(operatingPoint(circuit)->voltage[k], 5.1, 1e-9);
    circuit.currentSources[0].amps = Constant{50e-3};  // a decade more: N·Vt·ln 10 further
    EXPECT_NEAR(operatingPoint(circuit)->voltage[k], 5.1 + 1.2 * thermalVoltage * std::log(10.0),
                1e-9);
}
TEST(OperatingPoint, NamesWhatMakesACircuitUnsolvable) {
    EXPECT_EQ(refusal(Build("x")
                          .v("a", "0", Constant{5})
                          .r("a", "b", 1)
                          .c("b", "c", 1e-6)
                          .r("c", "d", 1)
                          .op()),
              "Nothing connects node c to ground: its voltage could be anything.");
    EXPECT_EQ(
        refusal(Build("x").v("a", "0", Constant{5}).v("a", "0", Constant{6}).r("a", "0", 1).op()),
        "Two supplies in parallel: v1 and v2. The current between them has no limit.");
    EXPECT_EQ(refusal(Build("x")
                          .v("a", "0", Constant{5})
                          .v("b", "a", Constant{6})
                          .v("b", "0", Constant{11})
                          .r("b", "0", 1)
                          .op()),
              "v3 closes a ring of supplies: the current in it has no limit.");
    EXPECT_EQ(refusal(Build("x").v("a", "a", Constant{5}).r("a", "0", 1).op()),
              "v1 is short-circuited: its current has no limit.");
    EXPECT_EQ(refusal(Build("x").v("a", "0", Constant{1e300}).r("a", "0", 1e-300).op()),
              "The current of v1 is beyond any number: its volts are far too high for what hangs "
              "on it.");
    // A current that is pushed into what takes less of it the higher its volts.
    Netlist runaway = Build("x").i("0", "a", Constant{0.1}).op();
    addOnePort(runaway.circuit, "the sound board", 1, 0, Load{Watts{0.01}, Amperes{0}, Volts{1}});
    EXPECT_EQ(refusal(runaway),
              "The circuit did not settle around the sound board: its equations have no steady "
              "solution within reach.");
}
TEST(OperatingPoint, SettlesOnAbsurdVoltagesAndValues) {
    for (const double volts : {1e-12, 1e3, 1e6, -1e6}) {
        for (const double ohms : {1e-3, 1e9}) {
            const Netlist netlist = Build("absurd")
                                        .v("in", "0", Constant{volts})
                                        .r("in", "a", ohms)
                                        .led("a", "0", LedFamily::White)
                                        .zener("0", "a", 5.1)
                                        .op();
            const auto point = operatingPoint(netlist.circuit);
            ASSERT_TRUE(point.has_value()) << volts << " V, " << ohms << " Ω";
            EXPECT_TRUE(std::isfinite(point->current[0]));
        }
    }
}

// The closed-form solver of lamp strings and this engine share no code.
TEST(OperatingPoint, AgreesWithTheLampCircuitsClosedForm) {
    std::mt19937 random(31);
    std::uniform_int_distribution<int> rows(1, 5), leds(1, 4), family(0, 7);
    std::uniform_real_distribution<double> ohms(50, 5000), common(0, 500), drive(4, 24);
    for (int trial = 0; trial < 200; ++trial) {
        LampCircuit lamps;
        lamps.common = Ohms{common(random) + 1e-3};
        Build build("trial");
        const double volts = drive(random);
        build.v("in", "0", Constant{volts}).r("in", "bus", lamps.common.value());
        int number = 0;
        for (int k = rows(random); k > 0; --k) {
            LampString string{{}, Ohms{ohms(random)}};
            std::string from = "s" + std::to_string(++number);
            build.r("bus", from.c_str(), string.resistor.value());
            for (int i = leds(random); i > 0; --i) {
                const LedFamily which =
                    wordsOf(core::LedFamily()).at(static_cast<std::size_t>(family(random))).value;
                const std::string to = i == 1 ? "0" : "s" + std::to_string(++number);
                build.led(from.c_str(), to.c_str(), which);
                string.lamps.push_back(typicalLaw(which));
                from = to;
            }
            lamps.strings.push_back(string);
        }
        const double closed = tests::closedForm(lamps, Volts{volts}).total.value();
        const auto point = operatingPoint(build.netlist.circuit);
        ASSERT_TRUE(point.has_value());
        EXPECT_NEAR(-point->current[0], closed, 1e-6 * closed + 1e-10) << "trial " << trial;
    }
}

TEST(OperatingPoint, SolvesABusOfThousandsOfLamps) {
    Build build("bus");
    build.v("n0", "0", Constant{12});
    constexpr int lamps = 2000;
    for (int k = 1; k <= lamps; ++k) {
        const std::string from = "n" + std::to_string(k - 1), to = "n" + std::to_string(k),
                          lamp = "l" + std::to_string(k);
        build.r(from.c_str(), to.c_str(), 1e-4)
            .r(to.c_str(), lamp.c_str(), 1000)
            .led(lamp.c_str(), "0", LedFamily::White);
    }
    const auto point = operatingPoint(build.netlist.circuit);
    ASSERT_TRUE(point.has_value());
    // Far from the feed every lamp sees less: the voltages fall along the bus.
    const double first = voltageOf(build.netlist, *point, "n1");
    const double last = voltageOf(build.netlist, *point, "n2000");
    EXPECT_LT(last, first);
    EXPECT_GT(last, 3);
}

TEST(Sweep, FollowsALampThroughItsKnee) {
    const Netlist netlist = Build("sweep")
                                .v("in", "0", Constant{0})
                                .r("in", "a", 1000)
                                .led("a", "0", LedFamily::Red)
                                .op();
    const auto sweep = swept(netlist.circuit, "V1", {0, 12, 0.5});
    ASSERT_EQ(sweep->value.size(), 25U);
    EXPECT_EQ(sweep->value.back(), 12);
    for (std::size_t i = 1; i < sweep->points.size(); ++i) {
        EXPECT_LE(sweep->points[i].current[0], sweep->points[i - 1].current[0]);
    }
    EXPECT_EQ(swept(netlist.circuit, "v9", {0, 12, 1}).error().code, ErrorCode::Unknown);
    EXPECT_EQ(swept(netlist.circuit, "v1", {0, 12, -1}).error().code, ErrorCode::OutOfRange);
    EXPECT_EQ(swept(netlist.circuit, "v1", {0, 12, 0}).error().code, ErrorCode::OutOfRange);
    EXPECT_EQ(swept(netlist.circuit, "v1", {0, 12, 1e-9}).error().code, ErrorCode::OutOfRange);
}

// v(t) = V·(1 − exp(−t/RC)) for a step that rises within a nanosecond.
TEST(TransientAnalysis, ChargesACapacitorAsOnPaper) {
    const Netlist netlist = Build("rc")
                                .v("in", "0", Pulse{0, 10, 0, 1e-9, 1e-9, 1, 0})
                                .r("in", "a", 1000)
                                .c("a", "0", 1e-6)
                                .tran(1e-4, 5e-3);
    const auto result = transient(netlist.circuit, {1e-4, 5e-3});
    ASSERT_TRUE(result.has_value());
    ASSERT_EQ(result->time.size(), 51U);
    for (std::size_t i = 1; i < result->time.size(); ++i) {
        const double onPaper = 10 * (1 - std::exp(-(result->time[i] - 0.5e-9) / 1e-3));
        EXPECT_NEAR(result->voltage[2][i], onPaper, 1e-5) << result->time[i];  // 1e-6 of the swing
    }
}
// A capacitor that loses its supply discharges exponentially through its load.
TEST(TransientAnalysis, DischargesThroughALoadAsOnPaper) {
    const Netlist netlist =
        Build("hold")
            .v("in", "0", PiecewiseLinear{{{0, 12}, {1e-3, 12}, {1.000001e-3, 0}}})
            .silicon("in", "a")
            .c("a", "0", 100e-6)
            .r("a", "0", 1000)
            .op();
    const auto result = transient(netlist.circuit, {1e-2, 0.3});
    const std::vector<double>& volts = result->voltage[2];
    for (std::size_t i = 2; i < volts.size(); ++i) {
        EXPECT_NEAR(volts[i] / volts[i - 1], std::exp(-0.1), 2e-6)
            << i;  // RC = 0.1 s; the diode leaks
    }
}
TEST(TransientAnalysis, PrintsEveryMultipleOfItsStepAndMeetsEveryCorner) {
    const Netlist netlist = Build("corners")
                                .v("in", "0", Pulse{0, 5, 0.33e-3, 1e-6, 1e-6, 0.1e-3, 0.5e-3})
                                .r("in", "a", 1)
                                .c("a", "0", 1e-9)
                                .op();
    const auto result = transient(netlist.circuit, {5e-5, 2e-3});
    ASSERT_EQ(result->time.size(), 41U);
    for (std::size_t i = 0; i < result->time.size(); ++i) {
        EXPECT_DOUBLE_EQ(result->time[i], static_cast<double>(i) * 5e-5);
        // RC is a nanosecond: the capacitor stands where the source stands.
        EXPECT_NEAR(result->voltage[2][i],
                    valueAt(netlist.circuit.voltageSources[0].volts, result->time[i]), 0.01);
    }
}
// What the source gives is heat in the resistor and charge on the capacitor: ½CV² each.
TEST(TransientAnalysis, BalancesItsEnergy) {
    const Netlist netlist = Build("energy")
                                .v("in", "0", Pulse{0, 10, 0, 1e-9, 1e-9, 1, 0})
                                .r("in", "a", 1000)
                                .c("a", "0", 1e-6)
                                .op();
    const auto result = transient(netlist.circuit, {1e-6, 0.02});
    double heat = 0;
    for (std::size_t i = 1; i < result->time.size(); ++i) {
        const auto power = [&](std::size_t at) {
            const double across = result->voltage[1][at] - result->voltage[2][at];
            return across * across / 1000;
        };
        const double begin =
            i == 1 ? 0.1 : power(i - 1);  // just after the step all of it is across R
        heat += (begin + power(i)) / 2 * 1e-6;
    }
    EXPECT_NEAR(heat, 0.5 * 1e-6 * 100, 1e-9);
}
TEST(TransientAnalysis, RefusesASpanThatLeadsNowhere) {
    const Netlist netlist = Build("x").v("a", "0", Constant{1}).r("a", "0", 1).op();
    for (const TransientSpan& span :
         {TransientSpan{0, 1}, {1, 0.5}, {-1, 1}, {1e-9, 1e6}, {NAN, 1}}) {
        EXPECT_EQ(transient(netlist.circuit, span).error().code, ErrorCode::OutOfRange);
    }
}

TEST(Waveforms, RepeatAndHold) {
    const Pulse pulse{1, 5, 2, 1, 1, 3, 10};
    const Waveform waveform = pulse;
    for (const double turn : {0.0, 10.0, 20.0}) {
        EXPECT_NEAR(valueAt(waveform, turn + 1.9), turn > 0 ? 1 : 1, 1e-12);
        EXPECT_NEAR(valueAt(waveform, turn + 2.5), 3, 1e-12);
        EXPECT_NEAR(valueAt(waveform, turn + 4), 5, 1e-12);
        EXPECT_NEAR(valueAt(waveform, turn + 6.25), 4, 1e-12);
        EXPECT_NEAR(valueAt(waveform, turn + 9), 1, 1e-12);
    }
    std::vector<double> corners;
    for (double at = 0; corners.size() < 8;) corners.push_back(at = nextCorner(waveform, at));
    EXPECT_EQ(corners, (std::vector<double>{2, 3, 6, 7, 12, 13, 16, 17}));
    const Waveform lines = PiecewiseLinear{{{1, 2}, {3, 6}}};
    EXPECT_EQ(valueAt(lines, 0), 2);
    EXPECT_EQ(valueAt(lines, 2), 4);
    EXPECT_EQ(valueAt(lines, 9), 6);
    EXPECT_EQ(nextCorner(lines, 1), 3);
    EXPECT_TRUE(std::isinf(nextCorner(lines, 3)));
    const Waveform sine = Sine{1, 2, 50, 0.01, 0};
    EXPECT_EQ(valueAt(sine, 0.005), 1);
    EXPECT_NEAR(valueAt(sine, 0.015), 3, 1e-12);
}

}  // namespace
}  // namespace glimmet::core::circuit
