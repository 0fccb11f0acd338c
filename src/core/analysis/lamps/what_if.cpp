#include "core/analysis/lamps/what_if.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamps/row_names.h"
#include "core/led/lamp_circuit.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::lamps {
namespace {

constexpr Volts ledBearsBackwards{5};
constexpr Watts unplannedHeat{0.5};  // of a resistor that was not made for it

/// The first of those that nothing tells from this one stands for all.
bool hasTwinBefore(const LampGroup& group, std::size_t row, std::size_t lamp) {
    const LampRow& own = group.rows[row];
    for (std::size_t r = 0; r <= row; ++r) {
        const LampRow& other = group.rows[r];
        if (!alike(other, own)) continue;
        for (std::size_t i = 0; i < (r == row ? lamp : other.lamps.size()); ++i) {
            if (other.lamps[i].part == own.lamps[lamp].part) return true;
        }
    }
    return false;
}
std::size_t twins(const LampGroup& group, std::size_t row, std::size_t lamp) {
    std::size_t count = 0;
    for (const LampRow& other : group.rows) {
        if (other.resistor != group.rows[row].resistor) continue;
        for (const Lamp& each : other.lamps) {
            count += each.part == group.rows[row].lamps[lamp].part ? 1U : 0U;
        }
    }
    return count;
}

std::string called(const LampGroup& group, std::size_t row, std::size_t lamp) {
    const std::size_t alike = twins(group, row, lamp);
    const LampRow& own = group.rows[row];
    std::size_t lamps = 0;
    for (const LampRow& each : group.rows) lamps += each.lamps.size();
    if (alike > 1) {
        return "one of " + std::to_string(alike) +
               (alike == lamps ? std::string() : " " + own.lamps[lamp].part.name);
    }
    if (own.lamps.size() == 1) return rowName(group, row);
    return own.lamps[lamp].part.name + " of " + rowName(group, row);
}

/// Currents with a row as it is then; nothing for it: the row carries none.
Result<GroupCurrents> currentsWith(const Job& job, const LampGroup& group,
                                   const WorkshopRules& house, std::size_t row,
                                   const std::optional<LampRow>& then) {
    LampGroup changed = group;
    if (then)
        changed.rows[row] = *then;
    else
        changed.rows[row].resistor.reset();
    return groupCurrents(job, changed, house);
}

/// How the others come off: their currents by those before.
struct Shift {
    double rise = 1, fall = 1;
    Amperes most{};
    bool burns = false;
};
Shift shiftOf(const GroupState& before, const GroupCurrents& after, std::size_t row,
              const std::optional<LampRow>& then) {
    Shift shift;
    for (std::size_t k = 0; k < before.rows.size(); ++k) {
        const RowState& was = before.rows[k];
        const bool lamps = k != row || (then && !then->lamps.empty());
        if (!was.connected || !lamps || !(was.current > Amperes{0})) continue;
        const Amperes now = after.rows[k];
        Amperes limit = was.limit;
        if (k == row && now > Amperes{0}) limit = rowLimit(*then, now).value_or(limit);
        // Of those that stood across each other one may now bear all.
        const bool more = now > was.current * 1.02 || limit < was.limit * 0.98;
        if (now > limit && more) shift.burns = true;
        shift.rise = std::max(shift.rise, (now / was.current).value());
        shift.fall = std::min(shift.fall, (now / was.current).value());
        shift.most = std::max(shift.most, now);
    }
    return shift;
}

struct Consequence {
    State state{};
    Text follows;
};
/// The gravest thing that comes of it.
Consequence consequenceOf(const Job& job, const LampGroup& group, const FaultCase& one,
                          const GroupState& before, const GroupCurrents& after,
                          const Shift& shift) {
    const LampRow& row = group.rows[one.row];
    const DecoderOutput* output = outputNamed(job, group.output);
    const bool bridged = one.fault == LampFault::Shorted;
    const bool across = standAcross(row, one.lamp) > 1;
    const bool inSeries = row.lamps.size() > 1 && !across;
    const Amperes own = after.rows[one.row];
    if (after.shorted) {
        return {State::Over, output ? text("output %1 is shorted: nothing limits it", group.output)
                                    : text("the supply is shorted: nothing limits it")};
    }
    if (shift.burns) {
        return {State::Over, text("the others burn after it: up to %1", formatted(shift.most, 3))};
    }
    const auto limit = output ? output->limit : std::nullopt;
    if (limit && after.total > *limit && before.total <= *limit) {
        return {State::Over, text("output %1 carries %2 of its %3", group.output,
                                  formatted(after.total, 3), formatted(*limit, 3))};
    }
    const Watts heat = own * own * row.resistor.value_or(Ohms{0});
    if (bridged && (heat > unplannedHeat || (row.package && heat > rating(*row.package)))) {
        return {State::Over, text("its resistor gives off %1", formatted(heat, 2))};
    }
    if (one.fault == LampFault::Reversed && !inSeries && !across && lightsTurned(job, group)) {
        return {State::Close, text("it lights in the other direction")};
    }
    const Volts backwards =
        before.drive - after.total * (group.shared() + before.outputSeries + before.inside);
    if (one.fault == LampFault::Reversed && !inSeries && !across && backwards > ledBearsBackwards) {
        return {State::Over, text("it stays dark and gets %1 backwards: more than it bears",
                                  formatted(backwards, 3))};
    }
    if (shift.rise > 2) {
        return {State::Close,
                text("what is left is more than twice as bright: %1", formatted(shift.most, 3))};
    }
    if (shift.fall < 0.5) {
        return {State::Close, text("the others lose more than half of their light")};
    }
    if (across) {
        return {State::Fine, bridged ? text("it is dark, and so is what stands across it")
                                     : text("it is dark, what stands across it takes its current: "
                                            "%1 in all",
                                            formatted(own, 3))};
    }
    if (inSeries && !bridged) return {State::Close, text("its whole row is dark")};
    if (inSeries) {
        return {State::Fine, text("it is dark, its row goes on at %1", formatted(own, 3))};
    }
    if (group.rows.size() == 1) return {State::Fine, text("it is dark, nothing else happens")};
    return {State::Fine, shift.rise > 1.25 ? text("it is dark, the others are brighter: %1",
                                                  formatted(shift.most, 3))
                                           : text("it is dark, the others do not feel it")};
}

Text nameOf(LampFault fault, const std::string& who) {
    switch (fault) {
        case LampFault::Open:
            return text("%1 fails open", who);
        case LampFault::Shorted:
            return text("%1 is bridged", who);
        case LampFault::Reversed:
            break;
    }
    return text("%1 is turned round", who);
}

}  // namespace

