// Core against slow, plain computations of the same things: no shared code, no shared method.
#include "core/led/lamp_circuit.h"
#include "core/led/preferred_value.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

namespace glimmet::core {
namespace {

constexpr double vt = 1.380649e-23 * 300.15 / 1.602176634e-19;

struct PlainLed {
    double n, is, rs;
    [[nodiscard]] double volts(double amps) const {
        return n * vt * std::log(1 + amps / is) + amps * rs;
    }
};
struct PlainRow {
    std::vector<PlainLed> leds;
    double ohms;
    /// Bisection on the current: the voltage of a row rises with it.
    [[nodiscard]] double amps(double across) const {
        double low = 0, high = 1000;
        for (int step = 0; step < 200; ++step) {
            const double middle = (low + high) / 2;
            double sum = middle * ohms;
            for (const PlainLed& led : leds) sum += led.volts(middle);
            (sum < across ? low : high) = middle;
        }
        return (low + high) / 2;
    }
};

/// Bisection on the node voltage: what the rows take rises with it, what the feed gives falls.
double plainNode(const std::vector<PlainRow>& rows, double drive, double common) {
    if (common <= 0) return drive;
    double low = 0, high = drive;
    for (int step = 0; step < 100; ++step) {
        const double middle = (low + high) / 2;
        double taken = 0;
        for (const PlainRow& row : rows) taken += row.amps(middle);
        (taken < (drive - middle) / common ? low : high) = middle;
    }
    return (low + high) / 2;
}

TEST(Reference, LampCircuitsAgreeWithBisection) {
    std::mt19937 random(23);
    std::uniform_int_distribution<int> rowCount(1, 5), ledCount(1, 3);
    std::uniform_real_distribution<double> n(1.5, 3), forward(1.7, 3.6), rs(1, 15), ohms(20, 5000),
        drive(3, 25), common(0, 800), share(0, 1);
    for (int trial = 0; trial < 150; ++trial) {
        std::vector<PlainRow> plain;
        LampCircuit circuit;
        circuit.common = Ohms{share(random) < 0.4 ? 0 : common(random)};
        for (int k = rowCount(random); k > 0; --k) {
            PlainRow row{{}, ohms(random)};
            LampString string{{}, Ohms{row.ohms}};
            for (int i = ledCount(random); i > 0; --i) {
                PlainLed led{n(random), 0, rs(random)};
                led.is = 0.02 / (std::exp((forward(random) - 0.02 * led.rs) / (led.n * vt)) - 1);
                row.leds.push_back(led);
                string.lamps.push_back(LedLaw{led.n, Amperes{led.is}, Ohms{led.rs}});
            }
            plain.push_back(row);
            circuit.strings.push_back(string);
        }
        const double e = drive(random);
        const LampSolution solution = solved(circuit, Volts{e}).value();
        const double node = plainNode(plain, e, circuit.common.value());
        for (std::size_t k = 0; k < plain.size(); ++k) {
            const double wanted = plain[k].amps(node);
            EXPECT_NEAR(solution.current[k].value(), wanted, 1e-9 + 1e-6 * wanted)
                << "trial " << trial;
        }
    }
}

// IEC 60063, written out.
TEST(Reference, PreferredValuesAgreeWithTheStandardsTables) {
    const std::vector<double> e12{1.0, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2};
    const std::vector<double> e6{1.0, 1.5, 2.2, 3.3, 4.7, 6.8};
    const std::vector<double> e96{
        1.00, 1.02, 1.05, 1.07, 1.10, 1.13, 1.15, 1.18, 1.21, 1.24, 1.27, 1.30, 1.33, 1.37,
        1.40, 1.43, 1.47, 1.50, 1.54, 1.58, 1.62, 1.65, 1.69, 1.74, 1.78, 1.82, 1.87, 1.91,
        1.96, 2.00, 2.05, 2.10, 2.15, 2.21, 2.26, 2.32, 2.37, 2.43, 2.49, 2.55, 2.61, 2.67,
        2.74, 2.80, 2.87, 2.94, 3.01, 3.09, 3.16, 3.24, 3.32, 3.40, 3.48, 3.57, 3.65, 3.74,
        3.83, 3.92, 4.02, 4.12, 4.22, 4.32, 4.42, 4.53, 4.64, 4.75, 4.87, 4.99, 5.11, 5.23,
        5.36, 5.49, 5.62, 5.76, 5.90, 6.04, 6.19, 6.34, 6.49, 6.65, 6.81, 6.98, 7.15, 7.32,
        7.50, 7.68, 7.87, 8.06, 8.25, 8.45, 8.66, 8.87, 9.09, 9.31, 9.53, 9.76};
    ASSERT_EQ(e96.size(), 96U);
    const auto next = [](const std::vector<double>& table, double ideal) {
        for (int decade = -3; decade < 9; ++decade) {
            for (const double mantissa : table) {
                const double value = mantissa * std::pow(10, decade);
                if (value >= ideal * (1 - 1e-6)) return value;
            }
        }
        return 0.0;
    };
    std::mt19937 random(29);
    std::uniform_real_distribution<double> exponent(-2, 7);
    for (int trial = 0; trial < 2000; ++trial) {
        const double ideal = std::pow(10, exponent(random));
        const auto chosen = [&](Series series) {
            return preferredValue(Ohms{ideal}, series, RoundingPolicy::Higher).value();
        };
        EXPECT_NEAR(chosen(Series::E6) / next(e6, ideal), 1, 1e-9) << ideal;
        EXPECT_NEAR(chosen(Series::E12) / next(e12, ideal), 1, 1e-9) << ideal;
        EXPECT_NEAR(chosen(Series::E96) / next(e96, ideal), 1, 1e-9) << ideal;
    }
}

}  // namespace
}  // namespace glimmet::core
