// Preferred values to choose resistors from, and what a lamp is wished: plain values.
#pragma once

#include "core/quantity/quantities.h"

#include <optional>
#include <string_view>

namespace glimmet::core {

enum class Series { E6, E12, E24, E96 };
enum class RoundingPolicy {
    Higher,   ///< the next preferred value up: errs towards dim, never towards burnt
    Nearest,  ///< the closest by ratio
};

[[nodiscard]] std::string_view name(Series series);
[[nodiscard]] std::optional<Series> seriesNamed(std::string_view name);

struct ResistorWish {
    Amperes target{};  ///< through every string, > 0
    Series series = Series::E12;
    RoundingPolicy policy = RoundingPolicy::Higher;
};

}  // namespace glimmet::core
