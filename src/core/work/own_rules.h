// Lines by which one job is judged otherwise than the house does.
#pragma once

#include "core/jot/verb.h"

#include <span>

namespace glimmet::core {

[[nodiscard]] std::span<const jot::Verb> ownRuleVerbs();

}  // namespace glimmet::core
