// Whether a decoder's leaflet allows a bank on it.
#pragma once

#include "core/record/part.h"

namespace glimmet::core {

/// A plug-in reserve charges by itself; of a leaflet that names no limit none is known. Printed
/// values are round: a hair above the limit is not above it.
[[nodiscard]] inline bool allowsBank(const Decoder& decoder, const BankPart& bank) {
    return !decoder.mostBank || bank.kind == BankKind::Module ||
           bank.capacitance <= *decoder.mostBank * 1.01;
}

}  // namespace glimmet::core
