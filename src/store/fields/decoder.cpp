#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void boardFields(Io& io, Self& board) {
    io("fate", board.fate, Maybe);
    io("common", board.common, Maybe);
    io("plug", board.plug, Maybe);
    io("open", board.open, Maybe);
    io("resistors", board.resistors, Maybe);
}

template <class Io, class Self>
void controllerFields(Io& io, Self& controller) {
    io("keys", controller.keys, Maybe, within(1, 69));
    io("longest_address", controller.longestAddress, Maybe, within(1, 10239));
    io("reads_back", controller.readsBack, Maybe);
}

template <class Io, class Self>
void refusedFields(Io& io, Self& refused) {
    io("what", refused.what, Required, characters(40, 1));
    io("why", refused.why, Required, characters(400));
}

template <class Io, class Self>
void wantedFields(Io& io, Self& wanted) {
    io("sound", wanted.sound, Maybe);
    io("socket", wanted.socket, Maybe, unsearched(characters(40)));
    io("longest", wanted.longest, Maybe, upTo(500));
    io("price", wanted.price, Maybe, from0To(1e5));
    io("sound_refused", wanted.soundRefused, Maybe);
    io("refused", wanted.refused, Maybe, members(0, 20));
}

}  // namespace

GLIMMET_FIELDS(core::FactoryBoard, boardFields)
GLIMMET_FIELDS(core::Controller, controllerFields)
GLIMMET_FIELDS(core::RefusedWish, refusedFields)
GLIMMET_FIELDS(core::Wanted, wantedFields)

}  // namespace glimmet::store
