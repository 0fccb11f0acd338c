// The laws of elements and parts against paper, and what happens to them in time.
#include "core/circuit/analysis.h"
#include "core/circuit/one_port.h"
#include "core/circuit/wright_omega.h"
#include "support/part_circuits.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <cmath>
#include <numbers>
#include <random>

namespace glimmet::core::circuit {
namespace {

using tests::Parts;
using What = Transient::Event::What;

double at(const Netlist& netlist, const OperatingPoint& point, const std::string& name) {
    for (Node node = 0; node < netlist.circuit.nodes.size(); ++node) {
        if (netlist.circuit.nodes[node] == name) return point.voltage[node];
    }
    ADD_FAILURE() << "no node " << name;
    return 0;
}
OperatingPoint rested(const Netlist& netlist) {
    auto point = operatingPoint(netlist.circuit);
    EXPECT_TRUE(point.has_value()) << (point ? "" : plain(point.error().what));
    return point.value_or(OperatingPoint{});
}
Transient run(const Netlist& netlist, TransientSpan span) {
    auto result = transient(netlist.circuit, span);
    EXPECT_TRUE(result.has_value()) << (result ? "" : plain(result.error().what));
    return result.value_or(Transient{});
}

double omegaOf(double z) { return wrightOmega(allOf(z))[0]; }

TEST(Lanes, TakeTheLogarithmOfEveryNormalNumber) {
    for (double x = 1e-300; x < 1e300; x *= 1.07) {
        const Lanes of{x, 2 * x, 1 / x, std::nextafter(x, 0)};
        const Lanes logarithm = naturalLog(of);
        for (std::size_t k = 0; k < laneCount; ++k)
            EXPECT_NEAR(logarithm[k], std::log(of[k]), 4e-16 * std::abs(std::log(of[k]))) << of[k];
    }
    EXPECT_EQ(naturalLog(allOf(1))[0], 0);
}
TEST(WrightOmega, SolvesItsEquationEverywhere) {
    for (double z = -600; z < 1e6; z += z < 50 ? 0.037 : z / 30) {
        const double w = omegaOf(z);
        // ω + ln ω = z; for tiny ω its logarithm is what counts.
        EXPECT_NEAR(w + std::log(w), z, 1e-13 * std::max(1.0, std::abs(z)) + 1e-12) << z;
    }
}

TEST(WrightOmega, WalksInSmallStepsWithoutLosingItsWay) {
    std::mt19937 random(61);
    std::uniform_real_distribution<double> part(-1, 1);
    double z = 2;
    double w = omegaOf(z);
    for (int step = 0; step < 100000; ++step) {
        const double share = 1 / (1 + w);
        double moved = part(random) * besideShare / share;
        if (std::abs(z + moved) > 40) moved = -moved;
        w = wrightOmegaBeside(allOf(w), allOf(share), allOf(moved))[0];
        z += moved;
        if (step % 1000 != 0) continue;
        EXPECT_NEAR(w / omegaOf(z), 1, 1e-12) << z;
    }
}

TEST(CurrentLimiter, FollowsItsCurve) {
    // 10 Ω at first, 50 mA at most: at 1 V that is 50 mA · tanh(2).
    const auto point = circuit::at(CurrentLimiter{Ohms{10}, Amperes{0.05}}, 1.0, {}, 300);
    EXPECT_NEAR(point.current, 0.05 * std::tanh(2.0), 2e-9);
    const auto blocked = circuit::at(CurrentLimiter{Ohms{10}, Amperes{0.05}, false}, -5, {}, 300);
    EXPECT_NEAR(blocked.current, -5e-9, 1e-12);
}
TEST(CurrentDriver, GivesNinetyNinePercentAtItsDropout) {
    Parts made("driver");
    made.supply("in", Constant{2});
    addDriver(made.circuit(), "driver", made.node("in"), 0, {Amperes{0.02}, Volts{2}});
    EXPECT_NEAR(-rested(made.netlist).current[0], 0.99 * 0.02, 1e-7);
}
TEST(Load, TakesItsPowerAboveTheFoldAndLetsGoBelow) {
    const Load load{Watts{0.6}, Amperes{0.02}, Volts{2}};
    EXPECT_NEAR(circuit::at(load, 12, {}, 300).current, 0.05 + 0.02, 1e-15);
    EXPECT_NEAR(circuit::at(load, -12, {}, 300).current, -0.07, 1e-15);
    EXPECT_EQ(circuit::at(load, 0, {}, 300).current, 0);
    // No kink where it folds, and a slope that is the derivative everywhere.
    for (const double volts : {-5.0, -2.0, -1.3, 0.0, 0.4, 1.0, 1.999, 2.0, 2.001, 7.0}) {
        const double step = 1e-6;
        const double slope = (circuit::at(load, volts + step, {}, 300).current -
                              circuit::at(load, volts - step, {}, 300).current) /
                             (2 * step);
        EXPECT_NEAR(circuit::at(load, volts, {}, 300).conductance, slope, 1e-6) << volts;
    }
}
TEST(Load, CarriesTheCurrentOfItsFeedWhereItHardlyChangesWithItsVolts) {
    // Just below its fold a load draws its most: there its slope says little, however near.
    const Load load{Watts{3.5}, Amperes{0.08}, Volts{1.6}};
    for (double volts = 0.1; volts < 30; volts += 0.01) {
        Parts made("load");
        made.supply("in", Constant{volts});
        addResistor(made.circuit(), "wire", made.node("in"), made.node("rail"), Ohms{5});
        addOnePort(made.circuit(), "load", made.node("rail"), 0, load);
        const OperatingPoint point = rested(made.netlist);
        const double drawn = circuit::at(load, point.voltage[made.node("rail")], {}, 300).current;
        EXPECT_NEAR(-point.current[0], drawn, 1e-9 * drawn) << volts;
    }
}
TEST(Filament, DrawsItsRatingHotAndTenTimesThatCold) {
    const Filament bulb{Volts{12}, Amperes{0.05}, 0.1, Seconds{0.05}};
    const auto hot = circuit::at(bulb, 12, {}, 300);
    EXPECT_NEAR(hot.current, 0.05, 1e-9);
    // The temperature where tungsten has ten times its cold resistance: 300.15 K · 10^(1/1.2).
    EXPECT_NEAR(hot.temperature, 300.15 * std::pow(10, 1 / 1.2), 1e-6);
    EXPECT_NEAR(circuit::at(bulb, 12, {false, 300.15, 0}, 300).current, 0.5, 1e-9);
    // At a hundredth of its rated power it hardly warms: nearly the cold 24 Ω.
    EXPECT_GT(circuit::at(bulb, 0.05, {}, 300).current, 0.05 / 24 * 0.9);
}
TEST(Filament, SlopesIncludeItsWarming) {
    const Filament bulb{Volts{12}, Amperes{0.05}, 0.1, Seconds{0.05}};
    const Polyfuse fuse{Ohms{0.5}, Amperes{0.5}, Seconds{0.2}};
    for (const ThermalStage& stage : {ThermalStage{}, ThermalStage{false, 800, 0.01}}) {
        for (const double volts : {0.3, 3.0, 12.0}) {
            const double step = 1e-5;
            const auto slope = [&](const OnePortLaw& law) {
                return (circuit::at(law, volts + step, stage, 500).current -
                        circuit::at(law, volts - step, stage, 500).current) /
                       (2 * step);
            };
            EXPECT_NEAR(circuit::at(bulb, volts, stage, 500).conductance / slope(bulb), 1, 1e-5);
            EXPECT_NEAR(circuit::at(fuse, volts, stage, 310).conductance / slope(fuse), 1, 1e-5);
        }
    }
}
// Near its rating a filament follows a small step exponentially: C·dT' = −(loss' + V²R'/R²)·T'.
TEST(Filament, LagsByItsHeat) {
    const Filament bulb{Volts{12}, Amperes{0.05}, 0.1, Seconds{0.05}};
    Parts made("lag");
    made.supply("in", Pulse{12, 12.01, 1e-3, 1e-7, 1e-7, 1, 0}).port("bulb", "in", "a", bulb);
    made.resistor("a", "0", 1e-3);
    const Transient result = run(made.netlist, {1e-3, 0.3});
    const Node a = made.node("a");
    const Thermal now = thermal(bulb, 300.15 * std::pow(10, 1 / 1.2));
    const double tau = now.capacity / (now.lossSlope + 144 / (now.resistance * now.resistance) *
                                                           now.resistanceSlope);
    const double last = result.voltage[a].back();
    const double first = result.voltage[a][2] - last;
    const double later = result.voltage[a][32] - last;
    EXPECT_NEAR(later / first, std::exp(-0.030 / tau), 2e-3);
}
TEST(WhiteLamp, FallsByTwoMillivoltsForAKelvin) {
    const auto volts = [](double celsius) {
        Parts made("warm");
        made.circuit().currentSources.push_back({"i", 0, made.node("a"), Constant{0.01}, {}});
        made.led("a", "0", LedFamily::White, celsius);
        return at(made.netlist, rested(made.netlist), "a");
    };
    EXPECT_NEAR((volts(37) - volts(17)) / 20, -2e-3, 1e-4);
    EXPECT_NEAR(volts(27), typicalLaw(LedFamily::White).voltage(Amperes{0.01}).value(), 1e-9);
}
TEST(LowSideOutput, DimsByItsDuty) {
    // The mean of the lamp's current over whole periods is the duty of what it carries when lit.
    Parts lit("lit");
    lit.supply("bus", Constant{12}).resistor("bus", "a", 1000).led("a", "out", LedFamily::Red);
    Parts dim = lit;
    addLowSideOutput(lit.circuit(), "output", lit.node("out"), 0, {});
    LowSideOutput part;
    part.gate = dimmed(0.25, 100);
    addLowSideOutput(dim.circuit(), "output", dim.node("out"), 0, part);
    const double on = rested(lit.netlist).diode[0];
    const Transient result = run(dim.netlist, {1e-6, 0.02});
    double sum = 0;
    for (std::size_t i = 1; i < result.time.size(); ++i)
        sum +=
            (result.voltage[dim.node("bus")][i] - result.voltage[dim.node("a")][i]) / 1000 * 1e-6;
    EXPECT_NEAR(sum / 0.02, 0.25 * on, 2e-3 * on);
}

// The charge on ideal parts alone: C·(V0² − V²)/(2P).
TEST(StayAlive, DischargesAtConstantPowerAsOnPaper) {
    Parts made("hold");
    made.capacitor("bus", "0", {Farads{1500e-6}, {}, {}, true, Volts{13.2}});
    addLoad(made.circuit(), "decoder", made.node("bus"), 0, {Watts{0.66}, {}, {}, Volts{1}});
    TransientSpan span{1e-2, 1};
    span.accuracy = 1e-9;
    span.watches = {{"brown-out", made.node("bus"), 0, 5, Watch::Way::Falling, true}};
    const Transient result = run(made.netlist, span);
    ASSERT_EQ(result.events.size(), 1U);
    const double onPaper = 1500e-6 * (13.2 * 13.2 - 25) / (2 * 0.66);
    EXPECT_NEAR(result.events[0].time / onPaper, 1, 1e-6);
    EXPECT_EQ(result.time.back(), result.events[0].time);
    EXPECT_NEAR(result.voltage[made.node("bus")].back(), 5, 1e-6);
    for (std::size_t i = 0; i < result.time.size(); ++i) {
        EXPECT_NEAR(result.voltage[made.node("bus")][i],
                    std::sqrt(13.2 * 13.2 - 2 * 0.66 * result.time[i] / 1500e-6), 1e-6 * 13.2);
    }
}
DiodeModel nearlyIdeal() {  // a drop below 0.1 mV at milliamperes
    DiodeModel model;
    model.saturation = Amperes{1e-9};
    model.emission = 1e-4;
    return model;
}
// A half-wave rectifier passes the upper halves; with a capacitor it lets go where the load's
// discharge becomes slower than the fall of the sine: tan θ = −ωRC.
TEST(Rectifier, FollowsTheIdealOneOnPaper) {
    const double peak = 100;
    Parts bare("half wave");
    bare.supply("in", Sine{0, peak, 50, 0, 0}).resistor("out", "0", 1000);
    addDiode(bare.circuit(), "d", bare.node("in"), bare.node("out"), nearlyIdeal());
    const Transient halves = run(bare.netlist, {1e-4, 0.04});
    for (std::size_t i = 0; i < halves.time.size(); ++i) {
        const double sine = peak * std::sin(2 * std::numbers::pi * 50 * halves.time[i]);
        EXPECT_NEAR(halves.voltage[bare.node("out")][i], std::max(sine, 0.0), 1e-6 * peak);
    }
    Parts smooth("with capacitor");
    smooth.supply("in", Sine{0, peak, 50, 0, 0}).resistor("out", "0", 1000);
    smooth.capacitor("out", "0", {Farads{10e-6}});
    addDiode(smooth.circuit(), "d", smooth.node("in"), smooth.node("out"), nearlyIdeal());
    const double omega = 2 * std::numbers::pi * 50;
    const double letsGo = (std::numbers::pi - std::atan(omega * 0.01)) / omega;
    const Transient held = run(smooth.netlist, {1e-4, 0.02});
    for (std::size_t i = 0; i < held.time.size(); ++i) {
        const double t = held.time[i];
        const double onPaper =
            t <= letsGo ? peak * std::sin(omega * t)
                        : peak * std::sin(omega * letsGo) * std::exp(-(t - letsGo) / 0.01);
        EXPECT_NEAR(held.voltage[smooth.node("out")][i], std::max(onPaper, 0.0), 1e-6 * peak) << t;
    }
}
TEST(Motor, RunsUpAsOnPaper) {
    // Without friction the back-EMF is a capacitor's charge: V·(1 − exp(−t/(R·J/k²))); with
    // friction it ends where the winding carries just that.
    for (const double friction : {0.0, 0.05}) {
        Parts made("motor");
        made.supply("in", Constant{12});
        addMotor(made.circuit(), "motor", made.node("in"), 0,
                 {Ohms{20}, Volts{0}, Farads{2e-3}, Amperes{friction}});
        const Transient result = run(made.netlist, {1e-2, 0.6});
        const std::vector<double>& emf = result.voltage[made.node("motor.emf")];
        if (friction > 0) {
            EXPECT_NEAR(emf.back(), 12 - 20 * friction, 1e-4);
            continue;
        }
        for (std::size_t i = 0; i < emf.size(); ++i)
            EXPECT_NEAR(emf[i], 12 * (1 - std::exp(-result.time[i] / 0.04)), 1e-6 * 12);
    }
}
// h' = I² − h·rated²/melting with a constant I: melts at melting/rated² · ln(1/(1 − (rated/I)²)).
TEST(Fuse, MeltsWhenItsTimeHasComeAndNeverAtItsRating) {
    for (const double amps : {0.99, 2.0, 10.0}) {
        Parts made("fuse");
        made.circuit().currentSources.push_back(
            {"i", 0, made.node("a"), Pulse{0, amps, 0, 1e-9, 1e-9, 100, 0}, {}});
        addFuse(made.circuit(), "fuse", made.node("a"), made.node("b"),
                {Ohms{0.1}, Amperes{1}, 0.5});
        made.resistor("b", "0", 1).resistor("a", "0", 1e6);
        const Transient result = run(made.netlist, {0.05, 2});
        if (amps < 1) {
            EXPECT_TRUE(result.events.empty());
            continue;
        }
        ASSERT_EQ(result.events.size(), 1U);
        EXPECT_EQ(result.events[0].what, What::Melted);
        EXPECT_EQ(result.events[0].name, "fuse");
        const double through = amps * 1e6 / (1e6 + 1.1);  // what the megohm leaves
        EXPECT_NEAR(result.events[0].time / (-0.5 * std::log(1 - 1 / (through * through))), 1,
                    1e-6);
        EXPECT_LT(result.voltage[made.node("b")].back(), 0.02);  // open: 1 GΩ
    }
}
TEST(Polyfuse, HoldsAndTripsAndSaysWhen) {
    const Polyfuse part{Ohms{0.5}, Amperes{0.5}, Seconds{0.2}};
    const auto with = [&](double ohms) {
        Parts made("polyfuse");
        made.supply("in", Pulse{0, 12, 0, 1e-6, 1e-6, 10, 0}).port("fuse", "in", "a", part);
        made.resistor("a", "0", ohms);
        return run(made.netlist, {0.05, 3});
    };
    EXPECT_TRUE(with(24 - 0.5).events.empty());  // just what it holds
    const Transient tripped = with(4.3);         // five times that while cold
    ASSERT_EQ(tripped.events.size(), 1U);
    EXPECT_EQ(tripped.events[0].what, What::Tripped);
    EXPECT_GT(tripped.events[0].time, 0.2 * 0.5);
    EXPECT_LT(tripped.events[0].time, 0.2 * 1.5);
    EXPECT_LT(tripped.voltage[2].back() / 4.3, 0.2);  // tripped it lets a fraction through
}
TEST(BlinkingLed, KeepsItsRhythmAndBeginsAnewAfterADip) {
    Parts made("blinker");
    // Below 1.8 V from 0.9 s on for the length of the dip.
    const auto with = [&](double dip) {
        Parts again = made;
        again.supply(
            "in", PiecewiseLinear{
                      {{0, 9}, {0.9, 9}, {0.9 + 1e-8, 0}, {0.9 + dip, 0}, {0.9 + dip + 1e-8, 9}}});
        addBlinkingLed(again.circuit(), "blinker", again.node("in"), again.node("x"),
                       diodeModel(typicalLaw(LedFamily::Red), ""), {Seconds{0.25}, Seconds{0.35}});
        again.resistor("x", "0", 470);
        return run(again.netlist, {0.01, 2});
    };
    const auto litAt = [](const Transient& result, double time) {
        return result.voltage[2][static_cast<std::size_t>(std::lround(time / 0.01))] > 1;
    };
    const Transient short1 = with(0.4e-6);
    EXPECT_TRUE(short1.events.empty());
    for (const double lit : {0.0, 0.2, 0.7, 1.3}) EXPECT_TRUE(litAt(short1, lit)) << lit;
    for (const double dark : {0.3, 0.5, 0.9, 1.1}) EXPECT_FALSE(litAt(short1, dark)) << dark;
    const Transient long1 = with(20e-6);
    ASSERT_EQ(long1.events.size(), 2U);
    EXPECT_EQ(long1.events[0].what, What::Stopped);
    EXPECT_NEAR(long1.events[0].time, 0.9 + 1e-6 + 0.8e-8, 1e-9);
    EXPECT_EQ(long1.events[1].what, What::Began);
    for (const double lit : {0.7, 0.95, 1.1, 1.6}) EXPECT_TRUE(litAt(long1, lit)) << lit;
    for (const double dark : {0.89, 1.2, 1.4}) EXPECT_FALSE(litAt(long1, dark)) << dark;
}
// In the dead time of the track nothing conducts and the whole bus floats: only what the big
// capacitor takes in a very short step, to the last digit, tells where to.
TEST(BlinkingLed, BeginsWhereATrackSignalFillsItsBus) {
    Parts made("blinker on a bus");
    made.supply("rail", trackWave(tests::packet(4e-6))).resistor("rail", "s", 1);
    made.bridge("s", "0", "p", "m").resistor("p", "q", 20);
    addDiode(made.circuit(), "bypass", made.node("q"), made.node("p"), schottkyDiode());
    made.capacitor("q", "m", {Farads{470e-6}, {}, {}, true, Volts{0}});
    made.resistor("p", "a", 1500).led("a", "m", LedFamily::White).resistor("p", "b", 470);
    addBlinkingLed(made.circuit(), "blinker", made.node("b"), made.node("m"),
                   diodeModel(typicalLaw(LedFamily::Red), ""), {Seconds{2e-3}, Seconds{2e-3}});
    TransientSpan span{1e-4, 10e-3};
    const Transient result = run(made.netlist, span);
    // Each change of the rail stops the chip after its microsecond, and the next level begins it.
    ASSERT_GT(result.events.size(), 20U);
    for (std::size_t i = 0; i < result.events.size(); ++i)
        EXPECT_EQ(result.events[i].what, i % 2 == 0 ? What::Stopped : What::Began) << i;
    EXPECT_NEAR(result.events[0].time, 2e-6, 0.1e-6);
    EXPECT_NEAR(result.events[1].time, 6e-6, 0.2e-6);
    // By then the capacitor holds the bus over the changes of the rail.
    for (const auto& each : result.events) EXPECT_LT(each.time, 5e-3) << each.name;
}
TEST(Watch, FindsCrossingsOfASineEitherWay) {
    Parts made("sine");
    made.supply("in", Sine{0, 10, 50, 0, 0}).resistor("in", "a", 10).resistor("a", "0", 10);
    made.capacitor("a", "0", {Farads{1e-12}});
    TransientSpan span{1e-3, 0.02};
    span.watches = {{"half", made.node("in"), 0, 5, Watch::Way::Rising},
                    {"fall", made.node("in"), 0, 5, Watch::Way::Falling},
                    {"zero", made.node("in"), 0, -1e-3, Watch::Way::Either}};
    const Transient result = run(made.netlist, span);
    ASSERT_EQ(result.events.size(), 4U);
    EXPECT_EQ(result.events[0].name, "half");
    EXPECT_NEAR(result.events[0].time, 0.02 / 12, 1e-10);
    EXPECT_EQ(result.events[1].name, "fall");
    EXPECT_NEAR(result.events[1].time, 0.02 * 5 / 12, 1e-10);
    EXPECT_EQ(result.events[2].name, "zero");
}

TEST(TrackWave, HasBitsEdgesAndDeadTime) {
    TrackSignal signal;
    signal.volts = 15;
    signal.bits = {true, false};
    signal.edge = 4e-6;
    signal.dead = 3e-6;
    const Waveform wave = trackWave(signal);
    const double period = 2 * (58e-6 + 100e-6);
    for (const double turn : {0.0, period, 1000 * period}) {
        EXPECT_NEAR(valueAt(wave, turn + 2e-6 + 1e-9), 0, 1e-6);  // half the edge: dead
        EXPECT_NEAR(valueAt(wave, turn + 4.9e-6), 0, 1e-6);
        EXPECT_NEAR(valueAt(wave, turn + 6e-6), 7.5, 1e-6);
        EXPECT_NEAR(valueAt(wave, turn + 30e-6), 15, 1e-6);
        EXPECT_NEAR(valueAt(wave, turn + 58e-6 + 30e-6), -15, 1e-6);
        EXPECT_NEAR(valueAt(wave, turn + 116e-6 + 90e-6), 15, 1e-6);
        EXPECT_NEAR(valueAt(wave, turn + 116e-6 + 190e-6), -15, 1e-6);
    }
    int corners = 0;
    for (double t = 0; (t = nextCorner(wave, t)) < period * 10 - 1e-9;) ++corners;
    EXPECT_EQ(corners, 10 * 4 * 4 - 1);  // four to each of four changes; the first is at 0
}
TEST(Dimmed, HasTheDutyAsItsMeanAndBeginsLit) {
    const Waveform wave = dimmed(0.2, 100);
    EXPECT_EQ(valueAt(wave, 0), 1);
    double sum = 0;
    for (int i = 0; i < 100000; ++i) sum += valueAt(wave, (i + 0.5) * 1e-7);
    EXPECT_NEAR(sum / 100000, 0.2, 1e-5);
    EXPECT_EQ(valueAt(dimmed(0, 100), 1), 0);
    EXPECT_EQ(valueAt(dimmed(1, 100), 1), 1);
}

TEST(Values, OutOfRangeAreRefusedByTheirElementsName) {
    const auto refusal = [](auto&& change) {
        Parts made("x");
        made.supply("in", Constant{5}).resistor("in", "a", 100).led("a", "0", LedFamily::Red);
        made.port("bulb", "in", "0", Filament{Volts{12}, Amperes{0.05}});
        change(made.circuit());
        const auto point = operatingPoint(made.netlist.circuit);
        return point ? std::string("(solved)") : plain(point.error().what);
    };
    EXPECT_EQ(refusal([](Circuit&) {}), "(solved)");
    EXPECT_EQ(refusal([](Circuit& c) { c.resistors[0].resistance = Ohms{-5}; }),
              "r1: its resistance is -5.000000; it must be a number above 0.");
    EXPECT_NE(refusal([](Circuit& c) { c.voltageSources[0].dc = NAN; }).find("vin"),
              std::string::npos);
    EXPECT_NE(refusal([](Circuit& c) { c.models[0].emission = INFINITY; }).find("emission"),
              std::string::npos);
    EXPECT_NE(refusal([](Circuit& c) {
                  c.onePorts[0].law = Filament{Volts{12}, Amperes{0.05}, 1.5};
              }).find("bulb"),
              std::string::npos);
    EXPECT_NE(
        refusal([](Circuit& c) { c.voltageSources[0].volts = PiecewiseLinear{}; }).find("vin"),
        std::string::npos);
}

}  // namespace
}  // namespace glimmet::core::circuit
