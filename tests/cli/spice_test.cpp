#include "cli/spice.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <cmath>

namespace glimmet::cli {
namespace {

using nlohmann::json;

json answer(const char* netlist) {
    const SpiceRun run = spiceRun(netlist);
    for (const std::string& fault : run.faults) ADD_FAILURE() << fault;
    return run.faults.empty() ? json::parse(run.json) : json();
}

TEST(Spice, PrintsAnOperatingPoint) {
    const json out = answer("divider\nV1 IN 0 12\nR1 IN Mid 1k\nR2 mid GND 3k\n.op\n.end\n");
    EXPECT_EQ(out.size(), 1U);
    EXPECT_EQ(out["op"]["v"].size(), 2U);  // ground is not printed
    EXPECT_NEAR(out["op"]["v"]["mid"], 9, 1e-12);
    EXPECT_NEAR(out["op"]["v"]["in"], 12, 1e-12);
    EXPECT_NEAR(out["op"]["i"]["v1"], -0.003, 1e-15);
}
TEST(Spice, PrintsASweep) {
    const json out = answer("sweep\nV1 a 0 0\nR1 a 0 2\n.dc V1 1 2 0.25\n");
    EXPECT_EQ(out["dc"]["sweep"], json::array({1, 1.25, 1.5, 1.75, 2}));
    EXPECT_EQ(out["dc"]["v"]["a"].size(), 5U);
    EXPECT_NEAR(out["dc"]["i"]["v1"][4], -1, 1e-12);
    const json down = answer("sweep\nV1 a 0 0\nR1 a 0 2\n.dc V1 1 -1 -1\n");
    EXPECT_EQ(down["dc"]["sweep"], json::array({1, 0, -1}));
}
TEST(Spice, PrintsATransientAtMultiplesOfItsStep) {
    const json out =
        answer("rc\nV1 a 0 PULSE(0 1 0 1n 1n 1 2)\nR1 a b 1k\nC1 b 0 1u\n.tran 1m 3m\n");
    ASSERT_EQ(out["tran"]["time"].size(), 4U);
    EXPECT_NEAR(out["tran"]["time"][3], 0.003, 1e-18);
    EXPECT_NEAR(out["tran"]["v"]["b"][1], 1 - std::exp(-1.0), 1e-6);
    EXPECT_FALSE(out["tran"].contains("i"));
}
TEST(Spice, StartsATransientFromTheSourcesAtTimeZero) {
    const json out =
        answer("start\nV1 a 0 DC 9 PULSE(3 1 1 1u 1u 1 2)\nR1 a b 1k\nC1 b 0 1u\n.tran 1m 2m\n");
    EXPECT_NEAR(out["tran"]["v"]["b"][0], 3, 1e-9);
    EXPECT_NEAR(answer("op\nV1 a 0 DC 9 PULSE(3 1 1 1u 1u 1 2)\nR1 a 0 1k\n.op\n")["op"]["v"]["a"],
                9, 1e-12);
}
TEST(Spice, GivesALineForEachFaultAndNoAnswer) {
    const SpiceRun run = spiceRun("t\nR1 a 0 -5\nX1 a b\n.op\n");
    EXPECT_TRUE(run.json.empty());
    ASSERT_EQ(run.faults.size(), 2U);
    EXPECT_EQ(run.faults[0], "line 2: found -5, allowed: ohms, a number above 0 like 4.7k");
    EXPECT_EQ(run.faults[1],
              "line 3: found x1, allowed: an element R, C, V, I or D, or a dot command");
}
TEST(Spice, RefusesWhatWouldEatTheMachineWithItsLine) {
    const auto refusal = [](const std::string& netlist) {
        const SpiceRun run = spiceRun(netlist);
        EXPECT_EQ(run.json, "");
        return run.faults.size() == 1 ? run.faults[0] : std::to_string(run.faults.size());
    };
    std::string large = "many\n";
    for (int i = 0; i < 50; ++i) {
        large += "R" + std::to_string(i) + " n" + std::to_string(i) + " 0 1k\nV" +
                 std::to_string(i) + " n" + std::to_string(i) + " 0 1\n";
    }
    EXPECT_EQ(refusal(large + ".tran 1u 1\n.end\n"),
              "line 102: found 1e+06 points of 50 values each, allowed: at most 4e+06 values in "
              "all: fewer points");
    EXPECT_EQ(refusal(large + ".dc V1 0 1 1u\n"),
              "line 102: found 1e+06 points of 100 values each, allowed: at most 4e+06 values in "
              "all: fewer points");
    // Few points, and a source that turns a corner a million million times between them.
    EXPECT_EQ(
        refusal("edges\nV1 a 0 PULSE(0 1 0 1f 1f 1f 10f)\nR1 a 0 1\n.tran 1m 1\n"),
        "line 4: found 1e+03 points and 4e+14 corners of sources, each of 2 elements, allowed: "
        "at most 1e+07 steps times elements: a shorter time");
    EXPECT_EQ(
        refusal("wave\nV1 a 0 SIN(0 1 1g)\nR1 a 0 1\n.tran 1m 1\n"),
        "line 4: found 1e+03 points and 5e+10 corners of sources, each of 2 elements, allowed: "
        "at most 1e+07 steps times elements: a shorter time");
    // What stays within it runs: a hundred thousand points, ten thousand edges.
    EXPECT_EQ(answer("rc\nV1 a 0 1\nR1 a b 1k\nC1 b 0 1u\n.tran 1u 0.1\n")["tran"]["time"].size(),
              100001U);
    EXPECT_EQ(
        answer(
            "square\nV1 a 0 PULSE(0 1 0 1u 1u 48u 100u)\nR1 a 0 1k\n.tran 1m 1\n")["tran"]["time"]
            .size(),
        1001U);
}
TEST(Spice, SaysWhereANetlistIsNoText) {
    const SpiceRun run = spiceRun("t\nV1 a\xff 0 5\nR1 a 0 1\n.op\n");
    ASSERT_EQ(run.faults.size(), 1U);
    EXPECT_EQ(run.faults[0], "line 2: found a byte that is no UTF-8, allowed: text in UTF-8");
    EXPECT_EQ(spiceRun("\xc0\xaf\nR1 a 0 1\n.op\n").faults.size(), 1U);  // the title too
    EXPECT_NEAR(answer("Brücke\nV1 ä 0 5\nR1 ä 0 1\n.op\n")["op"]["v"]["ä"], 5, 1e-12);
}
TEST(Spice, SaysInWordsWhatCannotBeSolved) {
    const SpiceRun run = spiceRun("t\nV1 a 0 5\nC1 a b 1u\nR1 b c 1\n.op\n");
    ASSERT_EQ(run.faults.size(), 1U);
    EXPECT_EQ(run.faults[0],
              "b: Nothing connects node b to ground: its voltage could be anything.");
}

}  // namespace
}  // namespace glimmet::cli
