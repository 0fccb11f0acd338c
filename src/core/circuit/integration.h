// A circuit moving through time, step by step.
#pragma once

#include "core/circuit/analysis.h"
#include "core/circuit/solver.h"

#include <optional>
#include <vector>

namespace glimmet::core::circuit {

/// The state between steps: capacitor voltages, temperatures, what fuses have taken, where blinkers
/// are; and their rates of change. Nothing is allocated after the construction.
class Integration {
public:
    /// The circuit and solver must outlive it. `accuracy`: local error of a step, relative.
    Integration(const Circuit& circuit, Solver& solver, double accuracy);

    /// The state at time 0. False where it does not settle.
    [[nodiscard]] bool begin();
    [[nodiscard]] double time() const { return m_time; }
    /// The next time that a step may not pass: a corner of a source, a turn of a blinker.
    [[nodiscard]] double nextCorner() const;

    /// A trial of a TR-BDF2 step from the state. Its error relative to what is allowed; nothing
    /// where it did not settle. The solver then holds the end of the step.
    [[nodiscard]] std::optional<double> tryStep(double step);
    /// The last trial becomes the state.
    void accept(double step);
    /// A short step of backward Euler: gives the rates after a jump of something. False where it
    /// did not settle.
    [[nodiscard]] bool eulerStep(double step);

    /// Functions of the state that must not change sign inside a step: a fuse's heat, a blinker's
    /// volts, a polyfuse's temperature. At the end of the last trial (of that length), or now.
    [[nodiscard]] std::size_t guardCount() const;
    [[nodiscard]] double guardNow(std::size_t guard) const;
    [[nodiscard]] double guardAfter(std::size_t guard, double step) const;
    /// What follows when a guard has crossed zero at the present time (`rising`: upwards); then
    /// whether the rates have jumped.
    bool cross(std::size_t guard, bool rising, std::vector<Transient::Event>& events);
    /// What follows from blinkers whose time has come; whether the rates have jumped.
    bool turnBlinkers(std::vector<Transient::Event>& events);

    /// Whether rates jump at the corners of sources: where capacitors close a loop with them.
    [[nodiscard]] bool stirredByCorners() const { return m_stirred; }

private:
    struct Flasher {
        enum class State { Lit, Dark, Stopped } state = State::Lit;
        double turnsAt = 0;  ///< s
        double stopsAt = 0;  ///< s; infinite while its supply is good
    };
    void setSources(double time);
    [[nodiscard]] double fuseCurrent(std::size_t fuse) const;
    [[nodiscard]] double heatAfter(std::size_t fuse, double step) const;
    [[nodiscard]] double blinkerVolts(std::size_t blinker) const;

    const Circuit& m_circuit;
    Solver& m_solver;
    double m_accuracy;
    double m_time = 0;
    bool m_stirred = false;
    std::vector<double> m_farads;
    std::vector<double> m_volts, m_rate, m_middle, m_middleRate, m_nextVolts,
        m_nextRate;                   ///< per capacitor
    std::vector<std::size_t> m_warm;  ///< one-ports with a temperature
    std::vector<double> m_kelvins, m_warming, m_middleKelvins, m_middleWarming, m_nextKelvins,
        m_nextWarming;                  ///< per warm one-port
    std::vector<double> m_fuseHeat;     ///< A²s, per fuse
    std::vector<double> m_fuseCurrent;  ///< A, per fuse, at the present time
    std::vector<char> m_melted;         ///< per fuse
    std::vector<Flasher> m_flashers;    ///< per blinker
    std::vector<double> m_supply;       ///< V, per blinker, at the present time
};

}  // namespace glimmet::core::circuit
