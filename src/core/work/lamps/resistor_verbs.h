// Lines that give rows their resistors.
#pragma once

#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"

namespace glimmet::core::lamps {

/// "102" is printed on a chip of 1 kΩ; no drawer holds 102 Ω of E24. What such a bare number is
/// gets asked.
[[nodiscard]] std::optional<Error> chipCode(const jot::ParsedLine& said, Ohms value);

/// Ohms, or the word instead of them; both or neither is nothing.
[[nodiscard]] Result<std::optional<Ohms>> ohmsOr(const jot::ParsedLine& said,
                                                 std::string_view word);

[[nodiscard]] Result<JotResult> resistor(const jot::ParsedLine& said);

[[nodiscard]] Result<JotResult> shared(const jot::ParsedLine& said);

[[nodiscard]] Result<JotResult> own(const jot::ParsedLine& said);

/// "split front": each LED of its rows in a row by itself, with its own resistor.
[[nodiscard]] Result<JotResult> split(const jot::ParsedLine& said);

}  // namespace glimmet::core::lamps
