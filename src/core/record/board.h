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

/// What was in the socket when its lamps lit on plain DC.
enum class SocketPlug { Bridging, Decoder, None };
constexpr auto wordsOf(SocketPlug) {
    return std::to_array<Word<SocketPlug>>({{SocketPlug::Bridging, "bridging"},
                                            {SocketPlug::Decoder, "decoder"},
                                            {SocketPlug::None, "none"}});
}

/// Nothing set: nobody has looked.
struct FactoryBoard {
    std::optional<BoardFate> fate;
    std::optional<LampCommon> common;
    /// The factory's own plug bridges the socket and lights lamps on DC by design; so may a
    /// decoder.
    std::optional<SocketPlug> plug;
    bool open = false;              ///< cut free of the rails, and proved so by meter
    std::optional<bool> resistors;  ///< it carries them for its lamps
    bool operator==(const FactoryBoard&) const = default;
};

}  // namespace glimmet::core
