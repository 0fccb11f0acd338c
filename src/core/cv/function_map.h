// Which outputs a function key switches: CV33 to CV46, a bit an output.
#pragma once

#include "core/result.h"

#include <array>
#include <cstdint>
#include <map>
#include <span>
#include <string>
#include <string_view>

namespace glimmet::core {

/// "F0f", "F0r", "F1" … "F12", in the order of their variables.
[[nodiscard]] std::span<const std::string_view> functionKeys();
inline constexpr int firstFunctionMapVariable = 33;

/// The first of the eight outputs that a key can reach: 1, 4 or 7 (S-9.2.2). Range: an index into
/// functionKeys().
[[nodiscard]] int firstOutputOf(std::size_t key);

/// The bits of a key's variable, the lowest being its first output.
/// Errors: OutOfRange for an output beyond its eight; the sentence says which it can reach.
[[nodiscard]] Result<std::uint8_t> functionBits(std::size_t key, std::span<const int> outputs);

}  // namespace glimmet::core
