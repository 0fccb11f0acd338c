#include "core/analysis/stay_alive/leak.h"

#include "core/analysis/supply.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core::stay_alive {
namespace {

constexpr double highFrom = 1.1;  // of what belongs there

}  // namespace

Volts belongAcross(const FittedBank& bank, Volts bus) {
    const BankClamp* clamp = clampOf(bank);
    return clamp ? std::min(bus, clamp->volts) : bus;
}

Volts belonged(const JobAnalysis& facts, const FittedBank& bank) {
    const auto& then = bank.across->belongs;
    return then ? *then : belongAcross(bank, busVolts(facts.job, facts.house));
}

std::string acrossLine(Volts volts) {
    return "across " + formatted(volts.value(), Dimension::Ratio, 3) + "V";
}

Stands standsAt(const JobAnalysis& facts, const FittedBank& bank) {
    if (letsMoreCome(bank)) return Stands::Unclamped;
    const BankVolts& read = *bank.across;
    const Volts belongs = belonged(facts, bank);
    const BankClamp* clamp = clampOf(bank);
    if (read.value > belongs * highFrom) return Stands::Higher;
    const double low = clamp ? leaksBelow * (1 - clamp->tolerance) : leaksBelow;
    if (read.value >= belongs * low) return Stands::Right;
    // Volts of a track that nobody read may be as low; and without a resistor a leak costs none.
    return facts.job.supply.volts && pathOf(bank).charge > Ohms{0} ? Stands::Leaks : Stands::Low;
}

std::optional<Leak> leakOf(const JobAnalysis& facts, const FittedBank& bank) {
    if (!bank.across || standsAt(facts, bank) != Stands::Leaks) return {};
    const Volts value = bank.across->value, belongs = belonged(facts, bank);
    Leak made;
    made.left = value / belongs;
    made.current = (belongs - value) / pathOf(bank).charge;
    made.path = std::max(value, Volts{0.01}) / made.current;
    return made;
}

}  // namespace glimmet::core::stay_alive
