// What each key of the controller does in a model.
#pragma once

#include "core/record/dc_test.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// One key in one direction of travel, or in both.
struct FunctionKey {
    int key = 0;                           ///< 0 … 68: F0, F1 …
    std::optional<Direction> direction{};  ///< nothing: in both
    std::vector<std::string> outputs{};    ///< names of the decoder's outputs that it switches
    std::string sound{};                   ///< what is heard; empty: nothing
    std::string label{};                   ///< what the owner calls it; empty: as its outputs
    bool momentary = false;                ///< it works only while it is held down
    bool operator==(const FunctionKey&) const = default;
};

}  // namespace glimmet::core
