// The contracts of districts, lighting buses, speed tables and function maps (docs/cli.md).
#include "core/led/led.h"
#include "support/reckoned.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <cmath>

namespace glimmet::cli {
namespace {

using nlohmann::json;
using namespace tests;

const json districtIn = json::parse(R"({"rating_A":3,"derate":0.8,"trip_A":3.5,"vehicles":[
  {"name":"a","running_A":0.3,"slip_A":0.6,"lamps_A":0.04,"sound_A":0.05,"charge_A":0.13}]})");

TEST(ReckonDistrict, AddsUpRunningWorstAndSurge) {
    const json one = answer("district", districtIn);
    EXPECT_NEAR(one["running_A"], 0.39, 1e-12);
    EXPECT_NEAR(one["worst_A"], 0.69, 1e-12);
    EXPECT_NEAR(one["surge_A"], 0.22, 1e-12);
    EXPECT_NEAR(one["room_for_A"], 2.4 - 0.39, 1e-12);
    EXPECT_EQ(one["state"], "fine");
    // Only the one that takes most more slips; one that takes less slipping adds nothing.
    json two = districtIn;
    two["vehicles"].push_back(two["vehicles"][0]);
    two["vehicles"][1]["slip_A"] = 0.9;
    EXPECT_NEAR(answer("district", two)["worst_A"], 0.78 + 0.6, 1e-12);
    EXPECT_NEAR(answer("district", with(districtIn, "/vehicles/0/slip_A", 0.1))["worst_A"], 0.39,
                1e-12);
}
TEST(ReckonDistrict, IsCloseAndOverByRunningOrSurge) {
    const auto state = [](const char* pointer, double value) {
        return answer("district", with(districtIn, pointer, value))["state"];
    };
    // 2.4 A usable; 85 % of it is 2.04 A. 0.09 A are lamps and sound.
    EXPECT_EQ(state("/vehicles/0/running_A", 1.94), "fine");
    EXPECT_EQ(state("/vehicles/0/running_A", 1.96), "close");
    EXPECT_EQ(state("/vehicles/0/running_A", 2.32), "over");
    EXPECT_LT(answer("district", with(districtIn, "/vehicles/0/running_A", 2.32))["room_for_A"], 0);
    // The surge against 3.5 A, 85 % of which is 2.975 A.
    EXPECT_EQ(state("/vehicles/0/charge_A", 2.88), "fine");
    EXPECT_EQ(state("/vehicles/0/charge_A", 2.89), "close");
    EXPECT_EQ(state("/vehicles/0/charge_A", 3.42), "over");
    // Slipping is told and trips nothing.
    EXPECT_EQ(state("/vehicles/0/slip_A", 9), "fine");
    EXPECT_NEAR(answer("district", with(districtIn, "/vehicles", json::array()))["room_for_A"], 2.4,
                1e-12);
}
TEST(ReckonDistrict, NamesWhatIsFaulty) {
    for (const char* field : {"/rating_A", "/derate", "/trip_A"}) {
        EXPECT_EQ(placesOfFaults("district", with(districtIn, field, 0)), Places{field});
        EXPECT_EQ(placesOfFaults("district", without(districtIn, field)), Places{field});
    }
    EXPECT_EQ(placesOfFaults("district", with(districtIn, "/derate", 1.1)), Places{"/derate"});
    EXPECT_EQ(placesOfFaults("district", with(districtIn, "/vehicles/0/lamps_A", -1)),
              Places{"/vehicles/0/lamps_A"});
    EXPECT_EQ(placesOfFaults("district", without(districtIn, "/vehicles/0/charge_A")),
              Places{"/vehicles/0/charge_A"});
    EXPECT_EQ(placesOfFaults("district", with(districtIn, "/vehicles/0/weight", 1)),
              Places{"/vehicles/0/weight"});
}

