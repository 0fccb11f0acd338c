#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void ruledOutFields(Io& io, Self& out) {
    io("cause", out.cause);
    io("on", out.on, Maybe, date);
}

template <class Io, class Self>
void deadFields(Io& io, Self& dead) {
    io("on", dead.on, Maybe, date);
    io("across", dead.across, Maybe, from0To(100));
    io("ruled_out", dead.ruledOut, Maybe, members(0, 6));
}

template <class Io, class Self>
void clampFields(Io& io, Self& clamp) {
    io("volts", clamp.volts, Required, upTo(100));
    io("tolerance", clamp.tolerance, Maybe, from0To(0.2));
    io("before", clamp.before, Maybe);
}

template <class Io, class Self>
void foundCapacitanceFields(Io& io, Self& found) {
    io("value", found.value, Required, from0To(1e6));
    io("on", found.on, Maybe, date);
    io("within", found.within, Maybe, from0To(0.9));
}

template <class Io, class Self>
void bankVoltsFields(Io& io, Self& read) {
    io("value", read.value, Required, from0To(100));
    io("belongs", read.belongs, Maybe, within(0.1, 100));
    io("on", read.on, Maybe, date);
}

template <class Io, class Self>
void fittedBankFields(Io& io, Self& bank) {
    io("part", bank.part);
    io("charge", bank.charge, Maybe, from0To(1e5));
    io("diode", bank.diode, Maybe, from0To(5));
    io("clamp", bank.clamp, Maybe);
    io("seat", bank.placement, Maybe);
    io("outer", bank.outer, Maybe);
    io("measured", bank.measured, Maybe);
    io("across", bank.across, Maybe);
    io("turned", bank.backwards, Maybe);
    io("dead", bank.dead, Maybe);
    io("warmth", bank.warmth, Maybe);
    io.holds(
        "measured", [&] { return !bank.measured || bank.measured->value > core::Farads{0}; },
        "no capacitance", "a value_F above 0");
}

template <class Io, class Self>
void padsFields(Io& io, Self& pads) {
    io("name", pads.name, Required, characters(40, 1));
    io("direct", pads.direct, Maybe, within(-100, 100));
    io("alternating", pads.alternating, Maybe, from0To(100));
    io("to_common", pads.toCommon, Maybe, from0To(1e9));
    io("bridged", pads.bridged, Maybe);
    io("on", pads.on, Maybe, date);
}

}  // namespace

GLIMMET_FIELDS(core::EmptyPads, padsFields)
GLIMMET_FIELDS(core::RuledOut, ruledOutFields)
GLIMMET_FIELDS(core::DeadBank, deadFields)
GLIMMET_FIELDS(core::BankClamp, clampFields)
GLIMMET_FIELDS(core::FoundCapacitance, foundCapacitanceFields)
GLIMMET_FIELDS(core::BankVolts, bankVoltsFields)
GLIMMET_FIELDS(core::FittedBank, fittedBankFields)

}  // namespace glimmet::store
