// The record of the workshop itself, as a job is the record of a model.
#pragma once

#include "core/record/district.h"
#include "core/record/house.h"

#include <span>
#include <string>
#include <utility>
#include <vector>

namespace glimmet::core {

/// The jobs of a workshop by their number, as lines about the workshop name them.
using Shelf = std::span<const std::pair<int, std::string>>;

struct WorkshopRecord {
    House house{};
    std::string meter{};  ///< "HOST:PORT" of the bench meter (core/instrument/scpi.h); empty: none
    std::vector<PowerDistrict> districts{};
    bool operator==(const WorkshopRecord&) const = default;
};

}  // namespace glimmet::core
