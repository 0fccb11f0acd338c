// What each key of the controller switches in a model: as the record has it, else as decoders come
// from their makers.
#pragma once

#include "core/record/job.h"

#include <optional>
#include <string_view>
#include <vector>

namespace glimmet::core {

/// The number of an output for a decoder's variables, from 1: front, rear, then those with a
/// number of their own. Nothing: it has none.
[[nodiscard]] std::optional<int> outputNumber(std::string_view output);

/// Job::functions; where there are none, the light key 0 for front and rear by direction, key n
/// for output n, of the outputs that the decoder has or lamps are on.
[[nodiscard]] std::vector<FunctionKey> functionMap(const Job& job);

/// Keys that switch an output, rising. Empty: no key does.
[[nodiscard]] std::vector<int> keysOf(const Job& job, std::string_view output);
/// Keys that switch a lamp of the job, rising.
[[nodiscard]] std::vector<int> keysOf(const Job& job);
/// The one direction in which its keys switch it. Nothing: both, or no key does.
[[nodiscard]] std::optional<Direction> directionOf(const Job& job, std::string_view output);

}  // namespace glimmet::core
