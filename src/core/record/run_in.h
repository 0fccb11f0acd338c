// How a model was run in, and how long it has run since.
#pragma once

#include "core/record/dc_test.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// A reading after so long in one direction: 0 is the start.
struct RunInReading {
    Direction direction{};
    Seconds ran{};  ///< in this direction, since it began
    std::optional<Amperes> current{};
    std::string on;
    bool operator==(const RunInReading&) const = default;
};
/// A run that is going on.
struct Running {
    Direction direction{};
    std::string since;  ///< local time, "2026-03-02T16:30"
    bool operator==(const Running&) const = default;
};
struct RunIn {
    std::vector<RunInReading> readings;  ///< in the order they were taken
    std::optional<Running> running{};
    Seconds since{};  ///< hours in service after the run-in
    bool operator==(const RunIn&) const = default;
};

}  // namespace glimmet::core
