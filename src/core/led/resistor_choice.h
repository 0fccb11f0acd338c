// The resistor of a lamp: ideal value for a target current, and the preferred one to fit.
#pragma once

#include "core/led/lamp_circuit.h"
#include "core/led/preferred_value.h"
#include "core/led/series.h"

#include <optional>
#include <vector>

namespace glimmet::core {

/// ideal = (drive − n·target·common − ΣV_lamp(target)) / target for one of `stringCount` strings
/// that all carry the target. Zero or negative where the supply is too low for the string.
/// Source: Kirchhoff's voltage law; docs/physics.md.
[[nodiscard]] Ohms idealResistor(const LampString& lamps, Volts drive, Ohms common,
                                 std::size_t stringCount, Amperes target);
[[nodiscard]] Ohms idealResistor(const std::vector<LampLaw>& lamps, Volts drive, Ohms common,
                                 std::size_t stringCount, Amperes target);

/// The preferred value for an ideal one; nothing where the ideal is not positive.
[[nodiscard]] std::optional<Ohms> fittedResistor(Ohms ideal, const ResistorWish& wish);

}  // namespace glimmet::core
