// How far a model is run in each way, and what its current did meanwhile.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/finding/state.h"

#include <optional>

namespace glimmet::core {

struct RunInState {
    Direction direction{};
    Seconds ran{};                                    ///< the latest reading
    Seconds wanted{};                                 ///< the house's rule, or the job's
    std::optional<Amperes> first{}, least{}, last{};  ///< of the readings with a current
    /// Fine: it fell or stayed; close: it did not fall by the end; over: it rises.
    State state{};
    [[nodiscard]] bool done() const { return ran >= wanted; }
};
[[nodiscard]] RunInState runInState(const Job& job, const WorkshopRules& house,
                                    Direction direction);

/// A current this much above its least says that something binds.
inline constexpr double runInRises = 1.1;
/// By the end it should have fallen at least to this share of what it was at the start.
inline constexpr double runInFalls = 0.98;
/// Hours of service after which a model is oiled, where nobody says otherwise; assumed.
inline constexpr Seconds oilEvery{20 * 3600.0};

}  // namespace glimmet::core
