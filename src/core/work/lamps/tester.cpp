#include "core/work/lamps/tester.h"

#include "core/analysis/lamps/row_names.h"
#include "core/finding/answer.h"
#include "core/led/lamp_circuit.h"
#include "core/quantity/format.h"

namespace glimmet::core::lamps {
namespace {

constexpr Amperes litFrom{0.001};

struct TesterVerdict {
    State state{};
    Gravity gravity{};
};
/// Eyes part lit from dim and dim from dark at a current that is good to a factor of two.
bool agrees(TesterLook seen, Amperes current) {
    switch (seen) {
        case TesterLook::Lit:
            return current >= litFrom / 2.0;
        case TesterLook::Dim:
            return current >= glowCurrent / 2.0 && current < litFrom * 2.0;
        case TesterLook::Dark:
            return current < glowCurrent * 2.0;
        case TesterLook::Reversed:
            break;
    }
    return false;
}
TesterVerdict verdictOf(TesterLook seen, Amperes current) {
    if (agrees(seen, current)) return {State::Fine, Gravity::CouldBeBetter};
    if (seen == TesterLook::Reversed) return {State::Close, Gravity::DoesNotWork};
    if (seen == TesterLook::Dark) return {State::Over, Gravity::DoesNotWork};
    return {State::Close, Gravity::WorksBadly};
}

/// What could be said instead, of the same tester at the same points.
struct Again {
    Finding& finding;
    const std::string& row;
    const Tester& tester;
    void operator()(Text what, Text effect, State state, const char* look) const {
        finding.options.push_back(
            answer(std::move(what), std::move(effect), state, testerJot(row, look, tester)));
    }
};

/// Why nothing is to be seen of a row.
enum class KeptDark { Volts, Turned, Neighbours };
KeptDark keptDark(const LampGroup& group, std::size_t row, const Tester& tester) {
    if (!tester.others) return KeptDark::Volts;
    if (group.rows[row].backwards) return KeptDark::Turned;
    Tester alone = tester;
    alone.others = false;
    alone.resistor = true;
    const auto current = atTester(group, row, alone);
    return current && expectedLook(*current) != TesterLook::Dark ? KeptDark::Neighbours
                                                                 : KeptDark::Volts;
}

void sayWhy(const LampGroup& group, std::size_t at, Amperes current, const Again& again,
            Finding& finding) {
    const Tested& tested = *group.rows[at].tested;
    const TesterLook seen = tested.look;
    const Tester& tester = tested.with;
    const std::string row = rowName(group, at);
    const std::string start = atStart(row);
    const std::string should = formatted(current, 2);
    const Text with = called(tester);
    if (agrees(seen, current) && seen == TesterLook::Dark) {
        switch (keptDark(group, at, tester)) {
            case KeptDark::Volts:
                finding.sentence =
                    text("%1 is dark at %2, and should be: its LEDs need more volts.", start, with);
                return;
            case KeptDark::Turned:
                finding.sentence = text(
                    "%1 is dark at %2, and should be: it stands the other way round.", start, with);
                return;
            case KeptDark::Neighbours:
                finding.sentence = text(
                    "%1 is dark at %2 on the wires of its group, and should be: its neighbours "
                    "take what comes.",
                    start, with);
                return;
        }
    }
    if (agrees(seen, current)) {
        finding.sentence =
            tester.kind == TesterKind::Cell && !tester.resistor && !tester.others
                ? text(
                      "%1 shows at %2 what it should: %3. The cell's own ohms stand in for a "
                      "resistor there; on any supply it needs one.",
                      start, with, should)
                : text("%1 shows at %2 what it should: %3.", start, with, should);
        return;
    }
    switch (seen) {
        case TesterLook::Reversed:
            finding.sentence = text(
                "%1 lights the other way round: its leads are swapped. Swap them where they are "
                "joined.",
                start);
            finding.action = text("swap the leads of %1", row);
            again(text("They are swapped"), text("it lights as it should"), State::Fine, "lit");
            return;
        case TesterLook::Dark:
            finding.sentence =
                tester.kind == TesterKind::Cell
                    ? text(
                          "%1 is dark at %2, where it should take %3: first try another lamp, the "
                          "cell may be flat; then the other way round; dark both ways it is open, "
                          "first a joint, then the LED.",
                          start, with, should)
                    : text(
                          "%1 is dark at %2, where it should take %3: try it the other way round; "
                          "dark both ways it is open, first a joint, then the LED.",
                          start, with, should);
            finding.action = text("turn the tester round at %1", row);
            again(text("It lights the other way round"), text("its leads are swapped"),
                  State::Close, "reversed");
            again(text("It lights, with a new joint or a new LED"), text("go on"), State::Fine,
                  "lit");
            return;
        case TesterLook::Dim:
            finding.sentence =
                tester.resistor || tester.others
                    ? text(
                          "%1 is dim at %2, where it should take %3: its resistor is larger than "
                          "on record, or a second one sits under a sleeve. Read its bands.",
                          start, with, should)
                    : text(
                          "%1 is dim at %2, where it should take %3: a resistor is hidden in it, "
                          "or it is another part. Read it at two voltages: wired %4 …",
                          start, with, should, row);
            finding.action = tester.resistor || tester.others
                                 ? text("read the bands of the resistor of %1", row)
                                 : text("read %1 at two voltages", row);
            again(text("It is bright after all"), text("as it should be"), State::Fine, "lit");
            return;
        case TesterLook::Lit:
            finding.sentence =
                tester.resistor || tester.others
                    ? text(
                          "%1 lights at %2, where it should show no more than %3: its resistor is "
                          "smaller than on record, or bridged.",
                          start, with, should)
                    : text(
                          "%1 lights at %2, where it should show no more than %3: it is not what "
                          "stands in the record.",
                          start, with, should);
            finding.action = tester.resistor || tester.others
                                 ? text("read the bands of the resistor of %1", row)
                                 : text("say what %1 is", row);
            return;
    }
}

void judgeRow(const LampGroup& group, std::size_t row, Judging& judging) {
    const auto& tested = group.rows[row].tested;
    if (!tested) return;
    const auto told = toldAs(group, row, [](const LampRow& one, const LampRow& other) {
        return one.tested == other.tested;
    });
    if (!told) return;
    const auto current = atTester(group, row, tested->with);
    if (!current) return;
    const TesterVerdict verdict = verdictOf(tested->look, *current);
    judging.say(
        "lamp.tested:" + rowId(group, row), subjectOf(group), verdict.state, verdict.gravity,
        [&](Finding& finding) {
            const std::string& name = *told;
            sayWhy(group, row, *current, {finding, name, tested->with}, finding);
            const TesterLaw law = lawOf(tested->with);
            const Text at = called(tested->with);
            const Text usual = text("usual of %1", at);
            const bool limited = law.limit && *current >= *law.limit;
            finding.figures = {
                limited
                    ? figures::computed(
                          text("At %1", at), "I_tester", *current, "I_most",
                          {figures::assumed(text("It lets through"), "I_most", *law.limit, usual)})
                    : figures::computed(
                          text("At %1", at), "I_tester", *current,
                          tested->with.others ? "" : "(V_open − V_led) / R_tester",
                          {figures::assumed(text("Its open volts"), "V_open", law.open, usual),
                           figures::assumed(text("Behind them"), "R_tester", law.behind, usual)})};
        });
}

}  // namespace

TesterLaw lawOf(const Tester& tester) {
    switch (tester.kind) {
        case TesterKind::Block:
            break;
        case TesterKind::Cell:
            return {Volts{3.0}, Ohms{15}, {}};
        case TesterKind::DiodeTest:
            return {Volts{3.0}, Ohms{1000}, {}};
        case TesterKind::Supply:
            return {tester.volts.value_or(usualSupply), Ohms{1}, Amperes{0.020}};
    }
    return {Volts{9}, Ohms{1000}, {}};
}

Text called(const Tester& tester) {
    switch (tester.kind) {
        case TesterKind::Block:
            break;
        case TesterKind::Cell:
            return text("a 3 V cell");
        case TesterKind::DiodeTest:
            return text("the meter's diode test");
        case TesterKind::Supply:
            return text("a supply at %1", formatted(tester.volts.value_or(usualSupply)));
    }
    return text("the 9 V tester");
}

Result<Amperes> atTester(const LampGroup& group, std::size_t row, const Tester& tester,
                         bool backwards) {
    const LampRow& held = group.rows[row];
    const TesterLaw with = lawOf(tester);
    if ((tester.resistor || tester.others) && !held.resistor) return Amperes{0};
    // By itself a row is held plus to plus; on the wires of its group as it stands there.
    if (backwards != (tester.others && held.backwards)) return Amperes{0};
    LampCircuit circuit;
    circuit.common = with.behind;
    const auto add = [&](const LampRow& joined, Ohms resistor) -> Result<void> {
        LampString& made = circuit.strings.emplace_back();
        made.resistor = resistor;
        for (const Lamp& lamp : joined.lamps) {
            const auto lampLaw = law(lamp.part);
            if (!lampLaw) return tl::unexpected(lampLaw.error());
            made.lamps.push_back(*lampLaw);
            made.parallel.push_back(lamp.parallel);
        }
        return {};
    };
    std::size_t at = 0;
    if (tester.others) {
        circuit.common += group.shared();
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            const LampRow& each = group.rows[r];
            if (!each.resistor || each.backwards != backwards) continue;
            if (r == row) at = circuit.strings.size();
            if (const auto added = add(each, *each.resistor); !added)
                return tl::unexpected(added.error());
        }
    } else {
        const Ohms resistor = tester.resistor ? *held.resistor + group.shared() : Ohms{0};
        if (const auto added = add(held, resistor); !added) return tl::unexpected(added.error());
    }
    return solved(circuit, with.open).map([&](const LampSolution& solution) {
        // A supply that limits lets each row have its share of what comes.
        const double share =
            with.limit && solution.total > *with.limit ? (*with.limit / solution.total).value() : 1;
        return solution.current[at] * share;
    });
}

