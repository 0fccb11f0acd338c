// What runs together on one booster: running currents, the worst slip, the surge at power-up.
#pragma once

#include "core/finding/state.h"
#include "core/quantity/quantities.h"

#include <string>
#include <vector>

namespace glimmet::core {

/// Currents of one model at the track, each >= 0.
struct DistrictVehicle {
    std::string name;
    Amperes running{}, slipping{}, lamps{}, sound{};
    Amperes charging{};  ///< of its stay-alive at the moment of power-up
};

/// What it takes for long: running, lamps and sound.
[[nodiscard]] inline Amperes forLong(const DistrictVehicle& vehicle) {
    return vehicle.running + vehicle.lamps + vehicle.sound;
}

struct District {
    Amperes rating{};     ///< of the booster, > 0
    double derate = 0.8;  ///< the share of it that is used; 0 … 1
    Amperes trip{};       ///< where it switches off, > 0
    std::vector<DistrictVehicle> vehicles;
};

/// What of its booster is to be used.
[[nodiscard]] inline Amperes usable(const District& district) {
    return district.rating * district.derate;
}

inline constexpr double districtCloseAbove = 0.85;

struct DistrictLoad {
    Amperes running{};  ///< Σ (running + lamps + sound)
    Amperes worst{};    ///< running, with the one whose wheels slip that takes most more
    Amperes surge{};    ///< Σ (charging + lamps + sound)
    Amperes room{};     ///< rating · derate − running; negative when overloaded
    State state{};      ///< running against rating · derate, surge against trip
};
/// Source: docs/physics.md (power district).
[[nodiscard]] DistrictLoad loadOf(const District& district);

}  // namespace glimmet::core
