#include "support/reckoned.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <cmath>

namespace glimmet::cli {
namespace {

using nlohmann::json;
using namespace tests;

const json lampIn = json::parse(R"({"supply":{"kind":"dcc","volts_V":14.5,"rectifier_V":1.2},
  "output":{"switch_V":0.1,"series_ohm":0},
  "strings":[{"leds":[{"family":"white","vf_V":3.1,"at_A":0.02}],"resistor_ohm":null}],
  "shared_resistor_ohm":0,"target_A":0.005,"series":"E12","policy":"higher"})");
const json motorIn = json::parse(R"({"track_V":14.5,"rectifier_V":1.2,"bridge_V":0.4,
  "readings":[{"condition":"stalled","volts_V":12,"amps_A":1.3},
              {"condition":"slipping","volts_V":12,"amps_A":0.6},
              {"condition":"light","volts_V":12,"amps_A":0.25}],
  "winding_ohm":null,"decoder":{"continuous_A":1.0,"peak_A":1.8},"rule":"slip","close_margin":0.15})");
const json settingsIn = json::parse(
    R"({"address":3107,"direction":"normal","speed_steps":128,"plain_dc":false,"speed_table":false})");
const json momentumIn = json::parse(R"({"cv3":40,"cv4":25,"top_kmh":60,"scale":87})");
const json wireIn =
    json::parse(R"({"awg":30,"length_mm":250,"amps_A":0.3,"volts_V":13,"there_and_back":true})");

const json stayAliveIn = json::parse(R"({"bus_V":13.2,"capacitance_F":0.0015,"diode_V":0.35,
  "charge_ohm":100,"minimum_V":5,"loads":[{"kind":"power","watts_W":0.66},
  {"kind":"current","amps_A":0.02},{"kind":"resistive","ohm":2000},
  {"kind":"lamp","forward_V":2.8,"ohm":2200,"count":4}]})");
const json crossingIn = json::parse(R"({"scale":87,"speed_kmh":20,
  "axles":[{"x_mm":0,"left":true,"right":false},{"x_mm":24,"left":true,"right":true}],
  "dead":[{"rail":"left","from_mm":0,"to_mm":28}]})");

