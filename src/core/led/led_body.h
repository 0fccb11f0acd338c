// The bodies that LEDs are sold in, and the hole that each wants.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

namespace glimmet::core {

enum class LedBody { Chip0402, Chip0603, Chip0805, Chip1206, Round18, Round3, Round5 };
constexpr auto wordsOf(LedBody) {
    using enum LedBody;
    return std::to_array<Word<LedBody>>({{Chip0402, "0402"},
                                         {Chip0603, "0603"},
                                         {Chip0805, "0805"},
                                         {Chip1206, "1206"},
                                         {Round18, "1.8mm"},
                                         {Round3, "3mm"},
                                         {Round5, "5mm"}});
}

struct HoleFor {
    Millimetres across{};  ///< that it goes into, painted against stray light, with its leads
    Millimetres depth{};   ///< from its face to where its leads leave it
};
/// A chip lies face out: its diagonal, a coat of 0.1 mm all round. A round one goes in without its
/// rim, with 0.1 mm of play. Sizes: EIA chip codes; data sheets of round LEDs (docs/physics.md).
[[nodiscard]] HoleFor holeFor(LedBody body);

/// The smallest hole that it can be got into, bare: of a round one its own diameter, a snug fit
/// that has to be tried; of a chip its end, end-on. Same sources.
[[nodiscard]] Millimetres snugHole(LedBody body);

}  // namespace glimmet::core
