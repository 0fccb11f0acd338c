// What every jot verb works with: the line cut into words, quantities within what models have, and
// refusals.
#pragma once

#include "core/job/jot.h"
#include "core/quantity/format.h"
#include "core/quantity/parse.h"

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core::jot {

// Largest values that any model, tester or layout shows; beyond them a unit was mistyped.
inline constexpr Volts mostVolts{60};
inline constexpr Amperes mostAmps{50};
inline constexpr Ohms mostOhms{10e6};

struct Line {
    std::vector<std::string> words;  ///< after the first, units joined to their numbers
    std::string rest;                ///< the same as typed
    const Job& job;
    const Catalogue& catalogue;
    const std::string& today;
};

[[nodiscard]] std::string lowered(std::string words);  ///< ASCII letters only
[[nodiscard]] std::string joined(std::span<const std::string> words);
[[nodiscard]] bool startsNumeric(const std::string& word);
/// Splits at blanks and joins a number with a unit that stands alone behind it: "1.15 A".
[[nodiscard]] std::vector<std::string> wordsOf(std::string_view line);
/// Takes the words that are quantities of a dimension out of the list.
[[nodiscard]] std::vector<std::string> taken(std::vector<std::string>& words, Dimension dimension);

[[nodiscard]] inline tl::unexpected<Error> refuse(ErrorCode code, Text what) {
    return failure(code, "jot", std::move(what));
}
[[nodiscard]] inline Jotted jotted(const Line& line, std::optional<Stage> stage, Text meaning) {
    return {std::move(meaning), line.job, stage, {}};
}

/// A quantity above 0 and not above `most`.
template <class Quantity>
Result<Quantity> positive(const std::string& word, Quantity most) {
    const auto value = parsed<Quantity>(word);
    if (!value) return value;
    if (!(*value > Quantity{0}) || *value > most) {
        return refuse(
            ErrorCode::OutOfRange,
            text("“%1” is out of range: above 0 and up to %2 is allowed.", word, formatted(most)));
    }
    return value;
}

template <class Quantity>
Result<Quantity> notNegative(const std::string& word, Quantity most) {
    const auto value = parsed<Quantity>(word);
    if (!value) return value;
    if (!(*value >= Quantity{0}) || *value > most) {
        return refuse(ErrorCode::OutOfRange,
                      text("“%1” is out of range: 0 to %2 is allowed.", word, formatted(most)));
    }
    return value;
}

/// One of several words; the message lists them.
template <class Value, class Named>
Result<Value> oneOf(const std::string& word, Named named, const char* allowed) {
    if (const auto value = named(word)) return *value;
    return refuse(ErrorCode::Unknown, text("“%1” is none of: %2.", word, allowed));
}

}  // namespace glimmet::core::jot
