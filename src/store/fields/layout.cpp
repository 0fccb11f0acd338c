#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void deadSpotFields(Io& io, Self& spot) {
    io("number", spot.number, Maybe, within(0, 30));
    io("work", spot.work, Maybe);
    io("rail", spot.rail, Maybe);
    io("length", spot.length, Maybe, upTo(5000));
    io.holds(
        "length", [&] { return spot.number >= 1 || (!(spot.number > 0) && spot.length); },
        "a gap of no length", "number 1 to 30 of points, or a length_mm");
}

template <class Io, class Self>
void coastFields(Io& io, Self& coast) {
    io("distance", coast.distance, Required, upTo(10000));
    io("speed_kmh", coast.kmh, Required, within(0.1, 500));
    io("on", coast.on, Maybe, date);
}

template <class Io, class Self>
void dirtFields(Io& io, Self& dirt) {
    io("stutters_per_m", dirt.stuttersPerMetre, Required, within(0, 1000));
    io("on", dirt.on, Maybe, date);
}

template <class Io, class Self>
void layoutFields(Io& io, Self& layout) {
    io("spots", layout.spots, Maybe, members(0, 50));
    io("speed_kmh", layout.kmh, Maybe, within(0.1, 500));
    io("coast", layout.coast, Maybe);
    io("dirt", layout.dirt, Maybe);
}

}  // namespace

GLIMMET_FIELDS(core::DeadSpot, deadSpotFields)
GLIMMET_FIELDS(core::Coast, coastFields)
GLIMMET_FIELDS(core::Dirt, dirtFields)
GLIMMET_FIELDS(core::Layout, layoutFields)

}  // namespace glimmet::store
