#include "core/text.h"

namespace glimmet::core {

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

}  // namespace glimmet::core
