#include "store/fields/io.h"

namespace glimmet::store {
namespace {

using core::MotorCondition;

template <class Io, class Self>
void readingFields(Io& io, Self& reading) {
    io("condition", reading.condition);
    io("volts", reading.volts, Maybe, upTo(60));
    io("amps", reading.amps, Required, upTo(50));
    io("on", reading.on, Maybe, date);
    io("at_least", reading.atLeast, Maybe);
    io("throttle", reading.throttle, Maybe, within(0.01, 1));
    io("struck", reading.struck, Maybe);
    io("scatter", reading.scatter, Maybe, upTo(50));
    io.holds(
        "volts_V", [&] { return reading.volts || reading.condition != MotorCondition::Stalled; },
        "nothing", "the volts of the stall test");
}

template <class Io, class Self>
void motorFields(Io& io, Self& motor) {
    io("id", motor.id, Required, identity);
    io("kind", motor.kind);
    io("readings", motor.readings, Maybe);
    io("windings", motor.windings, Maybe);
    io("isolated", motor.isolated, Maybe);
    io.holds(
        "windings",
        [&] {
            return std::all_of(
                motor.windings.begin(), motor.windings.end(), [](const auto& winding) {
                    return winding.value > core::Ohms{0} && winding.value <= core::Ohms{1e5};
                });
        },
        "ohms that no winding has", "a value_ohm above 0 and up to 100000");
}

template <class Io, class Self>
void collectorFields(Io& io, Self& collector) {
    io("kind", collector.kind);
    io("pole", collector.pole);
    io("x", collector.x, Required, within(-farthest, farthest));
    io("length", collector.length, Maybe, from0To(farthest));
}

template <class Io, class Self>
void fixtureFields(Io& io, Self& fixture) {
    io("kind", fixture.kind);
    io("place", fixture.place, Required, unsearched(characters(80)));
    io("at", fixture.at, Maybe);
    io("length", fixture.length, Required, within(0.1, farthest));
    io("width", fixture.width, Required, within(0.1, farthest));
    io("height", fixture.height, Required, within(0.1, farthest));
    io("may_go", fixture.mayGo, Maybe);
}

template <class Io, class Self>
void unitFields(Io& io, Self& unit) {
    io("id", unit.id, Required, identity);
    io("name", unit.name, Maybe);
    io("frame", unit.frame, Maybe);
    io("body", unit.body);
    io("motors", unit.motors, Maybe, members(0, 20));
    io("collectors", unit.collectors, Maybe, members(0, 100));
    io("fixtures", unit.fixtures, Maybe, members(0, 100));
}

template <class Io, class Self>
void couplingFields(Io& io, Self& coupling) {
    io("gap", coupling.gap, Maybe, from0To(1000));
    io("contacts", coupling.contacts, Maybe, from0To(100));
}

}  // namespace

GLIMMET_FIELDS(core::TakenReading, readingFields)
GLIMMET_FIELDS(core::Motor, motorFields)
GLIMMET_FIELDS(core::Collector, collectorFields)
GLIMMET_FIELDS(core::Fixture, fixtureFields)
GLIMMET_FIELDS(core::Unit, unitFields)
GLIMMET_FIELDS(core::Coupling, couplingFields)

}  // namespace glimmet::store
