#include "core/analysis/lamps/probe.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamps/row_names.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wired_circuit.h"
#include "core/circuit/parts.h"
#include "core/circuit/settling.h"
#include "core/circuit/solver.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core::lamps {
namespace {

using circuit::Node;
using Kind = ProbePoint::Kind;

Text wordsOf(const Job& job, const ProbePoint& point) {
    if (point.kind == Kind::Common) return text("the common");
    const LampGroup& group = job.groups[point.group];
    if (point.kind == Kind::Output) return text("the wire of output %1", group.output);
    const LampRow& row = group.rows[point.row];
    std::string called = rowName(group, point.row);
    const bool several = row.lamps.size() > 1;
    if (point.kind == Kind::Plus) {
        return several ? text("plus of lamp %1 of %2", std::to_string(point.lamp + 1), called)
                       : text("plus of %1", called);
    }
    return several ? text("minus of lamp %1 of %2", std::to_string(point.lamp + 1), called)
                   : text("minus of %1", called);
}

std::string legId(const LampGroup& group, std::size_t row, std::size_t lamp, bool plus) {
    return group.id + " " + std::to_string(row + 1) + " " + std::to_string(lamp + 1) +
           (plus ? " plus" : " minus");
}

/// Where a point lies in the wiring.
TerminalId terminalOf(const Job& job, const ProbePoint& point) {
    const LampGroup& group = job.groups[point.group];
    const bool decoder = group.output != supplyOutput;
    switch (point.kind) {
        case Kind::Common:
            return decoder ? TerminalId{decoderOwner, "blue"} : plusOf(group);
        case Kind::Output:
            return decoder ? TerminalId{decoderOwner, group.output} : minusOf(group);
        case Kind::Plus:
            return {lampOwner(group, point.row, point.lamp), "anode"};
        case Kind::Minus:
            break;
    }
    return {lampOwner(group, point.row, point.lamp), "cathode"};
}

/// The lamps as they hang there, the decoder unplugged and no motor across the rails.
Result<wiring::WiredCircuit> withoutPower(const Job& job, const WorkshopRules& house) {
    wiring::Stand stand{wiring::Stand::Which::Plan, {decoderOwner}};
    for (const MotorAt& motor : motorsOf(job)) stand.out.push_back(motor.motor->id);
    return wiring::circuitOf(wiring::wiringOf(job, house.leg, stand));
}

/// Whichever way round: from half of its volts it is lit, below a fifth dark (a filament takes the
/// root of its share of volts).
TesterLook lookOfBulb(double amps, const FilamentRating& bulb) {
    const double share = amps / bulb.current.value();
    return share >= 0.7 ? TesterLook::Lit : share >= 0.45 ? TesterLook::Dim : TesterLook::Dark;
}

/// Every lamp that is not dark; `share`: of what was solved, where the tester limits it.
void addLit(const Job& job, const wiring::WiredCircuit& wired, const circuit::Solver& solver,
            double share, Probed& made) {
    for (std::size_t g = 0; g < job.groups.size(); ++g) {
        for (std::size_t r = 0; r < job.groups[g].rows.size(); ++r) {
            const LampRow& row = job.groups[g].rows[r];
            for (std::size_t i = 0; i < row.lamps.size(); ++i) {
                const std::string owner = lampOwner(job.groups[g], r, i);
                const auto bulb = wired.bulbs.find(owner);
                const bool isBulb = bulb != wired.bulbs.end();
                const double through = share * (isBulb ? solver.onePortCurrent(bulb->second)
                                                       : solver.diodeCurrent(wired.leds.at(owner)));
                const TesterLook look =
                    isBulb ? lookOfBulb(std::abs(through), *row.lamps[i].part.filament)
                           : expectedLook(Amperes{through});
                if (look == TesterLook::Dark) continue;
                made.lamps.push_back({g, r, i, Amperes{through}, look});
            }
        }
    }
}

/// The one of a group's points that goes by an id.
std::optional<ProbePoint> pointCalled(const Job& job, const std::string& id) {
    for (const LampGroup& group : job.groups) {
        for (ProbePoint& point : probePoints(job, group.id)) {
            if (point.id == id) return std::move(point);
        }
    }
    return {};
}

/// Names of lamps with commas: "front lamp/1, front lamp/2".
std::string listed(const Job& job, const std::vector<ProbedLamp>& lamps, TesterLook look) {
    std::vector<std::string> all;
    for (const ProbedLamp& lamp : lamps) {
        if (lamp.look != look) continue;
        std::string called = rowName(job.groups[lamp.group], lamp.row);
        if (std::find(all.begin(), all.end(), called) == all.end()) all.push_back(called);
    }
    std::string words;
    for (const std::string& one : all) words += (words.empty() ? "" : ", ") + one;
    return words;
}

/// What is on record of these points: looks of a row, as its lines enter them.
void addSeen(const Job& job, std::size_t g, std::size_t row, const Tester& tester, bool backwards,
             Probed& made) {
    const LampGroup& group = job.groups[g];
    const auto current = atTester(group, row, tester, backwards);
    if (!current) return;
    // Where what stands beside it joins in, it is not what a record of it would be held against.
    Amperes flows{0};
    for (const ProbedLamp& lamp : made.lamps) {
        if (lamp.group == g && lamp.row == row) flows = std::max(flows, lamp.current);
    }
    const TesterLook look = expectedLook(*current);
    if (look != expectedLook(flows)) return;
    const std::string called = rowName(group, row);
    const auto add = [&](TesterLook seen, const char* word, bool expected) {
        made.seen.push_back({called, seen, testerJot(called, word, tester), expected});
    };
    if (backwards) {
        // Held the wrong way round on purpose: only that it lights so says something.
        add(TesterLook::Reversed, "reversed", false);
        return;
    }
    add(TesterLook::Lit, "lit", look == TesterLook::Lit);
    add(TesterLook::Dim, "dim", look == TesterLook::Dim);
    add(TesterLook::Dark, "dark", look == TesterLook::Dark);
}

void addRecords(const Job& job, const ProbePoint& red, const ProbePoint& black,
                const Tester& tester, Probed& made) {
    const bool plug = (red.kind == Kind::Common && black.kind == Kind::Output) ||
                      (red.kind == Kind::Output && black.kind == Kind::Common);
    if (plug) {
        const std::size_t g = red.kind == Kind::Common ? black.group : red.group;
        const LampGroup& group = job.groups[g];
        const bool backwards = red.kind == Kind::Output;
        if (group.isBulbs() || group.driver()) return;
        Tester with = tester;
        with.resistor = group.rows.size() == 1;
        with.others = !with.resistor;
        for (std::size_t row = 0; row < group.rows.size(); ++row) {
            if (group.rows[row].resistor) addSeen(job, g, row, with, backwards, made);
        }
        return;
    }
    const bool legs = red.kind != black.kind && red.kind >= Kind::Plus &&
                      black.kind >= Kind::Plus && red.group == black.group && red.row == black.row;
    if (!legs || job.groups[red.group].isBulbs()) return;
    const LampRow& row = job.groups[red.group].rows[red.row];
    // From the first lamp to the last of its row, whichever way round it stands.
    const ProbePoint& plus = red.kind == Kind::Plus ? red : black;
    const ProbePoint& minus = red.kind == Kind::Plus ? black : red;
    const auto first = [](const ProbePoint& point) { return point.lamp == 0; };
    const auto last = [&](const ProbePoint& point) {
        return std::all_of(row.lamps.begin() + static_cast<std::ptrdiff_t>(point.lamp) + 1,
                           row.lamps.end(), [](const Lamp& lamp) { return lamp.parallel; });
    };
    const bool whole = row.backwards ? first(minus) && last(plus) : first(plus) && last(minus);
    if (whole) addSeen(job, red.group, red.row, tester, red.kind == Kind::Minus, made);
}

}  // namespace

