#include "core/analysis/motor/same_type_alike.h"

#include "core/analysis/motor/health.h"

#include <algorithm>

namespace glimmet::core::measure {

std::optional<SameTypeAlike> sameTypeAlike(const JobAnalysis& facts) {
    const SameType own = sameTypeOf(0, facts.job);
    if (!own.light) return {};
    SameTypeAlike seen{own.light->amps, {}, {}};
    std::vector<Amperes> amps;
    for (const SameType& each : facts.sameType) {
        if (!each.light || !atLikeVolts(each.light->volts, own.light->volts)) continue;
        seen.sameType.push_back({each.name, each.light->amps, each.light->on});
        amps.push_back(each.light->amps);
    }
    if (amps.empty()) return {};
    std::sort(amps.begin(), amps.end());
    const std::size_t half = amps.size() / 2;
    seen.middle = amps.size() % 2 == 1 ? amps[half] : (amps[half - 1] + amps[half]) / 2.0;
    return seen;
}

}  // namespace glimmet::core::measure
