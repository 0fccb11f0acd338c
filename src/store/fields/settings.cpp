#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void stopFields(Io& io, Self& stop) {
    io("distance", stop.distance, Required, upTo(100000));
    io("kmh", stop.speed, Required, upTo(600));
}

template <class Io, class Self>
void settingsFields(Io& io, Self& settings) {
    io("address", settings.address, Maybe, within(1, 10239));
    io("speed_steps", settings.speedSteps, Maybe, within(14, 128));
    io("start", settings.start, Maybe, from0To(1));
    io("middle", settings.middle, Maybe, from0To(1));
    io("top", settings.top, Maybe, from0To(1));
    io("start_time", settings.startTime, Maybe, from0To(3600));
    io("stop_time", settings.stopTime, Maybe, from0To(3600));
    io("stop", settings.stop, Maybe);
    io("own", settings.own, Maybe, members(0, 1024));
    io("keyed_in", settings.keyedIn, Maybe, members(0, 1024));
    io("read", settings.read, Maybe);
    io("consist", settings.consist, Maybe);
    io.unique("own", settings.own, "number",
              [](const auto& each) { return std::to_string(each.number); });
    io.unique("keyed_in", settings.keyedIn, "number",
              [](const auto& each) { return std::to_string(each.number); });
}

}  // namespace

GLIMMET_FIELDS(core::StopWithin, stopFields)
GLIMMET_FIELDS(core::Settings, settingsFields)

}  // namespace glimmet::store