const json busIn = json::parse(R"({"supply":{"volts_V":12,"limit_A":1.0,"source_ohm":0.1},
  "start":"board","runs":[{"from":"board","to":"a","awg":24,"length_mm":1500},
  {"from":"a","to":"b","awg":28,"length_mm":900}],
  "lamps":[{"at":"a","leds":[{"family":"white","vf_V":3.1,"at_A":0.02}],"resistor_ohm":1000,"count":6},
  {"at":"b","bulb":{"volts_V":12,"amps_A":0.05}}]})");
const json bulbIn = json::parse(R"({"supply":{"volts_V":12,"limit_A":1.0,"source_ohm":0.5},
  "start":"s","runs":[{"from":"s","to":"a","awg":28,"length_mm":2000}],
  "lamps":[{"at":"a","bulb":{"volts_V":12,"amps_A":0.5}}]})");

TEST(ReckonBus, AgreesWithOhm) {
    // Two conductors of 2 m of 28 AWG: 0.852 Ω, and 0.5 Ω of the supply before a bulb of 24 Ω.
    const json out = answer("bus", bulbIn);
    const double amps = 12 / (0.5 + 2 * 2 * 0.213 + 24);
    EXPECT_NEAR(out["supply_A"], amps, 1e-9);
    EXPECT_NEAR(out["run_A"][0], amps, 1e-9);
    EXPECT_NEAR(out["lamp_A"][0], amps, 1e-9);
    EXPECT_NEAR(out["lamp_V"][0], amps * 24, 1e-9);
    EXPECT_NEAR(out["points"]["a"]["volts_V"], amps * 24, 1e-9);
    EXPECT_NEAR(out["points"]["s"]["volts_V"], 12 - amps * 0.5, 1e-9);
    EXPECT_NEAR(out["worst_drop_fraction"], 1 - amps * 2, 1e-9);
    // A second run beside it halves it, and a ring of two ways is the same.
    json beside = bulbIn;
    beside["runs"].push_back(beside["runs"][0]);
    EXPECT_NEAR(answer("bus", beside)["supply_A"], 12 / (0.5 + 0.426 + 24), 1e-9);
    json ring = bulbIn;
    ring["runs"].push_back(json::parse(R"({"from":"a","to":"m","awg":28,"length_mm":1500})"));
    ring["runs"].push_back(json::parse(R"({"from":"m","to":"s","awg":28,"length_mm":500})"));
    const json round = answer("bus", ring);
    EXPECT_NEAR(round["supply_A"], 12 / (0.5 + 0.426 + 24), 1e-9);
    EXPECT_NEAR(round["run_A"][1], -round["run_A"][0].get<double>(), 1e-9);  // from b to the start
}
TEST(ReckonBus, AgreesWithTheLawOfItsLeds) {
    const json out = answer("bus", busIn);
    const double amps = out["lamp_A"][0];
    const auto law =
        *core::ledLawThrough({core::Volts{3.1}, core::Amperes{0.02}}, 2.9, core::Ohms{12});
    EXPECT_NEAR(out["lamp_V"][0], amps * 1000 + law.voltage(core::Amperes{amps}).value(), 1e-6);
    EXPECT_NEAR(out["run_A"][0], 6 * amps + out["lamp_A"][1].get<double>(), 1e-9);
    EXPECT_NEAR(out["supply_A"], out["run_A"][0], 1e-9);
    EXPECT_EQ(out["state"], "fine");
    // Six equal lamps are six entries of one.
    json each = busIn;
    each["lamps"].erase(0);
    json lamp = busIn["lamps"][0];
    lamp["count"] = 1;
    for (int i = 0; i < 6; ++i) each["lamps"].push_back(lamp);
    const json six = answer("bus", each);
    EXPECT_NEAR(six["supply_A"], out["supply_A"], 1e-9);
    EXPECT_NEAR(six["lamp_A"][3], amps, 1e-9);
}
TEST(ReckonBus, IsJudgedByLampsRunsSupplyAndDrop) {
    const auto state = [](const json& in) { return answer("bus", in)["state"]; };
    EXPECT_EQ(state(with(busIn, "/supply/limit_A", 0.1041)), "close");
    EXPECT_EQ(state(with(busIn, "/supply/limit_A", 0.104)), "over");
    EXPECT_EQ(state(with(busIn, "/lamps/0/leds/0/max_A", 0.01)), "close");
    EXPECT_EQ(state(with(busIn, "/lamps/0/leds/0/max_A", 0.009)), "over");
    EXPECT_EQ(state(with(busIn, "/runs/1/awg", 40)), "close");  // 49.6 mA of 50 mA
    EXPECT_EQ(state(with(with(busIn, "/runs/1/awg", 40), "/lamps/1/bulb/amps_A", 0.06)), "over");
    EXPECT_EQ(state(with(bulbIn, "/supply/source_ohm", 0)), "close");  // 3.4 % along the run
    EXPECT_EQ(state(with(with(bulbIn, "/supply/source_ohm", 0), "/runs/0/length_mm", 1500)),
              "fine");
}
TEST(ReckonBus, NamesWhatIsFaulty) {
    EXPECT_EQ(placesOfFaults("bus", with(busIn, "/lamps/1/at", "nowhere")), Places{"/lamps/1/at"});
    EXPECT_EQ(placesOfFaults("bus", with(busIn, "/lamps", json::array())), Places{"/lamps"});
    EXPECT_EQ(placesOfFaults("bus", with(busIn, "/runs/0/awg", 25)), Places{"/runs/0/awg"});
    EXPECT_EQ(placesOfFaults("bus", with(busIn, "/runs/0/to", "board")), Places{"/runs/0/to"});
    EXPECT_EQ(placesOfFaults("bus", with(busIn, "/runs/0/length_mm", 0)),
              Places{"/runs/0/length_mm"});
    EXPECT_EQ(placesOfFaults("bus", with(busIn, "/supply/volts_V", 0)), Places{"/supply/volts_V"});
    EXPECT_EQ(placesOfFaults("bus", without(busIn, "/supply/limit_A")), Places{"/supply/limit_A"});
    EXPECT_EQ(placesOfFaults("bus", without(busIn, "/lamps/0/resistor_ohm")),
              Places{"/lamps/0/resistor_ohm"});
    EXPECT_EQ(placesOfFaults("bus", with(busIn, "/lamps/0/count", 0)), Places{"/lamps/0/count"});
    EXPECT_EQ(placesOfFaults("bus", with(busIn, "/lamps/1/leds", json::array())),
              Places{"/lamps/1/leds"});
    EXPECT_EQ(placesOfFaults("bus", without(busIn, "/lamps/0/leds/0/at_A")),
              Places{"/lamps/0/leds/0/at_A"});
    // A run that hangs on nothing carries nothing and is no fault.
    json stray = busIn;
    stray["runs"].push_back(json::parse(R"({"from":"x","to":"y","awg":28,"length_mm":100})"));
    EXPECT_EQ(answer("bus", stray)["run_A"][2], 0);
}

