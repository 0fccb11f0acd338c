#include "core/work/seat.h"

#include <algorithm>

namespace glimmet::core {
namespace {

/// A hollow of a unit, with what is taken at its forward end.
struct Hollow {
    std::size_t unit;
    const Cavity* cavity;
    Millimetres taken{0};
};

Seat seated(const Job& job, Box box, std::vector<Hollow>& hollows) {
    const Body& first = job.units.front().body;
    Seat seat{std::move(box), 0, {}, {}, false};
    seat.corner = {(first.length - seat.box.length) / 2.0, first.height / 2.0};
    Hollow* chosen = nullptr;
    for (Hollow& hollow : hollows) {
        const Cavity& cavity = *hollow.cavity;
        const auto& wanted = seat.box.wanted;
        if (wanted && (job.units[hollow.unit].id != wanted->unit || cavity.name != wanted->place)) {
            continue;
        }
        seat.fits = seat.box.length + hollow.taken <= cavity.length &&
                    seat.box.height <= cavity.height && seat.box.width <= cavity.width;
        if (seat.fits) {
            chosen = &hollow;
            break;
        }
        if (!chosen ||
            cavity.length * cavity.height > chosen->cavity->length * chosen->cavity->height) {
            chosen = &hollow;
        }
    }
    if (!chosen) return seat;
    seat.unit = chosen->unit;
    seat.hollow = chosen->cavity->name;
    // On the floor of the hollow, at its forward end, where the hand gets to it.
    const Millimetres clear = seat.fits ? Millimetres{0.5} : Millimetres{0};
    seat.corner = {chosen->cavity->corner.x + chosen->taken + clear,
                   chosen->cavity->corner.z + clear};
    chosen->taken += seat.box.length + clear;
    return seat;
}

}  // namespace

std::vector<Seat> seats(const Job& job, const Box* instead) {
    std::vector<Hollow> hollows;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        for (const Cavity& cavity : job.units[i].body.cavities) hollows.push_back({i, &cavity});
    }
    std::vector<Box> boxes;
    for (const JobRoom& room : jobRooms()) {
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
