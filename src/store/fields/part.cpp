#include "core/analysis/lamp_groups.h"
#include "store/fields/io.h"
#include "store/job_json.h"

namespace glimmet::store {
namespace {

constexpr Limits amps = upTo(100);
constexpr Limits partSize = upTo(500);
constexpr Limits word = unsearched(characters(40));
constexpr Limits id = unsearched(characters(80));

template <class Io, class Self>
void outputFields(Io& io, Self& output) {
    io("name", output.name, Required, word);
    io("wire", output.wire, Maybe, word);
    io("kind", output.kind);
    io("limit", output.limit, OrNull, amps);
    io("series", output.series, OrNull, from0To(1e5));
    io("series_on", output.seriesMeasured, Maybe, date);
}

template <class Io, class Self>
void decoderFields(Io& io, Self& decoder) {
    io("id", decoder.id, Required, id);
    io("name", decoder.name);
    io("continuous", decoder.continuous, Required, amps);
    io("peak", decoder.peak, Required, amps);
    io("functions", decoder.functionTotal, Required, amps);
    io("overall", decoder.overall, Required, amps);
    io("track_max", decoder.largestTrack, Required, upTo(100));
    io("length", decoder.length, Required, partSize);
    io("width", decoder.width, Required, partSize);
    io("height", decoder.height, Required, partSize);
    io("plug", decoder.plug, Maybe, id);
    io("sound", decoder.sound, Maybe);
    io("radio", decoder.radio, Maybe);
    io("supply_min", decoder.leastSupply, Maybe, from0To(60));
    io("reserve", decoder.stayAlive, Maybe);
    io("most_bank", decoder.mostBank, Maybe, upTo(100));
    io("price", decoder.price, Maybe, from0To(1e5));
    io("outputs", decoder.outputs, Maybe, members(0, 64));
}

template <class Io, class Self>
void fittedDecoderFields(Io& io, Self& decoder) {
    io("part", decoder.part);
    io("seat", decoder.placement, Maybe);
    io("outer", decoder.outer, Maybe);
}

template <class Io, class Self>
void pointFields(Io& io, Self& point) {
    io("vf", point.voltage, Required, upTo(20));
    io("at", point.current, Required, upTo(5));
}

template <class Io, class Self>
void filamentFields(Io& io, Self& bulb) {
    io("volts", bulb.rated, Required, upTo(60));
    io("amps", bulb.current, Required, upTo(5));
}

template <class Io, class Self>
void blinkChipFields(Io& io, Self& chip) {
    io("per_s", chip.perSecond, Required, upTo(100));
    io("flickers", chip.flickers, Maybe);
    io("resets", chip.resets, Maybe, upTo(20));
}

template <class Io, class Self>
void lampFields(Io& io, Self& part) {
    io("id", part.id, Maybe, id);
    io("name", part.name);
    io("family", part.family);
    io.flat(part.forward);
    io("n", part.emission, Maybe, upTo(20));
    io("rs", part.series, Maybe, from0To(1e4));
    io("max", part.limit, Maybe, upTo(5));
    io("bulb", part.filament, Maybe);
    io("blink", part.blink, Maybe);
    io("rated", part.rated, Maybe, upTo(60));
    io("section", part.section, Maybe, partSize);
    io("body", part.body, Maybe);
    io("tint", part.tint, Maybe, word);
    io.holds(
        "vf_V", [&] { return core::law(part).has_value(); }, "values of no LED",
        "a point that leaves volts for the junction: above at_A · rs_ohm");
}

template <class Io, class Self>
void bankFields(Io& io, Self& bank) {
    io("id", bank.id, Maybe, id);
    io("name", bank.name);
    io("kind", bank.kind);
    io("capacitance", bank.capacitance, Required, upTo(1000));
    io("rated", bank.rated, Required, upTo(200));
    io("charge", bank.charge, Maybe, from0To(1e5));
    io("diode", bank.diode, Maybe, from0To(5));
    io("length", bank.length, Required, partSize);
    io("width", bank.width, Required, partSize);
    io("height", bank.height, Required, partSize);
    io("in_series", bank.inSeries, Maybe, within(1, 12));
    io("balanced", bank.balanced, Maybe);
    io("price", bank.price, Maybe, from0To(1e6));
}

template <class Io, class Self>
void catalogueFields(Io& io, Self& catalogue) {
    io.constant("format", "glimmet-catalogue");
    io.constant("version", catalogueFormatVersion);
    io("decoders", catalogue.decoders, Maybe);
    io("lamps", catalogue.lamps, Maybe);
    io("banks", catalogue.banks, Maybe);
    io("bodies", catalogue.bodies, Maybe);
    io("faults", catalogue.faults, Maybe);
}

}  // namespace

GLIMMET_FIELDS(core::DecoderOutput, outputFields)
GLIMMET_FIELDS(core::Decoder, decoderFields)
GLIMMET_FIELDS(core::FittedDecoder, fittedDecoderFields)
GLIMMET_FIELDS(core::ForwardPoint, pointFields)
GLIMMET_FIELDS(core::FilamentRating, filamentFields)
GLIMMET_FIELDS(core::BlinkChip, blinkChipFields)
GLIMMET_FIELDS(core::LampPart, lampFields)
GLIMMET_FIELDS(core::BankPart, bankFields)
GLIMMET_FIELDS(core::Catalogue, catalogueFields)

}  // namespace glimmet::store
