#include "cli/read_led.h"
#include "cli/reckon.h"
#include "core/wire/bus.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <map>

namespace glimmet::cli {
namespace {

using namespace core;
using nlohmann::json;
using store::above0;
using store::Fault;
using store::from0;
using store::JsonFields;

struct BusAsked {
    LightingBus bus;
    std::vector<std::string> points;  ///< their names
};

/// The number of a point of that name, a new one where there is none yet.
std::size_t pointNamed(BusAsked& asked, const std::string& name) {
    const auto at = std::find(asked.points.begin(), asked.points.end(), name);
    if (at == asked.points.end()) {
        asked.points.push_back(name);
        return asked.points.size() - 1;
    }
    return static_cast<std::size_t>(at - asked.points.begin());
}

void readRun(const json& value, const std::string& pointer, std::vector<Fault>& faults,
             BusAsked& asked) {
    JsonFields fields(value, pointer, faults);
    const std::string from = fields.text("from", 400, 1);
    const std::string to = fields.text("to", 400, 1);
    if (!from.empty() && from == to)
        fields.fault("to", "\"" + to + "\"", "another point than from");
    BusRun run;
    const double awg = fields.number("awg", store::wholeBetween(0, 60));
    if (const auto gauge = wireGauge(static_cast<int>(awg))) {
        run.gauge = *gauge;
    } else if (value.is_object() && value.contains("awg") && value["awg"].is_number()) {
        std::string allowed;
        for (const WireGauge& known : wireGauges()) {
            allowed += (allowed.empty() ? "" : ", ") + std::to_string(known.awg);
        }
        fields.fault("awg", value["awg"].dump(), allowed);
    }
    run.length = Millimetres{fields.number("length_mm", above0)};
    run.from = pointNamed(asked, from);
    run.to = pointNamed(asked, to);
    asked.bus.runs.push_back(run);
}

void readLamps(const json& value, const std::string& pointer, std::vector<Fault>& faults,
               BusAsked& asked) {
    JsonFields fields(value, pointer, faults);
    BusLamps lamps;
    lamps.at = pointNamed(asked, fields.text("at", 400, 1));
    const bool bulb = value.is_object() && value.contains("bulb");
    if (bulb) {
        if (const json* found = fields.object("bulb")) {
            JsonFields read(*found, fields.below("bulb"), faults);
            const double volts = read.number("volts_V", above0);
            const double amps = read.number("amps_A", above0);
            lamps.resistor = Ohms{volts / amps};
        }
    } else if (const json* leds = fields.list("leds", 1)) {
        double limit = HUGE_VAL;
        std::size_t index = 0;
        for (const json& each : *leds) {
            const ReadLed led = readLed(each, fields.below("leds", index++), faults);
            lamps.leds.push_back(led.law);
            limit = std::min(limit, led.limit);
        }
        lamps.limit = Amperes{limit};
        lamps.resistor = Ohms{fields.number("resistor_ohm", from0)};
    }
    lamps.count = fields.number("count", store::wholeBetween(1, 100000), 1);
    asked.bus.lamps.push_back(std::move(lamps));
}

}  // namespace

json reckonBus(const json& in, const std::string& pointer, std::vector<Fault>& faults,
               State& verdict) {
    const std::size_t before = faults.size();
    BusAsked asked;
    JsonFields fields(in, pointer, faults);
    if (const json* supply = fields.object("supply")) {
        JsonFields read(*supply, fields.below("supply"), faults);
        asked.bus.supply = Volts{read.number("volts_V", above0)};
        asked.bus.limit = Amperes{read.number("limit_A", above0)};
        asked.bus.source = Ohms{read.number("source_ohm", from0, 0)};
    }
    asked.bus.start = pointNamed(asked, fields.text("start", 400, 1));
    std::size_t index = 0;
    if (const json* runs = fields.list("runs", 0)) {
        for (const json& run : *runs) readRun(run, fields.below("runs", index++), faults, asked);
    }
    index = 0;
    if (const json* lamps = fields.list("lamps", 1)) {
        for (const json& lamp : *lamps) {
            readLamps(lamp, fields.below("lamps", index++), faults, asked);
        }
    }
    if (faults.size() > before) return {};
    asked.bus.points = asked.points.size();
    const auto far = unreached(asked.bus);
    for (std::size_t i = 0; i < asked.bus.lamps.size(); ++i) {
        if (std::find(far.begin(), far.end(), asked.bus.lamps[i].at) == far.end()) continue;
        faults.push_back({fields.below("lamps", i) + "/at",
                          "\"" + asked.points[asked.bus.lamps[i].at] + "\", which no run reaches",
                          "a point that runs lead to from " + asked.points[asked.bus.start]});
    }
    if (faults.size() > before) return {};
    const auto solution = solved(asked.bus);
    if (!solution) {
        faults.push_back({pointer.empty() ? "/" : pointer, plain(solution.error().what),
                          "values that a layout can have"});
        return {};
    }
    verdict = worse(verdict, solution->state);
    json points = json::object(), currents = json::array(), volts = json::array(),
         runs = json::array();
    for (std::size_t i = 0; i < asked.points.size(); ++i) {
        if (std::find(far.begin(), far.end(), i) != far.end()) continue;
        points[asked.points[i]] = {{"volts_V", solution->at[i].value()}};
    }
    for (std::size_t i = 0; i < asked.bus.lamps.size(); ++i) {
        currents.push_back(solution->lamp[i].value());
        volts.push_back(solution->at[asked.bus.lamps[i].at].value());
    }
    for (const Amperes run : solution->run) runs.push_back(run.value());
    return {{"points", std::move(points)},          {"lamp_A", std::move(currents)},
            {"lamp_V", std::move(volts)},           {"run_A", std::move(runs)},
            {"supply_A", solution->supply.value()}, {"worst_drop_fraction", solution->worstDrop},
            {"state", name(solution->state)}};
}

}  // namespace glimmet::cli
