// What a lamp circuit hangs on: volts that stand still, or the halves of a sine.
#pragma once

#include "core/led/lamp_circuit.h"

namespace glimmet::core {

enum class Wave {
    Steady,
    BothHalves,  ///< a bridge turns the other half over, or what it drives has no sense of way
    OneHalf,     ///< nothing flows in the other half
};

/// A supply with what is lost before the circuit: at phase a, crest·sin a − drops.
struct LampDrive {
    Volts crest{};  ///< of a steady one its volts
    Volts drops{};  ///< >= 0
    Wave wave = Wave::Steady;

    /// At the crest, or all the time.
    [[nodiscard]] Volts most() const { return crest - drops; }
    /// The steady volts that heat a resistance as much.
    [[nodiscard]] Volts effective() const;
};

/// A circuit over a whole turn of its drive: currents, totals and heat are their means; lamps'
/// volts are those at the crest. Of a steady drive what LampSolver::at() says. `limit`: a driver's
/// current together, which it keeps at every moment where it has the volts. The mean is taken over
/// 24 moments of a quarter turn, which is within 0.5 % of the integral (docs/physics.md). Errors:
/// of the solver.
[[nodiscard]] Result<LampSolution> over(LampSolver& solver, const LampDrive& drive,
                                        std::optional<Amperes> limit = std::nullopt);

/// The resistance in series with `lamps` alone, whatever theirs is, for a mean current; not
/// positive where the crest is too low for it. Errors: of the solver. Range: target > 0.
[[nodiscard]] Result<Ohms> resistorOn(LampString lamps, const LampDrive& drive, Amperes target);

}  // namespace glimmet::core
