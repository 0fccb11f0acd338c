#include "core/jot/placing.h"

#include "core/jot/names.h"
#include "core/jot/values.h"

#include <algorithm>

namespace glimmet::core::jot {
namespace {

using Kind = Argument::Kind;

// Said in passing at a bench: they add nothing to any line.
constexpr std::string_view passing[] = {"at",  "is", "was", "it",  "took",
                                        "the", "of", "and", "with"};

template <class Range>
bool holds(const Range& words, std::string_view wanted) {
    return std::any_of(std::begin(words), std::end(words),
                       [&](std::string_view word) { return word == wanted; });
}

/// "per metre", "every metre": a unit by itself is one of it.
Token oneOf(const Token& token, const Argument& argument) {
    if (token.numeric) return token;
    return {"1 " + token.words, token.at, true, argument.dimension, false};
}

class Placing {
public:
    Placing(const Command& command, const Context& context, const std::vector<Token>& line)
        : m_line(line), m_reading{{command, context, {}, {}}, {}, {}, {}, nullptr} {
        m_reading.said.places.resize(command.arguments.size());
        m_positions.resize(command.arguments.size());
        for (const Argument& argument : command.arguments) {
            m_names.push_back(argument.names ? argument.names(context) : std::vector<Named>{});
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
    const Command& command() const { return m_reading.said.command; }
    ParsedLine::Place& place(std::size_t index) { return m_reading.said.places[index]; }
    void fail(ErrorCode code, Text what) { m_reading.fault = Error{code, "jot", std::move(what)}; }

    bool passed() {
        const std::string word = lowered(token().words);
        const bool says = !holds(passing, word) && !holds(command().noise, word) &&
                          !goesBy(command(), word) && !(token().afterVolts && word == "dc");
        if (says) return false;
        ++m_next;
        return true;
    }

    /// "in series": a name of several words goes before a place behind the first of them.
    bool phrase() const {
        for (std::size_t i = 0; i < command().arguments.size(); ++i) {
            const Argument& argument = command().arguments[i];
            if (argument.kind != Kind::Name || argument.after || filled(i)) continue;
            if (matched(m_line, m_next, argument, m_names[i]).taken > 1) return true;
        }
        return false;
    }

    /// on OUTPUT, called WORDS, for AMPS
    bool behindItsWord() {
        if (phrase()) return false;
        const auto index = placeBehindWord();
        if (!index) return false;
        const Argument& argument = command().arguments[*index];
        ++m_next;
        while (m_next < m_line.size() && argument.kind != Kind::Words && passed()) {
        }
        if (m_next == m_line.size()) {
            m_reading.open = &argument;
            fail(ErrorCode::Missing, text("Behind “%1” something is missing: %2. %3",
                                          argument.after, argument.what, likeExample(command())));
            return true;
        }
        if (argument.kind == Kind::Words) {
            wordsUpToNextPlace(*index);
        } else if (argument.kind == Kind::Name) {
            if (!nameAt(*index)) unknownName(*index);
        } else if (const Token said = oneOf(token(), argument); measures(said, argument)) {
            keep(said, *index);
            ++m_next;
        } else {
            fail(ErrorCode::NotUnderstood, text("“%1” has no place behind “%2”. %3", shown(token()),
                                                argument.after, likeExample(command())));
        }
        return true;
    }
    /// Of several places behind one word ("diode 0.35V", "diode schottky") the one that takes what
    /// follows, else the first.
    std::optional<std::size_t> placeBehindWord() const {
        const std::string word = lowered(token().words);
        std::optional<std::size_t> first;
        for (std::size_t i = 0; i < command().arguments.size(); ++i) {
            const Argument& argument = command().arguments[i];
            if (!argument.after || argument.after != word || filled(i)) continue;
            if (!first) first = i;
            if (m_next + 1 == m_line.size()) break;
            const bool fits = argument.kind == Kind::Name
                                  ? matched(m_line, m_next + 1, argument, m_names[i]).taken > 0
                                  : measures(oneOf(m_line[m_next + 1], argument), argument);
            if (fits) return i;
        }
        return first;
    }
    void wordsUpToNextPlace(std::size_t index) {
        std::string& words = place(index).words;
        for (; m_next < m_line.size() && !token().unit; ++m_next) {
            const std::string word = lowered(token().words);
            const bool next = std::any_of(
                command().arguments.begin(), command().arguments.end(),
                [&](const Argument& argument) { return argument.after && argument.after == word; });
            if (next) break;
            words += (words.empty() ? "" : " ") + token().words;
        }
        if (words.empty()) {
            fail(ErrorCode::Missing,
                 text("Behind “%1” something is missing: %2. %3", command().arguments[index].after,
                      command().arguments[index].what, likeExample(command())));
        }
    }
    bool filled(std::size_t index) const {
        const ParsedLine::Place& at = m_reading.said.places[index];
        return at.name || !at.words.empty() ||
               at.quantities.size() >= command().arguments[index].atMost;
    }

    /// The places for names, an exact name before a beginning.
    bool named() {
        std::size_t best = 0, most = 0;
        bool whole = false;
        for (std::size_t i = 0; i < command().arguments.size(); ++i) {
            const Argument& argument = command().arguments[i];
            if (argument.kind != Kind::Name || argument.after || filled(i)) continue;
            const Match found = matched(m_line, m_next, argument, m_names[i]);
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
        const Argument& argument = command().arguments[index];
        const Match found = matched(m_line, m_next, argument, m_names[index]);
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
        const Argument& argument = command().arguments[index];
        if (m_names[index].empty() && argument.none) {
            fail(ErrorCode::Unknown, text(argument.none));
        } else {
            fail(ErrorCode::Unknown,
                 text(argument.unknown ? argument.unknown : "“%1” is none of: %2.", shown(token()),
                      listed(m_names[index], argument.explained)));
        }
    }

    bool quantity() {
        if (!token().numeric) return false;
        const auto free = [&](std::size_t i) {
            const Argument& argument = command().arguments[i];
            return !argument.after && !filled(i) && measures(token(), argument) &&
                   (token().unit || !argument.unitNeeded);
        };
        for (std::size_t i = 0; i < command().arguments.size(); ++i) {
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
        const auto value = valueOf(said, command().arguments[index]);
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
        for (std::size_t i = 0; i < command().arguments.size(); ++i) {
            const Argument& argument = command().arguments[i];
            if (argument.kind != Kind::Words || argument.after || token().numeric) continue;
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
            const Argument& argument = command().arguments[i];
            if (room[i] == 0 || !measures(number, argument)) continue;
            if (credibleValues(number, argument).empty()) continue;
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
        for (std::size_t i = 0; i < command().arguments.size(); ++i) {
            const Argument& argument = command().arguments[i];
            const bool takesIt =
                argument.kind == Kind::Quantity && !argument.after && !argument.unitNeeded;
            room.push_back(takesIt ? argument.atMost - place(i).quantities.size() : 0);
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
                  likeExample(command())));
    }
    /// A number that no place can take as it stands: the place where it is nearest asks back.
    std::optional<Error> placeless(const Token& number, const std::vector<std::size_t>& room) {
        const Argument* nearest = nullptr;
        for (std::size_t i = 0; i < room.size(); ++i) {
            const Argument& argument = command().arguments[i];
            if (room[i] == 0 || !measures(number, argument)) continue;
            if (!credibleValues(number, argument).empty()) return {};
            if (!nearest || (!probable(number, *nearest) && probable(number, argument))) {
                nearest = &argument;
            }
        }
        return nearest ? std::optional(questioned(number, *nearest)) : std::nullopt;
    }

    const std::vector<Token>& m_line;
    std::size_t m_next = 0;
    std::vector<std::vector<Named>> m_names;            ///< as Command::takes
    std::vector<std::vector<std::size_t>> m_positions;  ///< of its quantities, as Command::takes
    Reading m_reading;
};

}  // namespace

Reading placed(const Command& command, const Context& context, const std::vector<Token>& line) {
    return Placing(command, context, line).all();
}

Text likeExample(const Command& command) {
    return text("Write it like %1.", command.examples.front());
}

std::string shown(const Token& token) { return shortened(token.words, 60); }

}  // namespace glimmet::core::jot
