// In what condition a motor was read, and how ratings are held against it: plain values.
#pragma once

#include <optional>
#include <string_view>

namespace glimmet::core {

enum class MotorCondition { Light, Hauling, Slipping, Stalled };
inline constexpr MotorCondition motorConditions[] = {MotorCondition::Light, MotorCondition::Hauling,
                                                     MotorCondition::Slipping,
                                                     MotorCondition::Stalled};
/// "light" "hauling" "slipping" "stalled"
[[nodiscard]] std::string_view name(MotorCondition condition);
[[nodiscard]] std::optional<MotorCondition> motorConditionNamed(std::string_view name);

/// How a decoder's ratings are held against the motor; workshops differ.
enum class RatingRule {
    Strict,   ///< continuous >= stall
    Slip,     ///< continuous >= slipping and peak >= stall (the common rule)
    Running,  ///< continuous >= 1.25 × the larger of light and hauling
};
/// "strict" "slip" "running"
[[nodiscard]] std::string_view name(RatingRule rule);
[[nodiscard]] std::optional<RatingRule> ratingRuleNamed(std::string_view name);
inline constexpr double runningMargin = 1.25;  ///< of the lenient rule

}  // namespace glimmet::core
