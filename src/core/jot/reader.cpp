#include "core/jot/reader.h"

#include "core/jot/names.h"
#include "core/jot/placing.h"
#include "core/jot/values.h"

#include <algorithm>

namespace glimmet::core::jot {
namespace {

Error leftOver(const Reading& reading) {
    const Command& command = reading.said.command;
    const Token& token = reading.left.front();
    const bool namesNumber = std::any_of(command.arguments.begin(), command.arguments.end(),
                                         [](const Argument& t) { return t.needed && t.names; });
    if (token.numeric && (!namesNumber || token.unit)) {
        const bool full =
            std::any_of(command.arguments.begin(), command.arguments.end(),
                        [&](const Argument& argument) { return measures(token, argument); });
        // A place that takes nothing bare, and is free still: that is what was meant.
        bool bare = false;
        for (std::size_t i = 0; i < command.arguments.size(); ++i) {
            bare = bare || (!token.unit && command.arguments[i].unitNeeded &&
                            reading.said.places[i].quantities.size() < command.arguments[i].atMost);
        }
        return {ErrorCode::NotUnderstood, "jot",
                bare ? text("“%1” wants its unit. %2", shown(token), likeExample(command))
                : full ? text("“%1” is one value too many. %2", shown(token), likeExample(command))
                       : text("“%1” has no place in a line of %2. %3", shown(token), command.word,
                              likeExample(command))};
    }
    // A name that is needed and is missing explains itself best.
    Nearest nearest(token.words);
    const Argument* wanting = nullptr;
    const Argument* behind = nullptr;  // takes that very name, but behind its word
    std::vector<Named> known;
    for (std::size_t i = 0; i < command.arguments.size(); ++i) {
        const Argument& argument = command.arguments[i];
        if (argument.after) nearest.offer(argument.after);
        if (!argument.names || reading.said.places[i].name) continue;
        const auto names = argument.names(reading.said.context);
        const auto offer = [&](const std::string& word) {
            nearest.offer(word);
            if (argument.after && lowered(word) == token.words) behind = &argument;
        };
        for (const Named& named : names) {
            offer(named.name);
            for (const std::string& word : named.also) offer(word);
        }
        const bool asked = !argument.after && (argument.needed || argument.unknown);
        if (asked && !wanting) {
            wanting = &argument;
            known = names;
        }
    }
    if (behind) {
        return {ErrorCode::NotUnderstood, "jot",
                text("“%1” is said behind “%2”: %2 %1.", shown(token), behind->after)};
    }
    if (!nearest.word().empty()) {
        return {ErrorCode::NotUnderstood, "jot",
                text("“%1” means nothing here. Did you mean %2? %3", shown(token), nearest.word(),
                     likeExample(command))};
    }
    if (wanting && known.empty() && wanting->none) {
        return {ErrorCode::Unknown, "jot", text(wanting->none)};
    }
    if (wanting) {
        return {ErrorCode::Unknown, "jot",
                text(wanting->unknown ? wanting->unknown : "“%1” is none of: %2.", shown(token),
                     listed(known, wanting->explained))};
    }
    return {ErrorCode::NotUnderstood, "jot",
            text("“%1” has no place in a line of %2. %3", shown(token), command.word,
                 likeExample(command))};
}

std::optional<Error> missing(const ParsedLine& said) {
    for (std::size_t i = 0; i < said.places.size(); ++i) {
        const Argument& argument = said.command.arguments[i];
        const ParsedLine::Place& place = said.places[i];
        if (!argument.needed || place.name || !place.words.empty() || !place.quantities.empty()) {
            continue;
        }
        if (argument.none && argument.names && argument.names(said.context).empty()) {
            return Error{ErrorCode::Unknown, "jot", text(argument.none)};
        }
        // What could be named differs from job to job; fixed words stand in the question itself.
        if (argument.missing && argument.names && argument.unknown) {
            return Error{ErrorCode::Missing, "jot",
                         text("%1 There are: %2. %3", text(argument.missing),
                              listed(argument.names(said.context), argument.explained),
                              likeExample(said.command))};
        }
        if (argument.missing) {
            return Error{ErrorCode::Missing, "jot",
                         text("%1 %2", text(argument.missing), likeExample(said.command))};
        }
        return Error{ErrorCode::Missing, "jot",
                     text("%1 is missing in a line of %2. %3", argument.what, said.command.word,
                          likeExample(said.command))};
    }
    return {};
}

// --- the verb of a line ----------------------------------------------------------------------

/// A verb in a line and where its word stands. A unit can be one: "9.8 ohms"; nothing: its word
/// was left out.
struct Spoken {
    const Command* command = nullptr;
    std::optional<std::size_t> token;
    bool asUnit = false;
    bool last = false;  ///< only where nothing else reads the line
};

std::string lastWord(const std::string& words) {
    std::size_t from = words.size();
    while (from > 0 && std::isalpha(static_cast<unsigned char>(words[from - 1]))) --from;
    return words.substr(from);
}

std::vector<Spoken> spoken(const std::vector<Token>& line,
                           std::span<const Command* const> commands) {
    std::vector<Spoken> found;
    const auto search = [&](bool asUnit) {
        for (std::size_t i = 0; i < line.size(); ++i) {
            if (line[i].numeric != asUnit) continue;
            const std::string word = asUnit ? lastWord(line[i].words) : line[i].words;
            for (const Command* command : commands) {
                if (command->sentence && i > 0) continue;
                if (goesBy(*command, word)) found.push_back({command, i, asUnit});
            }
        }
    };
    search(false);
    const bool words = !found.empty();
    search(true);
    // A word goes before a unit; that is tried where no line of the word holds.
    if (words) {
        for (Spoken& each : found) each.last = each.asUnit;
    }
    return found;
}

/// The verb whose sentence begins so without its word; what was measured has a verb of its own.
std::optional<Spoken> begunBy(const std::vector<Token>& line,
                              std::span<const Command* const> commands) {
    if (std::any_of(line.begin(), line.end(), [](const Token& each) { return each.numeric; }))
        return {};
    for (const Command* command : commands) {
        const auto& words = command->begins;
        if (std::find(words.begin(), words.end(), lowered(line.front().words)) != words.end())
            return Spoken{command, 0, false};
    }
    return {};
}

Result<ParsedLine> readAs(const Spoken& spoken, std::string_view typed,
                          const std::vector<Token>& line, const Context& context) {
    const Command& command = *spoken.command;
    const Token& word = line[spoken.token.value_or(0)];
    const bool begins = !spoken.token ||
                        (command.sentence && !goesBy(command, word.words));  // its word is left out
    std::string rest(typed.substr(begins ? word.at : word.at + word.words.size()));
    rest.erase(0, std::min(rest.find_first_not_of(" \t:"), rest.size()));
    while (!rest.empty() && std::string_view(" \t\r\n").find(rest.back()) != std::string_view::npos)
        rest.pop_back();
    const auto tooLong = [](std::size_t longest) {
        return refuse(
            ErrorCode::OutOfRange,
            text("That is too long: up to %1 letters are kept. What is longer goes into a "
                 "note.",
                 std::to_string(longest)));
    };
    if (command.sentence) {
        if (rest.size() > command.longest) return tooLong(command.longest);
        return ParsedLine{command, context, {}, std::move(rest)};
    }

    std::vector<Token> others = line;
    // "soldered front", "tyres right rear": another word of the verb may be what it takes as well.
    const bool itsWord = spoken.token && lowered(word.words) == command.word;
    if (!spoken.asUnit && itsWord)
        others.erase(others.begin() + static_cast<std::ptrdiff_t>(*spoken.token));
    Reading reading = placed(command, context, others);
    if (reading.fault) return tl::unexpected(std::move(*reading.fault));
    if (!reading.left.empty()) return tl::unexpected(leftOver(reading));
    if (auto fault = missing(reading.said)) return tl::unexpected(std::move(*fault));
    for (const ParsedLine::Place& place : reading.said.places) {
        if (place.words.size() > longestWords) return tooLong(longestWords);
    }
    reading.said.rest = std::move(rest);
    reading.said.unsaid = !spoken.token;
    return std::move(reading.said);
}

/// The station that a word of the bench belongs to which nothing reads yet; nothing: no such word.
std::optional<std::string> laterWord(const std::vector<Token>& line) {
    static constexpr std::pair<std::string_view, const char*> words[] = {
        {"sleeve", "Wire"},
        {"sleeves", "Wire"},
        {"heat-shrink", "Wire"},
        {"heatshrink", "Wire"},
        {"heat shrink", "Wire"},
        {"shrink", "Wire"},
        {"splice", "Wire"},
        {"awg", "Wire"},
        {"gauge", "Wire"},
        {"tinned", "Wire"},
        {"bus", "the layout's lamps"},
        {"terminal", "the layout's lamps"},
        {"terminals", "the layout's lamps"},
        {"quote", "Hand-over"},
        {"drawer", "Stores"},
        {"stock", "Stores"}};
    const std::string lower = lowered(line.front().words);
    const std::string both = line.size() > 1 ? lower + " " + lowered(line[1].words) : lower;
    for (const auto& [each, station] : words) {
        if (each == lower || each == both) return station;
    }
    return {};
}

tl::unexpected<Error> noVerb(const std::vector<Token>& line,
                             std::span<const Command* const> commands) {
    const Token& first = line.front();
    if (first.numeric) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("What was “%1” read of? Say it like stall 1.15A 12V, track 14.8V.", shown(first)));
    }
    if (const auto coming = laterWord(line)) {
        return refuse(ErrorCode::NotUnderstood,
                      text("“%1” belongs to %2, which is still to come. Keep it as a note: note %1 "
                           "….",
                           shown(first), *coming));
    }
    Nearest nearest(first.words);
    const Command* near = nullptr;
    for (const Command* command : commands) {
        const std::string before = nearest.word();
        nearest.offer(command->word);
        for (const char* word : command->also) nearest.offer(word);
        if (nearest.word() != before) near = command;
    }
    if (near) {
        return refuse(ErrorCode::NotUnderstood,
                      text("“%1” means nothing here. Did you mean %2? %3", shown(first),
                           nearest.word(), likeExample(*near)));
    }
    return refuse(ErrorCode::NotUnderstood,
                  text("“%1” means nothing here. F1 lists what can be typed; for a remark write "
                       "note %1 ….",
                       shown(first)));
}

