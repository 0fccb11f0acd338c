#include "core/work/lamps/judge_feed.h"

#include "core/analysis/lamps/row_names.h"
#include "core/analysis/rail_feed.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::lamps {
namespace {

Figure chosenCapacitor(const Smoothing& smoothing) {
    return figures::chosen(text("Capacitor, as printed"), "C", smoothing.capacitance,
                           verbatim(shown(smoothing)), "smoothing ");
}
Figure currentFigure(const RailFeed& feed) {
    return figures::computed(text("All lamps on the rails"), "I_lamps", feed.total, "", {});
}
Figure gapFigure(Seconds gap, Text detail) {
    return figures::assumed(text("Nothing comes for"), "t_gap", gap, std::move(detail));
}

/// Whether lamps on AC light in one half of it only.
bool halvesSeen(const JobAnalysis& facts) {
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        const LampGroup& group = facts.job.groups[g];
        if (group.output != supplyOutput || group.isBulbs() || !facts.groups[g]) continue;
        if (!(facts.groups[g]->total > Amperes{0})) continue;
        if (oneWayOnly(facts.job, group) || (reverses(facts.job) && !bothWays(group))) return true;
    }
    return false;
}

/// A lamp with a diode of its own although the others hang behind a bridge.
const LampGroup* leftDiode(const Job& job) {
    if (!job.supply.rectifier && !job.supply.lampBridge) return nullptr;
    for (const LampGroup& group : job.groups) {
        if (oneWayOnly(job, group) && !group.isBulbs()) return &group;
    }
    return nullptr;
}
Option noDiodeOption(const LampGroup& group) {
    Option option;
    option.what = text("take the diode out");
    option.effect = text("behind the bridge it lights all the time");
    option.state = State::Fine;
    option.jot = "oneway " + group.name + " none";
    return option;
}

/// Digital track lights it half of the time; on plain DC it shows the direction.
void judgeLeftDiode(const JobAnalysis& facts, Judging& judging) {
    const LampGroup* group = leftDiode(facts.job);
    if (!group || !isDigital(facts.job.feed)) return;
    judging.say("lamp.diode:" + group->id, subjectOf(*group), State::Close, Gravity::CouldBeBetter,
                [&](Finding& finding) {
                    finding.sentence = text(
                        "%1 still has its own diode: it lights half the time, though there is a "
                        "bridge. Take the diode out.",
                        atStart(group->name));
                    finding.action = text("take the diode of %1 out", group->name);
                    finding.options = {noDiodeOption(*group)};
                });
}

/// On AC without a capacitor: what turns round all the time is seen where only one half lights.
void judgeHalves(const JobAnalysis& facts, Judging& judging) {
    bool lit = false;
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        const LampGroup& group = facts.job.groups[g];
        lit = lit || (group.output == supplyOutput && !group.isBulbs() && facts.groups[g] &&
                      facts.groups[g]->total > Amperes{0});
    }
    const bool halves = halvesSeen(facts);
    const bool sixty = facts.house.mains == Mains::Sixty;
    const std::string once = sixty ? "60" : "50", twice = sixty ? "120" : "100";
    if (!lit) return;
    const LampGroup* withDiode = leftDiode(facts.job);
    judging.say(
        "lamp.flicker", {}, halves ? State::Close : State::Fine, Gravity::CouldBeBetter,
        [&](Finding& finding) {
            finding.sentence =
                halves
                    ? text(
                          "The lamps light in one half of the AC only, dark between: %1 times "
                          "a second, which many see out of the corner of the eye. A bridge "
                          "makes it %2 times, which nobody sees.",
                          once, twice)
                    : text("The lamps dip %1 times a second with the AC: nobody sees that.", twice);
            finding.figures = {crestFigure(facts.job)};
            if (!halves) return;
            if (withDiode) {
                finding.action = text("take the diode of %1 out", withDiode->name);
                finding.options = {noDiodeOption(*withDiode)};
                return;
            }
            finding.action = text("a bridge rectifier before the lamps");
            finding.options = {
                bridgeOption(text("they light in both halves of the AC, about twice as bright with "
                                  "the resistors that they have"))};
        });
}

