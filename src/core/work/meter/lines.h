// Lines that enter what a pair shows.
#pragma once

#include "core/analysis/meter/matrix.h"

namespace glimmet::core::meter {

/// Its reading as it must be: "probe M1.plus to U1.frame open". Empty of a range: it takes a value.
[[nodiscard]] std::string goodLine(const Row& row);
/// The start of the line that takes a value: "probe M1.plus to U1.frame ".
[[nodiscard]] std::string lineOf(const Row& row);

}  // namespace glimmet::core::meter
