// How much room things have where they lie, and what is missing for those that do not go in.
#pragma once

#include "core/analysis/placement/placement.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

enum class Along { Length, Width, Height };

/// The axis along which a thing has least to spare.
struct Clearance {
    Millimetres by{};  ///< >= 0: how far it could be moved there in all
    Along along{};
    /// Box::what of what it would meet, or "weight", "speaker" of the factory; empty: walls alone.
    std::string against{};
};
/// What a thing lacks in the hollow that comes nearest to holding it.
struct Shortage {
    Millimetres by{};  ///< > 0
    Along along{};
    std::string hollow{};
    std::size_t unit = 0;
    bool alone = false;  ///< even without anything else in there
};
struct Room {
    std::string what;                  ///< Box::what
    std::optional<Clearance> spare{};  ///< of what lies
    std::optional<Shortage> lacks{};   ///< of what does not; nothing of it either: no hollow at all
};
/// As placements(facts).
[[nodiscard]] std::vector<Room> roomOf(const Job& job, const std::vector<Placement>& placed);

/// Whether the hollow that it lies in was measured on the model. Range: it lies in one.
[[nodiscard]] bool measuredThere(const Job& job, const Placement& placement);

}  // namespace glimmet::core