void judgeFlicker(const JobAnalysis& facts, const RailFeed& feed, Judging& judging) {
    // A building on AC has crests to get over, stock has dirt too, which takes as long or longer.
    const bool ac = facts.job.feed == Feed::Ac && isStructure(facts.job);
    const auto& smoothing = facts.job.supply.smoothing;
    std::optional<Seconds> until = Seconds{0};
    const bool behindBridge = !reverses(facts.job);
    if (smoothing && behindBridge) {
        until = carriedFor(feed, leastOf(*smoothing), smoothing->charge > Ohms{0}, feed.half);
    }
    const bool carried = !until || *until >= dirtGap;
    judging.say(
        "lamp.flicker", {}, carried ? State::Fine : State::Close,
        smoothing && behindBridge ? Gravity::LooksUneven : Gravity::CouldBeBetter,
        [&](Finding& finding) {
            finding.sentence =
                !behindBridge || !smoothing
                    ? text(
                          "On dirty rails the lamps will flicker: nothing carries them over "
                          "the %1 of a speck. %2 of lamps want a capacitor behind a "
                          "bridge.",
                          formatted(dirtGap), formatted(feed.total, 2))
                : ac && (!until || carried)
                    ? text("%1 carries the lamps from one crest of the AC to the next.",
                           shown(*smoothing))
                : ac ? text(
                           "The lamps dip with the AC: with %1 half of their light is gone after "
                           "%2, and the next crest comes after %3.",
                           shown(*smoothing), formatted(*until, 2),
                           formatted(halfOf(facts.house.mains), 2))
                : !until ? text("%1 carries the lamps over any speck of dirt.", shown(*smoothing))
                : carried
                    ? text("%1 carries the lamps over dirt: half of their light is left after %2.",
                           shown(*smoothing), formatted(*until, 2))
                    : text(
                          "On dirty rails the lamps will flicker: with %1 half of their light is "
                          "gone after %2, and a speck takes %3.",
                          shown(*smoothing), formatted(*until, 2), formatted(dirtGap));
            finding.figures = {currentFigure(feed), busFigure(facts.job, facts.house),
                               gapFigure(dirtGap, ac ? text("from crest to crest of %1",
                                                            std::string(name(facts.house.mains)))
                                                     : text("a speck of dirt"))};
            if (smoothing) finding.figures.push_back(chosenCapacitor(*smoothing));
            if (carried) return;
            if (!behindBridge) {
                finding.action = text("a bridge, and a capacitor behind it");
                finding.options = {bridgeOption(text("a capacitor can stand behind it"))};
                finding.options.front().state = State::Close;
                return;
            }
            finding.action = smoothing ? text("a larger capacitor behind the bridge")
                                       : text("a capacitor behind the bridge");
            finding.caution = capacitorCaution();
            if (auto option = capacitorOption(
                    feed, dirtGap, feed.half,
                    text("more than half of the light is left after %1", formatted(dirtGap)))) {
                finding.options.push_back(std::move(*option));
            }
        });
}

void judgeVolts(const RailFeed& feed, const Smoothing& smoothing, Judging& judging) {
    const double margin = voltsMargin(smoothing);
    const State state = feed.peak > smoothing.rated            ? State::Over
                        : feed.peak * margin > smoothing.rated ? State::Close
                                                               : State::Fine;
    if (state == State::Fine) return;
    judging.say("lamp.capacitor-volts", {}, state, Gravity::PartDestroyed, [&](Finding& finding) {
        finding.sentence =
            state == State::Over
                ? text("The capacitor is charged to %1 and bears %2: it fails.",
                       formatted(feed.peak, 3), formatted(smoothing.rated))
                : text(
                      "The capacitor is charged to %1 of its %2: one of this kind wants %3 times "
                      "what it is charged to.",
                      formatted(feed.peak, 3), formatted(smoothing.rated),
                      formatted(margin, Dimension::Ratio));
        finding.action = text("a capacitor of more volts");
        finding.caution = capacitorCaution();
        finding.figures = {
            figures::computed(text("Charged to, at the most"), "V_peak", feed.peak, "", {}),
            chosenCapacitor(smoothing)};
        for (const double volts : {16.0, 25.0, 35.0, 50.0}) {
            if (feed.peak * margin > Volts{volts}) continue;
            Smoothing more = smoothing;
            more.rated = Volts{volts};
            Option option;
            option.what = verbatim(shown(more));
            option.effect = text("bears it with a margin");
            option.state = State::Fine;
            option.jot = smoothingLine(more);
            finding.options.push_back(std::move(option));
            break;
        }
    });
}

