// A point that a wire ends at and a probe reaches: what it belongs to, and which of its pins.
#pragma once

#include <compare>
#include <optional>
#include <string>
#include <string_view>

namespace glimmet::core {

/// {"rail","left"} {"U1","frame"} {"U1/axle2","left"} {"M3","plus"} {"D4","blue"}
/// {"L5/2/1","anode"} {"K6","plus"} {"P1/a","4"} {"T2","3"}. Neither may be empty or hold a dot.
struct TerminalId {
    std::string owner, pin;
    std::strong_ordering operator<=>(const TerminalId&) const = default;
    bool operator==(const TerminalId&) const = default;
};
/// "M3.plus", and back; nothing where that is no terminal.
[[nodiscard]] inline std::string spelled(const TerminalId& id) { return id.owner + "." + id.pin; }
[[nodiscard]] inline std::optional<TerminalId> terminalSpelled(std::string_view words) {
    const auto dot = words.find('.');
    if (dot == 0 || dot == std::string_view::npos || dot + 1 == words.size() ||
        words.find('.', dot + 1) != std::string_view::npos) {
        return {};
    }
    return TerminalId{std::string(words.substr(0, dot)), std::string(words.substr(dot + 1))};
}

/// The pin of a free end: the wire leads to nothing of its owner.
inline constexpr const char* nowhere = "nowhere";

}  // namespace glimmet::core
