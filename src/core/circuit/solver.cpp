#include "core/circuit/solver.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::circuit {
namespace {

constexpr int freeIterations = 8;  // after which the length of steps is searched
constexpr double unmoved = 1e-9;   // V, by which a settled one-port may have moved

}  // namespace

double gateConductance(const Switch& each, double gate) {
    const double off = 1 / each.off.value();
    return off * std::pow(each.off.value() / each.on.value(), std::clamp(gate, 0.0, 1.0));
}

Solver::Solver(const Circuit& circuit) : Solver(circuit, meetings(circuit)) {}

Solver::Solver(const Circuit& circuit, const std::vector<Meeting>& met)
    : m_layout(layoutOf(circuit, met)),
      m_starts(circuit, met, givenNodes(m_layout)),
      m_mesh(m_layout.unknowns, joinedUnknowns(circuit, m_layout)) {
    if (!m_mesh.fits()) return;
    const std::size_t nodes = circuit.nodes.size();
    m_offset.assign(nodes, 0);
    m_flow.assign(nodes, 0);
    m_x.assign(m_layout.unknowns + 1, 0);
    m_placeOf.assign(nodes, m_layout.unknowns);
    for (Node node = 0; node < nodes; ++node) {
        if (m_layout.unknown[node] != none) m_placeOf[node] = m_mesh.place(m_layout.unknown[node]);
    }
    m_ohms.resize(circuit.resistors.size());
    for (std::size_t k = 0; k < circuit.resistors.size(); ++k) {
        const Resistor& each = circuit.resistors[k];
        const bool taken = m_layout.takenBy[k] != none;
        m_resistors.push_back({taken ? edge(ground, ground) : edge(each.a, each.b), 0});
        if (!taken && (m_layout.onForest[each.a] || m_layout.onForest[each.b])) m_fed.push_back(k);
    }
    for (std::size_t k = 0; k < circuit.capacitors.size(); ++k) {
        const Capacitor& each = circuit.capacitors[k];
        m_capacitors.push_back({edge(each.a, each.b), m_layout.isLimb[k] != 0});
    }
    for (const CurrentSource& each : circuit.currentSources)
        m_currents.push_back(edge(each.plus, each.minus));
    for (const Switch& each : circuit.switches) m_switches.push_back({edge(each.a, each.b), 0});
    for (std::size_t k = 0; k < circuit.diodes.size(); ++k) {
        m_diodeEdges.push_back(edge(m_layout.branches[k].from, m_layout.branches[k].to));
        m_names.push_back(circuit.diodes[k].name);
        if (m_layout.onForest[m_diodeEdges[k].from] || m_layout.onForest[m_diodeEdges[k].to])
            m_fedDiodes.push_back(k);
    }
    for (const OnePort& each : circuit.onePorts) {
        Port port;
        port.edge = edge(each.a, each.b);
        m_ports.push_back(port);
        m_names.push_back(each.name);
    }
    excitation.volts.resize(circuit.voltageSources.size());
    excitation.amps.resize(circuit.currentSources.size());
    excitation.gates.resize(circuit.switches.size());
    excitation.capacitorConductance.resize(circuit.capacitors.size());
    excitation.capacitorEmf.resize(circuit.capacitors.size());
    excitation.thermal.resize(circuit.onePorts.size());
    m_gates.resize(circuit.switches.size());
    const auto place = [](const Edge& at) {
        return JunctionPlace{at.slot, at.a, at.b, at.from, at.to};
    };
    m_diodes.resize(circuit.diodes.size());
    m_probe.reserve(circuit.diodes.size());
    for (std::size_t k = 0; k < circuit.diodes.size(); ++k)
        m_diodes.join(k, place(m_diodeEdges[k]));
    m_constant.resize(m_mesh.valueCount());
    m_base = m_values = m_constant;
    m_baseRight = m_before = m_between = m_x;
    update(circuit);
    forget();
}

