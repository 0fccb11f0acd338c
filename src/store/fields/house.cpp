#include "store/fields/io.h"
#include "store/fields/school_fields.h"
#include "store/job_json.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void houseFields(Io& io, Self& house) {
    io("rule", house.rule, Maybe);
    io("close_margin", house.closeMargin, Maybe, within(0, 0.9));
    io("rectifier", house.rectifier, Maybe, from0To(5));
    io("bridge", house.bridge, Maybe, from0To(5));
    io("switch", house.outputSwitch, Maybe, from0To(5));
    io("supply_spread", house.supplySpread, Maybe, within(0, 0.5));
    io("drawers", house.drawers, Maybe);
    io("resistor_leg", house.leg, Maybe);
    io("lamp_resistors", house.lampResistors, Maybe);
    io("meter_tolerance", house.meterTolerance, Maybe, within(0, 0.1));
    io("mains", house.mains, Maybe);
    schoolFields(io, house);
    io("decoders", house.decoders, Maybe, members(0, 1000));
}

template <class Io, class Self>
void districtModelFields(Io& io, Self& model) {
    io("job", model.job, Required, within(1, 2147483647));
}

template <class Io, class Self>
void shelvedFields(Io& io, Self& shelved) {
    io("job", shelved.job, Required, within(1, 2147483647));
}

template <class Io, class Self>
void districtFields(Io& io, Self& district) {
    io("name", district.name, Required, characters(100, 1));
    io("rating", district.rating, Required, upTo(100));
    io("trip", district.trip, Required, upTo(100));
    io("lamps", district.lamps, Maybe, from0To(100));
    io("models", district.models, Maybe, members(0, 1000));
}

template <class Io, class Self>
void workshopFields(Io& io, Self& workshop) {
    io.constant("format", "glimmet-workshop");
    io.constant("version", workshopFormatVersion);
    io("house", workshop.house);
    io("meter", workshop.meter, Maybe);
    io("districts", workshop.districts, Maybe, members(0, 100));
    io("shelf_order", workshop.shelfOrder, Maybe, members(0, 100000));
}

}  // namespace

GLIMMET_FIELDS(core::WorkshopRules, houseFields)
GLIMMET_FIELDS(core::DistrictModel, districtModelFields)
GLIMMET_FIELDS(core::Shelved, shelvedFields)
GLIMMET_FIELDS(core::PowerDistrict, districtFields)
GLIMMET_FIELDS(core::WorkshopRecord, workshopFields)

}  // namespace glimmet::store
