// The facts of a job that judges, pictures and charts read: solved once an edit.
#pragma once

#include "core/analysis/lamp_groups.h"
#include "core/analysis/same_type.h"
#include "core/record/job.h"

#include <string_view>
#include <vector>

namespace glimmet::core {

/// Holds only what two stages read; no stage writes it. What it refers to must outlive it.
struct JobAnalysis {
    const Job& job;
    WorkshopRules house;  ///< with what this job has otherwise
    const Catalogue& catalogue;
    std::vector<Result<GroupState>> groups;  ///< as Job::groups
    std::vector<SameType> sameType;          ///< others of its type in the workshop, if it has any

    /// Nothing where no group has that id or it could not be solved.
    [[nodiscard]] const GroupState* group(std::string_view id) const;
    /// What the lamps take with every output on; groups straight on the supply do not count.
    [[nodiscard]] Amperes outputsOn() const;
};

[[nodiscard]] JobAnalysis analysed(const Job& job, const WorkshopRules& house,
                                   const Catalogue& catalogue, std::vector<SameType> sameType = {});
/// The same job after a change: only groups that it touched are solved again. `after` must outlive
/// what is returned.
[[nodiscard]] JobAnalysis reanalysed(const JobAnalysis& before, const Job& after);

}  // namespace glimmet::core
