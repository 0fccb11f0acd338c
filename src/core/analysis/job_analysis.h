// What is worked out from the record of a job, for judges, pictures and charts: each fact once,
// when somebody asks for it.
#pragma once

#include "core/analysis/fact.h"
#include "core/analysis/lamp_groups.h"
#include "core/analysis/same_type.h"
#include "core/record/job.h"

#include <string_view>
#include <vector>

namespace glimmet::core {

/// No stage writes it. What it refers to must outlive it. Other facts are kept in it by the
/// functions that tell them: loadsOf, driveEvidence and their like.
struct JobAnalysis {
    const Job& job;
    WorkshopRules house;  ///< with what this job has otherwise; not to be changed later
    const Catalogue& catalogue;
    std::vector<Result<GroupState>> groups;  ///< as Job::groups
    std::vector<SameType> sameType;          ///< others of its type in the workshop, if it has any
    mutable KeptFacts kept{};                ///< asked for so far

    /// Nothing where no group has that id or it could not be solved.
    [[nodiscard]] const GroupState* group(std::string_view id) const;
    /// What the lamps take with every output on; groups straight on the supply do not count.
    [[nodiscard]] Amperes outputsOn() const;
    template <class Fact>
    [[nodiscard]] const typename Fact::Value& fact() const {
        return kept.get<Fact>(*this);
    }
};

[[nodiscard]] JobAnalysis analysed(const Job& job, const WorkshopRules& house,
                                   const Catalogue& catalogue, std::vector<SameType> sameType = {});
/// The same job after a change: only what reads something that changed is worked out again. `after`
/// must outlive what is returned.
[[nodiscard]] JobAnalysis reanalysed(const JobAnalysis& before, const Job& after);

}  // namespace glimmet::core
