#include "core/analysis/power_steps.h"

#include "core/analysis/function_map.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core {
namespace {

using meter::Allows;

Text keyWords(const Job& job, const LampGroup& group) {
    const std::vector<int> keys = keysOf(job, group.output);
    if (group.output == supplyOutput) return text("%1 lights", group.name);
    if (keys.empty()) return text("no key switches %1 yet: set one first", group.name);
    const std::string key = "F" + std::to_string(keys.front());
    const auto direction = directionOf(job, group.output);
    if (!direction) return text("press %1: %2 lights", key, group.name);
    return *direction == Direction::Forward
               ? text("press %1, forward: %2 lights, at the right end", key, group.name)
               : text("press %1, reverse: %2 lights, at the right end", key, group.name);
}

/// Whether every row of a group has its resistor, or needs none.
bool resistorsChosen(const LampGroup& group) {
    return group.driver() || group.shared() > Ohms{0} ||
           std::all_of(group.rows.begin(), group.rows.end(),
                       [](const LampRow& row) { return row.resistor.has_value(); });
}

void lamps(const Job& job, std::vector<PowerStep>& steps) {
    for (const LampGroup& group : job.groups) {
        const Text words = resistorsChosen(group)
                               ? text("Lamp %1", group.name)
                               : text("Do not press yet: %1 has no resistor", group.name);
        steps.push_back(
            {"lamp:" + group.id, group.name, words, keyWords(job, group), Allows::LimitedTrack});
    }
}

void withDecoder(const Job& job, std::vector<PowerStep>& steps) {
    const bool battery = job.feed == Feed::BatteryRadio;
    const Amperes most = job.decoder->part.sound ? restWithSound : restUsual;
    if (battery)
        steps.push_back({"battery", "battery",
                         text("Battery through a limit or a small fuse, decoder in"),
                         text("the receiver answers; nothing gets warm"), Allows::LimitedTrack});
    else
        steps.push_back({"programming", "programming", text("Programming track, decoder in"),
                         text("it answers, and takes less than %1 once a stay-alive is full",
                              formatted(most, 2)),
                         Allows::LimitedTrack});
    if (hasMotor(job)) {
        steps.push_back({"forward", "forward",
                         text("Running power through a limit: forward, the lowest step"),
                         text("it moves forward, front end first"), Allows::LimitedTrack});
        steps.push_back({"reverse", "reverse", text("The same in reverse"),
                         text("it moves back as easily"), Allows::LimitedTrack});
    }
}

}  // namespace

std::vector<PowerStep> powerSteps(const Job& job, const WorkshopRules& house) {
    std::vector<PowerStep> steps;
    const bool motor = hasMotor(job);
    if (motor && (house.firstPower == FirstPower::PlainDc || !job.decoder)) {
        steps.push_back(
            {"dc", "dc",
             job.decoder
                 ? text("Plain DC, 3 to 4 V through a limit, on the motor pair alone, orange and "
                        "grey off the decoder")
                 : text("Plain DC, 3 to 4 V through a limit"),
             text("it turns slowly, without noise"), Allows::PlainDcLow});
    }
    if (job.decoder) {
        withDecoder(job, steps);
    } else if (!motor && !job.groups.empty()) {
        steps.push_back({"supply", "supply",
                         isStructure(job) ? text("Its supply, through a limit")
                                          : text("Its supply or the track, through a limit"),
                         text("nothing gets warm, the current is that of its lamps"),
                         Allows::LimitedTrack});
    }
    lamps(job, steps);
    if (steps.empty()) return steps;
    if (isStructure(job)) return steps;
    if (job.feed != Feed::BatteryRadio)
        steps.push_back({"layout", "layout", text("Layout power"),
                         text("it runs and lights as before, over points too"), Allows::Track});
    steps.push_back({"body", "body", text("Body on, through a limit once more"),
                     text("nothing changed: no short, no warm spot"), Allows::LimitedTrack});
    return steps;
}

const PowerSeen* seenOf(const Job& job, std::string_view step) {
    const auto found = std::find_if(job.powered.begin(), job.powered.end(),
                                    [&](const PowerSeen& each) { return each.step == step; });
    return found == job.powered.end() ? nullptr : &*found;
}

const PowerStep* nextOf(const Job& job, const std::vector<PowerStep>& steps) {
    const auto found = std::find_if(steps.begin(), steps.end(),
                                    [&](const PowerStep& each) { return !seenOf(job, each.id); });
    return found == steps.end() ? nullptr : &*found;
}

Text seenWords(Seen seen) {
    switch (seen) {
        case Seen::AsItShould:
            return text("as it should");
        case Seen::Backwards:
            return text("it turns backwards");
        case Seen::Nothing:
            return text("nothing happens");
        case Seen::WrongEnd:
            return text("the wrong end lights");
        case Seen::NoAnswer:
            return text("no answer");
        case Seen::TooMuchCurrent:
            return text("too much current");
        case Seen::Smoke:
            return text("smoke");
    }
    return {};
}

Text meaningOf(const PowerStep& step, Seen seen) {
    const bool lamp = step.id.starts_with("lamp:");
    switch (seen) {
        case Seen::AsItShould:
            break;
        case Seen::Backwards:
            return text("the motor pair is swapped, or the direction bit is set");
        case Seen::Nothing:
            return lamp ? text("the LED is reversed, its key is another one, or a joint is open")
                        : text("a brush, a pickup or a lead is open; probe the pair again");
        case Seen::WrongEnd:
            return text("the leads of the two outputs are swapped");
        case Seen::NoAnswer:
            return text(
                "the wrong track output, a plug the wrong way round, dirty wheels, or "
                "motor leads that are open: the answer is a pulse through the motor");
        case Seen::TooMuchCurrent:
            return text("a lead touches where it should not: take the power off and probe again");
        case Seen::Smoke:
            return text("power off at once; find what got hot before anything else");
    }
    return {};
}

}  // namespace glimmet::core
