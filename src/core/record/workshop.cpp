#include "core/record/workshop.h"

#include <algorithm>
#include <unordered_map>
#include <unordered_set>

namespace glimmet::core {

std::vector<int> shelved(const std::vector<int>& came, const std::vector<Shelved>& order) {
    const std::unordered_set<int> there(came.begin(), came.end());
    std::unordered_set<int> placed;
    std::vector<int> all;
    for (const auto& [job] : order) {
        if (there.contains(job) && placed.insert(job).second) all.push_back(job);
    }
    for (const int job : came) {
        if (!placed.contains(job)) all.push_back(job);
    }
    return all;
}

std::vector<Shelved> orderWith(int job, std::optional<int> before, const std::vector<int>& came,
                               const std::vector<Shelved>& order) {
    std::vector<int> all = shelved(came, order);
    std::erase(all, job);
    all.insert(before ? std::find(all.begin(), all.end(), *before) : all.end(), job);
    // The last of them that stand as they came need no place of their own.
    std::unordered_map<int, std::size_t> cameAs;
    for (std::size_t i = 0; i < came.size(); ++i) cameAs[came[i]] = i;
    std::size_t kept = all.size() - 1;
    while (kept > 0 && cameAs[all[kept - 1]] < cameAs[all[kept]]) --kept;
    std::vector<Shelved> placed;
    for (std::size_t i = 0; i < kept; ++i) placed.push_back({all[i]});
    return placed;
}

}  // namespace glimmet::core
