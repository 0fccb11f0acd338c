// An LED as `reckon` takes one: its family, and what is known of it besides.
#pragma once

#include "core/led/led.h"
#include "store/json_fields.h"

#include <nlohmann/json_fwd.hpp>

#include <string>
#include <vector>

namespace glimmet::cli {

struct ReadLed {
    core::LedLaw law;
    double limit = 0;  ///< A
};
/// Appends faults; what it returns counts only if none came up.
[[nodiscard]] ReadLed readLed(const nlohmann::json& value, const std::string& pointer,
                              std::vector<store::Fault>& faults);

}  // namespace glimmet::cli
