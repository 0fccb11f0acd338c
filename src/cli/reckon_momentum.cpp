#include "cli/reckon.h"
#include "core/cv/momentum.h"

#include <nlohmann/json.hpp>

namespace glimmet::cli {

using nlohmann::json;

json reckonMomentum(const json& in, const std::string& pointer, std::vector<store::Fault>& faults,
                    core::State&) {
    const std::size_t before = faults.size();
    core::Momentum momentum;
    core::ModelSpeed top;
    {
        store::JsonFields fields(in, pointer, faults);
        momentum.cv3 = static_cast<int>(fields.number("cv3", store::wholeBetween(0, 255)));
        momentum.cv4 = static_cast<int>(fields.number("cv4", store::wholeBetween(0, 255)));
        top.prototype = core::KilometresPerHour{fields.number("top_kmh", store::from0)};
        top.scale = fields.number("scale", store::above0);
    }
    if (faults.size() > before) return {};
    return {{"start_s", core::accelerationTime(momentum).value()},
            {"stop_s", core::stoppingTime(momentum).value()},
            {"stop_mm", core::stoppingDistance(momentum, top).value()}};
}

}  // namespace glimmet::cli
