#include "core/analysis/job_analysis.h"

namespace glimmet::core {

const GroupState* JobAnalysis::group(std::string_view id) const {
    for (std::size_t i = 0; i < groups.size(); ++i) {
        if (job.groups[i].id == id) return groups[i] ? &*groups[i] : nullptr;
    }
    return nullptr;
}

Amperes JobAnalysis::outputsOn() const {
    Amperes sum{0};
    for (std::size_t i = 0; i < groups.size(); ++i) {
        if (job.groups[i].output != supplyOutput && groups[i]) sum += lastingTotal(*groups[i]);
    }
    return sum;
}

JobAnalysis analysed(const Job& job, const WorkshopRules& house, const Catalogue& catalogue,
                     std::vector<SameType> sameType) {
    JobAnalysis made{job, houseOf(job, house), catalogue, {}, std::move(sameType), {}};
    for (const LampGroup& group : job.groups) {
        made.groups.push_back(groupState(job, group, made.house));
    }
    return made;
}

JobAnalysis reanalysed(const JobAnalysis& before, const Job& after) {
    const Job& was = before.job;
    if (houseOf(after, before.house) != before.house)
        return analysed(after, before.house, before.catalogue, before.sameType);
    JobAnalysis made{after, before.house,    before.catalogue,
                     {},    before.sameType, before.kept.stillHold(was, after)};
    const bool sameElsewhere = GroupStateReads::same(was, after);
    for (std::size_t g = 0; g < after.groups.size(); ++g) {
        const LampGroup& group = after.groups[g];
        const bool untouched = sameElsewhere && g < was.groups.size() && group == was.groups[g];
        made.groups.push_back(untouched ? before.groups[g] : groupState(after, group, made.house));
    }
    return made;
}

}  // namespace glimmet::core
