// The lamp tester of the bench: a 9 V block behind 1 kΩ, held to a lamp's leads. What should be
// seen, and what it means when something else is seen.
#pragma once

#include "core/record/lamps.h"
#include "core/result.h"
#include "core/work/reckoned.h"
#include "core/work/room.h"

namespace glimmet::core::lamps {

inline constexpr Volts testerVolts{9};
inline constexpr Ohms testerResistor{1000};

/// What flows through the lamps of a row by themselves, the right way round.
/// Errors: those of a lamp whose data are no LED's.
[[nodiscard]] Result<Amperes> atTester(const LampRow& row);
/// How that looks on the bench: lit from 1 mA, dim from 0.1 mA, dark below.
[[nodiscard]] TesterLook expectedLook(Amperes current);

/// Each row that was tested: whether it showed what it should.
void judgeTested(const Reckoned& facts, Judging& judging);

}  // namespace glimmet::core::lamps
