// What was seen when a model got its first power, and what was changed after it.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

#include <optional>
#include <string>

namespace glimmet::core {

/// What a step of the first power showed.
enum class Seen { AsItShould, Backwards, Nothing, WrongEnd, NoAnswer, TooMuchCurrent, Smoke };
constexpr auto wordsOf(Seen) {
    return std::to_array<Word<Seen>>({{Seen::AsItShould, "ok"},
                                      {Seen::Backwards, "backwards"},
                                      {Seen::Nothing, "nothing"},
                                      {Seen::WrongEnd, "wrong-end"},
                                      {Seen::NoAnswer, "no-answer"},
                                      {Seen::TooMuchCurrent, "too-much-current"},
                                      {Seen::Smoke, "smoke"}});
}
struct PowerSeen {
    std::string step;  ///< "programming", "forward", "lamp:L3"
    Seen seen{};
    std::optional<Amperes> current{};
    std::string on;
    bool operator==(const PowerSeen&) const = default;
};

/// What was exchanged so that it does what its keys say.
enum class Swapped { MotorLeads, DirectionBit, Outputs, Led };
constexpr auto wordsOf(Swapped) {
    return std::to_array<Word<Swapped>>({{Swapped::MotorLeads, "motor-leads"},
                                         {Swapped::DirectionBit, "direction-bit"},
                                         {Swapped::Outputs, "outputs"},
                                         {Swapped::Led, "led"}});
}
struct Swap {
    Swapped what{};
    std::string of;  ///< of a LED: id of its lamp group; else empty
    std::string on;
    bool operator==(const Swap&) const = default;
};

}  // namespace glimmet::core
