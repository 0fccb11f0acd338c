#include "core/work/lamps/lamp_netlist.h"

#include "core/work/lamp_groups.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

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
