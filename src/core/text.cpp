#include "core/text.h"

namespace glimmet::core {

std::string shortened(std::string_view words, std::size_t longest) {
    if (words.size() <= longest) return std::string(words);
    std::size_t end = longest;
    while (end > 0 && (static_cast<unsigned char>(words[end]) & 0xC0) == 0x80) --end;
    return std::string(words.substr(0, end)) + "…";
}

std::string plain(const Text& text) {
    if (text.verbatim) return text.pattern;
    std::string words;
    for (std::size_t at = 0; at < text.pattern.size(); ++at) {
        const char here = text.pattern[at];
        const char next = at + 1 < text.pattern.size() ? text.pattern[at + 1] : '\0';
        const auto index = static_cast<std::size_t>(next - '1');
        if (here == '%' && next >= '1' && next <= '9' && index < text.values.size()) {
            words += plain(text.values[index]);
            ++at;
        } else {
            words += here;
        }
    }
    return words;
}

std::size_t firstNotUtf8(std::string_view words) {
    for (std::size_t at = 0; at < words.size();) {
        const auto byte = [&](std::size_t k) {
            return at + k < words.size() ? static_cast<unsigned char>(words[at + k]) : 0U;
        };
        const unsigned first = byte(0);
        const std::size_t more = first < 0x80                    ? 0
                                 : first >= 0xC2 && first < 0xE0 ? 1
                                 : first >= 0xE0 && first < 0xF0 ? 2
                                 : first >= 0xF0 && first < 0xF5 ? 3
                                                                 : 9;
        if (more == 9) return at;
        for (std::size_t k = 1; k <= more; ++k) {
            if ((byte(k) & 0xC0) != 0x80) return at;
        }
        const bool overlong =
            (first == 0xE0 && byte(1) < 0xA0) || (first == 0xF0 && byte(1) < 0x90);
        const bool beyond = (first == 0xED && byte(1) > 0x9F) || (first == 0xF4 && byte(1) > 0x8F);
        if (overlong || beyond) return at;
        at += more + 1;
    }
    return words.size();
}

std::string lowered(std::string_view words) {
    std::string lower(words);
    for (char& c : lower) {
        if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
    }
    return lower;
}

}  // namespace glimmet::core
