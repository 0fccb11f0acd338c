// The record of the workshop itself, as a job is the record of a model.
#pragma once

#include "core/record/district.h"
#include "core/record/workshop_rules.h"

#include <optional>
#include <span>
#include <string>
#include <utility>
#include <vector>

namespace glimmet::core {

/// The jobs of a workshop by their number, as lines about the workshop name them.
using Shelf = std::span<const std::pair<int, std::string>>;

/// A job that was put somewhere on the shelf, by its number.
struct Shelved {
    int job = 0;
    bool operator==(const Shelved&) const = default;
};

struct WorkshopRecord {
    WorkshopRules house{};
    std::string meter{};  ///< "HOST:PORT" of the bench meter (core/instrument/scpi.h); empty: none
    std::vector<PowerDistrict> districts{};
    std::vector<Shelved> shelfOrder{};  ///< from the left
    bool operator==(const WorkshopRecord&) const = default;
};

/// Jobs as they stand on the shelf: those of the order first, the others as they came.
[[nodiscard]] std::vector<int> shelved(const std::vector<int>& came,
                                       const std::vector<Shelved>& order);
/// The order in which a job stands before another one, or last. `came`: all jobs of the shelf.
/// Precondition: both are among them.
[[nodiscard]] std::vector<Shelved> orderWith(int job, std::optional<int> before,
                                             const std::vector<int>& came,
                                             const std::vector<Shelved>& order);

}  // namespace glimmet::core
