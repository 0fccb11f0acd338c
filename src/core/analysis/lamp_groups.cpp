#include "core/analysis/lamp_groups.h"

#include "core/analysis/supply.h"
#include "core/led/lamp_drive.h"
#include "core/led/preferred_value.h"
#include "core/led/resistor_choice.h"
#include "core/power/battery.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

enum class Corner { Typical, Dimmest, Brightest };

/// A lamp's law at a corner of its batch. A lamp measured at the bench has no spread; one from a
/// data sheet that of one batch, one of which only the colour is known its family's.
Result<LampLaw> lawAt(const Lamp& lamp, Corner corner) {
    if (corner == Corner::Typical || lamp.measured || lamp.part.filament) return law(lamp.part);
    const FamilyValues values = familyValues(lamp.part.family);
    // One batch keeps to a tenth of a volt; of a colour alone anything of its family may come.
    const Volts batch{corner == Corner::Dimmest ? 0.1 : -0.1};
    const Volts shift =
        lamp.part.forward
            ? batch
            : (corner == Corner::Dimmest ? values.highest : values.lowest) - values.typical;
    LampPart shifted = lamp.part;
    ForwardPoint point =
        lamp.part.forward.value_or(ForwardPoint{values.typical, Amperes{familyTestCurrent}});
    point.voltage += shift;
    shifted.forward = point;
    return law(shifted);
}

// Two of one batch differ by no more in nineteen pairs of twenty: each ± 0.1 V in as many.
constexpr Volts pairApart{0.14};

/// A lamp beside others of its batch: `off` from the middle of it.
Result<LampLaw> lawOff(const Lamp& lamp, Volts off) {
    if (lamp.measured) return law(lamp.part);
    LampPart shifted = lamp.part;
    shifted.forward = lamp.part.forward.value_or(
        ForwardPoint{familyValues(lamp.part.family).typical, Amperes{familyTestCurrent}});
    shifted.forward->voltage += off;
    return law(shifted);
}

/// What a resistor is at a corner, as a share of what is printed on it.
double resistorAt(Corner corner, double spread) {
    return corner == Corner::Dimmest ? 1 + spread : corner == Corner::Brightest ? 1 - spread : 1.0;
}

/// A connected row at a corner.
Result<LampString> stringOf(const LampRow& row, double spread, Corner corner) {
    LampString string;
    string.resistor = *row.resistor * resistorAt(corner, spread);
    for (const Lamp& lamp : row.lamps) {
        auto lampLaw = lawAt(lamp, corner);
        if (!lampLaw) return tl::unexpected(lampLaw.error());
        string.lamps.push_back(*lampLaw);
        string.parallel.push_back(lamp.parallel);
    }
    return string;
}

struct Solvable {
    LampCircuit circuit;
    std::vector<std::size_t> rowOf;  ///< job row of each string that is connected
};

/// The connected rows that light where row `like` does; row `own` at its corner, the others at the
/// opposite one, because what the others take less of a shared resistance is left for this one.
Result<Solvable> solvable(const LampGroup& group, Ohms common, std::size_t own, std::size_t like,
                          Corner corner) {
    Solvable made;
    made.circuit.common = common;
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const LampRow& row = group.rows[r];
        if (!row.resistor || row.backwards != group.rows[like].backwards) continue;
        Corner here = corner;
        if (r != own && corner != Corner::Typical) {
            here = corner == Corner::Dimmest ? Corner::Brightest : Corner::Dimmest;
        }
        auto string = stringOf(row, resistorTolerance(group), here);
        if (!string) return tl::unexpected(string.error());
        made.circuit.strings.push_back(std::move(*string));
        made.rowOf.push_back(r);
    }
    return made;
}

/// What a circuit does behind what drives it.
Result<LampSolution> driven(LampSolver& solver, const LampGroup& group, LampDrive drive) {
    const ThroughDriver* driver = group.driver();
    if (!driver) return over(solver, drive);
    drive.drops += driver->dropout;
    return over(solver, drive, driver->current);
}

/// How far the supply comes below and above what it usually is.
struct Spread {
    Volts down{}, up{};
};

/// The same at another height of the supply.
LampDrive moved(LampDrive drive, Volts by) {
    drive.crest += by;
    return drive;
}

// From so many rows on, what one of them does hardly moves the others: they are taken as straight
// lines where they stand. Each row is then a circuit of its own, and all of them together take as
// long as they are many. With fewer the whole group is solved for each (docs/physics.md).
constexpr std::size_t manyRows = 12;

