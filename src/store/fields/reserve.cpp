#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void fittedBankFields(Io& io, Self& bank) {
    io("part", bank.part);
    io("charge", bank.charge, Maybe, from0To(1e5));
    io("diode", bank.diode, Maybe, from0To(5));
    io("seat", bank.seat, Maybe);
    io("measured", bank.measured, Maybe);
    io.holds(
        "measured", [&] { return !bank.measured || bank.measured->value > core::Farads{0}; },
        "no capacitance", "a value_F above 0");
}

}  // namespace

GLIMMET_FIELDS(core::FittedBank, fittedBankFields)

}  // namespace glimmet::store
