// For whoever opens it next: wires with both ends, resistors, polarity, joints, what is
// provisional, settings, photos.
#include "core/analysis/lamp_groups.h"
#include "core/analysis/meter/matrix.h"
#include "core/analysis/meter/words.h"
#include "core/analysis/settings_plan.h"
#include "core/analysis/steps.h"
#include "core/analysis/unanswered.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wire_list.h"
#include "core/quantity/format.h"
#include "core/work/hand_over/sheets.h"

#include <algorithm>

namespace glimmet::core::hand_over {
namespace {

Text orDash(Text words) { return words.empty() ? verbatim("–") : words; }

Text jointsOf(const ListedWire& wire) {
    if (wire.planned) return text("planned");
    Text words;
    for (const auto& joint : {wire.fromJoint, wire.toJoint}) {
        if (!joint) continue;
        const std::string each(name(*joint));
        words = words.empty() ? verbatim(each) : text("%1 / %2", words, each);
    }
    if (wire.provisional)
        return words.empty() ? text("provisional") : text("%1, provisional", words);
    return words;
}

SheetSection wires(const JobAnalysis& facts) {
    SheetSection section{text("Wires")};
    section.table.heads = {text("wire"), text("colour"), text("from"), text("to"), text("joints")};
    for (const ListedWire& wire : wireList(facts)) {
        section.table.rows.push_back(
            {verbatim(wire.id), verbatim(wire.colour),
             wire.from.owner.empty() ? text("not followed") : described(facts.job, wire.from),
             described(facts.job, wire.to), orDash(jointsOf(wire))});
    }
    if (section.table.rows.empty()) {
        section.table.heads.clear();
        section.lines.push_back(socketed(facts.job)
                                    ? text("The decoder sits in the model's socket.")
                                    : text("No wire is on record."));
    }
    return section;
}

Text resistorsOf(const LampGroup& group) {
    if (group.driver()) return text("constant current %1", formatted(group.driver()->current, 3));
    if (group.shared() > Ohms{0})
        return text("%1, shared by all rows", formatted(group.shared(), 3));
    Text words;
    for (const LampRow& row : group.rows) {
        const Text each = !row.resistor              ? text("not chosen")
                          : *row.resistor == Ohms{0} ? text("none")
                                                     : verbatim(formatted(*row.resistor, 3));
        if (words.empty())
            words = each;
        else if (!(words == each))
            words = text("%1, %2", words, each);
    }
    return words;
}

SheetSection lamps(const JobAnalysis& facts) {
    SheetSection section{text("Lamps and resistors")};
    for (const LampGroup& group : facts.job.groups) {
        if (group.rows.empty() || group.rows.front().lamps.empty()) continue;
        section.table.rows.push_back(
            {verbatim(group.name), verbatim(group.rows.front().lamps.front().part.name),
             resistorsOf(group),
             group.output == supplyOutput ? text("supply") : verbatim(group.output)});
    }
    if (!section.table.rows.empty())
        section.table.heads = {text("lamp"), text("part"), text("resistor"), text("output")};
    return section;
}

SheetSection polarity(const Job& job) {
    SheetSection section{text("Polarity")};
    if (job.bank)
        section.lines.push_back(
            text("Stay-alive: plus to the decoder's common or plus pad, minus to its ground"));
    if (!job.groups.empty() && job.decoder)
        section.lines.push_back(text("Lamps: anodes to the common (blue), cathodes to outputs"));
    if (job.supply.polarityUnknown)
        section.lines.push_back(text("Nobody knows which lead of the supply is plus: meter it"));
    return section;
}

SheetSection proof(const JobAnalysis& facts) {
    SheetSection section{text("Read by meter")};
    for (const meter::Row& row : meter::matrixOf(facts).rows) {
        if (row.read.empty()) continue;
        section.table.rows.push_back({row.words, meter::shown(row.read.back()),
                                      row.stale                  ? text("changed since")
                                      : row.state == State::Over ? text("fails")
                                      : row.state == State::Ask  ? text("not proved")
                                                                 : text("as it must be")});
    }
    if (!section.table.rows.empty())
        section.table.heads = {text("pair"), text("read"), text("verdict")};
    return section;
}

SheetSection settings(const JobAnalysis& facts) {
    SheetSection section{text("Settings")};
    for (const auto& [number, value] : settingsPlan(facts.job, facts.house).CV)
        section.table.rows.push_back(
            {verbatim("CV " + std::to_string(number)), verbatim(std::to_string(value))});
    if (!section.table.rows.empty()) section.table.heads = {text("variable"), text("value")};
    return section;
}

SheetSection work(const JobAnalysis& facts) {
    SheetSection section{text("Steps")};
    for (const StepNow& each : stepsNow(facts.job, facts.house)) {
        if (!each.record) continue;
        const std::string& why = each.record->why;
        section.lines.push_back(
            each.record->fate == StepFate::Skipped ? text("%1: skipped, %2", each.step.words, why)
            : each.record->fate == StepFate::Done
                ? text("%1: done %2", each.step.words, each.record->on)
                : text("%1: waits until %2", each.step.words, each.record->until));
    }
    return section;
}

SheetSection photos(const Job& job) {
    SheetSection section{text("Photos")};
    if (job.intake.photos.empty()) return section;
    section.lines.push_back(job.intake.photos.size() == 1
                                ? text("One photo is in the workshop's file.")
                                : text("%1 photos are in the workshop's file.",
                                       std::to_string(job.intake.photos.size())));
    return section;
}

}  // namespace

Sheet nextSheet(const JobAnalysis& facts) {
    const Job& job = facts.job;
    Sheet sheet{text("%1: for the next one who opens it", job.name),
                job.decoder ? text("decoder: %1", job.decoder->part.name) : text("no decoder"),
                {}};
    for (SheetSection& section :
         std::vector<SheetSection>{wires(facts), lamps(facts), polarity(job), proof(facts),
                                   settings(facts), work(facts), photos(job)}) {
        if (!section.lines.empty() || !section.table.rows.empty())
            sheet.sections.push_back(std::move(section));
    }
    SheetSection open{text("Not answered yet"), {}, {}, true};
    for (const Unanswered& each : stillOpen(facts)) open.lines.push_back(each.words);
    if (!open.lines.empty()) sheet.sections.push_back(std::move(open));
    return sheet;
}

}  // namespace glimmet::core::hand_over
