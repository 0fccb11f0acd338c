// The solver's parts: elimination, what it is kept for, and that it allocates nothing while it
// works.
#include "core/circuit/solver.h"

#include "core/circuit/integration.h"
#include "core/circuit/settling.h"
#include "core/circuit/star_mesh.h"
#include "core/quantity/thermal_voltage.h"
#include "support/allocations.h"
#include "support/part_circuits.h"
#include "support/trade_circuits.h"

#include <Eigen/Dense>
#include <gtest/gtest.h>

#include <random>

namespace glimmet::core::circuit {
namespace {

using tests::Build;

TEST(StarMesh, SolvesWhatDenseEliminationSolves) {
    std::mt19937 random(41);
    std::uniform_real_distribution<double> exponent(-6, 3), amps(-1, 1);
    for (int trial = 0; trial < 200; ++trial) {
        const std::size_t nodes = 1 + random() % 40;
        std::vector<std::pair<std::size_t, std::size_t>> edges;
        for (std::size_t k = 1; k < nodes; ++k) edges.emplace_back(k, random() % k);
        for (std::size_t k = 0; k < nodes; ++k) {
            const std::size_t a = random() % nodes, b = random() % nodes;
            if (a != b) edges.emplace_back(a, b);
        }
        StarMesh mesh(nodes, edges);
        std::vector<double> values(mesh.valueCount(), 0), x(nodes);
        const auto size = static_cast<Eigen::Index>(nodes);
        Eigen::MatrixXd matrix = Eigen::MatrixXd::Zero(size, size);
        Eigen::VectorXd right(size);
        const auto index = [&](std::size_t node) { return static_cast<Eigen::Index>(node); };
        for (const auto& [a, b] : edges) {
            const double g = std::pow(10, exponent(random));
            values[mesh.edgeSlot(mesh.place(a), mesh.place(b))] += g;
            matrix(index(a), index(a)) += g;
            matrix(index(b), index(b)) += g;
            matrix(index(a), index(b)) -= g;
            matrix(index(b), index(a)) -= g;
        }
        values[mesh.leakSlot(mesh.place(0))] += 1e-2;
        matrix(0, 0) += 1e-2;
        for (std::size_t k = 0; k < nodes; ++k) right[index(k)] = x[mesh.place(k)] = amps(random);
        ASSERT_TRUE(mesh.solve(values, x));
        const Eigen::VectorXd dense = matrix.fullPivLu().solve(right);
        const double scale = dense.cwiseAbs().maxCoeff();
        for (std::size_t k = 0; k < nodes; ++k)
            EXPECT_NEAR(x[mesh.place(k)], dense[index(k)], 1e-6 * scale) << "trial " << trial;
    }
}
// Ten kilosiemens between two nodes that only a leak of a picosiemens joins to ground: elimination
// that subtracts has no digit left (1e4 + 1e-12 is 1e4), this one keeps them all.
TEST(StarMesh, KeepsALeakBesideAShort) {
    StarMesh mesh(2, {{0, 1}});
    std::vector<double> values(mesh.valueCount(), 0);
    values[mesh.edgeSlot(mesh.place(0), mesh.place(1))] = 1e4;
    values[mesh.leakSlot(mesh.place(0))] = 1e-12;
    std::vector<double> x(2, 0);
    x[mesh.place(1)] = 5e-12;
    ASSERT_TRUE(mesh.solve(values, x));
    EXPECT_NEAR(x[mesh.place(0)], 5, 1e-12);
    EXPECT_NEAR(x[mesh.place(1)], 5, 1e-12);
}
TEST(StarMesh, SaysThatANodeHangsOnNothing) {
    StarMesh mesh(2, {});
    std::vector<double> values(mesh.valueCount(), 0);
    values[mesh.leakSlot(mesh.place(0))] = 1;
    std::vector<double> x(2, 0);
    EXPECT_FALSE(mesh.solve(values, x));
}
TEST(StarMesh, RefusesWhatDoesNotFitInMemory) {
    std::vector<std::pair<std::size_t, std::size_t>> edges;
    for (std::size_t a = 0; a < 800; ++a) {
        for (std::size_t b = 0; b < a; ++b) edges.emplace_back(a, b);
    }
    EXPECT_FALSE(StarMesh(800, edges).fits());
    Build build("everything to everything");
    for (int a = 0; a < 800; ++a) {
        for (int b = 0; b < a; ++b)
            build.r(std::to_string(a).c_str(), std::to_string(b).c_str(), 100);
    }
    const auto point = operatingPoint(build.netlist.circuit);
    ASSERT_FALSE(point.has_value());
    EXPECT_EQ(plain(point.error().what),
              "The circuit joins too many nodes with too many others to be solved.");
}

// Sources in a row and in a star, floating and grounded: their currents from Kirchhoff's law alone.
TEST(Solver, GivesTheCurrentsOfSourcesThatHangTogether) {
    Build build("sources");
    build.v("a", "0", Constant{5})
        .v("b", "a", Constant{3})
        .v("c", "a", Constant{-2})
        .v("y", "x", Constant{4})
        .r("a", "0", 5)
        .r("b", "0", 8)
        .r("c", "0", 3)
        .r("x", "0", 100)
        .r("y", "b", 100);
    const auto point = operatingPoint(build.netlist.circuit).value();
    // x floats: (y − b)/100 + x/100 = 0 with y = x + 4 and b = 8: x = 2, y = 6.
    EXPECT_NEAR(point.voltage[4], 6, 1e-12);
    EXPECT_NEAR(point.voltage[5], 2, 1e-12);
    const double y = 0.02;                    // flows from b to y
    EXPECT_NEAR(point.current[3], y, 1e-12);  // into y's plus
    EXPECT_NEAR(point.current[1], -(1 + y), 1e-12);
    EXPECT_NEAR(point.current[2], -1, 1e-12);
    EXPECT_NEAR(point.current[0], -(1 + 1 + y + 1), 1e-12);
}

// A floating supply between milliohms, behind a diode that carries nothing: what the offset of the
// supply would drive through a milliohm is 12 kA, whose last digit is more than a diode's leak.
TEST(Solver, CountsAFloatingSupplyFromItsBusyEnd) {
    Build build("floating");
    build.v("in", "0", Constant{3.94})
        .led("in", "a", LedFamily::White)
        .r("a", "b", 0.01)
        .led("f", "g", LedFamily::White)
        .r("b", "g", 0.001)
        .r("a", "g", 0.002)
        .v("g", "f", Constant{12.5});
    Solver solver(build.netlist.circuit);
    ASSERT_TRUE(solver.settleFromAnywhere());
    EXPECT_LT(solver.iterations(), 30);
    EXPECT_NEAR(solver.diodeCurrent(0), 0, 1e-15);
    OperatingPoint point;
    read(solver, point);
    EXPECT_NEAR(point.voltage[2], 3.94, 1e-6);
}

// From the last solution a diode with a resistance goes on along a series from where its law was
// last worked out; the last step of a solution moves it on without that.
TEST(Solver, GivesAgainWhatANewOneGives) {
    Build build("strings behind a wire");
    build.v("in", "0", Constant{12})
        .r("in", "p", 20)
        .r("p", "a", 680)
        .led("a", "0", LedFamily::White)
        .r("p", "b", 100)
        .led("b", "c", LedFamily::Red)
        .led("c", "0", LedFamily::Red);
    Circuit& circuit = build.netlist.circuit;
    Solver kept(circuit);
    OperatingPoint point;
    for (int k = 0; k < 60; ++k) {
        const double volts = 12 + 1.5 * std::sin(0.7 * k) * std::exp(-0.1 * k);
        kept.excitation.volts[0] = volts;
        ASSERT_TRUE(kept.settleFromAnywhere());
        read(kept, point);
        circuit.voltageSources[0].volts = Constant{volts};
        Solver fresh(circuit);
        fresh.setTolerance(1e-14, 1e-22);
        ASSERT_TRUE(fresh.settleFromAnywhere());
        for (std::size_t diode = 0; diode < point.diode.size(); ++diode)
            EXPECT_NEAR(point.diode[diode] / fresh.diodeCurrent(diode), 1, 3e-10) << volts;
    }
}

// Is = 2.5 nA beside the current that it begins with: what one is worked out from must be the
// other. A current source tells the voltage: V = N·Vt·ln(1 + I/Is) + Rs·I.
TEST(Solver, KnowsTheVoltsOfADrivenRectifier) {
    Circuit circuit;
    DiodeModel model;
    model.name = "rectifier";
    model.saturation = Amperes{2.5e-9};
    model.emission = 1.75;
    model.series = Ohms{0.3};
    circuit.models.push_back(model);
    const Node a = nodeNamed(circuit, "a"), b = nodeNamed(circuit, "b");
    // It begins with the most that a lamp does, 30 mA, for this supply; so it has little to go.
    circuit.voltageSources.push_back({"v1", nodeNamed(circuit, "s"), ground, Constant{12}, {}});
    circuit.currentSources.push_back({"i1", ground, a, Constant{0.029}, {}});
    circuit.resistors.push_back({"r1", a, b, Ohms{16}});
    circuit.diodes.push_back({"d1", b, ground, 0});
    const OperatingPoint point = operatingPoint(circuit).value();
    const double expected = 1.75 * thermalVoltage * std::log1p(0.029 / 2.5e-9) + 0.3 * 0.029;
    EXPECT_NEAR(point.voltage[b], expected, 1e-10);
    EXPECT_NEAR(point.voltage[a], expected + 16 * 0.029, 1e-10);
}

TEST(Solver, TakesOtherValuesAndGivesWhatANewOneGives) {
    std::mt19937 random(43);
    std::uniform_real_distribution<double> factor(0.5, 2);
    Netlist netlist;
    for (const Netlist& each : tests::tradeCircuits()) {
        if (each.circuit.title == "three whites on one resistor, one lower") netlist = each;
    }
    Circuit& circuit = netlist.circuit;
    Solver kept(circuit);
    OperatingPoint point;
    for (int trial = 0; trial < 50; ++trial) {
        for (Resistor& each : circuit.resistors) each.resistance *= factor(random);
        for (DiodeModel& each : circuit.models) each.saturation *= factor(random);
        circuit.voltageSources[0].volts = Constant{6 * factor(random)};
        kept.update(circuit);
        ASSERT_TRUE(kept.settleFromAnywhere());
        read(kept, point);
        const OperatingPoint fresh = operatingPoint(circuit).value();
        for (std::size_t k = 0; k < point.diode.size(); ++k)
            EXPECT_NEAR(point.diode[k] / fresh.diode[k], 1, 1e-9);
    }
}

TEST(Solver, LeavesAReversedLampReversedWhenItSolvesAgain) {
    // Is of a cold lamp is far below the last digit of its leak: what rounding leaves of a current
    // that does not change must not look like a forward one.
    Circuit circuit = Build("reversed")
                          .v("in", "0", Constant{-1})
                          .r("in", "a", 130e3)
                          .r("a", "0", 1e6)
                          .r("a", "b", 1e3)
                          .led("b", "0", LedFamily::White)
                          .netlist.circuit;
    circuit.models[0].temperature = Kelvins{200};
    Solver solver(circuit);
    for (double volts = 0.1; volts < 30; volts += 0.037) {
        solver.excitation.volts[0] = -volts;
        for (int again = 0; again < 3; ++again) {
            ASSERT_TRUE(solver.settle());
            EXPECT_NEAR(solver.diodeCurrent(0) / (-1e-12 * volts / 1.13), 1, 1e-6) << volts;
        }
    }
}
TEST(Solver, AllocatesNothingOnceItIsMade) {
    for (const Netlist& netlist : tests::tradeCircuits()) {
        auto solver = solverFor(netlist.circuit);
        ASSERT_TRUE(solver.has_value());
        OperatingPoint point;
        read(*solver, point);
        const long before = tests::allocations();
        for (int turn = 0; turn < 3; ++turn) {
            solver->update(netlist.circuit);
            solver->forget();
            EXPECT_TRUE(solver->settleFromAnywhere());
            read(*solver, point);
        }
        EXPECT_EQ(tests::allocations(), before) << netlist.circuit.title;
    }
}
TEST(Integration, AllocatesNothingInItsSteps) {
    for (const auto& circuits : {tests::tradeCircuits(), tests::partCircuits()}) {
        for (const Netlist& netlist : circuits) {
            const auto* span = std::get_if<TransientSpan>(&netlist.analysis);
            if (!span) continue;
            auto solver = solverFor(netlist.circuit);
            ASSERT_TRUE(solver.has_value());
            Integration integration(netlist.circuit, *solver, 1e-4);
            ASSERT_TRUE(integration.begin());
            const long before = tests::allocations();
            for (int step = 0; step < 100; ++step) {
                if (integration.tryStep(span->step / 100)) integration.accept(span->step / 100);
            }
            EXPECT_EQ(tests::allocations(), before) << netlist.circuit.title;
        }
    }
}

}  // namespace
}  // namespace glimmet::core::circuit
