#include "core/led/lamp_circuit.h"

#include "core/circuit/crossing.h"
#include "core/circuit/parts.h"
#include "core/circuit/settling.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace glimmet::core {
namespace {

using circuit::Node;

/// The lamps between a source of the drive and ground; diodes and one-ports each in the order of
/// strings and lamps.
circuit::Circuit made(const LampCircuit& lamps) {
    circuit::Circuit all;
    const Node top = circuit::nodeNamed(all, "drive");
    circuit::addSupply(all, "drive", top, circuit::ground, circuit::Constant{0});
    Node shared = top;
    if (lamps.common > Ohms{0}) {
        shared = circuit::nodeNamed(all, "shared");
        circuit::addResistor(all, "common", top, shared, lamps.common);
    }
    std::size_t number = 0;
    const auto fresh = [&] { return circuit::nodeNamed(all, std::to_string(++number)); };
    for (std::size_t k = 0; k < lamps.strings.size(); ++k) {
        const LampString& string = lamps.strings[k];
        Node at = shared;
        if (string.lamps.empty()) {
            assert(string.resistor > Ohms{0});
            circuit::addResistor(all, "r" + std::to_string(k + 1), at, circuit::ground,
                                 string.resistor);
            continue;
        }
        if (string.resistor > Ohms{0}) {
            const Node behind = fresh();
            circuit::addResistor(all, "r" + std::to_string(k + 1), at, behind, string.resistor);
            at = behind;
        }
        Node from = at;  // of the one that the next may stand across
        for (std::size_t i = 0; i < string.lamps.size(); ++i) {
            std::size_t last = i;
            while (string.isAcross(last + 1)) ++last;
            const bool beside = string.isAcross(i);
            const Node next = beside                            ? at
                              : last + 1 == string.lamps.size() ? circuit::ground
                                                                : fresh();
            if (beside) at = from;
            from = at;
            if (const auto* led = std::get_if<LedLaw>(&string.lamps[i])) {
                all.models.push_back(diodeModel(*led, {}));
                all.diodes.push_back({"lamp " + std::to_string(all.diodes.size() + 1), at, next,
                                      all.models.size() - 1});
            } else {
                const auto& bulb = std::get<FilamentRating>(string.lamps[i]);
                circuit::addOnePort(all, "bulb " + std::to_string(all.onePorts.size() + 1), at,
                                    next, circuit::Filament{bulb.rated, bulb.current});
            }
            at = next;
        }
    }
    return all;
}

}  // namespace

LampSolver::LampSolver(const LampCircuit& lamps, circuit::Circuit made, circuit::Solver solver)
    : m_lamps(lamps), m_circuit(std::move(made)), m_solver(std::move(solver)) {
    std::size_t diode = 0, bulb = 0;
    std::size_t resistor = m_lamps.common > Ohms{0} ? 1 : 0;  // in the order of made()
    for (const LampString& string : m_lamps.strings) {
        m_parts.emplace_back();
        m_bare.push_back(resistor);
        if (string.resistor > Ohms{0}) ++resistor;
        for (const LampLaw& lamp : string.lamps) {
            const bool filament = std::holds_alternative<FilamentRating>(lamp);
            m_parts.back().push_back({filament, filament ? bulb++ : diode++});
        }
    }
}

double LampSolver::through(std::size_t string, std::size_t lamp) const {
    const Part& part = m_parts[string][lamp];
    return part.bulb ? m_solver.onePortCurrent(part.index) : m_solver.diodeCurrent(part.index);
}

double LampSolver::currentOf(std::size_t string) const {
    if (m_parts[string].empty()) {
        const circuit::Resistor& only = m_circuit.resistors[m_bare[string]];
        return m_solver.across(only.a, only.b) / only.resistance.value();
    }
    double sum = through(string, 0);
    for (std::size_t i = 1; m_lamps.strings[string].isAcross(i); ++i) sum += through(string, i);
    return sum;
}

Result<LampSolver> LampSolver::of(const LampCircuit& lamps) {
    assert(!lamps.strings.empty());
    circuit::Circuit all = made(lamps);
    auto solver = circuit::solverFor(all);
    if (!solver) return tl::unexpected(solver.error());
    return LampSolver(lamps, std::move(all), std::move(*solver));
}

bool LampSolver::settle(Volts drive) {
    m_solver.excitation.volts[0] = drive.value();
    return m_solver.settleFromAnywhere();
}

