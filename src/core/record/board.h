// The factory's own lighting board, as far as it was mapped.
#pragma once

#include "core/words.h"

#include <optional>

namespace glimmet::core {

/// What becomes of it.
enum class BoardFate { None, PlugsIn, Replaced, Kept };
constexpr auto wordsOf(BoardFate) {
    return std::to_array<Word<BoardFate>>({{BoardFate::None, "none"},
                                           {BoardFate::PlugsIn, "plugs-in"},
                                           {BoardFate::Replaced, "replaced"},
                                           {BoardFate::Kept, "kept"}});
}
/// Where the wire goes that its lamps share.
enum class LampCommon { Plus, Minus, Regulated, Track };
constexpr auto wordsOf(LampCommon) {
    return std::to_array<Word<LampCommon>>({{LampCommon::Plus, "plus"},
                                            {LampCommon::Minus, "minus"},
                                            {LampCommon::Regulated, "regulated"},
                                            {LampCommon::Track, "track"}});
}

/// Nothing set: nobody has looked.
struct FactoryBoard {
    std::optional<BoardFate> fate;
    std::optional<LampCommon> common;
    bool open = false;              ///< cut free of the rails, and proved so by meter
    std::optional<bool> resistors;  ///< it carries them for its lamps
    bool operator==(const FactoryBoard&) const = default;
};

}  // namespace glimmet::core
