#include "core/jot/placing.h"

#include "core/jot/names.h"
#include "core/jot/values.h"

#include <algorithm>

namespace glimmet::core::jot {
namespace {

using Kind = Takes::Kind;

// Said in passing at a bench: they add nothing to any line.
constexpr std::string_view passing[] = {"at",  "is", "was", "it",  "took",
                                        "the", "of", "and", "with"};

template <class Range>
bool holds(const Range& words, std::string_view wanted) {
    return std::any_of(std::begin(words), std::end(words),
                       [&](std::string_view word) { return word == wanted; });
}

/// "per metre", "every metre": a unit by itself is one of it.
Token oneOf(const Token& token, const Takes& takes) {
    if (token.numeric) return token;
    return {"1 " + token.words, token.at, true, takes.dimension, false};
}

class Placing {
public:
    Placing(const Verb& verb, const Context& context, const std::vector<Token>& line)
        : m_line(line), m_reading{{verb, context, {}, {}}, {}, {}, {}, nullptr} {
        m_reading.said.places.resize(verb.takes.size());
        m_positions.resize(verb.takes.size());
        for (const Takes& takes : verb.takes) {
            m_names.push_back(takes.names ? takes.names(context) : std::vector<Named>{});
        }
    }

    Reading all() {
        while (m_next < m_line.size() && !m_reading.fault) {
            if (!behindItsWord() && !named() && !words() && !passed() && !quantity()) left();
        }
        if (!m_reading.fault) bare();
        return std::move(m_reading);
    }

private:
    const Token& token() const { return m_line[m_next]; }
    const Verb& verb() const { return m_reading.said.verb; }
    ParsedLine::Place& place(std::size_t index) { return m_reading.said.places[index]; }
    void fail(ErrorCode code, Text what) { m_reading.fault = Error{code, "jot", std::move(what)}; }

    bool passed() {
        const std::string word = lowered(token().words);
        const bool says = !holds(passing, word) && !holds(verb().noise, word) &&
                          !goesBy(verb(), word) && !(token().afterVolts && word == "dc");
        if (says) return false;
        ++m_next;
        return true;
    }

    /// "in series": a name of several words goes before a place behind the first of them.
    bool phrase() const {
        for (std::size_t i = 0; i < verb().takes.size(); ++i) {
            const Takes& takes = verb().takes[i];
            if (takes.kind != Kind::Name || takes.after || filled(i)) continue;
            if (matched(m_line, m_next, takes, m_names[i]).taken > 1) return true;
        }
        return false;
    }

    /// on OUTPUT, called WORDS, for AMPS
    bool behindItsWord() {
        if (phrase()) return false;
        const auto index = placeBehindWord();
        if (!index) return false;
        const Takes& takes = verb().takes[*index];
        ++m_next;
        while (m_next < m_line.size() && takes.kind != Kind::Words && passed()) {
        }
        if (m_next == m_line.size()) {
            m_reading.open = &takes;
            fail(ErrorCode::Missing, text("Behind “%1” something is missing: %2. %3", takes.after,
                                          takes.what, likeExample(verb())));
            return true;
        }
        if (takes.kind == Kind::Words) {
            wordsUpToNextPlace(*index);
        } else if (takes.kind == Kind::Name) {
            if (!nameAt(*index)) unknownName(*index);
        } else if (const Token said = oneOf(token(), takes); measures(said, takes)) {
            keep(said, *index);
            ++m_next;
        } else {
            fail(ErrorCode::NotUnderstood, text("“%1” has no place behind “%2”. %3", shown(token()),
                                                takes.after, likeExample(verb())));
        }
        return true;
    }
    /// Of several places behind one word ("diode 0.35V", "diode schottky") the one that takes what
    /// follows, else the first.
    std::optional<std::size_t> placeBehindWord() const {
        const std::string word = lowered(token().words);
        std::optional<std::size_t> first;
        for (std::size_t i = 0; i < verb().takes.size(); ++i) {
            const Takes& takes = verb().takes[i];
            if (!takes.after || takes.after != word || filled(i)) continue;
            if (!first) first = i;
            if (m_next + 1 == m_line.size()) break;
            const bool fits = takes.kind == Kind::Name
                                  ? matched(m_line, m_next + 1, takes, m_names[i]).taken > 0
                                  : measures(oneOf(m_line[m_next + 1], takes), takes);
            if (fits) return i;
        }
        return first;
    }
    void wordsUpToNextPlace(std::size_t index) {
        std::string& words = place(index).words;
        for (; m_next < m_line.size() && !token().unit; ++m_next) {
            const std::string word = lowered(token().words);
            const bool next =
                std::any_of(verb().takes.begin(), verb().takes.end(),
                            [&](const Takes& takes) { return takes.after && takes.after == word; });
            if (next) break;
            words += (words.empty() ? "" : " ") + token().words;
        }
        if (words.empty()) {
            fail(ErrorCode::Missing,
                 text("Behind “%1” something is missing: %2. %3", verb().takes[index].after,
                      verb().takes[index].what, likeExample(verb())));
        }
    }
    bool filled(std::size_t index) const {
        const ParsedLine::Place& at = m_reading.said.places[index];
        return at.name || !at.words.empty() || at.quantities.size() >= verb().takes[index].atMost;
    }

