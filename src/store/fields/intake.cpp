#include "store/fields/io.h"

namespace glimmet::store {
namespace {

constexpr Limits words = characters(1000, 1);
constexpr Limits item = unsearched(characters(80));

template <class Io, class Self>
void lookedFields(Io& io, Self& looked) {
    io("item", looked.item, Required, item);
    io("good", looked.good);
    io("on", looked.on, Maybe, date);
}

template <class Io, class Self>
void spotFields(Io& io, Self& spot) {
    io("id", spot.id, Required, identity);
    io("words", spot.words, Required, words);
    io("item", spot.item, Maybe, item);
    io("unit", spot.unit, Required, identity);
    io("at", spot.at);
    io("on", spot.on, Maybe, date);
    io("mended", spot.mended, Maybe, date);
}

template <class Io, class Self>
void complaintFields(Io& io, Self& complaint) {
    io("id", complaint.id, Required, identity);
    io("words", complaint.words, Required, words);
    io("answer", complaint.answer, Maybe, characters(1000));
}

template <class Io, class Self>
void looseFields(Io& io, Self& loose) {
    io("what", loose.what, Required, words);
    io("bag", loose.bag, Maybe);
}

template <class Io, class Self>
void takenOffFields(Io& io, Self& taken) {
    io("what", taken.what, Required, words);
    io("on", taken.on, Maybe, date);
    io("id", taken.id, Maybe, identity);
    io("back", taken.back, Maybe, date);
}

template <class Io, class Self>
void photoFields(Io& io, Self& photo) {
    io("sum", photo.sum, Required, unsearched(characters(64, 64)));
    io("of", photo.of, Maybe, identity);
    io("on", photo.on, Maybe, date);
}

template <class Io, class Self>
void oiledFields(Io& io, Self& oiled) {
    io("point", oiled.point, Required, item);
    io("with", oiled.with, Maybe, item);
    io("on", oiled.on, Maybe, date);
}

template <class Io, class Self>
void suspectedFields(Io& io, Self& suspected) {
    io("fault", suspected.fault, Required, item);
    io("state", suspected.state);
    io("on", suspected.on, Maybe, date);
}

template <class Io, class Self>
void valueFields(Io& io, Self& value) {
    io("number", value.number, Required, within(1, 1024));
    io("value", value.value, Required, within(0, 255));
}

template <class Io, class Self>
void settingsFields(Io& io, Self& settings) {
    io("on", settings.on, Maybe, date);
    io("values", settings.values, Maybe, members(0, 1024));
}

template <class Io, class Self>
void intakeFields(Io& io, Self& intake) {
    io("age", intake.age, Maybe);
    io("arrival", intake.arrival, Maybe);
    io("looked", intake.looked, Maybe, members(0, 200));
    io("spots", intake.spots, Maybe, members(0, 500));
    io("complaints", intake.complaints, Maybe, members(0, 100));
    io("loose", intake.loose, Maybe, members(0, 500));
    io("taken_off", intake.takenOff, Maybe, members(0, 1000));
    io("oiled", intake.oiled, Maybe, members(0, 1000));
    io("faults", intake.faults, Maybe, members(0, 500));
    io("settings", intake.settings, Maybe);
    io("photos", intake.photos, Maybe, members(0, 500));
    io.unique("photos", intake.photos, "sum", [](const auto& each) { return each.sum; });
    io.unique("looked", intake.looked, "item", [](const auto& each) { return each.item; });
    io.unique("faults", intake.faults, "fault", [](const auto& each) { return each.fault; });
}

template <class Io, class Self>
void knownFaultFields(Io& io, Self& fault) {
    io("id", fault.id, Required, item);
    io("title", fault.title);
    io("signs", fault.signs, Required, members(1, 40));
    io("look", fault.look);
    io("cure", fault.cure);
    io("fatal", fault.fatal, Maybe);
    io("on_dc", fault.onDc, Maybe);
    io("decoder", fault.decoder, Maybe);
}

}  // namespace

GLIMMET_FIELDS(core::LookedAt, lookedFields)
GLIMMET_FIELDS(core::Spot, spotFields)
GLIMMET_FIELDS(core::Complaint, complaintFields)
GLIMMET_FIELDS(core::LoosePart, looseFields)
GLIMMET_FIELDS(core::TakenOff, takenOffFields)
GLIMMET_FIELDS(core::Photo, photoFields)
GLIMMET_FIELDS(core::Oiled, oiledFields)
GLIMMET_FIELDS(core::SuspectedFault, suspectedFields)
GLIMMET_FIELDS(core::ConfigurationValue, valueFields)
GLIMMET_FIELDS(core::SavedSettings, settingsFields)
GLIMMET_FIELDS(core::Intake, intakeFields)
GLIMMET_FIELDS(core::KnownFault, knownFaultFields)

}  // namespace glimmet::store
