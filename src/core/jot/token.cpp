#include "core/jot/token.h"

#include "core/quantity/parse.h"

#include <algorithm>
#include <cctype>

namespace glimmet::core::jot {
namespace {

bool digit(char c) { return c >= '0' && c <= '9'; }
bool letter(char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); }

bool startsNumeric(std::string_view words) {
    if (words.starts_with("−")) words.remove_prefix(std::string_view("−").size());
    if (words.starts_with('-') || words.starts_with('+')) words.remove_prefix(1);
    if (words.starts_with('.') || words.starts_with(',')) words.remove_prefix(1);
    return !words.empty() && digit(words.front());
}

/// Only a number, without any unit.
bool bareNumber(std::string_view words) {
    return startsNumeric(words) && std::all_of(words.begin(), words.end(), [](char c) {
               return !letter(c) && static_cast<unsigned char>(c) < 128 && c != '"' && c != '%';
           });
}

bool digits(std::string_view words) {
    return !words.empty() && std::all_of(words.begin(), words.end(), digit);
}
/// "1/2", with or without its unit.
bool fraction(std::string_view words) {
    const auto slash = words.find('/');
    return slash != std::string_view::npos && digits(words.substr(0, slash)) &&
           slash + 1 < words.size() && digit(words[slash + 1]);
}

std::optional<Dimension> unitOf(const std::string& words) {
    if (words.ends_with('%')) return Dimension::Ratio;
    // "9.8m" can be milli of anything, metres or minutes: its place decides.
    if (words.size() > 1 && words.back() == 'm' &&
        (digit(words[words.size() - 2]) || words[words.size() - 2] == ' ')) {
        return std::nullopt;
    }
    const auto named = dimensionNamed(words);
    return named ? std::optional(*named) : std::nullopt;
}

/// A unit or a prefix that may stand alone behind its number.
bool unitLike(const std::string& word) {
    constexpr std::string_view prefixes[] = {"k", "K", "M", "R", "u", "µ", "μ", "kilo", "mega"};
    return word == "%" || dimensionNamed("1 " + word).has_value() ||
           std::find(std::begin(prefixes), std::end(prefixes), word) != std::end(prefixes);
}

/// "5x0.47F", or "5x" before it: so many of a capacitor. A size, "52x14x11", stays whole.
bool countOfFarads(std::string_view piece, std::size_t cross) {
    const std::string_view each = piece.substr(cross + 1);
    if (cross == 0 || !digits(piece.substr(0, cross))) return false;
    if (each.empty()) return true;
    if (!startsNumeric(each)) return false;
    const bool micro = each.ends_with('u') || each.ends_with("µ") || each.ends_with("μ");
    return micro || dimensionNamed(each) == Dimension::Capacitance;
}

/// Where a piece without blanks falls apart; the joining sign is left out.
std::vector<std::pair<std::size_t, std::size_t>> parts(std::string_view piece) {
    std::vector<std::pair<std::size_t, std::size_t>> found;
    // Only values are joined so: "1.15A@12V", "1.15A,12V", "1.15A/12V", "9.8,9.6,10.1". Names may
    // hold any sign: "front lamp/2".
    const bool numeric = startsNumeric(piece);
    const auto commas = std::count(piece.begin(), piece.end(), ',');
    const auto points = std::count(piece.begin(), piece.end(), '.');
    std::size_t from = 0;
    for (std::size_t i = 0; i < piece.size(); ++i) {
        const char c = piece[i];
        const bool afterUnit = i > 0 && letter(piece[i - 1]);
        const bool beforeNumber = i + 1 < piece.size() && startsNumeric(piece.substr(i + 1));
        const bool list = c == ',' && numeric && beforeNumber && points > commas;
        const bool joins = c == '@' || c == '=' || c == ';' || list ||
                           ((c == ',' || c == ':') && afterUnit && beforeNumber) ||
                           (c == '/' && numeric && afterUnit && beforeNumber) ||
                           (c == 'x' && countOfFarads(piece, i));
        if (!joins) continue;
        found.emplace_back(from, i);
        from = i + 1;
    }
    found.emplace_back(from, piece.size());
    return found;
}

void trim(std::string_view line, std::size_t& from, std::size_t& to) {
    for (bool more = true; more && from < to;) {
        more = false;
        for (const std::string_view quote : {"\"", "'", "“", "”"}) {
            const std::string_view piece = line.substr(from, to - from);
            // 3/32" is an inch mark, not a quote.
            const bool inches = quote == "\"" && startsNumeric(piece);
            if (piece.starts_with(quote)) {
                from += quote.size();
                more = true;
            } else if (piece.ends_with(quote) && !inches) {
                to -= quote.size();
                more = true;
            }
        }
        if (from < to && std::string_view(".,:;").find(line[to - 1]) != std::string_view::npos) {
            --to;
            more = true;
        }
    }
}

/// "1h30m", "1h30": where the minutes begin; 0 when it is nothing like that.
std::size_t minutesIn(const std::string& words) {
    const auto h = words.find_first_of("hH");
    if (h == std::string::npos || h == 0 || h + 1 >= words.size()) return 0;
    if (!std::all_of(words.begin(), words.begin() + static_cast<std::ptrdiff_t>(h), digit))
        return 0;
    std::size_t end = h + 1;
    while (end < words.size() && digit(words[end])) ++end;
    const std::string rest = lowered(words.substr(end));
    return end > h + 1 && (rest.empty() || rest == "m" || rest == "min") ? h + 1 : 0;
}

/// Three digits behind one point or comma, as thousands are grouped too: "2.200", "2,200 k".
/// "0.200" and "10.1" are not.
std::size_t groupingMark(const std::string& words) {
    std::size_t at = words.find_first_of(".,");
    if (at == std::string::npos || at == 0 || at > 3 || words.front() == '0') return 0;
    if (!std::all_of(words.begin(), words.begin() + static_cast<std::ptrdiff_t>(at), digit))
        return 0;
    std::size_t end = at + 1;
    while (end < words.size() && digit(words[end])) ++end;
    const bool goesOn = end < words.size() && (words[end] == '.' || words[end] == ',');
    return end - at - 1 == 3 && !goesOn ? at : 0;
}

}  // namespace

