// Means over a repetition against every edge followed.
#include "core/circuit/averaged.h"

#include "support/part_circuits.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

namespace glimmet::core::circuit {
namespace {

using tests::Parts;

/// A stay-alive that charges from a track signal through a bridge and 100 Ω, with lamps on the bus.
Parts charging(double farads) {
    Parts made("charging");
    made.supply("rail", trackWave(tests::packet(4e-6))).resistor("rail", "s", 1);
    made.bridge("s", "0", "p", "m").resistor("p", "q", 100);
    addDiode(made.circuit(), "bypass", made.node("q"), made.node("p"), schottkyDiode());
    made.capacitor("q", "m", {Farads{farads}, {}, {}, true, Volts{0}});
    made.resistor("p", "a", 1500).led("a", "m", LedFamily::White);
    made.resistor("p", "b", 2200).led("b", "m", LedFamily::Red);
    return made;
}
double meanOf(const Transient& exact, Node a, Node b, double from, double to) {
    double sum = 0;
    int count = 0;
    for (std::size_t i = 0; i < exact.time.size(); ++i) {
        if (exact.time[i] < from || exact.time[i] >= to) continue;
        sum += exact.voltage[a][i] - exact.voltage[b][i];
        ++count;
    }
    return sum / count;
}

TEST(LongTransient, OfAStayAliveOnATrackSignalIsWhatTheEdgesGive) {
    Parts made = charging(470e-6);
    const auto means = longTransient(made.circuit(), {2e-3, 0.1});
    ASSERT_TRUE(means.has_value());
    EXPECT_TRUE(means->averaged) << plain(means->why);
    EXPECT_LT(means->ripple, 0.02);
    EXPECT_LT(means->steps, 400);
    const auto exact = transient(made.circuit(), {2e-3, 0.1, 1e-5});
    ASSERT_TRUE(exact.has_value());
    EXPECT_GT(exact->steps, 5000);
    const Node q = made.node("q"), m = made.node("m");
    for (std::size_t i = 0; i < means->time.size(); ++i) {
        // The capacitor's mean and its value at an instant differ by at most its ripple.
        const auto across = [&](const auto& voltage) { return voltage[q][i] - voltage[m][i]; };
        EXPECT_NEAR(across(means->voltage), across(exact->voltage), 0.02) << means->time[i];
    }
}
/// Lamps of a hold, each dimmed by its own duty in the decoder's one rhythm, against every edge.
void expectEachItsDuty(const std::vector<double>& duties, double farads, double until) {
    SCOPED_TRACE(duties.size());
    Parts made("dimmed lamps on a hold");
    made.capacitor("bus", "0", {Farads{farads}, {}, {}, true, Volts{13}});
    const std::array lit{"a", "b"}, out{"out a", "out b"};
    for (std::size_t i = 0; i < duties.size(); ++i) {
        made.resistor("bus", lit[i], 470).led(lit[i], out[i], LedFamily::White);
        LowSideOutput part;
        part.gate = dimmed(duties[i], 400);
        addLowSideOutput(made.circuit(), out[i], made.node(out[i]), 0, part);
    }
    const auto means = longTransient(made.circuit(), {5e-3, until});
    ASSERT_TRUE(means.has_value());
    ASSERT_TRUE(means->averaged) << plain(means->why);
    const auto exact = transient(made.circuit(), {2.5e-5, until, 1e-6});
    const Node bus = made.node("bus");
    for (std::size_t i = 0; i < means->time.size(); i += 10) {
        const auto at = static_cast<std::size_t>(std::lround(means->time[i] / 2.5e-5));
        EXPECT_NEAR(means->voltage[bus][i], exact->voltage[bus][at], 0.02) << means->time[i];
    }
    for (std::size_t i = 0; i < duties.size(); ++i) {
        const double mean = meanOf(*exact, bus, made.node(lit[i]), 0.2, 0.2 + 1.0 / 400 * 4) / 470;
        EXPECT_NEAR(means->diode[i][40] / mean, 1, 0.01) << i;
    }
}
TEST(LongTransient, OfADimmedLampHasItsDutysMeanCurrent) { expectEachItsDuty({0.3}, 1000e-6, 0.5); }
TEST(LongTransient, TwoOutputsOfOneRhythmEachHaveTheirOwnDuty) {
    expectEachItsDuty({0.3, 0.6}, 2200e-6, 0.3);
}
// Tungsten's heat smooths a 50 Hz supply.
TEST(LongTransient, OfABulbOnAlternatingCurrentIsItsMeanTemperature) {
    Parts made("bulb on AC");
    made.supply("in", Sine{0, 12 * std::sqrt(2.0), 50, 0, 0}).resistor("in", "a", 1e-3);
    made.port("bulb", "a", "0", Filament{Volts{12}, Amperes{0.05}, 0.1, Seconds{3}});
    const auto means = longTransient(made.circuit(), {0.1, 3, 0.1});
    ASSERT_TRUE(means.has_value());
    ASSERT_TRUE(means->averaged) << plain(means->why);
    // The current over a whole period, mean of its size, from the bulb's small series resistor.
    const auto exact = transient(made.circuit(), {1e-3, 3, 1e-6});
    ASSERT_TRUE(exact.has_value());
    const Node a = made.node("a");
    for (const double time : {0.5, 1.0, 2.9}) {
        double square = 0, over = 0;
        for (std::size_t i = 0; i < 20; ++i) {
            const auto at = static_cast<std::size_t>(std::lround(time / 1e-3)) + i;
            const double across = exact->voltage[a][at];
            square += across * across;
            over += across * (exact->voltage[made.node("in")][at] - across) / 1e-3;
        }
        const double ohms = square / over;
        const double onTemperature =
            means->temperature[0][static_cast<std::size_t>(std::lround(time / 0.1))];
        const double cold = 12 / 0.05 * 0.1;
        EXPECT_NEAR(ohms / (cold * std::pow(onTemperature / 300.15, 1.2)), 1, 0.01) << time;
    }
}
// A track signal and a dimmed lamp beat against each other; which of them stands first in the
// circuit says nothing about either.
TEST(LongTransient, DoesNotDependOnTheOrderOfTwoRhythms) {
    const auto made = [](bool slowFirst) {
        Parts parts("two rhythms");
        const auto dimming = [&] {
            parts.supply("gate", dimmed(0.5, 100)).resistor("gate", "bus", 3300);
        };
        if (slowFirst) dimming();
        parts.supply("rail", Pulse{0, 14.5, 0, 2e-6, 2e-6, 56e-6, 116e-6});
        parts.resistor("rail", "bus", 100);
        if (!slowFirst) dimming();
        parts.capacitor("bus", "0", {Farads{470e-6}, {}, {}, true, Volts{0}});
        parts.resistor("bus", "0", 1500);
        return parts;
    };
    Parts slowFirst = made(true);
    Parts quickFirst = made(false);
    const auto one = longTransient(slowFirst.circuit(), {2e-3, 0.5});
    const auto other = longTransient(quickFirst.circuit(), {2e-3, 0.5});
    ASSERT_TRUE(one && other);
    EXPECT_TRUE(one->averaged) << plain(one->why);
    EXPECT_TRUE(other->averaged) << plain(other->why);
    EXPECT_NEAR(one->ripple, other->ripple, 1e-9);
    const Node a = slowFirst.node("bus"), b = quickFirst.node("bus");
    for (std::size_t i = 0; i < one->time.size(); ++i) {
        EXPECT_NEAR(one->voltage[a][i], other->voltage[b][i], 1e-9);
    }
    // And the ripple is that of the edges: the capacitor's swing around its mean within a turn.
    const auto exact = transient(slowFirst.circuit(), {1e-5, 0.5, 1e-5});
    ASSERT_TRUE(exact.has_value());
    double low = 1e9, high = -1e9;
    for (std::size_t i = exact->time.size() - 1001; i < exact->time.size(); ++i) {
        low = std::min(low, exact->voltage[a][i]);
        high = std::max(high, exact->voltage[a][i]);
    }
    EXPECT_LT((high - low) / high, one->ripple);
}
TEST(LongTransient, FollowsEveryEdgeWhereMeansWouldNotDo) {
    const auto why = [](Parts made, const LongSpan& span) {
        const auto result = longTransient(made.circuit(), span);
        if (!result) return plain(result.error().what);
        EXPECT_FALSE(result->averaged);
        return plain(result->why);
    };
    EXPECT_EQ(why(charging(1e-6), {1e-5, 2e-3}),
              "Every edge was followed: a capacitor moves too much within a repetition.");
    Parts steady("steady");
    steady.supply("in", Constant{12}).resistor("in", "a", 100);
    steady.capacitor("a", "0", {Farads{1e-6}});
    EXPECT_EQ(why(steady, {1e-4, 1e-3}), "Every edge was followed: nothing in it repeats quickly.");
    Parts blinking = charging(470e-6);
    addBlinkingLed(blinking.circuit(), "blinker", blinking.node("p"), blinking.node("m"),
                   diodeModel(typicalLaw(LedFamily::Red), ""), {});
    EXPECT_EQ(why(blinking, {1e-4, 1e-3}),
              "Every edge was followed: a fuse or a blinking lamp decides by the instant.");
    Parts across("across");
    across.supply("in", Sine{0, 12, 50, 0, 0}).resistor("in", "0", 100);
    across.capacitor("in", "0", {Farads{1e-6}});
    EXPECT_NE(why(across, {1e-3, 0.1}).find("straight across"), std::string::npos);
}

}  // namespace
}  // namespace glimmet::core::circuit
