#include "core/analysis/lamps/other_volts.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/supply.h"
#include "core/led/preferred_value.h"
#include "core/led/resistor_choice.h"

#include <algorithm>

namespace glimmet::core::lamps {
namespace {

std::optional<OnVolts> worked(const Job& job, const LampGroup& group, const WorkshopRules& house,
                              Volts volts) {
    const auto state = groupState(job, group, house);
    if (!state) return {};
    OnVolts made;
    made.volts = volts;
    made.resistor = group.rows.front().resistor;
    made.total = state->total;
    made.taken = volts * state->total;
    Watts lit{0};
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const RowState& row = state->rows[r];
        lit += lampVolts(group.rows[r], row) * row.current;
        if (row.lowest > Amperes{0}) {
            made.apart = std::max(made.apart, (row.highest / row.lowest).value());
        }
    }
    if (made.taken > Watts{0}) made.wasted = std::clamp(1 - (lit / made.taken).value(), 0.0, 1.0);
    return made;
}

}  // namespace

std::vector<OnVolts> onOtherVolts(const Job& job, const LampGroup& group,
                                  const WorkshopRules& house) {
    std::vector<OnVolts> all;
    if (group.output != supplyOutput || group.isBulbs() || group.driver()) return all;
    // What rolls has the volts of its rails.
    if (!isStructure(job) && job.feed != Feed::FixedDc) return all;
    for (const double volts : {5.0, 9.0, 12.0, 16.0}) {
        Job there = job;
        there.feed = Feed::FixedDc;
        there.supply = Supply{};
        there.supply.volts = Measured<Volts>{Volts{volts}, {}};
        LampGroup fitted = group;
        fitted.connection = OwnResistors{};
        for (LampRow& row : fitted.rows) {
            row.backwards = false;
            row.resistor.reset();
        }
        // Each row's own, for the wish.
        const auto bare = groupState(there, fitted, house);
        if (!bare) continue;
        bool fits = true;
        for (std::size_t r = 0; r < fitted.rows.size(); ++r) {
            fitted.rows[r].resistor = fittedResistor(bare->rows[r].ideal, group.wish);
            fits = fits && fitted.rows[r].resistor;
        }
        if (!fits) {
            OnVolts low;
            low.volts = Volts{volts};
            all.push_back(low);
        } else if (const auto made = worked(there, fitted, house, Volts{volts})) {
            all.push_back(*made);
        }
    }
    const bool connected = std::any_of(group.rows.begin(), group.rows.end(),
                                       [](const LampRow& row) { return row.resistor.has_value(); });
    if (connected && job.feed == Feed::FixedDc) {
        if (auto now = worked(job, group, house, busVolts(job, house))) {
            now->now = true;
            std::erase_if(all, [&](const OnVolts& each) {
                return each.volts <= now->volts && each.volts >= now->volts &&
                       each.resistor == now->resistor;
            });
            all.push_back(*now);
        }
    }
    std::stable_sort(all.begin(), all.end(),
                     [](const OnVolts& a, const OnVolts& b) { return a.volts < b.volts; });
    return all;
}

}  // namespace glimmet::core::lamps
