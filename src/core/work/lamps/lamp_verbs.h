// Lines that change lamps: targets, series, outputs, places; that join and remove them.
#pragma once

#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"

namespace glimmet::core::lamps {

[[nodiscard]] std::vector<jot::Named> shareNames(const jot::Context&);

[[nodiscard]] Result<JotResult> target(const jot::ParsedLine& said);

[[nodiscard]] Result<JotResult> series(const jot::ParsedLine& said);

[[nodiscard]] Result<JotResult> output(const jot::ParsedLine& said);

[[nodiscard]] Result<JotResult> place(const jot::ParsedLine& said);

[[nodiscard]] Result<JotResult> removeLamp(const jot::ParsedLine& said);

/// "join cab lamp front lamp": both on one output, lit together. Which of the two outputs does not
/// hang on the order of the words: the one that the decoder has, of two the first of the record.
[[nodiscard]] Result<JotResult> join(const jot::ParsedLine& said);

}  // namespace glimmet::core::lamps