    /// The places for names, an exact name before a beginning.
    bool named() {
        std::size_t best = 0, most = 0;
        bool whole = false;
        for (std::size_t i = 0; i < verb().takes.size(); ++i) {
            const Takes& takes = verb().takes[i];
            if (takes.kind != Kind::Name || takes.after || filled(i)) continue;
            const Match found = matched(m_line, m_next, takes, m_names[i]);
            const bool better =
                found.taken > most || (found.taken == most && found.exact && !whole);
            if (found.taken == 0 || !better) continue;
            most = found.taken;
            whole = found.exact;
            best = i;
        }
        return most > 0 && nameAt(best);
    }
    bool nameAt(std::size_t index) {
        const Takes& takes = verb().takes[index];
        const Match found = matched(m_line, m_next, takes, m_names[index]);
        if (found.taken == 0) return false;
        if (found.found.size() > 1) {
            std::vector<Named> several;
            for (const Named* each : found.found) several.push_back(*each);
            fail(ErrorCode::Unknown, text("“%1” can be several: %2. Write the whole name.",
                                          shown(token()), listed(several)));
            return true;
        }
        if (found.row == std::size_t{0}) {
            fail(ErrorCode::OutOfRange, text("Rows are counted from 1."));
            return true;
        }
        place(index).name = found.found.front()->name;
        place(index).row = found.row.value_or(0);
        m_next += found.taken;
        return true;
    }
    void unknownName(std::size_t index) {
        const Takes& takes = verb().takes[index];
        if (m_names[index].empty() && takes.none) {
            fail(ErrorCode::Unknown, text(takes.none));
        } else {
            fail(ErrorCode::Unknown, text(takes.unknown ? takes.unknown : "“%1” is none of: %2.",
                                          shown(token()), listed(m_names[index], takes.explained)));
        }
    }

    bool quantity() {
        if (!token().numeric) return false;
        const auto free = [&](std::size_t i) {
            const Takes& takes = verb().takes[i];
            return !takes.after && !filled(i) && measures(token(), takes) &&
                   (token().unit || !takes.unitNeeded);
        };
        for (std::size_t i = 0; i < verb().takes.size(); ++i) {
            if (!free(i)) continue;
            if (token().unit)
                keep(token(), i);
            else
                m_reading.bare.push_back(token());
            ++m_next;
            return true;
        }
        return false;
    }
    void keep(const Token& said, std::size_t index) {
        const auto value = valueOf(said, verb().takes[index]);
        if (!value) {
            m_reading.fault = value.error();
            return;
        }
        // In the order of the line, whichever of them had a unit.
        std::vector<std::size_t>& order = m_positions[index];
        const auto before = std::upper_bound(order.begin(), order.end(), said.at);
        auto& quantities = place(index).quantities;
        quantities.insert(quantities.begin() + (before - order.begin()), *value);
        order.insert(before, said.at);
    }

