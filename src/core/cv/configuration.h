// Configuration variables (CVs) of a decoder: address and basic configuration.
#pragma once

#include "core/result.h"

#include <cstdint>
#include <map>
#include <optional>

namespace glimmet::core {

struct BasicSettings {
    int address = 3;                  ///< 1…10239
    bool reversed = false;            ///< CV29 bit 0
    int speedSteps = 128;             ///< 14, 28 or 128; 14 clears CV29 bit 1
    bool plainDc = false;             ///< CV29 bit 2: may run on plain DC
    bool speedTable = false;          ///< CV29 bit 4: CV67–94 instead of start, middle, top
    std::optional<bool> longAddress;  ///< nothing: long above 127
};

inline constexpr int highestShortAddress = 127;
inline constexpr int highestLongAddress = 10239;

/// CV1 for a short address, CV17 = 192 + a div 256 and CV18 = a mod 256 for a long one; CV29.
/// Source: the published standard for configuration variables (S-9.2.2); docs/physics.md.
/// Errors: OutOfRange for an address or step count outside, or a short address above 127.
[[nodiscard]] Result<std::map<int, std::uint8_t>> configurationVariables(
    const BasicSettings& settings);

/// The address that a decoder with these values answers to; nothing where they do not tell.
[[nodiscard]] std::optional<int> addressIn(const std::map<int, std::uint8_t>& values);

}  // namespace glimmet::core