std::vector<ProbePoint> probePoints(const Job& job, const std::string& id) {
    std::vector<ProbePoint> all;
    const auto found = std::find_if(job.groups.begin(), job.groups.end(),
                                    [&](const LampGroup& group) { return group.id == id; });
    if (found == job.groups.end()) return all;
    const auto g = static_cast<std::size_t>(found - job.groups.begin());
    all.push_back({Kind::Common, "common", {}, g, 0, 0});
    all.push_back({Kind::Output, "output " + found->output, {}, g, 0, 0});
    for (std::size_t r = 0; r < found->rows.size(); ++r) {
        for (std::size_t i = 0; i < found->rows[r].lamps.size(); ++i) {
            all.push_back({Kind::Plus, legId(*found, r, i, true), {}, g, r, i});
            all.push_back({Kind::Minus, legId(*found, r, i, false), {}, g, r, i});
        }
    }
    for (ProbePoint& point : all) point.words = wordsOf(job, point);
    return all;
}

Result<Probed> probed(const Job& job, const WorkshopRules& house, const std::string& red,
                      const std::string& black, const Tester& tester) {
    const auto from = pointCalled(job, red), to = pointCalled(job, black);
    if (!from || !to) {
        return failure(ErrorCode::Unknown, !from ? "red" : "black",
                       text("That point is not there any more."));
    }
    if (red == black) {
        return failure(ErrorCode::NotUnderstood, "black",
                       text("Both probes are on %1.", from->words));
    }
    auto wired = withoutPower(job, house);
    if (!wired) return tl::unexpected(wired.error());
    circuit::Circuit& all = wired->circuit;
    const TesterLaw with = lawOf(tester);
    const Node plus = circuit::nodeNamed(all, "plus");
    circuit::addSupply(all, "tester", plus, circuit::ground, circuit::Constant{with.open.value()});
    // The tester's own ohms stand at its minus, so that no point of the lamps has to be ground.
    const Node low = wired->at.at(terminalOf(job, *to)),
               high = wired->at.at(terminalOf(job, *from));
    circuit::addResistor(all, "inside", low, circuit::ground, with.behind);
    const bool wire = low == high;
    constexpr Ohms probe{0.01};
    circuit::addResistor(all, "probe", plus, high, probe);
    auto solver = circuit::solverFor(all);
    if (!solver) return tl::unexpected(solver.error());
    solver->excitation.volts.back() = with.open.value();
    if (!solver->settleFromAnywhere()) return tl::unexpected(circuit::didNotSettle(*solver));
    Probed made;
    made.current = Volts{solver->across(low, circuit::ground)} / with.behind;
    const double share =
        with.limit && made.current > *with.limit ? (*with.limit / made.current).value() : 1;
    made.current *= share;
    addLit(job, *wired, *solver, share, made);
    const std::string lit = listed(job, made.lamps, TesterLook::Lit);
    const std::string dim = listed(job, made.lamps, TesterLook::Dim);
    const Text at = called(tester);
    const std::string flows = formatted(made.current, 2);
    made.sentence =
        wire ? text("Nothing lies between %1 and %2: they are one point.", from->words, to->words)
        : !lit.empty() && !dim.empty() ? text("At %1, %2: lit are %3, dim %4.", at, flows, lit, dim)
        : !lit.empty()                 ? text("At %1, %2: lit: %3.", at, flows, lit)
        : !dim.empty()                 ? text("At %1, %2: dim: %3.", at, flows, dim)
        : made.current >= glowCurrent
            ? text("At %1 %2 flow, and no lamp shows it.", at, flows)
            : text("At %1 all stays dark: this way round hardly anything flows.", at);
    if (!wire) addRecords(job, *from, *to, tester, made);
    return made;
}

}  // namespace glimmet::core::lamps
