#include "core/led/lamp_circuit.h"

#include "core/circuit/crossing.h"
#include "core/circuit/parts.h"
#include "core/circuit/settling.h"
#include "core/circuit/topology.h"

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

struct LampSolver::Ready {
    /// Where a lamp stands in the circuit.
    struct Part {
        bool bulb = false;
        std::size_t index = 0;  ///< of the diodes, or of the one-ports
    };

    Ready(const LampCircuit& circuit, circuit::Circuit made, circuit::Solver solver_)
        : lamps(circuit), all(std::move(made)), solver(std::move(solver_)) {
        std::size_t diode = 0, bulb = 0;
        std::size_t resistor = lamps.common > Ohms{0} ? 1 : 0;  // in the order of made()
        for (const LampString& string : lamps.strings) {
            parts.emplace_back();
            bare.push_back(resistor);
            if (string.resistor > Ohms{0}) ++resistor;
            for (const LampLaw& lamp : string.lamps) {
                const bool filament = std::holds_alternative<FilamentRating>(lamp);
                parts.back().push_back({filament, filament ? bulb++ : diode++});
            }
        }
    }

    /// The values of another circuit of the same elements, in the order of made().
    [[nodiscard]] Result<void> take(const LampCircuit& circuit) {
        lamps = circuit;
        std::size_t diode = 0, bulb = 0, resistor = 0;
        const auto next = [&](Ohms ohms) {
            if (ohms > Ohms{0}) all.resistors[resistor++].resistance = ohms;
        };
        next(lamps.common);
        for (const LampString& string : lamps.strings) {
            next(string.resistor);
            for (const LampLaw& lamp : string.lamps) {
                if (const auto* led = std::get_if<LedLaw>(&lamp)) {
                    all.models[diode++] = diodeModel(*led, {});
                } else {
                    const auto& rated = std::get<FilamentRating>(lamp);
                    all.onePorts[bulb++].law = circuit::Filament{rated.rated, rated.current};
                }
            }
        }
        if (auto good = circuit::valuesInRange(all); !good) return good;
        solver.update(all);
        solver.forget();
        return {};
    }

    [[nodiscard]] double through(std::size_t string, std::size_t lamp) const {
        const Part& part = parts[string][lamp];
        return part.bulb ? solver.onePortCurrent(part.index) : solver.diodeCurrent(part.index);
    }
    [[nodiscard]] double currentOf(std::size_t string) const {
        if (parts[string].empty()) {
            const circuit::Resistor& only = all.resistors[bare[string]];
            return solver.across(only.a, only.b) / only.resistance.value();
        }
        double sum = through(string, 0);
        for (std::size_t i = 1; lamps.strings[string].isAcross(i); ++i) sum += through(string, i);
        return sum;
    }

    LampCircuit lamps;
    circuit::Circuit all;
    circuit::Solver solver;
    std::vector<std::vector<Part>> parts;  ///< per string and lamp
    std::vector<std::size_t> bare;         ///< per string: its resistor, if it has no lamps
};

namespace {

/// Whether one's equations are the other's, but for values.
bool sameElements(const LampCircuit& a, const LampCircuit& b) {
    const auto alike = [](const LampString& one, const LampString& other) {
        if ((one.resistor > Ohms{0}) != (other.resistor > Ohms{0}) ||
            one.lamps.size() != other.lamps.size())
            return false;
        for (std::size_t i = 0; i < one.lamps.size(); ++i) {
            if (one.lamps[i].index() != other.lamps[i].index() ||
                one.isAcross(i) != other.isAcross(i))
                return false;
        }
        return true;
    };
    return (a.common > Ohms{0}) == (b.common > Ohms{0}) &&
           std::equal(a.strings.begin(), a.strings.end(), b.strings.begin(), b.strings.end(),
                      alike);
}

constexpr std::size_t mostKept = 12;     // shapes: those of a few models
constexpr std::size_t largestKept = 64;  // strings

}  // namespace

std::vector<std::unique_ptr<LampSolver::Ready>>& LampSolver::kept() {
    static thread_local std::vector<std::unique_ptr<Ready>> all;
    return all;
}