/// What each string sees of the others and of what drives them at `at`; last, what another one
/// would. `held`: the sum of all, where a driver keeps it. Errors: of the solver.
Result<std::vector<SeenByRow::Source>> sourcesAt(LampSolver& solver, const LampCircuit& circuit,
                                                 Volts at, std::optional<Amperes> held) {
    if (!held && !(circuit.common > Ohms{0}))
        return std::vector<SeenByRow::Source>(circuit.strings.size() + 1, {at, Ohms{0}});
    constexpr Volts nudge{1e-4};
    const auto here = solver.at(at);
    if (!here) return tl::unexpected(here.error());
    const auto beside = solver.at(at + nudge);
    if (!beside) return tl::unexpected(beside.error());
    const Volts node = at - here->total * circuit.common;
    const double moved = (nudge - (beside->total - here->total) * circuit.common).value();
    const double all = (beside->total - here->total).value() / moved;  // A/V
    const double supply = held ? 0 : 1 / circuit.common.value();
    const double given = held ? held->value() : at.value() / circuit.common.value();
    // Without a string that carries so much, and so much more for a volt.
    const auto without = [&](Amperes current, double slope) -> SeenByRow::Source {
        // Others that are dark are no conductance, and their difference is rounding: at least what
        // keeps a driver's sum a finite source, within 10 µA.
        const double others = std::max(all - slope, held ? 1e-6 : 0.0);
        const double open = given - (here->total - current).value() + others * node.value();
        return {Volts{open / (supply + others)}, Ohms{1 / (supply + others)}};
    };
    std::vector<SeenByRow::Source> seen;
    for (std::size_t k = 0; k < circuit.strings.size(); ++k) {
        seen.push_back(
            without(here->current[k], (beside->current[k] - here->current[k]).value() / moved));
    }
    seen.push_back(without(Amperes{0}, 0));
    return seen;
}

/// What each row sees, in the order of sourcesAt().
Result<std::vector<SeenByRow>> seenByStrings(LampSolver& solver, const LampCircuit& circuit,
                                             const LampGroup& group, Volts drive) {
    const ThroughDriver* driver = group.driver();
    const auto supply =
        sourcesAt(solver, circuit, driver ? drive - driver->dropout : drive, std::nullopt);
    if (!supply) return tl::unexpected(supply.error());
    std::vector<SeenByRow> seen;
    for (const SeenByRow::Source& each : *supply) seen.push_back({each, std::nullopt});
    if (!driver) return seen;
    // Whether it holds the sum may hang on the very row that is looked at.
    const auto at = solver.driveForTotal(driver->current);
    if (!at) return seen;  // never so much
    const auto held = sourcesAt(solver, circuit, *at, driver->current);
    if (!held) return tl::unexpected(held.error());
    for (std::size_t k = 0; k < seen.size(); ++k) seen[k].driver = (*held)[k];
    return seen;
}

Result<Amperes> currentOf(const LampString& string, const SeenByRow& seen) {
    const auto one = solved({seen.supply.behind, {string}}, seen.supply.open);
    if (!one) return tl::unexpected(one.error());
    if (!seen.driver) return one->total;
    const auto held = solved({seen.driver->behind, {string}}, seen.driver->open);
    // Where the others carry nothing it keeps the sum for this one alone, and the supply decides.
    return held ? std::min(one->total, held->total) : one->total;
}

/// Rows that feel each other.
bool together(const LampGroup& group, Ohms common) {
    return common > Ohms{0} || group.driver() != nullptr;
}
/// Whether each is solved against what it sees of the others: what they are over a sine is no
/// straight line.
bool isMany(const LampGroup& group, Ohms common, const LampDrive& drive, std::size_t rows) {
    return rows > manyRows && together(group, common) && drive.wave == Wave::Steady;
}

Result<Amperes> rowCurrent(const LampGroup& group, Ohms common, const LampDrive& drive,
                           std::size_t row, Corner corner) {
    // Behind no shared resistance a row does not feel the others.
    if (!together(group, common) && group.rows.size() > 1) {
        LampGroup alone;
        alone.wish = group.wish;
        alone.rows = {group.rows[row]};
        return rowCurrent(alone, common, drive, 0, corner);
    }
    const auto made = solvable(group, common, row, row, corner);
    if (!made) return tl::unexpected(made.error());
    if (made->circuit.strings.empty()) return Amperes{0};
    auto solver = LampSolver::of(made->circuit);
    if (!solver) return tl::unexpected(solver.error());
    const auto solution = driven(*solver, group, drive);
    if (!solution) return tl::unexpected(solution.error());
    for (std::size_t k = 0; k < made->rowOf.size(); ++k) {
        if (made->rowOf[k] == row) return solution->current[k];
    }
    return Amperes{0};
}

/// What the battery has in it, for lamps that hang straight on it: a coin cell's hides a resistor
/// that is not there.
Ohms insideOf(const Job& job, const LampGroup& group) {
    const auto& pack = job.supply.pack;
    const bool straight = group.output == supplyOutput && job.feed == Feed::BatteryRadio;
    return straight && pack ? voltsOf(*pack).inside : Ohms{0};
}

}  // namespace

const DecoderOutput* keepsCurrent(const Job& job, const LampGroup& group) {
    const DecoderOutput* output = outputNamed(job, group.output);
    const bool keeps =
        output && output->kind == OutputKind::ConstantCurrent && output->limit && !group.driver();
    return keeps ? output : nullptr;
}