TEST(ReckonSpeedTable, GoesStraightAndRoundsHalvesUp) {
    const json out = answer("speed-table", json::parse(R"({"cv2":6,"cv6":90,"cv5":200})"));
    ASSERT_EQ(out["table"].size(), 28U);
    EXPECT_EQ(out["table"][0], 6);
    EXPECT_EQ(out["table"][13], 90);
    EXPECT_EQ(out["table"][27], 200);
    EXPECT_EQ(out["table"][1], 12);   // 6 + 84/13 = 12.46
    EXPECT_EQ(out["table"][14], 98);  // 90 + 110/14 = 97.86
    EXPECT_EQ(out["CV"]["67"], 6);
    EXPECT_EQ(out["CV"]["94"], 200);
    EXPECT_EQ(out["CV"].size(), 28U);
    // Halves: 0 to 13 over 26 steps is a half each, then straight; falling tables too.
    const json halves =
        answer("speed-table", json::parse(R"({"points":[[1,0],[27,13],[28,255]]})"));
    EXPECT_EQ(halves["table"][1], 1);
    EXPECT_EQ(halves["table"][2], 1);
    EXPECT_EQ(halves["table"][3], 2);
    const json falling = answer("speed-table", json::parse(R"({"points":[[1,27],[28,0]]})"));
    EXPECT_EQ(falling["table"][1], 26);
    const json down = answer("speed-table", json::parse(R"({"points":[[1,1],[3,0],[28,0]]})"));
    EXPECT_EQ(down["table"][1], 1);  // a half, up
}
TEST(ReckonSpeedTable, NamesWhatIsFaulty) {
    const auto points = [](const char* list) {
        return placesOfFaults("speed-table", json{{"points", json::parse(list)}});
    };
    EXPECT_EQ(points("[[2,0],[28,9]]"), Places{"/points"});
    EXPECT_EQ(points("[[1,0],[27,9]]"), Places{"/points"});
    EXPECT_EQ(points("[[1,0],[9,4],[9,5],[28,9]]"), Places{"/points"});
    EXPECT_EQ(points("[[1,0],[28,256]]"), Places{"/points/1"});
    EXPECT_EQ(points("[[1,0.5],[28,25]]"), Places{"/points/0"});
    EXPECT_EQ(points("[[1,0,0],[28,25]]"), Places{"/points/0"});
    EXPECT_EQ(placesOfFaults("speed-table", json::parse(R"({"cv2":6,"cv6":90})")), Places{"/cv5"});
    EXPECT_EQ(placesOfFaults("speed-table", json::parse(R"({"cv2":-1,"cv6":90,"cv5":200})")),
              Places{"/cv2"});
    EXPECT_EQ(placesOfFaults("speed-table", json::parse(R"({"cv2":1,"points":[[1,0],[28,9]]})")),
              Places{"/cv2"});
}

