#include "store/fields/io.h"

namespace glimmet::store {
namespace {

constexpr Limits measure = upTo(500);

template <class Io, class Self>
void outerFields(Io& io, Self& outer) {
    io("length", outer.length, Required, measure);
    io("width", outer.width, Required, measure);
    io("height", outer.height, Required, measure);
}

/// What every plain part has.
template <class Io, class Self>
void plainFields(Io& io, Self& part) {
    io("name", part.name, Required, characters(200, 1));
    io("size", part.size);
}

template <class Io, class Self>
void speakerFields(Io& io, Self& speaker) {
    plainFields(io, speaker);
    io("impedance", speaker.impedance, Required, upTo(1000));
    io("enclosure", speaker.enclosure, Maybe);
}

template <class Io, class Self>
void connectorFields(Io& io, Self& connector) {
    plainFields(io, connector);
    io("contacts", connector.contacts, Required, within(1, 100));
    io("keyed", connector.keyed, Maybe);
}

template <class Io, class Self>
void switchPartFields(Io& io, Self& part) {
    plainFields(io, part);
    io("limit", part.limit, Required, upTo(20));
    io("poles", part.poles, Maybe, within(1, 2));
}

template <class Io, class Self>
void itemPartFields(Io& io, Self& part) {
    io.oneOf(
        "is", part,
        {"decoder", "stay-alive", "speaker", "weight", "board", "connector", "switch", "holder"});
}

template <class Io, class Self>
void itemFields(Io& io, Self& item) {
    io("id", item.id, Required, identity);
    io("part", item.part);
    io("outer", item.outer, Maybe);
    io("seat", item.placement, Maybe);
}

template <class Io, class Self>
void factoryLampFields(Io& io, Self& lamp) {
    io("id", lamp.id, Required, identity);
    io("name", lamp.name, Required, characters(400, 1));
    io("fitted", lamp.fitted);
    io("works", lamp.works, Maybe);
    io("on", lamp.on, Maybe, date);
    io("output", lamp.output, Maybe, unsearched(characters(40)));
}

}  // namespace

GLIMMET_FIELDS(core::OuterMeasures, outerFields)
GLIMMET_FIELDS(core::SpeakerPart, speakerFields)
GLIMMET_FIELDS(core::WeightPart, plainFields)
GLIMMET_FIELDS(core::BoardPart, plainFields)
GLIMMET_FIELDS(core::ConnectorPart, connectorFields)
GLIMMET_FIELDS(core::SwitchPart, switchPartFields)
GLIMMET_FIELDS(core::HolderPart, plainFields)
GLIMMET_FIELDS(core::ItemPart, itemPartFields)
GLIMMET_FIELDS(core::FittedItem, itemFields)
GLIMMET_FIELDS(core::FactoryLamp, factoryLampFields)

}  // namespace glimmet::store
