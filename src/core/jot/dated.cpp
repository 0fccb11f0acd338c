#include "core/jot/dated.h"

#include "core/day.h"
#include "core/jot/command.h"

#include <algorithm>
#include <cctype>

namespace glimmet::core::jot {
namespace {

constexpr std::string_view form = "0000-00-00";

bool looksLikeADate(std::string_view word) {
    return word.size() == form.size() &&
           std::equal(word.begin(), word.end(), form.begin(), [](char letter, char wanted) {
               return wanted == '0' ? std::isdigit(static_cast<unsigned char>(letter)) != 0
                                    : letter == wanted;
           });
}

std::string_view trimmed(std::string_view words) {
    const auto first = words.find_first_not_of(' ');
    if (first == words.npos) return {};
    return words.substr(first, words.find_last_not_of(' ') - first + 1);
}

/// Without an "on" that stands alone at that end.
std::string_view withoutOn(std::string_view words, bool atEnd) {
    const std::size_t size = words.size();
    if (atEnd && size > 3 && words.ends_with(" on")) return trimmed(words.substr(0, size - 3));
    if (!atEnd && size > 3 && words.starts_with("on ")) return trimmed(words.substr(3));
    return words;
}

}  // namespace

Result<Dated> dated(std::string_view line, const std::string& today) {
    const std::string_view all = trimmed(line);
    const std::string_view led = withoutOn(all, false);
    std::string_view word = led.substr(0, led.find_first_of(" :,"));
    std::string_view rest;
    const bool leads = looksLikeADate(word);
    if (leads) {
        rest = led.substr(word.size());
        if (!rest.empty() && rest.front() != ' ') rest.remove_prefix(1);
        rest = trimmed(rest);
    } else {
        word = all.substr(all.find_last_of(' ') + 1);
        if (!looksLikeADate(word) || word.size() == all.size()) return Dated{line, {}, false};
        rest = withoutOn(trimmed(all.substr(0, all.size() - word.size())), true);
    }
    if (!dayNumber(word)) {
        return refuse(ErrorCode::OutOfRange, text("The calendar has no %1.", std::string(word)));
    }
    if (!today.empty() && word > today) {
        return refuse(ErrorCode::OutOfRange,
                      text("%1 is still to come: today is %2.", std::string(word), today));
    }
    return Dated{rest, std::string(word), !leads};
}

}  // namespace glimmet::core::jot
