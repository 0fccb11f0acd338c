// A circuit built many times from parts that are each off by chance.
#pragma once

#include "core/circuit/variation.h"

#include <cstdint>
#include <functional>
#include <stop_token>

namespace glimmet::core::circuit {

struct Draws {
    std::size_t count = 10'000;  ///< 1 … 10 million
    std::uint64_t seed = 1;      ///< the same seed draws the same, on any number of threads
    unsigned threads = 0;        ///< 0: as many as there are cores
};

struct Sampled {
    /// A, per diode, all draws in rising order. Draws that did not settle are left out.
    std::vector<std::vector<double>> diode;
    std::size_t drawn = 0;      ///< as asked for, unless it was stopped
    std::size_t unsettled = 0;  ///< of these

    /// The current that a share (0 … 1) of the draws stays below: 0.5 is the median.
    [[nodiscard]] double quantile(std::size_t diode, double share) const;
};

/// Supplies and resistances are drawn evenly over their spread (a bin of a tolerance has no
/// middle), forward voltages with a peak at the typical one (triangular). `progress`: called now
/// and then with the draws done so far, from any of the threads but never from two at once. `stop`:
/// ends the drawing early; what was drawn is returned. Errors: OutOfRange for the count, and those
/// of an operating point at typical values.
[[nodiscard]] Result<Sampled> monteCarlo(const Circuit& circuit, const Spread& spread,
                                         const Draws& draws,
                                         const std::function<void(std::size_t)>& progress = {},
                                         std::stop_token stop = {});

}  // namespace glimmet::core::circuit
