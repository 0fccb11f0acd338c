#include "core/work/measure/wire_map.h"

#include "core/finding/answer.h"

#include <array>
#include <utility>

namespace glimmet::core::measure {
namespace {

constexpr std::array<std::string_view, 10> ends{
    "left rail",  "right rail", "motor plus", "motor minus", "common",
    "front lamp", "rear lamp",  "frame",      "nothing",     "middle conductor"};

constexpr std::pair<std::string_view, std::string_view> convention[] = {
    {"red", "right rail"},   {"black", "left rail"},  {"orange", "motor plus"},
    {"grey", "motor minus"}, {"gray", "motor minus"}, {"blue", "common"},
    {"white", "front lamp"}, {"yellow", "rear lamp"}};

}  // namespace

std::string_view conventional(std::string_view colour, Feed feed) {
    if (feed == Feed::ThreeRailDigital && colour == "red") return "middle conductor";
    for (const auto& [name, end] : convention) {
        if (name == colour) return end;
    }
    return {};
}

std::span<const std::string_view> wireEnds() { return ends; }

void judgeWires(const Reckoned& facts, Judging& judging) {
    std::size_t mapped = 0, unlike = 0;
    for (const Unit& unit : facts.job.units) {
        for (const FactoryWire& wire : unit.wires) {
            ++mapped;
            const std::string_view usual = conventional(wire.colour, facts.job.feed);
            // With a middle conductor both running rails are the other pole.
            const bool eitherRail = facts.job.feed == Feed::ThreeRailDigital &&
                                    usual == "left rail" && wire.to == "right rail";
            if (usual.empty() || usual == wire.to || eitherRail) continue;
            ++unlike;
            judging.say("wires.colour:" + unit.id + "-" + wire.colour, {unit.id, wire.colour},
                        wire.labelled ? State::Fine : State::Close, Gravity::PartDestroyed,
                        [&](Finding& finding) {
                            finding.sentence =
                                wire.to == "nothing"
                                    ? text(
                                          "The %1 wire leads nowhere, though %1 stands for the %2 "
                                          "by convention.",
                                          wire.colour, usual)
                                    : text(
                                          "The %1 wire goes to the %2; by convention %1 is the "
                                          "%3. The meter is right.",
                                          wire.colour, wire.to, usual);
                            if (wire.labelled) return;
                            const bool nowhere = wire.to == "nothing";
                            finding.action =
                                nowhere
                                    ? text("cut the %1 wire back and sleeve it", wire.colour)
                                    : text("put a tag on the %1 wire: %2", wire.colour, wire.to);
                            finding.options = {answer(
                                nowhere ? text("It is cut back and sleeved") : text("It has a tag"),
                                text("nobody is misled by its colour"), State::Fine,
                                "wire " + wire.colour + " " + wire.to + " tagged")};
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
