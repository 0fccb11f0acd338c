// What others of its type take when they run light, where that can be compared.
#pragma once

#include "core/analysis/job_analysis.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core::measure {

/// A light current so many times that of its sisters says that something drags: more than wear
/// and motors of one make differ by (docs/physics.md, motor).
inline constexpr double sistersApart = 1.5;

struct SisterCurrent {
    std::string name;
    Amperes amps{};
    std::string on;
    bool operator==(const SisterCurrent&) const = default;
};
struct SameTypeAlike {
    Amperes own{};  ///< the model's own, last
    std::vector<SisterCurrent> sameType;
    Amperes middle{};  ///< their median
};
/// Those that were read at like volts as this model was last; nothing where none was.
[[nodiscard]] std::optional<SameTypeAlike> sameTypeAlike(const JobAnalysis& facts);

}  // namespace glimmet::core::measure