LampSolver::LampSolver(std::unique_ptr<Ready> ready) : m_ready(std::move(ready)) {}
LampSolver::LampSolver(LampSolver&&) noexcept = default;
LampSolver& LampSolver::operator=(LampSolver&&) noexcept = default;
LampSolver::~LampSolver() {
    if (!m_ready || m_ready->lamps.strings.size() > largestKept) return;
    auto& all = kept();
    if (all.size() >= mostKept) all.erase(all.begin());  // the one that lay there longest
    all.push_back(std::move(m_ready));
}

Result<LampSolver> LampSolver::of(const LampCircuit& lamps) {
    assert(!lamps.strings.empty());
    auto& all = kept();
    const auto ready = std::find_if(
        all.begin(), all.end(), [&](const auto& each) { return sameElements(each->lamps, lamps); });
    if (ready != all.end()) {
        std::unique_ptr<Ready> again = std::move(*ready);
        all.erase(ready);
        if (auto taken = again->take(lamps); !taken) return tl::unexpected(taken.error());
        return LampSolver(std::move(again));
    }
    circuit::Circuit made = core::made(lamps);
    auto solver = circuit::solverFor(made);
    if (!solver) return tl::unexpected(solver.error());
    return LampSolver(std::make_unique<Ready>(lamps, std::move(made), std::move(*solver)));
}

bool LampSolver::settle(Volts drive) {
    m_ready->solver.excitation.volts[0] = drive.value();
    return m_ready->solver.settleFromAnywhere();
}

Result<LampSolution> LampSolver::at(Volts drive) {
    assert(std::isfinite(drive.value()));
    const bool lit = drive > Volts{0};
    if (lit && !settle(drive)) return tl::unexpected(circuit::didNotSettle(m_ready->solver));
    LampSolution solution;
    for (std::size_t k = 0; k < m_ready->lamps.strings.size(); ++k) {
        const LampString& string = m_ready->lamps.strings[k];
        const Amperes current{lit ? std::max(0.0, m_ready->currentOf(k)) : 0};
        std::vector<Volts> lamps;
        std::vector<Amperes> through;
        for (std::size_t i = 0; i < m_ready->parts[k].size(); ++i) {
            const Ready::Part& part = m_ready->parts[k][i];
            through.emplace_back(lit ? std::max(0.0, m_ready->through(k, i)) : 0);
            if (!lit) {
                lamps.emplace_back(0);
            } else if (part.bulb) {
                lamps.emplace_back(m_ready->solver.onePortVolts(part.index));
            } else {
                const circuit::Diode& led = m_ready->all.diodes[part.index];
                lamps.emplace_back(m_ready->solver.across(led.anode, led.cathode));
            }
        }
        solution.current.push_back(current);
        solution.lamp.push_back(std::move(lamps));
        solution.through.push_back(std::move(through));
        solution.resistorPower.emplace_back(current * current * string.resistor);
        solution.total += current;
    }
    solution.commonPower = solution.total * solution.total * m_ready->lamps.common;
    return solution;
}

Result<Volts> LampSolver::driveForFirst(Amperes current) {
    assert(current > Amperes{0});
    // One string carries it and the others at most as much, which bounds the drop they share.
    Volts own{HUGE_VAL};
    for (const LampString& string : m_ready->lamps.strings) {
        own = std::min(own, current * string.resistor + voltageOf(string, current));
    }
    const Volts low = own + current * m_ready->lamps.common;
    const Volts high =
        own + current * m_ready->lamps.common * static_cast<double>(m_ready->lamps.strings.size());
    return driveBetween(low, high, current, [&] {
        double most = 0;
        for (std::size_t k = 0; k < m_ready->parts.size(); ++k)
            most = std::max(most, m_ready->currentOf(k));
        return most;
    });
}

Result<Volts> LampSolver::driveForTotal(Amperes total) {
    assert(total > Amperes{0});
    // One of the strings carries its share of it at the least, and all of it at the most.
    const auto low = driveForFirst(total / static_cast<double>(m_ready->parts.size()));
    if (!low) return low;
    const auto high = driveForFirst(total);
    if (!high) return high;
    return driveBetween(*low, *high, total, [&] {
        double sum = 0;
        for (std::size_t k = 0; k < m_ready->parts.size(); ++k) sum += m_ready->currentOf(k);
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
    if (!good) return tl::unexpected(circuit::didNotSettle(m_ready->solver));
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
