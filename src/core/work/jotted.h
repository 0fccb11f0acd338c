// What a verb gives back.
#pragma once

#include "core/jot/command.h"
#include "core/work/jot.h"

#include <string>
#include <string_view>

namespace glimmet::core {

/// The job as it stands, to be changed; the stage is filled in by whose verb it is.
[[nodiscard]] inline JotResult jotted(const jot::ParsedLine& said, Text meaning) {
    return {std::move(meaning), said.context.job, {}, {}};
}

/// Words that end a line, with the article that a line does not need elsewhere.
[[nodiscard]] inline std::string asTyped(const jot::ParsedLine& said, const std::string& words) {
    const std::size_t at = words.empty() ? std::string::npos : said.rest.rfind(words);
    if (at == std::string::npos) return words;
    for (const std::string_view article : {"the ", "a ", "an "}) {
        const std::string before = said.rest.substr(0, at);
        if (before.ends_with(article) &&
            (before.size() == article.size() || before[before.size() - article.size() - 1] == ' '))
            return std::string(article) + words;
    }
    return words;
}

}  // namespace glimmet::core