// The rounded figures of the contract.
TEST(ReckonLamp, AgreesWithTheExample) {
    const json out = answer("lamp", lampIn);
    EXPECT_EQ(out["resistors_ohm"], json::array({2200}));
    EXPECT_NEAR(out["ideal_ohm"][0], 2076.8, 0.05);
    EXPECT_NEAR(out["string_A"][0], 0.004723, 5e-7);
    EXPECT_NEAR(out["led_V"][0][0], 2.808, 5e-4);
    EXPECT_NEAR(out["resistor_W"][0], 0.04908, 5e-6);
    EXPECT_NEAR(out["output_A"], 0.004723, 5e-7);
    EXPECT_EQ(out["verdict"], "fine");
    // 0.1 mA: 2.9·Vt·ln(1e-4/Is) + 0.1 mA·(12 + 2200) Ω + 1.3 V, by hand from Is of the point.
    const double vt = 0.0258649;
    const double threshold = 3.1 - 0.02 * 12 - 2.9 * vt * std::log(0.02 / 1e-4) + 1e-4 * 2212 + 1.3;
    EXPECT_NEAR(out["glow_from_V"], threshold, 1e-4);
}
TEST(ReckonLamp, HasTheDefaultsOfTheContract) {
    json in = lampIn;
    for (const char* key : {"output", "shared_resistor_ohm", "series", "policy"}) in.erase(key);
    EXPECT_EQ(answer("lamp", in), answer("lamp", lampIn));
    in["supply"] = {{"kind", "dc"}, {"volts_V", 13.3}};
    EXPECT_NEAR(answer("lamp", in)["output_A"], 0.004723, 5e-7);
}
TEST(ReckonLamp, ChoosesEveryStringAsIfAllCarriedTheTarget) {
    json in = lampIn;
    in["strings"].push_back(json::parse(R"({"leds":[{"family":"red"}],"resistor_ohm":null})"));
    in["strings"].push_back(json::parse(R"({"leds":[{"family":"red"}],"resistor_ohm":4700})"));
    in["shared_resistor_ohm"] = 100;
    const json out = answer("lamp", in);
    EXPECT_NEAR(out["ideal_ohm"][0], 2076.8 - 300, 0.05);  // 3 strings · 100 Ω
    EXPECT_TRUE(out["ideal_ohm"][2].is_null());
    EXPECT_EQ(out["resistors_ohm"][2], 4700);
    double sum = 0;
    for (const json& amps : out["string_A"]) sum += amps.get<double>();
    EXPECT_NEAR(sum, out["output_A"], 1e-15);
}
TEST(ReckonLamp, SaysWhyAStringCannotBeServed) {
    json in = lampIn;
    in["supply"]["volts_V"] = 4;
    const json out = answer("lamp", in);
    EXPECT_TRUE(out["ideal_ohm"][0].is_null());
    EXPECT_EQ(out["resistors_ohm"][0], 0);
    EXPECT_EQ(out["verdict"], "over");
    EXPECT_TRUE(out.contains("why"));
    in["supply"]["volts_V"] = 1.2;
    const json dark = answer("lamp", in);
    EXPECT_EQ(dark["output_A"], 0);
    EXPECT_EQ(dark["verdict"], "over");
}
TEST(ReckonLamp, JudgesTheWorstLedAgainstItsLimit) {
    EXPECT_EQ(answer("lamp", with(lampIn, "/strings/0/leds/0/max_A", 0.005))["verdict"], "close");
    EXPECT_EQ(answer("lamp", with(lampIn, "/strings/0/leds/0/max_A", 0.0047))["verdict"], "over");
    EXPECT_EQ(answer("lamp", with(lampIn, "/strings/0/resistor_ohm", 0))["verdict"], "over");
}
TEST(ReckonLamp, NamesEachFault) {
    EXPECT_EQ(placesOfFaults("lamp", with(lampIn, "/strings", json::array())), Places{"/strings"});
    EXPECT_EQ(placesOfFaults("lamp", with(lampIn, "/strings/0/leds", json::array())),
              Places{"/strings/0/leds"});
    EXPECT_EQ(placesOfFaults("lamp", with(lampIn, "/strings/0/resistor_ohm", -1)),
              Places{"/strings/0/resistor_ohm"});
    EXPECT_EQ(placesOfFaults("lamp", without(lampIn, "/strings/0/resistor_ohm")),
              Places{"/strings/0/resistor_ohm"});
    EXPECT_EQ(placesOfFaults("lamp", without(lampIn, "/strings/0/leds/0/at_A")),
              Places{"/strings/0/leds/0/at_A"});
    EXPECT_EQ(placesOfFaults("lamp", without(lampIn, "/strings/0/leds/0/vf_V")),
              Places{"/strings/0/leds/0/vf_V"});
    EXPECT_EQ(placesOfFaults("lamp", with(lampIn, "/strings/0/leds/0/family", "pink")),
              Places{"/strings/0/leds/0/family"});
    EXPECT_EQ(placesOfFaults("lamp", with(lampIn, "/strings/0/leds/0/rs_ohm", 200)),
              Places{"/strings/0/leds/0/vf_V"});
    EXPECT_EQ(placesOfFaults("lamp", without(lampIn, "/supply/rectifier_V")),
              Places{"/supply/rectifier_V"});
    EXPECT_EQ(placesOfFaults("lamp", without(lampIn, "/target_A")), Places{"/target_A"});
    EXPECT_EQ(placesOfFaults("lamp", with(lampIn, "/target_A", 0)), Places{"/target_A"});
    EXPECT_EQ(placesOfFaults("lamp", with(lampIn, "/series", "E13")), Places{"/series"});
    EXPECT_EQ(placesOfFaults("lamp", with(lampIn, "/colour", "red")), Places{"/colour"});
    EXPECT_EQ(placesOfFaults("lamp", with(lampIn, "/output/series_ohm", -5)),
              Places{"/output/series_ohm"});
}

