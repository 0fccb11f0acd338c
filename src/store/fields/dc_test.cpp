#include "store/fields/io.h"

namespace glimmet::store {
namespace {

template <class Io, class Self>
void proofReadingFields(Io& io, Self& reading) {
    io("direction", reading.direction);
    io("pace", reading.pace);
    io("volts", reading.volts, Required, upTo(60));
    io("amps", reading.amps, Maybe, upTo(50));
    io("on", reading.on, Maybe, date);
}

template <class Io, class Self>
void proofFields(Io& io, Self& proof) {
    io("runs", proof.runs, Maybe);
    io("on", proof.on, Maybe, date);
    io("failed", proof.failed, Maybe);
    io("go_on", proof.goOn, Maybe);
    io("readings", proof.readings, Maybe, members(0, 1000));
    io("lamps", proof.lamps, Maybe);
    io("remarks", proof.remarks, Maybe, members(0, 100));
}

}  // namespace

GLIMMET_FIELDS(core::ProofReading, proofReadingFields)
GLIMMET_FIELDS(core::Proof, proofFields)

}  // namespace glimmet::store
