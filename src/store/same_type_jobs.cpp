#include "store/same_type_jobs.h"

#include "store/documents.h"

namespace glimmet::store {
namespace {

constexpr std::size_t most = 8;

}  // namespace

std::vector<core::SameType> SameTypeJobs::of(JobId id, const core::Job& job) {
    if (!m_entries) m_entries = m_workshop.jobs().value_or(std::vector<JobEntry>());
    const std::pair type{bodiesOf(job), job.scale.ratio};
    const auto [known, isNew] = m_known.try_emplace(type);
    if (isNew) {
        // One more than is handed out: the job itself may be among them.
        for (auto entry = m_entries->rbegin();
             entry != m_entries->rend() && known->second.size() <= most; ++entry) {
            if (std::pair{entry->bodies, entry->ratio} != type) continue;
            if (const auto other = m_workshop.job(entry->id)) {
                known->second.push_back(core::sameTypeOf(static_cast<int>(entry->id), *other));
            }
        }
    }
    std::vector<core::SameType> found = known->second;
    std::erase_if(found, [&](const core::SameType& each) { return each.job == id; });
    if (found.size() > most) found.pop_back();
    return found;
}

}  // namespace glimmet::store
