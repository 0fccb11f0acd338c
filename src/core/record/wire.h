// Wires as they lie in a model or under a baseboard, each with two ends and an identity of its own.
#pragma once

#include "core/quantity/quantities.h"
#include "core/record/joints.h"
#include "core/record/terminal.h"

#include <optional>
#include <string>

namespace glimmet::core {

/// A wire from one terminal to another. Its colour promises nothing. One that changes colour is two
/// wires that meet at a splice or a plug.
struct Wire {
    std::string id;                       ///< "W7"
    std::string colour;                   ///< of its insulation
    std::optional<TerminalId> from{};     ///< nothing: nobody followed it there
    TerminalId to;                        ///< `nowhere` where its end is free
    bool labelled = false;                ///< a tag on it says where it goes
    bool factory = false;                 ///< it came with the model
    std::optional<int> awg{};             ///< nothing: not told
    std::optional<Millimetres> length{};  ///< nothing: not told
    std::optional<bool> stranded{};       ///< nothing: not told
    std::string run{};  ///< what it lies together with: two wires of one run are one cable
    std::optional<Joints> fromJoint{}, toJoint{};  ///< of its ends; nothing: not made yet
    bool provisional = false;                      ///< a jumper: it comes out again
    bool operator==(const Wire&) const = default;
};

}  // namespace glimmet::core
