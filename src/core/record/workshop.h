// The record of the workshop itself, as a job is the record of a model.
#pragma once

#include "core/record/house.h"

#include <string>

namespace glimmet::core {

struct WorkshopRecord {
    House house{};
    std::string meter{};  ///< "HOST:PORT" of the bench meter (core/instrument/scpi.h); empty: none
    bool operator==(const WorkshopRecord&) const = default;
};

}  // namespace glimmet::core
