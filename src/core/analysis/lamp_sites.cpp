#include "core/analysis/lamp_sites.h"

#include <algorithm>

namespace glimmet::core {

std::vector<NamedSite> namedSites(const Job& job) {
    std::vector<NamedSite> all;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        for (const LampSite& site : job.units[i].body.sites) all.push_back({site.name, i, &site});
    }
    for (NamedSite& each : all) {
        const auto same = std::count_if(all.begin(), all.end(), [&](const NamedSite& other) {
            return other.site->name == each.site->name;
        });
        if (same > 1) each.called = unitCalled(job, each.unit) + " " + each.site->name;
    }
    return all;
}

}  // namespace glimmet::core
