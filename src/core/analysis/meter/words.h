// What a pair must show and what it showed, in words.
#pragma once

#include "core/analysis/meter/matrix.h"

namespace glimmet::core::meter {

/// "open, on the diode test too, both ways" · "joined: below 2 Ω" · "9.8 Ω to 22 Ω"
[[nodiscard]] Text mustShow(const Row& row);
/// "0.4 Ω" · "beeps" · "open"
[[nodiscard]] Text shown(const PairReading& reading);
/// "3 to 4 V plain DC through a limit, on the motor pair alone"
[[nodiscard]] Text allowed(Allows allows);
/// The row to read next: the first that is asked for; nullptr: none.
[[nodiscard]] const Row* nextRow(const Matrix& matrix);

}  // namespace glimmet::core::meter
