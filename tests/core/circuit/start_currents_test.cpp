// What diodes begin with from nothing: near what they will carry.
#include "core/circuit/settling.h"
#include "core/circuit/solver.h"
#include "support/trade_circuits.h"

#include <gtest/gtest.h>

namespace glimmet::core::circuit {
namespace {

using tests::Build;

/// Per diode: what it begins with over what it carries.
std::vector<double> startOverSolution(const Circuit& circuit) {
    Solver solver(circuit);
    std::vector<double> ratio;
    for (std::size_t k = 0; k < circuit.diodes.size(); ++k) ratio.push_back(solver.diodeCurrent(k));
    EXPECT_TRUE(solver.settleFromAnywhere());
    for (std::size_t k = 0; k < ratio.size(); ++k) ratio[k] /= solver.diodeCurrent(k);
    return ratio;
}

TEST(StartCurrents, OfAStringTakeAllItsLampsIntoAccount) {
    Build build("row of three");
    build.v("in", "0", Constant{13.2})
        .led("in", "a", LedFamily::White)
        .r("a", "b", 150)
        .led("b", "c", LedFamily::White)
        .r("c", "d", 330)
        .led("d", "0", LedFamily::Red);
    for (const double each : startOverSolution(build.netlist.circuit)) EXPECT_NEAR(each, 1, 1e-3);
}

TEST(StartCurrents, OfLampsOnOneResistorAreItsShares) {
    Build build("four alike");
    build.v("in", "0", Constant{13.2}).r("in", "a", 220);
    for (int k = 0; k < 4; ++k) build.led("a", "0", LedFamily::White);
    for (const double each : startOverSolution(build.netlist.circuit)) EXPECT_NEAR(each, 1, 1e-3);
}

TEST(StartCurrents, OfRectifiersAreThoseOfTheStringsBehindThem) {
    for (const double volts : {12.0, -12.0}) {
        Build build("bridge");
        build.v("track", "0", Constant{volts})
            .r("track", "in", 0.2)  // the wire to it
            .bridgeWithTwoStrings("in", "0");
        const std::vector<double> ratio = startOverSolution(build.netlist.circuit);
        ASSERT_EQ(ratio.size(), 7U);
        int conducting = 0;
        for (const double each : ratio) {
            if (each < 0 || each > 1e3) continue;  // blocked
            EXPECT_NEAR(each, 1, 1e-3);
            ++conducting;
        }
        EXPECT_EQ(conducting, 5) << volts;
    }
}

TEST(StartCurrents, LeadTheTradesCircuitsToTheirSolutionInFewIterations) {
    const auto iterations = [](const Circuit& circuit) {
        Solver solver(circuit);
        EXPECT_TRUE(solver.settleFromAnywhere());
        return solver.iterations();
    };
    int met = 0;
    for (const Netlist& each : tests::tradeCircuits()) {
        const std::string& title = each.circuit.title;
        const bool isBridge = title == "bridge with two strings";
        if (!isBridge && title != "six on a shared resistor") continue;
        EXPECT_LE(iterations(each.circuit), 3) << title;
        ++met;
    }
    EXPECT_GE(met, 2);
}

// Nothing is known of these: they begin below where lamps work, and are found all the same.
TEST(StartCurrents, ArePositiveAndSmallWhereNothingLimits) {
    Build build("straight on a cell");
    build.v("in", "0", Constant{3.2})
        .led("in", "0", LedFamily::White)
        .led("0", "in", LedFamily::Red);
    Solver solver(build.netlist.circuit);
    solver.forget();
    for (const std::size_t k : {0U, 1U}) {
        EXPECT_GT(solver.diodeCurrent(k), 0);
        EXPECT_LT(solver.diodeCurrent(k), 1e-3);
    }
}

}  // namespace
}  // namespace glimmet::core::circuit
