#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void measuredFields(Io& io, Self& measured) {
    // The widest that any measurement of a model shows; what uses one holds it to less.
    io("value", measured.value, Required, from0To(1e6));
    io("on", measured.on, Maybe, date);
}

template <class Io, class Self>
void warmthFields(Io& io, Self& measured) {
    io("value", measured.value, Required, within(-50, 200));
    io("on", measured.on, Maybe, date);
}

}  // namespace

GLIMMET_FIELDS(core::Measured<core::Celsius>, warmthFields)
GLIMMET_FIELDS(core::Measured<core::Volts>, measuredFields)
GLIMMET_FIELDS(core::Measured<core::Amperes>, measuredFields)
GLIMMET_FIELDS(core::Measured<core::Ohms>, measuredFields)

}  // namespace glimmet::store
