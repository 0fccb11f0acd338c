// What a verb gives back.
#pragma once

#include "core/jot/command.h"
#include "core/work/jot.h"

#include <string_view>

namespace glimmet::core {

/// The job as it stands, to be changed; the stage is filled in by whose verb it is.
[[nodiscard]] inline JotResult jotted(const jot::ParsedLine& said, Text meaning) {
    return {std::move(meaning), said.context.job, {}, {}};
}

}  // namespace glimmet::core