TEST(ReckonFunctionMap, SetsABitForEachOutput) {
    const json out = answer(
        "function-map", json::parse(R"({"keys":{"F0f":[1],"F0r":[2],"F1":[3],"F2":[3,5]}})"))["CV"];
    EXPECT_EQ(out.size(), 14U);
    EXPECT_EQ(out["33"], 1);
    EXPECT_EQ(out["34"], 2);
    EXPECT_EQ(out["35"], 4);
    EXPECT_EQ(out["36"], 20);
    for (int cv = 37; cv <= 46; ++cv) EXPECT_EQ(out[std::to_string(cv)], 0) << cv;
    // The first and last that each group reaches.
    const json wide = answer("function-map", json::parse(R"({"keys":{"F3":[1,8],"F4":[4,11],
        "F8":[4,11],"F9":[7,14],"F12":[7,14]}})"))["CV"];
    EXPECT_EQ(wide["37"], 129);
    EXPECT_EQ(wide["38"], 129);
    EXPECT_EQ(wide["42"], 129);
    EXPECT_EQ(wide["43"], 129);
    EXPECT_EQ(wide["46"], 129);
}
TEST(ReckonFunctionMap, SaysWhichOutputsAKeyReaches) {
    const auto far = calculated("function-map", R"({"keys":{"F5":[3]}})").faults;
    ASSERT_EQ(far.size(), 1U);
    EXPECT_EQ(far[0].place, "/keys/F5");
    EXPECT_NE(store::sentence(far[0]).find("outputs 4 to 11"), std::string::npos);
    EXPECT_EQ(placesOfFaults("function-map", json::parse(R"({"keys":{"F3":[9]}})")),
              Places{"/keys/F3"});
    EXPECT_EQ(placesOfFaults("function-map", json::parse(R"({"keys":{"F9":[6]}})")),
              Places{"/keys/F9"});
    EXPECT_EQ(placesOfFaults("function-map", json::parse(R"({"keys":{"F13":[7]}})")),
              Places{"/keys/F13"});
    EXPECT_EQ(placesOfFaults("function-map", json::parse(R"({"keys":{"F1":[0]}})")),
              Places{"/keys/F1/0"});
    EXPECT_EQ(placesOfFaults("function-map", json::parse(R"({"keys":{"F1":1}})")),
              Places{"/keys/F1"});
    EXPECT_EQ(placesOfFaults("function-map", json::parse("{}")), Places{"/keys"});
}

}  // namespace
}  // namespace glimmet::cli
