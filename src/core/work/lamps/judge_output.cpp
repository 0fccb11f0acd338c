#include "core/work/lamps/judge_output.h"

#include "core/analysis/lamps/row_names.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/lamps/judge_group.h"
#include "core/work/lamps/less_current.h"

#include <algorithm>
#include <numeric>

namespace glimmet::core::lamps {

bool judgeOutputKind(const JobAnalysis& facts, const LampGroup& group, const GroupState&,
                     Judging& judging) {
    const Job& job = facts.job;
    const DecoderOutput* output = outputNamed(job, group.output);
    if (!output || output->kind == OutputKind::LowSide) return false;
    const auto say = [&](State verdict, Gravity gravity, Text sentence, Text action) {
        judging.say("lamp.output-kind:" + group.id, subjectOf(group), verdict, gravity,
                    [&](Finding& finding) {
                        finding.sentence = std::move(sentence);
                        finding.action = std::move(action);
                        if (verdict == State::Over)
                            finding.options = movesToFree(job, group, Amperes{0},
                                                          text("that one switches to ground"));
                    });
    };
    switch (output->kind) {
        case OutputKind::LogicLevel:
            say(State::Over, Gravity::DoesNotWork,
                text("Output %1 is a signal: it lights no lamp and can be hurt by one. %2 needs "
                     "another output, or a transistor behind it.",
                     group.output, atStart(group.name)),
                text("move %1 to another output", group.name));
            return true;
        case OutputKind::LampSupply:
            say(State::Over, Gravity::DoesNotWork,
                text("Output %1 gives 1.5 V for filament lamps: no LED lights on it. %2 needs "
                     "another output.",
                     group.output, atStart(group.name)),
                text("move %1 to another output", group.name));
            return true;
        case OutputKind::ConstantCurrent:
            if (output->limit) return false;  // solved and judged as a driver
            say(State::Ask, Gravity::PartDestroyed,
                text("Output %1 sets the current of %2 itself: look what it is set to.",
                     group.output, group.name),
                text("the current that output %1 is set to", group.output));
            return true;
        case OutputKind::Unknown:
        case OutputKind::LowSide:
            break;
    }
    say(State::Ask, Gravity::DoesNotWork,
        text("Output %1 is of an unknown kind: what is worked out for %2 holds for an output that "
             "switches to ground. Measure before you trust it.",
             group.output, group.name),
        text("find out what output %1 does", group.output));
    return false;
}

void judgeOutputLoad(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                     Judging& judging) {
    const Job& job = facts.job;
    if (const DecoderOutput* output = outputNamed(job, group.output)) {
        if (!output->limit) return judgeUnmarked(group, state, judging);
        const Amperes limit = *output->limit;
        // What burns says so by itself, and is gone before its output suffers.
        const Amperes takes = lastingTotal(state);
        const State load = stateAgainst(takes.value(), limit.value(), lampCloseAbove);
        if (load != State::Fine) {
            judging.say(
                "lamp.output-current:" + group.id, subjectOf(group), load, Gravity::PartDestroyed,
                [&](Finding& finding) {
                    finding.sentence = text("Output %1 carries %2 of its %3.", group.output,
                                            formatted(takes, 3), formatted(limit, 3));
                    finding.action = text("fewer or dimmer lamps on output %1", group.output);
                    finding.figures = {
                        figures::computed(text("All rows together"), "I_out", takes, "", {}),
                        figures::catalogue(text("Output's limit"), "I_limit", limit,
                                           verbatim(job.decoder->part.name))};
                    if (auto less = lessCurrent(job, group, limit * lampCloseAbove, facts.house))
                        finding.options.push_back(std::move(*less));
                    std::ranges::move(movesToFree(job, group, state.total),
                                      std::back_inserter(finding.options));
                });
        }
    } else if (group.output != supplyOutput) {
        judging.say("lamp.no-output:" + group.id, subjectOf(group),
                    job.decoder ? State::Over : State::Ask, Gravity::DoesNotWork,
                    [&](Finding& finding) {
                        finding.sentence =
                            job.decoder ? text("The decoder has no output called %1.", group.output)
                                        : text("%1 waits for a decoder: it hangs on its output %2.",
                                               atStart(group.name), group.output);
                        finding.action = job.decoder ? text("move %1 to another output", group.name)
                                                     : text("choose a decoder");
                        finding.options = movesToFree(job, group, state.total);
                    });
    }
}

namespace {

/// Groups that take most give way first: what would bring all outputs within their total.
std::vector<Option> lessOnOutputs(const JobAnalysis& facts, Amperes total, Amperes allowed) {
    const Job& job = facts.job;
    const auto takes = [&](std::size_t g) {
        return facts.groups[g] && job.groups[g].output != supplyOutput
                   ? lastingTotal(*facts.groups[g])
                   : Amperes{0};
    };
    std::vector<std::size_t> order(job.groups.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::stable_sort(order.begin(), order.end(),
                     [&](std::size_t a, std::size_t b) { return takes(a) > takes(b); });
    std::vector<Option> options;
    for (const std::size_t g : order) {
        const Amperes left = allowed - (total - takes(g));
        if (!(left > Amperes{0}) || !(takes(g) > Amperes{0})) continue;
        auto less = lessCurrent(job, job.groups[g], left, facts.house);
        if (!less) continue;
        less->what = text("%1: %2", atStart(job.groups[g].name), less->what);
        options.push_back(std::move(*less));
        if (options.size() == 2) break;
    }
    return options;
}

}  // namespace

void judgeOutputsTotal(const JobAnalysis& facts, Amperes least, Amperes most, Judging& judging) {
    if (!facts.job.decoder || !(most > Amperes{0})) return;
    const Decoder& decoder = facts.job.decoder->part;
    const double share = 1.0 - facts.house.closeMargin;
    const auto against = [&](Amperes total) {
        return stateAgainst(total.value(), decoder.functionTotal.value(), share);
    };
    // Where it hangs on what boards carry, that is asked, and nothing is told as a fact.
    const State load = against(most);
    if (load != against(least)) return;
    judging.say("lamp.total", {}, load, Gravity::PartDestroyed, [&](Finding& finding) {
        finding.sentence = text("With every lamp lit the outputs carry %1 of the decoder's %2.",
                                formatted(most, 3), formatted(decoder.functionTotal, 3));
        if (load == State::Over) finding.action = text("fewer lamps or less current");
        finding.figures = {figures::computed(text("All outputs on"), "I_lamps", most, "", {}),
                           figures::catalogue(text("Decoder's function total"), "I_func",
                                              decoder.functionTotal, verbatim(decoder.name))};
        if (load != State::Fine)
            finding.options = lessOnOutputs(facts, most, decoder.functionTotal * share);
    });
}

}  // namespace glimmet::core::lamps
