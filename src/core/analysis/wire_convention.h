// What a wire's colour stands for by the published convention (S-9.1.1), and whether a wire as the
// factory laid it says something else.
#pragma once

#include "core/record/job.h"

#include <string_view>

namespace glimmet::core {

/// "right rail" for red; empty where it stands for nothing. With a middle conductor red is that.
[[nodiscard]] std::string_view conventional(std::string_view colour, Feed feed = Feed::TwoRailDcc);
/// Its colour stands for something else than it was found to join. With a middle conductor both
/// running rails are the other pole; where the frame is a rail, a wire on it goes to that rail.
[[nodiscard]] bool otherThanItsColour(const Job& job, const Wire& wire);

}  // namespace glimmet::core
