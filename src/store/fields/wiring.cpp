#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void terminalFields(Io& io, Self& terminal) {
    io("of", terminal.owner, Required, unsearched(characters(80, 1)));
    io("pin", terminal.pin, Required, unsearched(characters(80, 1)));
    io.holds(
        "pin",
        [&] {
            return terminal.owner.find('.') == std::string::npos &&
                   terminal.pin.find('.') == std::string::npos;
        },
        "a dot", "names without dots");
}

template <class Io, class Self>
void wireFields(Io& io, Self& wire) {
    io("id", wire.id, Required, identity);
    io("colour", wire.colour, Required, unsearched(characters(40)));
    io("from", wire.from, Maybe);
    io("to", wire.to);
    io("labelled", wire.labelled, Maybe);
    io("factory", wire.factory, Maybe);
    io("awg", wire.awg, Maybe, within(10, 50));
    io("length", wire.length, Maybe, upTo(100000));
    io("stranded", wire.stranded, Maybe);
    io("run", wire.run, Maybe, unsearched(characters(80)));
    io("from_joint", wire.fromJoint, Maybe);
    io("to_joint", wire.toJoint, Maybe);
    io("provisional", wire.provisional, Maybe);
}

template <class Io, class Self>
void functionKeyFields(Io& io, Self& key) {
    io("key", key.key, Required, within(0, 68));
    io("direction", key.direction, Maybe);
    io("outputs", key.outputs, Maybe, members(0, 64));
    io("sound", key.sound, Maybe);
    io("label", key.label, Maybe);
    io("momentary", key.momentary, Maybe);
}

}  // namespace

GLIMMET_FIELDS(core::TerminalId, terminalFields)
GLIMMET_FIELDS(core::Wire, wireFields)
GLIMMET_FIELDS(core::FunctionKey, functionKeyFields)

}  // namespace glimmet::store
