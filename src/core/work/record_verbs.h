// The jots of the record itself: they belong to no stage.
#pragma once

#include "core/jot/command.h"

#include <span>

namespace glimmet::core {

[[nodiscard]] std::span<const jot::Command> recordCommands();
[[nodiscard]] std::span<const jot::Command> bodyCommands();

}  // namespace glimmet::core
