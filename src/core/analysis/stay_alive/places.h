// The dead places of a job's layout, and its wheels on them.
#pragma once

#include "core/quantity/quantities.h"
#include "core/record/job.h"
#include "core/text.h"
#include "core/track/crossing.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core::stay_alive {

inline constexpr double usualKmh = 20;  ///< over points, of the prototype (docs/physics.md)

/// How slowly it goes over dead places.
struct Creep {
    double kmh = 0;  ///< of the prototype
    bool assumed = false;
};
[[nodiscard]] Creep creep(const Job& job);
[[nodiscard]] MetresPerSecond creepSpeed(const Job& job);  ///< of the model

/// One way a train goes over a place.
struct Passage {
    Text way;                      ///< "with the frog on its left"; empty where there is one only
    bool backwards = false;        ///< its rear end goes first
    std::vector<DeadLength> dead;  ///< in the order of its travel; left as seen from its front
};
/// "forwards, frog on its left"
[[nodiscard]] Text words(const Passage& passage);

/// A dead place of the layout.
struct Place {
    std::string name;      ///< "points 1:9", "gap left 28 mm": as its line names it
    Text words;            ///< "the dead 28 mm of points 1:9"
    Millimetres length{};  ///< of the dead rail, of the longest of its frogs
    bool measured = false;
    std::vector<Passage> passages;  ///< at least one; those forwards go first
};
/// Those that the job has, the longest first; else the points that any layout has.
[[nodiscard]] std::vector<Place> places(const Job& job);

/// What collects of every unit that wires lead across to from where the decoder lies; x from the
/// front of the train. On a third rail its sliders count as left and all of its wheels as right,
/// for the two outer rails are one pole. `added`: the axle, counted from 1 over the whole train,
/// that collects on both sides as if it had the collectors; 0: none.
[[nodiscard]] std::vector<CollectingAxle> collectingAxles(const Job& job, int added = 0);
/// How many axles of the train stand before the first of them.
[[nodiscard]] int axlesBefore(const Job& job);

/// Travel of its leading end without power on a passage. Errors as outages().
[[nodiscard]] Result<std::vector<Outage>> outagesOn(const std::vector<CollectingAxle>& axles,
                                                    const Passage& passage);
/// The same axles as they come with the rear end first: x from the last of them. Left stays what
/// is left as seen from the front.
[[nodiscard]] std::vector<CollectingAxle> rearFirst(std::vector<CollectingAxle> axles);

/// Where the model is without power for longest, at its speed; 0 s where its wheels bridge every
/// place, nothing where it cannot be told from wheels (none that collect).
struct LongestDead {
    Seconds time{};
    Place place;
};
[[nodiscard]] std::optional<LongestDead> longestDead(const Job& job);

/// A dead place where it hangs on one wheel of a side for a while, on dirty rails: how far, and the
/// stutters to be expected there at a crossing, of which a bank that holds `carried` (nothing: for
/// good) leaves fewer.
struct OnOneWheel {
    Millimetres length{};
    double stutters = 0;
};
/// How far at the most one wheel of a side alone collects there; 0 mm where never. Nothing where it
/// is without power on some way.
[[nodiscard]] std::optional<Millimetres> lengthOnOneWheel(const std::vector<CollectingAxle>& axles,
                                                          const Place& place);
/// The worst way through. Nothing where nobody counted stutters, where it is without power there
/// anyway, or where it never hangs on one.
[[nodiscard]] std::optional<OnOneWheel> onOneWheel(const Job& job, const Place& place,
                                                   std::optional<Seconds> carried);

}  // namespace glimmet::core::stay_alive
