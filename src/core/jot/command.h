// What a verb of the bench language is: its words, what it takes, examples, what it does. Reader,
// refusals, the list of what can be typed and completion all work from this one description, so
// they cannot disagree.
#pragma once

#include "core/jot/token.h"
#include "core/quantity/format.h"
#include "core/record/job.h"
#include "core/record/workshop.h"
#include "core/result.h"

#include <optional>
#include <span>
#include <string>
#include <vector>

namespace glimmet::core {
struct JotResult;
struct WorkshopJotResult;
}  // namespace glimmet::core

namespace glimmet::core::jot {

/// What a line is read against.
struct Context {
    const Job& job;
    const Catalogue& catalogue;
    const std::string& today;                  ///< the date that measurements get, ISO 8601
    const WorkshopRecord* workshop = nullptr;  ///< whose house rules hold; nullptr: the usual ones
    /// Jobs by their number, for lines about the workshop itself.
    Shelf shelf = {};
    /// Local time with that date: "2026-03-02T14:30"; the date alone where nobody told it.
    std::string_view now = {};
};

/// Something that can be named in a line.
struct Named {
    std::string name;               ///< "front lamp"; what the reader hands to the verb
    std::vector<std::string> also;  ///< other ways to say it, as good: "front", "white"
    std::string says;               ///< what it is, for completion
    bool hidden = false;            ///< understood, but neither listed nor offered
};

/// One place of a verb: a quantity, a name, or words as they come.
struct Argument {
    enum class Kind { Quantity, Name, Words };

    const char* what;  ///< "VOLTS": in patterns
    Kind kind = Kind::Quantity;
    const char* after = nullptr;  ///< only behind this word: "on", "called"
    bool needed = false;
    const char* missing = nullptr;  ///< why it is needed, where that is worth a sentence

    // A quantity. Values that no model, meter or layout shows are questioned, not taken.
    Dimension dimension{};
    double least = 0, most = 0;  ///< SI
    bool unitNeeded = false;     ///< a bare number is never meant here
    bool zero = false;           ///< 0 is a value too, whatever the least is
    double bare = 1;             ///< SI that a number without a unit stands for: 60 for minutes
    const char* beyond =
        nullptr;             ///< above the most something else is meant: what to write for that
    std::size_t atMost = 1;  ///< how many of it

    // A name: in any capitals, whole or the words it begins with, if only one begins so.
    std::vector<Named> (*names)(const Context&) = nullptr;
    bool rows = false;              ///< may carry "/2" behind it
    const char* unknown = nullptr;  ///< "No lamp goes by “%1”. There are: %2."
    const char* none = nullptr;     ///< where there is nothing that could be named
    bool explained = false;         ///< names are listed with what they say: "front (white)"
    bool ofSeveral = false;         ///< matters only where there are several: not shown in patterns
};

/// Bytes of words as they come: what the record keeps of them whole.
inline constexpr std::size_t longestWords = 400;

struct ParsedLine;

struct Command {
    const char* word;
    std::span<const char* const> also;  ///< words that do as well: "stalled"
    std::span<const Argument> arguments;
    std::span<const char* const> examples;  ///< at least one; the first one is shown first
    const char* meaning;                    ///< "a stall test: a second at the most"
    Result<JotResult> (*read)(const ParsedLine&);
    bool sentence = false;                    ///< takes the rest of the line as it stands
    std::span<const char* const> noise = {};  ///< words that say nothing new behind it
    /// Of a verb that changes the workshop itself; it has no `read` then.
    Result<WorkshopJotResult> (*readWorkshop)(const ParsedLine&) = nullptr;
    std::size_t longest = longestWords;  ///< bytes of a sentence; what is longer is refused
    bool momentary = false;  ///< what it measures may last a second: a meter does not wait for it
    /// Words that begin a sentence of it with its own word left out, where the line is of no other
    /// verb; they are part of the sentence.
    std::span<const char* const> begins = {};
    /// Lines in which its word may be left out, where no other verb reads them: "ditch lights white
    /// on 2". Only what can mean nothing else: a word less must never make another line of one.
    bool (*implied)(const std::vector<Token>& line) = nullptr;
    /// The same of lines that begin with another verb's word, where none of its readings holds:
    /// "motor plus to frame open".
    bool impliedLater = false;
};

/// What a line says, place by place.
struct ParsedLine {
    struct Place {
        std::vector<double> quantities;  ///< SI, in the order of the line
        std::optional<std::string> name;
        std::size_t row = 0;  ///< from 1; 0: none was given
        std::string words;
    };
    const Command& command;
    const Context& context;
    std::vector<Place> places;  ///< as Command::takes
    std::string rest;           ///< behind the verb's word, as typed
    bool unsaid = false;        ///< the verb's word was left out, as Command::implied allows

    [[nodiscard]] const Place& at(std::string_view what) const;
    [[nodiscard]] const std::optional<std::string>& name(std::string_view what) const {
        return at(what).name;
    }
    template <class Quantity>
    [[nodiscard]] std::vector<Quantity> all(std::string_view what) const {
        std::vector<Quantity> made;
        for (const double si : at(what).quantities) {
            if constexpr (dimensionOf<Quantity> == Dimension::Length)
                made.push_back(Quantity{Metres{si}});
            else
                made.push_back(Quantity{si});
        }
        return made;
    }
    template <class Quantity>
    [[nodiscard]] std::optional<Quantity> one(std::string_view what) const {
        const auto values = all<Quantity>(what);
        return values.empty() ? std::nullopt : std::optional(values.front());
    }
};

/// "stall AMPS VOLTS", with brackets around what may be left out.
[[nodiscard]] std::string pattern(const Command& command);
/// Whether a word, in any capitals, is the verb's.
[[nodiscard]] bool goesBy(const Command& command, std::string_view word);

[[nodiscard]] inline tl::unexpected<Error> refuse(ErrorCode code, Text what) {
    return failure(code, "jot", std::move(what));
}

}  // namespace glimmet::core::jot