Solver::Edge Solver::edge(Node a, Node b) const {
    const std::size_t spare = m_layout.unknowns;
    const std::size_t first = m_placeOf[a];
    const std::size_t second = m_placeOf[b];
    std::size_t slot = m_mesh.unusedSlot();
    if (first != second) {
        slot = first == spare || second == spare ? m_mesh.leakSlot(std::min(first, second))
                                                 : m_mesh.edgeSlot(first, second);
    }
    const auto narrow = [](std::size_t at) { return static_cast<std::uint32_t>(at); };
    return {narrow(slot), narrow(first), narrow(second), narrow(a), narrow(b), first != second};
}

void Solver::update(const Circuit& circuit) {
    std::fill(m_constant.begin(), m_constant.end(), 0.0);
    for (std::size_t k = 0; k < circuit.resistors.size(); ++k) {
        m_ohms[k] = circuit.resistors[k].resistance.value();
        if (m_layout.takenBy[k] != none) continue;
        m_resistors[k].conductance = 1 / m_ohms[k];
        m_constant[m_resistors[k].edge.slot] += m_resistors[k].conductance;
    }
    for (std::size_t k = 0; k < circuit.switches.size(); ++k) {
        m_gates[k].on = circuit.switches[k].on;
        m_gates[k].off = circuit.switches[k].off;
    }
    for (std::size_t k = 0; k < circuit.onePorts.size(); ++k)
        m_ports[k].law = circuit.onePorts[k].law;
    rest(circuit);
    const auto outside = [&](std::size_t diode) {
        double ohms = 0;
        const SolverLayout::Branch& branch = m_layout.branches[diode];
        for (const std::size_t taken : {branch.atAnode, branch.atCathode}) {
            if (taken != none) ohms += m_ohms[taken];
        }
        return ohms;
    };
    for (std::size_t k = 0; k < circuit.diodes.size(); ++k) {
        const DiodeModel& model = circuit.models[circuit.diodes[k].model];
        m_diodes.set(k, Junction(model, outside(k)), m_diodeEdges[k].counts);
    }
    double highest = 0;
    for (const double volts : excitation.volts) highest = std::max(highest, std::abs(volts));
    m_starts.guess(circuit, highest, m_diodes);
}

void Solver::rest(const Circuit& circuit) {
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        const VoltageSource& source = circuit.voltageSources[k];
        excitation.volts[k] = source.dc ? *source.dc : valueAt(source.volts, 0);
    }
    for (std::size_t k = 0; k < circuit.currentSources.size(); ++k) {
        const CurrentSource& source = circuit.currentSources[k];
        excitation.amps[k] = source.dc ? *source.dc : valueAt(source.amps, 0);
    }
    for (std::size_t k = 0; k < circuit.switches.size(); ++k)
        excitation.gates[k] = valueAt(circuit.switches[k].gate, 0);
    // A blinking lamp's chip begins lit.
    for (const Blinker& each : circuit.blinkers) excitation.gates[each.turns] = 1;
    std::fill(excitation.capacitorConductance.begin(), excitation.capacitorConductance.end(), 0.0);
    std::fill(excitation.capacitorEmf.begin(), excitation.capacitorEmf.end(), 0.0);
    std::fill(excitation.thermal.begin(), excitation.thermal.end(), ThermalStage{});
}

void Solver::forget() {
    m_diodes.forget();
    for (Port& each : m_ports) {
        each.volts = 0;
        each.state = at(each.law, 0, ThermalStage{}, ambient);
    }
}

