// A decoder, its stay-alive and what else gives power, as terminals in nets.
#include "core/analysis/wiring/building.h"
#include "core/analysis/wiring/terminals.h"

#include <algorithm>

namespace glimmet::core::wiring {
namespace {

/// Outputs that the decoder has, and those that lamps are planned on before one is chosen.
std::vector<std::string> outputsOf(const Job& job) {
    std::vector<std::string> all;
    const auto add = [&](const std::string& name) {
        if (name != supplyOutput && std::find(all.begin(), all.end(), name) == all.end())
            all.push_back(name);
    };
    if (job.decoder) {
        for (const DecoderOutput& output : job.decoder->part.outputs) add(output.name);
    }
    for (const LampGroup& group : job.groups) add(group.output);
    return all;
}

}  // namespace

void addDecoder(Building& building) {
    const Job& job = building.job;
    const std::vector<std::string> outputs = outputsOf(job);
    const bool lampsOnIt =
        std::any_of(job.groups.begin(), job.groups.end(),
                    [](const LampGroup& group) { return group.output != supplyOutput; });
    if (!job.decoder && !lampsOnIt) return;
    const std::string& unit = building.unitId(building.home);
    const auto pin = [&](const std::string& name) {
        return building.add({decoderOwner, name}, unit, Role::Decoder);
    };
    Part part{Part::Model::Decoder, decoderOwner, {}};
    for (const char* name : {"red", "black", "orange", "grey", "blue", "plus", "ground"})
        part.pins.push_back(pin(name));
    for (const std::string& output : outputs) part.pins.push_back(pin(output));
    building.join(Net::Kind::Common, "common", {decoderOwner, "blue"});
    for (const std::string& output : outputs) {
        building.join(Net::Kind::Output, "output " + output, {decoderOwner, output});
    }
    if (job.decoder) {
        building.join(Net::Kind::Motor, "motor plus", {decoderOwner, "orange"});
        building.join(Net::Kind::Motor, "motor minus", {decoderOwner, "grey"});
        if (onRails(job)) {
            building.join(Net::Kind::Rail, railNet(job, redRail(job)), {decoderOwner, "red"});
            building.join(Net::Kind::Rail, railNet(job, "left"), {decoderOwner, "black"});
        }
    }
    if (!building.isOut(decoderOwner)) building.made.parts.push_back(std::move(part));
}

void addStayAlive(Building& building) {
    const Job& job = building.job;
    if (!job.bank) return;
    const std::size_t at =
        job.bank->placement ? unitAt(job, job.bank->placement->unit) : building.home;
    const TerminalId plus =
        building.add({stayAliveOwner, "plus"}, building.unitId(at), Role::StayAlive);
    const TerminalId minus =
        building.add({stayAliveOwner, "minus"}, building.unitId(at), Role::StayAlive);
    building.between(Element::Kind::Capacitor, plus, minus, stayAliveOwner);
    if (!building.isOut(stayAliveOwner)) {
        building.made.parts.push_back({Part::Model::StayAlive, stayAliveOwner, {plus, minus}});
    }
    if (!job.decoder) return;
    const TerminalId decoderPlus{decoderOwner, "plus"}, ground{decoderOwner, "ground"};
    building.join(Net::Kind::StayAlive, "stay-alive plus", decoderPlus);
    building.join(Net::Kind::StayAlive, "stay-alive plus", job.bank->backwards ? minus : plus);
    building.join(Net::Kind::StayAlive, "stay-alive minus", ground);
    building.join(Net::Kind::StayAlive, "stay-alive minus", job.bank->backwards ? plus : minus);
}

void addSupply(Building& building) {
    const Job& job = building.job;
    if (onRails(job)) return;
    const std::string unit = isStructure(job) ? std::string() : building.unitId(building.home);
    const TerminalId plus = building.add({supplyOutput, "plus"}, unit, Role::Supply);
    const TerminalId minus = building.add({supplyOutput, "minus"}, unit, Role::Supply);
    building.between(Element::Kind::Source, plus, minus, supplyOutput);
    building.join(Net::Kind::Supply, "supply plus", plus);
    building.join(Net::Kind::Supply, "supply minus", minus);
    if (!job.decoder) return;
    const bool past = job.supply.packOn == PackOn::Terminals;
    building.join(Net::Kind::Supply, "supply plus", {decoderOwner, past ? "plus" : "red"});
    building.join(Net::Kind::Supply, "supply minus", {decoderOwner, past ? "ground" : "black"});
}

void addSpeakers(Building& building) {
    const Job& job = building.job;
    for (const FittedItem& item : job.items) {
        const auto* speaker = std::get_if<SpeakerPart>(&item.part);
        if (!speaker) continue;
        const std::string unit =
            item.placement ? item.placement->unit : building.unitId(building.home);
        const TerminalId a = building.add({item.id, "a"}, unit, Role::Speaker);
        const TerminalId b = building.add({item.id, "b"}, unit, Role::Speaker);
        building.between(Element::Kind::Resistor, a, b, item.id);
        if (!building.isOut(item.id)) building.made.elements.back().resistance = speaker->impedance;
    }
}

}  // namespace glimmet::core::wiring
