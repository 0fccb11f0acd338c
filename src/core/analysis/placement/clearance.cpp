#include "core/analysis/placement/clearance.h"

#include "core/fit/pack.h"

#include <algorithm>
#include <array>

namespace glimmet::core {
namespace {

constexpr std::array axes{Along::Length, Along::Width, Along::Height};

const Cavity* hollowOf(const Job& job, std::size_t unit, const std::string& name) {
    for (const Cavity& each : job.units[unit].body.cavities) {
        if (each.name == name) return &each;
    }
    return nullptr;
}

/// What lies in the hollow of a thing: other things, and what came with the model.
struct InHollow {
    std::vector<fit::Laid> all;
    std::vector<std::string> what;  ///< as all: Box::what, or the kind of a fixture
};
InHollow inHollowOf(const Job& job, const std::vector<Placement>& placed, const Placement& of,
                    const Cavity& cavity) {
    InHollow in;
    for (const Placement& each : placed) {
        if (!each.lies || each.unit != of.unit || each.hollow != of.hollow) continue;
        in.all.push_back({*each.lies});
        in.what.push_back(each.box.what);
    }
    const Unit& unit = job.units[of.unit];
    for (const Fixture& fixture : unit.fixtures) {
        const auto taken = fixture.place == cavity.name ? lies(unit, fixture) : std::nullopt;
        if (!taken) continue;
        const fit::Triple corner{taken->corner.x - cavity.corner.x, Millimetres{0},
                                 taken->corner.z - cavity.corner.z};
        in.all.push_back(
            {{of.lies->hollow, corner, {taken->length, cavity.width, taken->height}}, true});
        in.what.emplace_back(name(fixture.kind));
    }
    return in;
}

std::optional<Clearance> spare(const Job& job, const std::vector<Placement>& placed,
                               const Placement& of) {
    const Cavity* cavity = of.lies ? hollowOf(job, of.unit, of.hollow) : nullptr;
    if (!cavity) return {};
    const InHollow in = inHollowOf(job, placed, of, *cavity);
    const auto part = static_cast<std::size_t>(
        std::find(in.what.begin(), in.what.end(), of.box.what) - in.what.begin());
    std::optional<Clearance> least;
    for (std::size_t axis = 0; axis < axes.size(); ++axis) {
        const fit::Play play =
            fit::playOf(part, axis, {cavity->length, cavity->width, cavity->height}, in.all);
        const Millimetres by = play.down + play.up;
        if (least && by >= least->by) continue;
        const auto met = play.upTo ? play.upTo : play.downTo;
        least = Clearance{by, axes[axis], met ? in.what[*met] : std::string()};
    }
    return least;
}

/// By how much a size is too large for a hollow, along the axis where it is most so; <= 0: it
/// holds.
Shortage excess(const fit::Triple& size, const Cavity& cavity) {
    const std::array room{cavity.length, cavity.width, cavity.height};
    Shortage most{size[0] - room[0], Along::Length, cavity.name};
    for (std::size_t axis = 1; axis < axes.size(); ++axis) {
        const Millimetres by = size[axis] - room[axis];
        if (by > most.by) {
            most.by = by;
            most.along = axes[axis];
        }
    }
    return most;
}

/// By how much the box must shrink along an axis to lie beside what lies there, to the tenth.
std::optional<Millimetres> shrunk(const Job& job, Box box, Along along) {
    Millimetres& side = along == Along::Length  ? box.length
                        : along == Along::Width ? box.width
                                                : box.height;
    const Millimetres whole = side;
    const auto fits = [&](int tenths) {
        side = whole - Millimetres{tenths * 0.1};
        const std::vector<Placement> all = placements(job, &box);
        return std::all_of(all.begin(), all.end(), [](const Placement& p) { return p.fits; });
    };
    int low = 0, high = static_cast<int>(whole.value() * 10) - 1;  // high: what is left is 0.1 mm
    if (high <= 0 || !fits(high)) return {};
    while (high - low > 1) {
        const int middle = (low + high) / 2;
        (fits(middle) ? high : low) = middle;
    }
    return Millimetres{high * 0.1};
}

std::optional<Shortage> lacks(const Job& job, const Placement& of) {
    if (of.lies) return {};
    std::optional<Shortage> least;
    for (std::size_t u = 0; u < job.units.size(); ++u) {
        for (const Cavity& cavity : job.units[u].body.cavities) {
            const auto& wanted = of.box.wanted;
            if (wanted && (wanted->unit != job.units[u].id ||
                           (!wanted->place.empty() && wanted->place != cavity.name)))
                continue;
            for (const fit::Triple& way :
                 fit::turned({of.box.length, of.box.width, of.box.height})) {
                Shortage one = excess(way, cavity);
                one.unit = u;
                if (!least || one.by < least->by) least = one;
            }
        }
    }
    if (!least) return {};
    if (least->by > Millimetres{0}) {
        least->alone = true;
        return least;
    }
    // Alone it would go in: how much of it is too much beside the others.
    std::optional<Shortage> beside;
    for (const Along along : axes) {
        const auto by = shrunk(job, of.box, along);
        if (by && (!beside || *by < beside->by))
            beside = Shortage{*by, along, least->hollow, least->unit, false};
    }
    return beside;
}

}  // namespace

std::vector<Room> roomOf(const Job& job, const std::vector<Placement>& placed) {
    std::vector<Room> all;
    for (const Placement& each : placed)
        all.push_back({each.box.what, spare(job, placed, each), lacks(job, each)});
    return all;
}

bool measuredThere(const Job& job, const Placement& placement) {
    const Cavity* cavity = hollowOf(job, placement.unit, placement.hollow);
    return cavity && cavity->measured;
}

}  // namespace glimmet::core
