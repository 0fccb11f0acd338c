// Finds what words name, and the nearest word where they name nothing.
#pragma once

#include "core/jot/command.h"

namespace glimmet::core::jot {

/// Of several words the one that was probably meant; empty where none is near.
class Nearest {
public:
    explicit Nearest(std::string_view wanted);
    void offer(std::string_view word);
    [[nodiscard]] const std::string& word() const { return m_word; }

private:
    std::string m_wanted, m_word;
    std::size_t m_least;  ///< letters of difference that are too many
};

/// "front lamp, rear lamp"; explained: "front (white), rear (yellow)".
[[nodiscard]] std::string listed(const std::vector<Named>& names, bool explained = false);

struct Match {
    std::size_t taken = 0;            ///< tokens; 0: none
    bool exact = false;               ///< the whole name, not its beginning
    std::vector<const Named*> found;  ///< more than one: it could be several
    std::optional<std::size_t> row;   ///< "/2" behind the name
};
/// The longest run of words from `first` that names something: exactly, else by the whole words
/// that its name begins with.
[[nodiscard]] Match matched(const std::vector<Token>& line, std::size_t first,
                            const Argument& argument, const std::vector<Named>& names);

}  // namespace glimmet::core::jot
