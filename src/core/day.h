// Days of the calendar, as dates are kept: ISO 8601.
#pragma once

#include <optional>
#include <string_view>

namespace glimmet::core {

/// Days since 1970-01-01 of "2026-11-27"; nothing for what is no date.
[[nodiscard]] std::optional<int> dayNumber(std::string_view date);

}  // namespace glimmet::core
