// An answer to a question, as an option: what was found, what follows from it, the line that says
// it.
#pragma once

#include "core/finding/finding.h"

#include <string>
#include <utility>

namespace glimmet::core {

[[nodiscard]] inline Option answer(Text what, Text effect, State state, std::string jot) {
    Option option;
    option.kind = Option::Kind::Answer;
    option.what = std::move(what);
    option.effect = std::move(effect);
    option.state = state;
    option.jot = std::move(jot);
    return option;
}

}  // namespace glimmet::core
