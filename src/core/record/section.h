// A section of a layout's baseboard: its lighting supplies, what leads from them, and the models
// that stand on it.
#pragma once

#include "core/quantity/quantities.h"
#include "core/record/wire.h"

#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace glimmet::core {

/// Two supplies are never joined, even at the same voltage; two feeders of one supply may be.
struct SectionSupply {
    std::string id;                  ///< "S1": pins plus and minus
    std::string name;                ///< unique in the section
    Volts volts{};                   ///< > 0
    std::optional<Amperes> limit{};  ///< > 0; nothing: not told
    bool polarityUnknown = false;    ///< nobody metered which lead is plus
    bool operator==(const SectionSupply&) const = default;
};

/// A row of screw or push-in posts: pins "1", "2" …
struct TerminalStrip {
    std::string id;                              ///< "T2"
    int ways = 2;                                ///< > 0
    std::vector<std::pair<int, int>> bridges{};  ///< posts that a link joins; each 1 … ways
    bool operator==(const TerminalStrip&) const = default;
};

/// Two halves that come apart: of a lift-out bridge or block, or of a lead. Its owners are "P3/a"
/// and "P3/b", its pins "1", "2" …
struct SectionPlug {
    std::string id;    ///< "P3"
    int contacts = 2;  ///< > 0
    std::string
        liftsWith{};  ///< what is lifted out with its half b: "harbour bridge"; may be empty
    bool operator==(const SectionPlug&) const = default;
};

/// A job of this workshop that stands here, by its number on the shelf. Its terminals go by their
/// own owners behind its id: {"J4/supply", "plus"}.
struct StandsHere {
    std::string id;  ///< "J4"
    int job = 0;
    bool operator==(const StandsHere&) const = default;
};

struct Section {
    std::string name;
    int lastId = 0;  ///< the number that the last id got
    std::vector<SectionSupply> supplies;
    std::vector<TerminalStrip> strips;
    std::vector<SectionPlug> plugs;
    std::vector<StandsHere> models;
    std::vector<Wire> wires;
    bool operator==(const Section&) const = default;
};

}  // namespace glimmet::core
