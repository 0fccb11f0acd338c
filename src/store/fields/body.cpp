#include "store/fields/io.h"

namespace glimmet::store {
namespace {

constexpr Limits bodySize = upTo(farthest);
constexpr Limits place = within(-farthest, farthest);

template <class Io, class Self>
void cavityFields(Io& io, Self& cavity) {
    io("name", cavity.name, Required, unsearched({}));
    io("corner", cavity.corner);
    io("length", cavity.length, Required, bodySize);
    io("height", cavity.height, Required, bodySize);
    io("width", cavity.width, Required, bodySize);
    io("across", cavity.across, Maybe, place);
    io("measured", cavity.measured, Maybe);
}

template <class Io, class Self>
void axleFields(Io& io, Self& axle) {
    io("x", axle.x, Required, place);
    io("diameter", axle.diameter, Required, bodySize);
    io("driven", axle.driven, Maybe);
    io("left", axle.collectsLeft, Maybe);
    io("right", axle.collectsRight, Maybe);
    io("looked", axle.looked, Maybe);
}

template <class Io, class Self>
void siteFields(Io& io, Self& site) {
    io("name", site.name, Required, unsearched(characters(400, 1)));
    io("at", site.at);
    io("facing", site.facing);
}

template <class Io, class Self>
void bodyFields(Io& io, Self& body) {
    constexpr Limits outline = members(3, 1000);
    io("kind", body.kind, Required, characters(80, 1));
    io("structure", body.structure, Maybe);
    io("own_measures", body.ownMeasures, Maybe);
    io("length", body.length, Required, bodySize);
    io("height", body.height, Required, bodySize);
    io("width", body.width, Required, bodySize);
    io("profile", body.profile, Required, outline);
    io("openings", body.openings, Maybe, outline);
    io("lines", body.lines, Maybe, members(2, 1000));
    io("cavities", body.cavities, Maybe);
    io("axles", body.axles, Maybe);
    io("sites", body.sites, Maybe);
    io("motors", body.motors, Maybe);
}

template <class Io, class Self>
void drawingFields(Io& io, Self& drawing) {
    io("id", drawing.id, Required, characters(80, 1));
    io("title", drawing.title, Required, characters(80, 1));
    io("group", drawing.group, Required, characters(80, 1));
    io("body", drawing.body);
}

}  // namespace

GLIMMET_FIELDS(core::Cavity, cavityFields)
GLIMMET_FIELDS(core::Axle, axleFields)
GLIMMET_FIELDS(core::LampSite, siteFields)
GLIMMET_FIELDS(core::Body, bodyFields)
GLIMMET_FIELDS(core::BodyDrawing, drawingFields)

}  // namespace glimmet::store
