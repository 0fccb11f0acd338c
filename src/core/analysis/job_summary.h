// What the workshop's own stations read of a job: one value, worked out when they are looked at.
#pragma once

#include "core/power/district.h"
#include "core/record/job.h"

namespace glimmet::core {

struct JobSummary {
    int job = 0;           ///< its number on the shelf
    DistrictVehicle load;  ///< with its name; what was not read is usual for its kind
    bool read = false;     ///< its running and slipping currents were read
};

[[nodiscard]] JobSummary summaryOf(int id, const Job& job, const WorkshopRules& house,
                                   const Catalogue& catalogue);

}  // namespace glimmet::core
