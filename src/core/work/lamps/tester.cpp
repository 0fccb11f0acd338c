#include "core/work/lamps/tester.h"

#include "core/finding/answer.h"
#include "core/led/lamp_circuit.h"
#include "core/quantity/format.h"
#include "core/work/lamps/row_names.h"

namespace glimmet::core::lamps {
namespace {

constexpr Amperes litFrom{0.001};

struct TesterVerdict {
    State state{};
    Gravity gravity{};
};
TesterVerdict verdictOf(TesterLook seen, TesterLook expected) {
    if (seen == expected) return {State::Fine, Gravity::CouldBeBetter};
    if (seen == TesterLook::Reversed) return {State::Close, Gravity::DoesNotWork};
    if (seen == TesterLook::Dark) return {State::Over, Gravity::DoesNotWork};
    return {State::Close, Gravity::WorksBadly};
}

void judgeRow(const LampGroup& group, std::size_t row, Judging& judging) {
    const auto& tested = group.rows[row].tested;
    const auto current = atTester(group.rows[row]);
    if (!tested || !current) return;
    const TesterLook expected = expectedLook(*current);
    const TesterVerdict verdict = verdictOf(tested->look, expected);
    const std::string called = rowName(group, row);
    judging.say(
        "lamp.tested:" + rowId(group, row), subjectOf(group), verdict.state, verdict.gravity,
        [&](Finding& finding) {
            const std::string should = formatted(*current, 2);
            const auto again = [&](Text what, Text effect, State state, const char* look) {
                finding.options.push_back(answer(std::move(what), std::move(effect), state,
                                                 "tester " + called + " " + look));
            };
            if (tested->look == expected) {
                finding.sentence = expected == TesterLook::Dark
                                       ? text(
                                             "%1 is dark at the 9 V tester, and should be: its "
                                             "LEDs need more volts.",
                                             atStart(called))
                                       : text("%1 shows at the 9 V tester what it should: %2.",
                                              atStart(called), should);
            } else if (tested->look == TesterLook::Reversed) {
                finding.sentence = text(
                    "%1 lights the other way round: its leads are swapped. Swap them where they "
                    "are joined.",
                    atStart(called));
                finding.action = text("swap the leads of %1", called);
                again(text("They are swapped"), text("it lights as it should"), State::Fine, "lit");
            } else if (tested->look == TesterLook::Dark) {
                finding.sentence = text(
                    "%1 is dark at the 9 V tester, where it should take %2: try it the other way "
                    "round; dark both ways it is open, first a joint, then the LED.",
                    atStart(called), should);
                finding.action = text("turn the tester round at %1", called);
                again(text("It lights the other way round"), text("its leads are swapped"),
                      State::Close, "reversed");
                again(text("It lights, with a new joint or a new LED"), text("go on"), State::Fine,
                      "lit");
            } else if (tested->look == TesterLook::Dim) {
                finding.sentence = text(
                    "%1 is dim at the 9 V tester, where it should take %2: a resistor is hidden in "
                    "it, or it is another part. Read it at two voltages: wired %3 …",
                    atStart(called), should, called);
                finding.action = text("read %1 at two voltages", called);
                again(text("It is bright after all"), text("as it should be"), State::Fine, "lit");
            } else {
                finding.sentence = text(
                    "%1 lights at the 9 V tester, where it should show no more than %2: it is not "
                    "what stands in the record.",
                    atStart(called), should);
                finding.action = text("say what %1 is", called);
            }
            finding.figures = {figures::computed(text("At the 9 V tester"), "I_tester", *current,
                                                 "(9 V − V_led) / 1 kΩ", {})};
        });
}

}  // namespace

Result<Amperes> atTester(const LampRow& row) {
    LampCircuit circuit;
    circuit.common = testerResistor;
    circuit.strings.emplace_back();
    for (const Lamp& lamp : row.lamps) {
        const auto lampLaw = law(lamp.part);
        if (!lampLaw) return tl::unexpected(lampLaw.error());
        circuit.strings.front().lamps.push_back(*lampLaw);
    }
    return solved(circuit, testerVolts).map([](const LampSolution& solution) {
        return solution.total;
    });
}

TesterLook expectedLook(Amperes current) {
    return current >= litFrom       ? TesterLook::Lit
           : current >= glowCurrent ? TesterLook::Dim
                                    : TesterLook::Dark;
}

void judgeTested(const Reckoned& facts, Judging& judging) {
    for (const LampGroup& group : facts.job.groups) {
        for (std::size_t row = 0; row < group.rows.size(); ++row) judgeRow(group, row, judging);
    }
}

}  // namespace glimmet::core::lamps
