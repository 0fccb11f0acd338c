// The lamps of a model: groups of rows of LEDs on outputs.
#pragma once

#include "core/led/series.h"
#include "core/record/body.h"
#include "core/record/part.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

struct Lamp {
    std::string site;  ///< name of the site it sits in, or a name of its own
    LampPart part;
    bool measured = false;  ///< its forward point was read at the bench, not in a catalogue
    Point at;
    Facing facing{};
    bool operator==(const Lamp&) const = default;
};

/// LEDs in series with one resistor.
struct LampRow {
    std::vector<Lamp> lamps;       ///< at least one
    std::optional<Ohms> resistor;  ///< nothing: not chosen yet; 0: deliberately none
    bool operator==(const LampRow&) const = default;
};

/// All lamps on one decoder output, or on the supply ("supply") where there is no decoder.
struct LampGroup {
    std::string name;    ///< "front lamp"; unique in the job
    std::string output;  ///< name of the decoder output, or "supply"
    Ohms shared{};       ///< one resistor for the whole group; 0: none
    std::vector<LampRow> rows;
    ResistorWish wish{Amperes{0.005}, Series::E12, RoundingPolicy::Higher};
    bool operator==(const LampGroup& other) const;
};

inline constexpr const char* supplyOutput = "supply";

}  // namespace glimmet::core
