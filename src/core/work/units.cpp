#include "core/work/units.h"

#include <algorithm>

namespace glimmet::core {

std::vector<jot::Named> unitNames(const jot::Context& context) {
    const Job& job = context.job;
    std::vector<jot::Named> all;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        const Unit& unit = job.units[i];
        const std::string number = std::to_string(i + 1);
        jot::Named named{unit.name.empty() ? number : unit.name, {unit.id}, unit.body.kind};
        if (!unit.name.empty()) named.also.push_back(number);
        named.also.push_back("unit " + number);
        all.push_back(std::move(named));
    }
    return all;
}

Result<std::size_t> unitOf(const jot::Said& said) {
    const Job& job = said.context.job;
    if (const auto& wanted = said.name("UNIT")) {
        for (std::size_t i = 0; i < job.units.size(); ++i) {
            if (*wanted == (job.units[i].name.empty() ? std::to_string(i + 1) : job.units[i].name))
                return i;
        }
    }
    if (job.units.size() == 1) return std::size_t{0};
    std::string all;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        all += (all.empty() ? "" : ", ") + unitCalled(job, i);
    }
    return jot::refuse(ErrorCode::Missing,
                       text("In which unit? There are: %1. Write it behind: in %2.", all,
                            unitCalled(job, job.units.size() - 1)));
}

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
