#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void readingFields(Io& io, Self& reading) {
    io("direction", reading.direction);
    io("ran", reading.ran, Required, from0To(1e6));
    io("current", reading.current, Maybe, from0To(100));
    io("on", reading.on, Maybe, date);
}

template <class Io, class Self>
void runningFields(Io& io, Self& running) {
    io("direction", running.direction);
    io("since", running.since, Required, date);
}

template <class Io, class Self>
void runInFields(Io& io, Self& runIn) {
    io("readings", runIn.readings, Maybe, members(0, 1000));
    io("running", runIn.running, Maybe);
    io("since", runIn.since, Maybe, from0To(1e9));
}

template <class Io, class Self>
void waivedFields(Io& io, Self& waived) {
    io("what", waived.what, Required, unsearched(characters(80, 1)));
    io("why", waived.why, Required, characters(400, 1));
    io("on", waived.on, Maybe, date);
}

template <class Io, class Self>
void handOverFields(Io& io, Self& handOver) {
    io("on", handOver.on, Maybe, date);
    io("body", handOver.body, Maybe);
    io("care", handOver.care, Maybe, members(0, 50));
    io("waived", handOver.waived, Maybe, members(0, 200));
    io.unique("waived", handOver.waived, "what", [](const auto& each) { return each.what; });
}

}  // namespace

GLIMMET_FIELDS(core::RunInReading, readingFields)
GLIMMET_FIELDS(core::Running, runningFields)
GLIMMET_FIELDS(core::RunIn, runInFields)
GLIMMET_FIELDS(core::Waived, waivedFields)
GLIMMET_FIELDS(core::HandOver, handOverFields)

}  // namespace glimmet::store
