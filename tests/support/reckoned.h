// What `reckon` answers, and where it finds faults.
#pragma once

#include "cli/reckon.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <string>
#include <string_view>
#include <vector>

namespace glimmet::tests {

using nlohmann::json;

inline json answer(std::string_view kind, const json& in) {
    const cli::Calculated result = cli::calculated(kind, in.dump());
    for (const store::Fault& fault : result.faults) ADD_FAILURE() << store::sentence(fault);
    return result.faults.empty() ? json::parse(result.json) : json();
}
inline std::vector<std::string> placesOfFaults(std::string_view kind, const json& in) {
    std::vector<std::string> places;
    const cli::Calculated result = cli::calculated(kind, in.dump());
    EXPECT_TRUE(result.faults.empty() == !result.json.empty());
    for (const store::Fault& fault : result.faults) places.push_back(fault.place);
    return places;
}
using Places = std::vector<std::string>;

inline json with(json in, const char* pointer, const json& value) {
    in[json::json_pointer(pointer)] = value;
    return in;
}
inline json without(json in, const char* pointer) {
    const json::json_pointer at(pointer);
    in[at.parent_pointer()].erase(at.back());
    return in;
}

}  // namespace glimmet::tests