/// The line read as one whose verb goes without saying, or why it is none of it; nothing: it is no
/// such line.
std::optional<Result<ParsedLine>> impliedBy(std::string_view typed, const std::vector<Token>& line,
                                            std::span<const Command* const> commands,
                                            const Context& context, bool later = false) {
    std::optional<Result<ParsedLine>> found;
    for (const Command* command : commands) {
        if (!command->implied || (later && !command->impliedLater) || !command->implied(line))
            continue;
        auto read = readAs({command, {}, false}, typed, line, context);
        if (!found || read) found.emplace(std::move(read));
    }
    return found;
}

}  // namespace

const ParsedLine::Place& ParsedLine::at(std::string_view what) const {
    static const Place nothing;
    for (std::size_t i = 0; i < places.size(); ++i) {
        if (command.arguments[i].what == what) return places[i];
    }
    return nothing;
}

bool goesBy(const Command& command, std::string_view word) {
    const auto same = [&](std::string_view own) {
        return own.size() == word.size() && lowered(word) == own;
    };
    return same(command.word) || std::any_of(command.also.begin(), command.also.end(), same);
}

std::string pattern(const Command& command) {
    std::string made = command.word;
    for (const Argument& argument : command.arguments) {
        if (argument.ofSeveral) continue;
        std::string place =
            (argument.after ? std::string(argument.after) + " " : "") + argument.what;
        if (argument.atMost > 1) place += " …";
        made += argument.needed ? " " + place : " [" + place + "]";
    }
    if (command.sentence) made += " WORDS";
    return made;
}

