// Puts the words and quantities of a line into the places of a verb.
#pragma once

#include "core/jot/command.h"

namespace glimmet::core::jot {

struct Reading {
    ParsedLine said;
    std::vector<Token> bare;  ///< numbers without a unit, not placed yet
    std::vector<Token> left;  ///< words without a place
    std::optional<Error> fault;
    const Argument* open = nullptr;  ///< a place whose word ("on") was the last thing said
};

/// Every token in its place, or what is in the way.
[[nodiscard]] Reading placed(const Command& command, const Context& context,
                             const std::vector<Token>& line);

/// "Write it like stall 1.15A 12V."
[[nodiscard]] Text likeExample(const Command& command);
/// A token as a refusal shows it.
[[nodiscard]] std::string shown(const Token& token);

}  // namespace glimmet::core::jot
