#include "core/circuit/spice.h"

#include "support/mutation.h"
#include "support/print_quantity.h"
#include "support/trade_circuits.h"

#include <gtest/gtest.h>

#include <random>

namespace glimmet::core::circuit {
namespace {

std::vector<std::string> faultsOf(const std::string& text) {
    std::vector<std::string> lines;
    for (const NetlistFault& fault : readNetlist(text).faults) {
        lines.push_back(std::to_string(fault.line) + ": " + fault.found);
    }
    return lines;
}
using Lines = std::vector<std::string>;
Circuit read(const std::string& text) {
    const ReadNetlist result = readNetlist(text);
    for (const NetlistFault& fault : result.faults)
        ADD_FAILURE() << fault.line << ": " << fault.found << " | " << fault.allowed;
    return result.netlist.circuit;
}
double ohmsOf(const std::string& value) {
    return read("t\nR1 a 0 " + value + "\n.op\n").resistors.at(0).resistance.value();
}

TEST(ReadNetlist, KnowsTheSuffixesAndIgnoresUnitLetters) {
    EXPECT_EQ(ohmsOf("4.7k"), 4700);
    EXPECT_EQ(ohmsOf("4.7K"), 4700);
    EXPECT_EQ(ohmsOf("10meg"), 10e6);
    EXPECT_EQ(ohmsOf("10MEGohm"), 10e6);
    EXPECT_EQ(ohmsOf("10m"), 0.01);
    EXPECT_EQ(ohmsOf("1e3"), 1000);
    EXPECT_EQ(ohmsOf("1.5e3k"), 1.5e6);
    EXPECT_EQ(ohmsOf("2t"), 2e12);
    EXPECT_EQ(ohmsOf("2g"), 2e9);
    EXPECT_EQ(ohmsOf("50u"), 50e-6);  // the double nearest to 5e-5, not 50 times 1e-6
    EXPECT_EQ(ohmsOf("47n"), 47e-9);
    EXPECT_EQ(ohmsOf("47p"), 47e-12);
    EXPECT_EQ(ohmsOf("47f"), 47e-15);
    EXPECT_EQ(ohmsOf("100ohm"), 100);
}
TEST(ReadNetlist, TakesTitlesCommentsContinuationsAndAnyCase) {
    const Circuit circuit = read(
        "R1 this is the title\n* a comment\nv1 IN GND\n+ pulse(0 5\n+ 1m, 1u 1u 2m 4m)\n\nR1 in "
        "Out 1K\n"
        "C1 out 0 1uF\n.TRAN 10u 1m\n.END\nnot read any more\n");
    EXPECT_EQ(circuit.title, "R1 this is the title");
    EXPECT_EQ((std::vector<std::string>{circuit.nodes.begin(), circuit.nodes.end()}),
              (std::vector<std::string>{"0", "in", "out"}));
    const auto& pulse = std::get<Pulse>(circuit.voltageSources.at(0).volts);
    EXPECT_EQ(pulse.second, 5);
    EXPECT_EQ(pulse.delay, 1e-3);
    EXPECT_EQ(pulse.width, 2e-3);
    EXPECT_EQ(pulse.period, 4e-3);
}
TEST(ReadNetlist, ReadsSourcesInEveryForm) {
    const Circuit c = read(
        "t\nV1 a 0 5\nV2 b 0 DC 6\nV3 c 0 DC 1 SIN(0 2 50 1m 3)\nV4 d 0 PWL(0 1 1m 2)\nI1 a 0 1m\n"
        "R1 a b 1\nR2 b c 1\nR3 c d 1\n.op\n");
    EXPECT_EQ(std::get<Constant>(c.voltageSources[0].volts).value, 5);
    EXPECT_EQ(c.voltageSources[1].dc, 6);
    EXPECT_EQ(c.voltageSources[2].dc, 1);
    EXPECT_EQ(std::get<Sine>(c.voltageSources[2].volts).damping, 3);
    EXPECT_EQ(std::get<PiecewiseLinear>(c.voltageSources[3].volts).points.size(), 2U);
    EXPECT_EQ(std::get<Constant>(c.currentSources[0].amps).value, 1e-3);
}
TEST(ReadNetlist, ReadsModelsBeforeOrAfterTheirDiodes) {
    const Circuit c =
        read("t\nD1 a 0 LED\n.model led D (IS=1e-18 N = 2 RS=5 BV=5 IBV=1u)\nV1 a 0 2\n.op\n");
    EXPECT_EQ(c.models.at(0).saturation, Amperes{1e-18});
    EXPECT_EQ(c.models[0].emission, 2);
    EXPECT_EQ(c.models[0].breakdown, Volts{5});
    EXPECT_EQ(read("t\n.model d d\nD1 a 0 d\nV1 a 0 1\n.op\n").models.at(0).saturation,
              Amperes{1e-14});
}
TEST(ReadNetlist, FillsThePulseEdgesThatAreLeftOutAsSpiceDoes) {
    const Circuit c = read("t\nV1 a 0 PULSE(0 5)\nR1 a 0 1\n.tran 1u 1m\n");
    const auto& pulse = std::get<Pulse>(c.voltageSources[0].volts);
    EXPECT_EQ(pulse.rise, 1e-6);
    EXPECT_EQ(pulse.fall, 1e-6);
    EXPECT_EQ(pulse.width, 1e-3);
}
TEST(ReadNetlist, NamesLineAndWordOfEveryFault) {
    EXPECT_EQ(faultsOf("t\nR1 a b\nV1 a 0 1\n.op\n"), Lines{"2: r1 a b"});
    EXPECT_EQ(faultsOf("t\nR1 a 0 -5\nV1 a 0 x\n.op\n"), (Lines{"2: -5", "3: x"}));
    EXPECT_EQ(faultsOf("t\nQ1 a b c m\nV1 a 0 1\n.op\n"), Lines{"2: q1"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 1\nR1 a 0 1\nR1 a 0 2\n.op\n"), Lines{"4: r1 twice"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 1\nD1 a 0 none\n.op\n"), Lines{"3: none"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 1\n.model m NPN(IS=1)\n.op\n"), Lines{"3: npn"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 1\n.model m D(XX=1)\n.op\n"), Lines{"3: xx"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 1\nR1 a 0 1\n"), Lines{"3: no analysis"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 1\nR1 a 0 1\n.op\n.tran 1 2\n"), Lines{"5: a second analysis"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 1\nR1 a 0 1\n.dc V2 0 1 1\n"), Lines{"4: v2"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 1\nR1 a 0 1\n.dc V1 0 1 0\n"), Lines{"4: step 0"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 1\nR1 a 0 1\n.tran 1 0.5\n"), Lines{"4: 0.5"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 PWL(0 1 0 2)\nR1 a 0 1\n.op\n"), Lines{"2: 0"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 PWL(0)\nR1 a 0 1\n.op\n"), Lines{"2: PWL of 1 values"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 NOISE(1)\nR1 a 0 1\n.op\n"), Lines{"2: noise"});
    EXPECT_EQ(faultsOf("t\nV1 a 0 1\n.options reltol=1\n.op\n"), Lines{"3: .options"});
    EXPECT_EQ(faultsOf("t\n+ 5\nV1 a 0 1\n.op\n"), Lines{"2: a continuation of nothing"});
    EXPECT_EQ(faultsOf(""), (Lines{"1: an empty netlist", "1: no analysis"}));
    EXPECT_EQ(faultsOf("t\n.op\n"), Lines{"2: no element"});
    EXPECT_EQ(faultsOf("t\nR1 a 0 1e999\nV1 a 0 nan\n.op\n").size(), 2U);
}

// Whatever is written reads back as the same circuit, to the last digit.
TEST(WrittenNetlist, ReadsBackAsTheSameText) {
    for (const Netlist& netlist : tests::tradeCircuits()) {
        const std::string text = writtenNetlist(netlist);
        const ReadNetlist back = readNetlist(text);
        ASSERT_TRUE(back.faults.empty()) << netlist.circuit.title << ": " << back.faults[0].found;
        Netlist again = back.netlist;
        again.circuit.title = again.circuit.title.substr(2);  // the writer puts "* " before it
        EXPECT_EQ(writtenNetlist(again), text);
    }
}
// Any damage to a netlist gives faults or a circuit that can be run to an answer or a sentence.
TEST(ReadNetlist, SurvivesAnyMutation) {
    std::mt19937 random(41);
    const std::string whole =
        "title\nV1 in 0 PULSE(0 5 1m 1u 1u 3m 6m)\nR1 in a 1k\nD1 a 0 m\nC1 a 0 1u\n"
        ".model m D(IS=1e-14 N=1.5 RS=2 BV=6 IBV=1m)\n.tran 1m 4m\n.end\n";
    int ran = 0;
    for (int trial = 0; trial < 3000; ++trial) {
        const std::string text = tests::mutated(
            whole, random, {"\n", " ", "1e30", "-", "meg", "0", "(", "+", ".op", "999999999"});
        const ReadNetlist result = readNetlist(text);
        if (!result.faults.empty()) continue;
        const auto* span = std::get_if<TransientSpan>(&result.netlist.analysis);
        if (span && span->stop / span->step > 1000) continue;  // a long run, not a wrong one
        const auto answer =
            span ? transient(result.netlist.circuit, *span).map([](const auto&) { return true; })
                 : operatingPoint(result.netlist.circuit).map([](const auto&) { return true; });
        if (!answer) {
            EXPECT_FALSE(plain(answer.error().what).empty());
        }
        ++ran;
    }
    EXPECT_GT(ran, 200);
}

}  // namespace
}  // namespace glimmet::core::circuit