const LampGroup& asDriven(const Job& job, const LampGroup& group, std::optional<LampGroup>& made) {
    const DecoderOutput* output = keepsCurrent(job, group);
    if (!output) return group;
    made = group;
    // All rows' current goes through a shared resistor: so many times its value in each.
    const Ohms shared = group.shared() * static_cast<double>(group.rows.size());
    for (LampRow& row : made->rows) row.resistor = row.resistor.value_or(Ohms{0}) + shared;
    made->connection = ThroughDriver{*output->limit, outputDropout};
    return *made;
}

namespace {

Ohms commonOf(const Job& job, const LampGroup& group, Ohms& series, bool& known) {
    const DecoderOutput* output = outputNamed(job, group.output);
    series = output && output->series ? *output->series : Ohms{0};
    known = group.output == supplyOutput || (output && output->series.has_value());
    return series + group.shared() + insideOf(job, group);
}

Volts switchDrop(const Job& job, const LampGroup& group, const WorkshopRules& house) {
    // A lamp straight on the supply has no switching output in its path.
    if (group.output == supplyOutput) return Volts{0};
    return switchVolts(job, house);
}

// A bulb at its rated volts is about as bright as an LED at half of 20 mA (docs/physics.md).
constexpr double filamentFull = 0.5;
double lightOf(const LampPart& part, Amperes current, Volts volts) {
    if (!part.filament) return current.value() / familyTestCurrent;
    return volts > Volts{0} ? filamentFull * filamentLight(*part.filament, volts) : 0;
}

/// An output that is made for bulbs gives volts of its own, which do not follow the track.
bool ownSupply(const Job& job, const LampGroup& group) {
    const DecoderOutput* output = outputNamed(job, group.output);
    return group.isBulbs() && output && output->kind == OutputKind::LampSupply;
}

/// What is left of the supply for a group's circuit.
LampDrive driveOf(const Job& job, const LampGroup& group, const WorkshopRules& house) {
    if (ownSupply(job, group)) return {lampSupplyVolts, {}};
    const Volts crest = crestVolts(job);
    const bool oneWay = oneWayOnly(job, group);
    LampDrive drive{
        crest, oneWay ? oneWayDrop : crest - busVolts(job, house) + switchDrop(job, group, house)};
    if (!isWave(job)) return drive;
    // A filament does not care which way; an LED that nothing turns over has one half.
    const bool half = oneWay || (reverses(job) && !group.isBulbs());
    drive.wave = half ? Wave::OneHalf : Wave::BothHalves;
    // It is far too slow to follow: what heats it as much.
    if (group.isBulbs()) return {drive.effective(), {}};
    return drive;
}

/// The first row that is connected that way round.
std::optional<std::size_t> firstOf(const LampGroup& group, bool backwards) {
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        if (group.rows[r].resistor && group.rows[r].backwards == backwards) return r;
    }
    return {};
}

/// A row of each way round that ever lights.
std::vector<std::size_t> waysLit(const Job& job, const LampGroup& group) {
    std::vector<std::size_t> all;
    if (const auto usual = firstOf(group, false)) all.push_back(*usual);
    const auto backwards = firstOf(group, true);
    if (backwards && lightsTurned(job, group)) all.push_back(*backwards);
    return all;
}

}  // namespace

double resistorTolerance(const LampGroup& group) {
    return std::min(tolerance(group.wish.series), 0.05);
}

bool lightsTurned(const Job& job, const LampGroup& group) {
    return group.output == supplyOutput && reverses(job) && !group.oneWay;
}

bool bothWays(const LampGroup& group) { return firstOf(group, false) && firstOf(group, true); }

bool antiparallel(const LampGroup& group) { return group.shared() > Ohms{0} && bothWays(group); }

bool oneWayOnly(const Job& job, const LampGroup& group) {
    return group.oneWay && group.output == supplyOutput && turnsRound(job);
}

Figure feedFigure(const Job& job, const LampGroup& group, const WorkshopRules& house) {
    if (isWave(job) && group.isBulbs()) {
        return figures::computed(text("Volts that heat it as much"), "V_eff",
                                 driveOf(job, group, house).most(), "",
                                 {trackFigure(job), rectifierFigure(job, house)});
    }
    return oneWayOnly(job, group) ? crestFigure(job) : busFigure(job, house);
}

std::size_t standAcross(const LampRow& row, std::size_t lamp) {
    const auto isAcross = [&](std::size_t i) {
        return i < row.lamps.size() && row.lamps[i].parallel;
    };
    std::size_t first = lamp;
    while (isAcross(first)) --first;
    std::size_t end = lamp + 1;
    while (isAcross(end)) ++end;
    return end - first;
}

