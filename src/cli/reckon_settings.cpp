#include "cli/reckon.h"
#include "core/cv/configuration.h"

#include <nlohmann/json.hpp>

namespace glimmet::cli {

using nlohmann::json;

json reckonSettings(const json& in, const std::string& pointer, std::vector<store::Fault>& faults,
                    core::State&) {
    const std::size_t before = faults.size();
    core::BasicSettings settings;
    store::JsonFields fields(in, pointer, faults);
    settings.address = static_cast<int>(
        fields.number("address", store::wholeBetween(1, core::highestLongAddress)));
    settings.reversed = fields.word("direction", {"normal", "reversed"}) == 1;
    settings.speedSteps =
        static_cast<int>(fields.number("speed_steps", store::wholeBetween(14, 128)));
    settings.plainDc = fields.truth("plain_dc");
    settings.speedTable = fields.truth("speed_table");
    if (in.is_object() && in.contains("long")) settings.longAddress = fields.truth("long");
    if (faults.size() > before) return {};
    const auto variables = core::configurationVariables(settings);
    if (!variables) {
        const std::string& field = variables.error().field;
        fields.fault(field.c_str(), in[field].dump(), core::plain(variables.error().what));
        return {};
    }
    json values = json::object();
    for (const auto& [number, value] : *variables) values[std::to_string(number)] = value;
    return {{"CV", std::move(values)}};
}

}  // namespace glimmet::cli
