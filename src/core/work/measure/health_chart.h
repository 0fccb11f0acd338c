// What the plot of a motor's health over time shows: its light current from session to session.
#pragma once

#include "core/analysis/motor/same_type_alike.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core::measure {

struct HealthChart {
    struct Point {
        int day = 0;  ///< since 1970-01-01
        std::string on;
        Amperes amps{};
        std::optional<Volts> volts;
        bool alike = false;  ///< at about the volts of the last one: they can be compared
        bool operator==(const Point&) const = default;
    };
    std::string motor;             ///< which one, where there are several
    std::vector<Point> points;     ///< by day; struck ones, bounds and undated ones are left out
    std::optional<Amperes> first;  ///< the first that can be compared with the last
    std::optional<Amperes> worn;   ///< above it the drive is said to have tightened
    std::vector<SisterCurrent> sameType;  ///< of its type, at like volts
    bool operator==(const HealthChart&) const = default;
};

/// Of the motor whose light current has risen most; nothing where none was read on two days and no
/// sister can be held beside it.
[[nodiscard]] std::optional<HealthChart> healthChart(const JobAnalysis& facts);

}  // namespace glimmet::core::measure