/// What does not change while the equations are iterated.
void Solver::prepare() {
    for (const SolverLayout::Limb& limb : m_layout.limbs) {
        // An open capacitor ties nothing together.
        if (limb.isCapacitor && !(excitation.capacitorConductance[limb.which] > 0)) {
            m_offset[limb.next] = 0;
            continue;
        }
        const double volts = limb.isCapacitor ? excitation.capacitorEmf[limb.which]
                                              : excitation.volts[limb.which] * excitation.share;
        m_offset[limb.next] = m_offset[limb.known] + limb.sign * volts;
    }
    m_diodes.setKnown(m_offset.data());
    m_base = m_constant;
    std::fill(m_baseRight.begin(), m_baseRight.end(), 0.0);
    const auto add = [&](const Edge& at, double conductance, double current) {
        this->add(m_base, m_baseRight, at, conductance, current);
    };
    for (const std::size_t k : m_fed) {
        const Edge& at = m_resistors[k].edge;
        const double amps = m_resistors[k].conductance * (m_offset[at.from] - m_offset[at.to]);
        m_baseRight[at.a] -= amps;
        m_baseRight[at.b] += amps;
    }
    for (std::size_t k = 0; k < m_switches.size(); ++k) {
        m_switches[k].conductance = gateConductance(m_gates[k], excitation.gates[k]);
        add(m_switches[k].edge, m_switches[k].conductance, 0);
    }
    for (std::size_t k = 0; k < m_capacitors.size(); ++k) {
        const double conductance = excitation.capacitorConductance[k];
        const Edge& at = m_capacitors[k].edge;
        if (m_capacitors[k].isLimb)
            m_base[at.slot] += conductance;
        else
            add(at, conductance, -conductance * excitation.capacitorEmf[k]);
    }
    for (std::size_t k = 0; k < m_currents.size(); ++k)
        add(m_currents[k], 0, excitation.amps[k] * excitation.share);
}

Fit Solver::relinearise(Port& port, const ThermalStage& stage) {
    const double now = volts(port.edge);
    port.linear = port.state.current + port.slope * (now - port.volts);
    port.state = at(port.law, now, stage, std::max(port.state.temperature, ambient));
    const bool stands = !port.edge.counts || std::abs(now - port.volts) <= unmoved;
    port.volts = now;
    return stands ? Fit::Good : m_tolerance.of(port.state.current - port.linear, port.linear);
}

Fit Solver::relinearise(Stride stride) {
    Fit worst = m_diodes.step(m_x.data(), stride, excitation.junctionExtra, m_tolerance);
    m_unsettledPort = none;
    for (std::size_t k = 0; k < m_ports.size(); ++k) {
        const Fit found = relinearise(m_ports[k], excitation.thermal[k]);
        if (found <= worst) continue;
        worst = found;
        m_unsettledPort = k;
    }
    return worst;
}

bool Solver::solveLinearised(Slopes slopes) {
    m_values = m_base;
    m_x = m_baseRight;
    m_diodes.stamp(m_values.data(), m_x.data());
    for (Port& each : m_ports) {
        each.slope =
            slopes == Slopes::True ? each.state.conductance : std::abs(each.state.conductance);
        add(m_values, m_x, each.edge, each.slope, each.state.current - each.slope * each.volts);
    }
    if (!m_mesh.solve(m_values, m_x)) return false;
    m_x[m_layout.unknowns] = 0;
    bool finite = true;
    for (const double volts : m_x) finite = finite && std::isfinite(volts);
    return finite;
}

double Solver::linearSlope() const {
    const auto moved = [&](const Edge& at) {
        return (m_x[at.a] - m_before[at.a]) - (m_x[at.b] - m_before[at.b]);
    };
    double slope = 0;
    for (const Linear& each : m_resistors)
        slope += each.conductance * moved(each.edge) * moved(each.edge);
    for (const Linear& each : m_switches)
        slope += each.conductance * moved(each.edge) * moved(each.edge);
    for (std::size_t k = 0; k < m_capacitors.size(); ++k) {
        const double volts = moved(m_capacitors[k].edge);
        slope += excitation.capacitorConductance[k] * volts * volts;
    }
    return slope;
}

