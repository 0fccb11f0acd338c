// Strict reading of JSON: every field is asked for by name, every fault is kept with its place,
// what was found and what is allowed, and what nobody asked for is a fault too.
#pragma once

#include "core/words.h"

#include <nlohmann/json_fwd.hpp>

#include <initializer_list>
#include <limits>
#include <optional>
#include <set>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::store {

struct Fault {
    std::string place;    ///< JSON pointer, or "line 3, column 7"
    std::string found;    ///< what stands there
    std::string allowed;  ///< what could stand there
};
/// Nobody reads more of them; a document of a million faults is not gone through to its end.
inline constexpr std::size_t mostFaults = 1000;
/// "/" and "~" in keys are escaped in a JSON pointer (RFC 6901).
[[nodiscard]] std::string pointerEscaped(std::string_view key);
/// "PLACE: found FOUND, allowed: ALLOWED"
[[nodiscard]] std::string sentence(const Fault& fault);

/// The document, or nothing and a fault with line and column. A key given twice is a fault:
/// which of the two was meant cannot be known.
[[nodiscard]] std::optional<nlohmann::json> parsedJson(std::string_view text,
                                                       std::vector<Fault>& faults);

/// What a number may be. JSON holds no NaN or infinity; a number beyond double is a fault of the
/// parser.
struct Range {
    double lowest = -std::numeric_limits<double>::max();
    double highest = std::numeric_limits<double>::max();
    bool lowestExcluded = false;
    bool whole = false;
    [[nodiscard]] bool holds(double value) const;
    [[nodiscard]] std::string words() const;  ///< "a number above 0", "a whole number, 0 to 255"
};
inline constexpr Range above0{0, std::numeric_limits<double>::max(), true, false};
inline constexpr Range from0{0, std::numeric_limits<double>::max(), false, false};
[[nodiscard]] constexpr Range between(double lowest, double highest) {
    return {lowest, highest, false, false};
}
[[nodiscard]] constexpr Range wholeBetween(double lowest, double highest) {
    return {lowest, highest, false, true};
}

/// Reads one JSON object. Faulty or missing fields give a harmless value and a fault; the caller
/// looks at the faults before it uses anything.
class JsonFields {
public:
    JsonFields(const nlohmann::json& value, std::string pointer, std::vector<Fault>& faults);
    /// Complains about every field that was not asked for.
    ~JsonFields();
    JsonFields(const JsonFields&) = delete;
    JsonFields& operator=(const JsonFields&) = delete;

    [[nodiscard]] bool has(const char* key) const;  ///< there and not null
    [[nodiscard]] bool there(const char* key);      ///< there at all; it counts as asked for

    double number(const char* key, const Range& range);
    double number(const char* key, const Range& range, double fallback);
    std::optional<double> numberOrNull(const char* key, const Range& range);  ///< may be missing
    std::optional<double> requiredNumberOrNull(const char* key, const Range& range);
    bool truth(const char* key);
    bool truth(const char* key, bool fallback);
    /// Lengths are in characters.
    std::string text(const char* key, std::size_t longest = 400, std::size_t shortest = 0);
    std::string text(const char* key, std::string_view fallback, std::size_t longest);
    /// A list of texts; every one in these limits.
    std::vector<std::string> texts(const char* key, std::size_t fewest, std::size_t most,
                                   std::size_t longest, std::size_t shortest);
    /// One of some words: its index.
    std::size_t word(const char* key, std::span<const std::string_view> allowed);
    std::size_t word(const char* key, std::initializer_list<std::string_view> allowed) {
        return word(key, std::span(allowed.begin(), allowed.size()));
    }
    std::size_t word(const char* key, std::initializer_list<std::string_view> allowed,
                     std::size_t fallback);
    template <core::Worded Enum>
    Enum enumeration(const char* key) {
        constexpr auto all = wordsOf(Enum());
        std::array<std::string_view, all.size()> words;
        for (std::size_t i = 0; i < all.size(); ++i) words[i] = all[i].word;
        return all[word(key, words)].value;
    }

    /// The object or list below a key; nullptr (and a fault, if required) where it is not there.
    const nlohmann::json* object(const char* key, bool required = true);
    const nlohmann::json* list(const char* key, std::size_t fewest, std::size_t most = 100000);

    [[nodiscard]] std::string below(const char* key) const;
    [[nodiscard]] std::string below(const char* key, std::size_t index) const;
    std::vector<Fault>& faults() { return m_faults; }
    void fault(const char* key, std::string found, std::string allowed);

private:
    const nlohmann::json* find(const char* key, bool required, const std::string& allowed);
    const nlohmann::json* m_object;  ///< nullptr where the value is no object
    std::string m_pointer;
    std::vector<Fault>& m_faults;
    std::set<std::string, std::less<>> m_asked;
};

}  // namespace glimmet::store
