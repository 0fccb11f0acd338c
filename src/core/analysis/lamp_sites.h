// The places for lamps that the bodies of a job have.
#pragma once

#include "core/record/job.h"

#include <string>
#include <vector>

namespace glimmet::core {

/// A place for a lamp as a line names it: with its unit where several units have one so called.
struct NamedSite {
    std::string called;  ///< "front lamp", "rear car front lamp"
    std::size_t unit;
    const LampSite* site;
};
[[nodiscard]] std::vector<NamedSite> namedSites(const Job& job);

}  // namespace glimmet::core