std::vector<FaultCase> whatIf(const Job& job, const LampGroup& group, const WorkshopRules& house) {
    std::vector<FaultCase> all;
    const auto before = groupState(job, group, house);
    if (!before) return all;
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        if (!before->rows[r].connected) continue;
        for (std::size_t i = 0; i < group.rows[r].lamps.size(); ++i) {
            if (hasTwinBefore(group, r, i)) continue;
            const bool bulb = group.rows[r].lamps[i].part.filament.has_value();
            for (const LampFault fault :
                 {LampFault::Open, LampFault::Shorted, LampFault::Reversed}) {
                if (bulb && fault == LampFault::Reversed) continue;  // it lights all the same
                std::optional<LampRow> then;
                // What is bridged bridges what stands across it; what is open leaves it alone.
                const bool shorted = fault == LampFault::Shorted;
                if (shorted || standAcross(group.rows[r], i) > 1)
                    then = without(group.rows[r], i, shorted);
                const auto after = currentsWith(job, group, house, r, then);
                if (!after) continue;
                FaultCase one;
                one.fault = fault;
                one.row = r;
                one.lamp = i;
                one.name = nameOf(fault, atStart(called(group, r, i)));
                one.total = after->total;
                for (std::size_t k = 0; k < group.rows.size(); ++k) {
                    const RowState& was = before->rows[k];
                    one.current.push_back(was.connected ? std::optional(after->rows[k])
                                                        : std::nullopt);
                    const bool lit = was.connected && was.current > Amperes{0};
                    const bool turns =
                        fault == LampFault::Reversed && k == r && lightsTurned(job, group);
                    one.times.push_back(lit && !turns ? (after->rows[k] / was.current).value() : 1);
                }
                Consequence comes = consequenceOf(job, group, one, *before, *after,
                                                  shiftOf(*before, *after, r, then));
                one.state = comes.state;
                one.follows = std::move(comes.follows);
                all.push_back(std::move(one));
            }
        }
    }
    return all;
}

void showFailed(const LampGroup& group, const FaultCase& fault, std::vector<LitLamp>& all) {
    const auto ours = [&](const LitLamp& each) { return each.group == group.id; };
    std::ptrdiff_t lamps = 0;
    for (const LampRow& row : group.rows) lamps += static_cast<std::ptrdiff_t>(row.lamps.size());
    // An edit may have taken some of them away meanwhile.
    if (std::count_if(all.begin(), all.end(), ours) != lamps) return;
    auto lit = std::find_if(all.begin(), all.end(), ours);
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const LampRow& row = group.rows[r];
        // What stands across a bridged lamp is bridged with it, across an open one it takes over.
        const bool here = r == fault.row;
        const auto place = [&](std::size_t lamp) {
            while (lamp > 0 && row.lamps[lamp].parallel) --lamp;
            return lamp;
        };
        double failed = 0, beside = 0;
        for (std::size_t i = 0; here && i < row.lamps.size(); ++i) {
            if (place(i) != place(fault.lamp)) continue;
            const double share = lit[static_cast<std::ptrdiff_t>(i)].current.value();
            (i == fault.lamp ? failed : beside) += share;
        }
        for (std::size_t i = 0; i < row.lamps.size(); ++i, ++lit) {
            double times = fault.times[r];
            if (here && place(i) == place(fault.lamp)) {
                const bool dark = fault.fault == LampFault::Shorted ||
                                  (i == fault.lamp && fault.fault == LampFault::Open);
                times = dark ? 0 : beside > 0 ? times * (failed + beside) / beside : times;
            }
            lit->current *= times;
            // A bulb's light follows its volts to the 3.4th, its current to their 0.55th power.
            const double light = group.isBulbs() ? std::pow(times, 3.4 / 0.55) : times;
            lit->brightness = std::min(1.0, lit->brightness * std::cbrt(light));
        }
    }
}

}  // namespace glimmet::core::lamps
