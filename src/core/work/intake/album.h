// What photos show, and what comes back on in which order.
#pragma once

#include "core/record/job.h"
#include "core/text.h"

#include <optional>
#include <string_view>

namespace glimmet::core::intake {

/// What a photo is of: "the model", a spot's words, "step 3, rear screw". `of` as in Photo.
[[nodiscard]] Text photographed(const Job& job, std::string_view of);

/// The step that goes back on next, counted from 0: the last that is off. Nothing: all is on.
[[nodiscard]] std::optional<std::size_t> nextBackOn(const Job& job);

}  // namespace glimmet::core::intake
