// Lines by which one job is judged otherwise than the house does.
#pragma once

#include "core/jot/command.h"

#include <span>

namespace glimmet::core {

[[nodiscard]] std::span<const jot::Command> overrideCommands();

}  // namespace glimmet::core
