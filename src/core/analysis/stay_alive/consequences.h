// What else comes of a bank: on the programming track, when the power comes on, when it is cut,
// when one wants the model off, on plain DC, in years.
#pragma once

#include "core/analysis/stay_alive/bank_state.h"
#include "core/finding/state.h"

#include <vector>

namespace glimmet::core::stay_alive {

// What is assumed; sources in docs/physics.md ("What a bank brings with it").
inline constexpr Amperes programmingLimit{0.25};  ///< that a programming track bears …
inline constexpr Seconds programmingTime{0.1};    ///< … so long after it came on
inline constexpr Amperes acknowledgeCurrent{0.06};
inline constexpr Amperes boosterTrips{5};      ///< above it a booster takes a load for a short …
inline constexpr Seconds boosterLooks{10e-3};  ///< … once it lasts so long, the quickest of them
inline constexpr Ohms leads{1};                ///< of wheels, wires and bridge, at the least
inline constexpr Amperes usualBooster{3};
inline constexpr Volts silentBelow{8};    ///< an amplifier of a decoder
inline constexpr Volts throttleOpen{18};  ///< a throttle of 12 V with little on it

inline constexpr double usualStutters = 1;    ///< a metre, where nobody counted
inline constexpr Watts resistorBears{0.125};  ///< one of a quarter of a watt, in a closed model
inline constexpr Seconds night{8 * 3600.0};
inline constexpr Celsius usualWarmth{40};          ///< in a closed body that runs
inline constexpr Seconds tenYears{1000 * 3600.0};  ///< of running: 100 h a year
inline constexpr Ohms balanceOhms{10e3};           ///< across each cell
/// The time in which a bank loses its volts by itself, to a third.
[[nodiscard]] Seconds selfDischarge(BankKind kind);

/// The bank with what limits its charge where no resistor does: leads and bridge.
[[nodiscard]] Bank throughLeads(Bank bank);
/// Charge current of a bank so long after the power came on. Range: charge resistor > 0.
[[nodiscard]] Amperes chargeAfter(const BankState& state, Seconds time);
/// When its charge has fallen below a current; 0 s where it never was above. Range: as above.
[[nodiscard]] Seconds chargeBelow(const BankState& state, Amperes current);

/// Three times a metre and more, as counted: then its charge resistor has much to do.
[[nodiscard]] bool stuttersMuch(const Job& job);
/// The same, through the resistors across its cells where it has some.
[[nodiscard]] Seconds losesItsVoltsWithin(const BankPart& part);
/// Of what its decoder leaves in it, after a night.
[[nodiscard]] Volts leftInTheMorning(const BankPart& part, const BankState& state);
/// What its charge resistor gives off while contact comes and goes. Range: charge resistor > 0.
[[nodiscard]] Watts heatOffHalfOfTheTime(const BankState& state, const Loads& loads);
/// Of its farads, where it lies or in a usual body.
[[nodiscard]] double leftInTenYears(const FittedBank& bank, const BankState& state);

struct Consequence {
    Text when;      ///< "On the programming track"
    Text comes;     ///< a sentence
    Figure figure;  ///< what decides it
    State state{};
};
/// In the order in which they are met. Empty without a bank, or with one that gave nothing.
[[nodiscard]] std::vector<Consequence> consequencesOf(const JobAnalysis& facts);

}  // namespace glimmet::core::stay_alive