LampRow without(LampRow row, std::size_t lamp, bool all) {
    std::size_t first = lamp, end = lamp + 1;
    if (all) {
        while (row.lamps[first].parallel) --first;
        while (end < row.lamps.size() && row.lamps[end].parallel) ++end;
    }
    // What stood across it goes on by itself.
    if (end < row.lamps.size()) {
        row.lamps[end].parallel = row.lamps[end].parallel && row.lamps[first].parallel;
    }
    row.lamps.erase(row.lamps.begin() + static_cast<std::ptrdiff_t>(first),
                    row.lamps.begin() + static_cast<std::ptrdiff_t>(end));
    return row;
}

Result<double> worstShare(const LampRow& row, std::size_t lamp, Amperes current) {
    const std::size_t count = standAcross(row, lamp);
    if (count == 1) return 1.0;
    std::size_t first = lamp;
    while (row.lamps[first].parallel) --first;
    LampString set;
    set.resistor = Ohms{1000};  // whatever: it makes a current of its volts
    for (std::size_t k = first; k < first + count; ++k) {
        const auto its = lawOff(row.lamps[k], pairApart * (k == lamp ? -0.5 : 0.5));
        if (!its) return tl::unexpected(its.error());
        set.lamps.push_back(*its);
        set.parallel.push_back(k > first);
    }
    const auto shared = solved({Ohms{0}, {set}}, voltageOf(set, current) + current * set.resistor);
    if (!shared) return tl::unexpected(shared.error());
    return (shared->through.front()[lamp - first] / shared->total).value();
}

Result<Amperes> rowLimit(const LampRow& row, Amperes current) {
    std::optional<Amperes> limit;
    for (std::size_t i = 0; i < row.lamps.size(); ++i) {
        const auto share = worstShare(row, i, current);
        if (!share) return tl::unexpected(share.error());
        const Amperes its = currentLimit(row.lamps[i].part) / *share;
        limit = std::min(limit.value_or(its), its);
    }
    return limit.value_or(Amperes{0});
}

Volts lampVolts(const LampRow& row, const RowState& state) {
    Volts sum{0};
    for (std::size_t i = 0; i < state.led.size(); ++i) {
        if (!row.lamps[i].parallel) sum += state.led[i];
    }
    return sum;
}

bool alike(const LampRow& one, const LampRow& other) {
    return one.resistor == other.resistor && one.backwards == other.backwards &&
           one.lamps.size() == other.lamps.size() &&
           std::equal(one.lamps.begin(), one.lamps.end(), other.lamps.begin(),
                      [](const Lamp& a, const Lamp& b) {
                          return a.part == b.part && a.measured == b.measured &&
                                 a.parallel == b.parallel;
                      });
}

Result<LampLaw> law(const LampPart& part) {
    if (part.filament) {
        if (part.filament->rated > Volts{0} && part.filament->current > Amperes{0}) {
            return *part.filament;
        }
        return failure(ErrorCode::OutOfRange, "filament",
                       text("A bulb has rated volts and a current above 0."));
    }
    const FamilyValues values = familyValues(part.family);
    const ForwardPoint point =
        part.forward.value_or(ForwardPoint{values.typical, Amperes{familyTestCurrent}});
    auto led = ledLawThrough(point, part.emission.value_or(values.emission),
                             part.series.value_or(values.series));
    if (!led) return tl::unexpected(led.error());
    return *led;
}

Amperes currentLimit(const LampPart& part) {
    if (part.filament) return currentAt(*part.filament, part.filament->rated * 1.1);
    if (part.limit) return *part.limit;
    if (part.rated && part.forward) return part.forward->current * 1.5;
    return familyValues(part.family).limit;
}

