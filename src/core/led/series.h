// Preferred values to choose resistors from, and what a lamp is wished: plain values.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

namespace glimmet::core {

enum class Series { E6, E12, E24, E96 };
enum class RoundingPolicy {
    Higher,   ///< the next preferred value up: errs towards dim, never towards burnt
    Nearest,  ///< the closest by ratio
};

constexpr auto wordsOf(Series) {
    return std::to_array<Word<Series>>(
        {{Series::E6, "E6"}, {Series::E12, "E12"}, {Series::E24, "E24"}, {Series::E96, "E96"}});
}
constexpr auto wordsOf(RoundingPolicy) {
    return std::to_array<Word<RoundingPolicy>>(
        {{RoundingPolicy::Higher, "higher"}, {RoundingPolicy::Nearest, "nearest"}});
}

struct ResistorWish {
    Amperes target{};  ///< through every string, > 0
    Series series = Series::E12;
    RoundingPolicy policy = RoundingPolicy::Higher;
    bool operator==(const ResistorWish&) const = default;
};

}  // namespace glimmet::core
