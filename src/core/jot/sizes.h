// Measures of a box in one word: "52x14x11".
#pragma once

#include "core/quantity/quantities.h"

#include <array>
#include <charconv>
#include <optional>
#include <string_view>

namespace glimmet::core::jot {

/// Lengths in millimetres with an x between them, "mm" behind the last or not; nothing where they
/// are not so many, or one of them lies outside `least` … `most`.
template <std::size_t count>
[[nodiscard]] std::optional<std::array<Millimetres, count>> sizesIn(std::string_view words,
                                                                    double least = 1,
                                                                    double most = 500) {
    if (words.ends_with("mm")) words.remove_suffix(2);
    std::array<Millimetres, count> sizes{};
    for (std::size_t i = 0; i < count; ++i) {
        double value = 0;
        const auto read = std::from_chars(words.data(), words.data() + words.size(), value);
        if (read.ec != std::errc() || !(value >= least && value <= most)) return {};
        sizes[i] = Millimetres{value};
        words.remove_prefix(static_cast<std::size_t>(read.ptr - words.data()));
        if (i + 1 == count) break;
        if (!words.starts_with('x')) return {};
        words.remove_prefix(1);
    }
    return words.empty() ? std::optional(sizes) : std::nullopt;
}

}  // namespace glimmet::core::jot
