#include "core/work/measure/wire_map.h"

#include "core/analysis/wire_convention.h"
#include "core/analysis/wiring/terminals.h"
#include "core/finding/answer.h"

#include <array>
#include <map>
#include <string>

namespace glimmet::core::measure {
namespace {

constexpr std::array<std::string_view, 10> ends{
    "left rail",  "right rail", "motor plus", "motor minus", "common",
    "front lamp", "rear lamp",  "frame",      "nothing",     "middle conductor"};

}  // namespace

std::span<const std::string_view> wireEnds() { return ends; }

void judgeWires(const JobAnalysis& facts, Judging& judging) {
    std::size_t mapped = 0, unlike = 0;
    const Job& job = facts.job;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        const Unit& unit = job.units[i];
        std::map<std::string, int> ofColour;
        for (const Wire& wire : job.wires) {
            if (!wire.factory || unitOf(job, wire.to) != i) continue;
            ++mapped;
            // Of several wires of a colour each has its own finding.
            const int before = ofColour[wire.colour]++;
            const std::string_view usual = conventional(wire.colour, job.feed);
            if (!otherThanItsColour(job, wire)) continue;
            ++unlike;
            const std::string which = before == 0 ? "" : "-" + std::to_string(before + 1);
            const std::string end = called(wire.to);
            judging.say("wires.colour:" + unit.id + "-" + wire.colour + which,
                        {unit.id, wire.colour}, wire.labelled ? State::Fine : State::Close,
                        Gravity::PartDestroyed, [&](Finding& finding) {
                            finding.sentence =
                                wire.to.pin == nowhere
                                    ? text(
                                          "The %1 wire leads nowhere, though %1 stands for the %2 "
                                          "by convention.",
                                          wire.colour, usual)
                                    : text(
                                          "The %1 wire goes to the %2; by convention %1 is the "
                                          "%3. The meter is right.",
                                          wire.colour, end, usual);
                            if (wire.labelled) return;
                            const bool free = wire.to.pin == nowhere;
                            finding.action =
                                free ? text("cut the %1 wire back and sleeve it", wire.colour)
                                     : text("put a tag on the %1 wire: %2", wire.colour, end);
                            finding.options = {answer(
                                free ? text("It is cut back and sleeved") : text("It has a tag"),
                                text("nobody is misled by its colour"), State::Fine,
                                "wire " + wire.colour + " " + end + " tagged")};
                        });
        }
    }
    if (mapped == 0 || unlike > 0) return;
    judging.say("wires.map", {}, State::Fine, Gravity::CouldBeBetter, [&](Finding& finding) {
        finding.sentence = text("Factory wires found with the meter: %1, all as their colours say.",
                                std::to_string(mapped));
    });
}

}  // namespace glimmet::core::measure
