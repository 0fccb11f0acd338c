// The station of the house rules: how limits are judged, what is assumed until it is measured, and
// what each of them changes.
#pragma once

#include "core/work/workshop_stages.h"

namespace glimmet::core::rules {

[[nodiscard]] bool applies(const WorkshopRecord& workshop);
void judge(const WorkshopFacts& facts, Judging& judging);
[[nodiscard]] std::span<const jot::Command> commands();
[[nodiscard]] Idle idle(const WorkshopRecord& workshop);

/// One rule or default as its panel lists it.
struct Rule {
    const char* id;     ///< "rule": the subject of its finding
    const char* title;  ///< "Rating rule", to be translated
    Text value;         ///< "slip", "1.2 V"
    std::string jot;    ///< start of the line that changes it
    bool usual = true;  ///< as a new workshop has it
};
[[nodiscard]] std::vector<Rule> rulesOf(const WorkshopRecord& workshop);

inline constexpr WorkshopStage stage{"rules", "House", applies, judge, commands, idle};

}  // namespace glimmet::core::rules
