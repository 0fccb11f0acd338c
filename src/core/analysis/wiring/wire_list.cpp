#include "core/analysis/wiring/wire_list.h"

#include "core/analysis/motor_evidence.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wired_circuit.h"
#include "core/wire/wire.h"

#include <algorithm>
#include <map>

namespace glimmet::core {
namespace {

using wiring::Net;

/// The standard's colours for what a decoder's leads join (S-9.1.1).
std::string colourOf(const Job& job, const Net& net) {
    static const std::map<std::string, std::string> colours = {
        {"motor plus", "orange"},    {"motor minus", "grey"},       {"common", "blue"},
        {"rail right", "red"},       {"rail left", "black"},        {"rail centre", "red"},
        {"rail outer", "black"},     {"supply plus", "red"},        {"supply minus", "black"},
        {"stay-alive plus", "blue"}, {"stay-alive minus", "black"}, {"output front", "white"},
        {"output rear", "yellow"},   {"output 1", "green"},         {"output 2", "violet"},
        {"output 3", "brown"},       {"output 4", "pink"}};
    if (const auto known = colours.find(net.name); known != colours.end()) return known->second;
    constexpr std::string_view output = "output ";
    if (net.name.starts_with(output)) {
        if (const DecoderOutput* of = outputNamed(job, net.name.substr(output.size())))
            if (!of->wire.empty()) return of->wire;
    }
    return "any";
}

std::optional<Amperes> largestReading(const Job& job, MotorCondition condition) {
    std::optional<Amperes> most;
    for (const MotorReading& reading : driveEvidence(job).readings) {
        if (reading.condition == condition)
            most = std::max(most.value_or(Amperes{0}), reading.amps);
    }
    return most;
}

/// For hours: hauling, else slipping as the most that a motor takes running.
std::optional<Amperes> motorCurrent(const Job& job) {
    if (const auto slip = largestReading(job, MotorCondition::Slipping)) return slip;
    return largestReading(job, MotorCondition::Light);
}

Amperes lampsOn(const JobAnalysis& facts, std::string_view output) {
    Amperes sum{0};
    for (std::size_t i = 0; i < facts.groups.size(); ++i) {
        if (facts.groups[i] && (output.empty() || facts.job.groups[i].output == output))
            sum += facts.groups[i]->total;
    }
    return sum;
}

std::optional<Amperes> currentOf(const JobAnalysis& facts, const Net& net) {
    using Kind = Net::Kind;
    const Job& job = facts.job;
    switch (net.kind) {
        case Kind::Motor:
            return motorCurrent(job);
        case Kind::Rail:
        case Kind::Supply: {
            const Amperes lamps = lampsOn(facts, {});
            if (!hasMotor(job)) return lamps;
            const auto motor = motorCurrent(job);
            return motor ? std::optional(*motor + lamps) : std::nullopt;
        }
        case Kind::Common:
            return facts.outputsOn();
        case Kind::Output:
            return lampsOn(facts, net.name.substr(std::string_view("output ").size()));
        case Kind::Lamps:
        case Kind::StayAlive:
            break;
    }
    return {};
}

/// The thinnest that is used for such a net and can take its current.
int gaugeFor(const Net& net, std::optional<Amperes> amps) {
    const bool lamps = net.kind == Net::Kind::Output || net.kind == Net::Kind::Lamps ||
                       net.kind == Net::Kind::Common;
    const int thinnest = lamps ? 36 : 30;
    int chosen = thinnest;
    for (const WireGauge& gauge : wireGauges()) {
        const bool takes = !amps || gauge.limit * wireCloseAbove >= *amps;
        if (gauge.awg <= thinnest && takes) chosen = gauge.awg;
    }
    return chosen;
}

struct Nets {
    std::map<TerminalId, const Net*> of;
    explicit Nets(const wiring::Wiring& plan) {
        for (const Net& net : plan.nets) {
            for (const TerminalId& id : net.joins) of.emplace(id, &net);
        }
    }
    [[nodiscard]] const Net* at(const TerminalId& id) const {
        const auto found = of.find(id);
        return found == of.end() ? nullptr : found->second;
    }
};

void judgeGauge(ListedWire& wire) {
    if (!wire.awg || !wire.amps) return;
    const auto gauge = wireGauge(*wire.awg);
    if (!gauge) return;
    const WireRun run{*gauge, wire.length.value_or(Millimetres{0}), false, *wire.amps};
    wire.state = loadState(run);
    if (wire.length) wire.drop = drop(run);
}

std::vector<std::string> crossed(const Job& job, const TerminalId& from, const TerminalId& to) {
    std::vector<std::string> all;
    const auto a = unitOf(job, from), b = unitOf(job, to);
    if (!a || !b) return all;
    for (std::size_t i = std::min(*a, *b); i < std::max(*a, *b); ++i)
        all.push_back(job.units[i].id + "/" + job.units[i + 1].id);
    return all;
}

/// Whether laid wires already make one of two points.
bool laid(const wiring::Wiring& wiring, const wiring::Conductor& planned) {
    return std::any_of(
        wiring.conductors.begin(), wiring.conductors.end(), [&](const wiring::Conductor& each) {
            return !each.wire.empty() && ((each.from == planned.from && each.to == planned.to) ||
                                          (each.from == planned.to && each.to == planned.from));
        });
}

/// Whether a wire is cut for it. A lamp has two wires; what lies within a group of one lamp, and
/// the pins of one thing, are one piece.
bool needsWire(const Job& job, const wiring::Conductor& each) {
    const LampGroup* from = groupOf(job, each.from.owner);
    const LampGroup* to = groupOf(job, each.to.owner);
    const auto owner = [](const TerminalId& id) { return id.owner.substr(0, id.owner.find('/')); };
    if (from && from == to) return from->rows.size() > 1 || from->rows.front().lamps.size() > 1;
    if (from && from->id != each.from.owner) return false;
    if (to && to->id != each.to.owner) return false;
    return owner(each.from) != owner(each.to) || each.from.owner == railOwner;
}

}  // namespace

bool socketed(const Job& job) {
    return job.decoder && !job.wanted.socket.empty() && job.wanted.socket == job.decoder->part.plug;
}

std::vector<ListedWire> wireList(const JobAnalysis& facts) {
    const Job& job = facts.job;
    const wiring::Wiring plan = wiring::wiringOf(job, facts.house.leg, {});
    const Nets nets(plan);
    std::vector<ListedWire> all;
    for (const Wire& wire : job.wires) {
        if (wire.factory || wire.to.pin == nowhere) continue;
        ListedWire made;
        made.id = wire.id;
        made.from = wire.from.value_or(TerminalId{});
        made.to = wire.to;
        made.colour = wire.colour;
        made.awg = wire.awg;
        made.length = wire.length;
        made.run = wire.run;
        made.fromJoint = wire.fromJoint;
        made.toJoint = wire.toJoint;
        made.provisional = wire.provisional;
        const Net* net = nets.at(wire.to);
        if (!net && wire.from) net = nets.at(*wire.from);
        if (net) {
            made.net = net->name;
            made.amps = currentOf(facts, *net);
        }
        if (wire.from) made.crosses = crossed(job, *wire.from, wire.to);
        judgeGauge(made);
        all.push_back(std::move(made));
    }
    std::size_t number = 0;
    for (const wiring::Conductor& each : plan.conductors) {
        if (!each.wire.empty() || laid(plan, each) || !needsWire(job, each)) continue;
        const Net* net = nets.at(each.from);
        if (!net) net = nets.at(each.to);
        if (!net) continue;
        // Leads of a plug, and what the model's own wiring leads to its socket, are there already.
        if (socketed(job) && (net->kind == Net::Kind::Motor || net->kind == Net::Kind::Rail))
            continue;
        ListedWire made;
        made.id = "P" + std::to_string(++number);
        made.planned = true;
        made.net = net->name;
        made.from = each.from;
        made.to = each.to;
        made.colour = colourOf(job, *net);
        made.amps = currentOf(facts, *net);
        made.awg = gaugeFor(*net, made.amps);
        made.crosses = crossed(job, each.from, each.to);
        judgeGauge(made);
        all.push_back(std::move(made));
    }
    return all;
}

std::vector<Cut> cutList(const std::vector<ListedWire>& wires) {
    std::vector<Cut> all;
    for (const ListedWire& wire : wires) {
        if (!wire.planned) continue;
        auto like = std::find_if(all.begin(), all.end(), [&](const Cut& cut) {
            return cut.colour == wire.colour && cut.awg == wire.awg && cut.length == wire.length;
        });
        if (like == all.end()) {
            all.push_back({wire.colour, wire.awg, wire.length, {}});
            like = std::prev(all.end());
        }
        like->wires.push_back(wire.id);
    }
    return all;
}

}  // namespace glimmet::core
