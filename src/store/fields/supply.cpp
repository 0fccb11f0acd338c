#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void packFields(Io& io, Self& pack) {
    io("chemistry", pack.chemistry);
    io("cells", pack.cells, Required, within(1, 12));
    io("capacity", pack.capacity, Required, upTo(100));
}

template <class Io, class Self>
void smoothingFields(Io& io, Self& smoothing) {
    io("kind", smoothing.kind);
    io("capacitance", smoothing.capacitance, Required, upTo(10));
    io("rated", smoothing.rated, Required, upTo(200));
    io("charge", smoothing.charge, Maybe, from0To(1e5));
    io("bleed", smoothing.bleed, Maybe, from0To(1e7));
}

template <class Io, class Self>
void supplyFields(Io& io, Self& supply) {
    io("volts", supply.volts, Maybe);
    io("rectifier", supply.rectifier, Maybe);
    io("bridge", supply.bridge, Maybe);
    io("switch", supply.outputSwitch, Maybe);
    io("pack", supply.pack, Maybe);
    io("pack_on", supply.packOn, Maybe);
    io("pulse", supply.pulse, Maybe, from0To(60));
    io("limit", supply.limit, Maybe, upTo(100));
    io("polarity_unknown", supply.polarityUnknown, Maybe);
    io("lamp_bridge", supply.lampBridge, Maybe);
    io("smoothing", supply.smoothing, Maybe);
    io.holds(
        "volts",
        [&] {
            return !supply.volts ||
                   (supply.volts->value > core::Volts{0} && supply.volts->value <= core::Volts{60});
        },
        "volts that feed no model", "a value_V above 0 and up to 60");
    for (const auto& [key, drop] :
         {std::pair{"rectifier", &supply.rectifier}, std::pair{"bridge", &supply.bridge},
          std::pair{"switch", &supply.outputSwitch}}) {
        io.holds(
            key, [one = drop] { return !*one || (*one)->value <= core::Volts{5}; },
            "a drop that no part has", "a value_V of 0 to 5");
    }
}

}  // namespace

GLIMMET_FIELDS(core::BatteryPack, packFields)
GLIMMET_FIELDS(core::Smoothing, smoothingFields)
GLIMMET_FIELDS(core::Supply, supplyFields)

}  // namespace glimmet::store
