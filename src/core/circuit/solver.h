// The equations of a circuit and Newton's method on them. Made once for a circuit, then solved as
// often as wanted, with other values or other sources, without allocating.
//
// Unknowns are node voltages only. Nodes that voltage sources join move together, so they share one
// unknown; what is joined to ground is known. A source's current is what Kirchhoff's law leaves for
// it. A capacitor's step in time is a conductance in series with an EMF (the Thévenin form of its
// companion model): EMFs shift what the unknowns are counted from, like sources. So a capacitor's
// current is not the difference of two far larger ones, however short the step. A resistor alone
// between a node and a diode is taken into the diode's branch: a lamp with its resistor is one
// element and makes no node of its own (solver_layout.h). What is left is a network of conductances
// (star_mesh.h).
#pragma once

#include "core/circuit/circuit.h"
#include "core/circuit/junction_row.h"
#include "core/circuit/solver_layout.h"
#include "core/circuit/star_mesh.h"
#include "core/circuit/start_currents.h"

#include <cmath>
#include <string_view>
#include <vector>

namespace glimmet::core::circuit {

/// What drives a circuit at one instant, and what its elements with memory look like in it. All
/// vectors have the length that the circuit asks for.
struct Excitation {
    std::vector<double> volts;  ///< per voltage source
    std::vector<double> amps;   ///< per current source
    std::vector<double> gates;  ///< per switch
    /// Per capacitor: current a → b = conductance·(V − EMF). All zero: open (operating point).
    std::vector<double> capacitorConductance, capacitorEmf;
    std::vector<ThermalStage> thermal;  ///< per one-port
    double junctionExtra = 0;  ///< A/V across every junction on top of its leak: gmin stepping
    double share = 1;          ///< of all sources: source stepping
};

/// Conductance of a switch between its two resistances, by equal ratios. Range: 0 <= gate <= 1.
[[nodiscard]] double gateConductance(const Switch& each, double gate);

class Solver {
public:
    /// Precondition: solvable(circuit). The excitation is at rest then.
    explicit Solver(const Circuit& circuit);

    /// False for a circuit meshed beyond what fits in memory; nothing else may be called then.
    [[nodiscard]] bool fits() const { return m_mesh.fits(); }

    /// Takes the values of a circuit of the same nodes and elements. Keeps the excitation's state
    /// except sources and gates, which are taken anew at rest.
    void update(const Circuit& circuit);
    /// Sources at their DC value, else their waveform at 0; gates at 0 s; capacitors open.
    void rest(const Circuit& circuit);

    Excitation excitation;

    /// Forgets the last solution: the next begins where any circuit may.
    void forget();

    /// From the last solution to that of the excitation. False where it did not settle in `most`
    /// iterations or an element hangs on nothing; the solution is of no use then.
    /// Newton's method, on currents where a junction rules its branch and on voltages where a
    /// resistance does; where that has not come to rest, with a line search. Currents are the
    /// gradient of a function of the voltages (the content: W. Millar, Phil. Mag. 42 (1951) 1150).
    /// It is convex where no element's current falls with its voltage; a line search on its slope
    /// then settles from anywhere, and else at a lowest place of it, which is a stable one (J.
    /// Nocedal, S. Wright, Numerical Optimization, 2006, ch. 3). Settled: every nonlinear element
    /// carries its linearised current to a tolerance, or (of diodes) to the root of it and one step
    /// more (the error is squared by a step), or has moved by at most a nanovolt.
    [[nodiscard]] bool settle(int most = 100);
    /// The same; where it does not settle, gmin stepping, then source stepping, from nothing.
    [[nodiscard]] bool settleFromAnywhere();
    /// Of the linearised current: a share of it (1e-12 … 1e-2) and amperes.
    void setTolerance(double relative, double absolute) {
        m_tolerance = {relative, std::sqrt(relative), absolute};
    }

    // ---- the solution
    [[nodiscard]] double voltage(Node node) const;
    /// Of all nodes.
    void voltages(std::vector<double>& volts) const;
    [[nodiscard]] double across(Node a, Node b) const { return voltage(a) - voltage(b); }
    /// Of a capacitor: its volts above its EMF.
    [[nodiscard]] double capacitorDrop(std::size_t which) const;
    [[nodiscard]] double capacitorVolts(std::size_t which) const {
        return excitation.capacitorEmf[which] + capacitorDrop(which);
    }
    [[nodiscard]] double capacitorCurrent(std::size_t which) const {
        return excitation.capacitorConductance[which] * capacitorDrop(which);
    }
    [[nodiscard]] double onePortVolts(std::size_t which) const {
        return volts(m_ports[which].edge);
    }
    [[nodiscard]] double diodeCurrent(std::size_t diode) const { return m_diodes.current(diode); }
    void diodeCurrents(std::vector<double>& amps) const { m_diodes.currents(amps); }
    [[nodiscard]] double switchCurrent(std::size_t which) const;
    [[nodiscard]] double onePortCurrent(std::size_t which) const {
        return m_ports[which].state.current;
    }
    [[nodiscard]] double temperature(std::size_t onePort) const {
        return m_ports[onePort].state.temperature;
    }
    /// Positive into the plus terminal, as in SPICE. Sums all elements at the sources.
    void sourceCurrents(std::vector<double>& amps) const;

