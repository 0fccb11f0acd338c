// Whether the decoder has an address of its own, keys for its lamps, and holds what was planned.
#include "core/analysis/function_map.h"
#include "core/analysis/settings_plan.h"
#include "core/analysis/unanswered.h"
#include "core/cv/configuration.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/settings/settings.h"

#include <algorithm>

namespace glimmet::core::settings {
namespace {

std::string counted(std::size_t n) { return std::to_string(n); }

void judgeAddress(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    const auto& address = job.settings.address;
    if (!address) {
        judging.say(
            "settings.address", {}, State::Fine, Gravity::WorksBadly, [&](Finding& finding) {
                finding.open = !waivedAs(job, "address");
                finding.sentence = text(
                    "Which address? Until one is set it answers to %1, like every "
                    "decoder from its maker.",
                    counted(factoryAddress));
                finding.action = text("choose an address");
                if (const auto number = addressFromName(job))
                    finding.options.push_back(answer(text("Address %1", std::to_string(*number)),
                                                     text("from its running number"), State::Fine,
                                                     "address " + std::to_string(*number)));
                finding.options.push_back(answer(text("Address 3"),
                                                 text("as it comes from its maker"), State::Fine,
                                                 "address 3"));
            });
        return;
    }
    const auto& longest = job.controller.longestAddress;
    if (longest && *address > *longest) {
        judging.say(
            "settings.address", {}, State::Over, Gravity::DoesNotWork, [&](Finding& finding) {
                finding.sentence = text(
                    "Address %1 is out of reach: the owner's controller goes up to "
                    "%2.",
                    std::to_string(*address), std::to_string(*longest));
                finding.action = text("choose an address up to %1", std::to_string(*longest));
            });
    }
}

void judgeKeys(const JobAnalysis& facts, const SettingsPlan& plan, Judging& judging) {
    for (const PlannedValue& value : plan.values) {
        if (value.fault.empty()) continue;
        judging.say("settings.key:" + value.meaning.substr(4), {}, State::Close,
                    Gravity::WorksBadly, [&](Finding& finding) {
                        finding.sentence = text("Key %1 cannot be set so: %2.",
                                                value.meaning.substr(4), value.fault);
                        finding.action = text("another key for it");
                    });
    }
    for (const LampGroup& group : facts.job.groups) {
        if (group.output == supplyOutput || !keysOf(facts.job, group.output).empty()) continue;
        judging.say(
            "settings.dark:" + group.id, {group.id, group.name}, State::Close, Gravity::DoesNotWork,
            [&](Finding& finding) {
                finding.sentence =
                    text("No key switches output %1: %2 stays dark.", group.output, group.name);
                finding.action = text("give %1 a key", group.name);
                finding.options.push_back(answer(text("Key F1"), text("switches %1", group.name),
                                                 State::Fine, "key F1 output " + group.output));
            });
    }
}

void judgeRead(const Job& job, const SettingsPlan& plan, Judging& judging) {
    for (const Difference& each : plan.differences) {
        judging.say("settings.differs:" + std::to_string(each.CV), {}, State::Over,
                    Gravity::WorksBadly, [&](Finding& finding) {
                        finding.sentence = text(
                            "The decoder holds %1 in CV %2, and %3 is planned. Write it "
                            "again, and read it back.",
                            std::to_string(each.read), std::to_string(each.CV),
                            std::to_string(each.planned));
                        finding.action = text("write CV %1 = %2", std::to_string(each.CV),
                                              std::to_string(each.planned));
                        finding.options.push_back(answer(
                            text("Keep what it holds"), text("the plan follows"), State::Fine,
                            "cv " + std::to_string(each.CV) + " " + std::to_string(each.read)));
                    });
    }
    const auto held = [](const KeyIn& entry) { return entry.held; };
    const auto next = std::find_if(plan.keyIn.begin(), plan.keyIn.end(),
                                   [&](const KeyIn& entry) { return !held(entry); });
    const auto done =
        static_cast<std::size_t>(std::count_if(plan.keyIn.begin(), plan.keyIn.end(), held));
    if (!plan.differences.empty()) return;
    judging.say("settings.keyin", {}, State::Fine, Gravity::WorksBadly, [&](Finding& finding) {
        finding.open = next != plan.keyIn.end() && !waivedAs(job, "settings");
        if (next == plan.keyIn.end()) {
            finding.sentence = text("The decoder holds all %1 values.", counted(plan.keyIn.size()));
            return;
        }
        finding.sentence = text("%1 of %2 values are in the decoder. Next: %3.", counted(done),
                                counted(plan.keyIn.size()), next->press);
        finding.action = text("write %1", next->press);
        finding.options.push_back(answer(
            text("It is in: %1", next->press),
            next->check.empty() ? text("then the next one") : text("check: %1", next->check),
            State::Fine, "keyed " + std::to_string(next->CV) + " " + std::to_string(next->value)));
    });
}

}  // namespace

bool applies(const Job& job) { return !isStructure(job) && (hasMotor(job) || job.decoder); }

Idle idle(const Job& job) {
    if (!job.decoder) return {text("no decoder to set")};
    return {};
}

void judge(const JobAnalysis& facts, Judging& judging) {
    if (!facts.job.decoder) return;
    const SettingsPlan plan = settingsPlan(facts.job, facts.house);
    judgeAddress(facts, judging);
    judgeKeys(facts, plan, judging);
    judgeRead(facts.job, plan, judging);
}

}  // namespace glimmet::core::settings
