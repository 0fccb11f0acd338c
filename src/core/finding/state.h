// The four things a check can say.
#pragma once

#include "core/words.h"

namespace glimmet::core {

/// In order of gravity, worst last, so that the worst of several is their maximum.
enum class State {
    Fine,
    Close,  ///< within a margin of a limit
    Ask,    ///< a measurement is missing; the finding says which
    Over,
};

constexpr auto wordsOf(State) {
    return std::to_array<Word<State>>({{State::Fine, "fine"},
                                       {State::Close, "close"},
                                       {State::Ask, "ask"},
                                       {State::Over, "over"}});
}

[[nodiscard]] constexpr State worse(State a, State b) { return a < b ? b : a; }

/// Over above the limit, close above `closeAbove` (a share of the limit, 0…1), else fine.
[[nodiscard]] constexpr State stateAgainst(double value, double limit, double closeAbove) {
    if (value > limit) return State::Over;
    return value > closeAbove * limit ? State::Close : State::Fine;
}

}  // namespace glimmet::core