    [[nodiscard]] long iterations() const { return m_iterations; }
    /// The element that was last found unsettled, by its name.
    [[nodiscard]] std::string_view unsettled() const;

private:
    /// Where an element of two terminals stands in the equations. What is known (joined to ground)
    /// and what does not count stands at the spare last place.
    struct Edge {
        std::uint32_t slot = 0;
        std::uint32_t a = 0, b = 0;      ///< unknowns
        std::uint32_t from = 0, to = 0;  ///< nodes
        bool counts = false;  ///< it has at least one unknown end, and not the same at both
    };
    struct Port {
        Edge edge;
        OnePortLaw law;
        double volts = 0;   ///< where it is linearised
        double slope = 0;   ///< A/V, that the last solution took it to have
        double linear = 0;  ///< A, that the last solution gave it
        OnePortPoint state;
    };
    struct Linear {
        Edge edge;
        double conductance = 0;
    };
    struct Condenser {
        Edge edge;
        bool isLimb = false;
    };
    static constexpr std::size_t none = SolverLayout::none;

    Solver(const Circuit& circuit, const std::vector<Meeting>& met);
    [[nodiscard]] Edge edge(Node a, Node b) const;
    void setValues(const Circuit& circuit);
    void prepare();
    void add(std::vector<double>& values, std::vector<double>& right, const Edge& at,
             double conductance, double current) const {
        values[at.slot] += conductance;
        const double amps = current + conductance * (m_offset[at.from] - m_offset[at.to]);
        right[at.a] -= amps;
        right[at.b] += amps;
    }
    [[nodiscard]] double volts(const Edge& at) const {
        return (m_x[at.a] + m_offset[at.from]) - (m_x[at.b] + m_offset[at.to]);
    }
    enum class Slopes {
        True,
        Positive  ///< falling ones turned round: so the solution lies where the content is lower
    };
    [[nodiscard]] bool solveLinearised(Slopes slopes);
    /// Whether the content falls from the voltages before towards the last solution.
    [[nodiscard]] bool descends() const;
    /// Linearises all elements where the voltages now are; the worst fit.
    Fit relinearise(Stride stride);
    [[nodiscard]] Fit relinearise(Port& port, const ThermalStage& stage);
    /// Slope of the content from the voltages before the last solution to it, W, at a share of the
    /// way. `linearPart`: of resistors, capacitors and switches.
    [[nodiscard]] double slopeAt(double share, double linearPart);
    [[nodiscard]] double linearSlope() const;
    void searchAlong();

    // Topology, found once.
    SolverLayout m_layout;
    StartCurrents m_starts;
    StarMesh m_mesh;
    std::vector<std::size_t> m_placeOf;  ///< per node: of its unknown in m_x; known: the spare one
    std::vector<Linear> m_resistors;     ///< per resistor; without effect where a diode took it in
    std::vector<Linear> m_switches;
    std::vector<Condenser> m_capacitors;
    std::vector<Edge> m_currents;
    std::vector<std::size_t> m_fed;  ///< resistors with an end on the forest
    std::vector<std::size_t> m_fedDiodes;
    JunctionRow m_diodes;
    JunctionRow m_probe;  ///< the same, at a share of a step; only a line search fills it
    std::vector<Edge> m_diodeEdges;
    std::vector<Port> m_ports;
    std::vector<std::string> m_names;  ///< of diodes, then one-ports

    // Values and workspace.
    std::vector<double> m_ohms;          ///< per resistor
    std::vector<Switch> m_gates;         ///< per switch: its two resistances
    std::vector<double> m_offset;        ///< per node: volts above its unknown
    mutable std::vector<double> m_flow;  ///< per node: workspace of sourceCurrents()
    std::vector<double> m_constant;      ///< conductances of the resistors
    std::vector<double> m_base, m_baseRight;
    std::vector<double> m_values, m_x;
    std::vector<double> m_before;   ///< m_x of the solution before, in a line search
    std::vector<double> m_between;  ///< a share of the way from there
    Tolerance m_tolerance;
    long m_iterations = 0;
    std::size_t m_unsettledPort = none;
};

}  // namespace glimmet::core::circuit
