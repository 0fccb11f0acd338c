// Terminals as people call them at the bench, and the unit that each lies in.
#pragma once

#include "core/record/job.h"
#include "core/text.h"

#include <optional>
#include <string>
#include <string_view>

namespace glimmet::core {

/// The driving decoder and its stay-alive own terminals under these.
inline constexpr const char* decoderOwner = "D1";
inline constexpr const char* stayAliveOwner = "K1";
/// The track.
inline constexpr const char* railOwner = "rail";

/// What a lamp's two legs belong to, by the group's id and its place from 0: "L3/1/2"; and the two
/// wires of its group.
[[nodiscard]] std::string lampOwner(const LampGroup& group, std::size_t row, std::size_t lamp);
[[nodiscard]] TerminalId plusOf(const LampGroup& group);
[[nodiscard]] TerminalId minusOf(const LampGroup& group);

/// The lamp group that an owner is or lies in: "L3", "L3/1/R"; nullptr: none.
[[nodiscard]] const LampGroup* groupOf(const Job& job, const std::string& owner);

/// The unit that a terminal lies in, by its owner; nothing for the track and for owners that the
/// job does not have.
[[nodiscard]] std::optional<std::size_t> unitOf(const Job& job, const TerminalId& terminal);

/// "left rail", "motor plus", "frame", "common", "nothing": without the unit.
[[nodiscard]] std::string called(const TerminalId& terminal);
/// Where it is, so that a hand finds it: "motor plus", "decoder, blue", "cab lamp, minus", "left
/// rail of tender". Of several units or motors it names the one.
[[nodiscard]] Text described(const Job& job, const TerminalId& terminal);
/// The terminal of a unit that goes by such words. A motor's are its first motor's; of a unit
/// without one, of the unit.
[[nodiscard]] TerminalId terminalCalled(const Unit& unit, std::string_view words);

}  // namespace glimmet::core
