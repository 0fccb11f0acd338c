// The jots of the record itself: they belong to no stage.
#pragma once

#include "core/jot/verb.h"

#include <span>

namespace glimmet::core {

[[nodiscard]] std::span<const jot::Verb> recordVerbs();
[[nodiscard]] std::span<const jot::Verb> bodyVerbs();

}  // namespace glimmet::core