TEST(ReckonMotor, AgreesWithTheExample) {
    const json out = answer("motor", motorIn);
    EXPECT_NEAR(out["path_ohm"], 9.2308, 5e-5);
    EXPECT_NEAR(out["stall_A"], 1.3975, 1e-12);
    EXPECT_EQ(out["running_A"], 0.25);
    EXPECT_EQ(
        out["demands"][0],
        json::parse(
            R"({"what":"slip","demand_A":0.6,"limit":"continuous","limit_A":1.0,"state":"fine"})"));
    EXPECT_EQ(out["demands"][1]["limit"], "peak");
    EXPECT_EQ(out["verdict"], "fine");
}
TEST(ReckonMotor, AnswersAskAndNullWhereNothingWasRead) {
    const json out = answer("motor", with(motorIn, "/readings", json::array()));
    for (const char* key : {"path_ohm", "stall_A", "slip_A", "running_A"})
        EXPECT_TRUE(out[key].is_null());
    EXPECT_EQ(out["demands"][0]["state"], "ask");
    EXPECT_TRUE(out["demands"][0]["needs"].is_string());
    EXPECT_TRUE(out["demands"][0]["demand_A"].is_null());
    EXPECT_EQ(out["verdict"], "ask");
}
TEST(ReckonMotor, KeepsTheRunningCurrentUnmultiplied) {
    const json out = answer("motor", with(motorIn, "/rule", "running"));
    EXPECT_EQ(out["running_A"], 0.25);
    EXPECT_EQ(
        out["demands"],
        json::parse(
            R"([{"what":"running","demand_A":0.3125,"limit":"continuous","limit_A":1.0,"state":"fine"}])"));
}
TEST(ReckonMotor, NamesEachFault) {
    EXPECT_EQ(placesOfFaults("motor", without(motorIn, "/readings")), Places{"/readings"});
    EXPECT_EQ(placesOfFaults("motor", with(motorIn, "/readings/1/amps_A", 0)),
              Places{"/readings/1/amps_A"});
    EXPECT_EQ(placesOfFaults("motor", with(motorIn, "/readings/0/condition", "asleep")),
              Places{"/readings/0/condition"});
    EXPECT_EQ(placesOfFaults("motor", with(motorIn, "/winding_ohm", -9)), Places{"/winding_ohm"});
    EXPECT_EQ(placesOfFaults("motor", without(motorIn, "/decoder/peak_A")),
              Places{"/decoder/peak_A"});
    EXPECT_EQ(placesOfFaults("motor", with(motorIn, "/rule", "brave")), Places{"/rule"});
    EXPECT_EQ(placesOfFaults("motor", with(motorIn, "/close_margin", 2)), Places{"/close_margin"});
}

