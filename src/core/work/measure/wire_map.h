// The factory's wires as the meter found them, and where their colours promise something else.
#pragma once

#include "core/work/reckoned.h"
#include "core/work/room.h"

#include <string_view>

namespace glimmet::core::measure {

/// What a colour stands for by the published convention of wire colours (S-9.1.1): "right rail" for
/// red; empty where it stands for nothing.
[[nodiscard]] std::string_view conventional(std::string_view colour, Feed feed = Feed::TwoRailDcc);
/// What a wire can be found to join, as lines name it.
[[nodiscard]] std::span<const std::string_view> wireEnds();

void judgeWires(const Reckoned& facts, Judging& judging);

}  // namespace glimmet::core::measure
