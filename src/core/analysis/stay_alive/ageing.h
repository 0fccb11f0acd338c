// What warmth, frost and years take from a bank.
#pragma once

#include "core/quantity/quantities.h"
#include "core/record/stay_alive.h"

namespace glimmet::core::stay_alive {

/// The warmest that a kind bears for long, as its sheets print it: cans and tantalums 85 °C,
/// supercapacitors and the modules made of them 65 °C.
[[nodiscard]] Celsius bearsUpTo(BankKind kind);

/// The share of its farads that a kind has in frost, of those at 20 °C, 0 … 1: a can loses 1 % for
/// every degree below 0 °C, the others hardly any (docs/physics.md).
[[nodiscard]] double shareInFrost(BankKind kind, Celsius warmth);

/// The share of its farads that is left after so long under volts, 0.5 … 1. A can loses a fifth
/// within 2000 h at 85 °C, a supercapacitor three tenths within 1000 h at 65 °C and its rated
/// volts; every 10 K less double the time, of a supercapacitor every 0.2 V less a cell do too
/// (docs/physics.md). Tantalums do not wear. Range: on >= 0, 0 < volts of one cell.
[[nodiscard]] double shareLeft(BankKind kind, Seconds on, Celsius warmth, Volts cell,
                               Volts cellRated);

}  // namespace glimmet::core::stay_alive
