// The verbs of the jot language, by stage of the work.
#pragma once

#include "core/job/jot.h"
#include "core/jot/verb.h"

#include <string_view>

namespace glimmet::core {

// A namespace each, so that their tables may use the same words.
namespace measure {
[[nodiscard]] std::span<const jot::Verb> verbs();
}
namespace lamps {
[[nodiscard]] std::span<const jot::Verb> verbs();
}
namespace record {
[[nodiscard]] std::span<const jot::Verb> verbs();
}

[[nodiscard]] inline Jotted jotted(const jot::Said& said, std::optional<Stage> stage,
                                   Text meaning) {
    return {std::move(meaning), said.context.job, stage, {}};
}

}  // namespace glimmet::core
