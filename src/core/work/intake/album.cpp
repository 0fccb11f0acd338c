#include "core/work/intake/album.h"

#include <string>

namespace glimmet::core::intake {

Text photographed(const Job& job, std::string_view of) {
    for (const Spot& spot : job.intake.spots) {
        if (spot.id == of) return text("%1", spot.words);
    }
    const auto& steps = job.intake.takenOff;
    for (std::size_t i = 0; i < steps.size() && !of.empty(); ++i) {
        if (steps[i].id == of) return text("step %1, %2", std::to_string(i + 1), steps[i].what);
    }
    return text("the model");
}

std::optional<std::size_t> nextBackOn(const Job& job) {
    const auto& steps = job.intake.takenOff;
    for (std::size_t i = steps.size(); i-- > 0;) {
        if (steps[i].back.empty()) return i;
    }
    return {};
}

}  // namespace glimmet::core::intake