std::string joined(const std::vector<std::string>& words) {
    std::string line;
    for (const std::string& word : words) line += (line.empty() ? "" : " ") + word;
    return line;
}

std::vector<Token> tokens(std::string_view line) {
    constexpr std::string_view blanks = " \t\r\n";
    std::vector<Token> found;
    for (std::size_t at = line.find_first_not_of(blanks); at != std::string_view::npos;) {
        const std::size_t end = std::min(line.find_first_of(blanks, at), line.size());
        for (const auto& [first, last] : parts(line.substr(at, end - at))) {
            std::size_t from = at + first;
            std::size_t to = at + last;
            trim(line, from, to);
            if (from == to) continue;
            const std::string words(line.substr(from, to - from));
            if (const std::size_t minutes = minutesIn(words)) {
                const std::string behind = words.substr(minutes);
                const bool plain = digits(behind);
                found.push_back({words.substr(0, minutes), from, true, Dimension::Time, false});
                found.push_back(
                    {plain ? behind + "m" : behind, from + minutes, true, Dimension::Time, false});
                continue;
            }
            Token token{words, from, startsNumeric(words), std::nullopt, false};
            // 5 1/2 in
            const bool watts = words.back() == 'W' || words.back() == 'w';  // "470 1/4W" are two
            if (!found.empty() && !watts && fraction(words) && digits(found.back().words)) {
                found.back().words += " " + words;
                found.back().unit = unitOf(found.back().words);
                continue;
            }
            if (!found.empty() && !token.numeric) {
                Token& before = found.back();
                // "on 5 in rear car": inches end a line, a place goes on behind "in".
                const bool place = lowered(words) == "in" &&
                                   line.find_first_not_of(blanks, end) != std::string_view::npos;
                // "4k7 ohm": the prefix was said, the unit comes behind.
                const auto unit = dimensionNamed("1 " + words);
                const bool prefixed = !before.unit && before.numeric && !bareNumber(before.words) &&
                                      unit &&
                                      parsedSi(before.words + " " + words, *unit).has_value();
                if (prefixed || (bareNumber(before.words) && unitLike(words) && !place)) {
                    before.words += " " + words;
                    before.unit = prefixed ? std::optional(*unit) : unitOf(before.words);
                    continue;
                }
                token.afterVolts = before.unit == Dimension::Voltage;
            }
            if (token.numeric) token.unit = unitOf(words);
            found.push_back(std::move(token));
        }
        at = line.find_first_not_of(blanks, end);
    }
    return found;
}

std::vector<double> valuesIn(const Token& token, Dimension dimension) {
    if (!token.numeric) return {};
    std::string words = token.words;
    const bool hundredths = words.ends_with('%');
    if (hundredths) {
        if (dimension != Dimension::Ratio) return {};
        words.pop_back();
    }
    // At the bench "25m" is minutes; elsewhere m stays milli or metre.
    if (dimension == Dimension::Time && words.ends_with('m') && !words.ends_with(" mm")) {
        const char before = words.size() > 1 ? words[words.size() - 2] : ' ';
        if (digit(before) || before == ' ') words += "in";
    }
    std::vector<std::string> readings{words};
    if (const std::size_t mark = groupingMark(words)) {
        readings.front()[mark] = '.';
        // One digit more keeps a decimal comma from being taken for a group.
        readings.push_back(words.substr(0, mark) + words.substr(mark + 1));
    }
    std::vector<double> values;
    for (const std::string& reading : readings) {
        if (const auto value = parsedSi(reading, dimension)) {
            values.push_back(hundredths ? *value / 100 : *value);
        }
    }
    return values;
}

}  // namespace glimmet::core::jot
