#include "core/work/seat.h"

namespace glimmet::core {

std::optional<Seat> decoderSeat(const Job& job) {
    if (!job.decoder) return {};
    const Decoder& decoder = *job.decoder;
    Seat seat{{(job.body.length - decoder.length) / 2.0, job.body.height / 2.0},
              decoder.length,
              decoder.height,
              {},
              false};
    const Cavity* chosen = nullptr;
    for (const Cavity& cavity : job.body.cavities) {
        const bool holds = decoder.length <= cavity.length && decoder.height <= cavity.height &&
                           decoder.width <= cavity.width;
        if (holds) {
            chosen = &cavity;
            seat.fits = true;
            break;
        }
        if (!chosen || cavity.length * cavity.height > chosen->length * chosen->height) {
            chosen = &cavity;
        }
    }
    if (chosen) {
        seat.hollow = chosen->name;
        // On the floor of the hollow, at its forward end, where the hand gets to it.
        const Millimetres clear = seat.fits ? Millimetres{0.5} : Millimetres{0};
        seat.corner = {chosen->corner.x + clear, chosen->corner.z + clear};
    }
    return seat;
}

}  // namespace glimmet::core
