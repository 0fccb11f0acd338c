#include "core/work/reckoned.h"

namespace glimmet::core {

const GroupState* Reckoned::group(std::string_view id) const {
    for (std::size_t i = 0; i < groups.size(); ++i) {
        if (job.groups[i].id == id) return groups[i] ? &*groups[i] : nullptr;
    }
    return nullptr;
}

Amperes Reckoned::outputsOn() const {
    Amperes sum{0};
    for (std::size_t i = 0; i < groups.size(); ++i) {
        if (job.groups[i].output != supplyOutput && groups[i]) sum += groups[i]->total;
    }
    return sum;
}

Reckoned reckoned(const Job& job, const House& house, const Catalogue& catalogue) {
    Reckoned made{job, houseOf(job, house), catalogue, {}};
    for (const LampGroup& group : job.groups) {
        made.groups.push_back(groupState(job, group, made.house));
    }
    return made;
}

}  // namespace glimmet::core
