// Moments of local time, to the minute, as they are kept: "2026-03-02T14:30".
#pragma once

#include "core/quantity/quantities.h"

#include <optional>
#include <string>
#include <string_view>

namespace glimmet::core {

/// A moment after another; nothing where that is none. Of a date alone: after its midnight.
[[nodiscard]] std::optional<std::string> later(std::string_view moment, Seconds by);
/// From one to another, below 0 where the other was before; nothing where either is none.
[[nodiscard]] std::optional<Seconds> between(std::string_view one, std::string_view other);
/// "14:30"; of a date alone the date.
[[nodiscard]] std::string clockOf(std::string_view moment);

}  // namespace glimmet::core
