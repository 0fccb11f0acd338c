// Families of LEDs and a point read on one: plain values, as records and catalogues keep them.
#pragma once

#include "core/quantity/quantities.h"

#include <optional>
#include <string_view>

namespace glimmet::core {

enum class LedFamily { Red, Amber, Yellow, Green, TrueGreen, Blue, White, UltraViolet };
inline constexpr LedFamily ledFamilies[] = {
    LedFamily::Red,       LedFamily::Amber, LedFamily::Yellow, LedFamily::Green,
    LedFamily::TrueGreen, LedFamily::Blue,  LedFamily::White,  LedFamily::UltraViolet};

/// "red" "amber" "yellow" "green" (the old GaP kind) "true-green" "blue" "white" "uv".
[[nodiscard]] std::string_view name(LedFamily family);
[[nodiscard]] std::optional<LedFamily> ledFamilyNamed(std::string_view name);

/// One point of a data sheet or of a measurement: the voltage across the LED at a current.
struct ForwardPoint {
    Volts voltage{};
    Amperes current{};
    bool operator==(const ForwardPoint&) const = default;
};

}  // namespace glimmet::core
