#include "core/jot/names.h"

#include <algorithm>
#include <array>

namespace glimmet::core::jot {
namespace {

constexpr std::size_t longestWanted = 24;

/// Letters put in, left out, changed or swapped with their neighbour (optimal string alignment).
/// Range: `a` of at most longestWanted.
std::size_t distance(std::string_view a, std::string_view b) {
    // Rows of the table: of the letter of b before the last, of the last, of this one.
    std::array<std::array<std::size_t, longestWanted + 1>, 3> rows;
    for (std::size_t i = 0; i <= a.size(); ++i) rows[0][i] = i;
    for (std::size_t j = 1; j <= b.size(); ++j) {
        auto& row = rows[j % 3];
        const auto &last = rows[(j + 2) % 3], &beforeLast = rows[(j + 1) % 3];
        row[0] = j;
        for (std::size_t i = 1; i <= a.size(); ++i) {
            const std::size_t changed = a[i - 1] == b[j - 1] ? 0 : 1;
            row[i] = std::min({row[i - 1] + 1, last[i] + 1, last[i - 1] + changed});
            if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                row[i] = std::min(row[i], beforeLast[i - 2] + 1);
        }
    }
    return rows[b.size() % 3][a.size()];
}

/// Keys side by side: what a finger slips to.
bool neighbours(char a, char b) {
    static constexpr std::string_view rows[] = {"1234567890", "qwertyuiop", "asdfghjkl", "zxcvbnm"};
    for (std::size_t r = 0; r < std::size(rows); ++r) {
        const std::size_t at = rows[r].find(a);
        if (at == std::string_view::npos) continue;
        for (std::size_t other = r > 0 ? r - 1 : 0; other < std::min(r + 2, std::size(rows));
             ++other) {
            const std::size_t there = rows[other].find(b);
            if (there != std::string_view::npos && there + 1 >= at && there <= at + 1) return true;
        }
    }
    return false;
}

/// Of a short word one letter for another is a slip only on keys side by side: "not" is no "lot".
bool isSlip(std::string_view wanted, std::string_view word) {
    if (wanted.size() > 4 || wanted.size() != word.size()) return true;
    std::size_t differing = 0, at = 0;
    for (std::size_t i = 0; i < wanted.size(); ++i) {
        if (wanted[i] == word[i]) continue;
        ++differing;
        at = i;
    }
    return differing != 1 || neighbours(wanted[at], word[at]);
}

/// "front lamp/2" is the name and the row; without a row the row is 0.
std::optional<std::pair<std::string, std::size_t>> withoutRow(const std::string& typed) {
    const auto slash = typed.rfind('/');
    if (slash == std::string::npos) return std::pair{typed, std::size_t{0}};
    const std::string number = typed.substr(slash + 1);
    if (number.empty() || number.size() > 3 ||
        !std::all_of(number.begin(), number.end(), [](char c) { return c >= '0' && c <= '9'; })) {
        return std::nullopt;
    }
    return std::pair{typed.substr(0, slash), static_cast<std::size_t>(std::stoul(number))};
}

}  // namespace

Nearest::Nearest(std::string_view wanted)
    : m_wanted(lowered(wanted.substr(0, longestWanted))),
      // A slip of one letter; of two only in a long word.
      m_least(m_wanted.size() > 7   ? 3
              : m_wanted.size() > 2 ? 2
                                    : 0) {}

void Nearest::offer(std::string_view word) {
    // No word is nearer than by so many letters as it is longer or shorter.
    if (std::max(word.size(), m_wanted.size()) - std::min(word.size(), m_wanted.size()) >= m_least)
        return;
    const std::size_t away = distance(m_wanted, lowered(word));
    if (away >= m_least || away >= m_wanted.size() || !isSlip(m_wanted, lowered(word))) return;
    m_least = away;
    m_word = word;
}

std::string listed(const std::vector<Named>& names, bool explained) {
    std::string all;
    constexpr std::size_t most = 14;  // more than one takes in at a glance helps nobody
    std::size_t shown = 0;
    const auto several = static_cast<std::size_t>(
        std::count_if(names.begin(), names.end(), [](const Named& each) { return !each.hidden; }));
    for (const Named& named : names) {
        if (named.hidden || shown++ >= most) continue;
        all += (all.empty() ? "" : ", ") + named.name;
        if (explained && !named.says.empty()) all += " (" + named.says + ")";
    }
    return several > most ? all + " …" : all;
}

Match matched(const std::vector<Token>& line, std::size_t first, const Argument& argument,
              const std::vector<Named>& names) {
    constexpr std::size_t longest = 8;
    for (const bool exact : {true, false}) {
        for (std::size_t count = std::min(longest, line.size() - first); count > 0; --count) {
            std::string run;
            for (std::size_t i = first; i < first + count; ++i) {
                run += (run.empty() ? "" : " ") + lowered(line[i].words);
            }
            Match made;
            if (argument.rows && run.find('/') != std::string::npos) {
                const auto parted = withoutRow(run);
                if (!parted) continue;
                run = parted->first;
                made.row = parted->second;
            }
            for (const Named& named : names) {
                const auto says = [&](const std::string& word) {
                    const std::string lower = lowered(word);
                    return exact ? lower == run : lower.starts_with(run + " ");
                };
                if (says(named.name) || std::any_of(named.also.begin(), named.also.end(), says)) {
                    made.found.push_back(&named);
                }
            }
            if (made.found.empty()) continue;
            // What is called so goes before what may be called so as well.
            const auto called =
                std::find_if(made.found.begin(), made.found.end(),
                             [&](const Named* one) { return lowered(one->name) == run; });
            if (called != made.found.end()) made.found = {*called};
            made.taken = count;
            made.exact = exact;
            return made;
        }
    }
    return {};
}

}  // namespace glimmet::core::jot
