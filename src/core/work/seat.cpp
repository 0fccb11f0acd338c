#include "core/work/seat.h"

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

constexpr Lying ways[] = {Lying::Flat,    Lying::OnSide,          Lying::Crosswise,
                          Lying::Upright, Lying::CrosswiseOnSide, Lying::UprightCrosswise};

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

Seat seated(const Job& job, Box box, std::vector<Hollow>& hollows) {
    const Body& first = job.units.front().body;
    Seat seat{std::move(box), 0, {}, {}, false, {}};
    Hollow* chosen = nullptr;
    for (const Lying lying : ways) {
        chosen = roomFor(job, posed(seat.box, lying), hollows);
        if (!chosen) continue;
        seat.fits = true;
        seat.lying = lying;
        seat.box = posed(std::move(seat.box), lying);
        break;
    }
    if (!chosen) chosen = roomiest(job, seat.box, hollows);
    seat.corner = {(first.length - seat.box.length) / 2.0, first.height / 2.0};
    if (!chosen) return seat;
    seat.unit = chosen->unit;
    seat.hollow = chosen->cavity.name;
    // On the floor of the hollow, at its forward end, where the hand gets to it.
    const Millimetres clear = seat.fits ? Millimetres{0.5} : Millimetres{0};
    seat.corner = {chosen->cavity.corner.x + chosen->taken + clear,
                   chosen->cavity.corner.z + clear};
    chosen->taken += seat.box.length + clear;
    return seat;
}

}  // namespace

Box posed(Box box, Lying lying) {
    const auto made = [&](Millimetres length, Millimetres width, Millimetres height) {
        box.length = length;
        box.width = width;
        box.height = height;
        return box;
    };
    const Millimetres l = box.length, w = box.width, h = box.height;
    switch (lying) {
        case Lying::Flat:
            break;
        case Lying::OnSide:
            return made(l, h, w);
        case Lying::Crosswise:
            return made(w, l, h);
        case Lying::Upright:
            return made(h, w, l);
        case Lying::CrosswiseOnSide:
            return made(h, l, w);
        case Lying::UprightCrosswise:
            return made(w, h, l);
    }
    return box;
}

Text inHollow(const std::string& hollow, Lying lying) {
    switch (lying) {
        case Lying::Flat:
            break;
        case Lying::OnSide:
            return text("the %1, on its side", hollow);
        case Lying::Crosswise:
            return text("the %1, crosswise", hollow);
        case Lying::Upright:
            return text("the %1, upright", hollow);
        case Lying::CrosswiseOnSide:
            return text("the %1, crosswise on its side", hollow);
        case Lying::UprightCrosswise:
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

std::vector<Seat> seats(const Job& job, const Box* instead) {
    std::vector<Hollow> hollows;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        for (const Cavity& cavity : job.units[i].body.cavities) {
            for (Cavity& free : freeIn(job.units[i], cavity))
                hollows.push_back({i, std::move(free)});
        }
    }
    std::vector<Box> boxes;
    for (const JobStage& room : jobStages()) {
        if (room.boxes) room.boxes(job, boxes);
    }
    if (instead) {
        const auto own = std::find_if(boxes.begin(), boxes.end(), [&](const Box& box) {
            return std::string_view(box.what) == instead->what;
        });
        if (own == boxes.end())
            boxes.push_back(*instead);
        else
            *own = *instead;
    }
    std::vector<Seat> all;
    for (Box& box : boxes) all.push_back(seated(job, std::move(box), hollows));
    return all;
}

const Seat* seatOf(const std::vector<Seat>& seats, std::string_view what) {
    for (const Seat& seat : seats) {
        if (seat.box.what == what) return &seat;
    }
    return nullptr;
}

}  // namespace glimmet::core
