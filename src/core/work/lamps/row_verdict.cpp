#include "core/work/lamps/row_verdict.h"

#include "core/analysis/lamps/row_names.h"
#include "core/power/battery.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::lamps {

RowVerdict rowVerdict(const RowState& made, const LampGroup& group) {
    const Amperes wished = group.atFull();
    const Amperes glimmers = group.hasTarget() ? glimmersBelow(wished) : glowCurrent;
    if (made.connected && made.current > made.limit) {
        return {RowTrouble::Burns, State::Over, Gravity::PartDestroyed};
    }
    if (made.connected && made.highest > made.limit) {
        return {RowTrouble::MayBurn, State::Over, Gravity::PartDestroyed};
    }
    if (made.connected && made.resistorPower > mostHeat) {
        return {RowTrouble::TooHot, State::Over, Gravity::FirePeople};
    }
    // The wish cannot be had; what shines all the same is too dim, not dark.
    if (!(made.ideal > Ohms{0}) && !(made.connected && made.current >= glimmers)) {
        return {RowTrouble::SupplyTooLow, State::Over, Gravity::DoesNotWork};
    }
    if (!made.connected) return {RowTrouble::NoResistor, State::Ask, Gravity::DoesNotWork};
    if (made.current < darkBelow(wished)) {
        return {RowTrouble::Dark, State::Over, Gravity::DoesNotWork};
    }
    if (made.highest > made.limit * lampCloseAbove) {
        return {RowTrouble::NearLimit, State::Close, Gravity::PartDestroyed};
    }
    const double light = relativeLight(made.current * made.duty, wished);
    if (group.hasTarget() && light < 0.5) {
        return {RowTrouble::TooDim, State::Close, Gravity::WorksBadly};
    }
    if (made.lowest < glimmers) {
        return {RowTrouble::MayBeDark, State::Close, Gravity::WorksBadly};
    }
    if (group.hasTarget() && light > 4.0) {
        return {RowTrouble::TooBright, State::Close, Gravity::CouldBeBetter};
    }
    return {RowTrouble::None, State::Fine, Gravity::CouldBeBetter};
}

RowVerdict onItsCell(const Job& job, const LampGroup& group, std::size_t row, RowVerdict verdict) {
    const bool burns =
        verdict.trouble == RowTrouble::Burns || verdict.trouble == RowTrouble::MayBurn;
    const bool bare = group.shared() == Ohms{0} && !group.driver() &&
                      group.rows[row].resistor.value_or(Ohms{0}) == Ohms{0};
    if (!burns || !bare || job.feed != Feed::BatteryRadio || group.output != supplyOutput ||
        !motorsOf(job).empty()) {
        return verdict;
    }
    const auto& pack = job.supply.pack;
    if (pack && pack->chemistry == Chemistry::Coin && pack->cells == 1)
        return {RowTrouble::CoinCell, State::Close, Gravity::PartDestroyed};
    const auto& read = job.supply.volts;
    if (!pack && read && canBeCoinCell(read->value))
        return {RowTrouble::WhichBattery, State::Ask, Gravity::PartDestroyed};
    return verdict;
}

std::optional<SmallResistor> smallResistor(const JobAnalysis& facts, const LampGroup& group,
                                           std::size_t row) {
    for (const Ohms value : {Ohms{0}, Ohms{2.2}, Ohms{4.7}, Ohms{10}, Ohms{22}, Ohms{47}, Ohms{100},
                             Ohms{150}, Ohms{220}, Ohms{330}}) {
        LampGroup tried = group;
        tried.rows[row].resistor = value;
        const auto state = groupState(facts.job, tried, facts.house);
        if (!state || state->rows[row].current < glowCurrent) return {};
        const RowState& made = state->rows[row];
        if (const State verdict = rowVerdict(made, tried).state; verdict < State::Ask)
            return SmallResistor{value, made.current, verdict};
    }
    return {};
}

bool sharedTakesTooMuch(const LampGroup& group, const GroupState& state, std::size_t row) {
    const double rows = static_cast<double>(group.rows.size());
    return group.shared() > Ohms{0} && !state.pair &&
           state.rows[row].ideal + group.shared() * rows > Ohms{0};
}

bool sameLamps(const LampRow& a, const LampRow& b) {
    return std::equal(a.lamps.begin(), a.lamps.end(), b.lamps.begin(), b.lamps.end(),
                      [](const Lamp& one, const Lamp& other) {
                          return one.part == other.part && one.parallel == other.parallel;
                      });
}

std::size_t waitingAlike(const LampGroup& group, const GroupState& state, std::size_t row) {
    std::size_t count = 0;
    for (std::size_t other = 0; other < group.rows.size(); ++other) {
        if (state.rows[other].connected) continue;
        if (sameLamps(group.rows[other], group.rows[row])) ++count;
    }
    return count;
}

bool asTheOneBefore(const LampGroup& group, const GroupState& state, std::size_t row) {
    if (row == 0 || row >= group.rows.size()) return false;
    const LampRow& one = group.rows[row - 1];
    const LampRow& other = group.rows[row];
    const RowState& before = state.rows[row - 1];
    const RowState& made = state.rows[row];
    const auto near = [](Amperes a, Amperes b) {
        return std::abs((a - b).value()) <= 1e-6 * std::abs(a.value());
    };
    return before.connected && made.connected && near(before.current, made.current) &&
           near(before.highest, made.highest) && near(before.lowest, made.lowest) &&
           one.resistor == other.resistor && one.package == other.package &&
           one.backwards == other.backwards && one.path == other.path &&
           one.tested == other.tested && one.installed == other.installed && sameLamps(one, other);
}

bool boardAloneWillDo(const LampGroup& group, const GroupState& state, std::size_t row) {
    const RowState& made = state.rows[row];
    const Ohms own = group.rows[row].resistor.value_or(Ohms{0});
    if (!(own > Ohms{0}) || !(state.outputSeries > Ohms{0}) || group.rows.size() > 1) return false;
    // About the voltage across both is what the board's alone would then have.
    return made.current * ((own + state.outputSeries) / state.outputSeries) > group.atFull() * 0.5;
}

bool causedByShared(const LampGroup& group, const GroupState& state) {
    double low = 1e9;
    double high = 0;
    if (state.pair) return false;  // only one way round carries at a time
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        if (!state.rows[r].connected || group.rows[r].resistor->value() > 0) return false;
        low = std::min(low, state.rows[r].current.value());
        high = std::max(high, state.rows[r].current.value());
    }
    return group.rows.size() > 1 && high > low * 2;
}

}  // namespace glimmet::core::lamps