TEST(ReckonSettings, AgreesWithTheExampleAndTheOtherForms) {
    EXPECT_EQ(answer("settings", settingsIn), json::parse(R"({"CV":{"17":204,"18":35,"29":34}})"));
    EXPECT_EQ(answer("settings", with(settingsIn, "/address", 3)),
              json::parse(R"({"CV":{"1":3,"29":2}})"));
    EXPECT_EQ(answer("settings", with(with(settingsIn, "/address", 3), "/long", true)),
              json::parse(R"({"CV":{"17":192,"18":3,"29":34}})"));
}
TEST(ReckonSettings, NamesEachFault) {
    EXPECT_EQ(placesOfFaults("settings", with(settingsIn, "/long", false)), Places{"/long"});
    EXPECT_EQ(placesOfFaults("settings", with(settingsIn, "/address", 10240)), Places{"/address"});
    EXPECT_EQ(placesOfFaults("settings", with(settingsIn, "/address", 3.5)), Places{"/address"});
    EXPECT_EQ(placesOfFaults("settings", with(settingsIn, "/speed_steps", 27)),
              Places{"/speed_steps"});
    EXPECT_EQ(placesOfFaults("settings", with(settingsIn, "/horn", 1)), Places{"/horn"});
    EXPECT_EQ(placesOfFaults("settings", without(settingsIn, "/plain_dc")), Places{"/plain_dc"});
    EXPECT_EQ(placesOfFaults("settings", with(settingsIn, "/plain_dc", 1)), Places{"/plain_dc"});
}
TEST(ReckonMomentum, AgreesWithTheExample) {
    const json out = answer("momentum", momentumIn);
    EXPECT_NEAR(out["start_s"], 35.84, 1e-12);
    EXPECT_NEAR(out["stop_s"], 22.4, 1e-12);
    EXPECT_NEAR(out["stop_mm"], 60 / 3.6 * 1000 / 87 * 22.4 / 2, 1e-9);
    EXPECT_EQ(placesOfFaults("momentum", with(momentumIn, "/cv3", 256)), Places{"/cv3"});
    EXPECT_EQ(placesOfFaults("momentum", with(momentumIn, "/scale", 0)), Places{"/scale"});
}
TEST(ReckonWire, AgreesWithTheTable) {
    const json out = answer("wire", wireIn);
    EXPECT_NEAR(out["ohm"], 0.1695, 1e-12);
    EXPECT_NEAR(out["drop_fraction"], 0.05085 / 13, 1e-12);
    EXPECT_EQ(out["limit_A"], 0.5);
    EXPECT_EQ(out["state"], "fine");
    EXPECT_EQ(answer("wire", with(wireIn, "/amps_A", 0.45))["state"], "close");
    EXPECT_EQ(answer("wire", with(wireIn, "/amps_A", 0.51))["state"], "over");
    EXPECT_EQ(placesOfFaults("wire", with(wireIn, "/awg", 31)), Places{"/awg"});
    EXPECT_EQ(placesOfFaults("wire", with(wireIn, "/volts_V", 0)), Places{"/volts_V"});
}

// More than the supply cannot drop along a wire, however little current that is for its gauge.
TEST(ReckonWire, DropsNoMoreThanThereIs) {
    json in = with(wireIn, "/volts_V", 0.01);
    EXPECT_EQ(answer("wire", in)["state"], "over");
    EXPECT_NEAR(answer("wire", in)["drop_fraction"], 5.085, 1e-9);
    in["volts_V"] = 0.0509;  // just above the 0.05085 V that drop
    EXPECT_EQ(answer("wire", in)["state"], "fine");
}
TEST(Reckon, SaysThatAnAnswerIsBeyondAnyNumberInsteadOfNull) {
    EXPECT_EQ(placesOfFaults("wire", with(wireIn, "/length_mm", 1e308)), Places{});
    const Calculated beyond = calculated(
        "wire",
        json::array({wireIn, with(with(wireIn, "/length_mm", 1e308), "/amps_A", 1e300)}).dump());
    ASSERT_EQ(beyond.faults.size(), 1U);
    EXPECT_EQ(store::sentence(beyond.faults[0]),
              "/1: found values that make drop_V larger than any number, allowed: values nearer to "
              "those of a model");
    EXPECT_EQ(beyond.json, "");
    // A null that means something stays: there is no ideal resistor for a supply too low.
    json low = lampIn;
    low["supply"]["volts_V"] = 2;
    EXPECT_TRUE(answer("lamp", low)["ideal_ohm"][0].is_null());
}
TEST(Reckon, NamesTheMissingFieldAndWhatIsAllowed) {
    const auto complaint = [](std::string_view kind, const json& in) {
        const Calculated result = calculated(kind, in.dump());
        return result.faults.empty() ? "" : store::sentence(result.faults[0]);
    };
    EXPECT_EQ(complaint("settings", without(settingsIn, "/direction")),
              "/direction: found nothing, allowed: \"normal\", \"reversed\"");
    EXPECT_EQ(complaint("lamp", with(lampIn, "/series", "E13")),
              "/series: found \"E13\", allowed: \"E6\", \"E12\", \"E24\", \"E96\"");
    EXPECT_EQ(complaint("lamp", with(lampIn, "/series", 12)),
              "/series: found 12, allowed: \"E6\", \"E12\", \"E24\", \"E96\"");
    EXPECT_EQ(complaint("motor", without(motorIn, "/rule")),
              "/rule: found nothing, allowed: \"strict\", \"slip\", \"running\"");
    EXPECT_EQ(complaint("lamp", without(lampIn, "/strings/0/leds/0/family")).find("400 bytes"),
              std::string::npos);
}
TEST(Reckon, AnswersAListWithAList) {
    const json out = answer("wire", json::array({wireIn, with(wireIn, "/awg", 28)}));
    ASSERT_EQ(out.size(), 2U);
    EXPECT_EQ(out[1]["limit_A"], 0.8);
    EXPECT_EQ(answer("wire", json::array()), json::array());
}
TEST(Reckon, ComputesNothingOfAListWithOneFault) {
    EXPECT_EQ(placesOfFaults("wire", json::array({wireIn, with(wireIn, "/awg", 1)})),
              Places{"/1/awg"});
}
TEST(Reckon, RefusesWhatIsNoObject) {
    EXPECT_EQ(placesOfFaults("wire", 5).at(0), "/");
    EXPECT_FALSE(calculated("wire", "{").faults.empty());
    EXPECT_FALSE(calculated("wire", R"({"awg": NaN})").faults.empty());
}

