// Where things sit in a model.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

#include <string>

namespace glimmet::core {

/// x runs back from the front end of its unit, z up from the rail head (from the ground for
/// structures; in a plan, to the far side).
struct Point {
    Millimetres x{}, z{};
    bool operator==(const Point&) const = default;
};

enum class Facing { Front, Rear, Inside };
constexpr auto wordsOf(Facing) {
    return std::to_array<Word<Facing>>(
        {{Facing::Front, "front"}, {Facing::Rear, "rear"}, {Facing::Inside, "inside"}});
}

struct Pose {
    Point at;              ///< a lamp's middle; of boxes the front lower corner
    Millimetres across{};  ///< from the centre line, to the left in the direction of travel
    Facing facing = Facing::Inside;
    bool operator==(const Pose&) const = default;
};

/// What is fitted sits in a unit, at a place that goes by a name there, in a pose.
struct Fitted {
    std::string unit;   ///< id: "U1"
    std::string place;  ///< name of a site or cavity, or a name of its own; empty: in its unit
    Pose pose;
    bool operator==(const Fitted&) const = default;
};

/// How large something is with its adapter board, wires, tape and sleeve.
struct OuterMeasures {
    Millimetres length{}, width{}, height{};  ///< > 0
    bool operator==(const OuterMeasures&) const = default;
};

}  // namespace glimmet::core
