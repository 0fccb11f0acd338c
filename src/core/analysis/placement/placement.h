// Where the things that are fitted lie in the model: where they were put, else where all of them go
// in together; one that finds no room is shown in the roomiest hollow.
#pragma once

#include "core/analysis/placement/box.h"
#include "core/fit/pack.h"
#include "core/text.h"

#include <optional>
#include <string_view>
#include <vector>

namespace glimmet::core {

struct JobAnalysis;

/// How a box lies in its hollow. Upright: its length stands up.
enum class Orientation { Flat, OnSide, Crosswise, Upright, CrosswiseOnSide, UprightCrosswise };
/// A box so turned.
[[nodiscard]] Box posed(Box box, Orientation orientation);
/// "the hood", "the hood, on its side"
[[nodiscard]] Text inHollow(const std::string& hollow, Orientation orientation);

struct Placement {
    Box box;  ///< as it is posed
    std::size_t unit = 0;
    Point corner;               ///< front lower corner, in its unit
    std::string hollow;         ///< name of the cavity; empty where the body has none
    bool fits = false;          ///< in length, height and width
    Orientation orientation{};  ///< flat, unless only another fits
    /// Where in its hollow, counted from that one's front, right, lower corner; nothing: it does
    /// not fit. `hollow` of it counts the hollows of all units.
    std::optional<fit::Lies> lies{};
};

/// Where a fixture lies in its unit; nothing where no hollow goes by that name any more. It does
/// not reach out of the hollow.
[[nodiscard]] std::optional<Cavity> lies(const Unit& unit, const Fixture& fixture);

/// In the order of boxesOf. `instead`: a box in place of the job's own of that kind, to see
/// where it would lie.
[[nodiscard]] std::vector<Placement> placements(const Job& job, const Box* instead = nullptr);
/// The same of the job itself, kept with its facts.
[[nodiscard]] const std::vector<Placement>& placements(const JobAnalysis& facts);
/// nullptr where the job has no such thing.
[[nodiscard]] const Placement* placementOf(const std::vector<Placement>& placements,
                                           std::string_view what);

}  // namespace glimmet::core