Result<ParsedLine> said(std::string_view typed, std::span<const Command* const> commands,
                        const Context& context) {
    const std::vector<Token> line = tokens(typed);
    if (line.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Type what you just measured, like stall 1.15A 12V."));
    }
    const std::vector<Spoken> candidates = spoken(line, commands);
    const auto unsaid = begunBy(line, commands);
    const std::optional<Result<ParsedLine>> implied =
        candidates.empty() || candidates.front().asUnit || candidates.front().token != 0
            ? impliedBy(typed, line, commands, context)
            : std::nullopt;
    if (candidates.empty() && !unsaid && !laterWord(line))
        return implied ? *implied : noVerb(line, commands);
    // "key F1 output 1" is no line of output.
    const bool later = laterWord(line) && !(implied && *implied) &&
                       (candidates.empty() || candidates.front().token != 0);
    if (later) return noVerb(line, commands);
    std::optional<Result<ParsedLine>> taken;
    std::optional<Error> refused;
    for (const Spoken& candidate : candidates) {
        // A verb at the beginning is meant, if its line holds; stages may share one ("remove").
        if (taken && (candidate.token != 0 || candidate.last)) break;
        Result<ParsedLine> read = readAs(candidate, typed, line, context);
        if (!read) {
            // Of several refusals that of the verb at the beginning; of those that share it the one
            // that has a better word to offer.
            if (candidate.last) continue;
            const bool first = candidate.token == 0 || candidates.front().token != 0;
            if (!refused || (first && refused->code == ErrorCode::Unknown)) refused = read.error();
            continue;
        }
        if (taken && &taken->value().command != &read->command) {
            return refuse(ErrorCode::NotUnderstood,
                          text("That can be a line of %1 or of %2. Begin with the one you mean.",
                               taken->value().command.word, read->command.word));
        }
        if (!taken) taken.emplace(std::move(read));
    }
    if (taken) return std::move(*taken);
    const bool meant = implied && (*implied || implied->error().code == ErrorCode::Unknown);
    if (meant) return *implied;
    if (const auto late = impliedBy(typed, line, commands, context, true)) return *late;
    if (unsaid) return readAs(*unsaid, typed, line, context);
    return tl::unexpected(std::move(*refused));
}

