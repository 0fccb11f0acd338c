#include "core/work/wire/wiring_sheet.h"

#include "core/analysis/circuits_across.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wiring.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core::wire {
namespace {

Text orDash(Text words) { return words.empty() ? verbatim("–") : words; }

/// What a wire looks like: "black, tagged, 30 AWG, 96 mm".
Text looks(const Wire& wire) {
    Text words = verbatim(wire.colour);
    if (wire.labelled) words = text("%1, tagged", words);
    if (wire.awg) words = text("%1, %2 AWG", words, std::to_string(*wire.awg));
    if (wire.length) words = text("%1, %2", words, formatted(*wire.length));
    if (wire.stranded)
        words = *wire.stranded ? text("%1, stranded", words) : text("%1, solid", words);
    return words;
}

/// How far its two joints are.
Text joints(const Wire& wire) {
    const auto state = [](const std::optional<Joints>& joint) {
        return joint ? std::string(name(*joint)) : std::string("–");
    };
    const Text both = wire.fromJoint || wire.toJoint
                          ? text("%1 / %2", state(wire.fromJoint), state(wire.toJoint))
                          : Text{};
    if (!wire.provisional) return both;
    return both.empty() ? text("to be taken out again") : text("%1, to be taken out again", both);
}

SheetSection wiresOf(const Job& job) {
    SheetSection section{text("Wires")};
    if (job.wires.empty()) {
        section.lines.push_back(text("No wire is on record."));
        return section;
    }
    section.table.heads = {text("wire"), text("colour, size"), text("from"), text("to"),
                           text("joints")};
    for (const Wire& wire : job.wires) {
        section.table.rows.push_back(
            {verbatim(wire.id), looks(wire),
             wire.from ? described(job, *wire.from) : text("not followed yet"),
             described(job, wire.to), orDash(joints(wire))});
    }
    return section;
}

/// What a net joins at the bench: legs and resistors, not the two wires that a lamp ends in
/// besides.
std::vector<TerminalId> ends(const Job& job, const wiring::Net& net) {
    std::vector<TerminalId> all;
    for (const TerminalId& id : net.joins) {
        const bool deeper = std::any_of(net.joins.begin(), net.joins.end(), [&](const auto& other) {
            return other.owner.starts_with(id.owner + "/");
        });
        if (!deeper || !groupOf(job, id.owner)) all.push_back(id);
    }
    return all;
}

SheetSection netsOf(const JobAnalysis& facts) {
    SheetSection section{text("What must be joined")};
    const wiring::Wiring plan = wiring::required(facts.job, facts.house.leg);
    for (const wiring::Net& net : plan.nets) {
        const std::vector<TerminalId> joined = ends(facts.job, net);
        if (joined.size() < 2) continue;
        Text words = described(facts.job, joined.front());
        for (std::size_t i = 1; i < joined.size(); ++i)
            words = text("%1 · %2", words, described(facts.job, joined[i]));
        const LampGroup* within = net.kind == wiring::Net::Kind::Lamps
                                      ? groupOf(facts.job, joined.front().owner)
                                      : nullptr;
        section.table.rows.push_back(
            {within ? text("within %1", within->name) : verbatim(net.name), words});
    }
    if (section.table.rows.empty())
        section.lines.push_back(text("Nothing is planned that wires must join."));
    else
        section.table.heads = {text("net"), text("joins")};
    return section;
}

SheetSection couplingsOf(const Job& job) {
    SheetSection section{text("Across couplings")};
    section.table.heads = {text("between"), text("circuits"), text("contacts")};
    for (std::size_t i = 0; i < job.couplings.size(); ++i) {
        section.table.rows.push_back({text("%1 and %2", unitCalled(job, i), unitCalled(job, i + 1)),
                                      verbatim(std::to_string(circuitsAcross(job, i).needed())),
                                      verbatim(std::to_string(job.couplings[i].contacts))});
    }
    return section;
}

SheetSection unknownOf(const Job& job) {
    SheetSection section{text("Not known yet"), {}, {}, true};
    for (const Wire& wire : job.wires) {
        if (!wire.from)
            section.lines.push_back(
                text("Where the other end of the %1 wire %2 goes", wire.colour, wire.id));
        if (wire.to.pin == nowhere)
            section.lines.push_back(
                text("What the free end of the %1 wire %2 was for", wire.colour, wire.id));
        if (!wire.factory && !wire.fromJoint && !wire.toJoint)
            section.lines.push_back(
                text("How far the joints of the %1 wire %2 are", wire.colour, wire.id));
    }
    return section;
}

}  // namespace

Sheet wiringSheet(const JobAnalysis& facts) {
    const Job& job = facts.job;
    Sheet sheet{
        text("Wiring of %1", job.name),
        job.decoder ? text("decoder: %1", job.decoder->part.name) : text("no decoder is chosen"),
        {wiresOf(job), netsOf(facts)}};
    if (!job.couplings.empty()) sheet.sections.push_back(couplingsOf(job));
    SheetSection unknown = unknownOf(job);
    if (!unknown.lines.empty()) sheet.sections.push_back(std::move(unknown));
    return sheet;
}

}  // namespace glimmet::core::wire
