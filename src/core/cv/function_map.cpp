#include "core/cv/function_map.h"

#include <cassert>

namespace glimmet::core {
namespace {

constexpr std::array<std::string_view, 14> keys{"F0f", "F0r", "F1", "F2", "F3",  "F4",  "F5",
                                                "F6",  "F7",  "F8", "F9", "F10", "F11", "F12"};
constexpr int reach = 8;

}  // namespace

std::span<const std::string_view> functionKeys() { return keys; }

int firstOutputOf(std::size_t key) {
    assert(key < keys.size());
    // CV33–37, CV38–42, CV43–46.
    return key < 5 ? 1 : key < 10 ? 4 : 7;
}

Result<std::uint8_t> functionBits(std::size_t key, std::span<const int> outputs) {
    const int first = firstOutputOf(key);
    unsigned bits = 0;
    for (const int output : outputs) {
        if (output < first || output >= first + reach) {
            return failure(ErrorCode::OutOfRange, std::string(keys[key]),
                           text("outputs %1 to %2, which %3 can reach", std::to_string(first),
                                std::to_string(first + reach - 1), keys[key]));
        }
        bits |= 1U << static_cast<unsigned>(output - first);
    }
    return static_cast<std::uint8_t>(bits);
}

}  // namespace glimmet::core