std::string testerJot(const std::string& row, std::string_view look, const Tester& tester) {
    std::string line = "tester " + row + " " + std::string(look);
    if (tester.kind != TesterKind::Block) line += " at " + std::string(name(tester.kind));
    if (tester.kind == TesterKind::Supply)
        line += " " + formatted(tester.volts.value_or(usualSupply), 6);
    return line + (tester.resistor ? " with resistor" : tester.others ? " with others" : "");
}

std::vector<TesterLine> testerLines(const LampGroup& group, Volts supply) {
    std::vector<TesterLine> lines;
    if (group.isBulbs()) return lines;
    for (std::size_t row = 0; row < group.rows.size(); ++row) {
        const auto& tested = group.rows[row].tested;
        const bool several = group.rows.size() > 1 && !group.driver();
        for (const Tester& held :
             {Tester{}, Tester{{}, {}, true, false}, Tester{{}, {}, false, true}}) {
            if (held.resistor && !(group.rows[row].resistor.value_or(Ohms{0}) > Ohms{0})) continue;
            if (held.others && !(several && group.rows[row].resistor)) continue;
            TesterLine line{rowName(group, row), held.resistor, held.others, {}};
            for (const TesterKind kind :
                 {TesterKind::Block, TesterKind::Cell, TesterKind::DiodeTest, TesterKind::Supply}) {
                Tester with = held;
                with.kind = kind;
                if (kind == TesterKind::Supply) with.volts = supply;
                const auto current = atTester(group, row, with);
                if (!current) return {};
                const auto back = atTester(group, row, with, true);
                if (!back) return {};
                TesterLine::Cell cell{with, *current,   expectedLook(*current), expectedLook(*back),
                                      {},   State::Fine};
                if (tested && tested->with == with) {
                    cell.seen = tested->look;
                    cell.state = verdictOf(tested->look, cell.current).state;
                }
                line.cells.push_back(cell);
            }
            lines.push_back(std::move(line));
        }
    }
    return lines;
}

TesterLook expectedLook(Amperes current) {
    return current >= litFrom       ? TesterLook::Lit
           : current >= glowCurrent ? TesterLook::Dim
                                    : TesterLook::Dark;
}

void judgeTested(const JobAnalysis& facts, Judging& judging) {
    for (const LampGroup& group : facts.job.groups) {
        for (std::size_t row = 0; row < group.rows.size(); ++row) judgeRow(group, row, judging);
    }
}

}  // namespace glimmet::core::lamps
