// What files, jot and the command line call the values of an enumeration, stated once: a list
// `wordsOf` beside the enumeration. Names, the way back and the allowed words follow from it.
#pragma once

#include <array>
#include <optional>
#include <string_view>
#include <type_traits>

namespace glimmet::core {

template <class Enum>
struct Word {
    Enum value;
    std::string_view word;
};

/// An enumeration with `constexpr auto wordsOf(Enum)` beside it: an array of Word<Enum> with
/// every value once. Its argument only says which enumeration is meant.
template <class Enum>
concept Worded = std::is_enum_v<Enum> && requires(Enum value) {
    wordsOf(value);
};

template <Worded Enum>
[[nodiscard]] constexpr std::string_view name(Enum value) {
    for (const Word<Enum>& each : wordsOf(value)) {
        if (each.value == value) return each.word;
    }
    return {};
}

template <Worded Enum>
[[nodiscard]] constexpr std::optional<Enum> named(std::string_view word) {
    for (const Word<Enum>& each : wordsOf(Enum())) {
        if (each.word == word) return each.value;
    }
    return {};
}

}  // namespace glimmet::core
