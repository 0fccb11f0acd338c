// Whether everything goes in, and which hollow has to be measured before anybody believes it.
#include "core/analysis/placement/making_room.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/fit/fit.h"
#include "core/work/fit/things.h"

#include <algorithm>
#include <map>

namespace glimmet::core::fit {
namespace {

Text capital(const Text& the) {
    // "the decoder" begins a sentence.
    Text words = the;
    if (words.pattern.starts_with("the ")) words.pattern.front() = 'T';
    return words;
}

Figure spareFigure(const Thing& thing) {
    return figures::computed(
        text("To spare: %1, in %2", thing.words, alongWords(thing.room.spare->along)),
        "c_" + thing.id, thing.room.spare->by, "", {});
}

/// The thing that has least to spare; nullptr: none is known.
const Thing* tightest(const std::vector<Thing>& things) {
    const Thing* least = nullptr;
    for (const Thing& each : things) {
        if (!each.room.spare) continue;
        if (!least || each.room.spare->by < least->room.spare->by) least = &each;
    }
    return least;
}

Text lacking(const Job& job, const Thing& thing) {
    const auto& lacks = thing.room.lacks;
    if (!lacks) return text("%1 does not fit: there is no cavity for it", capital(thing.words));
    const Text hollow = placeOf(job, lacks->unit, lacks->hollow);
    const std::string by = tenths(lacks->by);
    const Text along = lacks->along == Along::Length  ? text("too long")
                       : lacks->along == Along::Width ? text("too wide")
                                                      : text("too high");
    return lacks->alone ? text("%1 is %2 %3 for the %4", capital(thing.words), by, along, hollow)
                        : text("%1 is %2 %3 to lie beside the rest in the %4", capital(thing.words),
                               by, along, hollow);
}

void judgeTogether(const JobAnalysis& facts, const std::vector<Thing>& things, Judging& judging) {
    std::vector<const Thing*> out;
    for (const Thing& each : things) {
        if (!each.lies->fits) out.push_back(&each);
    }
    // What came in the model goes into it, whatever a drawing says.
    const bool drawn = !out.empty() && out.front()->state == State::Ask;
    if (drawn && out.size() == 1 && out.front()->id == "D1" &&
        facts.job.intake.arrival == Arrival::WithDecoder)
        return;
    const State state = out.empty() ? State::Fine : out.front()->state;
    judging.say("fit.together", {}, state, Gravity::DoesNotWork, [&](Finding& finding) {
        for (const Thing& each : things) {
            if (each.room.spare) finding.figures.push_back(spareFigure(each));
        }
        if (out.empty()) {
            const Thing* least = tightest(things);
            finding.sentence =
                !least ? text("Everything fits.")
                : things.size() == 1
                    ? text("%1 fits the %2, with %3 to spare in %4.", capital(least->words),
                           placeOf(facts.job, least->lies->unit, least->lies->hollow),
                           tenths(least->room.spare->by), alongWords(least->room.spare->along))
                    : text("Everything fits. %1 has the least room: %2 in %3, in the %4.",
                           capital(least->words), tenths(least->room.spare->by),
                           alongWords(least->room.spare->along),
                           placeOf(facts.job, least->lies->unit, least->lies->hollow));
            return;
        }
        Text all = lacking(facts.job, *out.front());
        for (std::size_t i = 1; i < out.size(); ++i)
            all = text("%1. %2", all, lacking(facts.job, *out[i]));
        finding.sentence = drawn ? text("As the cavities are drawn, not everything fits. %1.", all)
                                 : text("Not everything fits. %1.", all);
        for (const Thing* each : out) {
            if (!each->room.lacks) continue;
            finding.figures.insert(
                finding.figures.begin(),
                figures::computed(
                    text("Lacks room: %1, in %2", each->words, alongWords(each->room.lacks->along)),
                    "x_" + each->id, each->room.lacks->by, "", {}));
            for (Option& option :
                 roomToMake(facts, each->lies->box, text("then %1 fits", each->words)))
                finding.options.push_back(std::move(option));
        }
        finding.action = drawn ? text("measure the cavities")
                         : finding.options.empty()
                             ? text("something smaller, or another place for it")
                             : text("make room for it, or choose something smaller");
    });
}

/// "cavity hood 44.4x27.1x12.6": who measured it and found it so.
Option asDrawn(const Job& job, const Placement& lies) {
    const auto& cavities = job.units[lies.unit].body.cavities;
    const auto cavity = std::find_if(cavities.begin(), cavities.end(),
                                     [&](const Cavity& each) { return each.name == lies.hollow; });
    const auto side = [](Millimetres length) {
        return formatted(length.value(), Dimension::Ratio, 4);
    };
    const std::string size =
        side(cavity->length) + "x" + side(cavity->width) + "x" + side(cavity->height);
    const std::string of = unitCalled(job, lies.unit);
    return answer(text("It measures %1 mm", size), text("as it is drawn"), State::Fine,
                  "cavity " + lies.hollow + " " + size + (of.empty() ? "" : " in " + of));
}

/// One finding for each drawn hollow that something relies on, by what has least to spare there.
void judgeDrawn(const JobAnalysis& facts, const std::vector<Thing>& things, Judging& judging) {
    std::map<std::string, const Thing*> asked;
    for (const Thing& each : things) {
        if (!each.lies->fits || each.state != State::Ask) continue;
        if (each.id == "D1" && facts.job.intake.arrival == Arrival::WithDecoder) continue;
        const Thing*& least = asked[facts.job.units[each.lies->unit].id + "/" + each.lies->hollow];
        if (!least || each.room.spare->by < least->room.spare->by) least = &each;
    }
    for (const auto& [where, thing] : asked) {
        const Thing& each = *thing;
        judging.say("fit.measure:" + where, {}, State::Ask, Gravity::DoesNotWork,
                    [&](Finding& finding) {
                        finding.sentence = text(
                            "Nobody has measured the %1, and as it is drawn %2 has only %3 to "
                            "spare there. Measure its length, width and height.",
                            placeOf(facts.job, each.lies->unit, each.lies->hollow), each.words,
                            tenths(each.room.spare->by));
                        finding.action = text("measure the %1", each.lies->hollow);
                        finding.options.push_back(asDrawn(facts.job, *each.lies));
                        finding.figures.push_back(spareFigure(each));
                    });
    }
}

}  // namespace

bool applies(const Job&) { return true; }

Idle idle(const Job& job) {
    // Once the work is past it, there is nothing.
    if (boxesOf(job).empty())
        return {text("nothing to fit yet"), !job.steps.empty() || !job.handOver.on.empty()};
    return {};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    const std::vector<Thing> things = thingsOf(facts);
    if (things.empty()) return;
    judgeTogether(facts, things, judging);
    judgeDrawn(facts, things, judging);
}

}  // namespace glimmet::core::fit
