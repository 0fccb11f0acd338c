#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void pairFields(Io& io, Self& pair) {
    io("red", pair.red);
    io("black", pair.black);
    io("look", pair.look);
    io("ohms", pair.ohms, Maybe, from0To(1e9));
    io("both_ways", pair.bothWays, Maybe);
    io("on", pair.on, Maybe, date);
    io("rests", pair.rests, Maybe, unsearched(characters(64)));
    io.holds(
        "ohms", [&] { return pair.ohms.has_value() == (pair.look == core::Look::Value); },
        "a value that does not go with its look", "ohms of a value, and of nothing else");
}

template <class Io, class Self>
void seenFields(Io& io, Self& seen) {
    io("step", seen.step, Required, unsearched(characters(80, 1)));
    io("seen", seen.seen);
    io("current", seen.current, Maybe, from0To(100));
    io("on", seen.on, Maybe, date);
}

template <class Io, class Self>
void swapFields(Io& io, Self& swap) {
    io("what", swap.what);
    io("of", swap.of, Maybe, unsearched(characters(80)));
    io("on", swap.on, Maybe, date);
}

}  // namespace

GLIMMET_FIELDS(core::PairReading, pairFields)
GLIMMET_FIELDS(core::PowerSeen, seenFields)
GLIMMET_FIELDS(core::Swap, swapFields)

}  // namespace glimmet::store
