// The readings of a meter's log as bench shorthand.
#pragma once

#include "core/instrument/log_cutting.h"

#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core::measure {

/// A line for each part that is a reading: "light 181.2mA 12.02V"; `motor`: of which one, where
/// there are several.
[[nodiscard]] std::vector<std::string> logLines(std::span<const LogPart> parts,
                                                std::string_view motor = {});

}  // namespace glimmet::core::measure
