// A tester of the bench, touched to any two points of the lamps as they are wired: legs of a lamp,
// the common and the outputs at the decoder's plug. What flows, which lamps light, and which look
// on record it asks for.
#pragma once

#include "core/analysis/lamps/tester.h"
#include "core/record/job.h"
#include "core/record/workshop_rules.h"
#include "core/result.h"
#include "core/text.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core::lamps {

/// A point that a probe reaches.
struct ProbePoint {
    enum class Kind { Common, Output, Plus, Minus };
    Kind kind{};
    std::string id;                 ///< "common", "output front", "L4 1 1 plus"
    Text words;                     ///< "plus of front lamp"
    std::size_t group = 0;          ///< of all but the common
    std::size_t row = 0, lamp = 0;  ///< of a leg
    bool operator==(const ProbePoint&) const = default;
};
/// Those of a group: the common, its output, both legs of each of its lamps. Empty: no such group,
/// or it hangs on no decoder's plug and has no lamps.
[[nodiscard]] std::vector<ProbePoint> probePoints(const Job& job, const std::string& group);

/// A lamp with what flows through it, in the direction that lights it.
struct ProbedLamp {
    std::size_t group = 0, row = 0, lamp = 0;
    Amperes current{};
    TesterLook look{};
};
/// What could be seen, as the line that enters it.
struct SeenThere {
    std::string row;  ///< "front lamp/2"
    TesterLook look{};
    std::string jot;
    bool expected = false;
};
struct Probed {
    Amperes current{};              ///< out of the tester
    std::vector<ProbedLamp> lamps;  ///< those that are not dark
    Text sentence;
    /// Where the two points are those of a record: a row by itself, with its resistor, a group.
    std::vector<SeenThere> seen;
};

/// Without power, as it is wired: resistors as they are chosen (a row without one hangs in the
/// air), on the side of the lamp where the house puts them; drivers pass nothing. `red` carries the
/// tester's plus. Errors: Unknown for a point that is not there; NotUnderstood for one point
/// twice; those of a lamp whose data are no LED's, and of the engine.
[[nodiscard]] Result<Probed> probed(const Job& job, const WorkshopRules& house,
                                    const std::string& red, const std::string& black,
                                    const Tester& tester);

}  // namespace glimmet::core::lamps
