// Pairs of points that are worth a probe, before it is known what the meter must show there.
#pragma once

#include "core/analysis/meter/matrix.h"

#include <vector>

namespace glimmet::core::meter {

/// With id, about, points, words, why; in the order of least moves.
[[nodiscard]] std::vector<Row> pairsOf(const Job& job, const wiring::Wiring& wiring);

}  // namespace glimmet::core::meter