namespace {

/// A corner of every connected row behind a shared resistance, the others at the opposite one, into
/// `member` of the states. For many rows: each is solved against what it sees of the others.
Result<void> solveCorner(const LampGroup& group, Ohms common, Volts drive, std::size_t own,
                         Corner corner, Amperes RowState::*member, GroupState& state) {
    const auto others = solvable(group, common, group.rows.size(), own, corner);
    if (!others) return tl::unexpected(others.error());
    auto solver = LampSolver::of(others->circuit);
    if (!solver) return tl::unexpected(solver.error());
    const auto seen = seenByStrings(*solver, others->circuit, group, drive);
    if (!seen) return tl::unexpected(seen.error());
    for (std::size_t k = 0; k < others->rowOf.size(); ++k) {
        const std::size_t r = others->rowOf[k];
        const auto string = stringOf(group.rows[r], resistorTolerance(group), corner);
        if (!string) return tl::unexpected(string.error());
        const auto current = currentOf(*string, (*seen)[k]);
        if (!current) return tl::unexpected(current.error());
        state.rows[r].*member = *current;
    }
    return {};
}

/// The corners of every connected row that lights where row `own` does. `rows`: which those are.
Result<void> solveCorners(const LampGroup& group, Ohms common, const LampDrive& drive,
                          const Spread& spread, std::size_t own,
                          const std::vector<std::size_t>& rows, GroupState& state) {
    const double tolerance = resistorTolerance(group);
    const Ohms most = common * resistorAt(Corner::Dimmest, tolerance);
    const Ohms least = common * resistorAt(Corner::Brightest, tolerance);
    if (isMany(group, common, drive, rows.size())) {
        if (auto low = solveCorner(group, most, state.drive - spread.down, own, Corner::Dimmest,
                                   &RowState::lowest, state);
            !low)
            return low;
        return solveCorner(group, least, state.drive + spread.up, own, Corner::Brightest,
                           &RowState::highest, state);
    }
    for (std::size_t k = 0; k < rows.size(); ++k) {
        RowState& row = state.rows[rows[k]];
        // Rows that are alike have the same corners: a strip is worked out once.
        if (k > 0 && alike(group.rows[rows[k - 1]], group.rows[rows[k]])) {
            row.lowest = state.rows[rows[k - 1]].lowest;
            row.highest = state.rows[rows[k - 1]].highest;
            continue;
        }
        const auto lowest =
            rowCurrent(group, most, moved(drive, -spread.down), rows[k], Corner::Dimmest);
        const auto highest =
            rowCurrent(group, least, moved(drive, spread.up), rows[k], Corner::Brightest);
        if (!lowest) return tl::unexpected(lowest.error());
        if (!highest) return tl::unexpected(highest.error());
        row.lowest = *lowest;
        row.highest = *highest;
    }
    return {};
}

/// Solves the rows that light where row `own` does into `state`; `spread`: of its drive. What comes
/// back is the drive at which the first of them glows.
Result<Volts> solveWay(const LampGroup& group, Ohms common, const LampDrive& drive,
                       const Spread& spread, std::size_t own, GroupState& state) {
    const auto typical = solvable(group, common, own, own, Corner::Typical);
    if (!typical) return tl::unexpected(typical.error());
    auto solver = LampSolver::of(typical->circuit);
    if (!solver) return tl::unexpected(solver.error());
    const auto solution = driven(*solver, group, drive);
    if (!solution) return tl::unexpected(solution.error());
    const bool many = isMany(group, common, drive, typical->rowOf.size());
    std::vector<SeenByRow> seen;
    if (many) {
        auto each = seenByStrings(*solver, typical->circuit, group, state.drive);
        if (!each) return tl::unexpected(each.error());
        seen = std::move(*each);
    }
    // Only one way round carries at a time; over a whole turn of a sine both have.
    const bool turns = drive.wave != Wave::Steady;
    const Watts shared =
        common > Ohms{0} ? solution->commonPower * (group.shared() / common) : Watts{0};
    state.total = turns ? state.total + solution->total : std::max(state.total, solution->total);
    state.sharedPower = turns ? state.sharedPower + shared : std::max(state.sharedPower, shared);
    for (std::size_t k = 0; k < typical->rowOf.size(); ++k) {
        const std::size_t r = typical->rowOf[k];
        RowState& row = state.rows[r];
        row.current = solution->current[k];
        row.led = solution->lamp[k];
        if (row.current > Amperes{0}) {
            for (std::size_t i = 0; i < row.share.size(); ++i) {
                row.share[i] = solution->through[k][i] / row.current;
            }
        }
        row.light = lightOf(group.rows[r].lamps.front().part, row.current * row.share.front(),
                            row.led.front());
        row.resistorPower = solution->resistorPower[k];
        if (many) row.sees = seen[k];
    }
    for (std::size_t r = 0; many && r < group.rows.size(); ++r) {
        if (!group.rows[r].resistor && group.rows[r].backwards == group.rows[own].backwards)
            state.rows[r].sees = seen.back();
    }
    if (auto corners = solveCorners(group, common, drive, spread, own, typical->rowOf, state);
        !corners)
        return tl::unexpected(corners.error());
    const auto& bulb = group.rows.front().lamps.front().part.filament;
    return solver->driveForFirst(bulb ? currentAt(*bulb, bulb->rated * filamentGlows)
                                      : glowCurrent);
}

}  // namespace

