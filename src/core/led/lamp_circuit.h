// Lamp circuits as they are wired in models: strings of lamps in parallel, each with its own
// resistor, all behind one shared resistor and the switching output's own resistance.
//
//            shared      string 1:  R₁ ── LED ── LED
//   bus ──── + output ──┤string 2:  R₂ ── LED          ├── switch ── −
//            resistance  …
#pragma once

#include "core/circuit/solver.h"
#include "core/led/lamp_law.h"
#include "core/result.h"

#include <memory>
#include <vector>

namespace glimmet::core {

struct LampString {
    std::vector<LampLaw> lamps;  ///< in series; none where they are bridged
    Ohms resistor{};             ///< the string's own, >= 0; > 0 without lamps
    /// Of each lamp, whether it stands across the one before it and takes a part of the current:
    /// LEDs only, never the first. Empty: none does.
    std::vector<bool> parallel{};

    [[nodiscard]] bool isAcross(std::size_t lamp) const {
        return lamp < parallel.size() && parallel[lamp];
    }
};
/// Volts across the lamps of a string at its current. Range: current >= 0.
[[nodiscard]] Volts voltageOf(const LampString& string, Amperes current);

struct LampCircuit {
    Ohms common{};                    ///< shared resistor + output's own resistance, >= 0
    std::vector<LampString> strings;  ///< in parallel; at least one
};

struct LampSolution {
    std::vector<Amperes> current;               ///< per string
    std::vector<std::vector<Volts>> lamp;       ///< per string and lamp
    std::vector<std::vector<Amperes>> through;  ///< likewise
    std::vector<Watts> resistorPower;           ///< per string, in its own resistor
    Amperes total{};
    Watts commonPower{};  ///< in shared resistor and output resistance together
};

/// The circuit engine made ready for a lamp circuit: a source of the drive, the common resistance,
/// the strings. Kept, it solves the same circuit again at other drives quickly. One that is done
/// with is kept by its thread: the next circuit of the same elements takes it over with values of
/// its own, and comes out to the bit as from a new one. Making equations takes ten times as long as
/// solving them.
class LampSolver {
public:
    /// Errors: OutOfRange where a value is none a law has a sense for (see LampString, LampLaw).
    [[nodiscard]] static Result<LampSolver> of(const LampCircuit& circuit);

    /// V = I_total·common + I_k·R_k + ΣV_lamp(I_k) for every string k. `drive` is what is left of
    /// the supply for the circuit: bus − switch drop. Zero or less: dark. Range: drive finite
    /// (asserted). Every LED leaks a picoampere for each volt, as in the engine. Errors: OutOfRange
    /// where the engine does not settle.
    [[nodiscard]] Result<LampSolution> at(Volts drive);

    /// The drive at which the first string of the circuit carries `current`: the glow threshold of
    /// LEDs for a small current. Range: current > 0 (asserted). Errors: as above.
    [[nodiscard]] Result<Volts> driveForFirst(Amperes current);
    /// The drive at which all strings together carry `total`. Range and errors: as above.
    [[nodiscard]] Result<Volts> driveForTotal(Amperes total);

    LampSolver(LampSolver&&) noexcept;
    LampSolver& operator=(LampSolver&&) noexcept;
    ~LampSolver();

private:
    /// The elements with their equations.
    struct Ready;
    explicit LampSolver(std::unique_ptr<Ready> ready);
    [[nodiscard]] bool settle(Volts drive);
    [[nodiscard]] double currentOf(std::size_t string) const;
    [[nodiscard]] double through(std::size_t string, std::size_t lamp) const;
    /// Where `carried` of the settled circuit rises to `current`, between two drives.
    template <class Carried>
    [[nodiscard]] Result<Volts> driveBetween(Volts low, Volts high, Amperes current,
                                             Carried carried);

    /// Those that this thread is done with.
    [[nodiscard]] static std::vector<std::unique_ptr<Ready>>& kept();

    std::unique_ptr<Ready> m_ready;
};

/// One circuit solved once.
[[nodiscard]] Result<LampSolution> solved(const LampCircuit& circuit, Volts drive);

}  // namespace glimmet::core
