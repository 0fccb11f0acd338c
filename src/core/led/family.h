// Families of LEDs and a point read on one: plain values, as records and catalogues keep them.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

namespace glimmet::core {

enum class LedFamily { Red, Amber, Yellow, Green, TrueGreen, Blue, White, UltraViolet };

/// "green" is the old GaP kind.
constexpr auto wordsOf(LedFamily) {
    return std::to_array<Word<LedFamily>>({{LedFamily::Red, "red"},
                                           {LedFamily::Amber, "amber"},
                                           {LedFamily::Yellow, "yellow"},
                                           {LedFamily::Green, "green"},
                                           {LedFamily::TrueGreen, "true-green"},
                                           {LedFamily::Blue, "blue"},
                                           {LedFamily::White, "white"},
                                           {LedFamily::UltraViolet, "uv"}});
}

/// One point of a data sheet or of a measurement: the voltage across the LED at a current.
struct ForwardPoint {
    Volts voltage{};
    Amperes current{};
    bool operator==(const ForwardPoint&) const = default;
};

}  // namespace glimmet::core
