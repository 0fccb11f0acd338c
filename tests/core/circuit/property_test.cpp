// Laws that every circuit keeps, on random ones of every element.
#include "core/circuit/analysis.h"
#include "core/circuit/topology.h"
#include "support/kirchhoff.h"
#include "support/random_circuit.h"

#include <gtest/gtest.h>

namespace glimmet::core::circuit {
namespace {

TEST(RandomCircuits, KeepKirchhoffsLawOrSayWhyTheyCannot) {
    std::mt19937 random(37);
    int solved = 0, unsolvable = 0, runaways = 0;
    for (int trial = 0; trial < 4000; ++trial) {
        const auto bytes = tests::randomBytes(random, 20 + random() % 300);
        tests::Choices choices(bytes);
        const Circuit circuit = tests::randomCircuit(choices);
        const auto point = operatingPoint(circuit);
        if (!point) {
            ++unsolvable;
            if (!solvable(circuit)) continue;
            // A current source drives a load of constant power, or an open switch, to volts without
            // end. Nothing else is an excuse: without those loads and with a current that any leak
            // bears there is a solution.
            Circuit tame = circuit;
            const auto loads = std::erase_if(tame.onePorts, [](const OnePort& each) {
                return std::holds_alternative<Load>(each.law) ||
                       std::holds_alternative<CurrentLimiter>(each.law);
            });
            for (CurrentSource& each : tame.currentSources) each.amps = Constant{1e-9};
            for (CurrentSource& each : tame.currentSources) each.dc.reset();
            EXPECT_TRUE(!circuit.currentSources.empty() && loads > 0)
                << "trial " << trial << ": " << plain(point.error().what);
            ++runaways;
            if (!solvable(tame)) continue;  // the load was all that joined a node to the rest
            const auto calm = operatingPoint(tame);
            EXPECT_TRUE(calm.has_value()) << "trial " << trial;
            if (calm) {
                EXPECT_EQ(tests::brokenLaw(tame, *calm), "") << "trial " << trial;
            }
            continue;
        }
        ++solved;
        EXPECT_EQ(tests::brokenLaw(circuit, *point), "") << "trial " << trial;
    }
    EXPECT_GT(solved, 500);
    EXPECT_GT(unsolvable, 500);
    EXPECT_LT(runaways, 200);  // the excuse stays rare
}
TEST(RandomCircuits, TameOnesAlwaysHaveAnOperatingPoint) {
    std::mt19937 random(53);
    for (int trial = 0; trial < 2000; ++trial) {
        const auto bytes = tests::randomBytes(random, 20 + random() % 300);
        tests::Choices choices(bytes);
        const Circuit circuit = tests::randomCircuit(choices, {true});
        const auto point = operatingPoint(circuit);
        ASSERT_TRUE(point.has_value()) << "trial " << trial << ": " << plain(point.error().what);
        EXPECT_EQ(tests::brokenLaw(circuit, *point), "") << "trial " << trial;
    }
}

/// W that an element takes up, of the voltages of one instant.
double heat(const Circuit& circuit, const std::vector<double>& volts, double& given) {
    double taken = 0;
    const auto across = [&](Node a, Node b) { return volts[a] - volts[b]; };
    for (const Resistor& each : circuit.resistors) {
        const double v = across(each.a, each.b);
        taken += v * v / each.resistance.value();
    }
    for (const Diode& each : circuit.diodes) {
        const double v = across(each.anode, each.cathode);
        taken += v * tests::diodeCurrent(circuit.models[each.model], v);
    }
    // Each source has a resistor of its own in series: that tells its current.
    for (const VoltageSource& each : circuit.voltageSources) {
        for (const Resistor& r : circuit.resistors) {
            if (r.a != each.plus) continue;
            given += across(each.plus, each.minus) * across(r.a, r.b) / r.resistance.value();
        }
    }
    return taken;
}
// Over a transient sources give what resistors and diodes turn to heat and what capacitors store.
TEST(RandomCircuits, BalanceTheirEnergy) {
    std::mt19937 random(59);
    int balanced = 0;
    for (int trial = 0; trial < 150; ++trial) {
        const auto bytes = tests::randomBytes(random, 30 + random() % 100);
        tests::Choices choices(bytes);
        Circuit circuit = tests::randomCircuit(choices, {true});
        circuit.onePorts.clear();  // some of them store heat
        for (Capacitor& each : circuit.capacitors) each.initially.reset();
        if (circuit.capacitors.empty()) continue;
        TransientSpan span{1e-5, 2e-3, 1e-7};
        span.ownSteps = true;
        const auto result = transient(circuit, span);
        ASSERT_TRUE(result.has_value()) << "trial " << trial << ": " << plain(result.error().what);
        const auto at = [&](std::size_t i) {
            std::vector<double> volts;
            for (const auto& node : result->voltage) volts.push_back(node[i]);
            return volts;
        };
        double taken = 0, given = 0, turnover = 0;
        double givenBefore = 0;
        double takenBefore = heat(circuit, at(0), givenBefore);
        for (std::size_t i = 1; i < result->time.size(); ++i) {
            const double step = result->time[i] - result->time[i - 1];
            double givenNow = 0;
            const double takenNow = heat(circuit, at(i), givenNow);
            taken += (takenBefore + takenNow) / 2 * step;
            given += (givenBefore + givenNow) / 2 * step;
            turnover += (std::abs(givenBefore) + std::abs(givenNow)) / 2 * step;
            takenBefore = takenNow;
            givenBefore = givenNow;
        }
        double stored = 0;
        for (const Capacitor& each : circuit.capacitors) {
            const auto energy = [&](std::size_t i) {
                const double volts = result->voltage[each.a][i] - result->voltage[each.b][i];
                return each.capacitance.value() / 2 * volts * volts;
            };
            stored += energy(result->time.size() - 1) - energy(0);
            turnover += std::abs(energy(0));
        }
        EXPECT_NEAR((given - taken - stored) / turnover, 0, 2e-3) << "trial " << trial;
        ++balanced;
    }
    EXPECT_GT(balanced, 60);
}

}  // namespace
}  // namespace glimmet::core::circuit
