#include "core/analysis/wire_convention.h"

#include "core/analysis/wiring/terminals.h"

#include <utility>

namespace glimmet::core {
namespace {

constexpr std::pair<std::string_view, std::string_view> convention[] = {
    {"red", "right rail"},   {"black", "left rail"},  {"orange", "motor plus"},
    {"grey", "motor minus"}, {"gray", "motor minus"}, {"blue", "common"},
    {"white", "front lamp"}, {"yellow", "rear lamp"}};

}  // namespace

std::string_view conventional(std::string_view colour, Feed feed) {
    if (feed == Feed::ThreeRailDigital && colour == "red") return "middle conductor";
    for (const auto& [name, end] : convention) {
        if (name == colour) return end;
    }
    return {};
}

bool otherThanItsColour(const Job& job, const Wire& wire) {
    const std::string_view usual = conventional(wire.colour, job.feed);
    const std::string end = called(wire.to);
    const auto unit = unitOf(job, wire.to);
    const auto frame = unit ? job.units[*unit].frame : std::nullopt;
    // Where the frame is a rail, a wire on it goes to that rail.
    const bool frameIsRail = frame == FrameKind::FrameReturn || frame == FrameKind::SplitFrame;
    if (frameIsRail && end == "frame" && usual.ends_with("rail")) return false;
    const bool eitherRail =
        job.feed == Feed::ThreeRailDigital && usual == "left rail" && end == "right rail";
    return !usual.empty() && usual != end && !eitherRail;
}

}  // namespace glimmet::core
