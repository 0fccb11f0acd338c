// The record of the workshop itself, as a job is the record of a model.
#pragma once

#include "core/record/house.h"

namespace glimmet::core {

struct WorkshopRecord {
    House house;
    bool operator==(const WorkshopRecord&) const = default;
};

}  // namespace glimmet::core
