#include "core/work/fit/things.h"

#include "core/analysis/placement/making_room.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <variant>

namespace glimmet::core::fit {
namespace {

const FittedItem* itemOf(const Job& job, const std::string& what) {
    const auto found = std::find_if(job.items.begin(), job.items.end(),
                                    [&](const FittedItem& item) { return item.id == what; });
    return found == job.items.end() ? nullptr : &*found;
}

Thing named(const Job& job, const Placement& placement) {
    const std::string& what = placement.box.what;
    if (what == "decoder") return {"D1", "decoder", "decoder", text("the decoder"), &placement, {}};
    if (what == "bank")
        return {"K1", "stay-alive", "stay-alive", text("the stay-alive"), &placement, {}};
    const FittedItem* item = itemOf(job, what);
    const std::string kind = item ? kindOf(*item) : "board";
    return {what, kind, what, text("the %1", kind), &placement, {}};
}

}  // namespace

std::string kindOf(const FittedItem& item) {
    constexpr std::array kinds{"decoder", "stay-alive", "speaker", "weight",
                               "board",   "connector",  "switch",  "holder"};
    static_assert(kinds.size() == std::variant_size_v<ItemPart>);
    return kinds[item.part.index()];
}

std::vector<Thing> thingsOf(const JobAnalysis& facts) {
    const std::vector<Placement>& placed = placements(facts);
    std::vector<Room> rooms = roomOf(facts.job, placed);
    std::vector<Thing> all;
    for (std::size_t i = 0; i < placed.size(); ++i) {
        Thing thing = named(facts.job, placed[i]);
        thing.room = std::move(rooms[i]);
        thing.measured = measuredThere(facts.job, placed[i]);
        if (!placed[i].fits)
            thing.state = hollowsMeasured(facts.job) ? State::Over : State::Ask;
        else if (!thing.measured && thing.room.spare && thing.room.spare->by < drawnWithin)
            thing.state = State::Ask;
        all.push_back(std::move(thing));
    }
    return all;
}

Text alongWords(Along along) {
    switch (along) {
        case Along::Length:
            return text("length");
        case Along::Width:
            return text("width");
        case Along::Height:
            break;
    }
    return text("height");
}

std::string tenths(Millimetres length) {
    return formatted(std::round(length.value() * 10) / 10, Dimension::Ratio, 4) + " mm";
}

Text placeOf(const Job& job, std::size_t unit, const std::string& hollow) {
    const std::string of = unitCalled(job, unit);
    if (of.empty()) return verbatim(hollow);
    return job.units[unit].name.empty() ? text("%1 of unit %2", hollow, of)
                                        : text("%1 of %2", hollow, of);
}

}  // namespace glimmet::core::fit
