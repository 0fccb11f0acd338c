// A model that rolls over track without power: its bus, its speed, whether its decoder starts anew.
#pragma once

#include "core/stay_alive/hold.h"
#include "core/track/crossing.h"

#include <optional>
#include <vector>

namespace glimmet::core {

/// A motor that its decoder keeps at a speed as long as the volts allow it.
struct Drive {
    Amperes current{};  ///< while it turns, at any speed; >= 0
    Volts winding{};    ///< across its resistance at that current, >= 0
    Volts emf{};        ///< what its turning makes at the speed that is set, >= 0
};

struct CrossingRun {
    std::vector<Outage> outages;  ///< as outages() has them
    MetresPerSecond speed{};      ///< that is set, of the model; > 0
    Volts bus{};                  ///< while the rails give power, > 0
    Farads bulk{};                ///< of the decoder itself, > 0
    std::optional<Bank> bank;     ///< charged when it begins
    Volts full{};                 ///< what the bank is charged to: the bus, or less; > 0 with one
    Volts minimum{};              ///< below it the processor is out
    Seconds restart{};            ///< until it drives again once power is back, >= 0
    double slowing = 0;           ///< m/s², of a model whose motor is off; > 0
    Drive motor;
    BusLoads others;     ///< what draws besides, while the processor is in
    bool traced = true;  ///< else only what becomes of it, and its last moment
};

enum class Crossed {
    Untouched,  ///< no outage
    Carried,    ///< nothing to be seen
    Dims,       ///< lamps below three quarters of their current
    Slows,      ///< below nine tenths of the speed
    Resets,     ///< the processor starts anew, and it rolls on
    Stops,      ///< it stands where there is no power
};

struct CrossingMoment {
    Millimetres travel{};  ///< of the foremost axle
    Seconds time{};
    Volts bus{};
    MetresPerSecond speed{};
    double light = 1;    ///< of the lamps' current; 1 where there are none
    bool awake = true;   ///< the processor
    bool power = false;  ///< from the rails
};

struct Crossing {
    Crossed how{};
    Volts lowestBus{};  ///< while the processor is in
    MetresPerSecond slowest{};
    double dimmest = 1;
    Millimetres wentOn{};  ///< from where power was lost first to its last moment
    Seconds dark{};        ///< the longest without power at one go
    Volts bankLeft{};      ///< across the bank when the rails give power again for good; 0: none
    /// From where it begins to where it runs on, or stands; at least one.
    std::vector<CrossingMoment> trace;
};

/// Source: C dV/dt = −I(V) on bulk and bank (the bank behind its diode), v' = ±slowing towards the
/// speed that the volts allow, (V − winding)/emf of what is set, by Heun's method in steps of a
/// fiftieth of the shorter time constant; where nothing changes in one step to the next outage.
/// Asserts the ranges above. It begins 5 mm before the first outage and ends 10 mm after the last,
/// once it has its speed again.
[[nodiscard]] Crossing crossed(const CrossingRun& run);

}  // namespace glimmet::core
