// The supply of a job as figures: measured where it was measured, else assumed and saying so.
#pragma once

#include "core/finding/figure.h"
#include "core/motor/motor.h"
#include "core/record/job.h"

namespace glimmet::core {

[[nodiscard]] Figure trackFigure(const Job& job);                                  ///< V_track
[[nodiscard]] Figure rectifierFigure(const Job& job, const WorkshopRules& house);  ///< V_rect
[[nodiscard]] Figure bridgeFigure(const Job& job, const WorkshopRules& house);     ///< V_bridge
[[nodiscard]] Figure switchFigure(const Job& job, const WorkshopRules& house);     ///< V_switch
/// By how much track volts differ from place to place, a share.
[[nodiscard]] Figure spreadFigure(const Job& job, const WorkshopRules& house);
/// Of a sine its crest, √2 times what a meter reads; else V_track itself.
[[nodiscard]] Figure crestFigure(const Job& job);
/// V_bus = V_track − V_rect: what the common (blue) wire stands at above decoder ground. Of a sine
/// its crest, which a capacitor behind the bridge keeps.
[[nodiscard]] Figure busFigure(const Job& job, const WorkshopRules& house);

/// Whether lamps straight on the supply see it both ways round: bare digital track all the time,
/// plain DC whenever the direction is turned. A rectifier that was fitted or measured
/// ends it.
[[nodiscard]] bool reverses(const Job& job);
/// The same of the rails themselves, before any rectifier.
[[nodiscard]] bool turnsRound(const Job& job);
/// Whether lamps straight on the supply follow a sine: nothing carries them from crest to crest.
[[nodiscard]] bool isWave(const Job& job);

/// The same as bare values.
[[nodiscard]] Volts trackVolts(const Job& job);
[[nodiscard]] Volts crestVolts(const Job& job);
/// The highest volts that can credibly come to what stands on the track: the layout's spread, an
/// unregulated throttle, the reversing pulse of three-rail where it was told. Source:
/// docs/physics.md.
[[nodiscard]] Volts peakVolts(const Job& job, const WorkshopRules& house);
/// What a battery may lose besides in a decoder's rectifier, while nobody said where it is joined.
[[nodiscard]] Volts mayDrop(const Job& job);
[[nodiscard]] Volts switchVolts(const Job& job, const WorkshopRules& house);
[[nodiscard]] MotorSupply motorSupply(const Job& job, const WorkshopRules& house);
[[nodiscard]] Volts busVolts(const Job& job, const WorkshopRules& house);

}  // namespace glimmet::core
