// A lamp group built many times from parts that each differ by chance: in how many builds would
// lamps that are meant to match look uneven, and what would change that.
#pragma once

#include "core/analysis/job_analysis.h"

#include <cstdint>
#include <functional>
#include <stop_token>
#include <string>
#include <vector>

namespace glimmet::core::lamps {

struct Mismatch {
    std::size_t builds = 0;
    std::size_t uneven = 0;  ///< two of one kind differ by more than the eye lets pass
    std::size_t over = 0;    ///< one is above its limit
    /// Brightest by dimmest of one kind, all builds in rising order.
    std::vector<double> ratios;
};

/// Forward volts normal with two sigma of 0.1 V within a batch (none where the lamp itself was
/// read), resistors even over their tolerance; the supply is the same for all lamps and left out.
/// The same seed draws the same. `stop` ends it early. Errors: those of the group's state.
[[nodiscard]] Result<Mismatch> mismatchOf(const Job& job, const LampGroup& group,
                                          const WorkshopRules& house, std::size_t builds,
                                          std::uint64_t seed, const std::stop_token& stop = {});

/// The group as it is and as it could be.
struct MismatchLine {
    Text what;        ///< "as it is", "a resistor for each"
    std::string jot;  ///< what takes it; empty: as it is, or nothing a line can do
    Mismatch mismatch;
};
/// `progress`: builds done of all so far, from the calling thread.
[[nodiscard]] std::vector<MismatchLine> mismatchLines(
    const Job& job, const std::string& group, const WorkshopRules& house, std::size_t builds,
    std::uint64_t seed, const std::function<void(std::size_t done, std::size_t all)>& progress = {},
    const std::stop_token& stop = {});

}  // namespace glimmet::core::lamps
