// The station of the power districts: what runs together on each booster, and how many more.
#pragma once

#include "core/work/workshop_stages.h"

namespace glimmet::core::district {

[[nodiscard]] bool applies(const WorkshopRecord& workshop);
void judge(const WorkshopFacts& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const WorkshopRecord& workshop);

/// A district with what its models take, as its panel shows it.
struct Shown {
    std::string name;
    District district;  ///< its models as they were put there; then, nameless, lamps on the track
    DistrictLoad load;
    std::vector<std::string> unread;  ///< models of which currents are only usual
};
[[nodiscard]] std::vector<Shown> districtsOf(const WorkshopFacts& facts);

inline constexpr WorkshopStage stage{"district", "Districts", applies, judge, commands, idle};

}  // namespace glimmet::core::district
