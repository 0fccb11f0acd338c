// All diodes of a circuit, and a step of Newton's method for four of them at a time.
#pragma once

#include "core/circuit/junction.h"
#include "core/circuit/lanes.h"

#include <array>
#include <cmath>
#include <vector>

namespace glimmet::core::circuit {

/// How well the current of an element fits what it was linearised to: to the tolerance (or its
/// voltage stands still); closely, so that one more step is enough; or not.
enum class Fit { Good, Close, Off };

struct Tolerance {
    double relative = 1e-10;  ///< of the linearised current
    double closeness = 1e-5;  ///< the same, of Close: the root of it, as a step squares the error
    double absolute = 1e-18;  ///< A
    [[nodiscard]] Fit of(double wrong, double linear) const {
        const double over = std::abs(wrong) - absolute;
        if (over <= relative * std::abs(linear)) return Fit::Good;
        return over <= closeness * std::abs(linear) ? Fit::Close : Fit::Off;
    }
};

class JunctionRow {
public:
    /// Where a diode stands in the equations: its conductance among those of the network, and what
    /// the voltages at its ends are made of: V = x[a] − x[b] + known[from] − known[to].
    struct Place {
        std::uint32_t slot = 0, a = 0, b = 0, from = 0, to = 0;
    };
    void resize(std::size_t diodes);
    /// Room for so many, so that another row of them can be assigned without allocating.
    void reserve(std::size_t diodes);
    [[nodiscard]] std::size_t size() const { return m_laws.size(); }
    void join(std::size_t diode, const Place& place);
    void setKnown(const double* known) { setKnown(m_blocks, known); }
    /// Gives a diode its law; what it last carried stays, as a place to begin from. `iterated`:
    /// false where its volts are given.
    void set(std::size_t diode, const Junction& law, bool iterated);
    [[nodiscard]] const Junction& law(std::size_t diode) const { return m_laws[diode]; }
    /// How a diode begins from nothing: with a current, A. The first step mostly tells which way
    /// currents go: a diode that `waits` then takes no current back from being reversed, one that
    /// `leads` to such none from being driven.
    void setStart(std::size_t diode, double amps, bool waits, bool leads);
    /// From nothing.
    void forget() {
        forget(m_blocks);
        m_isFirst = true;
    }

    // Where a diode is linearised: I = current + conductance·(V − volts).
    [[nodiscard]] double volts(std::size_t diode) const { return of(diode).state.volts[at(diode)]; }
    [[nodiscard]] double current(std::size_t diode) const {
        return of(diode).state.current[at(diode)];
    }
    void currents(std::vector<double>& amps) const;  ///< of all
    [[nodiscard]] double conductance(std::size_t diode) const {
        return of(diode).state.conductance[at(diode)];
    }
    /// Adds all of them, as they are linearised, to the conductances of the network and to the
    /// currents into its nodes.
    void stamp(double* conductances, double* amps) const { stamp(m_blocks, conductances, amps); }

    enum class Stride {
        Free,  ///< junctions by their own rules, towards the solution
        Exact  ///< to where the volts are
    };
    /// Linearises all diodes where the unknown voltages `x` are; the worst fit. Free: the circuit
    /// around a junction that has the larger say in its branch tells more of its current than of
    /// its voltage; there the current is taken at its word, of a collapsing one only a part.
    /// `extra`: A/V across every junction.
    Fit step(const double* x, Stride stride, double extra, const Tolerance& tolerance);
    /// The one that fitted worst in the last step; size(): none.
    [[nodiscard]] std::size_t worst(const Tolerance& tolerance) const;
    /// What a diode carried in the last step by the linearisation before.
    [[nodiscard]] double linear(std::size_t diode) const { return of(diode).linear[at(diode)]; }
    /// To where the unknown voltages are along the linearisation.
    void stepStraight(const double* x) { stepStraight(m_blocks, x); }

private:
    struct alignas(sizeof(Lanes)) State {
        Lanes junction{}, volts{}, current{}, conductance{};
        /// ω (0: not known) and 1/(1 + ω) of wright_omega.h at some volts: from there a small step
        /// goes on.
        Lanes omega{}, share{}, omegaVolts{};
    };
    struct alignas(sizeof(Lanes)) Block {
        // z = omegaSlope·V + omegaShift; I = omegaScale·ω(z) − Is, below omegaStart −Is.
        // A lane that no diode fills is worked out like the others; all of it is zero.
        Lanes saturation{}, logSaturation{}, slope{}, inverseSlope{}, series{};
        Lanes behind{};  ///< share of the volts that Rs and the leak leave: 1/(1 + Rs·leak)
        Lanes omegaSlope{}, omegaShift{}, omegaScale{}, omegaStart{};
        Lanes lowest = allOf(-1e300);
        Lanes ruling{};         ///< V across Rs up to which the junction has the larger say
        Mask bare{};            ///< without resistance in series: its steps may have to be cut
        Mask waits{}, leads{};  ///< in the first step: see setStart()
        Mask given{};           ///< not iterated: its volts are given; ruling is 0
        Mask empty = ~Mask{};   ///< no diode
        std::array<std::uint32_t, laneCount> slot{}, a{}, b{}, from{}, to{};
        bool isOnePlace = false;  ///< that of all four
        Lanes known{};
        State state, start;
        Lanes now{}, before{}, linear{};
        Lanes wrong{};  ///< A that the new linearisation carries above the one before; 0: still
        Mask apart{};   ///< to be looked at one by one
    };
    struct Judged {
        Mask notGood{}, off{};
        void judge(const Block& block, const Tolerance& tolerance);
        [[nodiscard]] Fit fit() const;
    };
    struct Landing {
        Fit worst;
        bool apart;  ///< of some diodes, which are to be looked at one by one
    };
    [[nodiscard]] Fit worstFit(const Tolerance& tolerance) const;
    static Lanes between(const Block& block, const double* x);
    struct Aim {
        Lanes now, linear, forward, junction, volts;
        Mask stays, falls, carries;
    };
    static Aim aim(const Block& block, Lanes now, bool free, bool first);
    static void reach(Aim& aim, const Block& block);
    static void land(const Aim& aim, Block& block);
    static Landing linearise(std::vector<Block>& blocks, const double* x, bool free, bool first,
                             const Tolerance& tolerance);
    static void forget(std::vector<Block>& blocks);
    static void setKnown(std::vector<Block>& blocks, const double* known);
    static void stepStraight(std::vector<Block>& blocks, const double* x);
    static void stamp(const std::vector<Block>& blocks, double* conductances, double* amps);
    void lineariseApart(std::size_t diode, Stride stride, double extra);
    static void put(State& state, std::size_t lane, const JunctionBranch& branch);

    static std::size_t at(std::size_t diode) { return diode % laneCount; }
    Block& of(std::size_t diode) { return m_blocks[diode / laneCount]; }
    [[nodiscard]] const Block& of(std::size_t diode) const { return m_blocks[diode / laneCount]; }

    std::vector<Block> m_blocks;
    std::vector<Junction> m_laws;
    bool m_isFirst = true;  ///< no step yet since forget()
};

}  // namespace glimmet::core::circuit
