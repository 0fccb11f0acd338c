#include "core/analysis/lamps/lamp_netlist.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamps/lamp_list.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <sstream>

namespace glimmet::core {
namespace {

using tests::jotted;
using tests::shunter;

/// What the engine makes of the written netlist of a job's first lamp circuit, and what the lamp
/// checks make of the circuit itself.
void expectSameCurrent(const Job& job) {
    const auto netlist = lamps::lampNetlist(job, job.groups[0], {});
    ASSERT_TRUE(netlist.has_value()) << plain(netlist.error().what);
    const auto read = circuit::readNetlist(circuit::writtenNetlist(*netlist));
    ASSERT_TRUE(read.faults.empty()) << read.faults[0].found;
    const auto point = circuit::operatingPoint(read.netlist.circuit);
    ASSERT_TRUE(point.has_value()) << plain(point.error().what);
    const auto state = groupState(job, job.groups[0], {});
    EXPECT_NEAR(-point->current[0], state->total.value(), 1e-6 * state->total.value() + 1e-10);
}

TEST(LampNetlist, GivesTheEngineTheCurrentThatTheChecksSay) {
    expectSameCurrent(jotted(shunter(), {"lamp front white", "resistor front 2k2"}));
    expectSameCurrent(jotted(shunter(), {"lamp front white", "resistor front none"}));
    expectSameCurrent(
        jotted(shunter(), {"lamp front white", "parallel front red", "inline front/2 red",
                           "resistor front 470", "shared front 100"}));
    expectSameCurrent(jotted(shunter(), {"decoder board", "output front 680R", "lamp front white",
                                         "parallel front", "resistor front 1k"}));
    expectSameCurrent(
        jotted(tests::newJob("Aurora", "saloon", {}), {"lamp table white", "resistor table 4k7"}));
}
TEST(LampNetlist, ADriverIsItsCurrentOrWhatItTakes) {
    const Job one = jotted(
        tests::newJob("Aurora", "saloon", {}),
        {"supply fixed dc 12V", "lamp table white", "inline table red", "driver table 10mA"});
    expectSameCurrent(one);
    EXPECT_EQ(lamps::lampNetlist(one, one.groups[0], {})->circuit.currentSources.size(), 1U);
    const Job starved = jotted(one, {"supply fixed dc 6V"});
    expectSameCurrent(starved);
    EXPECT_EQ(lamps::lampNetlist(starved, starved.groups[0], {})->circuit.currentSources.size(),
              0U);
    expectSameCurrent(
        jotted(shunter(), {"lamp front white", "parallel front", "driver front 5mA"}));
}
TEST(LampList, IsATableForOtherPrograms) {
    Job job =
        jotted(tests::newJob("Aurora", "saloon", {}),
               {"supply fixed dc 12V", "lamp table white", "inline table red", "resistor table 1k",
                "package table 1/4W", "lamp roof white", "parallel roof", "shared roof 330",
                "lamp tail red", "driver tail 5mA", "lamp amber called glow"});
    job.groups.back().name = "=glow, \"low\"";
    const std::string list = lamps::lampList(tests::factsOf(job));
    std::vector<std::string> lines;
    std::istringstream in(list);
    for (std::string line; std::getline(in, line);) lines.push_back(line);
    ASSERT_EQ(lines.size(), 6U);  // heads, then a line a row
    EXPECT_TRUE(lines[0].starts_with("lamp,row,output,parts,connection,resistor_ohm,body"));
    EXPECT_TRUE(
        lines[1].starts_with("table lamp,1,supply,white LED + red LED,own,1000,1/4W,0.005,0.00"))
        << lines[1];
    EXPECT_TRUE(lines[2].starts_with("roof lamp,1,supply,white LED,shared 330,0,,0.005,"))
        << lines[2];
    EXPECT_TRUE(lines[4].starts_with("tail lamp,1,supply,red LED,driver 0.005,0,,0.005,0.005,"))
        << lines[4];
    // What a spreadsheet would reckon, or a comma, stays one cell of words; what is not known is
    // empty.
    EXPECT_EQ(lines[5],
              "\"'=glow, \"\"low\"\"\",1,supply,amber LED,own,,,0.005,,,,,,,,,,,,,,,,,,,,,\r");
    EXPECT_EQ(std::count(lines[1].begin(), lines[1].end(), ','),
              std::count(lines[0].begin(), lines[0].end(), ','));
    // What was told of where a lamp sits and what it hangs behind.
    const Job told = jotted(job, {"lot tail 7", "bore tail 3mm deep 6mm",
                                  "wall tail styrene 1mm lined", "toggle tail 1A"});
    const std::string tail = lamps::lampList(tests::factsOf(told));
    EXPECT_NE(tail.find(",7,,3,6,styrene,1,yes,1,1\r"), std::string::npos) << tail;
    const Job dim = jotted(shunter(), {"lamp front white", "resistor front 1k", "dim front 40%"});
    EXPECT_NE(lamps::lampList(tests::factsOf(dim)).find(",,0.4,,,,,,,\r"), std::string::npos);
    const auto state = groupState(job, job.groups[0], {});
    EXPECT_NE(lines[1].find(std::to_string(state->rows[0].current.value()).substr(0, 7)),
              std::string::npos);
}
TEST(LampNetlist, LeavesOutRowsThatAreNotConnectedYet) {
    const Job job =
        jotted(shunter(), {"lamp front white", "parallel front", "resistor front/2 1k"});
    EXPECT_EQ(lamps::lampNetlist(job, job.groups[0], {})->circuit.diodes.size(), 1U);
    const Job none = jotted(shunter(), {"lamp front white"});
    EXPECT_EQ(plain(lamps::lampNetlist(none, none.groups[0], {}).error().what),
              "front lamp has no resistor yet: nothing is connected that could be computed.");
}
TEST(LampNetlist, KeepsATitleThatCouldBeMistakenOutOfTheWay) {
    const Job job = jotted(shunter(), {"name .end", "lamp front white", "resistor front 1k"});
    const auto netlist = lamps::lampNetlist(job, job.groups[0], {});
    EXPECT_TRUE(circuit::readNetlist(circuit::writtenNetlist(*netlist)).faults.empty());
}

}  // namespace
}  // namespace glimmet::core
