#include "cli/reckon.h"
#include "core/power/district.h"

#include <nlohmann/json.hpp>

namespace glimmet::cli {

using nlohmann::json;

json reckonDistrict(const json& in, const std::string& pointer, std::vector<store::Fault>& faults,
                    core::State& verdict) {
    const std::size_t before = faults.size();
    core::District district;
    {
        store::JsonFields fields(in, pointer, faults);
        district.rating = core::Amperes{fields.number("rating_A", store::above0)};
        district.derate = fields.number("derate", store::Range{0, 1, true, false});
        district.trip = core::Amperes{fields.number("trip_A", store::above0)};
        if (const json* vehicles = fields.list("vehicles", 0)) {
            std::size_t index = 0;
            for (const json& each : *vehicles) {
                store::JsonFields read(each, fields.below("vehicles", index++), faults);
                core::DistrictVehicle vehicle;
                vehicle.name = read.text("name");
                vehicle.running = core::Amperes{read.number("running_A", store::from0)};
                vehicle.slipping = core::Amperes{read.number("slip_A", store::from0)};
                vehicle.lamps = core::Amperes{read.number("lamps_A", store::from0)};
                vehicle.sound = core::Amperes{read.number("sound_A", store::from0)};
                vehicle.charging = core::Amperes{read.number("charge_A", store::from0)};
                district.vehicles.push_back(std::move(vehicle));
            }
        }
    }
    if (faults.size() > before) return {};
    const core::DistrictLoad load = core::loadOf(district);
    verdict = core::worse(verdict, load.state);
    return {{"running_A", load.running.value()},
            {"worst_A", load.worst.value()},
            {"surge_A", load.surge.value()},
            {"state", core::name(load.state)},
            {"room_for_A", load.room.value()}};
}

}  // namespace glimmet::cli
