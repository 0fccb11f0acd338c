// A line that was jotted down on an earlier day, on paper: "on 2026-03-02 light 150mA 12V".
#pragma once

#include "core/result.h"

#include <string>
#include <string_view>

namespace glimmet::core::jot {

struct Dated {
    std::string_view line;  ///< without its date
    std::string on;         ///< ISO 8601; empty where none is said
    bool behind = false;    ///< it stands at the end, where a sentence may end with a date too
};

/// The date stands at either end of the line, with or without "on".
/// Errors: OutOfRange for a day that the calendar does not have, or one after `today`.
[[nodiscard]] Result<Dated> dated(std::string_view line, const std::string& today);

}  // namespace glimmet::core::jot
