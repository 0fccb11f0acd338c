#include "core/work/lamps/judge_supply.h"

#include "core/analysis/lamps/row_names.h"
#include "core/analysis/supply.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core::lamps {
namespace {

constexpr double closeAbove = 0.85;
constexpr Amperes worthAsking{0.05};  ///< any supply gives less than that without being asked

bool onSupply(const LampGroup& group) { return group.output == supplyOutput; }

/// A wall supply has a limit; track has a booster (districts), a battery its run time.
void judgeCurrent(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    const bool wall = job.feed == Feed::FixedDc || (job.feed == Feed::Ac && isStructure(job));
    if (!wall) return;
    // What waits for its resistor counts as it is meant to be.
    Amperes all{0};
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        if (!facts.groups[g]) continue;
        all += facts.groups[g]->total;
        for (const RowState& row : facts.groups[g]->rows) {
            if (!row.connected) all += job.groups[g].atFull();
        }
    }
    if (!(all > Amperes{0})) return;
    const auto& limit = job.supply.limit;
    if (!limit && all <= worthAsking) return;
    const State state = limit ? stateAgainst(all.value(), limit->value(), closeAbove) : State::Ask;
    judging.say("supply.current", {}, state, Gravity::DoesNotWork, [&](Finding& finding) {
        const std::string draw = formatted(all, 3);
        const Figure sum = figures::computed(text("All lamps lit"), "I_lamps", all, "", {});
        const std::string kind = job.feed == Feed::Ac ? "ac" : "dc";
        const std::string line =
            "supply " + kind + " " + formatted(trackVolts(job).value(), Dimension::Ratio) + "V ";
        if (!limit) {
            finding.sentence = text(
                "What can the supply give? The lamps draw %1 together. It is printed on it.", draw);
            finding.action = text("read the supply's rating");
            finding.figures = {
                sum, figures::missing(text("Supply's limit"), "I_supply", Dimension::Current,
                                      text("printed on it"), line)};
            for (const double amps : {0.5, 1.0, 2.0}) {
                const Amperes gives{amps};
                finding.options.push_back(answer(text("It gives %1", formatted(gives)),
                                                 text("%1 of it drawn", draw),
                                                 stateAgainst(all.value(), amps, closeAbove),
                                                 line + formatted(amps, Dimension::Ratio) + "A"));
            }
            return;
        }
        const std::string gives = formatted(*limit, 3);
        finding.sentence =
            state == State::Over
                ? text("Too much for the supply: the lamps draw %1; it gives %2.", draw, gives)
            : state == State::Close
                ? text("The lamps draw %1 of the supply's %2: close to its limit.", draw, gives)
                : text("The lamps draw %1 of the supply's %2.", draw, gives);
        if (state != State::Fine) finding.action = text("a stronger supply, or less current");
        finding.figures = {sum, figures::chosen(text("Supply's limit"), "I_supply", *limit,
                                                text("printed on it"), line)};
    });
}

void judgePolarity(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    if (job.feed != Feed::FixedDc || !job.supply.polarityUnknown) return;
    const auto led = [](const LampGroup& group) { return onSupply(group) && !group.isBulbs(); };
    if (!std::any_of(job.groups.begin(), job.groups.end(), led)) return;
    judging.say("supply.polarity", {}, State::Ask, Gravity::PartDestroyed, [&](Finding& finding) {
        finding.sentence = text(
            "Which lead of the supply is plus? The wrong way round, LEDs stay dark and get up to "
            "%1 backwards; they can take 5 V.",
            formatted(peakVolts(job, facts.house), 3));
        finding.action = text("meter the supply, and mark its plus");
        finding.options = {answer(text("Plus is metered and marked"), text("go on"), State::Fine,
                                  "polarity marked")};
    });
}

void judgePack(const Job& job, Judging& judging) {
    if (!(mayDrop(job) > Volts{0})) return;
    const bool lamps = std::any_of(job.groups.begin(), job.groups.end(),
                                   [](const LampGroup& group) { return !onSupply(group); });
    if (!lamps) return;
    judging.say("supply.pack", {}, State::Ask, Gravity::WorksBadly, [&](Finding& finding) {
        finding.sentence = text(
            "Where is the battery joined to the decoder: on its battery terminals, or on red and "
            "black? Its rectifier takes up to %1.",
            formatted(mayDrop(job)));
        finding.action = text("say where the battery is joined");
        finding.options = {
            answer(text("On the battery terminals"), text("nothing is lost"), State::Fine,
                   "battery on terminals"),
            answer(text("On red and black"), text("the lamps get %1 less", formatted(mayDrop(job))),
                   State::Fine, "battery on rails")};
    });
}

/// Always-lit lamps on a bridge of their own hang on the rails, not on the decoder.
void judgeBeside(const Job& job, Judging& judging) {
    if (!job.decoder || !job.supply.lampBridge || !isDigital(job.feed)) return;
    const auto at = std::find_if(job.groups.begin(), job.groups.end(), onSupply);
    if (at == job.groups.end()) return;
    judging.say("lamp.beside-decoder", subjectOf(*at), State::Close, Gravity::WorksBadly,
                [&](Finding& finding) {
                    finding.sentence = text(
                        "%1 hangs on the rails beside the decoder: it flickers on dirty track, "
                        "gets nothing from the stay-alive, and loads the programming track.",
                        atStart(at->name));
                    finding.action = text("feed %1 from the decoder", at->name);
                    for (const DecoderOutput& output : job.decoder->part.outputs) {
                        const bool taken = std::any_of(
                            job.groups.begin(), job.groups.end(),
                            [&](const LampGroup& group) { return group.output == output.name; });
                        if (taken || output.kind != OutputKind::LowSide) continue;
                        Option option;
                        option.what = text("move it to output %1", output.name);
                        option.effect = text("the decoder feeds it, and a key switches it");
                        option.state = State::Fine;
                        option.jot = "lamp " + at->name + " on " + output.name;
                        finding.options.push_back(std::move(option));
                        break;
                    }
                });
}

}  // namespace

void judgeSupply(const JobAnalysis& facts, Judging& judging) {
    judgeCurrent(facts, judging);
    judgePolarity(facts, judging);
    judgePack(facts.job, judging);
    judgeBeside(facts.job, judging);
}

}  // namespace glimmet::core::lamps
