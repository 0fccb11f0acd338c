#include "core/work/lamps/judge_tested.h"

#include "core/analysis/lamps/row_names.h"
#include "core/analysis/lamps/tester.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"

namespace glimmet::core::lamps {
namespace {

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

/// A row at a tester and what its sentence is made of.
struct AtTester {
    const LampGroup& group;
    std::size_t at;
    const Tester& tester;
    std::string row, start;  ///< its name; the same at the start of a sentence
    std::string should;      ///< what it should take
    Text with;               ///< "a 3 V cell"
    /// Held with more than its lamps: what is seen is of its resistor too.
    [[nodiscard]] bool more() const { return tester.resistor || tester.others; }
};

void sayAsItShould(const AtTester& of, TesterLook seen, Finding& finding) {
    if (seen != TesterLook::Dark) {
        finding.sentence =
            of.tester.kind == TesterKind::Cell && !of.more()
                ? text(
                      "%1 shows at %2 what it should: %3. The cell's own ohms stand in for a "
                      "resistor there; on any supply it needs one.",
                      of.start, of.with, of.should)
                : text("%1 shows at %2 what it should: %3.", of.start, of.with, of.should);
        return;
    }
    switch (keptDark(of.group, of.at, of.tester)) {
        case KeptDark::Volts:
            finding.sentence = text("%1 is dark at %2, and should be: its LEDs need more volts.",
                                    of.start, of.with);
            return;
        case KeptDark::Turned:
            finding.sentence =
                text("%1 is dark at %2, and should be: it stands the other way round.", of.start,
                     of.with);
            return;
        case KeptDark::Neighbours:
            finding.sentence = text(
                "%1 is dark at %2 on the wires of its group, and should be: its neighbours take "
                "what comes.",
                of.start, of.with);
            return;
    }
}

void sayReversed(const AtTester& of, const Again& again, Finding& finding) {
    finding.sentence = text(
        "%1 lights the other way round: its leads are swapped. Swap them where they are joined.",
        of.start);
    finding.action = text("swap the leads of %1", of.row);
    again(text("They are swapped"), text("it lights as it should"), State::Fine, "lit");
}

void sayDark(const AtTester& of, const Again& again, Finding& finding) {
    finding.sentence =
        of.tester.kind == TesterKind::Cell
            ? text(
                  "%1 is dark at %2, where it should take %3: first try another lamp, the cell may "
                  "be flat; then the other way round; dark both ways it is open, first a joint, "
                  "then the LED.",
                  of.start, of.with, of.should)
            : text(
                  "%1 is dark at %2, where it should take %3: try it the other way round; dark "
                  "both ways it is open, first a joint, then the LED.",
                  of.start, of.with, of.should);
    finding.action = text("turn the tester round at %1", of.row);
    again(text("It lights the other way round"), text("its leads are swapped"), State::Close,
          "reversed");
    again(text("It lights, with a new joint or a new LED"), text("go on"), State::Fine, "lit");
}

void sayDim(const AtTester& of, const Again& again, Finding& finding) {
    finding.sentence =
        of.more() ? text(
                        "%1 is dim at %2, where it should take %3: its resistor is larger than on "
                        "record, or a second one sits under a sleeve. Read its bands.",
                        of.start, of.with, of.should)
                  : text(
                        "%1 is dim at %2, where it should take %3: a resistor is hidden in it, or "
                        "it is another part. Read it at two voltages: wired %4 …",
                        of.start, of.with, of.should, of.row);
    finding.action = of.more() ? text("read the bands of the resistor of %1", of.row)
                               : text("read %1 at two voltages", of.row);
    again(text("It is bright after all"), text("as it should be"), State::Fine, "lit");
}

void sayLit(const AtTester& of, Finding& finding) {
    finding.sentence =
        of.more() ? text(
                        "%1 lights at %2, where it should show no more than %3: its resistor is "
                        "smaller than on record, or bridged.",
                        of.start, of.with, of.should)
                  : text(
                        "%1 lights at %2, where it should show no more than %3: it is not what "
                        "stands in the record.",
                        of.start, of.with, of.should);
    finding.action = of.more() ? text("read the bands of the resistor of %1", of.row)
                               : text("say what %1 is", of.row);
}

void sayWhy(const LampGroup& group, std::size_t at, Amperes current, const Again& again,
            Finding& finding) {
    const Tested& tested = *group.rows[at].tested;
    const std::string row = rowName(group, at);
    const AtTester of{
        group, at, tested.with, row, atStart(row), formatted(current, 2), called(tested.with)};
    if (testerVerdict(tested.look, current).state == State::Fine)
        return sayAsItShould(of, tested.look, finding);
    switch (tested.look) {
        case TesterLook::Reversed:
            return sayReversed(of, again, finding);
        case TesterLook::Dark:
            return sayDark(of, again, finding);
        case TesterLook::Dim:
            return sayDim(of, again, finding);
        case TesterLook::Lit:
            return sayLit(of, finding);
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
    const TesterVerdict verdict = testerVerdict(tested->look, *current);
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

void judgeTested(const JobAnalysis& facts, Judging& judging) {
    for (const LampGroup& group : facts.job.groups) {
        for (std::size_t row = 0; row < group.rows.size(); ++row) judgeRow(group, row, judging);
    }
}

}  // namespace glimmet::core::lamps