Result<LampSolution> LampSolver::at(Volts drive) {
    assert(std::isfinite(drive.value()));
    const bool lit = drive > Volts{0};
    if (lit && !settle(drive)) return tl::unexpected(circuit::didNotSettle(m_solver));
    LampSolution solution;
    for (std::size_t k = 0; k < m_lamps.strings.size(); ++k) {
        const LampString& string = m_lamps.strings[k];
        const Amperes current{lit ? std::max(0.0, currentOf(k)) : 0};
        std::vector<Volts> lamps;
        std::vector<Amperes> through;
        for (std::size_t i = 0; i < m_parts[k].size(); ++i) {
            const Part& part = m_parts[k][i];
            through.emplace_back(lit ? std::max(0.0, this->through(k, i)) : 0);
            if (!lit) {
                lamps.emplace_back(0);
            } else if (part.bulb) {
                lamps.emplace_back(m_solver.onePortVolts(part.index));
            } else {
                const circuit::Diode& led = m_circuit.diodes[part.index];
                lamps.emplace_back(m_solver.across(led.anode, led.cathode));
            }
        }
        solution.current.push_back(current);
        solution.lamp.push_back(std::move(lamps));
        solution.through.push_back(std::move(through));
        solution.resistorPower.emplace_back(current * current * string.resistor);
        solution.total += current;
    }
    solution.commonPower = solution.total * solution.total * m_lamps.common;
    return solution;
}

Result<Volts> LampSolver::driveForFirst(Amperes current) {
    assert(current > Amperes{0});
    // One string carries it and the others at most as much, which bounds the drop they share.
    Volts own{HUGE_VAL};
    for (const LampString& string : m_lamps.strings) {
        own = std::min(own, current * string.resistor + voltageOf(string, current));
    }
    const Volts low = own + current * m_lamps.common;
    const Volts high = own + current * m_lamps.common * static_cast<double>(m_lamps.strings.size());
    return driveBetween(low, high, current, [&] {
        double most = 0;
        for (std::size_t k = 0; k < m_parts.size(); ++k) most = std::max(most, currentOf(k));
        return most;
    });
}

Result<Volts> LampSolver::driveForTotal(Amperes total) {
    assert(total > Amperes{0});
    // One of the strings carries its share of it at the least, and all of it at the most.
    const auto low = driveForFirst(total / static_cast<double>(m_parts.size()));
    if (!low) return low;
    const auto high = driveForFirst(total);
    if (!high) return high;
    return driveBetween(*low, *high, total, [&] {
        double sum = 0;
        for (std::size_t k = 0; k < m_parts.size(); ++k) sum += currentOf(k);
        return sum;
    });
}

template <class Carried>
Result<Volts> LampSolver::driveBetween(Volts low, Volts high, Amperes current, Carried carried) {
    bool good = true;
    const auto excess = [&](double drive) {
        good = good && settle(Volts{drive});
        return std::log(std::max(carried(), 1e-300) / current.value());
    };
    // A hair beyond, because every LED leaks.
    const double from = low.value() * (1 - 1e-6);
    const double to = high.value() * (1 + 1e-6);
    const double drive =
        circuit::crossing({from, excess(from), to, excess(to)}, 1e-13 * to, excess);
    if (!good) return tl::unexpected(circuit::didNotSettle(m_solver));
    return Volts{drive};
}

Volts voltageOf(const LampString& string, Amperes current) {
    Volts sum{0};
    for (std::size_t first = 0; first < string.lamps.size();) {
        std::size_t last = first + 1;
        while (string.isAcross(last)) ++last;
        // Volts at which all that stand across each other carry the current together: no more than
        // those of the first of them with all of it.
        const auto volts = [&](std::size_t lamp, Amperes amps) {
            return voltageOf(string.lamps[lamp], amps).value();
        };
        double high = volts(first, current);
        double low = last == first + 1 ? high : 0;
        while (high - low > 1e-12 * high) {
            const double middle = (low + high) / 2;
            if (middle <= low || middle >= high) break;
            double carried = 0;
            for (std::size_t i = first; i < last; ++i) {
                // The current at these volts, halved down to.
                double from = 0, to = current.value();
                for (int step = 0; step < 60; ++step) {
                    const double amps = (from + to) / 2;
                    (volts(i, Amperes{amps}) > middle ? to : from) = amps;
                }
                carried += from;
            }
            (carried > current.value() ? high : low) = middle;
        }
        sum += Volts{high};
        first = last;
    }
    return sum;
}

Result<LampSolution> solved(const LampCircuit& lamps, Volts drive) {
    auto solver = LampSolver::of(lamps);
    if (!solver) return tl::unexpected(solver.error());
    return solver->at(drive);
}

}  // namespace glimmet::core
