// What runs together on one booster.
#pragma once

#include "core/quantity/quantities.h"

#include <string>
#include <vector>

namespace glimmet::core {

/// A job of this workshop, by its number on the shelf.
struct DistrictModel {
    int job = 0;
    bool operator==(const DistrictModel&) const = default;
};

struct PowerDistrict {
    std::string name;  ///< unique in the workshop
    Amperes rating{};  ///< of its booster, > 0
    Amperes trip{};    ///< where it switches off, > 0
    Amperes lamps{};   ///< fed from the track beside the models
    std::vector<DistrictModel> models;
    bool operator==(const PowerDistrict&) const = default;
};

}  // namespace glimmet::core
