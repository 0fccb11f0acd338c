// Reads a line by the descriptions of verbs: right or not at all.
#pragma once

#include "core/jot/command.h"

namespace glimmet::core::jot {

/// What the line says, everything in its place and nothing left over.
/// The verb stands first, or anywhere where the words before it are values or names that it takes
/// ("12V 1.15A stall").
/// Errors: NotUnderstood for a word that has no place, and it is named; Unknown for names of
/// nothing; OutOfRange for values no model has, with the one that was probably meant; Missing for
/// what the line leaves out.
[[nodiscard]] Result<ParsedLine> said(std::string_view line,
                                      std::span<const Command* const> commands,
                                      const Context& context);

/// A way to go on with a line that is being typed.
struct Completion {
    std::string line;  ///< the whole line with it
    std::string word;  ///< what is added or completed: "front lamp"
    std::string says;  ///< what it is: a pattern, or a few words
};
[[nodiscard]] std::vector<Completion> completions(std::string_view line,
                                                  std::span<const Command* const> commands,
                                                  const Context& context);

}  // namespace glimmet::core::jot