    /// Of a place that takes words as they come: "time 25m wiring and lamps".
    bool words() {
        for (std::size_t i = 0; i < verb().takes.size(); ++i) {
            const Takes& takes = verb().takes[i];
            if (takes.kind != Kind::Words || takes.after || token().numeric) continue;
            std::string& words = place(i).words;
            if (words.empty() && passed()) return true;
            words += (words.empty() ? "" : " ") + token().words;
            ++m_next;
            return true;
        }
        return false;
    }
    void left() {
        m_reading.left.push_back(token());
        ++m_next;
    }

    // A number without a unit goes where only one place can take it. Several are placed together:
    // "stall 0.3 12" has one way to be read, "stall 1.15 12" has two.
    struct Ways {
        std::vector<std::vector<std::size_t>> found;  ///< for each bare number its place
        std::vector<std::size_t> now;
    };
    void search(Ways& ways, std::vector<std::size_t>& room) {
        if (ways.found.size() > 1) return;
        if (ways.now.size() == m_reading.bare.size()) {
            ways.found.push_back(ways.now);
            return;
        }
        const Token& number = m_reading.bare[ways.now.size()];
        for (std::size_t i = 0; i < room.size(); ++i) {
            const Takes& takes = verb().takes[i];
            if (room[i] == 0 || !measures(number, takes)) continue;
            if (credibleValues(number, takes).empty()) continue;
            --room[i];
            ways.now.push_back(i);
            search(ways, room);
            ways.now.pop_back();
            ++room[i];
        }
    }
    void bare() {
        if (m_reading.bare.empty()) return;
        std::vector<std::size_t> room;
        for (std::size_t i = 0; i < verb().takes.size(); ++i) {
            const Takes& takes = verb().takes[i];
            const bool takesIt = takes.kind == Kind::Quantity && !takes.after && !takes.unitNeeded;
            room.push_back(takesIt ? takes.atMost - place(i).quantities.size() : 0);
        }
        Ways ways;
        search(ways, room);
        if (ways.found.size() == 1) {
            for (std::size_t i = 0; i < m_reading.bare.size() && !m_reading.fault; ++i) {
                keep(m_reading.bare[i], ways.found.front()[i]);
            }
            return;
        }
        for (const Token& number : m_reading.bare) {
            if (const auto question = placeless(number, room)) {
                m_reading.fault = question;
                return;
            }
        }
        fail(ErrorCode::NotUnderstood,
             text(ways.found.empty()
                      ? "“%1” is one value too many. %2"
                      : "“%1” has no unit, and here it could mean more than one thing. %2",
                  shown(ways.found.empty() ? m_reading.bare.back() : m_reading.bare.front()),
                  likeExample(verb())));
    }
    /// A number that no place can take as it stands: the place where it is nearest asks back.
    std::optional<Error> placeless(const Token& number, const std::vector<std::size_t>& room) {
        const Takes* nearest = nullptr;
        for (std::size_t i = 0; i < room.size(); ++i) {
            const Takes& takes = verb().takes[i];
            if (room[i] == 0 || !measures(number, takes)) continue;
            if (!credibleValues(number, takes).empty()) return {};
            if (!nearest || (!probable(number, *nearest) && probable(number, takes))) {
                nearest = &takes;
            }
        }
        return nearest ? std::optional(questioned(number, *nearest)) : std::nullopt;
    }

    const std::vector<Token>& m_line;
    std::size_t m_next = 0;
    std::vector<std::vector<Named>> m_names;            ///< as Verb::takes
    std::vector<std::vector<std::size_t>> m_positions;  ///< of its quantities, as Verb::takes
    Reading m_reading;
};

}  // namespace

Reading placed(const Verb& verb, const Context& context, const std::vector<Token>& line) {
    return Placing(verb, context, line).all();
}

Text likeExample(const Verb& verb) { return text("Write it like %1.", verb.examples.front()); }

std::string shown(const Token& token) { return shortened(token.words, 60); }

}  // namespace glimmet::core::jot
