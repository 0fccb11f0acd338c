#include "core/analysis/lamps/tester.h"

#include "core/analysis/lamps/row_names.h"
#include "core/led/lamp_circuit.h"
#include "core/quantity/format.h"

namespace glimmet::core::lamps {
namespace {

constexpr Amperes litFrom{0.001};

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

}  // namespace

TesterVerdict testerVerdict(TesterLook seen, Amperes current) {
    if (agrees(seen, current)) return {State::Fine, Gravity::CouldBeBetter};
    if (seen == TesterLook::Reversed) return {State::Close, Gravity::DoesNotWork};
    if (seen == TesterLook::Dark) return {State::Over, Gravity::DoesNotWork};
    return {State::Close, Gravity::WorksBadly};
}

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
                    cell.state = testerVerdict(tested->look, cell.current).state;
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

}  // namespace glimmet::core::lamps