std::vector<Completion> completions(std::string_view typed,
                                    std::span<const Command* const> commands,
                                    const Context& context) {
    std::vector<Completion> made;
    const bool between = typed.empty() || typed.back() == ' ';
    std::vector<Token> line = tokens(typed);
    std::string begun;
    std::string before(typed);
    if (!between && !line.empty()) {
        begun = lowered(line.back().words);
        before = typed.substr(0, line.back().at);
        line.pop_back();
    }
    const auto offer = [&](const std::string& word, const std::string& says) {
        if (!lowered(word).starts_with(begun) || lowered(word) == begun) return;
        made.push_back({before + word + " ", word, says});
    };
    if (line.empty()) {
        for (const Command* command : commands) offer(command->word, pattern(*command));
        return made;
    }
    const std::vector<Spoken> candidates = spoken(line, commands);
    if (candidates.empty() || candidates.front().command->sentence) return made;
    const Command& command = *candidates.front().command;
    line.erase(line.begin() + static_cast<std::ptrdiff_t>(candidates.front().token.value_or(0)));
    const Reading reading = placed(command, context, line);
    if ((reading.fault && !reading.open) || !reading.left.empty()) return made;
    for (std::size_t i = 0; i < command.arguments.size(); ++i) {
        const Argument& argument = command.arguments[i];
        const ParsedLine::Place& place = reading.said.places[i];
        if (place.name || !place.words.empty() || !place.quantities.empty()) continue;
        if (reading.open && reading.open != &argument) continue;
        if (argument.ofSeveral && argument.names(context).size() < 2) continue;
        const bool offered =
            argument.after &&
            std::any_of(command.arguments.begin(),
                        command.arguments.begin() + static_cast<std::ptrdiff_t>(i),
                        [&](const Argument& one) {
                            return one.after && std::string_view(one.after) == argument.after;
                        });
        if (offered) continue;
        if (argument.after && !reading.open) {
            offer(argument.after, argument.what);
        } else if (argument.names) {
            for (const Named& named : argument.names(context)) {
                if (!named.hidden) offer(named.name, named.says);
            }
        }
    }
    return made;
}

}  // namespace glimmet::core::jot