namespace {

/// How far the volts of a group's bus may lie below and above what is typical.
Spread spreadOf(const Job& job, const LampGroup& group, Volts bus, const WorkshopRules& house) {
    Spread spread;
    if (!ownSupply(job, group)) spread.down = spread.up = bus * house.supplySpread;
    if (group.output != supplyOutput) spread.down += mayDrop(job);
    // Its volts are those of a battery just charged: it never has more.
    if (job.feed == Feed::BatteryRadio && job.supply.pack && !job.supply.volts) spread.up = {};
    return spread;
}

/// Digital track that is not rectified lights an LED either way round half of the time.
bool litHalf(const Job& job, const LampGroup& group) {
    return group.output == supplyOutput && isDigital(job.feed) && !group.isBulbs() &&
           (reverses(job) || oneWayOnly(job, group));
}

/// A row before the circuit is solved: its limit, the resistor that gives its target. `before`:
/// the resistance that all rows share.
/// Errors: those of a lamp whose data are no LED's.
Result<RowState> unsolved(const LampGroup& group, std::size_t r, const LampDrive& drive,
                          const GroupState& state, Ohms before, double duty) {
    const LampRow& row = group.rows[r];
    RowState made;
    made.connected = row.resistor.has_value();
    made.duty = duty;
    LampString laws;
    for (const Lamp& lamp : row.lamps) {
        auto lampLaw = law(lamp.part);
        if (!lampLaw) return tl::unexpected(lampLaw.error());
        laws.lamps.push_back(*lampLaw);
        laws.parallel.push_back(lamp.parallel);
        made.share.push_back(1.0 / static_cast<double>(standAcross(row, laws.lamps.size() - 1)));
    }
    const auto& bulb = row.lamps.front().part.filament;
    const auto limit = rowLimit(row, bulb ? bulb->current : group.atFull());
    if (!limit) return tl::unexpected(limit.error());
    made.limit = *limit;
    made.led.assign(row.lamps.size(), Volts{0});
    made.arrives = passed(row.path, lightFamily(row.lamps.front().part)).total();
    const auto beside = static_cast<std::size_t>(
        std::count_if(group.rows.begin(), group.rows.end(),
                      [&](const LampRow& other) { return other.backwards == row.backwards; }));
    const Amperes target = bulb ? bulb->current : group.atFull() / made.duty;
    if (drive.wave == Wave::Steady) {
        made.ideal = idealResistor(laws, state.drive, before, beside, target);
    } else if (r > 0 && alike(group.rows[r - 1], row)) {
        made.ideal = state.rows.back().ideal;
    } else {
        const auto alone = resistorOn(laws, drive, target);
        if (!alone) return tl::unexpected(alone.error());
        made.ideal = *alone - before * static_cast<double>(beside);
    }
    return made;
}

}  // namespace

Result<GroupState> groupState(const Job& job, const LampGroup& given, const WorkshopRules& house,
                              std::optional<Ohms> board) {
    std::optional<LampGroup> kept;
    const LampGroup& group = asDriven(job, given, kept);
    GroupState state;
    Ohms common = commonOf(job, group, state.outputSeries, state.outputSeriesKnown);
    state.inside = insideOf(job, group);
    if (board) {
        common += *board - state.outputSeries;
        state.outputSeries = *board;
    }
    const LampDrive drive = driveOf(job, group, house);
    state.bus = oneWayOnly(job, group)           ? crestVolts(job)
                : isWave(job) && group.isBulbs() ? drive.most()
                                                 : busVolts(job, house);
    state.drive = drive.most();
    state.wave = drive.wave;
    const Spread spread = spreadOf(job, group, state.bus, house);
    const bool half = litHalf(job, group);
    // A pair has one resistor, and that is the one to choose.
    state.pair = antiparallel(group);
    const Ohms before = state.pair ? common - group.shared() : common;
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        auto row = unsolved(group, r, drive, state, before, half ? 0.5 : 1);
        if (!row) return tl::unexpected(row.error());
        state.rows.push_back(std::move(*row));
    }
    std::optional<Volts> glow;
    for (const std::size_t own : waysLit(job, group)) {
        const auto from = solveWay(group, common, drive, spread, own, state);
        if (!from) return tl::unexpected(from.error());
        glow = std::min(glow.value_or(*from), *from);
    }
    if (!glow) return state;
    Volts from = *glow;
    if (const ThroughDriver* driver = group.driver()) from += driver->dropout;
    // Read as the supply is read: a sine by what it heats.
    // Where nothing is left of it there is nothing to go by.
    state.glowFrom =
        drive.crest > Volts{0} ? (from + drive.drops) * (trackVolts(job) / drive.crest) : from;
    if (half) {
        for (RowState& row : state.rows) {
            row.light *= row.duty;
            row.resistorPower *= row.duty;
        }
        // Of a pair each way has its half; the other way round nothing flows through one alone.
        if (!bothWays(group)) state.sharedPower *= 0.5;
    }
    return state;
}

Result<Amperes> currentWith(const Job& job, const LampGroup& given, const RowState& state,
                            std::size_t row, Ohms resistor, const WorkshopRules& house) {
    std::optional<LampGroup> kept;
    const LampGroup& group = asDriven(job, given, kept);
    if (!state.sees) return currentWith(job, group, row, resistor, house);
    LampRow changed = group.rows.at(row);
    changed.resistor = resistor;
    const auto string = stringOf(changed, 0, Corner::Typical);
    if (!string) return tl::unexpected(string.error());
    return currentOf(*string, *state.sees);
}

