// The verbs of the jot language, by stage of the work.
#pragma once

#include "core/job/jot.h"
#include "core/jot/verb.h"

#include <string_view>

namespace glimmet::core {

[[nodiscard]] std::span<const jot::Verb> measureVerbs();
[[nodiscard]] std::span<const jot::Verb> lampVerbs();
[[nodiscard]] std::span<const jot::Verb> recordVerbs();

[[nodiscard]] inline Jotted jotted(const jot::Said& said, std::optional<Stage> stage,
                                   Text meaning) {
    return {std::move(meaning), said.context.job, stage, {}};
}

/// What can be named as one lamp group of the job, with "/2" behind it for one of its rows.
[[nodiscard]] std::vector<jot::Named> lampGroupNames(const jot::Context& context);

struct RowAddress {
    std::size_t circuit = 0;
    std::size_t row = 0;
    bool wholeCircuit = true;
};
/// The lamp group that a line named, and its row.
/// Errors: OutOfRange where it has fewer rows.
[[nodiscard]] Result<RowAddress> addressed(const jot::Said& said, std::string_view what);

}  // namespace glimmet::core
