// The rails of a track: plain values, as records keep them.
#pragma once

#include "core/words.h"

namespace glimmet::core {

enum class Rails { Left, Right, Both };
/// "left" "right" "both"
constexpr auto wordsOf(Rails) {
    return std::to_array<Word<Rails>>(
        {{Rails::Left, "left"}, {Rails::Right, "right"}, {Rails::Both, "both"}});
}

}  // namespace glimmet::core
