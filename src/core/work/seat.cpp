#include "core/work/seat.h"

namespace glimmet::core {
namespace {

struct Box {
    Millimetres length, width, height;
};

/// The hollows of all units, with what is taken at their forward ends.
struct Hollow {
    std::size_t unit;
    const Cavity* cavity;
    Millimetres taken{0};
};

Seat seatOf(const Job& job, const Box& box, const std::optional<Fitted>& wanted,
            std::vector<Hollow>& hollows) {
    const Unit& first = job.units.front();
    Seat seat{0,          {(first.body.length - box.length) / 2.0, first.body.height / 2.0},
              box.length, box.height,
              {},         false};
    Hollow* chosen = nullptr;
    for (Hollow& hollow : hollows) {
        const Cavity& cavity = *hollow.cavity;
        if (wanted && (job.units[hollow.unit].id != wanted->unit || cavity.name != wanted->place)) {
            continue;
        }
        seat.fits = box.length + hollow.taken <= cavity.length && box.height <= cavity.height &&
                    box.width <= cavity.width;
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
    chosen->taken += box.length + clear;
    return seat;
}

}  // namespace

Seats seats(const Job& job) {
    std::vector<Hollow> hollows;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        for (const Cavity& cavity : job.units[i].body.cavities) hollows.push_back({i, &cavity});
    }
    Seats found;
    if (job.decoder) {
        const Decoder& part = job.decoder->part;
        found.decoder =
            seatOf(job, {part.length, part.width, part.height}, job.decoder->seat, hollows);
    }
    if (job.bank) {
        const BankPart& part = job.bank->part;
        found.bank = seatOf(job, {part.length, part.width, part.height}, job.bank->seat, hollows);
    }
    return found;
}

}  // namespace glimmet::core
