// Fields of the choices that fitters make differently: of a house, and of a job that has its own.
#pragma once

#include "store/fields/described.h"

namespace glimmet::store {

template <class Io, class Self>
void schoolFields(Io& io, Self& schools) {
    io("isolation", schools.isolation, Maybe);
    io("decoder_joint", schools.decoderJoint, Maybe);
    io("wire_joint", schools.wireJoint, Maybe);
    io("resistor_place", schools.resistorPlace, Maybe);
    io("speed_curve", schools.speedCurve, Maybe);
    io("run_in", schools.runIn, Maybe, from0To(36000));
    io("first_power", schools.firstPower, Maybe);
    io("direction_by", schools.directionBy, Maybe);
    io("lighting_bus", schools.lightingBus, Maybe, within(1, 30));
    io("address_from", schools.address, Maybe);
}

}  // namespace glimmet::store