bool Solver::descends() const {
    double fall = linearSlope();
    for (std::size_t k = 0; k < m_diodes.size(); ++k) {
        const double moved = volts(m_diodeEdges[k]) - m_diodes.volts(k);
        fall += m_diodes.conductance(k) * moved * moved;
    }
    for (const Port& each : m_ports) {
        const double moved = volts(each.edge) - each.volts;
        fall += each.slope * moved * moved;
    }
    return fall > 0;
}

double Solver::slopeAt(double share, double linearPart) {
    // The solution makes all linearised currents cancel. What does not at a share of the way is
    // what linear elements still lack there, and by how much the others differ from linear.
    const auto before = [&](const Edge& at) {
        return (m_before[at.a] + m_offset[at.from]) - (m_before[at.b] + m_offset[at.to]);
    };
    double slope = (share - 1) * linearPart;
    for (std::size_t k = 0; k < m_x.size(); ++k)
        m_between[k] = m_before[k] + share * (m_x[k] - m_before[k]);
    m_probe.step(m_between.data(), Stride::Exact, excitation.junctionExtra, m_tolerance);
    for (std::size_t k = 0; k < m_diodes.size(); ++k) {
        const double moved = volts(m_diodeEdges[k]) - before(m_diodeEdges[k]);
        slope += (m_probe.current(k) - m_diodes.linear(k)) * moved;
    }
    for (std::size_t k = 0; k < m_ports.size(); ++k) {
        const Port& each = m_ports[k];
        const double from = before(each.edge);
        const double moved = volts(each.edge) - from;
        slope += (at(each.law, from + share * moved, excitation.thermal[k],
                     std::max(each.state.temperature, ambient))
                      .current -
                  each.linear) *
                 moved;
    }
    return slope;
}

/// Moves the solution to a share of its way where the content is nearly at its lowest.
void Solver::searchAlong() {
    m_probe = m_diodes;
    const double linearPart = linearSlope();
    const double enough = std::abs(slopeAt(0, linearPart)) / 2;
    double low = 0;
    double share = 1;
    double slope = slopeAt(share, linearPart);
    for (int step = 0; step < 40 && slope < -enough; ++step) {
        low = share;
        share *= 2;
        slope = slopeAt(share, linearPart);
    }
    double high = share;
    for (int step = 0; step < 60 && !(std::abs(slope) <= enough); ++step) {
        share = (low + high) / 2;
        slope = slopeAt(share, linearPart);
        (slope < 0 ? low : high) = share;
    }
    for (std::size_t k = 0; k < m_layout.unknowns; ++k)
        m_x[k] = m_before[k] + share * (m_x[k] - m_before[k]);
}

bool Solver::settle(int most) {
    prepare();
    for (int iteration = 0; iteration < most; ++iteration) {
        ++m_iterations;
        const bool searching = iteration >= freeIterations;
        if (searching) {
            // From here the elements stand where the voltages are, not where they were taken to.
            if (iteration == freeIterations) relinearise(Stride::Exact);
            m_before = m_x;
        }
        if (!solveLinearised(Slopes::True) || (searching && !descends())) {
            if (!searching || !solveLinearised(Slopes::Positive)) return false;
        }
        // The voltages solve the linearised equations; they solve the true ones as far as every
        // element's true current is its linearised one. By how far it is not falls with its square
        // from step to step: once that is known to be enough the next step needs no check. It is
        // known of diodes alone: the current of another element may hardly change with its voltage,
        // or fall, and a small error of it then moves the voltages far.
        const Fit worst = relinearise(searching ? Stride::Exact : Stride::Free);
        if (worst == Fit::Good) return true;
        if (worst == Fit::Close && m_ports.empty()) {
            if (!solveLinearised(Slopes::True)) return false;
            m_diodes.stepStraight(m_x.data());
            return true;
        }
        if (searching) {
            searchAlong();
            relinearise(Stride::Exact);
        }
    }
    return false;
}

