#include "cli/reckon.h"
#include "core/stay_alive/hold.h"

#include <nlohmann/json.hpp>

namespace glimmet::cli {
namespace {

using namespace core;
using nlohmann::json;
using store::above0;
using store::from0;
using store::JsonFields;

BusLoads readLoads(JsonFields& fields, std::vector<store::Fault>& faults) {
    BusLoads loads;
    const json* list = fields.list("loads", 1);
    if (!list) return loads;
    std::size_t index = 0;
    for (const json& one : *list) {
        JsonFields load(one, fields.below("loads", index++), faults);
        const std::size_t known = faults.size();
        const std::size_t kind = load.word("kind", {"power", "current", "resistive", "lamp"});
        if (faults.size() > known) {
            // Which of the others belong to it nobody knows.
            for (const char* key : {"watts_W", "amps_A", "ohm", "forward_V", "count"}) {
                (void)load.there(key);
            }
            continue;
        }
        switch (kind) {
            case 0:
                loads.power += Watts{load.number("watts_W", from0)};
                break;
            case 1:
                loads.current += Amperes{load.number("amps_A", from0)};
                break;
            case 2:
                loads.resistive.emplace_back(load.number("ohm", above0));
                break;
            default: {
                LampLoad lamp;
                lamp.forward = Volts{load.number("forward_V", from0)};
                lamp.resistance = Ohms{load.number("ohm", above0)};
                lamp.count = load.number("count", store::wholeBetween(0, 1e6), 1);
                loads.lamps.push_back(lamp);
            }
        }
    }
    return loads;
}

}  // namespace

json reckonStayAlive(const json& in, const std::string& pointer, std::vector<store::Fault>& faults,
                     State&) {
    const std::size_t before = faults.size();
    Bank bank;
    Volts bus{}, minimum{};
    BusLoads loads;
    bool trace = false;
    {
        JsonFields fields(in, pointer, faults);
        bus = Volts{fields.number("bus_V", above0)};
        bank.capacitance = Farads{fields.number("capacitance_F", above0)};
        bank.diode = Volts{fields.number("diode_V", from0)};
        bank.charge = Ohms{fields.number("charge_ohm", above0)};
        minimum = Volts{fields.number("minimum_V", from0)};
        loads = readLoads(fields, faults);
        trace = fields.truth("trace", false);
        if (faults.size() == before && loads.none()) {
            fields.fault("loads", "loads that draw nothing", "at least one that draws");
        }
    }
    if (faults.size() > before) return {};
    const auto hold = holdOf(bank, bus, minimum, loads);
    if (!hold) {
        faults.push_back({pointer + "/loads", plain(hold.error().what), "loads that draw"});
        return {};
    }
    json out{{"hold_s", nullptr},
             {"charge_peak_A", chargePeak(bank, bus).value()},
             {"charge_tau_s", chargeTimeConstant(bank).value()},
             {"charge_energy_J", chargeEnergy(bank, bus).value()}};
    if (hold->time) {
        out["hold_s"] = hold->time->value();
    } else {
        out["why"] = "the loads stop drawing at " + json(hold->stops.value()).dump() +
                     " V, so the bus never falls to " + json(minimum.value()).dump() + " V";
    }
    if (trace) {
        json times = json::array(), volts = json::array();
        for (const BusMoment& moment : hold->trace) {
            times.push_back(moment.time.value());
            volts.push_back(moment.bus.value());
        }
        out["trace"] = {{"time_s", std::move(times)}, {"bus_V", std::move(volts)}};
    }
    return out;
}

}  // namespace glimmet::cli
