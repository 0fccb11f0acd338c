// Sentences as data: an English pattern with %1, %2 … and what goes in. Core writes them, the
// application translates the pattern, the command line prints it as it stands. So core needs no
// translation library, and a translated program never has English glued into its sentences.
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace glimmet::core {

struct Text {
    std::string pattern;       ///< English, with %1 … %9 for the values
    std::vector<Text> values;  ///< what %1 … %9 stand for
    bool verbatim = false;     ///< true: a name, number or unit that is not translated

    [[nodiscard]] bool empty() const { return pattern.empty(); }
    bool operator==(const Text&) const = default;
};

/// Words that are the same in every language: names, figures, part numbers.
[[nodiscard]] inline Text verbatim(std::string words) { return {std::move(words), {}, true}; }

inline Text asText(Text text) { return text; }
inline Text asText(std::string words) { return verbatim(std::move(words)); }
inline Text asText(const char* words) { return verbatim(words); }
inline Text asText(std::string_view words) { return verbatim(std::string(words)); }

/// A translatable sentence: text("Stalled it draws %1.", "1.4 A").
template <class... Values>
[[nodiscard]] Text text(const char* pattern, Values&&... values) {
    return {pattern, {asText(std::forward<Values>(values))...}, false};
}

/// Where the first byte stands that is no UTF-8 (RFC 3629: nothing overlong, no surrogates, nothing
/// above U+10FFFF); the size where there is none.
[[nodiscard]] std::size_t firstNotUtf8(std::string_view words);

/// ASCII letters only; everything else stays.
[[nodiscard]] std::string lowered(std::string_view words);

/// The words, cut at a whole character (UTF-8) to at most so many bytes, and then "…".
[[nodiscard]] std::string shortened(std::string_view words, std::size_t longest);

/// The English sentence with its values filled in. A %n without a value stays as it is.
[[nodiscard]] std::string plain(const Text& text);

}  // namespace glimmet::core
