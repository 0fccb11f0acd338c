// Banks of the catalogue as remedies, and what each bank is judged by.
#pragma once

#include "core/analysis/placement/placement.h"
#include "core/analysis/stay_alive/crossing_state.h"
#include "core/finding/finding.h"

#include <optional>
#include <vector>

namespace glimmet::core::stay_alive {

/// What the rating should be above the volts that come (docs/physics.md).
[[nodiscard]] double voltsMargin(BankKind kind, bool chargeLimited);
[[nodiscard]] State holdState(const BankState& state);
/// Typically shorter than what it is needed for. Precondition: state.hold.
[[nodiscard]] bool holdsTooShort(const BankState& state);
/// Over where the decoder's leaflet allows less; a plug-in reserve charges by itself.
[[nodiscard]] State allowedState(const Job& job, const BankPart& part);
[[nodiscard]] State voltsState(const BankPart& part, const BankState& state);

/// What its charge resistor gets at the first moment.
[[nodiscard]] Watts chargeHeat(const BankState& state);
/// Over where the charge lasts long enough above a booster's limit to trip it, close where it
/// sparks or the resistor cooks.
[[nodiscard]] State chargeState(const FittedBank& fitted, const BankState& state);

/// What is left of the stutters that were counted, carried for so long (nothing: as long as one
/// likes); fine where nobody counted.
[[nodiscard]] State dirtState(const Job& job, std::optional<Seconds> carried);

/// How those places are crossed, the worst state of all; fine where there is none.
[[nodiscard]] State crossingState(const JobAnalysis& facts, const Loads& loads,
                                  const std::vector<Place>& places,
                                  const std::optional<FittedBank>& fitted);

/// A bank of the catalogue on this job, with what charges it where the part has nothing.
struct RankedBank {
    FittedBank bank;
    BankState state;
    State worst{};  ///< of its time, volts and cells, of the layout's places and dirt, of its room
    bool room = false;   ///< some hollow holds it
    std::string hollow;  ///< where it would lie; empty: the body has none
    Orientation orientation{};
    bool inPlace = false;
    std::string jot;  ///< the line that fits it
};
/// All of them, tried one by one: first what holds, gets over the places of the layout, bears the
/// volts and finds room; of those the smallest.
[[nodiscard]] std::vector<RankedBank> rankedBanks(const JobAnalysis& facts, const Loads& loads);
/// The best of them, as remedies.
[[nodiscard]] std::vector<Option> bankOptions(const JobAnalysis& facts, const Loads& loads);

/// The same for several findings of one judging: worked out when the first asks.
class OfferedBanks {
public:
    OfferedBanks(const JobAnalysis& facts, const Loads& loads) : m_facts(facts), m_loads(loads) {}
    [[nodiscard]] const std::vector<Option>& options() {
        if (!m_options) m_options = bankOptions(m_facts, m_loads);
        return *m_options;
    }

private:
    const JobAnalysis& m_facts;
    const Loads& m_loads;
    std::optional<std::vector<Option>> m_options;
};

/// Wheels that do not collect and would bridge a place if they did, or those of a neighbour: to be
/// thought of before a bank.
[[nodiscard]] std::vector<Option> collectorOptions(const JobAnalysis& facts, const Place& place);
/// The same so that it never hangs on one wheel of a side there.
[[nodiscard]] std::vector<Option> secondWheelOptions(const JobAnalysis& facts, const Place& place);

[[nodiscard]] Text capacitorCaution();

}  // namespace glimmet::core::stay_alive