Result<Amperes> currentWith(const Job& job, const LampGroup& given, std::size_t row, Ohms resistor,
                            const WorkshopRules& house, bool inEveryRow) {
    std::optional<LampGroup> kept;
    const LampGroup& group = asDriven(job, given, kept);
    Ohms series{};
    bool known = true;
    const Ohms common = commonOf(job, group, series, known);
    const LampDrive drive = driveOf(job, group, house);
    LampGroup changed;
    changed.wish = group.wish;
    changed.connection = group.connection;
    const bool alone = !together(group, common);
    if (alone)
        changed.rows = {group.rows.at(row)};
    else
        changed.rows = group.rows;
    const std::size_t here = alone ? 0 : row;
    changed.rows[here].resistor = resistor;
    if (inEveryRow) {
        for (LampRow& each : changed.rows) each.resistor = resistor;
    }
    return rowCurrent(changed, common, drive, here, Corner::Typical);
}

Result<GroupCurrents> groupCurrents(const Job& job, const LampGroup& given,
                                    const WorkshopRules& house) {
    std::optional<LampGroup> kept;
    const LampGroup& group = asDriven(job, given, kept);
    Ohms series{};
    bool known = true;
    const Ohms common = commonOf(job, group, series, known);
    GroupCurrents made;
    made.rows.resize(group.rows.size(), Amperes{0});
    const LampDrive drive = driveOf(job, group, house);
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const LampRow& row = group.rows[r];
        if (!row.lamps.empty() || !row.resistor || *row.resistor > Ohms{0}) continue;
        // A wire beside the others takes all that the common resistance or a driver lets through.
        made.rows[r] = group.driver()     ? group.driver()->current
                       : common > Ohms{0} ? drive.effective() / common
                                          : Amperes{0};
        made.total = made.rows[r];
        made.shorted = !group.driver() && !(common > Ohms{0});
        return made;
    }
    for (const std::size_t own : waysLit(job, group)) {
        const auto way = solvable(group, common, own, own, Corner::Typical);
        if (!way) return tl::unexpected(way.error());
        auto solver = LampSolver::of(way->circuit);
        if (!solver) return tl::unexpected(solver.error());
        const auto solution = driven(*solver, group, drive);
        if (!solution) return tl::unexpected(solution.error());
        for (std::size_t k = 0; k < way->rowOf.size(); ++k) {
            made.rows[way->rowOf[k]] = solution->current[k];
        }
        made.total = std::max(made.total, solution->total);
    }
    return made;
}

void addLoads(const Job& job, const LampGroup& group, const GroupState& state, BusLoads& loads) {
    if (group.driver() || keepsCurrent(job, group)) {
        loads.current += state.total;
        return;
    }
    for (std::size_t r = 0; r < state.rows.size(); ++r) {
        const RowState& row = state.rows[r];
        if (!row.connected || !(row.current > Amperes{0})) continue;
        if (group.isBulbs()) {
            loads.lamps.push_back({Volts{0}, state.bus / row.current, 1});
            continue;
        }
        // The row's own resistance, that of its lamps where they stand, and of the shared one as
        // much as its share of the current makes of it.
        Ohms resistance = *group.rows[r].resistor + (group.shared() + state.outputSeries) *
                                                        (state.total / row.current).value();
        for (std::size_t i = 0; i < row.share.size(); ++i) {
            const Lamp& lamp = group.rows[r].lamps[i];
            const auto its = law(lamp.part);
            if (!its || lamp.parallel) continue;
            if (const auto* led = std::get_if<LedLaw>(&*its))
                resistance += led->slope(row.current * row.share[i]) * row.share[i];
        }
        resistance = std::max(resistance, Ohms{1});
        loads.lamps.push_back(
            {std::max(state.bus - row.current * resistance, Volts{0}), resistance, 1});
    }
}

double perceivedBrightness(double light) { return std::min(1.0, std::cbrt(std::max(light, 0.0))); }
double perceivedBrightness(Amperes current) {
    return perceivedBrightness(current.value() / familyTestCurrent);
}

Point ledOf(const LitLamp& lit, const Body& body) {
    Point at = lit.lamp->fitted.pose.at;
    if (!lit.guide) return at;
    switch (lit.lamp->fitted.pose.facing) {
        case Facing::Front:
            at.x = std::min(at.x + lit.guide->length, body.length);
            break;
        case Facing::Rear:
            at.x = std::max(at.x - lit.guide->length, Millimetres{0});
            break;
        case Facing::Inside:
            at.z = std::min(at.z + lit.guide->length, body.height);
            break;
    }
    return at;
}

LedFamily lightFamily(const LampPart& part) {
    return part.filament ? LedFamily::White : part.family;
}