bool Solver::settleFromAnywhere() {
    if (settle()) return true;
    // gmin stepping: first every junction is bridged by a conductance, which is then taken away.
    forget();
    bool good = true;
    for (double extra = 1e-2; good && extra > 1e-14; extra /= 10) {
        excitation.junctionExtra = extra;
        good = settle();
    }
    excitation.junctionExtra = 0;
    if (good && settle()) return true;
    // Source stepping: from nothing up to the full sources, in steps that shrink where they must.
    forget();
    double reached = 0;
    double step = 0.1;
    for (int tries = 0; reached < 1 && step > 1e-6 && tries < 200; ++tries) {
        excitation.share = std::min(1.0, reached + step);
        if (settle()) {
            reached = excitation.share;
            step *= 2;
        } else {
            step /= 4;
        }
    }
    excitation.share = 1;
    return reached >= 1;
}

void Solver::voltages(std::vector<double>& volts) const {
    volts.resize(m_placeOf.size());
    for (Node node = 0; node < volts.size(); ++node)
        volts[node] = m_offset[node] + m_x[m_placeOf[node]];
    for (const Node node : m_layout.innerNodes) {
        const SolverLayout::Inner& inner = m_layout.inner[node];
        volts[node] =
            volts[inner.far] - inner.sign * m_ohms[inner.resistor] * m_diodes.current(inner.diode);
    }
}

double Solver::voltage(Node node) const {
    const SolverLayout::Inner& inner = m_layout.inner[node];
    if (inner.diode != none) {
        return voltage(inner.far) -
               inner.sign * m_ohms[inner.resistor] * m_diodes.current(inner.diode);
    }
    return m_offset[node] + m_x[m_placeOf[node]];
}

std::string_view Solver::unsettled() const {
    const std::size_t which =
        m_unsettledPort == none ? m_diodes.worst(m_tolerance) : m_diodes.size() + m_unsettledPort;
    return which < m_names.size() ? std::string_view(m_names[which]) : std::string_view();
}

double Solver::capacitorDrop(std::size_t which) const {
    const auto& [at, isLimb] = m_capacitors[which];
    return isLimb && excitation.capacitorConductance[which] > 0
               ? m_x[at.a] - m_x[at.b]
               : volts(at) - excitation.capacitorEmf[which];
}

double Solver::switchCurrent(std::size_t which) const {
    return m_switches[which].conductance * volts(m_switches[which].edge);
}

void Solver::sourceCurrents(std::vector<double>& amps) const {
    amps.assign(excitation.volts.size(), 0);
    std::fill(m_flow.begin(), m_flow.end(), 0.0);
    const auto flow = [&](const Edge& at, double current) {
        m_flow[at.from] += current;
        m_flow[at.to] -= current;
    };
    for (const std::size_t k : m_fed) {
        flow(m_resistors[k].edge, m_resistors[k].conductance * volts(m_resistors[k].edge));
    }
    for (std::size_t k = 0; k < m_switches.size(); ++k) flow(m_switches[k].edge, switchCurrent(k));
    for (std::size_t k = 0; k < m_capacitors.size(); ++k)
        flow(m_capacitors[k].edge, capacitorCurrent(k));
    for (std::size_t k = 0; k < m_currents.size(); ++k)
        flow(m_currents[k], excitation.amps[k] * excitation.share);
    for (const std::size_t k : m_fedDiodes) flow(m_diodeEdges[k], m_diodes.current(k));
    for (const Port& each : m_ports) flow(each.edge, each.state.current);
    for (auto limb = m_layout.limbs.rbegin(); limb != m_layout.limbs.rend(); ++limb) {
        if (limb->isCapacitor) continue;
        amps[limb->which] = -limb->sign * m_flow[limb->next];
        m_flow[limb->known] += m_flow[limb->next];
    }
}

}  // namespace glimmet::core::circuit
