// What a ready-wired lamp is, told from readings at its two leads: LEDs behind a hidden resistor, a
// resistor alone, a filament. And what cannot be told apart.
#pragma once

#include "core/led/led.h"

#include <optional>
#include <span>
#include <vector>

namespace glimmet::core {

struct WiredLamp {
    enum class Kind { Leds, Resistor, Filament };
    Kind kind{};
    /// I ∝ V^exponent between the outermost readings: 0.55 of a filament (its tungsten gets
    /// hotter), 1 of a resistor, more of an LED with its resistor.
    double exponent = 0;
    Ohms resistor{};  ///< hidden beside the LEDs; of a resistor alone its value

    // Of LEDs.
    int inSeries = 1;                   ///< behind each other
    std::vector<LedFamily> families{};  ///< that read so; the first comes nearest to what is usual
    LedLaw law{};                       ///< of the whole at its leads, through the largest reading
};

/// From readings at several volts, at the leads and well apart: V = n·(Vf + N·Vt·ln(I/20 mA)) + R·I
/// by least squares, for each family and one to three LEDs; those whose Vf lies within the family's
/// batch stay (docs/physics.md). From one reading only with `family` given, whose typical voltage
/// is then taken. Errors: Missing without readings enough; OutOfRange for readings that do not
/// rise, lie too close together, or are no lamp's.
[[nodiscard]] Result<WiredLamp> wiredLamp(std::span<const ForwardPoint> readings,
                                          std::optional<LedFamily> family);

}  // namespace glimmet::core
