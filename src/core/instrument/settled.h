// When a row of readings has come to rest, and what it then says.
#pragma once

#include <cstddef>
#include <optional>
#include <span>

namespace glimmet::core {

struct Settled {
    double mean = 0;
    double scatter = 0;     ///< standard deviation of one reading, n − 1
    std::size_t count = 0;  ///< how many readings it is made of
};

/// The first three readings, whatever they do: of what may not last. Nothing while there are fewer.
[[nodiscard]] std::optional<Settled> atOnce(std::span<const double> readings);

/// The last five readings, if they have stopped drifting: the line of least squares through them
/// changes by no more than 1 % of their mean (or `floor`, for readings about nothing) from first to
/// last, beyond what their own scatter explains. Nothing while there are fewer or they still drift.
/// `floor` > 0, in the readings' unit.
[[nodiscard]] std::optional<Settled> settled(std::span<const double> readings, double floor);

}  // namespace glimmet::core
