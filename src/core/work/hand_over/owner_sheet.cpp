// For the owner: what was asked, found and done; address and keys; what not to do; care.
#include "core/analysis/function_map.h"
#include "core/analysis/lamp_groups.h"
#include "core/analysis/run_in_state.h"
#include "core/analysis/settings_plan.h"
#include "core/analysis/unanswered.h"
#include "core/quantity/format.h"
#include "core/work/hand_over/sheets.h"

#include <algorithm>

namespace glimmet::core::hand_over {
namespace {

SheetSection asked(const Job& job) {
    SheetSection section{text("What you asked for")};
    if (!job.wish.empty()) section.lines.push_back(verbatim(job.wish));
    if (!job.intake.complaints.empty()) {
        section.table.heads = {text("you said"), text("what came of it")};
        for (const Complaint& each : job.intake.complaints) {
            section.table.rows.push_back({verbatim(each.words), each.answer.empty()
                                                                    ? text("not answered yet")
                                                                    : verbatim(each.answer)});
        }
    }
    if (section.lines.empty() && section.table.rows.empty())
        section.lines.push_back(text("Nothing particular."));
    return section;
}

SheetSection found(const Job& job) {
    SheetSection section{text("What was found")};
    for (const Spot& each : job.intake.spots) {
        section.lines.push_back(each.mended.empty() ? text("%1: not mended", each.words)
                                                    : text("%1: mended", each.words));
    }
    for (const std::string& each : job.proof.remarks)
        section.lines.push_back(text("on arrival: %1", each));
    return section;
}

SheetSection done(const Job& job) {
    SheetSection section{text("What is in it now")};
    if (job.decoder) section.lines.push_back(text("Decoder: %1", job.decoder->part.name));
    if (job.bank) section.lines.push_back(text("Stay-alive: %1", job.bank->part.name));
    for (const LampGroup& group : job.groups) {
        section.lines.push_back(group.output == supplyOutput
                                    ? text("Lamp %1, straight on the supply", group.name)
                                    : text("Lamp %1, on output %2", group.name, group.output));
    }
    for (const Swap& each : job.swapped) {
        switch (each.what) {
            case Swapped::MotorLeads:
                section.lines.push_back(text("The motor leads were exchanged"));
                break;
            case Swapped::DirectionBit:
                section.lines.push_back(text("The direction is turned in the decoder"));
                break;
            case Swapped::Outputs:
                section.lines.push_back(text("The leads of front and rear were exchanged"));
                break;
            case Swapped::Led:
                break;
        }
    }
    return section;
}

SheetSection refused(const Job& job) {
    SheetSection section{text("What was not done, and why")};
    if (!job.wanted.soundRefused.empty())
        section.lines.push_back(text("Sound: %1", job.wanted.soundRefused));
    for (const RefusedWish& each : job.wanted.refused)
        section.lines.push_back(text("%1: %2", each.what, each.why));
    for (const Waived& each : job.handOver.waived)
        section.lines.push_back(
            text("%1: %2", each.what.substr(each.what.find(':') + 1), each.why));
    return section;
}

Text lampsOf(const Job& job, const FunctionKey& key) {
    Text words;
    const auto add = [&](Text more) {
        words = words.empty() ? std::move(more) : text("%1, %2", words, more);
    };
    for (const std::string& output : key.outputs) {
        bool any = false;
        for (const LampGroup& group : job.groups) {
            if (group.output != output) continue;
            any = true;
            add(verbatim(group.name));
        }
        if (!any) add(text("output %1, nothing on it", output));
    }
    if (!key.sound.empty()) add(text("sound: %1", key.sound));
    return words;
}

SheetSection keys(const Job& job) {
    SheetSection section{text("Address and keys")};
    if (!job.decoder) return section;
    section.lines.push_back(
        job.settings.address
            ? text("Address %1", std::to_string(*job.settings.address))
            : text("Address %1, as it came from its maker", std::to_string(factoryAddress)));
    if (job.settings.speedSteps)
        section.lines.push_back(text("Set your controller to %1 speed steps",
                                     std::to_string(*job.settings.speedSteps)));
    section.table.heads = {text("key"), text("what it does")};
    for (const FunctionKey& key : functionMap(job)) {
        bool used = !key.sound.empty();
        for (const LampGroup& group : job.groups)
            used = used || std::find(key.outputs.begin(), key.outputs.end(), group.output) !=
                               key.outputs.end();
        if (!used) continue;
        Text what = lampsOf(job, key);
        if (!key.label.empty()) what = text("%1: %2", key.label, what);
        if (key.direction)
            what = *key.direction == Direction::Forward ? text("%1, forward", what)
                                                        : text("%1, in reverse", what);
        if (key.momentary) what = text("%1, while it is held", what);
        section.table.rows.push_back({verbatim("F" + std::to_string(key.key)), what});
    }
    if (section.table.rows.empty()) section.table.heads.clear();
    return section;
}

SheetSection care(const Job& job) {
    SheetSection section{text("Care, and what not to do")};
    if (job.decoder && job.feed != Feed::BatteryRadio)
        section.lines.push_back(text("Do not run it on a layout of %1 or more.",
                                     formatted(job.decoder->part.largestTrack, 3)));
    if (!job.decoder && hasMotor(job) && job.feed == Feed::PlainDc)
        section.lines.push_back(
            text("It has no decoder: never put it on a digital track. Its motor would burn."));
    if (job.bank)
        section.lines.push_back(text(
            "It has a stay-alive: it runs on, and is live, for a moment after it is lifted off."));
    if (job.feed == Feed::BatteryRadio)
        section.lines.push_back(
            text("Charge the battery outside the model or under watch, with "
                 "its own charger, never unattended."));
    if (hasMotor(job)) {
        section.lines.push_back(
            text("Clean wheels and pickups, and oil it, after about %1 of "
                 "running (assumed).",
                 formatted(oilEvery, 3)));
        if (job.runIn.since > Seconds{0})
            section.lines.push_back(
                text("It has run %1 since it was oiled.", formatted(job.runIn.since, 3)));
    }
    section.lines.push_back(job.handOver.body.empty()
                                ? text("How the body comes off: not written down.")
                                : text("How the body comes off: %1", job.handOver.body));
    for (const std::string& each : job.handOver.care) section.lines.push_back(verbatim(each));
    return section;
}

}  // namespace

Sheet ownerSheet(const JobAnalysis& facts) {
    const Job& job = facts.job;
    Sheet sheet{text("%1: for its owner", job.name),
                job.handOver.on.empty() ? text("not handed over yet")
                                        : text("handed over on %1", job.handOver.on),
                {}};
    for (SheetSection& section : std::vector<SheetSection>{asked(job), found(job), done(job),
                                                           refused(job), keys(job), care(job)}) {
        if (!section.lines.empty() || !section.table.rows.empty())
            sheet.sections.push_back(std::move(section));
    }
    SheetSection open{text("Not answered yet"), {}, {}, true};
    for (const Unanswered& each : stillOpen(facts)) open.lines.push_back(each.words);
    if (!open.lines.empty()) sheet.sections.push_back(std::move(open));
    return sheet;
}

}  // namespace glimmet::core::hand_over
