// A layout's lighting: one supply, two-wire runs between points, lamps at the points. Solved as the
// circuit that it is, whatever rings and branches it has.
#pragma once

#include "core/led/led.h"
#include "core/result.h"
#include "core/wire/wire.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

struct BusRun {
    std::size_t from{}, to{};  ///< points
    WireGauge gauge{};
    Millimetres length{};  ///< > 0, one way; it has two conductors
};

/// Equal lamps side by side at a point, each with its own resistor: LEDs in series, or a bulb.
struct BusLamps {
    std::size_t at{};
    std::vector<LedLaw> leds;  ///< empty: a bulb
    Ohms resistor{};           ///< before the LEDs, >= 0; of a bulb its own, > 0
    Amperes limit{0.025};      ///< of the weakest LED; a bulb has none
    double count = 1;          ///< >= 1
};

struct LightingBus {
    Volts supply{};        ///< > 0
    Amperes limit{};       ///< > 0
    Ohms source{};         ///< of the supply, >= 0
    std::size_t points{};  ///< how many; the supply is at `start`
    std::size_t start{};
    std::vector<BusRun> runs;
    std::vector<BusLamps> lamps;  ///< every one reached from the start
};

struct BusSolution {
    std::vector<Volts> at;      ///< between the two conductors, per point
    std::vector<Amperes> lamp;  ///< one of each kind
    std::vector<Amperes> run;   ///< positive from `from` to `to`
    Amperes supply{};
    double worstDrop = 0;  ///< of the points with lamps: 1 − volts there / supply
    State state{};
};

inline constexpr double busCloseAbove = 0.85;
inline constexpr double mostBusDrop = 0.03;

/// Points that no run leads to from the start.
[[nodiscard]] std::vector<std::size_t> unreached(const LightingBus& bus);

/// Errors: those of an operating point. Precondition: every lamp is reached.
[[nodiscard]] Result<BusSolution> solved(const LightingBus& bus);

}  // namespace glimmet::core
