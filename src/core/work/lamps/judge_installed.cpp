#include "core/work/lamps/judge_installed.h"

#include "core/analysis/lamps/row_names.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/lamps/judge_return.h"

namespace glimmet::core::lamps {
namespace {

constexpr double meterAllows = 1.1;  ///< a reading beside the worst corners

std::vector<Figure> readAgainst(const RowState& made, const Measured<Amperes>& read) {
    return {figures::measured(text("Current read"), "I_read", read.value, read.on, {}),
            figures::computed(text("Lowest that it can be"), "I_low", made.lowest, "", {}),
            figures::computed(text("Highest that it can be"), "I_high", made.highest, "", {})};
}

/// Whether the output is one that what was worked out holds for: it switches to ground.
bool switches(const Job& job, const LampGroup& group) {
    const DecoderOutput* output = outputNamed(job, group.output);
    return !output || output->kind == OutputKind::LowSide ||
           (group.isBulbs() && output->kind == OutputKind::LampSupply);
}

void judgeRead(const LampGroup& group, std::size_t row, const GroupState& solved,
               Judging& judging) {
    const RowState& made = solved.rows[row];
    const auto& read = group.rows[row].installed.current;
    if (!read || !made.connected) return;
    const bool much = read->value > made.highest * meterAllows;
    const bool little = read->value * meterAllows < made.lowest;
    const bool burns = read->value > made.limit;
    // Less than a bare output gives is what a resistor on its board would do.
    const bool board = little && !solved.outputSeriesKnown;
    const State state = burns            ? State::Over
                        : board          ? State::Ask
                        : much || little ? State::Close
                                         : State::Fine;
    judging.say("lamp.read:" + rowId(group, row), subjectOf(group), state,
                burns ? Gravity::PartDestroyed : Gravity::WorksBadly, [&](Finding& finding) {
                    const std::string called = rowName(group, row);
                    const std::string start = atStart(called);
                    const std::string amps = formatted(read->value, 3);
                    if (burns) {
                        finding.sentence = text(
                            "%1 carries %2 where it bears %3: switch it off, and read the bands of "
                            "its resistor.",
                            start, amps, formatted(made.limit, 3));
                    } else if (much) {
                        finding.sentence = text(
                            "%1 carries %2 where no more than %3 can flow: its resistor is smaller "
                            "than on record, or its output gives more volts.",
                            start, amps, formatted(made.highest, 3));
                    } else if (board) {
                        finding.sentence = text(
                            "%1 carries %2 where a bare output would give it at least %3: output "
                            "%4 carries a resistor on its board.",
                            start, amps, formatted(made.lowest, 3), group.output);
                    } else if (little) {
                        finding.sentence = text(
                            "%1 carries %2 where at least %3 should flow: a second resistor, a bad "
                            "joint, or another LED than on record.",
                            start, amps, formatted(made.lowest, 3));
                    } else {
                        finding.sentence = text("%1 carries %2, as worked out.", start, amps);
                    }
                    if (board)
                        finding.action = text("look at the board of output %1", group.output);
                    else if (state != State::Fine)
                        finding.action = text("read the bands of %1", called);
                    finding.figures = readAgainst(made, *read);
                });
}

void judgeSeen(const Job& job, const LampGroup& group, std::size_t row, const RowState& made,
               Judging& judging) {
    const auto& seen = group.rows[row].installed.seen;
    if (!seen || !made.connected) return;
    const auto told = toldAs(group, row, [](const LampRow& one, const LampRow& other) {
        return one.installed.seen == other.installed.seen;
    });
    if (!told) return;
    const bool lit =
        group.isBulbs() ? made.light > 0 : made.current >= darkBelow(group.wish.target);
    // What stands before it is counted as less current, as where that is judged.
    const bool inTheLight =
        lit && perceivedBrightness(made.light * made.arrives) >= perceivedBrightness(glowCurrent);
    const bool missing = lit && *seen == SeenIn::Never;
    // A layout's lamps are looked at in the dark: that they are seen there is what is wanted.
    const bool faint = inTheLight && *seen == SeenIn::DarkRoom && !isStructure(job);
    const State state = missing ? State::Over : faint ? State::Close : State::Fine;
    judging.say(
        "lamp.seen:" + rowId(group, row), subjectOf(group), state,
        missing ? Gravity::DoesNotWork : Gravity::WorksBadly, [&](Finding& finding) {
            const std::string& called = *told;
            const std::string start = atStart(called);
            const std::string amps = formatted(made.current, 2);
            if (missing) {
                finding.sentence = text(
                    "%1 is not seen at all, and should carry %2: first the tester at "
                    "its leads, then its output.",
                    start, amps);
                finding.action = text("hold the tester to %1", called);
                finding.options.push_back(answer(text("It is seen now"), text("go on"), State::Fine,
                                                 "seen " + called + " lit-room"));
            } else if (faint) {
                finding.sentence = text(
                    "%1 is seen in a dark room only, and should carry %2: read its "
                    "current, or say what stands before it.",
                    start, amps);
                finding.action = text("read the current of %1", called);
                finding.options.push_back(answer(text("It is seen in a lit room too"),
                                                 text("as it should be"), State::Fine,
                                                 "seen " + called + " lit-room"));
            } else {
                finding.sentence =
                    *seen == SeenIn::LitRoom    ? text("%1 is seen in a lit room.", start)
                    : *seen == SeenIn::DarkRoom ? text("%1 is seen in a dark room.", start)
                                                : text("%1 is not seen, nor should it be.", start);
            }
        });
}

/// The row whose joints are least, and how many were noted.
struct LeastJoints {
    const LampGroup* group = nullptr;  ///< nullptr: none was noted
    std::size_t row = 0;
    std::size_t noted = 0, all = 0;
    [[nodiscard]] Joints how() const { return *group->rows[row].installed.joints; }
};
LeastJoints leastJoints(const Job& job) {
    LeastJoints least;
    for (const LampGroup& group : job.groups) {
        for (std::size_t row = 0; row < group.rows.size(); ++row) {
            ++least.all;
            const auto& joints = group.rows[row].installed.joints;
            if (!joints) continue;
            ++least.noted;
            if (least.group && *joints >= least.how()) continue;
            least.group = &group;
            least.row = row;
        }
    }
    return least;
}

void sayJoints(const Job& job, const LeastJoints& least, Finding& finding) {
    const bool whole = toldAs(*least.group, 0, [](const LampRow& one, const LampRow& other) {
                           return one.installed.joints == other.installed.joints;
                       }) == least.group->name;
    const std::string called = whole ? least.group->name : rowName(*least.group, least.row);
    const bool stands = isStructure(job);
    const auto next = [&](Text what, const char* word) {
        finding.options.push_back(
            answer(std::move(what), text("go on"), State::Fine, "joint " + called + " " + word));
    };
    switch (least.how()) {
        case Joints::Twisted:
            finding.sentence = text(
                "%1 is only twisted together: solder it, or sleeve it tight where only lamp "
                "current flows.",
                atStart(called));
            finding.action = text("solder %1", called);
            return next(text("It is soldered and sleeved"), "sleeved");
        case Joints::Tacked:
            finding.sentence =
                stands ? text("%1 is only tacked: solder and sleeve it before it is closed up.",
                              atStart(called))
                       : text("%1 is only tacked: solder and sleeve it before the body goes on.",
                              atStart(called));
            finding.action = text("solder %1", called);
            return next(text("It is soldered and sleeved"), "sleeved");
        case Joints::Soldered:
            finding.sentence =
                stands ? text(
                             "The joints of %1 are bare: where they touch, they short the supply. "
                             "Sleeve them.",
                             called)
                       : text(
                             "The joints of %1 are bare: one touch of the frame, and its output is "
                             "gone. Sleeve them.",
                             called);
            finding.action = text("sleeve the joints of %1", called);
            return next(text("They are sleeved"), "sleeved");
        case Joints::Sleeved:
            finding.sentence =
                stands
                    ? text("Light %1 from its own supply once, before it is closed up.", called)
                    : text("Light %1 from its own output once, before the body goes on.", called);
            finding.action = text("light %1", called);
            return next(text("It lights"), "proved");
        case Joints::Proved:
            finding.sentence = text("Joints of %1 of %2 lamps are proved.",
                                    std::to_string(least.noted), std::to_string(least.all));
            return;
    }
}

void judgeJoints(const Job& job, Judging& judging) {
    const LeastJoints least = leastJoints(job);
    if (!least.group) return;
    const Joints how = least.how();
    const State state = how == Joints::Proved    ? State::Fine
                        : how == Joints::Sleeved ? State::Ask
                                                 : State::Close;
    judging.say("lamp.joints", {}, state,
                how == Joints::Sleeved ? Gravity::CouldBeBetter : Gravity::WorksBadly,
                [&](Finding& finding) { sayJoints(job, least, finding); });
}

}  // namespace

void judgeInstalled(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    for (std::size_t g = 0; g < job.groups.size(); ++g) {
        if (!facts.groups[g] || !switches(job, job.groups[g])) continue;
        for (std::size_t row = 0; row < job.groups[g].rows.size(); ++row) {
            judgeRead(job.groups[g], row, *facts.groups[g], judging);
            judgeSeen(job, job.groups[g], row, facts.groups[g]->rows[row], judging);
        }
    }
    judgeJoints(job, judging);
    judgeReturns(facts, judging);
}

}  // namespace glimmet::core::lamps
