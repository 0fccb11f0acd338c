#include "core/analysis/lamps/probe.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamps/row_names.h"
#include "core/circuit/parts.h"
#include "core/circuit/settling.h"
#include "core/circuit/solver.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core::lamps {
namespace {

using circuit::Node;
using Kind = ProbePoint::Kind;

constexpr Ohms air{1e9};  // what hangs on nothing, for the engine

/// Whether a lamp begins a place of its row's chain: others stand across it.
bool begins(const LampRow& row, std::size_t lamp) { return !row.lamps[lamp].parallel; }

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

/// All lamps of a job without power, and the nodes that probes reach.
struct Wired {
    circuit::Circuit all;
    std::vector<std::pair<std::string, Node>> points;  ///< by the ids of probe points
    struct Led {
        std::size_t group, row, lamp;
        bool bulb;
        std::size_t index;  ///< of the diodes, or of the one-ports
    };
    std::vector<Led> leds;

    [[nodiscard]] Node at(const std::string& id) const {
        return std::find_if(points.begin(), points.end(),
                            [&](const auto& one) { return one.first == id; })
            ->second;
    }
};

std::string legId(const LampGroup& group, std::size_t row, std::size_t lamp, bool plus) {
    return group.id + " " + std::to_string(row + 1) + " " + std::to_string(lamp + 1) +
           (plus ? " plus" : " minus");
}

class ProbedWiring {
public:
    ProbedWiring(const Job& job, const WorkshopRules& house) : m_job(job), m_leg(house.leg) {
        m_common = node();
        m_made.points.emplace_back("common", m_common);
    }
    Result<Wired> made() {
        for (std::size_t g = 0; g < m_job.groups.size(); ++g) {
            if (const auto added = add(g); !added) return tl::unexpected(added.error());
        }
        return std::move(m_made);
    }

private:
    Node node() { return circuit::nodeNamed(m_made.all, "n" + std::to_string(++m_nodes)); }
    void resistor(Node a, Node b, Ohms value) {
        circuit::addResistor(m_made.all, "r" + std::to_string(m_made.all.resistors.size() + 1), a,
                             b, value);
    }
    /// The far end of a resistor: the same point for none, one in the air where it is not chosen.
    Node behind(Node from, std::optional<Ohms> value) {
        if (value == Ohms{0}) return from;
        const Node far = node();
        if (value) resistor(from, far, *value);
        return far;
    }
    /// All that hangs on the supply hangs on one wire.
    Node outputWire(const std::string& output) {
        const std::string id = "output " + output;
        for (const auto& [known, at] : m_made.points) {
            if (known == id) return at;
        }
        m_made.points.emplace_back(id, node());
        return m_made.points.back().second;
    }
    Result<void> add(std::size_t g) {
        const LampGroup& group = m_job.groups[g];
        const bool above = m_leg == ResistorLeg::Plus;
        const Node wire = outputWire(group.output);
        const std::optional<Ohms> none{Ohms{0}};
        // A driver passes nothing to what is touched without power.
        const auto shared = group.driver() ? std::nullopt : std::optional(group.shared());
        const Node top = behind(m_common, above || group.driver() ? shared : none);
        const Node foot = behind(wire, above && !group.driver() ? none : shared);
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            const LampRow& row = group.rows[r];
            const Node from = behind(top, above ? row.resistor : none);
            const Node to = behind(foot, above ? none : row.resistor);
            if (const auto added = addLamps(g, r, from, to); !added) {
                return tl::unexpected(added.error());
            }
        }
        return {};
    }
    Result<void> addLamps(std::size_t g, std::size_t r, Node from, Node to) {
        const LampGroup& group = m_job.groups[g];
        const LampRow& row = group.rows[r];
        Node high = from, low = from;
        for (std::size_t i = 0; i < row.lamps.size(); ++i) {
            if (begins(row, i)) {
                std::size_t next = i + 1;
                while (next < row.lamps.size() && !begins(row, next)) ++next;
                high = low;
                low = next == row.lamps.size() ? to : node();
            }
            const Node plus = row.backwards ? low : high, minus = row.backwards ? high : low;
            const auto lampLaw = law(row.lamps[i].part);
            if (!lampLaw) return tl::unexpected(lampLaw.error());
            circuit::Circuit& all = m_made.all;
            if (const auto* led = std::get_if<LedLaw>(&*lampLaw)) {
                m_made.leds.push_back({g, r, i, false, all.diodes.size()});
                circuit::addDiode(all, "d" + std::to_string(all.diodes.size() + 1), plus, minus,
                                  diodeModel(*led, {}));
            } else {
                const auto& bulb = std::get<FilamentRating>(*lampLaw);
                m_made.leds.push_back({g, r, i, true, all.onePorts.size()});
                circuit::addOnePort(all, "b" + std::to_string(all.onePorts.size() + 1), plus, minus,
                                    circuit::Filament{bulb.rated, bulb.current});
            }
            m_made.points.emplace_back(legId(group, r, i, true), plus);
            m_made.points.emplace_back(legId(group, r, i, false), minus);
        }
        return {};
    }

    const Job& m_job;
    ResistorLeg m_leg;
    Wired m_made;
    std::size_t m_nodes = 0;
    Node m_common{};
};

/// Whichever way round: from half of its volts it is lit, below a fifth dark (a filament takes the
/// root of its share of volts).
TesterLook lookOfBulb(double amps, const FilamentRating& bulb) {
    const double share = amps / bulb.current.value();
    return share >= 0.7 ? TesterLook::Lit : share >= 0.45 ? TesterLook::Dim : TesterLook::Dark;
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
    auto wired = ProbedWiring(job, house).made();
    if (!wired) return tl::unexpected(wired.error());
    circuit::Circuit& all = wired->all;
    const TesterLaw with = lawOf(tester);
    const Node plus = circuit::nodeNamed(all, "plus");
    circuit::addSupply(all, "tester", plus, circuit::ground, circuit::Constant{with.open.value()});
    // The tester's own ohms stand at its minus, so that no point of the lamps has to be ground.
    const Node low = wired->at(black), high = wired->at(red);
    circuit::addResistor(all, "inside", low, circuit::ground, with.behind);
    const bool wire = low == high;
    constexpr Ohms probe{0.01};
    circuit::addResistor(all, "probe", plus, high, probe);
    for (const auto& [id, node] : wired->points) {
        circuit::addResistor(all, "air " + id, node, circuit::ground, air);
    }
    auto solver = circuit::solverFor(all);
    if (!solver) return tl::unexpected(solver.error());
    solver->excitation.volts[0] = with.open.value();
    if (!solver->settleFromAnywhere()) return tl::unexpected(circuit::didNotSettle(*solver));
    Probed made;
    made.current = Volts{solver->across(low, circuit::ground)} / with.behind;
    const double share =
        with.limit && made.current > *with.limit ? (*with.limit / made.current).value() : 1;
    made.current *= share;
    for (const Wired::Led& led : wired->leds) {
        const double through =
            led.bulb ? solver->onePortCurrent(led.index) : solver->diodeCurrent(led.index);
        const Amperes current{through * share};
        const TesterLook look =
            led.bulb
                ? lookOfBulb(std::abs(through) * share,
                             *job.groups[led.group].rows[led.row].lamps[led.lamp].part.filament)
                : expectedLook(current);
        if (look == TesterLook::Dark) continue;
        made.lamps.push_back({led.group, led.row, led.lamp, current, look});
    }
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
