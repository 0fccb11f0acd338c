#include "core/analysis/placement/placement.h"

#include "core/analysis/job_analysis.h"

#include <algorithm>

namespace glimmet::core {
namespace {

/// A hollow of a unit, with what is taken at its forward end.
struct Hollow {
    std::size_t unit;
    Cavity cavity;
    Millimetres taken{0};
};

/// Where it was put, or anywhere where that was not said.
bool mayLie(const Job& job, const Box& box, const Hollow& hollow) {
    const auto& wanted = box.wanted;
    return !wanted || (job.units[hollow.unit].id == wanted->unit &&
                       (wanted->place.empty() || hollow.cavity.name == wanted->place));
}

constexpr Orientation ways[] = {
    Orientation::Flat,    Orientation::OnSide,          Orientation::Crosswise,
    Orientation::Upright, Orientation::CrosswiseOnSide, Orientation::UprightCrosswise};

/// The first hollow that holds the box as it is turned; nullptr: none.
Hollow* roomFor(const Job& job, const Box& box, std::vector<Hollow>& hollows) {
    for (Hollow& hollow : hollows) {
        const Cavity& cavity = hollow.cavity;
        if (!mayLie(job, box, hollow)) continue;
        if (box.length + hollow.taken <= cavity.length && box.height <= cavity.height &&
            box.width <= cavity.width) {
            return &hollow;
        }
    }
    return nullptr;
}
/// The roomiest of those that it may lie in.
Hollow* roomiest(const Job& job, const Box& box, std::vector<Hollow>& hollows) {
    Hollow* chosen = nullptr;
    for (Hollow& hollow : hollows) {
        const Cavity& cavity = hollow.cavity;
        if (!mayLie(job, box, hollow)) continue;
        if (!chosen ||
            cavity.length * cavity.height > chosen->cavity.length * chosen->cavity.height) {
            chosen = &hollow;
        }
    }
    return chosen;
}

Placement seated(const Job& job, Box box, std::vector<Hollow>& hollows) {
    const Body& first = job.units.front().body;
    Placement placement{std::move(box), 0, {}, {}, false, {}};
    Hollow* chosen = nullptr;
    for (const Orientation orientation : ways) {
        chosen = roomFor(job, posed(placement.box, orientation), hollows);
        if (!chosen) continue;
        placement.fits = true;
        placement.orientation = orientation;
        placement.box = posed(std::move(placement.box), orientation);
        break;
    }
    if (!chosen) chosen = roomiest(job, placement.box, hollows);
    placement.corner = {(first.length - placement.box.length) / 2.0, first.height / 2.0};
    if (!chosen) return placement;
    placement.unit = chosen->unit;
    placement.hollow = chosen->cavity.name;
    // On the floor of the hollow, at its forward end, where the hand gets to it.
    const Millimetres clear = placement.fits ? Millimetres{0.5} : Millimetres{0};
    placement.corner = {chosen->cavity.corner.x + chosen->taken + clear,
                        chosen->cavity.corner.z + clear};
    chosen->taken += placement.box.length + clear;
    return placement;
}

}  // namespace

Box posed(Box box, Orientation orientation) {
    const auto made = [&](Millimetres length, Millimetres width, Millimetres height) {
        box.length = length;
        box.width = width;
        box.height = height;
        return box;
    };
    const Millimetres l = box.length, w = box.width, h = box.height;
    switch (orientation) {
        case Orientation::Flat:
            break;
        case Orientation::OnSide:
            return made(l, h, w);
        case Orientation::Crosswise:
            return made(w, l, h);
        case Orientation::Upright:
            return made(h, w, l);
        case Orientation::CrosswiseOnSide:
            return made(h, l, w);
        case Orientation::UprightCrosswise:
            return made(w, h, l);
    }
    return box;
}

Text inHollow(const std::string& hollow, Orientation orientation) {
    switch (orientation) {
        case Orientation::Flat:
            break;
        case Orientation::OnSide:
            return text("the %1, on its side", hollow);
        case Orientation::Crosswise:
            return text("the %1, crosswise", hollow);
        case Orientation::Upright:
            return text("the %1, upright", hollow);
        case Orientation::CrosswiseOnSide:
            return text("the %1, crosswise on its side", hollow);
        case Orientation::UprightCrosswise:
            return text("the %1, upright and crosswise", hollow);
    }
    return text("the %1", hollow);
}

std::optional<Cavity> lies(const Unit& unit, const Fixture& fixture) {
    const auto& cavities = unit.body.cavities;
    const auto hollow = std::find_if(cavities.begin(), cavities.end(), [&](const Cavity& cavity) {
        return cavity.name == fixture.place;
    });
    if (hollow == cavities.end()) return {};
    Cavity made = *hollow;
    made.length = std::min(fixture.length, hollow->length);
    made.height = std::min(fixture.height, hollow->height);
    made.width = std::min(fixture.width, hollow->width);
    const Millimetres most = hollow->length - made.length;
    const Millimetres highest = hollow->height - made.height;
    const Millimetres none{0};
    made.corner.x += fixture.at ? std::clamp(fixture.at->x, none, most) : most;
    made.corner.z += fixture.at ? std::clamp(fixture.at->z, none, highest) : none;
    return made;
}

std::vector<Cavity> freeIn(const Unit& unit, const Cavity& cavity) {
    constexpr Millimetres least{1};  // thinner is no room for anything
    std::vector<Cavity> free{cavity};
    for (const Fixture& fixture : unit.fixtures) {
        if (fixture.place != cavity.name) continue;
        const auto taken = lies(unit, fixture);
        if (!taken) continue;
        const Millimetres front = taken->corner.x, rear = front + taken->length;
        const Millimetres low = taken->corner.z, high = low + taken->height;
        std::vector<Cavity> left;
        for (const Cavity& piece : free) {
            const Millimetres end = piece.corner.x + piece.length;
            const Millimetres top = piece.corner.z + piece.height;
            if (front >= end || rear <= piece.corner.x || low >= top || high <= piece.corner.z) {
                left.push_back(piece);
                continue;
            }
            const auto keep = [&](Millimetres x, Millimetres z, Millimetres toX, Millimetres toZ) {
                if (toX - x < least || toZ - z < least) return;
                left.push_back(piece);
                left.back().corner = {x, z};
                left.back().length = toX - x;
                left.back().height = toZ - z;
            };
            const Millimetres from = std::max(front, piece.corner.x), to = std::min(rear, end);
            keep(piece.corner.x, piece.corner.z, front, top);
            keep(rear, piece.corner.z, end, top);
            keep(from, high, to, top);
            keep(from, piece.corner.z, to, low);
        }
        free = std::move(left);
    }
    return free;
}

std::vector<Placement> placements(const Job& job, const Box* instead) {
    std::vector<Hollow> hollows;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        for (const Cavity& cavity : job.units[i].body.cavities) {
            for (Cavity& free : freeIn(job.units[i], cavity))
                hollows.push_back({i, std::move(free)});
        }
    }
    std::vector<Box> boxes = boxesOf(job);
    if (instead) {
        const auto own = std::find_if(boxes.begin(), boxes.end(),
                                      [&](const Box& box) { return box.what == instead->what; });
        if (own == boxes.end())
            boxes.push_back(*instead);
        else
            *own = *instead;
    }
    std::vector<Placement> all;
    for (Box& box : boxes) all.push_back(seated(job, std::move(box), hollows));
    return all;
}

namespace {

struct PlacementsFact {
    using Value = std::vector<Placement>;
    using Read = Reads<&Job::units, &Job::decoder, &Job::bank, &Job::items>;
    static Value of(const JobAnalysis& facts) { return placements(facts.job); }
};

}  // namespace

const std::vector<Placement>& placements(const JobAnalysis& facts) {
    return facts.fact<PlacementsFact>();
}

const Placement* placementOf(const std::vector<Placement>& placements, std::string_view what) {
    for (const Placement& placement : placements) {
        if (placement.box.what == what) return &placement;
    }
    return nullptr;
}

}  // namespace glimmet::core
