#include "core/work/lamps/judge_return.h"

#include "core/analysis/lamps/row_names.h"
#include "core/analysis/motor_evidence.h"
#include "core/finding/answer.h"
#include "core/jot/token.h"

#include <algorithm>

namespace glimmet::core::lamps {
namespace {

constexpr std::string_view railWords[] = {"rail",  "frame", "chassis", "track",
                                          "wheel", "axle",  "pickup",  "metal"};

/// Whether what a lead joins is a rail, or may be one: frame, chassis, wheels.
bool onRails(const std::optional<Lead>& lead) {
    if (!lead) return false;
    const std::string to = lowered(lead->to);
    return std::any_of(std::begin(railWords), std::end(railWords),
                       [&](std::string_view word) { return to.find(word) != std::string::npos; });
}

std::string colourOf(const std::optional<Lead>& lead) {
    return lead && !lead->colour.empty() ? lead->colour : "bare";
}

}  // namespace

void judgeReturns(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    const bool decoder = job.decoder || (isDigital(job.feed) && !motorsOf(job).empty());
    if (!decoder) return;
    for (const LampGroup& group : job.groups) {
        if (group.output == supplyOutput) continue;
        for (std::size_t i = 0; i < group.rows.size(); ++i) {
            const LampRow& row = group.rows[i];
            const bool plus = onRails(row.installed.plus), minus = onRails(row.installed.minus);
            if (!plus && !minus) continue;
            // From the common past its output, or through what conducts both ways.
            const bool past = minus || row.isBulbs();
            const std::string called = rowName(group, i);
            judging.say(
                "lamp.return:" + rowId(group, i), subjectOf(group),
                past ? State::Over : State::Close,
                past ? Gravity::PartDestroyed : Gravity::WorksBadly, [&](Finding& finding) {
                    const std::string& to = (minus ? row.installed.minus : row.installed.plus)->to;
                    finding.sentence =
                        minus ? text(
                                    "%1 returns through %2, past output %3: it lights half the "
                                    "time, no key turns it off, and current flows past the "
                                    "decoder's rectifier.",
                                    atStart(called), to, group.output)
                        : past ? text(
                                     "%1 hangs between %2 and output %3: a bulb conducts both "
                                     "ways, so current flows past the decoder's rectifier.",
                                     atStart(called), to, group.output)
                               : text(
                                     "%1 is fed from %2: it lights half the time, flickers on "
                                     "dirty track, and the stay-alive does not carry it.",
                                     atStart(called), to);
                    const bool isPlus = !minus;
                    const std::string end = isPlus ? "common" : "output " + group.output;
                    finding.action = isPlus ? text("join %1 to the blue common wire", called)
                                            : text("join %1 to output %2", called, group.output);
                    finding.options = {
                        answer(isPlus ? text("Its plus is on the blue common now")
                                      : text("Its minus is on output %1 now", group.output),
                               text("the decoder feeds it"), State::Fine,
                               "leads " + called + (isPlus ? " plus " : " minus ") +
                                   colourOf(isPlus ? row.installed.plus : row.installed.minus) +
                                   " to " + end)};
                });
        }
    }
}

}  // namespace glimmet::core::lamps
