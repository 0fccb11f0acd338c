#include "core/work/decoder/judge_conductors.h"

#include "core/analysis/circuits_across.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core::decoder {
namespace {

std::string number(std::size_t count) { return std::to_string(count); }

/// "2 for its motor, 3 for outputs rear and 1 with their common, 2 for the rails"
Text wantedFor(const CircuitsAcross& across, bool rails) {
    std::vector<Text> parts;
    if (across.motors > 0) {
        parts.push_back(across.motors == 1 ? text("2 for its motor") : text("2 for its motors"));
    }
    if (across.others > 0) {
        parts.push_back(text("%1 for its lamps", number(across.forLamps())));
    } else if (across.outputs.size() == 1) {
        parts.push_back(text("2 for output %1 and its common", across.outputs.front()));
    } else if (!across.outputs.empty()) {
        Text names = verbatim(across.outputs.front());
        for (std::size_t i = 1; i < across.outputs.size(); ++i) {
            names = i + 1 == across.outputs.size() ? text("%1 and %2", names, across.outputs[i])
                                                   : text("%1, %2", names, across.outputs[i]);
        }
        parts.push_back(
            text("%1 for outputs %2 with their common", number(across.outputs.size() + 1), names));
    }
    if (across.banks > 0) parts.push_back(text("2 for its bank"));
    if (rails) parts.push_back(text("2 for the rails"));
    Text all = parts.front();
    for (std::size_t i = 1; i < parts.size(); ++i) all = text("%1, %2", all, parts[i]);
    return all;
}

Option contacts(const Job& job, std::size_t coupling, std::size_t wires, Text effect) {
    Option option;
    option.what = text("%1 wires across it", number(wires));
    option.effect = std::move(effect);
    option.state = State::Fine;
    option.jot = "contacts " + number(wires);
    if (job.couplings.size() > 1) option.jot += " behind " + unitCalled(job, coupling);
    return option;
}

State stateOf(const CircuitsAcross& across, std::size_t has) {
    const std::size_t needed = across.needed(), all = across.withRails();
    return needed == 0    ? State::Fine
           : has == 0     ? State::Ask
           : has < needed ? State::Over
           : has < all    ? State::Close
                          : State::Fine;
}

/// Where nobody said in which unit the decoder lies, and that decides: asked before anything is
/// counted.
bool askedWhere(const Job& job, Judging& judging) {
    if (!job.decoder || job.decoder->placement) return false;
    // The worst of all couplings, for each unit that it could lie in.
    std::vector<State> worst(job.units.size(), State::Fine);
    std::vector<std::size_t> wires(job.units.size(), 0);
    for (std::size_t home = 0; home < job.units.size(); ++home) {
        for (std::size_t i = 0; i < job.couplings.size(); ++i) {
            const CircuitsAcross across = circuitsAcross(job, i, home);
            const auto has = static_cast<std::size_t>(std::max(job.couplings[i].contacts, 0));
            worst[home] = worse(worst[home], stateOf(across, has));
            wires[home] = std::max(wires[home], across.needed());
        }
    }
    if (std::all_of(worst.begin(), worst.end(), [&](State each) { return each == worst[0]; }))
        return false;
    judging.say("decoder.conductors", {}, State::Ask, Gravity::DoesNotWork, [&](Finding& finding) {
        finding.sentence = text(
            "In which unit does the decoder lie? That decides how many wires go across the "
            "coupling.");
        finding.action = text("say where the decoder lies");
        for (std::size_t home = 0; home < job.units.size(); ++home) {
            const std::string called = unitCalled(job, home);
            finding.options.push_back(answer(
                job.units[home].name.empty() ? text("In unit %1", called) : text("In %1", called),
                wires[home] == 1 ? text("needs one wire across")
                                 : text("needs %1 wires across", number(wires[home])),
                worst[home], "decoder in " + called));
        }
    });
    return true;
}

void judgeCoupling(const Job& job, std::size_t coupling, Judging& judging) {
    const CircuitsAcross across = circuitsAcross(job, coupling);
    const std::size_t needed = across.needed(), all = across.withRails();
    if (needed == 0) return;
    const auto has = static_cast<std::size_t>(std::max(job.couplings[coupling].contacts, 0));
    const State verdict = stateOf(across, has);
    const std::string called = unitCalled(job, coupling);
    const Text before =
        job.units[coupling].name.empty() ? text("unit %1", called) : verbatim(called);
    judging.say(
        "decoder.conductors:" + job.units[coupling].id, {job.units[coupling].id, called}, verdict,
        Gravity::DoesNotWork, [&](Finding& finding) {
            const Text wanted = wantedFor(across, all > needed || across.railsWanted);
            switch (verdict) {
                case State::Ask:
                    finding.sentence = text(
                        "%1 wires have to go across the coupling behind %2 (%3), and none is known "
                        "of.",
                        number(all), before, wanted);
                    finding.action = text("count the wires across it");
                    break;
                case State::Over:
                    finding.sentence =
                        text("%1 across the coupling behind %2, and %3 have to: %4.",
                             has == 1 ? text("One wire goes") : text("%1 wires go", number(has)),
                             before, number(needed), wantedFor(across, across.railsWanted));
                    finding.action = text(
                        "a coupling with more contacts, fewer outputs beyond it, or a decoder of "
                        "its own there");
                    break;
                case State::Close:
                    finding.sentence = text(
                        "Of the %1 wires across the coupling behind %2, %3 are taken (%4): the two "
                        "of the rails find no place, and the wheels beyond do not help.",
                        number(has), before, number(needed), wantedFor(across, false));
                    finding.action = text("two wires more, or count on its own wheels only");
                    break;
                case State::Fine:
                    finding.sentence =
                        text("%1 wires go across the coupling behind %2, and %3 are wanted: %4.",
                             number(has), before, number(all), wanted);
                    return;
            }
            if (has < needed && all > needed) {
                finding.options.push_back(contacts(job, coupling, needed,
                                                   text("just enough; the wheels beyond do not "
                                                        "help")));
                finding.options.back().state = State::Close;
            }
            finding.options.insert(finding.options.begin(),
                                   contacts(job, coupling, all,
                                            all > needed || across.railsWanted
                                                ? text("enough, and the wheels beyond help")
                                                : text("enough")));
        });
}

}  // namespace

void judgeConductors(const Job& job, Judging& judging) {
    if (askedWhere(job, judging)) return;
    for (std::size_t i = 0; i < job.couplings.size(); ++i) judgeCoupling(job, i, judging);
}

}  // namespace glimmet::core::decoder