/// Without a bridge it is turned round with the supply.
void judgeTurnedRound(const Smoothing& smoothing, Judging& judging) {
    if (smoothing.kind == CapacitorKind::Ceramic) return;
    judging.say("lamp.capacitor-volts", {}, State::Over, Gravity::PartDestroyed,
                [&](Finding& finding) {
                    finding.sentence = text(
                        "No bridge is before the capacitor: this supply turns round, and reversed "
                        "the capacitor vents or burns.");
                    finding.action = text("a bridge rectifier before the lamps");
                    finding.caution = capacitorCaution();
                    finding.figures = {chosenCapacitor(smoothing)};
                    finding.options = {bridgeOption(text("behind it plus stays plus"))};
                });
}

/// Empty, it is a short for a moment.
void judgeSpark(const RailFeed& feed, const Smoothing& smoothing, bool ac, Judging& judging) {
    constexpr Ohms inTheWires{1};  // its own and that of wires and wheels
    if (smoothing.charge > Ohms{0} || smoothing.capacitance < sparksFrom) return;
    const Amperes spike = feed.peak / inTheWires;
    judging.say(
        "lamp.capacitor-spike", {}, State::Close, Gravity::WorksBadly, [&](Finding& finding) {
            finding.sentence = ac ? text(
                                        "Empty, the capacitor takes about %1 for a moment: hard on "
                                        "the bridge and on any "
                                        "switch before it. A resistor limits that; a diode past it "
                                        "lets the lamps have it "
                                        "back.",
                                        formatted(spike, 2))
                                  : text(
                                        "Empty, the capacitor takes about %1 for a moment: wheels "
                                        "spark, and a booster may "
                                        "take it for a short. A resistor limits that; a diode past "
                                        "it lets the lamps have "
                                        "it back.",
                                        formatted(spike, 2));
            finding.action = text("a charge resistor before the capacitor");
            finding.figures = {
                figures::computed(text("Current at the first moment"), "I_spike", spike,
                                  "V_peak / R_path",
                                  {figures::computed(text("Charged to, at the most"), "V_peak",
                                                     feed.peak, "", {}),
                                   figures::assumed(text("Wires, wheels and the capacitor itself"),
                                                    "R_path", inTheWires, text("usual"))}),
                chosenCapacitor(smoothing)};
            for (const double ohms : {47.0, 100.0, 22.0}) {
                Smoothing limited = smoothing;
                limited.charge = Ohms{ohms};
                Option option;
                option.what = text("%1 and a diode past it", formatted(limited.charge));
                option.effect = text("%1 at the most", formatted(feed.peak / limited.charge, 2));
                option.state = State::Fine;
                option.jot = smoothingLine(limited);
                finding.options.push_back(std::move(option));
            }
        });
}

/// What empties it takes its share for as long as there is track.
void judgeBleed(const RailFeed& feed, const Smoothing& smoothing, Judging& judging) {
    if (!(smoothing.bleed > Ohms{0})) return;
    constexpr Watts bears{0.125};  // of a quarter of a watt, in a closed model
    const Watts heat = feed.peak * feed.peak / smoothing.bleed;
    // Down to a volt, its lamps dark long before.
    const Seconds empty{smoothing.bleed.value() * smoothing.capacitance.value() *
                        std::log(std::max(feed.bus.value(), 1.0))};
    const bool hot = heat > bears;
    judging.say("lamp.bleed", {}, hot ? State::Close : State::Fine,
                hot ? Gravity::WorksBadly : Gravity::CouldBeBetter, [&](Finding& finding) {
                    finding.sentence =
                        hot ? text(
                                  "The %1 across the capacitor takes %2 for as long as there is "
                                  "track: more ohms.",
                                  formatted(smoothing.bleed), formatted(heat, 2))
                            : text("Off the track the %1 across the capacitor empty it within %2.",
                                   formatted(smoothing.bleed), formatted(empty, 2));
                    finding.figures = {figures::computed(text("Heat of the bleed"), "P_bleed", heat,
                                                         "V_peak² / R_bleed", {}),
                                       figures::computed(text("Empty after"), "t_empty", empty,
                                                         "R_bleed · C · ln(V_bus / 1 V)", {}),
                                       chosenCapacitor(smoothing)};
                    if (!hot) return;
                    finding.action = text("a bleed of more ohms");
                    for (const double ohms : {2.2e3, 4.7e3, 10e3}) {
                        const Watts then = feed.peak * feed.peak / Ohms{ohms};
                        if (then > bears) continue;
                        Option option;
                        option.what = verbatim(formatted(Ohms{ohms}));
                        option.effect = text("%1", formatted(then, 2));
                        option.state = State::Fine;
                        option.jot = "bleed " + formatted(ohms, Dimension::Ratio) + "R";
                        finding.options.push_back(std::move(option));
                    }
                });
}

