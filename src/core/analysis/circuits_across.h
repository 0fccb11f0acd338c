// Which wires have to go across a coupling, for what lies beyond it from the decoder.
#pragma once

#include "core/record/job.h"

#include <string>
#include <utility>
#include <vector>

namespace glimmet::core {

/// The unit that wires start from: where the decoder was put, else where its motor is, else the
/// first.
[[nodiscard]] std::size_t homeUnit(const Job& job);

/// Nets of the wiring that have something on both sides of a coupling.
struct CircuitsAcross {
    std::size_t motors = 0;            ///< beyond; side by side they share two wires
    std::vector<std::string> outputs;  ///< that lamps beyond hang on, one wire each
    bool common = false;               ///< of the outputs: one wire more
    std::size_t others = 0;            ///< within lamp circuits that lie on both sides
    std::size_t banks = 0;             ///< beyond, two wires each
    bool collects = false;             ///< wheels or a slider beyond: two wires lead them here
    bool railsWanted = false;          ///< and it does not run, or its lamps not light, without

    [[nodiscard]] std::size_t forLamps() const {
        return outputs.size() + (common ? 1 : 0) + others;
    }
    [[nodiscard]] std::size_t needed() const {
        return (motors > 0 ? 2 : 0) + 2 * banks + forLamps() + (railsWanted ? 2 : 0);
    }
    /// With those that make wheels beyond help.
    [[nodiscard]] std::size_t withRails() const {
        return needed() + (collects && !railsWanted ? 2 : 0);
    }
};
/// Range: coupling < job.couplings.size().
[[nodiscard]] CircuitsAcross circuitsAcross(const Job& job, std::size_t coupling);
/// The same with the wires starting from a unit. Range: home < job.units.size().
[[nodiscard]] CircuitsAcross circuitsAcross(const Job& job, std::size_t coupling, std::size_t home);

/// Whether its wires suffice for the rails too.
[[nodiscard]] bool railsLed(const Job& job, std::size_t coupling);
/// The first and the last unit whose pickups are led to the home unit.
[[nodiscard]] std::pair<std::size_t, std::size_t> ledTogether(const Job& job);

}  // namespace glimmet::core
