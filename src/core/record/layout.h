// The track that a model will run on: where it gives no power, and how slowly a train goes there.
#pragma once

#include "core/quantity/quantities.h"
#include "core/track/rails.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// Points whose frog is dead, or a gap in a rail.
struct DeadSpot {
    double number = 0;  ///< points or a crossing of 1 in so many, 1 … 30; 0: a gap
    Trackwork work{};   ///< what has that number
    Rails rail{};       ///< of a gap; points take one rail on each of their ways
    std::optional<Millimetres> length{};  ///< by the ruler; of points without: what is usual
    bool operator==(const DeadSpot&) const = default;
};

/// How far a model rolls once its motor is off, as it was read.
struct Coast {
    Millimetres distance{};  ///< > 0
    double kmh = 0;          ///< of the prototype, from which it rolled; > 0
    std::string on;          ///< date; may be empty
    bool operator==(const Coast&) const = default;
};

/// How its rails and wheels are: what one sees of the model without a bank.
struct Dirt {
    double stuttersPerMetre = 0;  ///< >= 0
    std::string on;               ///< date; may be empty
    bool operator==(const Dirt&) const = default;
};

struct Layout {
    std::vector<DeadSpot> spots;  ///< nothing: nobody said; no two of one kind and number
    std::optional<double> kmh;    ///< of the prototype, over such places; nothing: the usual
    std::optional<Coast> coast;   ///< nothing: as a worm without a flywheel lets it
    std::optional<Dirt> dirt;     ///< nothing: nobody counted
    bool operator==(const Layout&) const = default;
};

}  // namespace glimmet::core