/// What a chip lives through where lamps hang on the rails.
void judgeChip(const JobAnalysis& facts, const RailFeed& feed, const LampGroup& group,
               std::size_t row, Volts needs, Judging& judging) {
    const bool ac = facts.job.feed == Feed::Ac;
    const Seconds turn = turnGap(facts.job.feed, facts.house.mains);
    const std::optional<Seconds> until = chipLasts(facts, feed, needs);
    const bool edges = !alternates(facts.job.feed) || !until || *until >= turn;
    const bool dirt = !until || *until >= dirtGap || (isStructure(facts.job) && edges);
    judging.say(
        "lamp.blink:" + rowId(group, row), subjectOf(group),
        !edges  ? State::Over
        : !dirt ? State::Close
                : State::Fine,
        !edges ? Gravity::DoesNotWork : Gravity::LooksUneven, [&](Finding& finding) {
            const std::string called = atStart(rowName(group, row));
            finding.sentence =
                !edges && ac
                    ? text(
                          "%1 never blinks: 100 times a second the AC falls through 0, and below "
                          "%2 its chip begins anew.",
                          called, formatted(needs, 2))
                : !edges ? text(
                               "%1 never blinks: at every polarity change the digital track gives "
                               "nothing for %2, and below %3 its chip begins anew, thousands of "
                               "times a second.",
                               called, formatted(edgeGap), formatted(needs, 2))
                : !dirt
                    ? text(
                          "%1 blinks, but begins anew at every speck of dirt: that takes %2, and "
                          "its chip is below %3 after %4.",
                          called, formatted(dirtGap), formatted(needs, 2), formatted(*until, 2))
                : isStructure(facts.job) && !ac ? text("%1 blinks: its chip has enough.", called)
                : ac ? text("%1 blinks: its chip has enough from one crest of the AC to the next.",
                            called)
                : until ? text("%1 blinks on through dirt: its chip has enough for %2.", called,
                               formatted(*until, 2))
                        : text("%1 blinks on through dirt: its chip has enough.", called);
            finding.figures = {
                figures::assumed(text("Its chip begins anew below"), "V_reset", needs,
                                 text("usual for such chips")),
                ac ? gapFigure(turn, text("from crest to crest of %1",
                                          std::string(name(facts.house.mains))))
                   : gapFigure(edges ? dirtGap : edgeGap,
                               edges ? text("a speck of dirt") : text("at a polarity change")),
                currentFigure(feed)};
            if (dirt) return;
            finding.action = text("a capacitor behind the bridge");
            finding.caution = capacitorCaution();
            if (reverses(facts.job)) {
                finding.action = text("a bridge rectifier before the lamps");
                finding.options = {bridgeOption(text("a capacitor can stand behind it"))};
                finding.options.front().state = State::Close;
                return;
            }
            // What ends it, and what only ends the worst of it where space is short.
            if (auto option = capacitorOption(
                    feed, dirtGap, std::max(needs, feed.half),
                    ac ? text("carries chip and lamps from crest to crest")
                       : text("carries chip and lamps over %1 of dirt", formatted(dirtGap)))) {
                finding.options.push_back(std::move(*option));
            }
            if (edges || ac) return;
            if (auto option =
                    capacitorOption(feed, edgeGap, needs,
                                    text("enough for polarity changes; on dirt it begins anew"))) {
                option->state = State::Close;
                finding.options.push_back(std::move(*option));
            }
        });
}

