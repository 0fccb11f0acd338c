// The bodies that resistors are sold in, and what heat each is rated for.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

#include <string>

namespace glimmet::core {

enum class ResistorPackage {
    Chip0402,
    Chip0603,
    Chip0805,
    Chip1206,
    Eighth,
    Quarter,
    Half,
    One,
    Two,
};
constexpr auto wordsOf(ResistorPackage) {
    using enum ResistorPackage;
    return std::to_array<Word<ResistorPackage>>({{Chip0402, "0402"},
                                                 {Chip0603, "0603"},
                                                 {Chip0805, "0805"},
                                                 {Chip1206, "1206"},
                                                 {Eighth, "1/8W"},
                                                 {Quarter, "1/4W"},
                                                 {Half, "1/2W"},
                                                 {One, "1W"},
                                                 {Two, "2W"}});
}
/// "1/4 W", "0805".
[[nodiscard]] std::string shown(ResistorPackage package);

/// Source: the usual ratings of film resistors at 70 °C (docs/physics.md).
[[nodiscard]] Watts rating(ResistorPackage package);

/// Which bodies give off a heat with half of their rating in hand; chips are taken at four fifths
/// of theirs, because they cool only through their pads. "1/8 W or 0805", "1/4 W", "2 W or more".
[[nodiscard]] std::string resistorBody(Watts power);

}  // namespace glimmet::core
