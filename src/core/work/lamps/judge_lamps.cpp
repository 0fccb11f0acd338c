// Checks of the lamp circuits.
#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamps/row_names.h"
#include "core/work/lamps/judge_battery.h"
#include "core/work/lamps/judge_board_output.h"
#include "core/work/lamps/judge_bulbs.h"
#include "core/work/lamps/judge_driver.h"
#include "core/work/lamps/judge_feed.h"
#include "core/work/lamps/judge_group.h"
#include "core/work/lamps/judge_installed.h"
#include "core/work/lamps/judge_output.h"
#include "core/work/lamps/judge_package.h"
#include "core/work/lamps/judge_part.h"
#include "core/work/lamps/judge_path.h"
#include "core/work/lamps/judge_reverse.h"
#include "core/work/lamps/judge_row.h"
#include "core/work/lamps/judge_supply.h"
#include "core/work/lamps/judge_tested.h"
#include "core/work/lamps/lamps.h"
#include "core/work/lamps/row_verdict.h"

#include <algorithm>

namespace glimmet::core::lamps {

bool applies(const Job&) { return true; }

// Once the work is past it, there are to be none.
Idle idle(const Job& job) {
    if (!job.groups.empty()) return {};
    return {text("no lamps yet"), !job.steps.empty() || !job.handOver.on.empty()};
}

namespace {

/// What all outputs carry together, by what their boards may carry.
struct OutputsSum {
    Amperes least{0}, most{0};
    void add(const LampGroup& group, const GroupState& lessIfSo, const GroupState& moreIfSo) {
        if (group.output == supplyOutput) return;
        least += lastingTotal(lessIfSo);
        most += lastingTotal(moreIfSo);
    }
};

void sayUnsolved(const LampGroup& group, const Error& error, Judging& judging) {
    judging.say("lamp.data:" + group.id, subjectOf(group), State::Ask, Gravity::DoesNotWork,
                [&](Finding& finding) {
                    finding.sentence =
                        text("%1 cannot be worked out: %2", atStart(group.name), error.what);
                    finding.action = text("measure the lamp of %1", group.name);
                });
}

/// Each row; rows unlike each other that wait for a resistor are each asked about once.
void judgeRows(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
               const std::vector<BoardCase>& cases, Judging& judging) {
    bool asked = false;
    std::vector<std::size_t> waiting;
    RowsTogether together(group, state);
    for (std::size_t row = 0; row < group.rows.size(); ++row) {
        if (!cases.empty() && !sameOnEveryBoard(cases, row)) {
            if (!asked) judgeOutput(group, cases, row, judging);
            asked = true;
            continue;
        }
        if (!state.rows[row].connected && cases.empty()) {
            const bool again = std::any_of(waiting.begin(), waiting.end(), [&](std::size_t before) {
                return sameLamps(group.rows[before], group.rows[row]);
            });
            if (again) continue;
            waiting.push_back(row);
        }
        judgeRow(facts, group, row, state,
                 cases.empty() ? std::nullopt : std::optional(anywayWords(group, cases, row)),
                 together, judging);
    }
}

/// A group of LEDs behind resistors.
void judgeResistors(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                    bool otherKind, OutputsSum& sum, Judging& judging) {
    std::vector<BoardCase> cases;
    if (!state.outputSeriesKnown && outputNamed(facts.job, group.output) && !otherKind)
        cases = boardCases(facts, group);
    sum.add(group, cases.empty() ? state : cases.back().state,
            cases.empty() ? state : cases.front().state);
    if (otherKind) return;
    judgeRows(facts, group, state, cases, judging);
    if (!cases.empty()) return;
    judgeGroup(group, state, judging);
    judgeOutputLoad(facts, group, state, judging);
    judgeOneFailed(facts, group, state, judging);
    judgePackages(group, state, judging);
    judgeLight(group, state, judging);
}

void judgeGroupOf(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                  OutputsSum& sum, Judging& judging) {
    judgeContact(facts, group, state, judging);
    judgeDimmed(group, state, judging);
    judgeBores(facts, group, judging);
    judgeAcross(group, state, judging);
    judgeLots(group, judging);
    // What bulbs and driven rows take does not hang on what the board carries.
    const auto loaded = [&] {
        judgeLight(group, state, judging);
        judgeOutputLoad(facts, group, state, judging);
        sum.add(group, state, state);
    };
    if (group.isBulbs()) {
        // A bulb lights either way round, and an output of 1.5 V is made for it.
        const DecoderOutput* output = outputNamed(facts.job, group.output);
        const bool made = output && output->kind == OutputKind::LampSupply;
        if (!made && judgeOutputKind(facts, group, state, judging)) return;
        judgeBulbs(facts, group, state, judging);
        return loaded();
    }
    judgeReverse(facts, group, state, judging);
    judgePair(facts, group, state, judging);
    judgeBlinkers(facts, group, judging);
    const bool otherKind = judgeOutputKind(facts, group, state, judging);
    if (!group.driver()) return judgeResistors(facts, group, state, otherKind, sum, judging);
    if (otherKind) return;
    judgeDriver(facts, group, state, judging);
    loaded();
}

}  // namespace

void judge(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    judgeSmoothing(facts, judging);
    OutputsSum sum;
    for (std::size_t g = 0; g < job.groups.size(); ++g) {
        std::optional<LampGroup> kept;
        const LampGroup& group = asDriven(job, job.groups[g], kept);
        const Result<GroupState>& state = facts.groups[g];
        if (state)
            judgeGroupOf(facts, group, *state, sum, judging);
        else
            sayUnsolved(group, state.error(), judging);
    }
    // Of findings alike what was worked out leads, with its figures; what was seen stands below.
    judgeTested(facts, judging);
    judgeInstalled(facts, judging);
    judgeBattery(facts, judging);
    judgeSupply(facts, judging);
    judgeOutputsTotal(facts, sum.least, sum.most, judging);
}

}  // namespace glimmet::core::lamps
