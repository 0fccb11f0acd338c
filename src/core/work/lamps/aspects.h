// Several colours at one place: a two-colour or three-colour LED, a signal head of two or three
// aspects.
#pragma once

#include "core/jot/command.h"
#include "core/work/jot.h"

namespace glimmet::core::lamps {

/// "aspects front white red", "aspects home signal red green yellow stacked on 1 2 3", "aspects
/// sign rgb": red, true green and blue in one body. Stacked ones sit one below the other, the first
/// one uppermost. Behind a decoder each colour has an output of its own and they share the plus
/// (three legs of a two-colour LED); the first colour goes with the place's own direction, the
/// second with the other. Where the supply itself reverses (plain DC, rails without a decoder) two
/// colours are the two ways round of one pair (two legs). Errors: Missing without a place or name,
/// or without two colours; NotUnderstood for what is no colour, for more than two on a reversing
/// supply, or for outputs that are not as many.
[[nodiscard]] Result<JotResult> aspectsCommand(const jot::ParsedLine& said);

}  // namespace glimmet::core::lamps