std::vector<LitLamp> litLamps(const Job& job, const std::vector<Result<GroupState>>& groups) {
    std::vector<LitLamp> all;
    for (std::size_t g = 0; g < job.groups.size(); ++g) {
        const LampGroup& group = job.groups[g];
        const Result<GroupState>& state = groups[g];
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            for (std::size_t i = 0; i < group.rows[r].lamps.size(); ++i) {
                const Lamp& lamp = group.rows[r].lamps[i];
                LitLamp lit;
                lit.group = group.id;
                lit.name =
                    group.rows.size() == 1 ? group.name : group.name + "/" + std::to_string(r + 1);
                lit.output = group.output;
                lit.soft = group.soft;
                lit.guide = group.rows[r].path.guide;
                lit.lamp = &lamp;
                if (state) {
                    const RowState& row = state->rows[r];
                    lit.current = row.current * row.share[i];
                    lit.connected = row.connected;
                    // Dimmed by pulses: the eye takes their mean.
                    const double light =
                        row.light * row.share[i] / row.share.front() * group.dimmed;
                    lit.brightness =
                        lit.current > Amperes{0} ? perceivedBrightness(light * row.arrives) : 0;
                    lit.filter = group.rows[r].path.filter;
                    lit.obstacle = group.rows[r].path.obstacle;
                    // Of light it is a share, of what the eye finds the cube root of that.
                    if (const auto& wall = group.rows[r].wall) {
                        lit.leak = std::cbrt(leaks(*wall));
                        if (wall->gap) lit.seam = wall->gap->at;
                        lit.atSeam = std::cbrt(shinesThroughGap(*wall));
                    }
                }
                all.push_back(std::move(lit));
            }
        }
    }
    return all;
}

Amperes lastingTotal(const GroupState& state) {
    Amperes total = state.total;
    for (const RowState& row : state.rows) {
        if (row.connected && row.current > row.limit) total -= row.current - row.limit;
    }
    return std::max(total, Amperes{0});
}

double relativeLight(Amperes current, Amperes wished) { return current.value() / wished.value(); }

Amperes darkBelow(Amperes wished) { return std::min(glowCurrent, wished / 20.0); }
Amperes glimmersBelow(Amperes wished) {
    return wished > Amperes{0} ? wished / 10.0 : Amperes{0.0005};
}

double unevenBuilds(const LampGroup& group, const GroupState& state) {
    // How much ln(current) of a row moves by itself: its forward volts and its resistor.
    struct Moves {
        double sigma = 0;
        double current = 0;
        LedFamily family{};
        bool backwards = false;
        bool operator==(const Moves&) const = default;
    };
    std::vector<Moves> rows;
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const RowState& row = state.rows[r];
        Moves made;
        if (row.connected && row.current > Amperes{0}) {
            made.family = group.rows[r].lamps.front().part.family;
            made.backwards = group.rows[r].backwards;
            made.current = row.current.value();
            const double resistor = group.rows[r].resistor.value_or(Ohms{0}).value();
            double slope = resistor;
            double volts = 0;
            for (const Lamp& lamp : group.rows[r].lamps) {
                if (lamp.parallel) continue;
                if (const auto lampLaw = law(lamp.part)) {
                    if (const auto* led = std::get_if<LedLaw>(&*lampLaw)) {
                        slope += led->slope(row.current).value();
                    }
                }
                if (!lamp.measured) volts += 0.05 * 0.05;
            }
            const double byVolts = std::sqrt(volts) / (made.current * slope);
            const double byResistor = resistor / slope * resistorTolerance(group) / std::sqrt(3.0);
            made.sigma = std::hypot(byVolts, byResistor);
            // A third of the same adds no pair that two do not make.
            if (std::count(rows.begin(), rows.end(), made) < 2) rows.push_back(made);
        }
    }
    const double visible = std::log(1.25);
    double worst = 0;
    for (std::size_t a = 0; a < rows.size(); ++a) {
        for (std::size_t b = a + 1; b < rows.size(); ++b) {
            // Only lamps of one kind are meant to match, where both are lit.
            if (rows[a].family != rows[b].family || rows[a].backwards != rows[b].backwards)
                continue;
            const double apart = std::log(rows[a].current / rows[b].current);
            const double sigma = std::max(std::hypot(rows[a].sigma, rows[b].sigma), 1e-9);
            const auto above = [&](double x) { return 0.5 * std::erfc(x / std::sqrt(2.0)); };
            worst = std::max(worst,
                             above((visible - apart) / sigma) + above((visible + apart) / sigma));
        }
    }
    return worst;
}

Text lightWords(double relative) {
    if (relative < 1e-3) return text("dark");
    if (relative > 4.0) return text("far brighter than wanted");
    if (relative > 2.0) return text("clearly brighter than wanted");
    if (relative > 1.5) return text("a little brighter than wanted");
    if (relative < 0.25) return text("far dimmer than wanted");
    if (relative < 0.5) return text("clearly dimmer than wanted");
    if (relative < 1 / 1.5) return text("a little dimmer than wanted");
    return text("as bright as wanted");
}

Text lightWords(const LampGroup& group, Amperes mean) {
    if (group.hasTarget()) return lightWords(relativeLight(mean, group.atFull()));
    const Amperes seen = mean * group.dimmed;
    if (seen < glowCurrent) return text("dark");
    if (seen < Amperes{0.0004}) return text("a faint glow");
    if (seen < Amperes{0.002}) return text("a gentle glow");
    if (seen < Amperes{0.01}) return text("bright");
    return text("very bright");
}

}  // namespace glimmet::core
