#include "cli/reckon.h"
#include "core/cv/function_map.h"

#include <nlohmann/json.hpp>

namespace glimmet::cli {

using nlohmann::json;

json reckonFunctionMap(const json& in, const std::string& pointer,
                       std::vector<store::Fault>& faults, core::State&) {
    json variables = json::object();
    store::JsonFields fields(in, pointer, faults);
    const json* keys = fields.object("keys");
    if (!keys) return {};
    store::JsonFields read(*keys, fields.below("keys"), faults);
    const auto names = core::functionKeys();
    for (std::size_t key = 0; key < names.size(); ++key) {
        const std::string name(names[key]);
        std::vector<int> outputs;
        if (const json* found = read.there(name.c_str()) ? read.list(name.c_str(), 0) : nullptr) {
            for (std::size_t i = 0; i < found->size(); ++i) {
                const json& each = (*found)[i];
                const auto number =
                    each.is_number_integer() ? std::optional(each.get<long long>()) : std::nullopt;
                if (!number || *number < 1 || *number > 14) {
                    faults.push_back({read.below(name.c_str(), i), each.dump(),
                                      "the number of an output, 1 to 14"});
                    continue;
                }
                outputs.push_back(static_cast<int>(*number));
            }
        }
        const auto bits = core::functionBits(key, outputs);
        if (!bits) {
            read.fault(name.c_str(), (*keys)[name].dump(), core::plain(bits.error().what));
            continue;
        }
        variables[std::to_string(core::firstFunctionMapVariable + static_cast<int>(key))] = *bits;
    }
    return {{"CV", std::move(variables)}};
}

}  // namespace glimmet::cli
