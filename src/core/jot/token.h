// A line of bench shorthand cut into words and quantities.
#pragma once

#include "core/quantity/dimension.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core::jot {

struct Token {
    std::string words;     ///< as typed, without what stands around it; a number with its unit
    std::size_t at = 0;    ///< its first byte in the line
    bool numeric = false;  ///< begins like a number
    std::optional<Dimension> unit;  ///< where a unit was written with the number: what it measures
    bool afterVolts = false;        ///< stands right behind volts: "12 V DC"
};

/// Cuts at blanks, `@`, `=` and at commas that join two values; takes quotes and the punctuation
/// at the end of a word away; joins a number with the unit or prefix behind it ("1.15 A", "2.2 k")
/// and parts "1h30m" into its two times.
[[nodiscard]] std::vector<Token> tokens(std::string_view line);

/// What a numeric word can mean as a quantity of a dimension, in SI base units: one value, or two
/// where three digits behind a point or comma could be thousands (`2.200`, `2,200`); none where it
/// is no such quantity. A bare "m" behind a time is minutes; "%" makes a ratio.
[[nodiscard]] std::vector<double> valuesIn(const Token& token, Dimension dimension);

[[nodiscard]] std::string joined(const std::vector<std::string>& words);

}  // namespace glimmet::core::jot
