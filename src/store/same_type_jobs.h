// Models of the same type as a job: the same drawings in the same scale.
#pragma once

#include "core/analysis/same_type.h"
#include "store/workshop.h"

#include <map>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace glimmet::store {

/// Reads each type once and keeps what it found: for one look through a workshop that stays open.
class SameTypeJobs {
public:
    explicit SameTypeJobs(const Workshop& workshop) : m_workshop(workshop) {}
    /// The newest few beside the job itself; none where they cannot be read.
    [[nodiscard]] std::vector<core::SameType> of(JobId id, const core::Job& job);

private:
    const Workshop& m_workshop;
    std::optional<std::vector<JobEntry>> m_entries;
    std::map<std::pair<std::string, double>, std::vector<core::SameType>> m_known;
};

}  // namespace glimmet::store
