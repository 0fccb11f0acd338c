// The wheels that collect for a model, through every unit that is wired to the next.
#pragma once

#include "core/record/job.h"

#include <optional>
#include <vector>

namespace glimmet::core::measure {

struct PickupAxle {
    int number = 0;   ///< from 1, from the front of the train, as lines name it
    Millimetres x{};  ///< behind the front of the train
    bool left = false, right = false;
    bool looked = false;  ///< somebody found that out; else as drawn
};
/// Of the units that share their pickups with the one that drives: a coupling needs two contacts
/// for that. Without a motor, those of the first unit.
[[nodiscard]] std::vector<PickupAxle> pickupAxles(const Job& job);

/// The longest dead length of one rail that a side bridges: from its first to its last collecting
/// wheel. Nothing where no wheel of that side collects.
[[nodiscard]] std::optional<Millimetres> bridged(const std::vector<PickupAxle>& axles, bool left);

/// The same of what touches the middle conductor, in the units that share their pickups: from where
/// the first begins to where the last ends. Nothing where nothing touches it.
[[nodiscard]] std::optional<Millimetres> bridgedInTheMiddle(const Job& job);

}  // namespace glimmet::core::measure
