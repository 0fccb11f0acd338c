// The workshop's own values.
#pragma once

#include "core/quantity/quantities.h"

namespace glimmet::core {

/// House defaults: what is assumed until it is measured. Source: docs/physics.md.
struct House {
    Volts rectifier{1.2};        ///< two silicon drops
    Volts bridge{0.4};           ///< motor bridge of a decoder
    Volts outputSwitch{0.1};     ///< of a function output at lamp currents
    double supplySpread = 0.05;  ///< a layout's track volts from place to place
};

}  // namespace glimmet::core
