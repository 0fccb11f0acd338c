// All diodes of a circuit: with what each begins from nothing, and where it is linearised.
#pragma once

#include "core/circuit/junction_step.h"

#include <vector>

namespace glimmet::core::circuit {

class JunctionRow {
public:
    void resize(std::size_t diodes);
    /// Room for so many, so that another row of them can be assigned without allocating.
    void reserve(std::size_t diodes);
    [[nodiscard]] std::size_t size() const { return m_laws.size(); }
    void join(std::size_t diode, const JunctionPlace& place) { stand(of(diode), at(diode), place); }
    void setKnown(const double* known) { circuit::setKnown(m_blocks, known); }
    /// Gives a diode its law; what it last carried stays, as a place to begin from. `iterated`:
    /// false where its volts are given.
    void set(std::size_t diode, const Junction& law, bool iterated);
    [[nodiscard]] const Junction& law(std::size_t diode) const { return m_laws[diode]; }
    /// How a diode begins from nothing: with a current, A. The first step mostly tells which way
    /// currents go: a diode that `waits` then takes no current back from being reversed, one that
    /// `leads` to such none from being driven.
    void setStart(std::size_t diode, double amps, bool waits, bool leads);
    /// From nothing.
    void forget();

    // Where a diode is linearised: I = current + conductance·(V − volts).
    [[nodiscard]] double volts(std::size_t diode) const { return of(diode).state.volts[at(diode)]; }
    [[nodiscard]] double current(std::size_t diode) const {
        return of(diode).state.current[at(diode)];
    }
    void currents(std::vector<double>& amps) const;  ///< of all
    [[nodiscard]] double conductance(std::size_t diode) const {
        return of(diode).state.conductance[at(diode)];
    }
    void stamp(double* conductances, double* amps) const {
        circuit::stamp(m_blocks, conductances, amps);
    }

    /// Linearises all diodes where the unknown voltages `x` are; the worst fit. `extra`: A/V across
    /// every junction.
    Fit step(const double* x, Stride stride, double extra, const Tolerance& tolerance);
    /// The one that fitted worst in the last step; size(): none.
    [[nodiscard]] std::size_t worst(const Tolerance& tolerance) const;
    /// What a diode carried in the last step by the linearisation before.
    [[nodiscard]] double linear(std::size_t diode) const { return of(diode).linear[at(diode)]; }
    /// To where the unknown voltages are along the linearisation.
    void stepStraight(const double* x) { circuit::stepStraight(m_blocks, x); }

private:
    static std::size_t at(std::size_t diode) { return diode % laneCount; }
    JunctionBlock& of(std::size_t diode) { return m_blocks[diode / laneCount]; }
    [[nodiscard]] const JunctionBlock& of(std::size_t diode) const {
        return m_blocks[diode / laneCount];
    }

    std::vector<JunctionBlock> m_blocks;
    std::vector<Junction> m_laws;
    bool m_isFirst = true;  ///< no step yet since forget()
};

}  // namespace glimmet::core::circuit