TEST(ReckonStayAlive, HoldsTheLoadsOfTheExample) {
    json out = answer("stay-alive", stayAliveIn);
    EXPECT_NEAR(out["hold_s"], 0.10445989969927, 1e-12);  // Runge–Kutta in steps of 1 µs
    EXPECT_NEAR(out["charge_peak_A"], 0.132, 1e-15);
    EXPECT_NEAR(out["charge_tau_s"], 0.15, 1e-15);
    EXPECT_NEAR(out["charge_energy_J"], 0.13068, 1e-15);
    EXPECT_FALSE(out.contains("trace"));
    EXPECT_FALSE(out.contains("why"));
    out = answer("stay-alive", with(stayAliveIn, "/trace", true));
    EXPECT_EQ(out["trace"]["time_s"][0], 0);
    EXPECT_NEAR(out["trace"]["bus_V"][0], 12.85, 1e-12);
    EXPECT_EQ(out["trace"]["time_s"].back(), out["hold_s"]);
    EXPECT_EQ(out["trace"]["bus_V"].back(), 5);
    EXPECT_EQ(out["trace"]["time_s"].size(), out["trace"]["bus_V"].size());
    // One lamp is meant where no count is given.
    json four = stayAliveIn;
    four["loads"].erase(3);
    for (int i = 0; i < 4; ++i) {
        four["loads"].push_back(json::parse(R"({"kind":"lamp","forward_V":2.8,"ohm":2200})"));
    }
    EXPECT_NEAR(answer("stay-alive", four)["hold_s"], 0.10445989969927, 1e-12);
}
TEST(ReckonStayAlive, SaysWhyItNeverEndsAndWhenItEndsAtOnce) {
    const json lamp =
        with(stayAliveIn, "/loads", json::parse(R"([{"kind":"lamp","forward_V":6,"ohm":1000}])"));
    const json out = answer("stay-alive", with(lamp, "/trace", true));
    EXPECT_TRUE(out["hold_s"].is_null());
    EXPECT_EQ(out["why"], "the loads stop drawing at 6.0 V, so the bus never falls to 5.0 V");
    EXPECT_TRUE(out["trace"]["time_s"].empty());
    EXPECT_EQ(answer("stay-alive", with(stayAliveIn, "/minimum_V", 12.85))["hold_s"], 0);
    EXPECT_EQ(answer("stay-alive", with(stayAliveIn, "/minimum_V", 20))["hold_s"], 0);
}
TEST(ReckonStayAlive, NamesWhatIsFaulty) {
    const auto places = [](const char* pointer, const json& value) {
        return placesOfFaults("stay-alive", with(stayAliveIn, pointer, value));
    };
    for (const char* field : {"/bus_V", "/capacitance_F", "/charge_ohm"}) {
        EXPECT_EQ(places(field, 0), Places{field});
        EXPECT_EQ(placesOfFaults("stay-alive", without(stayAliveIn, field)), Places{field});
    }
    for (const char* field : {"/diode_V", "/minimum_V"}) {
        EXPECT_EQ(places(field, -0.1), Places{field});
        EXPECT_EQ(places(field, 0), Places{});
    }
    EXPECT_EQ(places("/loads", json::array()), Places{"/loads"});
    EXPECT_EQ(places("/loads", json::parse(R"([{"kind":"power","watts_W":0}])")), Places{"/loads"});
    EXPECT_EQ(places("/loads/0/watts_W", -1), Places{"/loads/0/watts_W"});
    EXPECT_EQ(places("/loads/1/amps_A", "x"), Places{"/loads/1/amps_A"});
    EXPECT_EQ(places("/loads/2/ohm", 0), Places{"/loads/2/ohm"});
    EXPECT_EQ(places("/loads/3/ohm", 0), Places{"/loads/3/ohm"});
    EXPECT_EQ(places("/loads/3/forward_V", -1), Places{"/loads/3/forward_V"});
    EXPECT_EQ(places("/loads/3/count", 1.5), Places{"/loads/3/count"});
    EXPECT_EQ(places("/loads/3/kind", "bulb"), Places{"/loads/3/kind"});
    EXPECT_EQ(places("/farads", 1), Places{"/farads"});
    EXPECT_EQ(places("/trace", 1), Places{"/trace"});
}
TEST(ReckonCrossing, AgreesWithTheExample) {
    const json out = answer("crossing", crossingIn);
    ASSERT_EQ(out["outages"].size(), 1U);
    EXPECT_EQ(out["outages"][0]["from_mm"], 24);
    EXPECT_EQ(out["outages"][0]["to_mm"], 28);
    EXPECT_EQ(out["outages"][0]["rail"], "left");
    EXPECT_NEAR(out["speed_mm_s"], 63.86, 0.005);
    EXPECT_NEAR(out["outages"][0]["seconds_s"], 4 / (20e6 / 3600 / 87), 1e-12);
    EXPECT_EQ(out["longest_mm"], 4);
    EXPECT_EQ(out["longest_s"], out["outages"][0]["seconds_s"]);
    const json none = answer("crossing", with(crossingIn, "/dead", json::array()));
    EXPECT_TRUE(none["outages"].empty());
    EXPECT_EQ(none["longest_mm"], 0);
    EXPECT_EQ(none["longest_s"], 0);
    json two =
        with(crossingIn, "/dead/1", json::parse(R"({"rail":"right","from_mm":100,"to_mm":110})"));
    two = answer("crossing", two);
    EXPECT_EQ(two["outages"].size(), 2U);
    EXPECT_EQ(two["outages"][1]["rail"], "right");
    EXPECT_EQ(two["longest_mm"], 10);
}
TEST(ReckonCrossing, NamesWhatIsFaulty) {
    const auto places = [](const char* pointer, const json& value) {
        return placesOfFaults("crossing", with(crossingIn, pointer, value));
    };
    for (const char* field : {"/scale", "/speed_kmh", "/axles", "/dead"}) {
        EXPECT_EQ(placesOfFaults("crossing", without(crossingIn, field)), Places{field});
    }
    EXPECT_EQ(places("/speed_kmh", 0), Places{"/speed_kmh"});
    EXPECT_EQ(places("/scale", 0), Places{"/scale"});
    EXPECT_EQ(places("/axles", json::array()), Places{"/axles"});
    EXPECT_EQ(places("/axles/1/right", false), Places{"/axles"});
    EXPECT_EQ(places("/axles/0/left", 1), Places{"/axles/0/left"});
    EXPECT_EQ(places("/axles/0/x_mm", -1), Places{"/axles/0/x_mm"});
    EXPECT_EQ(places("/dead/0/to_mm", 0), Places{"/dead/0/to_mm"});
    EXPECT_EQ(places("/dead/0/rail", "middle"), Places{"/dead/0/rail"});
    EXPECT_EQ(places("/dead/0/from_mm", nullptr), Places{"/dead/0/from_mm"});
    json left = with(with(crossingIn, "/axles/0/left", false), "/axles/1/left", false);
    EXPECT_EQ(placesOfFaults("crossing", left), Places{"/axles"});
}

}  // namespace
}  // namespace glimmet::cli
