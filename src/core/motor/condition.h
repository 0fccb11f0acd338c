// In what condition a motor was read, and how ratings are held against it: plain values.
#pragma once

#include "core/words.h"

namespace glimmet::core {

enum class MotorCondition { Light, Hauling, Slipping, Stalled };
constexpr auto wordsOf(MotorCondition) {
    return std::to_array<Word<MotorCondition>>({{MotorCondition::Light, "light"},
                                                {MotorCondition::Hauling, "hauling"},
                                                {MotorCondition::Slipping, "slipping"},
                                                {MotorCondition::Stalled, "stalled"}});
}

/// How a decoder's ratings are held against the motor; workshops differ.
enum class RatingRule {
    Strict,   ///< continuous >= stall
    Slip,     ///< continuous >= slipping and peak >= stall (the common rule)
    Running,  ///< continuous >= 1.25 × the larger of light and hauling
};
constexpr auto wordsOf(RatingRule) {
    return std::to_array<Word<RatingRule>>({{RatingRule::Strict, "strict"},
                                            {RatingRule::Slip, "slip"},
                                            {RatingRule::Running, "running"}});
}
inline constexpr double runningMargin = 1.25;  ///< of the lenient rule

}  // namespace glimmet::core
