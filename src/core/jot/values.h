// Quantities of a line held against what their place can be.
#pragma once

#include "core/jot/command.h"

namespace glimmet::core::jot {

/// Whether the unit that was written, or none, allows this place.
[[nodiscard]] bool measures(const Token& token, const Argument& argument);

/// What the token can mean there within what models, meters and layouts show, in SI base units.
[[nodiscard]] std::vector<double> credibleValues(const Token& token, const Argument& argument);

/// The one value that it means there.
/// Errors: OutOfRange with the value that was probably meant; NotUnderstood where it can be two.
[[nodiscard]] Result<double> valueOf(const Token& token, const Argument& argument);

/// A slip of a prefix (or minutes for hours, per cent for shares) away from what was typed, if
/// that is credible.
[[nodiscard]] std::optional<double> probable(const Token& token, const Argument& argument);

/// "“12mV” is out of range: 500 mV to 40 V is allowed. Did you mean 12 V?"
[[nodiscard]] Error questioned(const Token& token, const Argument& argument);

}  // namespace glimmet::core::jot
