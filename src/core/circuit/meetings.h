// What meets at each node: where that is two elements only, they are in series.
#pragma once

#include "core/circuit/circuit.h"

#include <array>
#include <vector>

namespace glimmet::core::circuit {

struct Meeting {
    static constexpr std::size_t none = static_cast<std::size_t>(-1);
    std::size_t count = 0;  ///< of terminals of elements; ground and ends of sources: many
    std::size_t resistors = 0, diodes = 0;
    std::array<std::size_t, 2> resistor{none, none}, diode{none, none};  ///< the first of them
    [[nodiscard]] bool isSeries() const { return count == 2 && resistors + diodes == 2; }
};

/// Per node of the circuit.
[[nodiscard]] std::vector<Meeting> meetings(const Circuit& circuit);

}  // namespace glimmet::core::circuit
