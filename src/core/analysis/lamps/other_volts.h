// A lamp group on other supply volts, side by side: what it would take, what of that is wasted in
// resistors, how far its lamps would differ.
#pragma once

#include "core/record/job.h"
#include "core/record/workshop_rules.h"

#include <optional>
#include <vector>

namespace glimmet::core::lamps {

struct OnVolts {
    Volts volts{};
    bool now = false;  ///< as it hangs there, with its resistors as they are
    std::optional<Ohms>
        resistor;     ///< of the first row, chosen anew; nothing: the volts are too low
    Amperes total{};  ///< of the group
    Watts taken{};
    double wasted = 0;  ///< of that, not in lamps; 0 … 1
    double apart = 1;   ///< brightest by dimmest corner of one row, in current
};
/// At 5, 9, 12 and 16 V of steady DC and as it is, rising; each row with the resistor that the
/// group's wish asks for there. Empty for groups that are not straight on a supply
/// that could be another, bulbs, and what hangs behind a driver.
[[nodiscard]] std::vector<OnVolts> onOtherVolts(const Job& job, const LampGroup& group,
                                                const WorkshopRules& house);

}  // namespace glimmet::core::lamps
