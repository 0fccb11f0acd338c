// How a bank is wired, as values for a drawing: what stands between it and the decoder, and the
// marks by which its parts tell plus from minus.
#pragma once

#include "core/record/job.h"
#include "core/text.h"

#include <optional>
#include <vector>

namespace glimmet::core::stay_alive {

struct BankWiring {
    Ohms charge{};          ///< 0: nothing limits its charge
    Volts diode{};          ///< past the resistor; 0: none
    bool inModule = false;  ///< resistor and diode are in it already
    std::optional<BankClamp> clamp;
    int cells = 1;  ///< of a row
    bool balanced = false;
    Text name;  ///< of the bank
    Text mark;  ///< "its stripe is minus"
    bool markIsPlus = false;
    Text plusTo, minusTo;     ///< where they are joined
    bool thirdWire = false;   ///< a module's, which the decoder switches it by
    std::vector<Text> steps;  ///< in the order of the hand
};
/// Nothing without a bank.
[[nodiscard]] std::optional<BankWiring> bankWiring(const Job& job, const WorkshopRules& house);

}  // namespace glimmet::core::stay_alive
