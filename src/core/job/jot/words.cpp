#include "core/job/jot/words.h"

#include <cctype>

namespace glimmet::core::jot {

std::string lowered(std::string words) {
    for (char& c : words) {
        if (static_cast<unsigned char>(c) < 128) c = static_cast<char>(std::tolower(c));
    }
    return words;
}

std::string joined(std::span<const std::string> words) {
    std::string line;
    for (const std::string& word : words) line += (line.empty() ? "" : " ") + word;
    return line;
}

bool startsNumeric(const std::string& word) {
    const char c = word.front();
    return (c >= '0' && c <= '9') || c == '.' || c == ',' || c == '-' || c == '+';
}

std::vector<std::string> wordsOf(std::string_view line) {
    std::vector<std::string> words;
    std::string word;
    const auto flush = [&] {
        if (!word.empty()) words.push_back(word);
        word.clear();
    };
    for (const char c : line) {
        if (c == ' ' || c == '\t' || c == '\n' || c == '\r')
            flush();
        else
            word += c;
    }
    flush();
    for (std::size_t i = 0; i + 1 < words.size(); ++i) {
        if (!startsNumeric(words[i]) || startsNumeric(words[i + 1])) continue;
        if (dimensionNamed(words[i])) continue;
        const std::string both = words[i] + " " + words[i + 1];
        if (!dimensionNamed(both)) continue;
        words[i] = both;
        words.erase(words.begin() + static_cast<std::ptrdiff_t>(i) + 1);
    }
    return words;
}

std::vector<std::string> taken(std::vector<std::string>& words, Dimension dimension) {
    std::vector<std::string> found;
    for (auto it = words.begin(); it != words.end();) {
        const auto named = dimensionNamed(*it);
        if (named && *named == dimension) {
            found.push_back(*it);
            it = words.erase(it);
        } else {
            ++it;
        }
    }
    return found;
}

}  // namespace glimmet::core::jot
