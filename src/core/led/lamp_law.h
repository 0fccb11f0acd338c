// What a lamp takes, whatever it is: an LED, or a filament bulb at the temperature it settles at.
#pragma once

#include "core/led/filament_rating.h"
#include "core/led/led.h"

#include <variant>

namespace glimmet::core {

using LampLaw = std::variant<LedLaw, FilamentRating>;

/// Volts across it at a current. Range: current >= 0; a bulb's rating > 0.
/// Source of a bulb's: circuit::Filament (tungsten, radiation), settled.
[[nodiscard]] Volts voltageOf(const LampLaw& law, Amperes current);
/// What a bulb takes at volts. Range: >= 0.
[[nodiscard]] Amperes currentAt(const FilamentRating& bulb, Volts volts);

/// Resistance of a bulb before it is warm: a tenth of what it is hot (docs/physics.md).
[[nodiscard]] Ohms coldResistance(const FilamentRating& bulb);

/// Light of a bulb at volts, of what it gives at its rated ones: (V/V_rated)^3.4; and how long it
/// lives, of what it would there: (V/V_rated)^−13 (re-rating of vacuum lamps; docs/physics.md).
/// Range: volts > 0.
[[nodiscard]] double filamentLight(const FilamentRating& bulb, Volts volts);
[[nodiscard]] double filamentLife(const FilamentRating& bulb, Volts volts);

/// Volts at which a bulb begins to glow dully, of its rated ones.
inline constexpr double filamentGlows = 0.25;

}  // namespace glimmet::core
