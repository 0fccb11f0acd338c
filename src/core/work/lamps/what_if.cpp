#include "core/work/lamps/what_if.h"

#include "core/led/lamp_circuit.h"
#include "core/quantity/format.h"
#include "core/work/lamp_groups.h"
#include "core/work/lamps/row_names.h"

#include <algorithm>

namespace glimmet::core::lamps {
namespace {

constexpr Volts ledBearsBackwards{5};

/// The first of those that nothing tells from this one stands for all.
bool hasTwinBefore(const LampGroup& group, std::size_t row, std::size_t lamp) {
    const LampRow& own = group.rows[row];
    for (std::size_t r = 0; r <= row; ++r) {
        const LampRow& other = group.rows[r];
        if (other.resistor != own.resistor || other.lamps.size() != own.lamps.size()) continue;
        const bool sameRow =
            std::equal(other.lamps.begin(), other.lamps.end(), own.lamps.begin(),
                       [](const Lamp& a, const Lamp& b) { return a.part == b.part; });
        if (!sameRow) continue;
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
Result<GroupCurrents> currentsWith(const Job& job, const LampGroup& group, const House& house,
                                   std::size_t row, const std::optional<LampRow>& then) {
    LampGroup changed = group;
    if (then)
        changed.rows[row] = *then;
    else
        changed.rows[row].resistor.reset();
    return groupCurrents(job, changed, house);
}

}  // namespace

std::vector<FaultCase> whatIf(const Job& job, const LampGroup& group, const House& house) {
    std::vector<FaultCase> all;
    const auto before = groupState(job, group, house);
    if (!before) return all;
    const DecoderOutput* output = outputNamed(job, group.output);
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        if (!before->rows[r].connected) continue;
        for (std::size_t i = 0; i < group.rows[r].lamps.size(); ++i) {
            if (hasTwinBefore(group, r, i)) continue;
            const bool bulb = group.rows[r].lamps[i].part.filament.has_value();
            for (const LampFault fault :
                 {LampFault::Open, LampFault::Shorted, LampFault::Reversed}) {
                if (bulb && fault == LampFault::Reversed) continue;  // it lights all the same
                std::optional<LampRow> then;
                if (fault == LampFault::Shorted) {
                    then = group.rows[r];
                    then->lamps.erase(then->lamps.begin() + static_cast<std::ptrdiff_t>(i));
                }
                const auto after = currentsWith(job, group, house, r, then);
                if (!after) continue;
                FaultCase one;
                one.fault = fault;
                one.row = r;
                one.lamp = i;
                const std::string who = atStart(called(group, r, i));
                one.name = fault == LampFault::Open      ? text("%1 fails open", who)
                           : fault == LampFault::Shorted ? text("%1 is bridged", who)
                                                         : text("%1 is turned round", who);
                one.total = after->total;
                double rise = 1, fall = 1;
                bool burns = false;
                Amperes most{0};
                for (std::size_t k = 0; k < group.rows.size(); ++k) {
                    const RowState& was = before->rows[k];
                    if (!was.connected) {
                        one.current.emplace_back();
                        continue;
                    }
                    const Amperes now = after->rows[k];
                    one.current.emplace_back(now);
                    const bool lamps = k != r || (then && !then->lamps.empty());
                    if (!lamps || !(was.current > Amperes{0})) continue;
                    if (now > was.limit && now > was.current * 1.02) burns = true;
                    rise = std::max(rise, (now / was.current).value());
                    fall = std::min(fall, (now / was.current).value());
                    most = std::max(most, now);
                }
                const Volts reversed =
                    before->drive - after->total * (group.shared() + before->outputSeries);
                const bool hurts = fault == LampFault::Reversed && reversed > ledBearsBackwards &&
                                   !(group.rows[r].lamps.size() > 1);
                const bool shortsOut = after->shorted;
                const bool tooMuch = output && !shortsOut && after->total > output->limit &&
                                     before->total <= output->limit;
                const Watts heat = fault == LampFault::Shorted
                                       ? after->rows[r] * after->rows[r] * *group.rows[r].resistor
                                       : Watts{0};
                const bool hot = heat > Watts{0.5} ||
                                 (group.rows[r].package && heat > rating(*group.rows[r].package));
                if (shortsOut) {
                    one.state = State::Over;
                    one.follows =
                        output ? text("output %1 is shorted: nothing limits it", group.output)
                               : text("the supply is shorted: nothing limits it");
                } else if (burns) {
                    one.state = State::Over;
                    one.follows = text("the others burn after it: up to %1", formatted(most, 3));
                } else if (tooMuch) {
                    one.state = State::Over;
                    one.follows = text("output %1 carries %2 of its %3", group.output,
                                       formatted(after->total, 3), formatted(output->limit, 3));
                } else if (hot) {
                    one.state = State::Over;
                    one.follows = text("its resistor gives off %1", formatted(heat, 2));
                } else if (hurts) {
                    one.state = State::Over;
                    one.follows = text("it stays dark and gets %1 backwards: more than it bears",
                                       formatted(reversed, 3));
                } else if (rise > 2) {
                    one.state = State::Close;
                    one.follows =
                        text("what is left is more than twice as bright: %1", formatted(most, 3));
                } else if (fall < 0.5) {
                    one.state = State::Close;
                    one.follows = text("the others lose more than half of their light");
                } else if (group.rows[r].lamps.size() > 1 && fault != LampFault::Shorted) {
                    one.state = State::Close;
                    one.follows = text("its whole row is dark");
                } else if (fault == LampFault::Shorted && group.rows[r].lamps.size() > 1) {
                    one.state = State::Fine;
                    one.follows =
                        text("it is dark, its row goes on at %1", formatted(after->rows[r], 3));
                } else {
                    one.state = State::Fine;
                    one.follows = group.rows.size() > 1
                                      ? rise > 1.25
                                            ? text("it is dark, the others are brighter: %1",
                                                   formatted(most, 3))
                                            : text("it is dark, the others do not feel it")
                                      : text("it is dark, nothing else happens");
                }
                all.push_back(std::move(one));
            }
        }
    }
    return all;
}

}  // namespace glimmet::core::lamps
