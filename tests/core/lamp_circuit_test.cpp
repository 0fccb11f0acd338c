#include "core/led/lamp_circuit.h"

#include "core/led/resistor_choice.h"
#include "core/led/resistor_package.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>
#include <thread>

namespace glimmet::core {
namespace {

LedLaw white(double volts = 3.1) {
    return *ledLawThrough({Volts{volts}, Amperes{0.02}}, 2.9, Ohms{12});
}

// docs/physics.md: 14.5 V track, 1.2 V rectifier, 0.1 V switch, white at 5 mA.
TEST(LampCircuit, SolvesTheWorkedLamp) {
    const Volts drive{14.5 - 1.2 - 0.1};
    const Ohms ideal = idealResistor({white()}, drive, Ohms{0}, 1, Amperes{0.005});
    EXPECT_NEAR(ideal.value(), 2077, 0.5);
    const auto fitted =
        fittedResistor(ideal, {Amperes{0.005}, Series::E12, RoundingPolicy::Higher});
    ASSERT_TRUE(fitted.has_value());
    EXPECT_EQ(fitted->value(), 2200);
    const LampSolution solution = solved({Ohms{0}, {{{white()}, *fitted}}}, drive).value();
    EXPECT_NEAR(solution.total.value(), 0.00472, 0.000005);
    EXPECT_NEAR(solution.resistorPower[0].value(), 0.049, 0.0001);
    EXPECT_EQ(resistorBody(solution.resistorPower[0]), "1/8 W or 0805");
}
// docs/physics.md: three whites on one resistor set for 30 mA in all, one of them 0.1 V lower: its
// neighbours get 8.25 mA and it takes 13.5 mA, a ratio of 1.64. The resistor that makes the total
// 30 mA is found here from the equal-share case: (12 − V(10 mA))/30 mA.
TEST(LampCircuit, SolvesTheWorkedSharedResistor) {
    const Ohms shared{(12 - white().voltage(Amperes{0.01}).value()) / 0.03};
    const LampSolution solution =
        solved({shared, {{{white()}, {}}, {{white()}, {}}, {{white(3.0)}, {}}}}, Volts{12}).value();
    EXPECT_NEAR(solution.current[0].value(), 0.00825, 0.00007);
    EXPECT_NEAR(solution.current[2].value(), 0.0135, 0.0001);
    EXPECT_NEAR(solution.current[2] / solution.current[0], 1.64, 0.02);
}
TEST(LampCircuit, IsDarkWithoutDrive) {
    const LampSolution solution = solved({Ohms{0}, {{{white()}, Ohms{1000}}}}, Volts{-3}).value();
    EXPECT_EQ(solution.total.value(), 0);
    EXPECT_EQ(solution.lamp[0][0].value(), 0);
}
TEST(LampCircuit, SolvesAnLedWithNoResistorByItsOwnSeriesResistance) {
    // 13.2 V over one white LED: about (13.2 − 3.5)/12 = 0.8 A; checked by putting it back.
    const LampSolution solution = solved({Ohms{0}, {{{white()}, Ohms{0}}}}, Volts{13.2}).value();
    EXPECT_GT(solution.total.value(), 0.7);
    EXPECT_NEAR(white().voltage(solution.total).value(), 13.2, 1e-9);
}
// Two colours in plain parallel on one resistor: only the lower-voltage one lights.
TEST(LampCircuit, LightsOnlyTheLowerVoltageColourInPlainParallel) {
    const LampSolution solution =
        solved({Ohms{1000}, {{{typicalLaw(LedFamily::Red)}, {}}, {{white()}, {}}}}, Volts{12})
            .value();
    EXPECT_GT(solution.current[0] / solution.current[1], 1000.0);
}
/// All that a solver says of a circuit, to the bit.
std::vector<double> allOf(const LampCircuit& circuit, Volts drive) {
    auto solver = LampSolver::of(circuit);
    const auto solution = solver->at(drive);
    std::vector<double> all{solution->total.value(), solution->commonPower.value()};
    for (std::size_t k = 0; k < circuit.strings.size(); ++k) {
        all.push_back(solution->current[k].value());
        all.push_back(solution->resistorPower[k].value());
        for (const Volts volts : solution->lamp[k]) all.push_back(volts.value());
        for (const Amperes amps : solution->through[k]) all.push_back(amps.value());
    }
    all.push_back(solver->driveForFirst(Amperes{0.0002})->value());
    return all;
}
TEST(LampCircuit, ASolverThatIsTakenOverSaysToTheBitWhatANewOneSays) {
    std::mt19937 random(7);
    const auto between = [&](double low, double high) {
        return std::uniform_real_distribution<double>(low, high)(random);
    };
    const LedFamily colours[] = {LedFamily::White, LedFamily::Red, LedFamily::Green};
    // A few shapes, so that each is met again and again with other values and other drives.
    for (int i = 0; i < 400; ++i) {
        const int shape = i % 9;
        LampCircuit circuit{Ohms{shape % 3 == 0 ? 0 : between(50, 900)}, {}};
        for (int k = 0; k <= shape / 3; ++k) {
            LampString string;
            string.resistor = Ohms{shape == 4 ? 0 : between(100, 5000)};
            const bool bare = shape == 8 && k == 1, bulb = shape == 7 && k == 0;
            const int lamps = bare ? 0 : 1 + k;
            for (int l = 0; l < lamps; ++l) {
                string.parallel.push_back(shape == 5 && l == 1);
                if (bulb)
                    string.lamps.emplace_back(
                        FilamentRating{Volts{between(1, 16)}, Amperes{between(0.01, 0.06)}});
                else
                    string.lamps.emplace_back(typicalLaw(colours[random() % 3]));
            }
            circuit.strings.push_back(std::move(string));
        }
        const Volts drive{between(3, 20)};
        std::vector<double> anew;
        std::thread([&] { anew = allOf(circuit, drive); }).join();  // it keeps none yet
        EXPECT_EQ(allOf(circuit, drive), anew) << "shape " << shape << ", round " << i;
    }
}
TEST(LampCircuit, WhatIsOutOfRangeIsRefusedByASolverThatIsTakenOverToo) {
    const LampCircuit good{Ohms{100}, {{{white()}, Ohms{470}}}};
    LampCircuit bad = good;
    bad.strings[0].resistor = Ohms{HUGE_VAL};
    ASSERT_TRUE(LampSolver::of(good).has_value());
    std::string anew;
    std::thread([&] { anew = plain(LampSolver::of(bad).error().what); }).join();
    const auto again = LampSolver::of(bad);
    ASSERT_FALSE(again.has_value());
    EXPECT_EQ(plain(again.error().what), anew);
    EXPECT_EQ(allOf(good, Volts{12}), allOf(good, Volts{12}));  // and nothing of it is left
}
TEST(LampCircuit, GlowThresholdPutsExactlyTheGlowCurrentThroughTheFirstLed) {
    const LampCircuit circuit{Ohms{330},
                              {{{white()}, Ohms{470}}, {{typicalLaw(LedFamily::Red)}, Ohms{1000}}}};
    const Volts drive = LampSolver::of(circuit)->driveForFirst(Amperes{0.0001}).value();
    const LampSolution solution = solved(circuit, drive).value();
    EXPECT_NEAR(solution.current[1].value(), 0.0001, 1e-10);
    EXPECT_LT(solution.current[0].value(), 0.0001);
}

// Kirchhoff's laws over random circuits: in every string the voltages add up to the drive.
TEST(LampCircuit, ObeysKirchhoffForAnyCircuit) {
    std::mt19937 random(11);
    std::uniform_int_distribution<int> strings(1, 6), leds(1, 4), family(0, 7);
    std::uniform_real_distribution<double> exponent(-2, 6), drive(0.1, 30), share(0, 1);
    for (int trial = 0; trial < 2000; ++trial) {
        LampCircuit circuit;
        circuit.common = Ohms{share(random) < 0.3 ? 0 : std::pow(10, exponent(random) - 2)};
        const int count = strings(random);
        for (int k = 0; k < count; ++k) {
            LampString string;
            string.resistor = Ohms{share(random) < 0.2 ? 0 : std::pow(10, exponent(random))};
            const int inRow = leds(random);
            for (int i = 0; i < inRow; ++i) {
                string.lamps.push_back(typicalLaw(
                    wordsOf(core::LedFamily()).at(static_cast<std::size_t>(family(random))).value));
            }
            circuit.strings.push_back(string);
        }
        const Volts e{drive(random)};
        const LampSolution solution = solved(circuit, e).value();
        Amperes sum{0};
        for (const Amperes current : solution.current) sum += current;
        ASSERT_NEAR(sum.value(), solution.total.value(), 1e-15 + 1e-12 * sum.value());
        for (std::size_t k = 0; k < circuit.strings.size(); ++k) {
            ASSERT_GE(solution.current[k].value(), 0);
            Volts around =
                solution.total * circuit.common + solution.current[k] * circuit.strings[k].resistor;
            for (const Volts led : solution.lamp[k]) around += led;
            ASSERT_NEAR(around.value(), e.value(), 1e-9 * e.value()) << "trial " << trial;
        }
    }
}
TEST(IdealResistor, IsNegativeWhereTheSupplyIsTooLow) {
    EXPECT_LT(
        idealResistor({white(), white(), white()}, Volts{8}, Ohms{0}, 1, Amperes{0.005}).value(),
        0);
    EXPECT_FALSE(fittedResistor(Ohms{-5}, {Amperes{0.005}}).has_value());
}
TEST(IdealResistor, CountsTheSharedDropOfEveryString) {
    // 12 V, two strings of a 2.0 V red at 10 mA, 100 Ω shared: (12 − 2·0.01·100 − V)/0.01.
    const LedLaw red = typicalLaw(LedFamily::Red);
    const double v = red.voltage(Amperes{0.01}).value();
    EXPECT_NEAR(idealResistor({red}, Volts{12}, Ohms{100}, 2, Amperes{0.01}).value(),
                (12 - 2 - v) / 0.01, 1e-9);
}

}  // namespace
}  // namespace glimmet::core
