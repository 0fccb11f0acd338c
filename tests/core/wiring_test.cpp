// The one wiring: three written out by hand, what holds of any, and lamps solved through it.
#include "core/analysis/wiring/wiring.h"

#include "core/analysis/lamps/lamp_netlist.h"
#include "core/analysis/lamps/what_if.h"
#include "core/analysis/supply.h"
#include "core/analysis/wiring/section_wiring.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wired_circuit.h"
#include "core/circuit/analysis.h"
#include "core/circuit/settling.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <set>
#include <sstream>

namespace glimmet::core {
namespace {

using namespace wiring;
using tests::jotted;
using tests::newJob;
using tests::shunter;
using Lines = std::multiset<std::string>;

/// A line each: "rail left: U1.left D1.black".
Lines netsOf(const Wiring& made) {
    Lines all;
    for (const Net& net : made.nets) {
        std::set<std::string> joins;
        for (const TerminalId& id : net.joins) joins.insert(spelled(id));
        std::string line = net.name + ":";
        for (const std::string& each : joins) line += " " + each;
        all.insert(line);
    }
    return all;
}
/// "U1/axle1.left metal U1.left"
Lines elementsOf(const Wiring& made) {
    constexpr const char* words[] = {"winding", "resistor",  "diode",   "led",
                                     "bulb",    "capacitor", "switch",  "fuse",
                                     "wheel",   "metal",     "contact", "source"};
    Lines all;
    for (const Element& each : made.elements) {
        all.insert(spelled(each.a) + " " + words[static_cast<std::size_t>(each.kind)] + " " +
                   spelled(each.b));
    }
    return all;
}
Lines conductorsOf(const Wiring& made) {
    Lines all;
    for (const Conductor& each : made.conductors) {
        std::string a = spelled(each.from), b = spelled(each.to);
        if (b < a) std::swap(a, b);
        all.insert(a + " - " + b + (each.wire.empty() ? "" : " by " + each.wire));
    }
    return all;
}
/// Everything that is one point, in one line: "L3.minus D1.front L3/1/R.a".
Lines pointsOf(const Wiring& made) {
    const auto point = points(made);
    std::map<std::size_t, std::set<std::string>> all;
    for (std::size_t i = 0; i < point.size(); ++i)
        all[point[i]].insert(spelled(made.terminals[i].id));
    Lines lines;
    for (const auto& [number, ids] : all) {
        std::string line;
        for (const std::string& id : ids) line += (line.empty() ? "" : " ") + id;
        lines.insert(line);
    }
    return lines;
}
Wiring planOf(const Job& job, std::vector<std::string> out = {}) {
    return wiringOf(job, ResistorLeg::Minus, {Stand::Which::Plan, std::move(out)});
}
Wiring foundOf(const Job& job) {
    return wiringOf(job, ResistorLeg::Minus, {Stand::Which::Found, {}});
}

/// Two axles: both wheels of the first collect, of the second the left one.
void twoAxles(Body& body) {
    body.axles.resize(2);
    body.axles[0].collectsLeft = body.axles[0].collectsRight = true;
    body.axles[1].collectsLeft = true;
    body.axles[1].collectsRight = false;
}

// --- by hand ---------------------------------------------------------------------------------

TEST(WiringByHand, AFrameReturnShunterWithADecoderAndTwoLamps) {
    Job job = jotted(newJob("Brim", "dock-shunter"),
                     {"motor can frame-return", "decoder middle", "lamp front white",
                      "resistor front 2k2", "lamp rear red"});
    twoAxles(job.units[0].body);
    job.decoder->part.outputs.resize(2);
    ASSERT_EQ(job.decoder->part.outputs[1].name, "rear");
    const Wiring made = planOf(job);
    EXPECT_EQ(netsOf(made),
              (Lines{"rail right: D1.red U1.right", "rail left: D1.black U1.left",
                     "motor plus: D1.orange M2.plus", "motor minus: D1.grey M2.minus",
                     "common: D1.blue L3.plus L3/1/1.anode L4.plus L4/1/1.anode",
                     "output front: D1.front L3.minus L3/1/R.a", "output rear: D1.rear L4.minus",
                     "L3/1 behind resistor: L3/1/1.cathode L3/1/R.b"}));
    EXPECT_EQ(elementsOf(made),
              (Lines{"rail.left wheel U1/axle1.left", "rail.right wheel U1/axle1.right",
                     "rail.left wheel U1/axle2.left", "rail.right wheel U1/axle2.right",
                     "U1/axle1.left metal U1.left", "U1/axle1.right metal U1.right",
                     "U1/axle2.left metal U1.left", "U1.frame metal U1.right",
                     "M2.plus winding M2.minus", "L3/1/R.a resistor L3/1/R.b",
                     "L3/1/1.anode led L3/1/1.cathode", "L4/1/1.anode led L4/1/1.cathode"}));
    EXPECT_EQ(pointsOf(made),
              (Lines{"D1.black U1.left U1/axle1.left U1/axle2.left rail.left",
                     "D1.red U1.frame U1.right U1/axle1.right U1/axle2.right rail.right",
                     "D1.orange M2.plus", "D1.grey M2.minus",
                     "D1.blue L3.plus L3/1/1.anode L4.plus L4/1/1.anode",
                     "D1.front L3.minus L3/1/R.a", "L3/1/1.cathode L3/1/R.b", "D1.rear L4.minus",
                     "L4/1/1.cathode", "D1.plus", "D1.ground"}));
    EXPECT_EQ(made.parts.size(), 1U);
    EXPECT_TRUE(planOf(job, {"D1"}).parts.empty());
    // A brush that still touches the frame puts the motor on the rail.
    job.units[0].motors[0].isolated = false;
    EXPECT_TRUE(joined(planOf(job), {"M2", "minus"}, {"rail", "right"}));
    EXPECT_FALSE(joined(planOf(job), {"M2", "plus"}, {"rail", "right"}));
    // As it came, the motor lies on both rails.
    EXPECT_TRUE(joined(foundOf(job), {"M2", "plus"}, {"rail", "right"}));
    EXPECT_TRUE(joined(foundOf(job), {"M2", "minus"}, {"rail", "left"}));
}

/// An engine that collects on the right, its tender on the left with the decoder and a reserve.
Job engineAndTender() {
    Job job =
        jotted(newJob("Garth", "dock-shunter"),
               {"motor can", "decoder middle", "unit saloon called tender", "contacts 8",
                "lamp front white", "resistor front 1k", "lamp rear red", "bank chips-3300u-25"});
    job.decoder->part.outputs.resize(2);
    job.decoder->placement = Fitted{job.units[1].id, "roof", {}};
    for (Unit& unit : job.units) {
        const bool engine = &unit == &job.units.front();
        unit.body.axles.resize(1);
        unit.body.axles[0].collectsRight = engine;
        unit.body.axles[0].collectsLeft = !engine;
    }
    job.groups[0].rows[0].lamps[0].fitted.unit = job.units[0].id;
    job.groups[1].rows[0].lamps[0].fitted.unit = job.units[1].id;
    return job;
}
TEST(WiringByHand, AnEngineAndItsTenderOverAnEightContactPlug) {
    const Job job = engineAndTender();
    ASSERT_EQ(job.units[1].id, "U3");
    const Wiring made = planOf(job);
    // Motor, common, the front lamp's output and the right rail cross; the left rail does not.
    EXPECT_EQ(conductorsOf(made),
              (Lines{// in the engine
                     "M2.plus - P1/a.1", "M2.minus - P1/a.2", "L4.plus - L4/1/1.anode",
                     "L4.plus - P1/a.3", "L4.minus - L4/1/R.a", "L4.minus - P1/a.4",
                     "L4/1/1.cathode - L4/1/R.b", "P1/a.5 - U1.right",
                     // in the tender
                     "D1.orange - P1/b.1", "D1.grey - P1/b.2", "D1.blue - P1/b.3",
                     "L5.plus - P1/b.3", "L5/1/1.anode - P1/b.3", "D1.front - P1/b.4",
                     "D1.red - P1/b.5", "D1.black - U3.left", "D1.rear - L5.minus",
                     "D1.plus - K1.plus", "D1.ground - K1.minus"}));
    const auto at = [&](const TerminalId& id) { return made.terminal(id)->unit; };
    EXPECT_EQ(at({"P1/a", "4"}), "U1");
    EXPECT_EQ(at({"P1/b", "4"}), "U3");
    EXPECT_EQ(at({"D1", "red"}), "U3");
    EXPECT_TRUE(joined(made, {"D1", "red"}, {"rail", "right"}));
    // With the plug apart nothing of the engine reaches the tender.
    const Wiring apart = planOf(job, {"P1"});
    for (const char* pin : {"plus", "minus"}) {
        EXPECT_FALSE(
            joined(apart, {"M2", pin}, {"D1", std::string(pin) == "plus" ? "orange" : "grey"}));
    }
    EXPECT_FALSE(joined(apart, {"D1", "red"}, {"rail", "right"}));
    EXPECT_TRUE(joined(apart, {"D1", "black"}, {"rail", "left"}));
    // More circuits than contacts: they are required all the same, and the last have no wire.
    Job narrow = job;
    narrow.couplings[0].contacts = 3;
    EXPECT_EQ(netsOf(planOf(narrow)), netsOf(made));
    EXPECT_TRUE(joined(planOf(narrow), {"D1", "blue"}, {"L4", "plus"}));
    EXPECT_FALSE(joined(planOf(narrow), {"D1", "front"}, {"L4", "minus"}));
    EXPECT_FALSE(joined(planOf(narrow), {"D1", "red"}, {"rail", "right"}));
}

TEST(WiringByHand, ABoardWithTwoSuppliesAStripAndALiftOutBridge) {
    const auto house = [](const char* name) {
        return jotted(newJob(name, "quay-house"),
                      {"supply fixed dc 12V", "lamp loft white", "resistor loft 1k"});
    };
    const Job customs = house("Customs house"), light = house("Light");
    Section board;
    board.name = "Harbour";
    board.supplies = {{"S1", "evening", Volts{12}, Amperes{1}}, {"S2", "signals", Volts{5}}};
    board.strips = {{"T3", 4, {{1, 2}, {3, 4}}}};
    board.plugs = {{"P4", 2, "swing bridge"}};
    board.models = {{"J5", 7}, {"J6", 9}};
    const auto wire = [&](const char* id, TerminalId from, TerminalId to) {
        board.wires.push_back({.id = id, .colour = "red", .from = from, .to = to});
    };
    wire("W7", {"S1", "plus"}, {"T3", "1"});
    wire("W8", {"S1", "minus"}, {"T3", "3"});
    wire("W9", {"T3", "2"}, {"P4/a", "1"});
    wire("W10", {"T3", "4"}, {"P4/a", "2"});
    wire("W11", {"P4/b", "1"}, {"J5/supply", "plus"});
    wire("W12", {"P4/b", "2"}, {"J5/supply", "minus"});
    wire("W13", {"S2", "plus"}, {"J6/supply", "plus"});
    wire("W14", {"S2", "minus"}, {"J6/supply", "minus"});
    const std::map<int, const Job*> jobs{{7, &customs}, {9, &light}};
    const auto as = [&](std::vector<std::string> out) {
        return wiringOf(board, jobs, ResistorLeg::Minus, {Stand::Which::Plan, std::move(out)});
    };
    const Wiring made = as({});
    EXPECT_EQ(pointsOf(made),
              (Lines{"J5/L2.plus J5/L2/1/1.anode J5/supply.plus P4/a.1 P4/b.1 S1.plus T3.1 T3.2",
                     "J5/L2.minus J5/L2/1/R.a J5/supply.minus P4/a.2 P4/b.2 S1.minus T3.3 T3.4",
                     "J5/L2/1/1.cathode J5/L2/1/R.b", "J6/L2/1/1.cathode J6/L2/1/R.b",
                     "J6/L2.plus J6/L2/1/1.anode J6/supply.plus S2.plus",
                     "J6/L2.minus J6/L2/1/R.a J6/supply.minus S2.minus"}));
    EXPECT_EQ(elementsOf(made),
              (Lines{"S1.plus source S1.minus", "S2.plus source S2.minus", "T3.1 metal T3.2",
                     "T3.3 metal T3.4", "P4/a.1 contact P4/b.1", "P4/a.2 contact P4/b.2",
                     "J5/L2/1/R.a resistor J5/L2/1/R.b", "J5/L2/1/1.anode led J5/L2/1/1.cathode",
                     "J6/L2/1/R.a resistor J6/L2/1/R.b", "J6/L2/1/1.anode led J6/L2/1/1.cathode"}));
    EXPECT_TRUE(darkModels(board, made).empty());
    EXPECT_TRUE(suppliesJoined(board, made).empty());
    // Lifted out, what lies beyond the bridge is dark.
    EXPECT_EQ(darkModels(board, as({"P4"})), std::vector<std::string>{"J5"});
    // By hand: (12 V less 2.8 V) through 1 kΩ.
    const auto point = circuit::operatingPoint(circuitOf(made)->circuit);
    ASSERT_TRUE(point.has_value()) << plain(point.error().what);
    EXPECT_NEAR(-point->current[0], 9.2e-3, 0.2e-3);
    // A wire too many joins two supplies at their minus.
    wire("W15", {"S2", "minus"}, {"T3", "4"});
    EXPECT_EQ(suppliesJoined(board, as({})),
              (std::vector<std::pair<std::string, std::string>>{{"S1", "S2"}}));
}

TEST(WiringByHand, WiresOfTheFactoryAreWhatJoinsItAsItCame) {
    const Job job = jotted(newJob("Ruff", "dock-shunter"),
                           {"motor can", "wire red right rail to motor plus", "wire black frame",
                            "wire black left rail to motor minus", "wire grey nothing"});
    EXPECT_EQ(job.wires.size(), 4U);
    EXPECT_EQ(job.wires[3].to, (TerminalId{"U1", nowhere}));
    const Wiring made = foundOf(job);
    EXPECT_EQ(conductorsOf(made), (Lines{"M2.plus - U1.right by W3", "M2.minus - U1.left by W5"}));
    EXPECT_TRUE(joined(made, {"M2", "plus"}, {"rail", "right"}));
    EXPECT_NE(made.terminal({"U1", nowhere}), nullptr);
    // The plan has none of them.
    EXPECT_TRUE(planOf(job).conductors.empty());
    EXPECT_FALSE(joined(planOf(job), {"M2", "plus"}, {"rail", "right"}));
}

// --- a meter ---------------------------------------------------------------------------------

TEST(WiringMeter, ReadsWindingsJointsAndWhatIsOpen) {
    Job job = jotted(shunter(),
                     {"motor insulated", "ohms 11.5R", "lamp front white", "resistor front 1k"});
    const auto ohms = [&](const TerminalId& a, const TerminalId& b, Volts test = Volts{0.3}) {
        return ohmsBetween(planOf(job, {"D1"}), a, b, test).value();
    };
    EXPECT_NEAR(ohms({"D1", "orange"}, {"D1", "grey"})->value(), 11.5, 1e-6);
    EXPECT_EQ(ohms({"D1", "red"}, {"rail", "right"}), Ohms{0});
    EXPECT_FALSE(ohms({"D1", "red"}, {"D1", "black"}));
    EXPECT_FALSE(ohms({"D1", "orange"}, {"U1", "frame"}));
    EXPECT_FALSE(ohms({"D1", "nothing"}, {"U1", "frame"}));
    // A white LED lets nothing through at ohms, its diode test at 3 V lights it one way round.
    EXPECT_FALSE(ohms({"D1", "blue"}, {"D1", "front"}));
    EXPECT_TRUE(ohms({"D1", "blue"}, {"D1", "front"}, Volts{3}).has_value());
    EXPECT_FALSE(ohms({"D1", "front"}, {"D1", "blue"}, Volts{3}));
    job.units[0].motors[0].isolated = false;
    EXPECT_NEAR(ohms({"D1", "orange"}, {"U1", "frame"})->value(), 11.5, 1e-6);
}

// --- lamps through the wiring ----------------------------------------------------------------

Feeding feedingOf(const Job& job, const LampGroup& group, const GroupState& state,
                  const WorkshopRules& house) {
    if (group.output == supplyOutput) return {state.bus, {}, {}, {}, plusOf(group), minusOf(group)};
    const DecoderOutput* output = outputNamed(job, group.output);
    return {state.bus,
            group.output,
            switchVolts(job, house),
            output ? output->series.value_or(Ohms{0}) : Ohms{0},
            {},
            {}};
}
bool isPlain(const Job& job, const LampGroup& group, const GroupState& state) {
    return state.wave == Wave::Steady && !group.driver() && !keepsCurrent(job, group) &&
           !group.oneWay && state.inside == Ohms{0} && !state.pair;
}
/// Through a row, by the lamps of its first place.
Amperes throughRow(const LampGroup& group, std::size_t row, const WiredCircuit& wired,
                   const circuit::Solver& solver) {
    double sum = 0;
    for (std::size_t i = 0; i < group.rows[row].lamps.size(); ++i) {
        if (i > 0 && !group.rows[row].lamps[i].parallel) break;
        const std::string owner = lampOwner(group, row, i);
        const auto led = wired.leds.find(owner);
        if (led != wired.leds.end()) sum += solver.diodeCurrent(led->second);
        const auto bulb = wired.bulbs.find(owner);
        if (bulb != wired.bulbs.end()) sum += solver.onePortCurrent(bulb->second);
    }
    return Amperes{sum};
}
/// Currents of the rows by the wiring and by the rows' own solver; how many were compared.
int compare(const Job& job, const WorkshopRules& house) {
    int compared = 0;
    for (const LampGroup& group : job.groups) {
        const auto state = groupState(job, group, house);
        if (!state || !isPlain(job, group, *state)) continue;
        const auto wired =
            poweredCircuit(wiringOf(job, house.leg, {}), feedingOf(job, group, *state, house));
        if (!wired) continue;
        auto point = circuit::solverFor(wired->circuit);
        EXPECT_TRUE(point.has_value() && point->settleFromAnywhere()) << group.name;
        if (!point) continue;
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            if (!state->rows[r].connected) continue;
            const double expected = state->rows[r].current.value();
            EXPECT_NEAR(throughRow(group, r, *wired, *point).value(), expected,
                        1e-9 * std::abs(expected) + 1e-11)
                << job.name << ", " << group.name << "/" << r + 1;
            ++compared;
        }
        // What is written as a netlist has the same current in its source.
        const auto netlist = lamps::lampNetlist(job, group, house);
        if (!netlist || group.isBulbs()) continue;
        const auto exported = circuit::operatingPoint(netlist->circuit);
        EXPECT_TRUE(exported.has_value());
        if (exported) {
            EXPECT_NEAR(-exported->current[0], state->total.value(),
                        1e-9 * state->total.value() + 1e-11);
        }
    }
    return compared;
}
TEST(WiringLamps, CarryWhatTheRowsSay) {
    WorkshopRules above;
    above.leg = ResistorLeg::Plus;
    const Job lamps =
        jotted(shunter(), {"lamp front white 3.1V 20mA", "resistor front 1k", "parallel front red",
                           "inline front/2 red", "resistor front/2 2k2", "shared front 100",
                           "lamp rear red on rear", "resistor rear none", "output rear 470R",
                           "lamp cab white on 1", "twin cab white", "resistor cab 680",
                           "lamp step amber called step on 1", "resistor cab/2 1k5"});
    EXPECT_EQ(compare(lamps, {}), 5);
    EXPECT_EQ(compare(lamps, above), 5);
    const Job house =
        jotted(newJob("Quay", "quay-house"),
               {"supply fixed dc 12V", "lamp loft white", "resistor loft 1k", "bulb quay 12V 50mA",
                "lamp red called yard", "inline yard red", "resistor yard 330", "toggle yard 1A"});
    EXPECT_EQ(compare(house, {}), 3);
    int kept = 0;
    for (const Job& job : tests::keptJobs()) kept += compare(job, {});
    EXPECT_GE(kept, 6);
}

/// A wiring with a lamp that fails, as edits of its elements.
Wiring failing(Wiring made, lamps::LampFault fault, const std::string& owner) {
    for (Element& each : made.elements) {
        if (each.of != owner) continue;
        switch (fault) {
            case lamps::LampFault::Reversed:
                std::swap(each.a, each.b);
                break;
            case lamps::LampFault::Shorted:
                each = {Element::Kind::Metal, each.a, each.b, owner, {}, {}, {}};
                break;
            case lamps::LampFault::Open:
                each = {Element::Kind::Capacitor, each.a, each.b, owner, {}, {}, {}};
        }
    }
    return made;
}
/// The same through the resistor of a row.
double throughResistor(const LampGroup& group, std::size_t row, const WiredCircuit& wired,
                       const circuit::Solver& solver) {
    const std::string owner = group.id + "/" + std::to_string(row + 1) + "/R";
    const circuit::Resistor& each = wired.circuit.resistors[wired.resistors.at(owner)];
    return std::abs(solver.across(each.a, each.b)) / each.resistance.value();
}
TEST(WiringLamps, WhatIfIsTheSameThroughWiringAndRows) {
    const Job job =
        jotted(shunter(),
               {"lamp front white 3.1V 20mA", "inline front white 3.1V 20mA", "resistor front 470",
                "parallel front red", "resistor front/2 1k", "shared front 150",
                "lamp rear red on rear", "twin rear red", "resistor rear 1k"});
    int compared = 0;
    for (const LampGroup& group : job.groups) {
        const auto state = groupState(job, group, {});
        ASSERT_TRUE(state.has_value());
        for (const lamps::FaultCase& one : lamps::whatIf(job, group, {})) {
            const auto wired =
                poweredCircuit(failing(planOf(job), one.fault, lampOwner(group, one.row, one.lamp)),
                               feedingOf(job, group, *state, {}));
            ASSERT_TRUE(wired.has_value());
            auto solver = circuit::solverFor(wired->circuit);
            ASSERT_TRUE(solver.has_value() && solver->settleFromAnywhere());
            for (std::size_t r = 0; r < group.rows.size(); ++r) {
                if (!one.current[r]) continue;
                const double expected = one.current[r]->value();
                EXPECT_NEAR(throughResistor(group, r, *wired, *solver), expected,
                            1e-9 * expected + 2e-8)  // a LED backwards leaks a little
                    << plain(one.name);
                ++compared;
            }
        }
    }
    EXPECT_GE(compared, 12);
}

TEST(WiringTerminals, AreDescribedSoThatAHandFindsThem) {
    const Job job =
        tests::jotted(tests::shunter(), {"decoder middle", "lamp front white", "resistor front 2k2",
                                         "lamp rear red", "parallel rear red"});
    const auto words = [&](const TerminalId& id) { return plain(described(job, id)); };
    const std::string front = groupNamed(job, "front lamp")->id;
    const std::string rear = groupNamed(job, "rear lamp")->id;
    const Unit& unit = job.units.front();
    EXPECT_EQ(words({"rail", "left"}), "left rail");
    EXPECT_EQ(words({"D1", "blue"}), "decoder, blue");
    EXPECT_EQ(words({unit.motors.front().id, "plus"}), "motor plus");
    EXPECT_EQ(words({unit.id, "frame"}), "frame");
    EXPECT_EQ(words({unit.id + "/axle2", "left"}), "axle2, left rail");
    EXPECT_EQ(words({unit.id, nowhere}), "nothing");
    EXPECT_EQ(words({front, "plus"}), "front lamp, plus");
    EXPECT_EQ(words({front + "/1/1", "anode"}), "front lamp, anode");
    EXPECT_EQ(words({front + "/1/R", "a"}), "front lamp, resistor");
    EXPECT_EQ(words({rear + "/2/1", "anode"}), "rear lamp 2/1, anode");
    EXPECT_EQ(words({rear + "/2/R", "b"}), "rear lamp 2, resistor");
    const Job train = engineAndTender();
    EXPECT_EQ(plain(described(train, {train.units[1].id, "frame"})),
              "frame of " + unitCalled(train, 1));
}

}  // namespace
}  // namespace glimmet::core