/// Blinkers of the same colour that are slow enough, the quickest first.
std::vector<Option> slowerBlinkers(const Catalogue& catalogue, const LampGroup& group,
                                   std::size_t row) {
    const LampPart& flashes = group.rows[row].lamps.front().part;
    std::vector<const LampPart*> slow;
    for (const LampPart& part : catalogue.lamps) {
        if (part.blink && !part.blink->flickers && part.family == flashes.family &&
            part.blink->perSecond <= 2) {
            slow.push_back(&part);
        }
    }
    std::stable_sort(slow.begin(), slow.end(), [](const LampPart* a, const LampPart* b) {
        return a->blink->perSecond > b->blink->perSecond;
    });
    std::vector<Option> options;
    for (const LampPart* part : slow) {
        Option option;
        option.what = verbatim(part->name);
        option.effect =
            text("flashes %1 times a second", formatted(part->blink->perSecond, Dimension::Ratio));
        option.state = State::Fine;
        option.jot = "lamp " + rowName(group, row) + " " + part->id;
        options.push_back(std::move(option));
    }
    return options;
}

}  // namespace

Text capacitorCaution() {
    return text(
        "Mind its polarity, and let it run empty before you touch the wires: reversed or over its "
        "volts a capacitor vents or burns.");
}

std::optional<Option> capacitorOption(const RailFeed& feed, Seconds gap, Volts above, Text effect) {
    // Past a charge resistor the diode takes its drop too; what is small enough needs neither.
    auto made = usualCapacitor(capacitanceOver(feed, gap, false, above), feed.peak);
    if (made && made->charge > Ohms{0}) {
        made = usualCapacitor(capacitanceOver(feed, gap, true, above), feed.peak);
    }
    if (!made) return {};
    Option option;
    option.what = verbatim(shown(*made));
    option.effect = std::move(effect);
    option.state = State::Fine;
    option.jot = smoothingLine(*made);
    return option;
}

Option bridgeOption(Text effect) {
    Option bridge;
    bridge.what = text("a bridge rectifier before the lamps");
    bridge.effect = std::move(effect);
    bridge.state = State::Fine;
    bridge.jot = "rectifier silicon";
    return bridge;
}

void judgeSmoothing(const JobAnalysis& facts, Judging& judging) {
    if (const auto& smoothing = facts.job.supply.smoothing; smoothing && reverses(facts.job))
        judgeTurnedRound(*smoothing, judging);
    judgeLeftDiode(facts, judging);
    const auto& feed = railFeed(facts);
    if (isWave(facts.job)) {
        // Rolling stock meets dirt on AC too; only where the halves are no trouble is that told.
        if (isStructure(facts.job) || halvesSeen(facts) || !feed)
            return judgeHalves(facts, judging);
        return judgeFlicker(facts, *feed, judging);
    }
    if (!feed) return;
    // A building hangs on wires: there is no dirt to get over, only the AC's crests.
    if (!isStructure(facts.job) || facts.job.feed == Feed::Ac) judgeFlicker(facts, *feed, judging);
    if (reverses(facts.job)) return;
    if (const auto& smoothing = facts.job.supply.smoothing) {
        judgeVolts(*feed, *smoothing, judging);
        judgeSpark(*feed, *smoothing, facts.job.feed == Feed::Ac, judging);
        judgeBleed(*feed, *smoothing, judging);
    }
}

void judgeBlinkers(const JobAnalysis& facts, const LampGroup& group, Judging& judging) {
    const auto feed = group.output == supplyOutput && !oneWayOnly(facts.job, group)
                          ? railFeed(facts)
                          : std::optional<RailFeed>{};
    bool told = false;
    for (std::size_t row = 0; row < group.rows.size(); ++row) {
        const auto needs = chipNeeds(group.rows[row]);
        if (!needs) continue;
        if (feed) judgeChip(facts, *feed, group, row, *needs, judging);
        for (const Lamp& lamp : group.rows[row].lamps) {
            const auto& chip = lamp.part.blink;
            if (told || !chip || chip->flickers || chip->perSecond < 3 || chip->perSecond > 30) {
                continue;
            }
            told = true;
            judging.say("lamp.flash:" + group.id, subjectOf(group), State::Close,
                        Gravity::FirePeople, [&](Finding& finding) {
                            finding.sentence = text(
                                "%1 flashes %2 times a second: between 3 and 30 can trigger "
                                "seizures in some people. Keep warning flashers at 2 or below.",
                                atStart(group.name), formatted(chip->perSecond, Dimension::Ratio));
                            finding.action = text("a slower blinker for %1", group.name);
                            finding.options = slowerBlinkers(facts.catalogue, group, row);
                        });
        }
    }
}

}  // namespace glimmet::core::lamps
